<script lang="ts">
  import { type Batch, vesselName } from '$lib/store/household.svelte';

  /** Which of a batch's vessels is meant; not asked where there is only one. */
  type Props = {
    batch: Batch;
    value: string;
    onset: (vesselId: string) => void;
    label?: string;
    /** what all of them together are called, where that can be meant */
    all?: string;
    /** what is said of each beside its name */
    note?: (vesselId: string) => string;
  };
  let { batch, value, onset, label = 'Which vessel', all, note }: Props = $props();
</script>

{#if batch.state.fills.length > 1}
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >{label}
    <select class="field" {value} onchange={(e) => onset(e.currentTarget.value)}>
      {#if all}<option value="">{all}</option>{:else if !value}<option value="" disabled>choose one</option
        >{/if}
      {#each batch.state.fills as f (f.vesselId)}<option value={f.vesselId}
          >{vesselName(f.vesselId)}{note?.(f.vesselId) ?? ''}</option
        >{/each}
    </select>
  </label>
{/if}
