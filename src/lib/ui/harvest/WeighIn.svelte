<script lang="ts">
  import { chooseIngredient } from '$core/produce/choose';
  import { entryOf } from '$core/must/plan';
  import { explain } from '$core/units/input-error';
  import { household, saveLot } from '$lib/store/household.svelte';
  import { newId } from '$lib/store/record';
  import { countryOf } from '$lib/store/settings';
  import { createDraft } from '../field/draft.svelte';
  import { readText } from '../field/read-text';
  import { tell } from '../nav/said.svelte';

  /** One line that takes what was picked: `3 kg gooseberries`. */
  const draft = createDraft('weigh-in', { text: '', form: 'fresh', weighed: 'trimmed', place: '' });
  const country = $derived(countryOf(household.settings));
  const answer = $derived(chooseIngredient(draft.fields.text, country, household.ownProduce));
  const choice = $derived(
    answer.kind === 'choices' ? answer.choices.find((c) => c.item.kind === 'produce') : undefined
  );
  let error = $state('');

  async function save() {
    error = '';
    try {
      const item = choice?.item;
      if (!item || item.kind !== 'produce')
        throw new Error(
          answer.kind === 'refused'
            ? `Not in a wine: ${answer.why}`
            : (answer.ask ??
                `I do not know “${draft.fields.text}”. A harvest is of fruit, flowers, roots or leaves.`)
        );
      const entry = entryOf(item)!;
      if (choice?.ask) throw new Error(choice.ask);
      if (item.massKg <= 0) throw new Error('Say how much: “3 kg gooseberries”, “14 heads elderflower”.');
      const { massKg } = item;
      const form = draft.fields.form as 'fresh' | 'frozen' | 'dried';
      const at = new Date().toISOString();
      const place = draft.fields.place.trim();
      const ok = await tell(`${entry.plural} weighed in.`, () =>
        saveLot({
          id: newId(),
          produceId: entry.id,
          ...(item.entry ? { entry: item.entry } : {}),
          massKg,
          form,
          weighed: item.weighed ?? (draft.fields.weighed as 'trimmed' | 'bought'),
          at,
          ...(place ? { place } : {}),
          fates: []
        })
      );
      if (ok) await draft.done();
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
      placeholder="3 kg gooseberries"
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
      value={draft.fields.weighed}
      onchange={(e) => draft.set('weighed', e.currentTarget.value)}
    >
      <option value="trimmed">trimmed</option><option value="bought">as picked or bought</option>
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
    {#if choice && draft.fields.text}<span class="text-quiet" data-testid="as-read"
        >{choice.label}{choice.amount
          ? `, ${readText(choice.item, choice.amount, household.settings)}`
          : ''}</span
      >{/if}
  </div>
  {#if answer.kind === 'refused'}<p role="alert" class="bg-tint-rose px-3 py-2">
      Not in a wine: {answer.why}
    </p>
  {:else if error}<p role="alert" class="px-3 py-2 text-rosehip">{error}</p>{/if}
</form>
