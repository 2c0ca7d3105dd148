<script lang="ts">
  import { household, runningBatches, vesselName } from '$lib/store/household.svelte';

  /** Two wines in one vessel, as two devices wrote it: nobody but the household knows which is there. */
  const twice = $derived.by(() => {
    const by = new Map<string, { id: string; name: string }[]>();
    for (const b of runningBatches())
      for (const f of b.state.fills) {
        // A common size that is nobody's own is one of many.
        if (!household.vessels.some((v) => v.id === f.vesselId)) continue;
        const list = by.get(f.vesselId) ?? [];
        by.set(f.vesselId, [...list, { id: b.id, name: b.state.name }]);
      }
    return [...by].filter(([, list]) => list.length > 1);
  });
</script>

{#each twice as [vesselId, list] (vesselId)}
  <section
    class="border-l-[6px] border-straw bg-tint-straw px-4 py-3 text-ink"
    aria-label="Two wines in the {vesselName(vesselId)}"
  >
    <h2 class="text-[1.1875rem]">
      {list.map((b) => b.name).join(' and ')} stand in the {vesselName(vesselId, 'same vessel')} at once
    </h2>
    <p>
      Two devices wrote it so, or a racking was not written down. Say where each really is; or take back the
      one that was written twice.
    </p>
    <p class="mt-1 flex flex-wrap gap-2">
      {#each list as b (b.id)}<a class="btn btn-line" href="/batches/{b.id}#rack">{b.name} is elsewhere</a
        >{/each}
    </p>
  </section>
{/each}
