<script lang="ts">
  import type { LedgerEvent } from '$core/ledger/log';
  import { takenBackBatches } from '$lib/store/summaries';
  import { restore } from '$lib/store/record';
  import { tell } from '../nav/said.svelte';

  /** Batches that were taken back as a whole: their events are all still there, and they can come back. */
  let list = $state.raw<Extract<LedgerEvent, { type: 'planned' }>[] | null>(null);
  const look = async () => (list = await takenBackBatches());
  async function back(e: Extract<LedgerEvent, { type: 'planned' }>) {
    if (await tell(`${e.data.name} is back.`, async () => void (await restore(e)))) await look();
  }
</script>

{#if list === null}
  <p><button class="btn btn-plain px-0!" onclick={look}>What was taken back</button></p>
{:else}
  <section aria-label="Taken back" class="mb-5">
    <h2 class="head mb-1 font-sans!">Taken back</h2>
    <ul class="inkline">
      {#each list as e (e.id)}
        <li class="dashline flex flex-wrap items-center justify-between gap-3">
          <span class="min-w-0 break-words"
            >{e.data.name} <span class="small">begun {e.at.slice(0, 10)}</span></span
          >
          <button class="btn btn-plain" onclick={() => back(e)}>Bring it back</button>
        </li>
      {:else}<li class="small py-2">No batch was taken back.</li>{/each}
    </ul>
  </section>
{/if}
