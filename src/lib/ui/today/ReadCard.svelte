<script lang="ts">
  import { readGravity } from '$core/commands/observe';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft, FOR_NOW_MS } from '../field/draft.svelte';
  import { leastRead } from '$core/ledger/last-read';
  import { mayStandAt } from '$core/belief/how-far';
  import { areAlike } from '$core/ledger/operations';
  import { InputError } from '$core/units/input-error';
  import VesselPick from '../vessel/VesselPick.svelte';
  import { readNote } from '../reading/read-note';
  import { readStem } from '$core/commands/stem';
  import StemAsk from '../field/StemAsk.svelte';
  import { tell } from '../nav/said.svelte';

  /** One number: the gravity. The last one is there to say “same”, where it may well stand there still. */
  let { batch }: { batch: Batch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`today-read:${batch.id}`, { sg: '', vessel: '' }, FOR_NOW_MS);
  const fills = $derived(batch.state.fills);
  /** As it is chosen; else the one that was read longest ago, where they are alike. */
  const vessel = $derived(
    fills.some((f) => f.vesselId === draft.fields.vessel)
      ? draft.fields.vessel
      : areAlike(fills)
        ? (leastRead(batch.state)?.vesselId ?? '')
        : ''
  );
  /** The last of this vessel. */
  const before = $derived(
    fills.find((f) => f.vesselId === vessel)?.reads.at(-1)?.sg ??
      (fills.length > 1 || !batch.standing.sg?.measured ? null : batch.standing.sg.sg)
  );
  /** To say “same” by one tap. What is believed of all of it is of today; of one jar it is of the day it was written of. */
  const last = $derived(
    before !== null && mayStandAt(before, batch.standing.belief) ? before.toFixed(3) : ''
  );

  async function save(text: string) {
    const ok = await tell(`${batch.state.name}: ${text} written down.`, async () => {
      if (fills.length > 1 && !vessel)
        throw new InputError(`${batch.state.name} stands in several vessels.`, 'Say which one was read.');
      // The reader of lines comes when a line is said.
      const { saidOf } = await import('../quick/said-of');
      const said = saidOf(text, batch, fills.length > 1 ? vessel : undefined);
      if (said) return said;
      const { sg, bx } = readStem(text, 'sg', household.settings, batch.state);
      return readGravity(batch.id, sg, null, household.settings.hydrometer, {
        vesselId: fills.length > 1 ? vessel : undefined,
        refractometerBx: bx ?? undefined
      });
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
  <VesselPick
    {batch}
    value={vessel}
    onset={(v) => draft.set('vessel', v)}
    label="Read from"
    note={readNote(batch)}
  />
  <input
    class="field number w-28! text-[1.25rem]!"
    inputmode="decimal"
    autocomplete="off"
    aria-label="Gravity of {batch.state.name}"
    placeholder={before?.toFixed(3) ?? '1.0__'}
    value={draft.fields.sg}
    oninput={(e) => draft.set('sg', e.currentTarget.value)}
  />
  <button class="btn btn-primary" disabled={!draft.fields.sg && !last}
    >{draft.fields.sg || !last ? 'Read' : `Same, ${last}`}</button
  >
</form>
<StemAsk text={draft.fields.sg} on="sg" />
