<script lang="ts">
  import '@fontsource/besley/latin-400.css';
  import '@fontsource/besley/latin-600.css';
  import '@fontsource/besley/latin-700.css';
  import '@fontsource/source-sans-3/latin-400.css';
  import '@fontsource/source-sans-3/latin-600.css';
  import '../app.css';
  import { onMount } from 'svelte';
  import { household, watchHousehold } from '$lib/store/household.svelte';
  import { health, watchHealth } from '$lib/store/health.svelte';
  import { flushOnLeave } from '$lib/store/draft';
  import { base } from '$app/paths';
  import { page } from '$app/state';
  import { offerDemo } from './offer-demo';
  import Fault from '$lib/ui/nav/Fault.svelte';
  import { clocksAt } from '$lib/ui/nav/clocks.svelte';
  import { watchForNewer } from '$lib/ui/nav/newer';
  import { countInTitle } from '$lib/ui/nav/title';
  import { jobsDue } from '$lib/ui/today/walkable';
  import { sayWrong, warmUp } from '$lib/ui/nav/said.svelte';
  import Header from '$lib/ui/nav/Header.svelte';
  import PlacesBar from '$lib/ui/nav/PlacesBar.svelte';
  import Shelf from '$lib/ui/shelf/Shelf.svelte';
  import Said from '$lib/ui/nav/Said.svelte';
  import Quick from '$lib/ui/quick/Quick.svelte';
  import QuickButton from '$lib/ui/nav/QuickButton.svelte';

  let { children } = $props();

  /** What nobody caught is said in plain words: what was written is safe. */
  const unforeseen = (e: PromiseRejectionEvent | ErrorEvent) => {
    const error: unknown = 'reason' in e ? e.reason : e.error;
    // What a browser says of its own layout is no error of ours.
    if (error) sayWrong(error);
  };

  /** How many jobs are due, before the tab's own title. */
  let countTo = $state.raw<((n: number) => void) | null>(null);
  $effect(() => {
    if (countTo && household.ready) countTo(jobsDue());
  });
  /** Everything goes to a folder of the household's own as it is written, where one was chosen. */
  let follow = $state.raw<((events: number) => void) | null>(null);
  $effect(() => follow?.(household.counts.events));
  /** Pages that show what was kept: while nothing can be read, they do not say that nothing is there. */
  const showsKept = $derived(
    ['/harvest', '/batches', '/cellar', '/walk'].some((p) => page.url.pathname.startsWith(base + p))
  );
  const hasClocks = $derived(clocksAt(household.now).length > 0);

  onMount(() => {
    const stops = [watchHealth(), watchHousehold(), flushOnLeave()];
    window.addEventListener('unhandledrejection', unforeseen);
    window.addEventListener('error', unforeseen);
    stops.push(() => {
      window.removeEventListener('unhandledrejection', unforeseen);
      window.removeEventListener('error', unforeseen);
    });
    void offerDemo();
    const title = countInTitle();
    countTo = title.set;
    stops.push(title.stop);
    void watchForNewer();
    // What the page needs not to stand comes once it does.
    const warm = setTimeout(() => {
      warmUp();
      void import('$lib/store/instruments.svelte').then((i) => i.startInstruments());
      void import('$lib/store/folder.svelte').then(async (f) => {
        await f.findFolder();
        follow = f.folderFollows;
      });
    }, 1500);
    stops.push(() => clearTimeout(warm));
    return () => stops.forEach((stop) => stop());
  });

  $effect(() => {
    const wanted = household.settings.theme;
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const set = () => {
      const isDark = wanted === 'dark' || (wanted === 'auto' && dark.matches);
      document.documentElement.dataset.theme = isDark ? 'cellar' : 'paper';
    };
    set();
    dark.addEventListener('change', set);
    return () => dark.removeEventListener('change', set);
  });
</script>

<a
  href="#main"
  class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-primary focus:p-3 focus:text-primary-content"
  >To the page</a
>
<div class="flex min-h-dvh flex-col">
  <Header />
  {#if health.ill}{#await import('$lib/ui/nav/Illness.svelte') then { default: Ill }}<Ill
        ill={health.ill}
      />{/await}{/if}
  <main id="main" tabindex="-1" class="mx-auto w-full max-w-[1400px] flex-1 px-4 pb-3 outline-none sm:px-6">
    {#if health.isShut && showsKept}
      <h1 class="sentence pt-4">What you wrote cannot be read here now, so none of it is shown.</h1>
    {:else if household.ready || health.isShut || page.url.pathname.startsWith(`${base}/settings`)}
      <svelte:boundary onerror={(e) => console.error('page fault', e)}>
        {@render children()}
        {#snippet failed(error, reset)}<Fault {error} retry={reset} />{/snippet}
      </svelte:boundary>
    {:else if household.building !== null}
      <p class="sentence pt-4" role="status">
        Reading the ledger, {Math.round(100 * household.building)} %.
      </p>
    {/if}
  </main>
  <!-- On a small or a low screen the shelf is the foot of the page, and covers nothing. -->
  <div class="z-20 md:tall:sticky md:tall:bottom-[var(--clocks,0px)]">
    <svelte:boundary onerror={(e) => console.error('page fault', e)}>
      <Shelf />
      {#snippet failed()}<p class="small bg-paper px-4">The shelf cannot be drawn just now.</p>{/snippet}
    </svelte:boundary>
  </div>
  <Quick />
  <div class="pointer-events-none sticky bottom-0 z-30">
    <Said />
    {#if hasClocks}{#await import('$lib/ui/nav/Clocks.svelte') then { default: Clocks }}<Clocks
        />{/await}{/if}
    <div class="flex justify-end md:hidden"><QuickButton /></div>
    <div class="pointer-events-auto"><PlacesBar /></div>
  </div>
</div>
