<script lang="ts">
  import { USUAL_TA, mustOf } from '$core/must/adjust';
  import { acidWater, liquid } from '$core/must/stock';
  import { willHold } from '$core/ledger/will-hold';
  import { phOf, titratableAcidity } from '$core/must/acid';
  import { logAddition } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import AcidAdvice from '../plan/AcidAdvice.svelte';
  import Pop from '../pop/Pop.svelte';
  import Tag from '../tag/Tag.svelte';
  import { ingredientText } from './ingredient-text';

  /** A batch's acid, as measured or as the sums have it, and the ways to bring it right. */
  let { batch }: { batch: Batch } = $props();

  /** What the fruit still holds belongs to it: the plan says the same. */
  const stock = $derived(willHold(batch.state));
  const now = $derived(liquid(stock));
  const measured = $derived(batch.state.measured);
  /** What was measured stands in for what the sums say. */
  const must = $derived.by(() => {
    if (!now || now.volumeL < 0.2) return null;
    if (measured.taGL === null && measured.ph === null) return stock;
    const water = acidWater(stock, now.volumeL);
    return mustOf({
      volumeL: now.volumeL,
      sg: Math.max(1.001, now.sg),
      taGL: measured.taGL ?? titratableAcidity(water),
      ph: measured.ph ?? phOf(water)
    });
  });
  const taGL = $derived(measured.taGL ?? (now ? titratableAcidity(acidWater(stock, now.volumeL)) : 0));
  const off = $derived(taGL > USUAL_TA.fruit[2] + 1 ? 'Sharp' : taGL < USUAL_TA.fruit[0] - 1 ? 'Flat' : null);
</script>

{#if must && (measured.taGL !== null || measured.ph !== null || off)}
  <Tag tone="good" compact>
    {off ?? 'Acid'}: {taGL.toFixed(1)} g/L{measured.ph !== null ? `, pH ${measured.ph.toFixed(2)}` : ''}
    {measured.taGL === null ? 'by the sums, before it fermented' : 'measured'}.
    <Pop
      title="Bring the acid right"
      class="min-h-9 font-semibold underline decoration-dashed underline-offset-4 max-sm:min-h-11"
    >
      {#snippet trigger()}Bring it right{/snippet}
      {#snippet children(close: () => void)}
        <AcidAdvice
          {must}
          verb="It went in:"
          ingredients={batch.state.plan.ingredients}
          onadd={(item) => {
            close();
            void tell(`${ingredientText(item, household.settings)} in.`, () => logAddition(batch.id, [item]));
          }}
        />
      {/snippet}
    </Pop>
  </Tag>
{/if}
