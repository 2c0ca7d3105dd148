<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { tick } from 'svelte';
  import { chooseIngredient, type Choice } from '$core/plan/choose';
  import { countryOf } from '$core/units/settings';
  import { household } from '$lib/store/household.svelte';
  import { parseHaul } from '$core/plan/haul';
  import { listText, volumeText } from '$core/units/format';
  import { amountOf } from '$core/plan/plan';
  import { parse } from '$core/quickline/parse';
  import { planOf } from '$core/quickline/plan-of';
  import { ingredientText } from '../words/ingredient-text';
  import { looksLikePlant } from '$core/tables/plants';
  import { readText } from '../field/read-text';
  import type { Bench } from './bench.svelte';

  let { bench }: { bench: Bench } = $props();

  const id = $props.id();
  let text = $state('');
  let active = $state(0);
  const country = $derived(countryOf(household.settings));
  const answer = $derived(chooseIngredient(text, country, household.ownProduce));
  const choices = $derived(answer.kind === 'choices' ? answer.choices : []);
  /** A recipe's list, all in one: what of it has its amount. */
  const list = $derived(
    choices.length === 0 && /[,;+&]|\band\b/i.test(text)
      ? parseHaul(text, country, household.ownProduce)
      : null
  );
  const all = $derived(list?.found.filter((f) => f.choice.amount) ?? []);
  const isList = $derived(all.length > 1 && !list?.unknown.some((u) => u.isRefused));

  /** Things with how much wine, how strong, or in which vessel: a whole plan, while nothing stands on the slip. */
  const isEmpty = $derived(!bench.rows.some((r) => r.held && amountOf(r.item) > 0));
  const asked = $derived.by(() => {
    if (!isEmpty || !/\d/.test(text)) return null;
    const { mass, volume, temp } = household.settings;
    const ctx = { now: 0, zone: 'UTC', mass, volume, temp, country, wines: [], hereId: null, vessels: [] };
    const { commands, asks } = parse(text, { ...ctx, own: household.ownProduce });
    const [c] = commands;
    return asks.length === 0 && c?.kind === 'plan' && (c.volumeL !== undefined || c.abv !== undefined)
      ? c
      : null;
  });
  const isOpen = $derived(isList || asked !== null || choices.length > 0);
  function takePlan() {
    const { waterAlkalinityMgL, volume } = household.settings;
    bench.adopt({ ...bench.plan, ...planOf(asked!, waterAlkalinityMgL, volume) });
    text = '';
  }

  async function take(choice: Choice) {
    const rowId = bench.add(choice);
    text = '';
    active = 0;
    await tick();
    document.querySelector<HTMLInputElement>(`[data-row="${rowId}"] input`)?.focus();
  }

  /** All of a list; what is not understood, or wants its amount, stays to be put right. */
  function takeAll() {
    for (const { choice } of all) bench.add(choice);
    const left = [...list!.found.filter((f) => !f.choice.amount), ...list!.unknown];
    text = left.map((x) => x.text).join(', ');
  }

  /** Rows of a recipe are a list; a field of one row would run them together. */
  function paste(e: ClipboardEvent) {
    const rows = (e.clipboardData?.getData('text') ?? '').split(/\s*\n\s*/).filter(Boolean);
    if (rows.length < 2) return;
    e.preventDefault();
    text = [...(text.trim() ? [text] : []), ...rows].join(', ');
  }

  function key(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') active = Math.min(active + 1, choices.length - 1);
    else if (e.key === 'ArrowUp') active = Math.max(active - 1, 0);
    else if (e.key === 'Escape') text = '';
    else if (e.key === 'Enter' && asked) takePlan();
    else if (e.key === 'Enter' && isList) takeAll();
    else if (e.key === 'Enter' && choices[active]) void take(choices[active]!);
    else return;
    e.preventDefault();
  }

  const planText = $derived(
    asked &&
      [
        listText(asked.items.map((i) => ingredientText(i, household.settings))),
        asked.volumeL && volumeText(asked.volumeL, household.settings.volume),
        asked.abv && `${asked.abv} %`
      ]
        .filter(Boolean)
        .join(', ')
  );
  const allText = $derived(
    listText(all.map(({ choice: c }) => `${c.label} ${readText(c.item, c.amount!, household.settings)}`))
  );
