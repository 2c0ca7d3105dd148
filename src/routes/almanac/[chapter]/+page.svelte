<script lang="ts">
  import { page } from '$app/state';
  import Cautions from '$lib/ui/almanac/CautionChapter.svelte';
  import Chapters from '$lib/ui/almanac/Chapters.svelte';
  import Doses from '$lib/ui/almanac/DoseChapter.svelte';
  import Finder from '$lib/ui/almanac/Finder.svelte';
  import Methods from '$lib/ui/almanac/MethodChapter.svelte';
  import Sources from '$lib/ui/almanac/SourceChapter.svelte';
  import Sugars from '$lib/ui/almanac/SugarChapter.svelte';
  import Troubles from '$lib/ui/almanac/TroubleChapter.svelte';
  import Words from '$lib/ui/almanac/WordChapter.svelte';
  import { CHAPTERS, type ChapterId } from '$lib/ui/almanac/find';

  const PAGES = {
    words: Words,
    sugars: Sugars,
    doses: Doses,
    methods: Methods,
    faults: Troubles,
    cautions: Cautions,
    sources: Sources
  };
  const id = $derived(page.params.chapter as ChapterId);
  const Chapter = $derived(id in PAGES ? PAGES[id] : null);
</script>

<svelte:head><title>{CHAPTERS[id] ?? 'Almanac'} · Vecino</title></svelte:head>

<h1 class="sr-only">Almanac: {CHAPTERS[id] ?? ''}</h1>
<div class="grid gap-2 pt-3 pb-3">
  <Finder />
  <Chapters />
</div>
{#if Chapter}<Chapter />{:else}<p class="sentence">No chapter is called that.</p>{/if}
