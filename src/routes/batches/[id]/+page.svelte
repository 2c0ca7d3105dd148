<script lang="ts">
  import { page } from '$app/state';
  import BrokenBatch from '$lib/ui/batch/BrokenBatch.svelte';
  import { liveBatch } from '$lib/store/open-batch.svelte';
  import BatchView from '$lib/ui/batch/BatchView.svelte';
  import { isFormId } from '$lib/ui/batch/form-of';

  const open = liveBatch(() => page.params.id ?? '');
  const asked = $derived(page.url.hash.slice(1));
</script>

<svelte:head><title>{open.batch?.state.name ?? 'Batch'} · Vecino</title></svelte:head>

{#if open.batch}
  {#key open.batch.id}<BatchView batch={open.batch} asked={isFormId(asked) ? asked : null} />{/key}
{:else if open.error}<BrokenBatch events={open.events} error={open.error} />
{:else if open.isMissing}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p>It was taken back, or it is on another device. <a class="link" href="/batches">All batches</a></p>
{/if}
