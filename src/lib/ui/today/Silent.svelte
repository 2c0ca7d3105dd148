<script lang="ts">
  import { note } from '$core/commands/observe';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import { dayWord } from '../shelf/when';

  /** A wine of which nobody has written for long: whether it is still there is asked, and never taken for granted. */
  let { batch, since }: { batch: Batch; since: number } = $props();
</script>

<p class="flex flex-wrap items-center justify-between gap-x-6 gap-y-1 pb-1" data-testid="silent">
  <span
    >Nothing was written of it since {dayWord(since, household.now, batch.state.zone)}. Is it still there?</span
  >
  <span class="no-print flex flex-wrap items-center gap-3">
    <button
      class="btn btn-line"
      onclick={() => tell(`${batch.state.name}: still there.`, () => note(batch.id, 'Still there.'))}
      >It is</button
    >
    <a class="btn btn-line" href="/batches/{batch.id}#take">It is gone</a>
  </span>
</p>
