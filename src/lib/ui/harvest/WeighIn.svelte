<script lang="ts">
  import type { Ingredient } from '$core/plan/plan';
  import { lotOf } from '$core/plan/harvest';
  import { parseHaul } from '$core/plan/haul';
  import { keepDraft, readDraft } from '$lib/store/draft';
  import { explain } from '$lib/ui/words/own-units';
  import { household } from '$lib/store/household.svelte';
  import { keepAll } from '$lib/store/things';
  import { newId } from '$lib/store/here';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { readText } from '../field/read-text';
  import { tell } from '../nav/said.svelte';

  /** One line that takes what was picked: `3 kg gooseberries`, or several at once. */
  const draft = createDraft('weigh-in', { text: '', form: 'fresh', weighed: '', place: '' });
  const country = $derived(countryOf(household.settings));
  const example = $derived(household.settings.mass === 'lb' ? '7 lb gooseberries' : '3 kg gooseberries');
  const haul = $derived(
    draft.fields.text.trim() ? parseHaul(draft.fields.text, country, household.ownProduce) : null
  );
  const found = $derived(haul?.found ?? []);
  /** How things are weighed here: as it was said last, whole and as bought at first. */
  const HOW = 'weigh-how';
  let usual = $state('bought');
  void readDraft(HOW).then((kept) => {
    if (kept === 'trimmed' || kept === 'bought') usual = kept;
  });
  const weighed = $derived(draft.fields.weighed || usual);
  let error = $state('');
  const refused = $derived(haul?.unknown.find((u) => u.isRefused));

  type Found = (typeof found)[number];
  /** Why a part of the line cannot be weighed in; null when it can. */
  function wrongWith(f: Found): string | null {
    const { item } = f.choice;
    if (item.kind !== 'produce')
      return `${f.choice.label} is no harvest: that is for fruit, flowers, roots and leaves.`;
    if (f.choice.ask) return f.choice.ask;
    return item.massKg > 0 ? null : `Say how much: “${example}”, “14 heads elderflower”.`;
  }

  async function save() {
    error = '';
    if (!haul || (found.length === 0 && haul.unknown.length === 0)) return;
    const good = found.filter((f) => wrongWith(f) === null);
    const at = new Date().toISOString();
    const place = draft.fields.place.trim();
    const form = draft.fields.form as 'fresh' | 'frozen' | 'dried';
    try {
      if (good.length > 0) {
        const names = good.map((f) => f.choice.label.toLowerCase()).join(', ');
        const how = { at, form, weighed: weighed as 'trimmed' | 'bought', ...(place ? { place } : {}) };
        const lots = good.map(({ choice }) =>
          lotOf(newId(), choice.item as Extract<Ingredient, { kind: 'produce' }>, how)
        );
        const ok = await tell(`Weighed in: ${names}.`, () => keepAll('harvest', lots));
        if (!ok) return;
        keepDraft(HOW, weighed);
        usual = weighed;
      }
      // What could not be read stays in the line, with what to say instead.
      const left = [
        ...found.filter((f) => wrongWith(f) !== null).map((f) => f.text),
        ...haul.unknown.map((u) => u.text)
      ];
      const why = [
        ...found.flatMap((f) => wrongWith(f) ?? []),
        ...haul.unknown.map((u) => (u.isRefused ? `Not in a wine: ${u.why}` : `“${u.text}”: ${u.why}`))
      ];
      if (left.length === 0) await draft.done();
      else {
        draft.set('text', left.join(' and '));
        error = why.join(' ');
      }
    } catch (e) {
      error = explain(e);
    }
  }
</script>

<form
  class="border-[1.5px] border-ink bg-slip"
  aria-label="Weigh in"
  onsubmit={(e) => {
    e.preventDefault();
    void save();
  }}
>
  <div class="flex">
    <input
      class="h-14 min-w-0 flex-1 bg-transparent px-3 text-[1.1875rem] placeholder:text-quiet"
      placeholder={example}
      aria-label="What you picked"
      autocomplete="off"
      value={draft.fields.text}
      oninput={(e) => draft.set('text', e.currentTarget.value)}
    />
    <button class="btn btn-primary h-14! rounded-none!">Weigh in</button>
  </div>
  <div class="flex flex-wrap items-center gap-x-4 border-t border-dashed border-rule px-3 text-[0.9375rem]">
    <select
      class="min-h-11 bg-transparent"
      aria-label="How it is kept"
      value={draft.fields.form}
      onchange={(e) => draft.set('form', e.currentTarget.value)}
    >
      <option value="fresh">fresh</option><option value="frozen">in the freezer</option><option value="dried"
        >dried</option
      >
    </select>
    <select
      class="min-h-11 bg-transparent"
      aria-label="Weighed how"
      value={weighed}
      onchange={(e) => draft.set('weighed', e.currentTarget.value)}
    >
      <option value="bought">as picked or bought</option><option value="trimmed">trimmed</option>
    </select>
    <input
      class="min-h-11 min-w-0 flex-1 bg-transparent placeholder:text-quiet"
      placeholder="from where"
      aria-label="From where"
      autocomplete="off"
      maxlength="120"
      value={draft.fields.place}
      oninput={(e) => draft.set('place', e.currentTarget.value)}
    />
    {#each found as f (f.text)}{#if f.choice.item.kind === 'produce'}<span
          class="text-quiet"
          data-testid="as-read"
          >{f.choice.label}{f.choice.amount
            ? `, ${readText(f.choice.item, f.choice.amount, household.settings)}`
            : ''}</span
        >{/if}{/each}
  </div>
  {#if refused}<p role="alert" class="bg-tint-rose px-3 py-2">Not in a wine: {refused.why}</p>
  {:else if error}<p role="alert" class="px-3 py-2 text-rosehip">{error}</p>{/if}
</form>
