<script lang="ts">
  import { goto } from '$app/navigation';
  import { differences, versionsOf, type Recipe } from '$core/must/recipe';
  import { sheetOf } from '$core/steps/sheet';
  import { own as inMine } from '$lib/ui/words/own-units';
  import { takeOff } from '$lib/store/things';
  import { evaluate } from '$core/must/evaluate';
  import { scalePlan } from '$core/solve/solve';
  import { parseNumber } from '$core/units/parse';
  import { fromBase, toBase, UNIT_LABEL } from '$core/units/measure';
  import { thingFile } from '$lib/store/file-of';
  import { recipeMarkdown } from '$lib/files/recipe-markdown';
  import { household, vesselName } from '$lib/store/household.svelte';
  import { sayDone, tell } from '../nav/said.svelte';
  import { download, fileName } from './download';

  /** One version of a recipe, at any size; what changed since the last, and what was said of it. */
  type Props = {
    recipe: Recipe;
    made: { id: string; name: string; at: number; notes: { at: string; text: string }[] }[];
  };
  let { recipe, made }: Props = $props();

  const units = $derived(household.settings);
  const own = $derived(evaluate(recipe.plan).likely.intoGlassL);
  let litres = $state<number | null>(null);
  const plan = $derived(litres ? scalePlan(recipe.plan, litres / own) : recipe.plan);
  const vessel = $derived(vesselName(recipe.plan.vesselId ?? '', 'bucket'));
  const sheet = $derived(sheetOf({ ...plan, name: recipe.name }, vessel, units));
  const versions = $derived(versionsOf(household.recipes, recipe.family));
  const parent = $derived(household.recipes.find((r) => r.id === recipe.parent));
  const changes = $derived(parent ? differences(parent.plan, recipe.plan, household.settings) : []);
  const notes = $derived(made.flatMap((m) => m.notes.map((n) => ({ ...n, batch: m }))));
  const day = (at: string | number) =>
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(
      new Date(at)
    );

  async function saveJson() {
    const { name, blob } = await thingFile(
      'recipes',
      recipe.id,
      `${fileName(recipe.name)}-${recipe.version}`
    );
    download(name, blob, blob.type);
    sayDone('Handed to your downloads.');
  }
  const saveMarkdown = () => {
    download(
      `${fileName(recipe.name)}-${recipe.version}.md`,
      recipeMarkdown({ ...recipe, plan }, vessel, units),
      'text/markdown'
    );
    sayDone('Handed to your downloads.');
  };
</script>

<p class="pt-2">
  <a class="small inline-flex min-h-11 items-center underline underline-offset-4" href="/plan/recipes"
    >All recipes</a
  >
</p>
<h1 class="sentence pb-1 font-normal">
  <b>{recipe.name}</b>, version {recipe.version}, for
  <input
    class="number w-24 border-b-2 border-ink bg-transparent text-center"
    inputmode="decimal"
    autocomplete="off"
    aria-label="How much, {UNIT_LABEL[units.volume]}"
    value={fromBase(litres ?? own, units.volume).toFixed(1)}
    onchange={(e) => {
      const n = parseNumber(e.currentTarget.value);
      litres = n && n > 0 && n < 2000 ? toBase(n, units.volume) : null;
    }}
  />
  {UNIT_LABEL[units.volume]}.
</h1>
<p class="flex flex-wrap gap-2 py-2">
  <button
    class="btn btn-primary"
    onclick={() => goto(`/plan?recipe=${recipe.id}${litres ? `&litres=${litres}` : ''}`)}>Plan it</button
  >
  <a
    class="btn btn-line items-center"
    href="/plan/sheet?recipe={recipe.id}{litres ? `&litres=${litres}` : ''}">Sheet to print</a
  >
  <button class="btn btn-line" onclick={saveJson}>Save as a file</button>
  <button class="btn btn-line" onclick={saveMarkdown}>As Markdown</button>
</p>

<div class="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
  <div class="grid content-start gap-5">
    <section aria-label="What it makes"><p class="text-[1.0625rem]">{sheet.makes.join(' · ')}</p></section>
    <section aria-label="What goes in">
      <p class="head mb-1">What goes in</p>
      <ul class="inkline">
        {#each [...sheet.ingredients, ...sheet.powders.map((p) => ({ ...p, note: '' }))] as i, n (n)}
          <li class="dashline flex items-baseline justify-between gap-4 py-1">
            <span
              ><span class="font-semibold">{i.name}</span>{#if i.note}<span class="small">, {i.note}</span
                >{/if}</span
            ><span class="number text-right text-balance">{i.amount}</span>
          </li>
        {/each}
      </ul>
    </section>
    {#if sheet.schools.length > 0}<p class="small">{sheet.schools.join('. ')}.</p>{/if}
    {#if recipe.note}<p class="text-[1.0625rem]">{recipe.note}</p>{/if}
  </div>
  <div class="grid content-start gap-5">
    {#if parent}
      <section aria-label="Since the last version">
        <p class="head mb-1">Since version {parent.version}</p>
        <ul class="inkline">
          {#each changes as c (c)}<li class="dashline py-1">{inMine(c)}</li>{:else}<li
              class="py-1 text-quiet"
            >
              the same wine
            </li>{/each}
        </ul>
      </section>
    {/if}
    {#if notes.length > 0}
      <section aria-label="Next time">
        <p class="head mb-1">Next time</p>
        <ul class="inkline">
          {#each notes as n, i (i)}
            <li class="dashline py-1">
              {n.text} <a class="small underline" href="/batches/{n.batch.id}">{n.batch.name}, {day(n.at)}</a>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if made.length > 0}
      <section aria-label="Made by it">
        <p class="head mb-1">Made by it</p>
        <ul class="inkline">
          {#each made as m (m.id)}<li class="dashline py-1">
              <a class="underline" href="/batches/{m.id}">{m.name}</a>, {day(m.at)}
            </li>{/each}
        </ul>
      </section>
    {/if}
    <section aria-label="Versions">
      <p class="head mb-1">Versions</p>
      <ul class="inkline">
        {#each versions as v (v.id)}
          <li class="dashline flex min-h-11 items-center justify-between">
            {#if v.id === recipe.id}<b>version {v.version}</b>{:else}<a
                class="underline"
                href="/plan/recipes/{v.id}">version {v.version}</a
              >{/if}
            <span class="small">{day(v.madeAt)}</span>
          </li>
        {/each}
      </ul>
      <button
        class="mt-1 min-h-11 underline underline-offset-4"
        onclick={() =>
          tell(`Version ${recipe.version} taken off.`, async () => {
            const off = await takeOff('recipes', recipe.id);
            await goto('/plan/recipes');
            return off;
          })}>Take this version off</button
      >
    </section>
  </div>
</div>
