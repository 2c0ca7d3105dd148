<script lang="ts">
  import { FAMILIES } from '$core/tables/produce';
  import { juiceOf, sharpWord } from '$core/solve/portrait';
  import { seasonIn } from '$core/tables/table';
  import { allProduce, household } from '$lib/store/household.svelte';
  import Chapters from '$lib/ui/almanac/Chapters.svelte';
  import Finder from '$lib/ui/almanac/Finder.svelte';
  import OwnProduce from '$lib/ui/almanac/OwnProduce.svelte';

  const NAMES: Record<(typeof FAMILIES)[number], string> = {
    soft: 'Soft fruit and berries',
    stone: 'Stone fruit',
    pome: 'Apples and their kin',
    citrus: 'Citrus',
    tropical: 'From warm countries',
    melon: 'Melons',
    dried: 'Dried fruit',
    root: 'Roots, stalks and vegetables',
    flower: 'Flowers',
    leaf: 'Leaves and herbs',
    sap: 'Saps'
  };
  const month = $derived(new Date(household.now).getMonth() + 1);
  const groups = $derived(
    FAMILIES.map((f) => ({
      family: f,
      list: allProduce()
        .filter((p) => p.family === f)
        .map((p) => ({
          p,
          juice: juiceOf(p),
          ripe: seasonIn(p, household.settings.hemisphere).includes(month)
        }))
    })).filter((g) => g.list.length > 0)
  );
  const isOwn = (id: string) => household.ownProduce.some((o) => o.id === id);
</script>

<svelte:head><title>Almanac · Vecino</title></svelte:head>

<h1 class="sr-only">Almanac</h1>
<div class="grid gap-2 pt-3">
  <Finder />
  <Chapters />
</div>
<p class="small mt-1 mb-3">
  Sugar of the juice in °Bx, acid in g/L as tartaric. <span class="font-bold text-greengage">●</span> in season
  now.
</p>
<div class="columns-[19rem] gap-x-9">
  {#each groups as g (g.family)}
    <section class="mb-5 break-inside-avoid-column" aria-label={NAMES[g.family]}>
      <h2 class="number border-b-[1.5px] border-ink pb-0.5 text-[1.0625rem]">{NAMES[g.family]}</h2>
      <ul>
        {#each g.list as { p, juice, ripe } (p.id)}
          <li class="dashline">
            <a
              href="/almanac/produce/{p.id}"
              class="grid min-h-9 grid-cols-[0.7rem_minmax(0,1fr)_2.6rem_2.8rem] items-baseline gap-x-2 py-1 max-sm:min-h-11"
              aria-label="{p.name}, {juice.brix.toFixed(0)} °Bx, {juice.taGL.toFixed(0)} g/L, {sharpWord(
                juice.taGL
              )}{ripe ? ', in season' : ''}"
            >
              <span class="size-2.5 rounded-full border border-ink/50" style:background={p.colour.fruit}
              ></span>
              <span class="truncate"
                >{p.name}{#if ripe}<span class="ml-1.5 text-[0.8125rem] font-semibold text-greengage"
                    >now</span
                  >{/if}{#if isOwn(p.id)}<span class="small ml-1">yours</span>{/if}</span
              >
              <span class="text-right">{juice.brix.toFixed(0)}°</span>
              <span class="text-right font-semibold">{juice.taGL.toFixed(juice.taGL < 9.95 ? 1 : 0)}</span>
            </a>
          </li>
        {/each}
      </ul>
    </section>
  {/each}
</div>
<OwnProduce />
