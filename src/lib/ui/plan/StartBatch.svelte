<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Plan } from '$core/must/plan';
  import { startBatch, startBrewDay } from '$lib/store/actions';
  import { AskError, explain } from '$core/units/input-error';
  import { sayAsk, sayDone, sayWrong } from '../nav/said.svelte';
  import type { Bench } from './bench.svelte';

  let { bench, vesselId }: { bench: Bench; vesselId: string } = $props();
  let busy = $state(false);

  const ready = $derived(bench.estimate?.liquidVolumeL != null && bench.rows.every((r) => r.error === null));

  /** All at once, when it is in the bucket already; or step by step. */
  async function start(how: 'all' | 'steps', sure = false) {
    busy = true;
    try {
      void navigator.storage?.persist?.();
      const plan = $state.snapshot(bench.solved.plan) as Plan;
      const name = bench.name || 'Batch';
      const id =
        how === 'all'
          ? await startBatch(plan, name, vesselId, { sure }, bench.recipeId)
          : await startBrewDay(plan, name, vesselId, bench.recipeId);
      bench.clear();
      await goto(how === 'all' ? `/batches/${id}` : `/batches/${id}/brew`);
      if (how === 'all') sayDone('Started. Mark the bucket: name and date.');
    } catch (e) {
      if (e instanceof AskError) sayAsk(explain(e), 'It is so: start', () => start(how, true));
      else sayWrong(e);
    } finally {
      busy = false;
    }
  }
</script>

<form
  class="flex flex-wrap items-end gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void start('all');
  }}
>
  <label class="min-w-0 flex-1 basis-40">
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
  <button type="button" class="btn btn-line" disabled={!ready || busy} onclick={() => start('steps')}
    >Brew day</button
  >
</form>
