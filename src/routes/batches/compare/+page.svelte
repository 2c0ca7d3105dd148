<script lang="ts">
  import { liveQuery } from 'dexie';
  import { page } from '$app/state';
  import type { LedgerEvent } from '$core/ledger/log';
  import type { OpenBatch } from '$lib/store/household.svelte';
  import { openBatch } from '$lib/store/open-batch.svelte';
  import { eventsOf } from '$lib/store/summaries';
  import CompareChart from '$lib/ui/chart/CompareChart.svelte';
  import { LINES } from '$lib/ui/batches/sums';

  const MOST = 3;
  const ids = $derived((page.url.searchParams.get('of') ?? '').split(',').filter(Boolean).slice(0, MOST));
  let found = $state.raw<{ id: string; events: LedgerEvent[] }[] | null>(null);
  $effect(() => {
    const wanted = ids;
    const query = liveQuery(() =>
      Promise.all(wanted.map(async (id) => ({ id, events: await eventsOf(id) })))
    ).subscribe({ next: (rows) => (found = rows), error: (e) => console.error(e) });
    return () => query.unsubscribe();
  });
  const wines = $derived(
    (found ?? []).map((f) => openBatch(f.id, f.events)).filter((b): b is OpenBatch => b !== null)
  );
</script>

<svelte:head><title>Compare · Vecino</title></svelte:head>

<p class="pt-2">
  <a href="/batches" class="small inline-flex min-h-11 items-center underline underline-offset-4"
    >All batches</a
  >
</p>
<h1 class="sentence pb-2">{wines.map((b) => b.state.name).join(' beside ') || 'Nothing to compare'}</h1>
{#if wines.length > 0}
  <p class="head mb-1">Gravity by day</p>
  <CompareChart {wines} />
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="mt-4 overflow-x-auto" tabindex="0" role="region" aria-label="The wines side by side">
    <table class="w-full min-w-[34rem]">
      <thead>
        <tr class="border-b-[1.5px] border-ink text-left">
          <td></td>
          {#each wines as b (b.id)}<th class="number px-3 py-1 text-[1.0625rem]"
              ><a href="/batches/{b.id}">{b.state.name}</a></th
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each LINES as line (line.what)}
          <tr class="dashline">
            <th scope="row" class="py-1.5 text-left font-semibold">{line.what}</th>
            {#each wines as b (b.id)}<td class="px-3">{line.of(b)}</td>{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{:else if found !== null}
  <p>Tick two or three wines in the list of batches.</p>
{/if}
