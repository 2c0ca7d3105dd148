<script lang="ts">
  import PencilLine from '@lucide/svelte/icons/pencil-line';
  import { openQuick } from './quick.svelte';

  /** What opens the quick line: a field in the header, a tab over the bar on a phone. */
  let { wide = false }: { wide?: boolean } = $props();
</script>

<button
  class="no-print pointer-events-auto flex items-center gap-2 border-[1.5px] border-ink bg-slip {wide
    ? 'h-9 w-56 px-3 text-[0.9375rem] text-quiet'
    : 'min-h-11 border-b-0 px-3 text-[0.9375rem] font-semibold'}"
  aria-label="Quick line"
  onclick={() => openQuick()}
>
  <PencilLine size={17} aria-hidden="true" />
  {wide ? 'Say it in one line' : 'One line'}
  {#if wide}<kbd class="number ml-auto text-[0.875rem]">/</kbd>{/if}
</button>
