<script lang="ts">
  import { untrack } from 'svelte';
  import type { BatchState } from '$core/ledger/state';
  import { foreseenOf, plannedAhead } from '$core/belief/forecast';
  import type { Standing } from '$core/belief/standing';
  import { DOSES } from '$core/tables/doses';
  import { NITROGEN_MG_G } from '$core/tables/substances';
  import { YEASTS, type YeastId } from '$core/tables/yeasts';
  import { massText, temperatureText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { aheadText, stallsText } from '../words/ahead';
  import { foreseen } from './foreseen.svelte';
  import GravityChart from './GravityChart.svelte';

  /** What is to come of a wine: its chart with the fan, in a sentence, and what would change it. */
  let { state: s, standing }: { state: BatchState; standing: Standing } = $props();

  const DAY = 86_400_000;
  /** Days ahead that are worked out; the chart shows as many as it takes to come to an end. */
  const AHEAD = 60;
  /** Nothing more is to come of a wine that is all but certainly finished. */
  const SETTLED = 0.97;
  /** The usual dose of a nutrient mix, as nitrogen that yeast can take, mg/L. */
  const FOOD_MG_L = DOSES.nutrient.perL[1] * NITROGEN_MG_G.nutrient!;

  let tempC = $state<number | null>(null);
  let feedGL = $state(0);
  let yeastId = $state<YeastId | ''>('');
  let hasFood = $state(false);
  const isAsked = $derived(tempC !== null || feedGL > 0 || yeastId !== '' || hasFood);
  const feedKg = $derived((feedGL * standing.volumeL) / 1000);

  const runs = $derived(
    s.fills.length > 0 && standing.belief !== null && standing.belief.chance.done < SETTLED
  );
  // What happened decides, not the minute it is.
  const stood = $derived(
    runs ? JSON.stringify([s.id, s.flows.length, s.flows.at(-1)?.at, Math.floor(s.at / DAY)]) : ''
  );
  const asked = $derived.by(() => {
    if (!stood) return null;
    return { batch: foreseenOf(untrack(() => s)) };
  });
  const as = foreseen(() => asked && { asked, days: AHEAD, what: {} });
  const what = foreseen(() =>
    asked && isAsked
      ? {
          asked,
          days: AHEAD,
          what: {
            tempC: tempC ?? undefined,
            sugarKg: feedKg || undefined,
            yeast: yeastId ? { yeastId } : undefined,
            nitrogenMgL: hasFood ? FOOD_MG_L : undefined
          }
        }
      : null
  );
  const answer = $derived(isAsked ? (what.answer ?? as.answer) : as.answer);
  const share = $derived((isAsked ? what : as).share);
  const planned = $derived(asked !== null && plannedAhead(asked.batch).length > 0);
  const standsC = $derived(as.answer?.days[0]?.tempC ?? household.settings.roomC);
  const degrees = (c: number) => temperatureText(c, household.settings.temp);
</script>

<GravityChart state={s} {standing} forecast={answer} usual={isAsked ? as.answer : null} />
{#if runs}
  <!-- How much of the sum is done: there for as long as it runs, and in nobody's way. -->
  <div class="h-0.5" aria-hidden="true">
    <div
      data-testid="reckoned"
      class="h-full bg-ink/40 transition-[width,opacity] duration-300 motion-reduce:transition-none {share < 1
        ? ''
        : 'opacity-0'}"
      style:width="{Math.round(100 * Math.max(0.08, share))}%"
    ></div>
  </div>
{/if}
{#if answer}
  <p class="mt-1 leading-snug" data-testid="ahead" aria-live="polite" aria-busy={share < 1}>
    {isAsked
      ? 'Then'
      : `At ${degrees(standsC)}, ${planned ? 'if all goes as planned' : 'with nothing done to it'},`}
    <b class="font-semibold">{aheadText(answer)}</b>. {stallsText(answer)}
  </p>
  <details class="mt-1">
    <summary class="flex min-h-11 w-max cursor-pointer items-center underline underline-offset-4 sm:min-h-7"
      >What if…</summary
    >
    <div class="grid gap-x-6 gap-y-2 py-1 sm:grid-cols-2">
      <label class="grid content-start gap-1"
        ><span class="flex justify-between gap-2"
          >it stood at <b class="number">{degrees(tempC ?? standsC)}</b></span
        >
        <input
          type="range"
          class="slider"
          min="6"
          max="34"
          step="1"
          value={Math.round(tempC ?? standsC)}
          aria-valuetext={degrees(tempC ?? standsC)}
          oninput={(e) => (tempC = Number(e.currentTarget.value))}
        />
      </label>
      <label class="grid content-start gap-1"
        ><span class="flex justify-between gap-2"
          >sugar went in <b class="number"
            >{feedKg > 0 ? massText(feedKg, household.settings.mass) : 'none'}</b
          ></span
        >
        <input
          type="range"
          class="slider"
          min="0"
          max="80"
          step="5"
          bind:value={feedGL}
          aria-valuetext={feedKg > 0 ? massText(feedKg, household.settings.mass) : 'none'}
        />
      </label>
      <label class="grid content-start gap-1"
        >fresh yeast went in
        <select class="field" bind:value={yeastId}>
          <option value="">none</option>
          {#each Object.entries(YEASTS) as [id, y] (id)}{#if id !== 'wild'}<option value={id}
                >{y.name.toLowerCase()}, to about {y.toleranceAbv[1]} %</option
              >{/if}{/each}
        </select>
      </label>
      <label class="flex min-h-11 items-center gap-2 self-end"
        ><input type="checkbox" class="checkbox" bind:checked={hasFood} /> nutrient, the usual dose</label
      >
      {#if isAsked}<button
          class="min-h-11 w-max underline underline-offset-4"
          onclick={() => {
            [tempC, feedGL, yeastId, hasFood] = [null, 0, '', false];
          }}>as it stands</button
        >{/if}
    </div>
  </details>
{:else if runs && share < 1}
  <div class="h-[5.25rem]" aria-hidden="true"></div>
{/if}
