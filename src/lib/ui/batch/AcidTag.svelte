<script lang="ts">
  import { acidWord, mustOf, usualTa } from '$core/must/adjust';
  import { acidOf } from '$core/ledger/acid-of';
  import { acidIn } from '$core/ledger/measured-acid';
  import type { Fill } from '$core/ledger/fill';
  import { liquid } from '$core/liquid/stock';
  import { willHold } from '$core/ledger/will-hold';
  import { put } from '$core/commands/put';
  import { type Batch, household, vesselName } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';
  import AcidAdvice from '../plan/AcidAdvice.svelte';
  import Pop from '../pop/Pop.svelte';
  import Tag from '../tag/Tag.svelte';
  import { ingredientText } from '../words/ingredient-text';

  /** Acid of a batch, or of one of several vessels of it, as measured or by the sums; and the ways to bring it right. */
  let { batch, fill }: { batch: Batch; fill?: Fill } = $props();

  /** What the fruit still holds belongs to it: the plan says the same. */
  const stock = $derived(fill ? fill.stock : willHold(batch.state));
  const now = $derived(liquid(stock));
  const acid = $derived(fill ? acidIn(fill) : acidOf(batch.state));
  const name = $derived(fill ? vesselName(fill.vesselId) : '');
  const hasPh = $derived(acid.phFrom !== 'sums');
  /** What was measured stands in for what the sums say. */
  const must = $derived.by(() => {
    if (!now || now.volumeL < 0.2) return null;
    if (!hasPh && acid.taFrom === 'sums') return stock;
    return mustOf({ volumeL: now.volumeL, sg: Math.max(1.001, now.sg), taGL, ph });
  });
  const taGL = $derived(acid.taGL ?? 0);
  const ph = $derived(acid.ph ?? 3.5);
  const FROM = {
    measured: 'measured',
    since: 'as measured, and what went in since',
    sums: 'by the sums, before it fermented'
  } as const;
  /** Each by where it comes from, once where that is the same. */
  const told = $derived.by(() => {
    const [ta, at] = [`${taGL.toFixed(1)}\u00a0g/L`, `pH\u00a0${ph.toFixed(2)}`];
    if (!hasPh) return `${ta} ${FROM[acid.taFrom]}`;
    return acid.taFrom === acid.phFrom
      ? `${ta}, ${at} ${FROM[acid.taFrom]}`
      : `${ta} ${FROM[acid.taFrom]}; ${at} ${FROM[acid.phFrom]}`;
  });
  const MONTH = 30 * 86_400_000;
  /** An older wine is judged by the tongue: what the sums said of the must has changed, and is no fault for life. */
  const isOld = $derived(household.now - batch.state.startedAt > MONTH);
  const off = $derived(isOld ? null : acidWord({ taGL, ph }, usualTa(batch.state.plan.ingredients)));
  const ACIDS = ['tartaric', 'malic', 'citric', 'acid-blend'];
  const hadG = $derived(
    ACIDS.reduce((g, id) => g + ((fill ? fill.powdersG[id] : batch.state.powdersG[id]?.massG) ?? 0), 0)
  );
</script>

{#if must && (acid.taFrom !== 'sums' || hasPh || off)}
  <Tag tone="good" compact>
    {off ?? 'Acid'}{name && ` in the ${name}`}: {told}.
    <Pop
      title={isOld ? 'Acid, to taste' : 'Bring the acid right'}
      class="min-h-9 font-semibold underline decoration-dashed underline-offset-4 max-sm:min-h-11"
    >
      {#snippet trigger()}{isOld
          ? 'To taste'
          : off === 'Sharp'
            ? 'Soften it'
            : off
              ? 'How much acid'
              : 'Change it'}{/snippet}
      {#snippet children(close: () => void)}
        <AcidAdvice
          {must}
          {hadG}
          verb="It went in:"
          ingredients={batch.state.plan.ingredients}
          onadd={(item) => {
            close();
            void tell(`${ingredientText(item, household.settings)} in.`, () =>
              put(batch.id, [item], fill?.vesselId)
            );
          }}
        />
      {/snippet}
    </Pop>
  </Tag>
{/if}