</script>

{#snippet whole(name: string, text: string, taken: () => void)}
  <li
    id="{id}-0"
    role="option"
    aria-selected="true"
    class="min-h-11 cursor-pointer bg-primary px-3 py-2 text-primary-content"
    onpointerdown={(e) => {
      e.preventDefault();
      taken();
    }}
  >
    <span class="font-semibold">{name}</span>
    {text}
  </li>
{/snippet}

<div class="relative">
  <input
    class="h-12 w-full bg-transparent px-3 placeholder:text-quiet"
    placeholder="Add fruit, honey, juice… or “{household.settings.mass === 'lb' ? '3 lb' : '1.5 kg'} rhubarb”"
    aria-label="Add an ingredient"
    role="combobox"
    aria-expanded={isOpen}
    aria-controls="{id}-list"
    aria-activedescendant={isOpen ? `${id}-${active}` : undefined}
    aria-autocomplete="list"
    autocomplete="off"
    bind:value={text}
    oninput={() => (active = 0)}
    onkeydown={key}
    onpaste={paste}
  />
  <ul
    id="{id}-list"
    role="listbox"
    aria-label="What it could be"
    class="absolute inset-x-0 top-full z-30 border-[1.5px] border-ink bg-slip {isOpen ? '' : 'hidden'}"
  >
    {#if asked}
      {@render whole('The plan:', planText ?? '', takePlan)}
    {:else if isList}
      {@render whole(`All ${all.length}:`, allText, takeAll)}
    {/if}
    {#each asked ? [] : choices as c, i (c.label)}
      <li
        id="{id}-{i}"
        role="option"
        aria-selected={i === active}
        class="flex min-h-11 cursor-pointer items-baseline gap-2 px-3 py-2 {i === active
          ? 'bg-primary text-primary-content'
          : ''}"
        onpointerdown={(e) => {
          e.preventDefault();
          void take(c);
        }}
        onpointerenter={() => (active = i)}
      >
        <span class="font-semibold">{c.label}</span>
        {#if c.amount}<span>{readText(c.item, c.amount, household.settings)}</span>{/if}
        <span class="ml-auto truncate text-[0.875rem] {i === active ? '' : 'text-quiet'}">{own(c.hint)}</span>
      </li>
    {/each}
  </ul>
  {#if answer.kind === 'refused'}
    <p role="alert" class="border-t-[1.5px] border-rosehip bg-tint-rose px-3 py-2">
      Not in a wine: {answer.why}
    </p>
  {:else if answer.ask && (choices.length === 0 || choices[active]?.ask)}
    <p role="status" class="bg-tint-straw px-3 py-2 text-[0.9375rem]">{answer.ask}</p>
  {:else if choices[active]?.ask}
    <p role="status" class="bg-tint-straw px-3 py-2 text-[0.9375rem]">{choices[active]?.ask}</p>
  {:else if isList}
    {#if list!.unknown.length > 0}<p role="status" class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
        Left for you: {list!.unknown.map((u) => `“${u.text}”`).join(', ')}.
      </p>{/if}
  {:else if answer.unknown && answer.unknown.length > 2}
    <p role="status" class="bg-tint-straw px-3 py-2 text-[0.9375rem]">
      {#if /\byeasts?\b/.test(answer.unknown)}Yeast is chosen under Method.{:else}“{answer.unknown}” is not in
        my table. Try another name{looksLikePlant(answer.unknown)
          ? '; if it is a wild plant, be sure of it with someone who knows, and if in doubt leave it out'
          : ''}.{/if}
    </p>
  {/if}
</div>
