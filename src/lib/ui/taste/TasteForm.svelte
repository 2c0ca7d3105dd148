<script lang="ts">
  import { wishesOf } from '$core/cellar/wishes';
  import { taste } from '$core/commands/observe';
  import { letGo } from '$core/commands/cellar';
  import type { OpenBatch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';
  import SweetSharp from '../finish/SweetSharp.svelte';
  import Elements from './Elements.svelte';
  import NextYear from './NextYear.svelte';
  import { stoodNow } from './tasted';

  /** A tasting: four elements by words, where it would have been right, how well it is liked, and what that changes. */
  let { batch, ondone }: { batch: OpenBatch; ondone?: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`taste:${batch.id}`, {
    words: '',
    text: '',
    liking: '',
    at: '',
    sweet: '',
    sharp: '',
    opened: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone?.());

  const stood = $derived(stoodNow(batch));
  const picked = $derived(new Set(draft.fields.words.split(' ').filter(Boolean)));
  const wanted = $derived(
    draft.fields.sweet === ''
      ? null
      : { sweetGL: Number(draft.fields.sweet), taGL: Number(draft.fields.sharp) }
  );
  const wishes = $derived(stood ? wishesOf({ words: [...picked], wanted }, stood) : null);
  const filling = $derived(batch.state.bottled.find((b) => b.left > 0) ?? null);
  const isOpened = $derived(draft.fields.opened !== 'no' && filling !== null);
  const WHEN = [
    ['young', 'too young'],
    ['ready', 'ready'],
    ['past', 'past its best']
  ] as const;

  function tap(id: string) {
    const next = new Set(picked);
    if (!next.delete(id)) next.add(id);
    draft.set('words', [...next].join(' '));
  }
  function move(to: { sweetGL: number; taGL: number }) {
    draft.set('sweet', to.sweetGL.toFixed(1));
    draft.set('sharp', to.taGL.toFixed(2));
  }

  const save = form.submit(() => {
    const { text, liking, at } = draft.fields;
    const deed = taste(batch.id, text, liking ? Number(liking) : null, '', {
      words: [...picked],
      ...(wanted ? { wanted } : {}),
      ...(at ? { when: at as 'young' } : {})
    });
    const danger = batch.dangers.find((d) => d.bottlingId === filling?.eventId) ?? null;
    const found = picked.has('prickles') ? ('fizzy' as const) : undefined;
    const bottle = isOpened
      ? letGo(batch.id, filling!, danger, { count: 1, ...(found ? { found } : {}) })
      : [];
    return ['Tasting written down.', [...deed, ...bottle]];
  });
</script>

<form class="grid gap-4" onsubmit={save} aria-label="Tasting">
  <Elements {picked} ontap={tap} />
  {#if stood}
    <div>
      <p class="head mb-1">Tap where it would have been right</p>
      <SweetSharp
        now={stood}
        target={wanted ?? stood}
        then={wanted ?? stood}
        name="Sweet and sharp: where it would have been right"
        onmove={move}
      />
      {#if wanted}<p class="small flex flex-wrap items-center gap-x-3">
          {wanted.sweetGL.toFixed(0)} g/L sweet for {stood.sweetGL.toFixed(0)}, {wanted.taGL.toFixed(1)} g/L sharp
          for {stood.taGL.toFixed(1)}
          <button
            type="button"
            class="btn btn-plain"
            onclick={() => {
              draft.set('sweet', '');
              draft.set('sharp', '');
            }}>right as it is</button
          >
        </p>{/if}
    </div>
  {/if}
  <fieldset class="flex flex-wrap items-center gap-1.5">
    <legend class="head mb-1">How well you like it</legend>
    {#each ['1', '2', '3', '4', '5'] as n (n)}
      <button
        type="button"
        class="number size-11 border-[1.5px] {draft.fields.liking === n
          ? 'border-ink bg-primary text-primary-content'
          : 'border-rule bg-paper'}"
        aria-pressed={draft.fields.liking === n}
        aria-label="{n} of 5"
        onclick={() => draft.set('liking', draft.fields.liking === n ? '' : n)}>{n}</button
      >
    {/each}
  </fieldset>
  <fieldset class="flex flex-wrap items-center gap-1.5">
    <legend class="head mb-1">It is</legend>
    {#each WHEN as [id, name] (id)}
      <button
        type="button"
        class="min-h-11 border-[1.5px] px-3 {draft.fields.at === id
          ? 'border-ink bg-primary font-semibold text-primary-content'
          : 'border-rule bg-paper'}"
        aria-pressed={draft.fields.at === id}
        onclick={() => draft.set('at', draft.fields.at === id ? '' : id)}>{name}</button
      >
    {/each}
  </fieldset>
  <label class="grid gap-1 font-semibold"
    >In your own words
    <textarea
      class="field"
      rows="2"
      maxlength="4000"
      value={draft.fields.text}
      oninput={(e) => draft.set('text', e.currentTarget.value)}></textarea>
  </label>
  {#if filling}
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox checkbox-sm"
        checked={isOpened}
        onchange={(e) => draft.set('opened', e.currentTarget.checked ? '' : 'no')}
      />A bottle was opened for it, {filling.left} left now</label
    >
  {/if}
  {#if wishes}<NextYear {batch} {wishes} stood={stood!} isShown />{/if}
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
