<script lang="ts">
  import {
    acidityOf,
    acidToReach,
    lemonsToReach,
    USUAL_TA,
    waterToReach,
    withAdded,
    type AcidTarget
  } from '$core/must/adjust';
  import { entryOf, type Ingredient } from '$core/must/plan';
  import { ACID_ADDITIONS, type AcidAdditionId } from '$core/must/substances';
  import type { Stock } from '$core/must/stock';
  import { spoonText } from '$core/scale/doses';
  import { gramsText, significant, volumeText } from '$core/units/format';
  import { explain } from '$core/units/input-error';
  import { parsePh, parseTitratable } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';

  /** How to bring a must to an acid or a pH: each way with its amount, what it ends at, and a tap to put it in. */
  type Props = { must: Stock; ingredients: readonly Ingredient[]; onadd?: (item: Ingredient) => void };
  let { must, ingredients, onadd }: Props = $props();

  const now = $derived(acidityOf(must));
  const isFlowery = $derived(
    ingredients.length > 0 &&
      ingredients.every((i) => i.kind !== 'produce' || ['flower', 'leaf'].includes(entryOf(i)?.family ?? ''))
  );
  let wanted = $state('');
  let error = $state('');
  const usual = $derived(USUAL_TA[isFlowery ? 'flower' : 'fruit']);
  const target = $derived.by<AcidTarget>(() => {
    if (wanted.trim() === '') return { taGL: usual[1] };
    try {
      return /^ph/i.test(wanted.trim()) ? { ph: parsePh(wanted) } : { taGL: parseTitratable(wanted) };
    } catch {
      return { taGL: usual[1] };
    }
  });
  function check(text: string) {
    wanted = text;
    try {
      if (text.trim() !== '') void (/^ph/i.test(text.trim()) ? parsePh(text) : parseTitratable(text));
      error = '';
    } catch (e) {
      error = explain(e);
    }
  }

  const attempt = <T,>(job: () => T): T | null => {
    try {
      return job();
    } catch {
      return null;
    }
  };
  const ACIDS: AcidAdditionId[] = ['tartaric', 'citric', 'malic', 'acid-blend'];
  const BASES: AcidAdditionId[] = ['potassium-bicarbonate', 'calcium-carbonate'];

  type Way = { name: string; amount: string; note: string; item: Ingredient };
  const ways = $derived.by<Way[]>(() => {
    const out: Way[] = [];
    const powder = (acidId: AcidAdditionId) => {
      const massKg = attempt(() => acidToReach(must, target, acidId));
      if (massKg === null || massKg < 1e-5) return;
      const a = ACID_ADDITIONS[acidId];
      out.push({
        name: a.name,
        amount: `${gramsText(massKg * 1000)}, ${spoonText(massKg * 1000, a.teaspoonG)}`,
        note: a.note,
        item: { kind: 'acid', acidId, massKg }
      });
    };
    ACIDS.forEach(powder);
    const lemon = attempt(() => lemonsToReach(must, target));
    if (lemon && lemon.juiceL > 1e-4)
      out.splice(1, 0, {
        name: 'Lemons',
        amount: `${significant(lemon.lemons, 2)}, ${(lemon.juiceL * 1000).toFixed(0)} mL of juice`,
        note: 'The natural way; many wish for less of it a year on.',
        item: { kind: 'juice', produceId: 'lemon', volumeL: lemon.juiceL }
      });
    const alkalinityMgL = household.settings.waterAlkalinityMgL;
    const waterL = attempt(() => waterToReach(must, target, alkalinityMgL));
    if (waterL !== null && waterL > 0.005)
      out.push({
        name: 'Water',
        amount: volumeText(waterL, household.settings.volume),
        note: 'Thins taste and strength too: sugar follows.',
        item: { kind: 'water', volumeL: waterL, alkalinityMgL }
      });
    BASES.forEach(powder);
    return out;
  });
  const after = (item: Ingredient) => acidityOf(withAdded(must, item));
  const said = $derived('taGL' in target ? `${target.taGL.toFixed(1)} g/L` : `pH ${target.ph.toFixed(2)}`);
</script>

<div class="grid gap-2">
  <p>
    Now <b>{now.taGL.toFixed(1)} g/L</b>, pH <b>{now.ph.toFixed(1)}</b>. Usual: {usual[0]}–{usual[2]} g/L, pH 3.2–3.6.
  </p>
  <label class="flex items-center gap-2 text-[0.9375rem] font-semibold"
    >Bring it to<input
      class="field w-36! py-1!"
      autocomplete="off"
      placeholder="{usual[1]} g/L or pH 3.4"
      value={wanted}
      oninput={(e) => check(e.currentTarget.value)}
    /></label
  >
  {#if error}<p class="text-[0.9375rem] text-rosehip" role="alert">{error}</p>{/if}
  {#if ways.length === 0}<p>It is there already: {said}.</p>{/if}
  <ul class={ways.length > 0 ? 'inkline' : ''}>
    {#each ways as w (w.name)}
      {@const end = after(w.item)}
      <li class="dashline flex items-center gap-3 py-1">
        <span class="min-w-0 flex-1"
          ><b>{w.name}</b>: <span data-way={w.name}>{w.amount}</span><span class="small block"
            >to {end.taGL.toFixed(1)} g/L, pH {end.ph.toFixed(1)}. {w.note}</span
          ></span
        >
        {#if onadd}<button
            type="button"
            class="btn btn-line px-3!"
            aria-label="Put {w.name.toLowerCase()} on the slip"
            onclick={() => onadd(w.item)}>Add</button
          >{/if}
      </li>
    {/each}
  </ul>
</div>
