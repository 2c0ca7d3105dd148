<script lang="ts">
  /** Words on a drawn vessel, or beside one too narrow for them. */
  let { notes, x, y, isBeside }: { notes: readonly string[]; x: number; y: number; isBeside: boolean } =
    $props();

  const LINE = 18;
  /** A letter's usual width at this size. */
  const LETTER = 6.9;
  const width = $derived(16 + LETTER * Math.max(0, ...notes.map((n) => n.length)));
</script>

{#if notes.length > 0}
  <rect
    x={isBeside ? x - 8 : x - width / 2}
    y={y - 17}
    {width}
    height={8 + LINE * notes.length}
    class="fill-slip"
    opacity="0.94"
  />
{/if}
{#each notes as note, i (note)}
  <text
    {x}
    y={y + i * LINE}
    text-anchor={isBeside ? 'start' : 'middle'}
    class="fill-ink text-[14px] {i === 0 ? 'font-semibold' : ''}">{note}</text
  >
{/each}
