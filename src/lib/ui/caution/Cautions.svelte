<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import X from '@lucide/svelte/icons/x';
  import type { Caution } from '$core/cautions/scene';
  import Tag from '../tag/Tag.svelte';

  /** Cautions of a place, gravest first. A warning can be put away once it is read; a stop cannot. */
  let { list, onaway }: { list: readonly Caution[]; onaway?: (id: string) => void } = $props();

  const hard = $derived(list.filter((c) => c.level !== 'note'));
  const notes = $derived(list.filter((c) => c.level === 'note'));
</script>

{#each hard as c (c.id)}
  <Tag tone={c.level === 'warn' ? 'caution' : 'danger'} compact>
    <span class="flex items-start justify-between gap-1">
      <span
        >{#if c.level !== 'warn'}<b>Stop.</b>{/if}
        {own(c.text)}</span
      >
      {#if onaway && c.level === 'warn'}
        <button
          type="button"
          class="-my-2 -mr-3 grid size-11 shrink-0 place-items-center"
          aria-label="I have read it: {c.text.slice(0, 40)}"
          onclick={() => onaway(c.id)}><X size={15} /></button
        >
      {/if}
    </span>
  </Tag>
{/each}
{#if notes.length > 0}<p class="small">{notes.map((n) => n.text).join(' ')}</p>{/if}
