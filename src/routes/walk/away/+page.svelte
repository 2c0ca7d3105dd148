<script lang="ts">
  import { page } from '$app/state';
  import { putOffAll, whileAway, type WhileAway } from '$core/steps/away';
  import { civilDay, inZone } from '$core/units/zone';
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { tell } from '$lib/ui/nav/said.svelte';
  import { spanWord } from '$lib/ui/shelf/when';
  import { walkable } from '$lib/ui/today/walkable';
  import { own } from '$lib/ui/words/own-units';

  /** Life gets in the way: what comes due while nobody is at home, what of it waits, and what cannot. */
  const DAY = 86_400_000;
  const zone = zoneHere();
  const asDay = (at: number) => civilDay(at, zone);
  const asked = (name: string) => page.url.searchParams.get(name);
  let from = $derived(asked('from') ?? asDay(household.now + DAY));
  let to = $derived(asked('to') ?? asDay(household.now + 8 * DAY));
  /** The morning of leaving, and that of the day one is back. */
  const MORNING = 'T09:00';
  const leaves = $derived(new Date(`${from}${MORNING}`).getTime());
  const returns = $derived(new Date(`${to}${MORNING}`).getTime());
  const isSound = $derived(Number.isFinite(leaves) && Number.isFinite(returns) && returns > leaves);
  const list = $derived(isSound ? whileAway(walkable(), leaves, returns) : []);
  const of = (how: WhileAway['how']) => list.filter((x) => x.how === how);
  /** What waits and was not put off yet. */
  const toPutOff = $derived(of('waits').filter((x) => x.from < returns));
  const day = (at: number) => inZone(at, zone, { day: 'numeric', month: 'short' });
  const GROUPS = [
    ['before', 'Before you leave'],
    ['hand-over', 'Cannot wait: for somebody else'],
    ['waits', 'Can wait until you are back']
  ] as const;
</script>

<svelte:head><title>Away · Vecino</title></svelte:head>

<h1 class="sentence pt-2 font-normal">
  <b>Away</b>
  <label
    ><span class="sr-only">Leaving on</span><input
      type="date"
      class="field inline-block w-auto!"
      bind:value={from}
    /></label
  >
  to
  <label
    ><span class="sr-only">Back on</span><input
      type="date"
      class="field inline-block w-auto!"
      bind:value={to}
    /></label
  >.
  {#if !isSound}Say when you leave and when you are back.
  {:else if list.length === 0}Nothing comes due: go, and do not think of it.
  {:else}{of('hand-over').length === 0
      ? 'Nothing needs anybody.'
      : `${of('hand-over').length} ${of('hand-over').length === 1 ? 'thing needs' : 'things need'} somebody.`}{/if}
</h1>
<p class="no-print my-2 flex flex-wrap gap-3">
  {#if toPutOff.length > 0}
    <button
      class="btn btn-primary"
      onclick={() => tell(`${toPutOff.length} put off to ${day(returns)}.`, () => putOffAll(list, returns))}
      >Put off what can wait, {toPutOff.length}</button
    >
  {/if}
  {#if list.length > 0}<button class="btn btn-line" onclick={() => print()}>Print it for them</button>{/if}
</p>
{#each GROUPS as [how, title] (how)}
  {#if of(how).length > 0}
    <section class="mt-4 max-w-3xl" aria-label={title}>
      <h2 class="head mb-1 font-sans!">{title}</h2>
      <ul class="inkline">
        {#each of(how) as x (x.batchId + x.step.id)}
          <li class="dashline py-2">
            <p class="flex flex-wrap justify-between gap-x-4">
              <span
                ><a class="font-semibold no-underline" href="/batches/{x.batchId}">{x.name}</a>: {x.step.title.toLowerCase()}</span
              >
              <span class="small"
                >{x.times > 1
                  ? `daily, ${x.times} times`
                  : how === 'before'
                    ? `by ${day(leaves)}`
                    : how === 'waits'
                      ? `from ${day(returns)}`
                      : spanWord(x.from, x.to, zone)}</span
              >
            </p>
            {#if how !== 'waits'}<p class="text-quiet">{own(x.step.how)}</p>
              <p class="small">{x.ifLate}</p>{/if}
          </li>
        {/each}
      </ul>
    </section>
  {/if}
{/each}
