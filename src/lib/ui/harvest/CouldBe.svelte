<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { goto } from '$app/navigation';
  import { LEAST_L, propose } from '$core/solve/propose';
  import { quantityText, volumeText } from '$core/units/format';
  import { keepDraft } from '$lib/store/draft';
  import { household, placesNow } from '$lib/store/household.svelte';
  import type { Stored } from './stored';

  /** Two or three wines that could be made of what is there, each opening as a plan. */
  let { inHand }: { inHand: Stored[] } = $props();

  const proposals = $derived(
    propose(
      inHand.map((s) => ({
        lotId: s.lot.id,
        produce: s.produce,
        isOwn: s.lot.entry !== undefined,
        massKg: s.leftKg,
        form: s.lot.form,
        weighed: s.lot.weighed,
        ripeness: s.lot.ripeness,
        isUrgent: s.keeping.isUrgent
      })),
      placesNow()
        .filter((p) => p.freeAt === null)
        .map((p) => p.vessel),
      household.settings.waterAlkalinityMgL
    )
  );

  function open(i: number) {
    keepDraft('proposed', $state.snapshot(proposals[i]!.plan));
    void goto('/plan?from=proposed');
  }
</script>

<section aria-label="What could this be?">
  <h2 class="head mb-1 font-sans!">What could this be?</h2>
  {#if proposals.length === 0}
    <p class="inkline pt-2 text-quiet">
      {inHand.length === 0
        ? 'Weigh something in, and two or three wines are proposed here.'
        : `Not enough of anything yet for ${volumeText(LEAST_L, household.settings.volume)} of wine.`}
    </p>
  {:else}
    <ol class="inkline">
      {#each proposals as p, i (p.id)}
        <li class="dashline grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 py-2">
          <div class="min-w-0">
            <p class="number text-[1.375rem] leading-tight">
              {p.title}, {volumeText(p.volumeL, household.settings.volume)}
            </p>
            <p class="small">
              {p.fruit
                .map((f) => `${quantityText(f.massKg, household.settings.mass)} ${f.name.toLowerCase()}`)
                .join(', ')}
            </p>
            <p class="text-[0.9375rem]">{own(p.why.join('; '))}.</p>
          </div>
          <button class="btn {i === 0 ? 'btn-primary' : 'btn-line'}" onclick={() => open(i)}>Plan it</button>
        </li>
      {/each}
    </ol>
  {/if}
</section>
