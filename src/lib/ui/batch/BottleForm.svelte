<script lang="ts">
  import { BOTTLES, type BottleType } from '$core/finish/pressure';
  import { liquid } from '$core/must/stock';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/parse';
  import { logBottling } from '$lib/store/actions';
  import { record } from '$lib/store/record';
  import { vesselById, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BatchCautions from './BatchCautions.svelte';
  import { checkBottling } from './bottling';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`bottle:${batch.id}`, {
    from: '',
    count: '',
    size: '0.75',
    type: 'still',
    priming: '',
    clear: '',
    understood: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.from) ?? batch.state.fills[0]
  );
  const litres = $derived(fill ? (liquid(fill.stock)?.volumeL ?? 0) : 0);
  const size = $derived(parseNumber(draft.fields.size) ?? 0.75);
  const guess = $derived(Math.max(0, Math.floor((litres * 0.98) / size)));
  const priming = $derived(draft.fields.priming.trim() ? (parseNumber(draft.fields.priming) ?? NaN) : 0);
  const check = $derived(
    checkBottling(
      batch.state,
      draft.fields.type as BottleType,
      Number.isFinite(priming) ? priming : 0,
      draft.fields.clear === 'yes',
      fill?.vesselId
    )
  );
  const stopped = $derived(check.verdict.level === 'stop');

  const save = form.submit(async () => {
    const count = draft.fields.count.trim() ? parseNumber(draft.fields.count) : guess;
    if (!count || !Number.isInteger(count))
      throw new InputError(`“${draft.fields.count}” is no number of bottles.`, 'Give a whole number.');
    if (!Number.isFinite(priming) || priming < 0)
      throw new InputError(
        `“${draft.fields.priming}” is no amount of sugar.`,
        'Give grams a litre, or leave it empty.'
      );
    if (count * size > litres * 1.15)
      throw new InputError(
        `${count} bottles of ${size} L want ${(count * size).toFixed(1)} L; there are ${litres.toFixed(1)} L.`,
        'Check the number and the size.'
      );
    if (stopped && draft.fields.understood !== 'yes')
      throw new InputError(
        'The pressure check says no.',
        'Take one of the safe ways out, or say that you understand.'
      );
    if (stopped)
      await record(batch.id, 'caution', { cautionId: 'pressure', text: check.verdict.text.slice(0, 400) });
    const event = await logBottling(batch.id, {
      from: fill!.vesselId,
      bottles: [{ count, sizeL: size, type: draft.fields.type as BottleType }],
      ...(priming > 0 ? { primingGL: priming } : {}),
      bar20: check.verdict.bar20
    });
    return [
      `${count} bottles of ${batch.state.name}. Stand them a few days, then lay them down.`,
      event
    ] as const;
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Bottle">
  {#if batch.state.fills.length > 1}
    <label class="grid gap-1 text-[0.9375rem] font-semibold">
      From
      <select class="field" value={fill?.vesselId} onchange={(e) => draft.set('from', e.currentTarget.value)}>
        {#each batch.state.fills as f (f.vesselId)}<option value={f.vesselId}
            >{vesselById(f.vesselId)?.name}</option
          >{/each}
      </select>
    </label>
  {/if}
  <div class="grid grid-cols-2 gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Bottles
      <input
        class="field"
        inputmode="numeric"
        autocomplete="off"
        placeholder={String(guess)}
        value={draft.fields.count}
        oninput={(e) => draft.set('count', e.currentTarget.value)}
      />
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Litres each
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        value={draft.fields.size}
        oninput={(e) => draft.set('size', e.currentTarget.value)}
      />
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Kind
      <select
        class="field"
        value={draft.fields.type}
        onchange={(e) => draft.set('type', e.currentTarget.value)}
        >{#each Object.entries(BOTTLES) as [id, b] (id)}<option value={id}>{b.name}</option>{/each}</select
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Sugar for fizz, g/L
      <input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder="none"
        value={draft.fields.priming}
        oninput={(e) => draft.set('priming', e.currentTarget.value)}
      />
    </label>
  </div>
  <label class="flex min-h-11 items-center gap-3"
    ><input
      type="checkbox"
      class="checkbox"
      checked={draft.fields.clear === 'yes'}
      onchange={(e) => draft.set('clear', e.currentTarget.checked ? 'yes' : '')}
    /> It is clear and drops no more</label
  >
  <div
    role={stopped ? 'alert' : 'status'}
    data-testid="pressure"
    class="px-3 py-2 {stopped
      ? 'bg-tint-rose'
      : check.verdict.level === 'warn'
        ? 'bg-tint-straw'
        : 'bg-tint-green'}"
  >
    <p class="number text-[1.25rem]">
      {check.verdict.bar20.toFixed(1)} bar
      <span class="font-sans text-[0.9375rem] font-normal"
        >at 20 °C, bottle made for {check.verdict.ratingBar}</span
      >
    </p>
    <p class="text-[0.9375rem]">{check.reachable.why} {check.verdict.text}</p>
  </div>
  {#if stopped}
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox"
        checked={draft.fields.understood === 'yes'}
        onchange={(e) => draft.set('understood', e.currentTarget.checked ? 'yes' : '')}
      /> I understand that these bottles may burst</label
    >
  {/if}
  <BatchCautions
    {batch}
    place="bottle"
    scene={{ intoGlass: true, isAlive: !stopped && !batch.standing.steady.steady }}
  />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button
    class="btn {stopped ? 'btn-error' : 'btn-primary'}"
    disabled={stopped && draft.fields.understood !== 'yes'}
    >{stopped ? 'Bottle it all the same' : 'It is bottled'}</button
  >
</form>
