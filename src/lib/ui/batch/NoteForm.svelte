<script lang="ts">
  import { explain } from '$core/units/input-error';
  import { logNote } from '$lib/store/actions';
  import type { Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { sayDone } from '../nav/said.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`note:${batch.id}`, { text: '' });
  let error = $state('');

  async function save(e: SubmitEvent) {
    e.preventDefault();
    try {
      const event = await logNote(batch.id, draft.fields.text);
      await draft.done();
      sayDone('Noted.', event);
      ondone();
    } catch (err) {
      error = explain(err);
    }
  }
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Note">
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >What you saw, smelled, did
    <!-- svelte-ignore a11y_autofocus -->
    <textarea
      class="field"
      rows="3"
      autofocus
      maxlength="4000"
      value={draft.fields.text}
      oninput={(e) => draft.set('text', e.currentTarget.value)}></textarea>
  </label>
  {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
