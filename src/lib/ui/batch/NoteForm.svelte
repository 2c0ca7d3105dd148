<script lang="ts">
  import { logNote, logTasting } from '$lib/store/actions';
  import type { Batch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { createWriteDown } from '../field/write-down.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  const draft = createDraft(`note:${batch.id}`, { text: '', liking: '', next: '', when: '' });
  const form = createWriteDown(draft, () => ondone());

  const save = form.submit(async (when) => {
    const { text, liking, next } = draft.fields;
    // A word to oneself, with nothing tasted.
    if (!liking && !text.trim() && next.trim())
      return ['Kept for next time.', await logNote(batch.id, next, when, true)] as const;
    if (!liking && !next.trim()) return ['Noted.', await logNote(batch.id, text, when)] as const;
    return [
      'Tasting written down.',
      await logTasting(batch.id, text, liking ? Number(liking) : null, next, when)
    ] as const;
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
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Tasted, 1 to 5
      <select
        class="field"
        value={draft.fields.liking}
        onchange={(e) => draft.set('liking', e.currentTarget.value)}
        ><option value="">no</option>{#each ['1', '2', '3', '4', '5'] as n (n)}<option>{n}</option
          >{/each}</select
      >
    </label>
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Next time
      <input
        class="field"
        maxlength="1000"
        placeholder="less lemon"
        value={draft.fields.next}
        oninput={(e) => draft.set('next', e.currentTarget.value)}
      />
    </label>
  </div>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
