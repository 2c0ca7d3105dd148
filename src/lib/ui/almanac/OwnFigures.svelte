<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Acid } from '$core/liquid/acid';
  import type { Produce } from '$core/tables/produce';
  import { ownProduceSchema } from '$core/tables/produce-schema';
  import { produceById } from '$core/tables/table';
  import { InputError } from '$core/units/input-error';
  import { explain } from '$lib/ui/words/own-units';
  import { firstProblem } from '$core/units/problem';
  import { parseNumber } from '$core/units/parse';
  import { keep, takeOff } from '$lib/store/things';
  import { sayKept } from '../nav/said.svelte';

  /** The user's own figures for an entry: low, typical, high, written with spaces between. */
  let { produce, isOwn, isEditing }: { produce: Produce; isOwn: boolean; isEditing: boolean } = $props();

  type Key = 'solids' | 'sugars' | 'ph' | 'insolubles' | 'usable' | `acid:${Acid}`;
  const LABELS: [Key, string][] = $derived([
    ['solids', 'Soluble solids, g in 100 g'],
    ['sugars', 'Sugar yeast can take, g in 100 g'],
    ...(Object.keys(produce.acids) as Acid[]).map((a): [Key, string] => [
      `acid:${a}`,
      `${a} acid, g in 100 g`
    ]),
    ['ph', 'pH'],
    ['insolubles', 'What never dissolves, g in 100 g'],
    ['usable', 'Usable share, 0 to 1']
  ]);
  type Spread = readonly [number, number, number];
  const spreadOf = (key: Key): Spread =>
    key.startsWith('acid:') ? produce.acids[key.slice(5) as Acid]! : produce[key as 'solids'];
  let text = $state<Record<string, string>>({});
  const shown = (key: Key) => text[key] ?? spreadOf(key).join('  ');
  let error = $state('');

  function read(key: Key, label: string): Spread {
    const parts = shown(key)
      .trim()
      .split(/[\s–-]+/)
      .map(parseNumber);
    if (parts.some((n) => n === null) || (parts.length !== 1 && parts.length !== 3))
      throw new InputError(
        `${label}: “${shown(key)}”.`,
        'Give low, typical and high, or one figure that is sure.'
      );
    return (parts.length === 1 ? [parts[0], parts[0], parts[0]] : parts) as unknown as Spread;
  }

  async function save(e: SubmitEvent) {
    e.preventDefault();
    try {
      const entry = structuredClone($state.snapshot(produce)) as Produce;
      for (const [key, label] of LABELS) {
        const spread = read(key, label);
        if (key.startsWith('acid:')) entry.acids[key.slice(5) as Acid] = spread;
        else entry[key as 'solids'] = spread;
        const changed = spread.some((v, i) => v !== spreadOf(key)[i]);
        if (!changed) continue;
        if (key.startsWith('acid:')) entry.from.acids = 'own';
        else if (key === 'ph') entry.from.ph = 'own';
        else if (key === 'usable') entry.from.handling = 'own';
        else entry.from.composition = 'own';
      }
      const sound = ownProduceSchema.safeParse(entry);
      if (!sound.success) {
        const { path, reason } = firstProblem(sound.error);
        throw new InputError(`${path}: ${reason}.`, 'Correct it and try again.', path);
      }
      const kept = await keep('produce', sound.data);
      text = {};
      error = '';
      sayKept(`${produce.name}: your figures are used from now on. Batches that began keep theirs.`, kept);
    } catch (err) {
      error = explain(err);
    }
  }

  async function drop() {
    const inTable = produceById(produce.id) !== undefined;
    sayKept(
      inTable ? `${produce.name}: back to the table’s figures.` : `${produce.name} is gone from the Almanac.`,
      await takeOff('produce', produce.id)
    );
    if (!inTable) await goto('/almanac');
  }
</script>

<details class="mt-2" open={isEditing}>
  <summary class="min-h-11 py-2 font-semibold underline underline-offset-4"
    >{isOwn ? 'Change your figures' : 'Use your own figures'}</summary
  >
  <form class="grid gap-2" onsubmit={save} aria-label="Your own figures">
    <p class="small">Low, typical and high, as 8 in 10 lots are; or one figure that is sure.</p>
    {#each LABELS as [key, label] (key)}
      <label class="grid grid-cols-[minmax(0,1fr)_11rem] items-center gap-3 text-[0.9375rem] font-semibold"
        >{label}<input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          value={shown(key)}
          oninput={(e) => (text[key] = e.currentTarget.value)}
        /></label
      >
    {/each}
    {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
    <p class="flex gap-2">
      <button class="btn btn-primary">Use these</button>
      {#if isOwn}<button type="button" class="btn btn-line" onclick={drop}
          >{produceById(produce.id) ? 'Back to the table’s' : 'Take it out'}</button
        >{/if}
    </p>
  </form>
</details>
