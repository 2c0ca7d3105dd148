<script lang="ts">
  import type { Batch } from '$lib/store/household.svelte';
  import { liveBatch } from '$lib/store/open-batch.svelte';
  import TasteForm from './TasteForm.svelte';

  /** The tasting of a wine that stands in a list: folded until it is wanted, for a glass has to be poured first. */
  let { batch, ondone }: { batch: Batch; ondone?: () => void } = $props();

  let isOpen = $state(false);
  const open = liveBatch(() => (isOpen ? batch.id : ''));
</script>

{#if !isOpen}
  <button class="btn btn-primary" onclick={() => (isOpen = true)}>Taste it</button>
{:else if open.batch}
  <div class="w-full"><TasteForm batch={open.batch} {ondone} /></div>
{/if}
