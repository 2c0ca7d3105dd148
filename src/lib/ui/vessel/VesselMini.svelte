<script lang="ts">
  import type { Vessel } from '$core/vessels/vessels';
  import { drawVessel } from './draw';

  /** A small vessel filled to its level in its wine's colour; decoration beside its own words. */
  let {
    vessel,
    volumeL,
    colour,
    size = 56
  }: { vessel: Vessel; volumeL: number; colour: string; size?: number } = $props();

  const id = $props.id();
  const d = $derived(drawVessel(vessel, size, size));
  const top = $derived(d.y(volumeL));
</script>

<svg
  viewBox="-2 -3 {d.width + 4} {d.height + 5}"
  width={d.width + 4}
  height={d.height + 5}
  aria-hidden="true"
>
  <defs><clipPath id="{id}-in"><path d={d.outline} /></clipPath></defs>
  <path d={d.outline} class="fill-glass" />
  <rect
    clip-path="url(#{id}-in)"
    class="level"
    x="0"
    y={top}
    width={d.width}
    height={Math.max(0, d.height - top)}
    fill={colour}
  />
  <path d="{d.outline}Z" fill="none" class="stroke-ink" stroke-width="2" stroke-linejoin="round" />
</svg>

<style>
  .level {
    transition:
      y 0.6s ease-out,
      height 0.6s ease-out;
  }
</style>
