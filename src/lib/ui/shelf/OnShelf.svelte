<script module lang="ts">
  import type { Batch } from '$lib/store/household.svelte';
  import type { Vessel } from '$core/vessels/vessels';

  /** A vessel in use, with the wine that stands in it. */
  export type Standing = { id: string; batch: Batch; vessel: Vessel; volumeL: number };
</script>

<script lang="ts">
  import { mustColour } from '$core/plan/colour';
  import VesselMini from '../vessel/VesselMini.svelte';

  let { s, tag }: { s: Standing; tag: { text: string; now: boolean } | null } = $props();
</script>

<span class="flex h-[54px] items-end"
  ><VesselMini
    vessel={s.vessel}
    volumeL={s.volumeL}
    colour={mustColour(s.batch.state.plan.ingredients).must}
    size={50}
  /></span
>
<span class="block h-[7px]"></span>
<span class="w-full truncate pt-1 text-center text-[0.8125rem] font-semibold">{s.batch.state.name}</span>
{#if tag}
  <span
    class="mb-1 max-w-full truncate px-0.5 text-[0.75rem] tracking-tight {tag.now
      ? 'bg-primary text-primary-content'
      : 'text-quiet'}">{tag.text}</span
  >
{:else}<span class="mb-1 text-[0.75rem] text-quiet">resting</span>{/if}
