<script lang="ts">
  import { A_DREG_L, addedSo2MgL, fillL, sorbateGL, type Fill } from '$core/ledger/fill';
  import type { BatchState } from '$core/ledger/state';
  import { leesL } from '$core/ledger/lees';
  import { mustColour } from '$core/plan/colour';
  import { INSOLUBLE_DENSITY } from '$core/must/contribution';
  import { mustLike } from '$core/steps/stages';
  import { airOverL, foamShareOf, isOpenVessel as isOpen, type Vessel } from '$core/vessels/vessels';
  import { willHoldL } from '$core/ledger/will-hold';
  import { volumeText } from '$core/units/format';
  import { household, vesselById } from '$lib/store/household.svelte';
  import VesselDrawing from './VesselDrawing.svelte';

  /** The vessels a batch stands in, to scale, with fruit, foam room, lees and the air over them. */
  let { state: s }: { state: BatchState } = $props();

  const unit = $derived(household.settings.volume);
  const stands = $derived(
    s.fills.flatMap((fill) => {
      const vessel = vesselById(fill.vesselId);
      return vessel && fillL(fill) > 0.02 ? [{ fill, vessel }] : [];
    })
  );
  const hasFruit = $derived(s.fruitInAt !== null && s.fruitOutAt === null);
  const pulpL = $derived(hasFruit ? s.insolublesKg / INSOLUBLE_DENSITY : 0);
  /** What the fruit still holds will stand in there too: the mark is where the plan had it. */
  const toComeL = $derived(
    hasFruit && s.fills.length === 1 ? Math.max(0, willHoldL(s) - fillL(s.fills[0]!)) : 0
  );
  /** What air there is over closed wine, and what lies under it. */
  function words(fill: Fill, v: Vessel): string[] {
    const litres = fillL(fill);
    const fullL = litres + (hasFruit ? pulpL + toComeL : 0);
    const airL = airOverL(v, fullL);
    const lees = s.rackings.length === 0 && hasFruit ? 0 : leesL(s, fill);
    return [
      isOpen(v)
        ? `${volumeText(Math.max(0, v.capacityL - fullL), unit)} of room`
        : airL < A_DREG_L
          ? 'no air to speak of'
          : `${volumeText(airL, unit)} of air, ${Math.round((100 * airL) / v.capacityL)} %`,
      ...(addedSo2MgL(fill) > 1 ? [`${addedSo2MgL(fill).toFixed(0)} mg/L of sulphite put in`] : []),
      ...(sorbateGL(fill) > 0.01 ? [`${sorbateGL(fill).toFixed(2)} g/L of sorbate`] : []),
      ...(lees > 0.05 ? [`about ${volumeText(lees, unit)} goes with the lees`] : [])
    ];
  }
</script>

<div class="flex flex-wrap gap-4">
  {#each stands as { fill, vessel } (fill.vesselId)}
    {@const litres = fillL(fill)}
    <figure class="w-[13rem] max-w-full">
      <div class="h-[13rem]">
        <VesselDrawing
          {vessel}
          fillL={litres + (isOpen(vessel) ? pulpL + toComeL : 0)}
          liquidL={litres}
          foamShare={isOpen(vessel) && hasFruit ? foamShareOf(vessel, mustLike(s.plan)) : 0}
          {unit}
          colour={mustColour(s.plan.ingredients)}
          hasFruit={hasFruit && isOpen(vessel)}
          hasLees={!hasFruit}
          standing
          notes={[]}
        />
      </div>
      <figcaption class="text-[0.9375rem]">
        <b>{vessel.name}</b>, {volumeText(litres, unit)}{#if toComeL > 0.1}, {volumeText(
            litres + toComeL,
            unit
          )} once the fruit has given{/if}{#each words(fill, vessel) as w (w)}<span class="small block"
            >{w}</span
          >{/each}
      </figcaption>
    </figure>
  {/each}
</div>
