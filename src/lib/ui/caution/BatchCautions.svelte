<script lang="ts">
  import type { Place, Scene } from '$core/cautions/scene';
  import { cautionsAt } from '$core/cautions/rules';
  import { measuredPh } from '$core/ledger/acid-of';
  import { evaluate } from '$core/must/evaluate';
  import { acknowledge } from '$core/commands/tick';
  import { perform } from '$lib/store/record';
  import type { Batch } from '$lib/store/household.svelte';
  import Cautions from './Cautions.svelte';

  /** What a batch is to be warned of at a place; what is put away stays away for this batch, and is in its log. */
  let { batch, place, scene = {} }: { batch: Batch; place: Place; scene?: Scene } = $props();

  const ph = $derived(measuredPh(batch.state));
  /** Until it is measured, what the plan foretells. */
  const foreseen = $derived.by(() => {
    if (place === 'bottle' || place === 'rack' || ph !== null) return null;
    try {
      return evaluate(batch.state.plan).estimate.ph;
    } catch {
      return null;
    }
  });
  const list = $derived(
    cautionsAt(
      place,
      {
        plan: batch.state.plan,
        volumeL: batch.standing.volumeL,
        ph: ph ?? foreseen?.likely ?? null,
        phHigh: ph ?? foreseen?.high ?? null,
        ...scene
      },
      batch.state.acknowledged
    )
  );
</script>

<Cautions {list} onaway={(cautionId) => void perform(acknowledge(batch.id, cautionId))} />
