<script lang="ts">
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import { note, taste } from '$core/commands/observe';
  import type { Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { createWriteDown } from '../field/write-down.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`note:${batch.id}`, { text: '', liking: '', next: '', when: '' });
  const form = createWriteDown(draft, () => ondone());

  const save = form.submit(() => {
    const { text, liking, next } = draft.fields;
    // A word to oneself, with nothing tasted.
    if (!liking && !text.trim() && next.trim()) return ['Kept for next time.', note(batch.id, next, true)];
    if (!liking && !next.trim()) return ['Noted.', note(batch.id, text)];
    return ['Tasting written down.', taste(batch.id, text, liking ? Number(liking) : null, next)];
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
  <div class="grid grid-cols-[8rem_minmax(0,1fr)] gap-3">
    <Pick
      {draft}
      at="liking"
      label="Tasted, 1 to 5"
      options={[['', 'no'], ...['1', '2', '3', '4', '5'].map((n) => [n, n] as const)]}
    />
    <Text {draft} at="next" label="Next time" placeholder="less lemon" />
  </div>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
