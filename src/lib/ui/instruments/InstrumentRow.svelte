<script lang="ts">
  import { BUFFERS, offsetOf, phByTwo, PH_DAYS, type Calibration } from '$core/instruments/calibrate';
  import { APART_SG, LIES } from '$core/instruments/lies';
  import { InputError } from '$core/units/input-error';
  import { parseGravity, parseNumber, parseTemperature } from '$core/units/parse';
  import { household, runningBatches, vesselName } from '$lib/store/household.svelte';
  import {
    instruments,
    knownCode,
    lieOf,
    pair,
    pairAnew,
    removeInstrument,
    setCalibration,
    type Instrument
  } from '$lib/store/instruments.svelte';
  import { changeSettings } from '$lib/store/household.svelte';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import { NOT_PAIRED } from '$lib/devices/posted';
  import Pop from '../pop/Pop.svelte';
  import { agoText, sampleText } from './says';

  /** One instrument: what it says now, whether that can be, what it floats in, and how it is set right. */
  let { instrument: i }: { instrument: Instrument } = $props();

  const DAY = 86_400_000;
  const l = $derived(instruments.live(i.id));
  const lie = $derived(lieOf(i, household.now));
  const isOfWine = $derived(i.kind === 'float' || i.kind === 'thermometer' || i.kind === 'ph');
  const wines = $derived(runningBatches().filter((b) => b.state.fills.length > 0));
  const places = $derived(
    wines.flatMap((b) =>
      b.state.fills.map((f) => ({
        value: `${b.id} ${f.vesselId}`,
        text: `${b.state.name}, ${vesselName(f.vesselId, 'a vessel')}`
      }))
    )
  );
  /** A hand reading of the last six hours that it disagrees with. */
  const hand = $derived.by(() => {
    const of = wines.find((b) => b.id === i.batchId)?.state.readings.at(-1);
    return of && l.last?.sg !== undefined && household.now - of.at < 6 * 3_600_000 ? of : null;
  });
  const isApart = $derived(hand !== null && Math.abs(hand.sg - l.last!.sg!) > APART_SG);
  const isOld = $derived(
    i.kind === 'ph' && (!i.calibration?.ph || household.now - i.calibration.at > PH_DAYS * DAY)
  );
  let truth = $state('');
  let temp = $state('');
  let low = $state('');
  let high = $state('');

  async function act(job: () => Promise<void>, text: string) {
    try {
      await job();
      sayDone(text);
    } catch (e) {
      sayWrong(e);
    }
  }
  let code = $state('');
  let asksCode = $state(false);
  async function anew() {
    code ||= await knownCode();
    asksCode = !code;
    if (!asksCode) await act(() => pairAnew(i.id, code), `${i.name} has a new key.`);
    if (l.lost === NOT_PAIRED) [code, asksCode] = ['', true];
  }
  const put = (value: string) => {
    const [batchId, vesselId] = value.split(' ');
    void act(
      () => pair(i.id, batchId || undefined, vesselId),
      value ? `${i.name} is in it.` : `${i.name} is out.`
    );
  };
  /** What it says without being set right, so that an offset is never put on an offset. */
  const rawly = (now: number, was: number | undefined) => now - (was ?? 0);

  function calibrate(close: () => void) {
    void act(async () => {
      if (!l.last) throw new InputError('Nothing is heard of it yet.', 'Wait for a sample.');
      const next: Calibration = { ...i.calibration, at: Date.now() };
      if (truth.trim() && l.last.sg !== undefined)
        next.sg = offsetOf(rawly(l.last.sg, i.calibration?.sg), parseGravity(truth));
      if (temp.trim() && l.last.tempC !== undefined)
        next.tempC = Number(
          (
            parseTemperature(temp, household.settings.temp) - rawly(l.last.tempC, i.calibration?.tempC)
          ).toFixed(2)
        );
      if (low.trim() && high.trim()) next.ph = phByTwo(parseNumber(low) ?? NaN, parseNumber(high) ?? NaN);
      await setCalibration(i.id, next);
      [truth, temp, low, high] = ['', '', '', ''];
      close();
    }, `${i.name} is set right.`);
  }
</script>

