<script lang="ts">
  import { page } from '$app/state';
  import { batchById } from '$lib/store/household.svelte';
  import BatchView from '$lib/ui/batch/BatchView.svelte';
  import { isFormId } from '$lib/ui/batch/form-of';

  const batch = $derived(batchById(page.params.id ?? ''));
  const asked = $derived(page.url.hash.slice(1));
</script>

<svelte:head><title>{batch?.state.name ?? 'Batch'} · Vecino</title></svelte:head>

{#if batch}
  {#key batch.id}<BatchView {batch} asked={isFormId(asked) ? asked : null} />{/key}
{:else}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p>It was taken back, or it is on another device. <a class="link" href="/batches">All batches</a></p>
{/if}
