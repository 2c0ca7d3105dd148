<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import { checkBottling } from '$core/finish/judge';
  import { BOTTLES, type BottleType, sizeText } from '$core/tables/bottles';
  import { readsDry } from '$core/ledger/evidence';
  import { fillL } from '$core/ledger/fill';
  import { isSediment } from '$core/ledger/operations';
  import { InputError } from '$core/units/input-error';
  import { volumeText } from '$core/units/format';
  import { parseNumber } from '$core/units/number';
  import { parseAs } from '$core/units/parse';
  import { countryOf } from '$core/units/settings';
  import { bottle } from '$core/commands/move';
  import { acknowledge } from '$core/commands/tick';
  import { unreadText } from '../words/how-far';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';
  import HeatFields from '../finish/HeatFields.svelte';
  import { readHeat } from '../finish/heat';
  import BatchCautions from '../caution/BatchCautions.svelte';
  import Pressure from './Pressure.svelte';
  import RestCheck from './RestCheck.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`bottle:${batch.id}`, {
    from: '',
    count: '',
    size: '750 mL',
    type: 'still',
    priming: '',
    clear: '',
    coreC: '',
    heldMin: '',
    rest: '',
    understood: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const unit = $derived(household.settings.volume);
  const fill = $derived(
    batch.state.fills.find((f) => f.vesselId === draft.fields.from) ?? batch.state.fills[0]
  );
  const litres = $derived(fill ? fillL(fill) : 0);
  /** What one bottle holds: bare figures are litres, as bottles are sold; what cannot be read is asked about. */
  const sizeOf = (text: string) => parseAs('volume', text, 'L', countryOf(household.settings)).base;
  const size = $derived.by(() => {
    try {
      return sizeOf(draft.fields.size);
    } catch {
      return null;
    }
  });
  const guess = $derived(size ? Math.max(0, Math.floor((litres * 0.98) / size)) : 0);
  const typed = $derived(draft.fields.count.trim() ? parseNumber(draft.fields.count) : guess);
  const restL = $derived(size ? Math.max(0, litres - (typed ?? 0) * size) : 0);
  /** A little at the bottom is sediment unless it is said; more stays unless it is said. */
  const isAll = $derived(
    draft.fields.rest === '' ? isSediment(restL, litres, 'bottle') : draft.fields.rest === 'sediment'
  );
  const priming = $derived(draft.fields.priming.trim() ? (parseNumber(draft.fields.priming) ?? NaN) : 0);
  const heatTyped = () => readHeat(draft.fields.coreC, draft.fields.heldMin, household.settings.temp);
  /** As it was heated in the bottle; null where it was not, or cannot be read. */
  const heat = $derived.by(() => {
    try {
      return heatTyped();
    } catch {
      return null;
    }
  });
  const check = $derived(
    checkBottling(
      batch.state,
      draft.fields.type as BottleType,
      Number.isFinite(priming) ? priming : 0,
      draft.fields.clear === 'yes',
      fill?.vesselId,
      batch.standing.belief,
      heat
    )
  );
  const stopped = $derived(check?.verdict.level === 'stop');
  const known = $derived(unreadText(check, batch.standing.belief, fill?.vesselId));

  const save = form.submit(() => {
    const count = typed;
    const sizeL = sizeOf(draft.fields.size);
    if (!count || !Number.isInteger(count) || count < 1)
      throw new InputError(`“${draft.fields.count}” is no number of bottles.`, 'Give a whole number.');
    if (!Number.isFinite(priming) || priming < 0)
      throw new InputError(
        `“${draft.fields.priming}” is no amount of sugar.`,
        'Give g/L, or leave it empty.'
      );
    if (count * sizeL > litres * 1.15)
      throw new InputError(
        `${count} bottles of ${sizeText(sizeL)} want ${volumeText(count * sizeL, unit)}; there are ${volumeText(litres, unit)}.`,
        'Check the number and the size.'
      );
    const heated = heatTyped();
    if (stopped && draft.fields.understood !== 'yes')
      throw new InputError(
        'The pressure check says no.',
        'Take one of the safe ways out, or say that you understand.'
      );
    const deed = [
      ...(stopped ? acknowledge(batch.id, 'pressure', check!.verdict.text) : []),
      ...bottle(batch.id, {
        from: fill!.vesselId,
        bottles: [{ count, sizeL, type: draft.fields.type as BottleType }],
        ...(priming > 0 ? { primingGL: priming } : {}),
        ...(check ? { bar20: check.verdict.bar20 } : {}),
        clear: draft.fields.clear === 'yes',
        ...(heated ? { heat: heated } : {}),
        emptied: isAll
      })
    ];
    return [
      `${count} bottles of ${batch.state.name}. ${stopped ? 'They may burst: keep them cold and covered, and see Today.' : 'Stand them a few days, then lay them down.'}`,
      deed
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Bottle">
  <VesselPick {batch} value={fill?.vesselId ?? ''} onset={(v) => draft.set('from', v)} label="From" />
  <div class="grid grid-cols-2 gap-3">
    <Text {draft} at="count" label="Bottles" placeholder={String(guess)} mode="numeric" />
    <Text {draft} at="size" label="Each holds" />
    <Pick {draft} at="type" label="Kind" options={Object.entries(BOTTLES).map(([id, b]) => [id, b.name])} />
    <Text {draft} at="priming" label="Sugar for fizz, g/L" placeholder="none" mode="decimal" />
  </div>
  {#if size === null}<p class="text-rosehip" role="alert">
      “{draft.fields.size}” is no size: write 750 mL, or 0.75.
    </p>{/if}
  {#if restL > 0.05}
    <RestCheck {restL} {isAll} where="where it is" onset={(v) => draft.set('rest', v)} />
  {/if}
  <label class="flex min-h-11 items-center gap-3"
    ><input
      type="checkbox"
      class="checkbox"
      checked={draft.fields.clear === 'yes'}
      onchange={(e) => draft.set('clear', e.currentTarget.checked ? 'yes' : '')}
    /> It is clear and drops no more</label
  >
  <HeatFields batchId={batch.id} {draft} />
  {#if check}<Pressure {check} {known} />{/if}
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
    scene={{ intoGlass: true, isAlive: !stopped && !!fill && !readsDry(fill).isDry }}
  />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button
    class="btn {stopped ? 'btn-error' : 'btn-primary'}"
    disabled={stopped && draft.fields.understood !== 'yes'}
    >{stopped ? 'Bottle it all the same' : 'It is bottled'}</button
  >
</form>
