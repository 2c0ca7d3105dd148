<script lang="ts">
  import { MONTH, type DrinkWindow } from '$core/cellar/window';

  /**
   * When a wine can be drunk and is at its best, on the same months for every wine; beside its own words. Without a
   * window, the years alone.
   */
  let { drink: w, now }: { drink: DrinkWindow | null; now: number } = $props();

  const [W, H] = [240, 22];
  const [BEFORE, AFTER] = [4, 32];
  const x = (at: number) =>
    Math.max(0, Math.min(W, (W * (at - now + BEFORE * MONTH)) / ((BEFORE + AFTER) * MONTH)));
  const id = $props.id();
  /** The turns of the year that are shown, and the year each begins. */
  const years = $derived(
    [1, 2].map((n) => {
      const year = new Date(now).getFullYear() + n;
      return { year, at: x(new Date(year, 0, 1).getTime()) };
    })
  );
  const today = W * (BEFORE / (BEFORE + AFTER));
</script>

{#if w === null}
  <div class="relative h-5 w-full max-w-60 text-[0.8125rem] text-quiet" aria-hidden="true">
    <span class="absolute -translate-x-1/2" style:left="{(100 * today) / W}%">now</span>
    <!-- A year that begins right now would be written over it. -->
    {#each years.filter((y) => y.at - today > 0.13 * W) as y (y.year)}<span
        class="absolute -translate-x-1/2"
        style:left="{(100 * y.at) / W}%">{y.year}</span
      >{/each}
  </div>
{:else}
  <svg
    viewBox="0 0 {W} {H}"
    class="block h-[22px] w-full max-w-60"
    preserveAspectRatio="none"
    aria-hidden="true"
  >
    <defs>
      <pattern id="{id}-h" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="2" height="5" class="fill-straw" />
      </pattern>
    </defs>
    {#each years as y (y.year)}<line x1={y.at} x2={y.at} y1="8" y2={H} class="stroke-rule" />{/each}
    <line x1="0" x2={W} y1="15" y2="15" class="stroke-rule" stroke-width="1" />
    <rect
      x={x(w.first)}
      y="12"
      width={Math.max(0, x(w.bestFrom) - x(w.first))}
      height="6"
      class="fill-rule"
    />
    <rect
      x={x(w.bestFrom)}
      y="8"
      width={Math.max(0, x(w.bestTo) - x(w.bestFrom))}
      height="14"
      class="fill-greengage"
    />
    <rect
      x={x(w.bestTo)}
      y="10"
      width={Math.max(0, x(w.last) - x(w.bestTo))}
      height="10"
      fill="url(#{id}-h)"
    />
    <line x1={today} x2={today} y1="0" y2={H} class="stroke-ink" stroke-width="2" />
  </svg>
{/if}
