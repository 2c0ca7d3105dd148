<script lang="ts">
  import type { Page } from '$core/label/sheet';
  import { counted } from '$core/units/format';
  import { sayWrong } from '../nav/said.svelte';
  import Drawing from './Drawing.svelte';

  /** The pages as they will be printed, small on screen and full size on paper; printed, only they are. */
  type Props = { pages: readonly Page[]; name: string; onmade?: () => Promise<void> };
  let { pages, name, onmade }: Props = $props();
  let busy = $state(false);

  async function made(as: 'pdf' | 'svg') {
    busy = true;
    try {
      const { savePdf, saveSvg } = await import('./save');
      await (as === 'pdf' ? savePdf(pages, name) : saveSvg(pages, name));
      await onmade?.();
    } catch (e) {
      sayWrong(e);
    } finally {
      busy = false;
    }
  }
  async function print() {
    window.print();
    try {
      await onmade?.();
    } catch (e) {
      sayWrong(e);
    }
  }
  const paper = $derived(pages[0] && pages[0].w > 212 ? 'letter' : 'a4');
</script>

<div class="no-print grid gap-3">
  <div class="flex flex-wrap gap-3">
    <button class="btn btn-primary" onclick={print} disabled={pages.length === 0}>Print</button>
    <button class="btn btn-line" onclick={() => made('pdf')} disabled={busy || pages.length === 0}>PDF</button
    >
    <button class="btn btn-line" onclick={() => made('svg')} disabled={busy || pages.length === 0}>SVG</button
    >
  </div>
  {#if pages[0]}
    <figure>
      <Drawing {...pages[0]} label="The first sheet" class="h-auto w-44 border border-ink bg-white" />
      <figcaption class="mt-1 text-[0.9375rem]">
        {counted(pages.length, 'sheet')}, printed at full size: choose <i>100&nbsp;%</i>, no margins.
      </figcaption>
    </figure>
  {/if}
</div>
<div class="paper {paper}">
  {#each pages as p, i (i)}<Drawing {...p} label="Sheet {i + 1}" />{/each}
</div>
