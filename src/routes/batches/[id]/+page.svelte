<script lang="ts">
  import { liveQuery } from 'dexie';
  import { page } from '$app/state';
  import type { LedgerEvent } from '$core/ledger/events';
  import { openBatch } from '$lib/store/household.svelte';
  import { eventsOf } from '$lib/store/summaries';
  import BatchView from '$lib/ui/batch/BatchView.svelte';
  import { isFormId } from '$lib/ui/batch/form-of';

  const id = $derived(page.params.id ?? '');
  /** Events of the batch that is asked for, and no other. */
  let found = $state.raw<{ id: string; events: LedgerEvent[] } | null>(null);
  $effect(() => {
    const wanted = id;
    const query = liveQuery(() => eventsOf(wanted)).subscribe({
      next: (events) => (found = { id: wanted, events }),
      error: (e) => console.error(e)
    });
    return () => query.unsubscribe();
  });
  const batch = $derived(found?.id === id ? openBatch(id, found.events) : null);
  const asked = $derived(page.url.hash.slice(1));
</script>

<svelte:head><title>{batch?.state.name ?? 'Batch'} · Vecino</title></svelte:head>

{#if batch}
  {#key batch.id}<BatchView {batch} asked={isFormId(asked) ? asked : null} />{/key}
{:else if found?.id === id}
  <h1 class="sentence pt-4">There is no such batch here.</h1>
  <p>It was taken back, or it is on another device. <a class="link" href="/batches">All batches</a></p>
{/if}