<li class="dashline grid gap-1 py-2" data-instrument={i.kind}>
  <div class="flex flex-wrap items-baseline justify-between gap-x-4">
    <span class="font-semibold break-words">{i.name}</span>
    <span class="number text-[1.1875rem]">{l.last ? sampleText(l.last, household.settings) : '–'}</span>
  </div>
  <p class="small">
    {l.heardAt ? `Heard ${agoText(l.heardAt, household.now)}` : 'Not heard yet'}{l.last?.battery !== undefined
      ? `, battery ${Math.round(100 * l.last.battery)} %`
      : ''}{i.calibration ? `, set right ${agoText(i.calibration.at, household.now)}` : ''}{l.lost
      ? `; ${l.lost}`
      : ''}.
  </p>
  {#if lie}<p class="bg-tint-straw px-2 py-1 text-ink">{LIES[lie]}</p>{/if}
  {#if isApart}<p class="bg-tint-straw px-2 py-1 text-ink">
      {LIES.apart} By hand {hand!.sg.toFixed(3)}.
    </p>{/if}
  {#if isOld}<p class="bg-tint-straw px-2 py-1 text-ink">
      {i.calibration?.ph ? 'Set by two buffers over a month ago: do it anew.' : 'Not yet set by two buffers.'}
    </p>{/if}
  {#if 'key' in i.by && !l.heardAt}
    <p class="small break-all">
      It posts to <code>{location.origin}/api/devices/{i.id}/readings</code> with the key
      <code>{i.by.key}</code>; how stands in docs/devices.md.
    </p>
  {/if}
  {#if l.lost === NOT_PAIRED}
    <p class="bg-tint-straw px-2 py-1 text-ink">
      The server was started with another pairing code. Pair it anew, and give the instrument its new key.
    </p>
    <p class="flex flex-wrap items-center gap-2">
      {#if asksCode}<input
          class="field w-40!"
          aria-label="Pairing code"
          autocomplete="off"
          placeholder="K7QM-2RWX"
          bind:value={code}
        />{/if}
      <button class="btn btn-line" onclick={anew}>Pair it anew</button>
    </p>
  {/if}
  <div class="flex flex-wrap items-center gap-2">
    {#if isOfWine}
      <select
        class="field w-auto! max-w-full min-w-0"
        aria-label="{i.name} is in"
        value={i.batchId ? `${i.batchId} ${i.vesselId ?? ''}` : ''}
        onchange={(e) => put(e.currentTarget.value)}
      >
        <option value="">in nothing</option>
        {#each places as p (p.value)}<option value={p.value}>{p.text}</option>{/each}
      </select>
      <Pop title="Set {i.name} right" class="btn btn-line">
        {#snippet trigger()}Set it right{/snippet}
        {#snippet children(close)}
          <form
            class="grid w-64 gap-2"
            onsubmit={(e) => {
              e.preventDefault();
              calibrate(close);
            }}
          >
            {#if i.kind === 'ph'}
              <label class="grid gap-1 font-semibold"
                >It shows in pH {BUFFERS.low}<input
                  class="field"
                  inputmode="decimal"
                  bind:value={low}
                /></label
              >
              <label class="grid gap-1 font-semibold"
                >and in pH {BUFFERS.high}<input class="field" inputmode="decimal" bind:value={high} /></label
              >
            {:else}
              {#if i.kind === 'float'}<label class="grid gap-1 font-semibold"
                  >By hand it is now<input
                    class="field"
                    inputmode="decimal"
                    placeholder="1.048"
                    bind:value={truth}
                  /></label
                >{/if}
              <label class="grid gap-1 font-semibold"
                >How warm it is, °{household.settings.temp}<input
                  class="field"
                  inputmode="decimal"
                  bind:value={temp}
                /></label
              >
            {/if}
            <button class="btn btn-primary">Set it right</button>
          </form>
        {/snippet}
      </Pop>
    {/if}
    {#if i.kind === 'weather' && l.last?.roomC !== undefined}
      <button
        class="btn btn-line"
        onclick={() =>
          act(async () => {
            await changeSettings({ roomC: Math.round(l.last!.roomC!) });
          }, 'Plans reckon with that warmth from now on.')}>Plan by its warmth</button
      >
    {/if}
    <button
      class="btn btn-plain"
      aria-label="Remove {i.name}"
      onclick={() => act(() => removeInstrument(i.id), `${i.name} taken off.`)}>remove</button
    >
  </div>
</li>
