<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Plan } from '$core/plan/plan';
  import { beginBatch, beginBrewDay } from '$core/commands/begin';
  import type { Deed } from '$core/commands/deed';
  import { readGravity } from '$core/commands/observe';
  import { pitch } from '$core/commands/put';
  import { newId } from '$lib/store/here';
  import { perform } from '$lib/store/record';
  import { parseTemperature } from '$core/units/parse';
  import { household } from '$lib/store/household.svelte';
  import { parseWhen, toLocalInput } from '../field/parse-when';
  import { readStem } from '$core/commands/stem';
  import { AskError, InputError } from '$core/units/input-error';
  import { explain } from '$lib/ui/words/own-units';
  import { sayAsk, sayDone, sayWrong } from '../nav/said.svelte';
  import type { Bench } from './bench.svelte';

  let { bench, vesselId }: { bench: Bench; vesselId: string } = $props();
  let busy = $state(false);

  const ready = $derived(bench.estimate?.liquidVolumeL != null && bench.rows.every((r) => r.error === null));

  /** When it was begun, if not now; the yeast, and what it reads now, for a wine that is under way already. */
  let begun = $state('');
  let pitched = $state('');
  let reads = $state('');
  let temp = $state('');

  type What = Parameters<typeof beginBatch>[0];
  const on = (deed: Deed, at: number): Deed => deed.map((d) => ({ ...d, at }));

  /** All that is known of a wine that is in the bucket, as one deed. */
  function underWay(what: What): { deed: Deed; at?: number } {
    if (!begun) return { deed: beginBatch(what) };
    const now = Date.now();
    const at = parseWhen(begun, now);
    const pitchedAt = pitched ? parseWhen(pitched, now) : null;
    if (pitchedAt !== null && pitchedAt < at)
      throw new InputError('The yeast went in before the wine was begun.', 'Put one of the two days right.');
    const s = household.settings;
    const stem = reads.trim() ? readStem(reads, 'sg', s) : null;
    const tempC = temp.trim() ? parseTemperature(temp, s.temp) : null;
    const id = what.batchId;
    const yeast = what.plan.yeast ?? { yeastId: 'wine' };
    const read =
      stem && readGravity(id, stem.sg, tempC, s.hydrometer, { refractometerBx: stem.bx ?? undefined });
    return {
      at,
      deed: [
        ...beginBatch(what),
        ...(pitchedAt === null ? [] : on(pitch(id, { yeast, how: 'dry' }), pitchedAt)),
        ...(read ? on(read, now) : [])
      ]
    };
  }

  /** All at once, when it is in the bucket already; or step by step. */
  async function start(how: 'all' | 'steps', sure = false) {
    busy = true;
    try {
      void navigator.storage?.persist?.();
      const plan = $state.snapshot(bench.solved.plan) as Plan;
      const name = bench.name || 'Batch';
      const id = newId();
      const hasNoStem = !household.settings.hasStem;
      const what = { batchId: id, plan, name, vesselId, recipeId: bench.recipeId, hasNoStem };
      const { deed, at } = how === 'all' ? underWay(what) : { deed: beginBrewDay(what), at: undefined };
      await perform(deed, { at, sure });
      bench.clear();
      await goto(how === 'all' ? `/batches/${id}` : `/batches/${id}/brew`);
      if (how === 'all') sayDone('Started. Mark the bucket: name and date.');
    } catch (e) {
      if (e instanceof AskError) sayAsk(explain(e), 'It is so: start', () => start(how, true));
      else sayWrong(e);
    } finally {
      busy = false;
    }
  }
</script>

<form
  class="flex flex-wrap items-end gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void start('all');
  }}
>
  <label class="min-w-0 flex-1 basis-40">
    <span class="head">Call it</span>
    <input
      class="field"
      maxlength="120"
      autocomplete="off"
      placeholder="Name"
      value={bench.name}
      oninput={(e) => (bench.name = e.currentTarget.value)}
    />
  </label>
  {#if begun}
    <fieldset class="grid basis-full grid-cols-2 gap-2">
      <legend class="head mb-1">A wine that is under way: what you know of it</legend>
      <label class="col-span-full grid gap-0.5 text-[0.875rem] font-semibold"
        >Begun<span class="flex gap-2"
          ><input
            type="datetime-local"
            class="field"
            max={toLocalInput(Date.now())}
            bind:value={begun}
          /><button type="button" class="btn btn-plain" onclick={() => (begun = '')}>Now</button></span
        ></label
      >
      <label class="col-span-full grid gap-0.5 text-[0.875rem] font-semibold"
        >Yeast in<input
          type="datetime-local"
          class="field"
          max={toLocalInput(Date.now())}
          bind:value={pitched}
        /></label
      >
      <label class="grid gap-0.5 text-[0.875rem] font-semibold"
        >It reads now<input
          class="field"
          autocomplete="off"
          placeholder="not read"
          bind:value={reads}
        /></label
      >
      <label class="grid gap-0.5 text-[0.875rem] font-semibold"
        >at °{household.settings.temp}<input class="field" autocomplete="off" bind:value={temp} /></label
      >
    </fieldset>
  {/if}
  <button class="btn btn-primary" disabled={!ready || busy}>Start this batch</button>
  <button type="button" class="btn btn-line" disabled={!ready || busy} onclick={() => start('steps')}
    >Brew day</button
  >
  {#if !begun}<button
      type="button"
      class="btn btn-plain px-0!"
      onclick={() => (begun = toLocalInput(Date.now() - 86_400_000))}>It was begun earlier…</button
    >{/if}
</form>
