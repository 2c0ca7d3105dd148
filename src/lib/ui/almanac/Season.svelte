<script lang="ts">
  /** Twelve months, those of harvest filled. */
  let { months, colour, hemisphere }: { months: readonly number[]; colour: string; hemisphere: string } =
    $props();
  const LETTERS = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'];
  const NAMES = Array.from({ length: 12 }, (_, i) =>
    new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' }).format(Date.UTC(2026, i, 1))
  );
</script>

<div
  role="img"
  aria-label="In season: {months.map((m) => NAMES[m - 1]).join(', ') || 'all year, as it is kept'}"
>
  <p class="head mb-1 flex justify-between">
    <span>In season</span><span>{hemisphere === 'north' ? 'northern' : 'southern'} half of the world</span>
  </p>
  <div class="grid grid-cols-12 border-[1.5px] border-ink" aria-hidden="true">
    {#each LETTERS as letter, i (i)}
      <span
        class="border-r border-rule py-1 text-center text-[0.875rem] last:border-0 {months.includes(i + 1)
          ? 'font-bold text-white'
          : 'text-quiet'}"
        style:background={months.includes(i + 1) ? colour : 'transparent'}
        style:text-shadow={months.includes(i + 1) ? '0 0 3px #000, 0 0 3px #000' : 'none'}>{letter}</span
      >
    {/each}
  </div>
</div>
