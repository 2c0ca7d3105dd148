<script lang="ts">
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/number';
  import { look } from '$core/commands/observe';
  import { LOOKS } from '$core/ledger/events/observation';
  import { parseTemperature } from '$core/units/parse';
  import { household, type Batch } from '$lib/store/household.svelte';
  import Pick from '../field/Pick.svelte';
  import Text from '../field/Text.svelte';
  import WhenField from '../field/WhenField.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { createWriteDown } from '../field/write-down.svelte';
  import BubbleTimer from './BubbleTimer.svelte';
  import VesselPick from '../vessel/VesselPick.svelte';

  /** What can be told without any instrument: bubbles, cap, taste, clarity, smell. */
  let { batch, ondone }: { batch: Batch; ondone: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`look:${batch.id}`, {
    vessel: '',
    count: '',
    seconds: '60',
    cap: '',
    foam: '',
    taste: '',
    clarity: '',
    smell: '',
    surface: '',
    still: '',
    temp: '',
    when: ''
  });
  const form = createWriteDown(draft, () => ondone());
  const inBucket = $derived(batch.state.rackings.length === 0);

  const options = (of: Record<string, string>): [string, string][] => [
    ['', 'not said'],
    ...Object.entries(of)
  ];
  const number = (text: string, what: string): number | undefined => {
    if (!text.trim()) return undefined;
    const n = parseNumber(text);
    if (n === null || !(n >= 0))
      throw new InputError(`“${text}” is no number of ${what}.`, 'Give a plain number.');
    return n;
  };

  const save = form.submit(() => {
    const f = draft.fields;
    const count = number(f.count, 'bubbles');
    const seconds = number(f.seconds, 'seconds');
    if (count !== undefined && !seconds)
      throw new InputError('In how many seconds?', 'Count for a minute: 60.');
    return [
      'Written down.',
      look(batch.id, {
        vesselId: f.vessel || undefined,
        bubbles: count === undefined ? undefined : { count: Math.round(count), seconds: seconds! },
        cap: f.cap as keyof typeof LOOKS.cap,
        foam: f.foam as keyof typeof LOOKS.foam,
        taste: f.taste as keyof typeof LOOKS.taste,
        clarity: f.clarity as keyof typeof LOOKS.clarity,
        smell: f.smell as keyof typeof LOOKS.smell,
        surface: f.surface as keyof typeof LOOKS.surface,
        stillDays: number(f.still, 'days'),
        tempC: f.temp.trim() ? parseTemperature(f.temp, household.settings.temp) : undefined
      })
    ];
  });
</script>

<form class="grid gap-3" onsubmit={save} aria-label="Look, listen, taste">
  {#if batch.state.fills.length > 1}
    <VesselPick {batch} value={draft.fields.vessel} onset={(v) => draft.set('vessel', v)} label="Which" />
  {/if}
  {#if batch.state.fills.length > 0}
    <BubbleTimer
      ondone={(count, seconds) => {
        draft.set('count', String(count));
        draft.set('seconds', String(seconds));
      }}
    />
  {/if}
  <div class="grid grid-cols-2 gap-3">
    <Text {draft} at="count" label="Bubbles" placeholder="none counted" mode="numeric" />
    <Text {draft} at="seconds" label="in seconds" mode="numeric" />
    <Pick {draft} at="taste" label="Taste" options={options(LOOKS.taste)} />
    <Pick {draft} at="clarity" label="Through the glass" options={options(LOOKS.clarity)} />
    {#if inBucket}<Pick {draft} at="cap" label="Cap" options={options(LOOKS.cap)} />{/if}
    <Pick {draft} at="foam" label="Foam" options={options(LOOKS.foam)} />
    <Pick {draft} at="smell" label="Smell" options={options(LOOKS.smell)} />
    <Pick {draft} at="surface" label="On top" options={options(LOOKS.surface)} />
    <Text {draft} at="still" label="Days nothing moved" placeholder="not said" mode="numeric" />
    <Text
      {draft}
      at="temp"
      label="How warm, °{household.settings.temp}"
      placeholder="not said"
      mode="decimal"
    />
  </div>
  <WhenField value={draft.fields.when} onset={(v) => draft.set('when', v)} />
  {#if form.error}<p class="text-rosehip" role="alert">{form.error}</p>{/if}
  <button class="btn btn-primary">Write it down</button>
</form>
