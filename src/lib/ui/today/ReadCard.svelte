<script lang="ts">
  import { logGravity } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { areAlike } from '$core/ledger/operations';
  import { InputError } from '$core/units/input-error';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { readStem } from '../field/stem';
  import StemAsk from '../field/StemAsk.svelte';
  import { tell } from '../nav/said.svelte';

  /** One number: the gravity. The last one is there to say “same”. */
  let { batch }: { batch: Batch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`today-read:${batch.id}`, {
    sg: '',
    vessel: areAlike(batch.state.fills) ? (batch.state.fills[0]?.vesselId ?? '') : ''
  });
  const fills = $derived(batch.state.fills);
  const vessel = $derived(fills.length > 1 ? draft.fields.vessel : (fills[0]?.vesselId ?? ''));
  /** The last of this vessel, to say “same”. */
  const last = $derived(
    fills
      .find((f) => f.vesselId === vessel)
      ?.reads.at(-1)
      ?.sg.toFixed(3) ??
      (fills.length > 1 || !batch.standing.sg?.measured ? '' : batch.standing.sg.sg.toFixed(3))
  );

  async function save(text: string) {
    const ok = await tell(`${batch.state.name}: ${text} written down.`, async (sure) => {
      if (fills.length > 1 && !vessel)
        throw new InputError(`${batch.state.name} stands in several vessels.`, 'Say which one was read.');
      const { sg, bx } = readStem(text, 'sg', household.settings, batch.state);
      return logGravity(
        batch.id,
        sg,
        null,
        household.settings,
        { sure },
        {
          ...(fills.length > 1 ? { vesselId: vessel } : {}),
          ...(bx === null ? {} : { refractometerBx: bx })
        }
      );
    });
    if (ok) await draft.done();
  }
</script>

<form
  class="flex flex-wrap items-end gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void save(draft.fields.sg || last);
  }}
>
  <VesselPick {batch} value={draft.fields.vessel} onset={(v) => draft.set('vessel', v)} label="Read from" />
  <input
    class="field number w-28! text-[1.25rem]!"
    inputmode="decimal"
    autocomplete="off"
    aria-label="Gravity of {batch.state.name}"
    placeholder={last || '1.0__'}
    value={draft.fields.sg}
    oninput={(e) => draft.set('sg', e.currentTarget.value)}
  />
  <button class="btn btn-primary" disabled={!draft.fields.sg && !last}
    >{draft.fields.sg || !last ? 'Read' : `Same, ${last}`}</button
  >
</form>
<StemAsk text={draft.fields.sg} on="sg" />
