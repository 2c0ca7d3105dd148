<script lang="ts">
  import { byYear, cellarOf, drinkNow, toDrink, type CellarWine } from '$core/cellar/stock';
  import type { InBottle } from '$core/report/stands';
  import { mainProduce } from '$core/plan/main-produce';
  import type { Ingredient } from '$core/plan/plan';
  import { counted } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { bottlesInHand, winesInBottle } from '$lib/store/wines';
  import { createHand } from './held.svelte';
  import Racks from './Racks.svelte';
  import Stock from './Stock.svelte';
  import WindowBar from './WindowBar.svelte';
  import WineRow from './WineRow.svelte';
  import { monthWord, yearOf } from './words';

  /** Every bottle: what to drink now, what to leave, where each lies. */
  let batches = $state.raw<InBottle[] | null>(null);
  let inHand = $state.raw<{ bottles: number; wines: number } | null>(null);
  /** So many of each group are drawn until more are asked for. */
  const PAGE = 24;
  let most = $state(PAGE);
  let text = $state('');
  let open = $state<string | null>(null);
  const hand = createHand();

  $effect(() => {
    void household.counts;
    void bottlesInHand()
      .then((found) => (inHand = found))
      .then(winesInBottle)
      .then((found) => (batches = found));
  });
  const wines = $derived(
    (batches ?? []).flatMap((b) =>
      cellarOf({ state: b.state, belief: b.standing.belief, dangers: b.dangers }, household.now)
    )
  );
  const plans = $derived(new Map((batches ?? []).map((b) => [b.id, b.state.plan.ingredients])));
  /** What a wine is of, by which its years are known again. */
  const fruitOf = (plan: readonly Ingredient[]): string => mainProduce(plan)?.id ?? '';
  const ofFruit = $derived(Map.groupBy(plans.keys(), (id) => fruitOf(plans.get(id)!)));
  const vintagesOf = (w: CellarWine): string[] => {
    const fruit = fruitOf(plans.get(w.batchId) ?? []);
    return fruit === '' ? [] : (ofFruit.get(fruit) ?? []).filter((id) => id !== w.batchId).slice(0, 2);
  };
  const fillings = $derived(Map.groupBy(wines, (w) => w.batchId));
  const words = $derived(text.trim().toLowerCase().split(/\s+/).filter(Boolean));
  const found = $derived(
    wines.filter((w) =>
      words.every((x) => `${w.name} ${yearOf(w.startedAt, w.zone)}`.toLowerCase().includes(x))
    )
  );
  const now = $derived(household.now);
  const drink = $derived(toDrink(found, now));
  const groups = $derived.by(() => {
    const isDrunk = new Set(drink);
    const rest = found
      .filter((w) => !isDrunk.has(w) && !w.danger)
      .sort((a, b) => a.drink.bestFrom - b.drink.bestFrom);
    return (
      [
        ['Could burst', found.filter((w) => w.danger)],
        ['To drink this month', drink],
        ['Let them lie', rest]
      ] as [string, CellarWine[]][]
    ).filter(([, list]) => list.length > 0);
  });
  /** What is looked for: the wine that is open, or the only one that fits. */
  const shown = $derived(
    found.find((w) => w.bottling.eventId === open)?.batchId ??
      (words.length > 0 && new Set(found.map((w) => w.batchId)).size === 1 ? found[0]!.batchId : null)
  );
  const first = $derived(toDrink(wines, now)[0]);
  const next = $derived(
    wines
      .filter((w) => !w.danger && w.drink.bestFrom > now)
      .sort((a, b) => a.drink.bestFrom - b.drink.bestFrom)[0]
  );
  const years = $derived(byYear(wines, yearOf));
  const names = $derived([
    ...new Set(wines.flatMap((w) => w.bottling.gone.map((g) => g.to)).filter(Boolean))
  ]);
</script>

<h1 class="sentence pt-2 pb-3 font-normal">
  {#if inHand === null}<span class="text-quiet">…</span>{:else if inHand.wines === 0}
    Nothing is in bottle yet. <a class="link font-semibold" href="/batches">A wine that is finished</a> is bottled
    from its own page.
  {:else}
    <span class="font-bold">{counted(inHand.bottles, 'bottle')}</span> of {counted(inHand.wines, 'wine')}.
    {#if first}{drinkNow(first, now) === 'best' ? 'Drink' : 'Drink up'} the
      <b>{first.name.toLowerCase()}</b>{next ? '; ' : '.'}{/if}{#if next}{first ? 'the' : 'The'}
      {next.name.toLowerCase()} is best from {monthWord(next.drink.bestFrom, now, next.zone)}.{/if}
  {/if}
</h1>
<datalist id="given-to"
  >{#each names as n (n)}<option value={n}></option>{/each}</datalist
>
{#if wines.length > 0}
  <div class="grid grid-cols-1 gap-x-10 gap-y-6 xl:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
    <div>
      {#if wines.length > 1}
        <input
          class="field mb-3 max-w-sm"
          type="search"
          placeholder="Find a bottle"
          aria-label="Find a bottle"
          autocomplete="off"
          bind:value={text}
        />
      {/if}
      {#each groups as [label, list], i (label)}
        <section aria-label={label} class="mb-5">
          <div class="mb-1 grid items-end gap-x-3 lg:grid-cols-[minmax(0,1fr)_15rem_4.5rem]">
            <h2 class="head font-sans!">{label}</h2>
            {#if i === 0}<div class="hidden lg:block"><WindowBar drink={null} {now} /></div>{/if}
          </div>
          <ul class="inkline">
            {#each list.slice(0, most) as w (w.bottling.eventId)}<WineRow
                wine={w}
                ingredients={plans.get(w.batchId) ?? []}
                {hand}
                vintages={vintagesOf(w)}
                isOneOf={fillings.get(w.batchId)!.length > 1}
                isOpen={open === w.bottling.eventId}
                onopen={() => (open = open === w.bottling.eventId ? null : w.bottling.eventId)}
              />{/each}
          </ul>
          {#if list.length > most}<button class="btn btn-plain" onclick={() => (most += 5 * PAGE)}
              >Show {list.length - most} more</button
            >{/if}
        </section>
      {:else}<p>No bottle by that name.</p>{/each}
    </div>
    <div class="grid content-start gap-6">
      <Racks {wines} coloursOf={(id) => plans.get(id) ?? []} {hand} {shown} />
      <Stock {years} />
    </div>
  </div>
{/if}
