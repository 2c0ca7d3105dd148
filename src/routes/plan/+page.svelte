<script lang="ts">
  import { massText } from '$core/units/format';
  import { onMount, untrack } from 'svelte';
  import { afterNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { hoursToGive } from '$core/must/mix';
  import { leavesAt } from '$core/steps/schedule';
  import { dayWord } from '$lib/ui/shelf/when';
  import { mustColour } from '$core/plan/colour';
  import { planRibbon } from '$core/must/ribbon';
  import { mustLike, stagesOf, type Stage } from '$core/steps/stages';
  import { neckAsked, slipOfWeight } from '$core/vessels/asked';
  import { own } from '$lib/ui/words/own-units';
  import { foamShareOf, VESSEL_PRESETS } from '$core/vessels/vessels';
  import { volumeText } from '$core/units/format';
  import { gardenPace, watchGarden, withGarden } from '$lib/store/garden.svelte';
  import { household, placesNow, vesselsInUse, vesselsOnOffer } from '$lib/store/household.svelte';
  import { takeAsked } from '$lib/ui/plan/asked';
  import { vesselFor } from '$lib/ui/plan/vessel-for';
  import { howOf, spanText } from '$lib/ui/plan/how';
  import How from '$lib/ui/pop/How.svelte';
  import { createBench } from '$lib/ui/plan/bench.svelte';
  import Advice from '$lib/ui/plan/Advice.svelte';
  import FirstHints from '$lib/ui/plan/FirstHints.svelte';
  import Keep from '$lib/ui/plan/Keep.svelte';
  import LeftPlans from '$lib/ui/plan/LeftPlans.svelte';
  import Method from '$lib/ui/plan/Method.svelte';
  import PlanSentence from '$lib/ui/plan/PlanSentence.svelte';
  import Powders from '$lib/ui/plan/Powders.svelte';
  import Results from '$lib/ui/plan/Results.svelte';
  import Stages from '$lib/ui/plan/Stages.svelte';
  import Slip from '$lib/ui/plan/Slip.svelte';
  import StartBatch from '$lib/ui/plan/StartBatch.svelte';
  import Ribbon from '$lib/ui/ribbon/Ribbon.svelte';
  import VesselDrawing from '$lib/ui/vessel/VesselDrawing.svelte';

  const bench = createBench(() => household.settings, { withGarden, pace: gardenPace });
  let isLoaded = false;
  onMount(async () => {
    await watchGarden();
    await bench.load();
    isLoaded = true;
    await takeWhatIsAsked();
  });
  // A line may ask for another plan while this one stands.
  afterNavigate(() => void (isLoaded && takeWhatIsAsked()));

  async function takeWhatIsAsked() {
    const asked = page.url.searchParams;
    if ([...asked.keys()].length === 0) return;
    await takeAsked(bench, asked);
    await goto('/plan', { replaceState: true, keepFocus: true });
  }

  const e = $derived(bench.estimate);
  const fillL = $derived(e?.vesselVolumeL?.likely ?? 0);
  const busy = $derived(vesselsInUse());
  const vessels = $derived(vesselsOnOffer());
  const vessel = $derived(
    vessels.find((v) => v.id === bench.vesselId) ??
      vesselFor(bench.solved.plan, fillL, vessels, busy) ??
      vesselFor(bench.solved.plan, fillL, VESSEL_PRESETS, busy) ??
      vessels[0]!
  );
  const unit = $derived(household.settings.volume);
  const odd = $derived(
    slipOfWeight(bench.solved.plan, fillL, Math.max(0, ...vessels.map((v) => v.capacityL))) ??
      neckAsked(bench.solved.plan, vessel, (e?.likely.pulpKg ?? 0) > 0)
  );
  const liquidL = $derived(e?.liquidVolumeL?.likely ?? 0);
  const hasFruit = $derived((e?.likely.pulpKg ?? 0) > 0);
  const foamShare = $derived(foamShareOf(vessel, mustLike(bench.solved.plan)));
  /** Where it goes after the bucket: reckoned once the typing rests, as the jars are tried in every way. */
  let stages = $state.raw<Stage[]>([]);
  $effect(() => {
    const [plan, first, places] = [bench.solved.plan, vessel, placesNow()];
    const intoGlassL = e?.intoGlassL?.likely ?? null;
    const litres = intoGlassL === null ? null : { vesselVolumeL: fillL, intoGlassL };
    const timer = setTimeout(
      () => (stages = litres ? stagesOf(plan, litres, first, places, household.now) : []),
      untrack(() => stages.length) === 0 ? 0 : 150
    );
    return () => clearTimeout(timer);
  });
  /** What stands below is drawn once the figures stand, so that the first of them are not waited for. */
  let isDrawn = $state(false);
  const hasFigures = $derived(e?.potentialAbv != null);
  $effect(() => {
    if (!hasFigures || isDrawn) return;
    const frame = requestAnimationFrame(() => setTimeout(() => (isDrawn = true)));
    return () => cancelAnimationFrame(frame);
  });
  const ribbon = $derived(planRibbon(bench.solved.plan.ingredients));
  const allSugar = $derived(ribbon.reduce((s, p) => s + p.hexoseKg, 0));
  const heldSugar = $derived(ribbon.filter((p) => p.kind === 'held').reduce((s, p) => s + p.hexoseKg, 0));
  const held = $derived(busy.get(vessel.id));
  /** What still stands in the vessel, and until when. */
  const holder = $derived.by(() => {
    if (!held) return null;
    const at = leavesAt(held.due);
    return `${held.state.name}${at !== null && at > household.now ? `, until about ${dayWord(at, household.now, held.state.zone)}` : ''}`;
  });
</script>

<svelte:head><title>Plan · Vecino</title></svelte:head>

{#if bench.loaded}
  {#if household.counts.batches === 0 && e?.potentialAbv}<FirstHints />{/if}
  <LeftPlans {bench} />
  <PlanSentence {bench} {vessel} {vessels} />
  {#if odd}<p class="mt-2 bg-tint-straw px-3 py-2" role="status" data-testid="slip-asked">{own(odd)}</p>{/if}

  {#if e?.finalAbv && e.sgAllGiven}
    <p
      class="number sticky top-0 z-10 -mx-4 flex justify-between border-y-[1.5px] border-ink bg-paper px-4 py-1.5 text-[1.25rem] lg:hidden"
      aria-hidden="true"
    >
      <span>{e.finalAbv.likely.toFixed(1)} %</span><span>{e.sgAllGiven.likely.toFixed(3)}</span><span
        >{e.ph ? `pH ${e.ph.likely.toFixed(1)}` : ''}</span
      ><span>{volumeText(fillL, unit)}</span>
    </p>
  {/if}

  <div
    class="mt-2 grid grid-cols-1 items-start gap-x-7 gap-y-6 lg:grid-cols-[minmax(0,26.5rem)_minmax(0,1fr)_minmax(0,27rem)]"
  >
    <div>
      <Slip {bench} />
      {#if isDrawn}<Powders {bench} />{/if}
      <Method {bench} {fillL} />
    </div>
    <section class="flex flex-col max-lg:order-3" aria-label="The vessel">
      <p class="head mb-1 flex justify-between">
        <span>In the {vessel.name}, to scale</span>{#if e && fillL > 0}<How
            title="The mark to fill to"
            lines={howOf(e, bench.solved.plan).fill}
            class="underline decoration-greengage decoration-dashed underline-offset-4"
            >{#snippet trigger()}why {volumeText(fillL, unit)}{/snippet}</How
          >{/if}
      </p>
      <div class="h-[21rem] {stages.length > 1 ? 'xl:h-[17.5rem]' : 'xl:h-[23.5rem]'}">
        <VesselDrawing
          {vessel}
          {fillL}
          {liquidL}
          {foamShare}
          {unit}
          {hasFruit}
          colour={mustColour(bench.solved.plan.ingredients)}
          notes={e?.intoGlassL
            ? [
                `${volumeText(liquidL, unit)} ${hasFruit ? 'once the fruit lets go' : 'of must'}`,
                ...(hasFruit ? [`${volumeText(e.intoGlassL.likely, unit)} with the fruit out`] : [])
              ]
            : []}
        />
      </div>
      {#if isDrawn && stages.length > 1}<Stages stages={stages.slice(1)} />{/if}
    </section>
    <div class="grid grid-cols-1 gap-3 max-lg:order-2">
      <Results {bench} />
      <StartBatch {bench} vesselId={vessel.id} />
      {#if isDrawn || !hasFigures}
        <Advice {bench} overL={Math.max(0, fillL - vessel.capacityL)} isBusy={holder} />
        <Keep {bench} />
      {/if}
    </div>
  </div>

  {#if isDrawn && allSugar > 0.001}
    <div class="mt-4">
      <Ribbon
        title="Where the sugar is"
        total="{massText(allSugar, household.settings.mass)} of grape sugar in all"
        pieces={ribbon.map((p) => ({
          label: `${p.label}, ${massText(p.hexoseKg, household.settings.mass)}`,
          kg: p.hexoseKg,
          colour: p.colour,
          hatched: p.kind === 'held'
        }))}
        below={{
          left: bench.start?.sgNoneGiven
            ? `in the must ${bench.parts.later.length > 0 ? 'on the first day' : 'now'}: reads ${bench.start.sgNoneGiven.likely.toFixed(3)}`
            : 'nothing to read yet',
          right:
            heldSugar > 0
              ? `still in the fruit: ${massText(heldSugar, household.settings.mass)}, nine tenths out in ${spanText(hoursToGive(bench.solved.plan))}`
              : 'all of it dissolved'
        }}
      />
    </div>
  {/if}
{/if}
