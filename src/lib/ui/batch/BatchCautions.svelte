<script lang="ts">
  import { cautionsAt, type Place, type Scene } from '$core/cautions/rules';
  import { record } from '$lib/store/record';
  import type { Batch } from '$lib/store/household.svelte';
  import Cautions from '../caution/Cautions.svelte';

  /** What a batch is to be warned of at a place; what is put away stays away for this batch, and is in its log. */
  let { batch, place, scene = {} }: { batch: Batch; place: Place; scene?: Scene } = $props();

  const list = $derived(
    cautionsAt(
      place,
      { plan: batch.state.plan, volumeL: batch.standing.volumeL, ph: batch.state.measured.ph, ...scene },
      batch.state.acknowledged
    )
  );
</script>

<Cautions {list} onaway={(cautionId) => void record(batch.id, 'caution', { cautionId })} />
