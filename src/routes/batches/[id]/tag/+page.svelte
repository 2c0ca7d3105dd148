<script lang="ts">
  import { page } from '$app/state';
  import BrokenBatch from '$lib/ui/batch/BrokenBatch.svelte';
  import { liveBatch } from '$lib/store/open-batch.svelte';
  import TagView from '$lib/ui/label/TagView.svelte';

  const open = liveBatch(() => page.params.id ?? '');
</script>

<svelte:head><title>Tags · Vecino</title></svelte:head>

{#if open.batch}{#key open.batch.id}<TagView batch={open.batch} />{/key}
{:else if open.error}<BrokenBatch events={open.events} error={open.error} />
{:else if open.isMissing}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p><a class="link" href="/batches">All batches</a></p>
{/if}
