<script lang="ts">
  import { look } from '$core/commands/observe';
  import { LOOKS } from '$core/ledger/events/observation';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/number';
  import type { Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { tell } from '../nav/said.svelte';

  /** For who owns no hydrometer: bubbles in a minute, or a taste. */
  let { batch }: { batch: Batch } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`today-look:${batch.id}`, { count: '', taste: '' });
  const nothing = $derived(!draft.fields.count.trim() && !draft.fields.taste);

  async function save() {
    const { count, taste } = draft.fields;
    const ok = await tell(`${batch.state.name}: written down.`, () => {
      const bubbles = count.trim() ? parseNumber(count) : undefined;
      if (bubbles === null || (bubbles !== undefined && !(bubbles >= 0)))
        throw new InputError(`“${count}” is no number of bubbles.`, 'Count them for a minute.');
      return look(batch.id, {
        bubbles: bubbles === undefined ? undefined : { count: Math.round(bubbles), seconds: 60 },
        taste: (taste || undefined) as keyof typeof LOOKS.taste | undefined
      });
    });
    if (ok) await draft.done();
  }
</script>

<form
  class="flex max-w-full min-w-0 flex-wrap items-center gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void save();
  }}
>
  <label class="flex items-center gap-2 text-[0.9375rem]"
    ><input
      class="field number w-20! text-[1.25rem]!"
      inputmode="numeric"
      autocomplete="off"
      aria-label="Bubbles of {batch.state.name} in a minute"
      value={draft.fields.count}
      oninput={(e) => draft.set('count', e.currentTarget.value)}
    /> bubbles a minute</label
  >
  <select
    class="field w-auto! max-w-full min-w-0"
    aria-label="Taste of {batch.state.name}"
    value={draft.fields.taste}
    onchange={(e) => draft.set('taste', e.currentTarget.value)}
  >
    <option value="">not tasted</option>
    {#each Object.entries(LOOKS.taste) as [id, text] (id)}<option value={id}>{text}</option>{/each}
  </select>
  <button class="btn btn-primary" disabled={nothing}>Looked</button>
</form>
