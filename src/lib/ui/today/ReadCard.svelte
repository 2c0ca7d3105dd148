<script lang="ts">
  import { parseGravity } from '$core/units/parse';
  import { logGravity } from '$lib/store/actions';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { tell } from '../nav/said.svelte';

  /** One number: the gravity. The last one is there to say “same”. */
  let { batch }: { batch: Batch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`today-read:${batch.id}`, { sg: '' });
  const last = $derived(batch.standing.sg?.measured ? batch.standing.sg.sg.toFixed(3) : '');

  async function save(text: string) {
    const ok = await tell(`${batch.state.name}: read.`, () =>
      logGravity(batch.id, parseGravity(text), null, household.settings)
    );
    if (ok) await draft.done();
  }
</script>

<form
  class="flex gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void save(draft.fields.sg || last);
  }}
>
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
    >{draft.fields.sg || !last ? 'Read' : 'Same'}</button
  >
</form>
