<script lang="ts">
  import { YEASTS, type YeastId } from '$core/tables/yeasts';
  import { temperatureText } from '$core/units/format';
  import { household, changeSettings } from '$lib/store/household.svelte';
  import { foreseen } from '../chart/foreseen.svelte';
  import Pop from '../pop/Pop.svelte';
  import { aheadText, stallsText } from '../words/ahead';
  import type { Bench } from './bench.svelte';
  import YeastAhead from './YeastAhead.svelte';

  /** How long it will take, at the household's usual warmth, before it is begun; and by yeast. */
  let { bench }: { bench: Bench } = $props();

  const AHEAD = 90;
  /** Typing rests so long before it is worked out. */
  const REST_MS = 300;
  let rested = $state.raw<{ plan: typeof bench.solved.plan; at: number } | null>(null);
  $effect(() => {
    const plan = $state.snapshot(bench.solved.plan) as typeof bench.solved.plan;
    const timer = setTimeout(() => (rested = { plan, at: Date.now() }), REST_MS);
    return () => clearTimeout(timer);
  });
  const made = foreseen(() => rested && { asked: rested, days: AHEAD, what: {} });
  const degrees = (c: number) => temperatureText(c, household.settings.temp);
  const yeasts = Object.keys(YEASTS) as YeastId[];
  let { roomC } = $derived(household.settings);
</script>

{#if made.answer && rested}
  <p class="leading-snug" data-testid="plan-ahead">
    At <Pop
      title="How long it takes"
      class="min-h-11 font-semibold underline decoration-greengage decoration-2 underline-offset-[7px] sm:min-h-7"
    >
      {#snippet trigger()}{degrees(roomC)}{/snippet}
      <label class="grid gap-1"
        ><span class="flex justify-between gap-2 font-semibold"
          >Where it stands it is usually <b class="number">{degrees(roomC)}</b></span
        >
        <input
          type="range"
          class="slider"
          min="6"
          max="32"
          step="1"
          value={Math.round(roomC)}
          aria-valuetext={degrees(roomC)}
          onchange={(e) => changeSettings({ roomC: Number(e.currentTarget.value) })}
        />
      </label>
      <table class="mt-3 w-full text-[0.9375rem]">
        <thead
          ><tr class="text-left text-quiet"
            ><th class="font-normal">yeast</th><th class="font-normal">1.010</th><th class="font-normal"
              >done</th
            ><th class="text-right font-normal">strength</th></tr
          ></thead
        >
        <tbody>
          {#each yeasts as id (id)}<YeastAhead
              plan={rested!.plan}
              at={rested!.at}
              yeastId={id}
              isChosen={id === bench.yeastId}
              days={AHEAD}
            />{/each}
        </tbody>
      </table>
      <p class="small mt-2">
        Days from the day it is begun, eight chances in ten. {stallsText(made.answer!)}
      </p>
    </Pop>
    <span>{aheadText(made.answer, false)}.</span>
  </p>
{:else if made.share === 0}
  <p class="leading-snug text-quiet">How long it takes is being reckoned…</p>
{/if}
