<script lang="ts">
  import { page } from '$app/state';
  import { wishesOf } from '$core/cellar/wishes';
  import { taste } from '$core/commands/observe';
  import { letGo } from '$core/commands/cellar';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { dayWord } from '../shelf/when';
  import SweetSharp from '../finish/SweetSharp.svelte';
  import Chip from './Chip.svelte';
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
    of: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone?.());

  const picked = $derived(new Set(draft.fields.words.split(' ').filter(Boolean)));
  const wanted = $derived(
    draft.fields.sweet === ''
      ? null
      : { sweetGL: Number(draft.fields.sweet), taGL: Number(draft.fields.sharp) }
  );
  const fillings = $derived(batch.state.bottled.filter((b) => b.left > 0));
  /** The one that was opened: what is said is said of it. */
  const filling = $derived(
    fillings.find((b) => b.eventId === (draft.fields.of || page.url.searchParams.get('filling'))) ??
      fillings.at(-1) ??
      null
  );
  const isOpened = $derived(draft.fields.opened !== 'no' && filling !== null);
  const stood = $derived(stoodNow(batch, isOpened ? (filling?.eventId ?? null) : null));
  const wishes = $derived(stood ? wishesOf({ words: [...picked], wanted }, stood) : null);
  /** Where it would have been right: as it was tapped, else where the words point. */
  const aim = $derived(
    wanted ??
      (stood && {
        sweetGL: wishes?.sweetGL ?? stood.sweetGL,
        taGL: stood.taGL + (wishes?.acid ?? 0)
      })
  );
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
      ...(at ? { when: at as 'young' } : {}),
      ...(isOpened && fillings.length > 1 ? { bottleId: filling!.eventId } : {})
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
        target={aim ?? stood}
        then={aim ?? stood}
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
      <Chip
        label="{n} of 5"
        isOn={draft.fields.liking === n}
        ontap={() => draft.set('liking', draft.fields.liking === n ? '' : n)}>{n}</Chip
      >
    {/each}
  </fieldset>
  <fieldset class="flex flex-wrap items-center gap-1.5">
    <legend class="head mb-1">It is</legend>
    {#each WHEN as [id, name] (id)}
      <Chip isOn={draft.fields.at === id} ontap={() => draft.set('at', draft.fields.at === id ? '' : id)}
        >{name}</Chip
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
  {#if fillings.length > 1}
    <label class="grid gap-1 font-semibold"
      >Which bottles<select
        class="field"
        value={filling?.eventId}
        onchange={(e) => draft.set('of', e.currentTarget.value)}
        >{#each fillings as b (b.eventId)}<option value={b.eventId}
            >filled {dayWord(b.at, household.now, batch.state.zone)}, {b.left} left</option
          >{/each}</select
      ></label
    >
  {/if}
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
