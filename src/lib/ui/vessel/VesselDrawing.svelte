<script lang="ts">
  import type { Vessel } from '$core/vessels/vessels';
  import { UNIT_LABEL, type VolumeUnit } from '$core/units/measure';
  import { volumeText } from '$core/units/format';
  import { drawVessel, figureY, graduations } from './draw';
  import VesselNotes from './VesselNotes.svelte';

  type Props = {
    vessel: Vessel;
    /** the mark to fill to: liquid and pulp, L */
    fillL: number;
    /** liquid alone, L; the rest of fillL is fruit */
    liquidL: number;
    /** share of the vessel to leave free for cap and foam; 0 in closed glass */
    foamShare: number;
    unit: VolumeUnit;
    colour: { must: string; fruit: string };
    hasFruit: boolean;
    hasLees?: boolean;
    /** wine that stands in it already, rather than a mark to fill to */
    standing?: boolean;
    notes: string[];
  };
  let {
    vessel,
    fillL,
    liquidL,
    foamShare,
    unit,
    colour,
    hasFruit,
    hasLees = false,
    standing = false,
    notes
  }: Props = $props();

  const id = $props.id();
  const d = $derived(drawVessel(vessel, 250, 330));
  const mid = $derived(d.width / 2);
  /** Narrow glass has no room for words: they stand beside it. */
  const noteX = $derived(d.width < 170 ? d.width + 18 : d.width / 2);
  const viewWidth = $derived(d.width < 170 ? d.width + 66 + 180 : d.width + 66);
  /** Wine with its fruit: the mark is not the wine alone. */
  const isMark = $derived(standing && fillL - liquidL > 0.05);
  /** Less than this is none that anyone could see. */
  const A_SPILL_L = 0.01;
  const overL = $derived(fillL - vessel.capacityL < A_SPILL_L ? 0 : fillL - vessel.capacityL);
  const freeL = $derived(Math.max(0, vessel.capacityL - fillL));
  const wantFreeL = $derived(vessel.capacityL * foamShare);
  const isTight = $derived(overL === 0 && freeL < wantFreeL - 1e-6);
  const top = $derived(d.y(fillL));
  // The cap floats: a layer as deep as the fruit is thick once it has risen.
  const capDepth = $derived(hasFruit ? Math.min(d.height * 0.2, Math.max(14, (d.height - top) * 0.22)) : 0);
  const foamTop = $derived(foamShare > 0 ? d.y(Math.min(vessel.capacityL, fillL + wantFreeL)) : top);
  const marks = $derived(graduations(vessel.capacityL, unit));
  const say = $derived(
    `${vessel.name}, ${standing ? 'holds' : 'fill to'} ${volumeText(fillL, unit)}${overL > 0 ? `, ${volumeText(overL, unit)} too much` : `, ${volumeText(freeL, unit)} free`}`
  );
  const seeds = Array.from({ length: 26 }, (_, i) => ({
    x: ((i * 61) % 100) / 100,
    y: ((i * 37) % 100) / 100,
    turn: ((i * 53) % 70) - 35
  }));
</script>

<svg
  viewBox="{d.width < 170 ? -120 : -52} -8 {d.width < 170 ? viewWidth + 68 : viewWidth} {d.height + 14}"
  class="h-full max-h-full w-full"
  role="img"
  aria-label={say}
