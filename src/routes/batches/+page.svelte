<script lang="ts">
  import { mustColour } from '$core/must/colour';
  import { abvText, sgText, volumeText } from '$core/units/format';
  import { allBatches, household, vesselById, type Batch } from '$lib/store/household.svelte';
  import VesselMini from '$lib/ui/vessel/VesselMini.svelte';
  import { dayWord, dueWord } from '$lib/ui/shelf/when';

  const STAGES = [
    ['must', 'Must, before the yeast'],
    ['fermenting', 'Fermenting'],
    ['in glass', 'In glass'],
    ['clearing', 'Clearing'],
    ['bottled', 'Bottled']
  ] as const;
  const groups = $derived(
    STAGES.map(([stage, label]) => ({
      stage,
      label,
      list: allBatches().filter((b) => b.standing.stage === stage)
    })).filter((g) => g.list.length > 0)
  );
  const where = (b: Batch) => b.state.fills.map((f) => vesselById(f.vesselId)?.name ?? 'a vessel').join(', ');
  const going = $derived(allBatches().filter((b) => b.standing.stage !== 'bottled').length);
</script>

<svelte:head><title>Batches · Vecino</title></svelte:head>

<h1 class="sentence pt-2 pb-2 font-normal">
  {#if groups.length === 0}Nothing has been started yet. <a class="link font-semibold" href="/plan"
      >Plan a wine</a
    > from what you have picked.
  {:else}<span class="font-bold">{going} {going === 1 ? 'wine' : 'wines'} on the way</span
    >{#if allBatches().length > going}, {allBatches().length - going} in bottle{/if}.{/if}
</h1>

{#each groups as g (g.stage)}
  <section aria-label={g.label} class="mb-5">
    <h2 class="head mb-1 font-sans!">{g.label}</h2>
    <ul class="inkline">
      {#each g.list as b (b.id)}
        {@const v = vesselById(b.state.fills[0]?.vesselId ?? '')}
        <li class="dashline">
          <a
            href="/batches/{b.id}"
            class="grid min-h-14 grid-cols-[44px_minmax(0,1.2fr)_auto] items-center gap-x-4 py-1.5 no-underline hover:bg-slip md:grid-cols-[44px_minmax(0,1.3fr)_6rem_5rem_6rem_minmax(0,1.6fr)]"
          >
            <span class="flex h-11 items-end justify-center">
              {#if v && g.stage !== 'bottled'}<VesselMini
                  vessel={v}
                  volumeL={b.standing.volumeL / Math.max(1, b.state.fills.length)}
                  colour={mustColour(b.state.plan.ingredients).must}
                  size={38}
                />{:else}<span
                  class="size-4 rounded-full"
                  style:background={mustColour(b.state.plan.ingredients).must}
                ></span>{/if}
            </span>
            <span class="min-w-0"
              ><span class="number block truncate text-[1.1875rem]">{b.state.name}</span><span
                class="small block truncate"
                >day {b.standing.day}{g.stage === 'bottled' ? '' : `, ${where(b)}`}</span
              ></span
            >
            <span class="number text-right text-[1.1875rem] md:order-none"
              >{b.standing.sg ? sgText(b.standing.sg.sg) : ''}</span
            >
            <span class="hidden text-right md:block"
              >{b.standing.abv.likely > 0.1 ? `${abvText(b.standing.abv.likely)} %` : ''}</span
            >
            <span class="hidden text-right md:block"
              >{g.stage === 'bottled'
                ? `${b.state.bottled.reduce((n, x) => n + x.count, 0)} bottles`
                : volumeText(b.standing.volumeL, household.settings.volume)}</span
            >
            <span class="small hidden truncate md:block">
              {#if b.due[0]}{b.due[0].step.title}, {dueWord(
                  b.due[0],
                  household.now,
                  b.state.zone
                )}{:else if b.state.bottled[0]}filled {dayWord(
                  b.state.bottled[0].at,
                  household.now,
                  b.state.zone
                )}{/if}
            </span>
          </a>
        </li>
      {/each}
    </ul>
  </section>
{/each}
