<script lang="ts">
  import Text from '../field/Text.svelte';
  import { pulpL } from '$core/must/strain';
  import { volumeOf } from '$core/ledger/state';
  import { volumeText } from '$core/units/format';
  import { parseAs } from '$core/units/parse';
  import { takeFruitOut } from '$core/commands/move';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { countryOf } from '$core/units/settings';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import WhenField from '../field/WhenField.svelte';

  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`fruit-out:${batch.id}`, {
    press: batch.state.plan.press ?? 'drip',
    volume: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const left = (press: 'drip' | 'squeeze' | 'press') =>
    volumeText(
      Math.max(0, volumeOf(batch.state) - pulpL(press, batch.state.pulpKg)),
      household.settings.volume
    );
  const WAYS = [
    ['drip', 'Let it drip', 'clear'],
    ['squeeze', 'Squeeze it', 'more wine, more sediment'],
    ['press', 'Press it', 'most wine, longest to clear']
  ] as const;

  const save = form.submit(() => {
    const volumeL = draft.fields.volume.trim()
      ? parseAs('volume', draft.fields.volume, household.settings.volume, countryOf(household.settings)).base
      : undefined;
    return [`${batch.state.name}: fruit out.`, takeFruitOut(batch.id, draft.fields.press as 'drip', volumeL)];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Fruit out">
  <fieldset class="grid gap-1">
    <legend class="sr-only">How it was taken out</legend>
    {#each WAYS as [id, name, effect] (id)}
      <label class="flex min-h-11 items-center gap-3">
        <input
          type="radio"
          class="radio"
          name="press"
          value={id}
          checked={draft.fields.press === id}
          onchange={() => draft.set('press', id)}
        />
        <span><b>{name}</b>: about {left(id)}, {effect}</span>
      </label>
    {/each}
  </fieldset>
  <Text
    {draft}
    at="volume"
    label="What is left, if you measured it"
    placeholder={left(draft.fields.press as 'drip')}
    mode="decimal"
  />
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Fruit is out</button>
</form>
