<script lang="ts">
  import { putOff } from '$core/commands/tick';
  import type { Due } from '$core/steps/schedule';
  import { STEPS } from '$core/steps/table/all';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import Pop from '../pop/Pop.svelte';

  /** Puts a step off, and says what that costs; what hangs on it moves with it. */
  let { batch, due }: { batch: Batch; due: Due } = $props();
  const DAY = 86_400_000;
  const SPANS = [
    ['until tomorrow', 1],
    ['for three days', 3],
    ['for a week', 7]
  ] as const;
</script>

<Pop title="Put off: {due.step.title}" class="min-h-11 text-[0.875rem] underline underline-offset-4">
  {#snippet trigger()}later{/snippet}
  {#snippet children(close)}
    <p class="mb-2">{STEPS[due.step.id].chore.ifLate}</p>
    <ul class="grid gap-2">
      {#each SPANS as [name, days] (days)}<li>
          <button
            class="btn btn-line w-full"
            onclick={() => {
              close();
              void tell(`${due.step.title}: put off ${name}.`, () =>
                putOff(batch.id, due.step.id, household.now + days * DAY)
              );
            }}>{name}</button
          >
        </li>{/each}
    </ul>
  {/snippet}
</Pop>
