<script lang="ts">
  import { inZone } from '$core/units/zone';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { dueWord } from '../shelf/when';

  /** What to write on the tape. */
  let { batch, ondone }: { batch: OpenBatch; ondone: () => void } = $props();
  const day = $derived(
    inZone(batch.state.startedAt, batch.state.zone, { day: 'numeric', month: 'long', year: 'numeric' })
  );
  const next = $derived(batch.due.filter((d) => !d.step.everyH).slice(0, 3));
</script>

<div class="max-w-2xl border-[1.5px] border-ink bg-slip p-5">
  <p class="sentence font-bold!">{batch.state.name}</p>
  <p class="text-[1.25rem]">{day}</p>
  {#if batch.state.startSg}<p class="number text-[2rem]">{batch.state.startSg.sg.toFixed(3)}</p>{/if}
  <ul class="mt-2 text-[1.125rem]">
    {#each next as d (d.step.id)}<li>
        {d.step.title}, {dueWord(d, household.now, batch.state.zone)}
      </li>{/each}
  </ul>
</div>
<p class="flex flex-wrap gap-3">
  <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={ondone}>Written</button>
  <a class="btn btn-line min-h-16! items-center px-6! text-[1.25rem]!" href="/batches/{batch.id}/tag"
    >Print it</a
  >
</p>
