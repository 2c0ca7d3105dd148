<script lang="ts">
  import { logNote } from '$lib/store/actions';
  import type { Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`note:${batch.id}`, { text: '' });
  const form = createWriteDown(draft, () => ondone());

  const save = form.submit(async () => {
    const event = await logNote(batch.id, draft.fields.text);
    return ['Noted.', event] as const;
  });
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
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
