<script lang="ts">
  /** Where one figure lies among all produce: a tick for each, this one inked with its 8-in-10 range. */
  type Props = {
    label: string;
    value: string;
    at: number;
    low?: number;
    high?: number;
    others: readonly number[];
    /** what the ends are called */
    ends: [string, string];
    colour: string;
  };
  let { label, value, at, low, high, others, ends, colour }: Props = $props();

  const W = 400;
  // Square roots spread the many small figures apart and keep the few large ones on the paper.
  const most = $derived(Math.sqrt(Math.max(...others, high ?? at)));
  const x = (v: number) => 2 + (W - 4) * (Math.sqrt(Math.max(0, v)) / most);
</script>

<div class="py-1.5" role="group" aria-label="{label}: {value}">
  <p class="flex items-baseline justify-between gap-3">
    <span class="head">{label}</span><span class="number text-[1.25rem]">{value}</span>
  </p>
  <svg viewBox="0 0 {W} 22" class="block h-[22px] w-full" preserveAspectRatio="none" aria-hidden="true">
    <line x1="0" x2={W} y1="16" y2="16" stroke="var(--color-rule)" vector-effect="non-scaling-stroke" />
    {#each others as o, i (i)}
      <line
        x1={x(o)}
        x2={x(o)}
        y1="11"
        y2="16"
        stroke="var(--color-secondary)"
        opacity="0.55"
        vector-effect="non-scaling-stroke"
      />
    {/each}
    {#if low !== undefined && high !== undefined}
      <rect x={x(low)} width={Math.max(1, x(high) - x(low))} y="4" height="12" fill={colour} opacity="0.55" />
    {/if}
    <line
      x1={x(at)}
      x2={x(at)}
      y1="1"
      y2="20"
      stroke="var(--color-base-content)"
      stroke-width="3"
      vector-effect="non-scaling-stroke"
    />
  </svg>
  <p class="small -mt-0.5 flex justify-between"><span>{ends[0]}</span><span>{ends[1]}</span></p>
</div>
