<script lang="ts">
  import { acidityOf, USUAL_TA, waysToReach, type AcidTarget } from '$core/must/adjust';
  import { entryOf, type Ingredient } from '$core/must/plan';
  import type { Stock } from '$core/must/stock';
  import { explain } from '$core/units/input-error';
  import { parsePh, parseTitratable } from '$core/units/parse';
  import { wayText } from './ways';
  import { household } from '$lib/store/household.svelte';

  /** How to bring a must to an acid or a pH: each way with its amount, what it ends at, and a tap to put it in. */
  type Props = {
    must: Stock;
    ingredients: readonly Ingredient[];
    /** puts a way in; without it the ways are only told */
    onadd?: (item: Ingredient) => void;
    /** what the button does, to a screen reader */
    verb?: string;
  };
  let { must, ingredients, onadd, verb = 'Put on the slip:' }: Props = $props();

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

  const ways = $derived(waysToReach(must, target, household.settings.waterAlkalinityMgL));
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
    {#each ways as w (w.id)}
      {@const t = wayText(w, household.settings)}
      <li class="dashline flex items-center gap-3 py-1">
        <span class="min-w-0 flex-1"
          ><b>{t.name}</b>: <span data-way={w.id}>{t.amount}</span><span class="small block"
            >to {w.after.taGL.toFixed(1)} g/L, pH {w.after.ph.toFixed(1)}. {t.note}</span
          ></span
        >
        {#if onadd}<button
            type="button"
            class="btn btn-line px-3!"
            aria-label="{verb} {t.name.toLowerCase()}"
            onclick={() => onadd(w.item)}>Add</button
          >{/if}
      </li>
    {/each}
  </ul>
</div>
