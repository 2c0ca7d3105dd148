<script lang="ts">
  import { goto } from '$app/navigation';
  import { nameOf } from '$core/plan/name';
  import { amountOf } from '$core/plan/plan';
  import type * as Reader from '$core/plan/haul';
  import { quantityText } from '$core/units/format';
  import { keepDraft } from '$lib/store/draft';
  import { household, changeSettings } from '$lib/store/household.svelte';
  import { countryOf, SYSTEMS } from '$core/units/settings';

  /** An empty Vecino: one line, and a first plan from it, or a look round. */
  let { onDemo }: { onDemo: () => void } = $props();
  let text = $state('');
  const country = $derived(countryOf(household.settings));
  /** What reads the line knows every fruit by name: it comes once somebody means to write. */
  let reader = $state.raw<typeof Reader | null>(null);
  const bringReader = async () => (reader ??= await import('$core/plan/haul'));
  const haul = $derived(text.trim() && reader ? reader.parseHaul(text, country, household.ownProduce) : null);
  const ready = $derived(
    haul !== null && haul.ingredients.some((i) => amountOf(i) > 0) && haul.unknown.length === 0
  );
  const unitOf = (i: { unit?: string | undefined; kind: string }) =>
    i.kind === 'water' || i.kind === 'juice' ? household.settings.volume : household.settings.mass;

  function plan() {
    if (!haul || !reader || !ready) return;
    keepDraft('proposed', reader.planOfHaul(haul, household.settings.waterAlkalinityMgL));
    void goto('/plan?from=proposed');
  }
</script>

<h1 class="sentence pt-4 font-normal"><b>Good day.</b> What have you got?</h1>
<form
  class="mt-3 flex max-w-3xl flex-wrap gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    plan();
  }}
>
  <input
    class="field h-14! min-w-0 flex-1 basis-64 text-[1.25rem]!"
    placeholder="{household.settings.mass === 'lb' ? '3 lb' : '1.5 kg'} rhubarb and a bag of sugar"
    aria-label="What you have"
    autocomplete="off"
    bind:value={text}
    onfocus={bringReader}
    oninput={bringReader}
  />
  <button class="btn btn-primary h-14! px-6! text-[1.125rem]!" disabled={!ready}>What wine is that?</button>
</form>
{#if haul}
  <ul class="mt-2 max-w-3xl" aria-label="Understood">
    {#each haul.ingredients as i, n (n)}
      <li class="dashline py-1">
        <b>{nameOf(i)}</b>{#if amountOf(i) > 0}, {quantityText(amountOf(i), unitOf(i))}{/if}
      </li>
    {/each}
    {#each haul.unknown as u (u.text)}<li class="py-1 text-rosehip" role="alert">
        “{u.text}”: {u.why}
      </li>{/each}
    {#each haul.assumed as a (a)}<li class="small py-1">{a}</li>{/each}
  </ul>
{/if}
<p class="mt-4 flex flex-wrap items-center gap-x-3 gap-y-2">
  <label class="flex items-center gap-2"
    >I measure in
    <select
      class="field w-auto"
      value={household.settings.system}
      onchange={(e) => {
        const system = e.currentTarget.value as keyof typeof SYSTEMS;
        const { mass, volume, temp } = SYSTEMS[system];
        void changeSettings({ system, mass, volume, temp });
      }}
    >
      {#each Object.entries(SYSTEMS) as [id, s] (id)}<option value={id}>{s.name}</option>{/each}
    </select>
  </label>
</p>
<p class="mt-4 flex flex-wrap gap-3">
  <a class="btn btn-line" href="/plan">An empty plan</a>
  <a class="btn btn-line" href="/harvest">Weigh in a harvest</a>
  <button class="btn btn-line" onclick={onDemo}>Look round with a made-up household</button>
</p>
