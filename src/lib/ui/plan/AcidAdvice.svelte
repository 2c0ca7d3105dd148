<script lang="ts">
  import { explain, own } from '$lib/ui/words/own-units';
  import { acidityOf } from '$core/liquid/acidity';
  import { kindWays, LOWEST_PH, usualTa, type AcidGoal } from '$core/must/adjust';
  import { SAFE_PH } from '$core/cautions/scene';
  import type { Ingredient } from '$core/plan/plan';
  import type { Stock } from '$core/liquid/stock';
  import { parsePh, parseTitratable } from '$core/units/parse';
  import { wayText } from './ways';
  import { household } from '$lib/store/household.svelte';

  /** How to bring a must to an acid or a pH: each way with its amount, what it ends at, and a tap to put it in. */
  type Props = {
    must: Stock;
    ingredients: readonly Ingredient[];
    /** puts a way in; without it the ways are only told */
    onadd?: (item: Ingredient) => void;
    /** grams of powdered acid that are in already */
    hadG?: number;
    /** what the button does, to a screen reader */
    verb?: string;
  };
  let { must, ingredients, onadd, hadG = 0, verb = 'Put on the slip:' }: Props = $props();

  const now = $derived(acidityOf(must));
  let wanted = $state('');
  let error = $state('');
  const usual = $derived(usualTa(ingredients));
  const goal = $derived.by<AcidGoal>(() => {
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

  const ways = $derived(kindWays(must, goal, household.settings.waterAlkalinityMgL, hadG));
  const sharpens = $derived('taGL' in goal ? goal.taGL > now.taGL : goal.ph < now.ph);
  /** Where the sharpest way ends, when that is not safe to stand yet. */
  const stillHigh = $derived.by(() => {
    const lowest = Math.min(...ways.map((w) => w.after.ph));
    return sharpens && ways.length > 0 && lowest > SAFE_PH ? lowest : null;
  });
  const isThere = $derived(
    'taGL' in goal ? Math.abs(goal.taGL - now.taGL) < 0.05 : Math.abs(goal.ph - now.ph) < 0.02
  );
  const said = $derived('taGL' in goal ? `${goal.taGL.toFixed(1)} g/L` : `pH ${goal.ph.toFixed(2)}`);
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
  {#if ways.length === 0}<p>
      {sharpens && now.ph < LOWEST_PH + 0.05
        ? `No more acid: at pH ${now.ph.toFixed(1)} it is sharp, whatever it titrates to. Taste it once it is wine.`
        : sharpens && !isThere
          ? 'As much acid is in as anyone gives. Taste it once it is wine.'
          : `It is there already: ${said}.`}
    </p>{:else if sharpens}<p class="small">
      Half first, stir, taste; then as much of the rest as you like.
    </p>{/if}
  {#if stillHigh}<p class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      Even so it would stand at about pH {stillHigh.toFixed(1)}, over the {SAFE_PH} a must may wait at: measure
      it, add more in small lots until it is under, and pitch the same day.
    </p>{/if}
  <ul class={ways.length > 0 ? 'inkline' : ''}>
    {#each ways as w (w.id)}
      {@const t = wayText(w, household.settings)}
      <li class="dashline flex items-center gap-3 py-1">
        <span class="min-w-0 flex-1"
          ><b>{t.name}</b>: <span data-way={w.id}>{t.amount}</span><span class="small block"
            >to {w.after.taGL.toFixed(1)} g/L, pH {w.after.ph.toFixed(1)}{w.stops === 'ph'
              ? ', where I stop: sharper, and yeast and tongue suffer'
              : w.stops === 'dose'
                ? ', where I stop: it is twice the usual dose'
                : ''}. {own(t.note)}</span
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
