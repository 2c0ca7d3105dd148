<script lang="ts">
  import type { Mark } from '$core/label/mark';
  import { attributesOf } from '$lib/files/svg';

  /** A drawing of the core, as SVG. */
  type Props = { w: number; h: number; marks: readonly Mark[]; label: string; class?: string };
  let { w, h, marks, label, class: classes = '' }: Props = $props();
</script>

{#snippet drawn(all: readonly Mark[])}
  {#each all as m, i (i)}<svelte:element this={m.tag} xmlns="http://www.w3.org/2000/svg" {...attributesOf(m)}
      >{#if m.text !== undefined}{m.text}{:else}{@render drawn(m.children ?? [])}{/if}</svelte:element
    >{/each}
{/snippet}
<svg viewBox="0 0 {w} {h}" width="{w}mm" height="{h}mm" class={classes} role="img" aria-label={label}
  >{@render drawn(marks)}</svg
>
