<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { massText } from '$core/units/format';
  /** One ribbon from all sugar to where it is; widths are shares, the first stretch leftmost. */
  type Piece = { label: string; kg: number; colour: string; hatched?: boolean };
  type Props = { title: string; total: string; pieces: Piece[]; below?: { left: string; right: string } };
  let { title, total, pieces, below }: Props = $props();

  /** Whether paper or ink reads better on a colour: WCAG relative luminance. */
  function isDark(hex: string): boolean {
    const [r, g, b] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b! < 0.2;
  }

  const sum = $derived(pieces.reduce((s, p) => s + p.kg, 0));
  const share = (p: Piece) => (sum > 0 ? (100 * p.kg) / sum : 0);
</script>

<figure aria-label={title}>
  <figcaption class="head mb-1 flex justify-between"><span>{title}</span><span>{total}</span></figcaption>
  <div class="flex h-[30px] border border-ink bg-slip" role="list">
    {#each pieces as p, i (i)}
      <div
        role="listitem"
        class="relative flex items-center overflow-hidden text-[0.8125rem] font-semibold whitespace-nowrap"
        style:width="{share(p)}%"
        style:background={p.hatched
          ? `repeating-linear-gradient(45deg, ${p.colour} 0 6px, color-mix(in oklab, ${p.colour} 35%, white) 6px 12px)`
          : p.colour}
        style:color={isDark(p.colour) ? '#fcf8ee' : '#2d1a2a'}
        title="{p.label}: {massText(p.kg, household.settings.mass)}"
      >
        {#if share(p) > 14 && !p.hatched}<span class="px-2">{p.label}</span>{:else}<span class="sr-only"
            >{p.label}, {massText(p.kg, household.settings.mass)}</span
          >{/if}
      </div>
    {/each}
  </div>
  {#if below}<p class="small mt-1 flex flex-wrap justify-between gap-x-4">
      <span>{below.left}</span><span>{below.right}</span>
    </p>{/if}
</figure>