>
  <defs><clipPath id="{id}-inside"><path d={d.outline} /></clipPath></defs>
  <path d={d.outline} class="fill-glass" />
  <g clip-path="url(#{id}-inside)">
    {#if foamShare > 0 && fillL > 0}
      <rect
        x="0"
        y={foamTop}
        width={d.width}
        height={Math.max(0, top - foamTop)}
        fill={colour.must}
        opacity="0.25"
      />
      {#each seeds.slice(0, 9) as s, i (i)}
        <circle
          cx={s.x * d.width}
          cy={top - 6 - s.y * Math.max(0, top - foamTop - 12)}
          r={5 + (i % 4) * 2}
          class="fill-glass"
          opacity="0.7"
        />
      {/each}
    {/if}
    {#if fillL > 0}
      <rect x="0" y={top} width={d.width} height={d.height - top} fill={colour.must} />
      {#if capDepth > 0}
        <rect x="0" y={top} width={d.width} height={capDepth} fill={colour.fruit} opacity="0.75" />
        {#each seeds as s, i (i)}
          <rect
            x={s.x * d.width}
            y={top + 3 + s.y * (capDepth - 8)}
            width="13"
            height="4.5"
            rx="2"
            fill={colour.fruit}
            transform="rotate({s.turn} {s.x * d.width + 6} {top + s.y * capDepth})"
          />
        {/each}
      {/if}
      {#if hasLees}<rect
          x="0"
          y={d.height - 9}
          width={d.width}
          height="9"
          fill={colour.fruit}
          opacity="0.55"
        />{/if}
    {/if}
  </g>
  {#each marks as m (m.label)}
    {@const y = d.y(m.volumeL)}
    {@const x = mid - d.half(y)}
    <line x1={x} x2={x + 12} y1={y} y2={y} class="stroke-quiet" />
    {#if !standing && Math.abs(y - top) > 12 && y > 22}<text
        x={x - 8}
        y={y + 4}
        text-anchor="end"
        class="fill-quiet text-[13px]">{m.label}</text
      >{/if}
  {/each}
  {#if !standing}<text x={mid - d.half(2) - 8} y="6" text-anchor="end" class="fill-quiet text-[12px]"
      >{UNIT_LABEL[unit]}</text
    >{/if}
  <path d={d.outline} fill="none" class="stroke-ink" stroke-width="2.5" stroke-linejoin="round" />
  <line
    x1={mid - d.half(0.5) - 5}
    x2={mid + d.half(0.5) + 5}
    y1="0"
    y2="0"
    class="stroke-ink"
    stroke-width="5"
  />
  {#if fillL > 0}
    <line
      x1="-16"
      x2={d.width + 12}
      y1={top}
      y2={top}
      class={overL > 0 ? 'stroke-rosehip' : 'stroke-ink'}
      stroke-width="2"
      stroke-dasharray="5 4"
    />
    <text
      x={mid}
      y={standing && !isMark ? figureY(d, top, volumeText(fillL, unit)) : Math.max(22, top - 9)}
      text-anchor="middle"
      class="number paint-under {standing && !isMark ? 'text-[30px]' : 'text-[19px]'} {overL > 0
        ? 'fill-rosehip'
        : 'fill-ink'}"
    >
      {overL > 0
        ? `${volumeText(overL, unit)} too much`
        : standing
          ? `${isMark ? 'mark at ' : ''}${volumeText(fillL, unit)}`
          : `fill to ${volumeText(fillL, unit)}`}
    </text>
    {#if liquidL > 0}
      <VesselNotes
        {notes}
        x={noteX}
        y={Math.max(top + capDepth + 26, d.height * 0.78)}
        isBeside={d.width < 170}
      />
    {/if}
    {#if isTight && !standing}
      <text
        x={mid}
        y={Math.max(42, top + capDepth + 4)}
        text-anchor="middle"
        class="paint-under fill-ink text-[14px] font-semibold">too little room for foam</text
      >
    {:else if !standing && foamShare > 0 && overL === 0 && top > 74}
      <text x={mid} y={Math.max(24, foamTop - 12)} text-anchor="middle" class="fill-quiet text-[13px]"
        >{volumeText(freeL, unit)} free</text
      >
    {/if}
  {:else}
    <text x={mid} y={d.height / 2} text-anchor="middle" class="fill-quiet text-[14px]"
      >holds {volumeText(vessel.capacityL, unit)}</text
    >
  {/if}
</svg>

<style>
  .paint-under {
    paint-order: stroke;
    stroke: var(--glass);
    stroke-width: 5px;
    stroke-linejoin: round;
  }
</style>
