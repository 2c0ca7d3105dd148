<script lang="ts">
  import { packetG, type OwnYeast } from '$core/plan/own-yeast';
  import { toleranceOf } from '$core/plan/chosen';
  import { YEASTS, type YeastId } from '$core/tables/yeasts';
  import { gramsText, temperatureText } from '$core/units/format';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/number';
  import { parseTemperature } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';
  import { keep, takeOff } from '$lib/store/things';
  import { newId } from '$lib/store/here';
  import { sayDone, sayWrong, tell } from '../nav/said.svelte';

  /** Yeasts as their packets call them: each with its type, and with what its packet says otherwise. */
  const EMPTY = { name: '', type: 'wine' as YeastId, limit: '', cold: '', warm: '', packet: '' };
  let f = $state({ ...EMPTY });
  const types = (Object.keys(YEASTS) as YeastId[]).filter((id) => id !== 'wild');
  const degrees = (c: number) => temperatureText(c, household.settings.temp);

  function figure(text: string, what: string, least: number, most: number): number | undefined {
    if (!text.trim()) return undefined;
    const n = parseNumber(text.replace(/[%g]/g, ''));
    if (n === null || n < least || n > most)
      throw new InputError(`“${text}” is not ${what}.`, `Give a figure from ${least} to ${most}.`);
    return n;
  }
  const warmth = (text: string) =>
    text.trim() ? parseTemperature(text, household.settings.temp) : undefined;

  async function add() {
    try {
      if (!f.name.trim()) throw new InputError('It has no name.', 'Give the name or the code on its packet.');
      const made = {
        id: newId(),
        name: f.name.trim(),
        yeastId: f.type,
        toleranceAbv: figure(f.limit, 'a strength that yeast stands', 3, 22),
        coldC: warmth(f.cold),
        warmC: warmth(f.warm),
        packetG: figure(f.packet, 'the weight of a packet', 0.1, 1000)
      };
      await keep('yeasts', JSON.parse(JSON.stringify(made)) as OwnYeast);
      sayDone(`${made.name} added.`);
      f = { ...EMPTY };
    } catch (e) {
      sayWrong(e);
    }
  }

  const says = (y: OwnYeast): string =>
    [
      YEASTS[y.yeastId].name.toLowerCase(),
      `to about ${toleranceOf({ yeastId: y.yeastId, ...(y.toleranceAbv ? { toleranceAbv: y.toleranceAbv } : {}) })[1]} %`,
      y.coldC !== undefined && y.warmC !== undefined
        ? `${degrees(y.coldC)} to ${degrees(y.warmC)}`
        : y.coldC !== undefined
          ? `from ${degrees(y.coldC)}`
          : y.warmC !== undefined
            ? `up to ${degrees(y.warmC)}`
            : '',
      `packet ${gramsText(packetG(y))}`
    ]
      .filter(Boolean)
      .join(', ');
</script>

<section id="yeasts" aria-label="Yeasts" class="grid grid-cols-1 content-start gap-3">
  <h2 class="inkline pt-2 text-[1.3125rem]">Your yeasts</h2>
  {#if household.yeasts.length === 0}
    <p class="small">
      None yet. Write down what a packet says, by its name or its code, and it can be chosen wherever yeast
      is.
    </p>
  {/if}
  <ul>
    {#each household.yeasts as y (y.id)}
      <li class="dashline flex items-center gap-3 py-1">
        <span class="min-w-0 flex-1"
          ><span class="block font-semibold break-words">{y.name}</span><span class="small block"
            >{says(y)}</span
          ></span
        >
        <button
          class="size-11 shrink-0 text-quiet"
          aria-label="Remove {y.name}"
          title="Remove"
          onclick={() => tell(`${y.name} taken off the list.`, () => takeOff('yeasts', y.id))}>×</button
        >
      </li>
    {/each}
  </ul>
  <form
    class="grid grid-cols-2 items-end gap-2 sm:grid-cols-3"
    onsubmit={(e) => {
      e.preventDefault();
      void add();
    }}
  >
    <label class="grid gap-1 font-semibold"
      >Name or code<input
        class="field"
        autocomplete="off"
        maxlength="60"
        bind:value={f.name}
        required
      /></label
    >
    <label class="grid gap-1 font-semibold"
      >Type<select class="field" bind:value={f.type}
        >{#each types as id (id)}<option value={id}>{YEASTS[id].name}</option>{/each}</select
      ></label
    >
    <label class="grid gap-1 font-semibold"
      >Limit, %<input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder={String(YEASTS[f.type].toleranceAbv[1])}
        bind:value={f.limit}
      /></label
    >
    <label class="grid gap-1 font-semibold"
      >Works from<input
        class="field"
        autocomplete="off"
        placeholder={degrees(14)}
        bind:value={f.cold}
      /></label
    >
    <label class="grid gap-1 font-semibold"
      >Up to<input class="field" autocomplete="off" placeholder={degrees(28)} bind:value={f.warm} /></label
    >
    <label class="grid gap-1 font-semibold"
      >Packet, g<input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder="5"
        bind:value={f.packet}
      /></label
    >
    <button class="btn btn-line justify-self-start">Add the yeast</button>
  </form>
</section>
