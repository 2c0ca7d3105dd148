<script lang="ts">
  import { goto } from '$app/navigation';
  import { startBatch } from '$lib/store/actions';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import type { Bench } from './bench.svelte';

  let { bench, vesselId }: { bench: Bench; vesselId: string } = $props();
  let busy = $state(false);

  const ready = $derived(bench.estimate?.liquidVolumeL != null && bench.rows.every((r) => r.error === null));

  async function start() {
    busy = true;
    try {
      void navigator.storage?.persist?.();
      const id = await startBatch(
        $state.snapshot(bench.solved.plan) as typeof bench.solved.plan,
        bench.name || 'Batch',
        vesselId,
        {},
        bench.recipeId
      );
      bench.clear();
      await goto(`/batches/${id}`);
      sayDone('Started. Mark the bucket: name and date.');
    } catch (e) {
      sayWrong(e);
    } finally {
      busy = false;
    }
  }
</script>

<form
  class="flex items-end gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void start();
  }}
>
  <label class="min-w-0 flex-1">
    <span class="head">Call it</span>
    <input
      class="field"
      maxlength="120"
      autocomplete="off"
      placeholder="Name"
      value={bench.name}
      oninput={(e) => (bench.name = e.currentTarget.value)}
    />
  </label>
  <button class="btn btn-primary" disabled={!ready || busy}>Start this batch</button>
</form>
