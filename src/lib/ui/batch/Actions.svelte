<script lang="ts">
  import { bottlesLeft } from '$core/ledger/state';
  import { stir } from '$core/commands/put';
  import { doStep } from '$core/steps/do-step';
  import type { OpenBatch } from '$lib/store/household.svelte';
  import type { StepId } from '$core/tables/step-id';
  import { openQuick } from '../nav/quick.svelte';
  import { tell } from '../nav/said.svelte';
  import AddForm from './AddForm.svelte';
  import BottleForm from './BottleForm.svelte';
  import FruitOutForm from './FruitOutForm.svelte';
  import LookForm from './LookForm.svelte';
  import NoteForm from './NoteForm.svelte';
  import PitchForm from './PitchForm.svelte';
  import RackForm from './RackForm.svelte';
  import ReadForm from '../reading/ReadForm.svelte';
  import BlendForm from '../finish/BlendForm.svelte';
  import ClearForm from '../finish/ClearForm.svelte';
  import StabiliseForm from '../finish/StabiliseForm.svelte';
  import TrialForm from '../finish/TrialForm.svelte';
  import SweetenForm from '../finish/SweetenForm.svelte';
  import SteepForm from './SteepForm.svelte';
  import TakeForm from './TakeForm.svelte';
  import TopUpForm from './TopUpForm.svelte';
  import TasteForm from '../taste/TasteForm.svelte';
  import OpenCard from '../today/OpenCard.svelte';
  import WarmthCard from '../today/WarmthCard.svelte';
  import type { FormId } from './form-of';

  let { batch, form = $bindable() }: { batch: OpenBatch; form: FormId | null } = $props();

  const inBucket = $derived(batch.state.rackings.length === 0);
  const hasFruit = $derived(batch.state.fruitInAt !== null && batch.state.fruitOutAt === null);
  // Who owns no hydrometer bottles too: the way is there, and warns.
  const canBottle = $derived(batch.state.fills.length > 0 && (!inBucket || !hasFruit));
  /** What is all in bottles is neither racked nor fed. */
  const isThere = $derived(batch.state.fills.length > 0 || batch.state.bottled.length === 0);
  const all = $derived<[FormId, string, boolean][]>([
    ['read', 'Read gravity', true],
    ['look', 'Look, taste', true],
    ['pitch', batch.state.pitches.length > 0 ? 'Pitch again' : 'Yeast in', isThere],
    ['fruit-out', 'Fruit out', hasFruit],
    ['rack', 'Rack', isThere],
    ['add', 'Add', isThere],
    ['top-up', 'Top up', !inBucket && isThere],
    ['steep', batch.state.steeps.some((s) => s.outAt === null) ? 'Steeping' : 'Steep', !inBucket && isThere],
    ['clear', 'Clear', !inBucket && batch.state.fills.length > 0],
    ['stabilise', 'Stabilise', !inBucket && batch.state.fills.length > 0],
    ['sweeten', 'Sweeten', !inBucket && batch.state.fills.length > 0],
    ['trial', 'In glasses', !inBucket && batch.state.fills.length > 0],
    ['blend', 'Blend', !inBucket && batch.state.fills.length > 0],
    ['take', 'Sample, loss', isThere],
    ['open', 'Open a bottle', bottlesLeft(batch.state) > 0],
    ['taste', 'Taste it', batch.state.bottled.length > 0 || !inBucket],
    ['note', 'Note', true],
    ['photo', 'Photo', true],
    ['bottle', 'Bottle', canBottle]
  ]);
  const NAMES: Record<FormId, string> = {
    read: 'Read gravity',
    pitch: 'Yeast in',
    'fruit-out': 'Fruit out',
    rack: 'Rack',
    split: 'Some into another vessel',
    open: 'Open a bottle',
    taste: 'Taste it',
    add: 'Add',
    'top-up': 'Top up',
    steep: 'Second fruit, oak, hops',
    take: 'Sample, loss, measure',
    note: 'Note',
    photo: 'Photo',
    look: 'Look, listen, taste',
    warmth: 'How warm it is',
    clear: 'Clear it',
    stabilise: 'Stabilise',
    sweeten: 'Sweeten',
    blend: 'Blend',
    trial: 'Try it in glasses',
    bottle: 'Bottle'
  };
  const done = () => (form = null);
  const step = (id: StepId, text: string) => tell(text, () => doStep(batch.state, id, batch.standing.belief));
</script>

<section aria-label="Write down" id="actions">
  {#if form}
    <div class="border-[1.5px] border-ink bg-slip p-4">
      <div class="mb-2 flex items-center justify-between">
        <h2 class="text-[1.25rem]">{NAMES[form]}</h2>
        {#if form === 'add'}<button
            class="btn btn-plain"
            onclick={() => openQuick(`${batch.state.name.toLowerCase()}: added `)}>Several at once</button
          >{/if}
        {#if form === 'bottle'}<a class="btn btn-plain" href="/batches/{batch.id}/bottling">Card by card</a
          >{/if}
        <button class="btn btn-plain" onclick={done}>Close</button>
      </div>
      {#if form === 'read'}<ReadForm {batch} ondone={done} />
      {:else if form === 'pitch'}<PitchForm {batch} ondone={done} />
      {:else if form === 'fruit-out'}<FruitOutForm {batch} ondone={done} />
      {:else if form === 'rack' || form === 'split'}<RackForm {batch} ondone={done} />
      {:else if form === 'open'}<OpenCard {batch} ondone={done} />
      {:else if form === 'taste'}<TasteForm {batch} ondone={done} />
      {:else if form === 'add'}<AddForm {batch} ondone={done} />
      {:else if form === 'top-up'}<TopUpForm {batch} ondone={done} />
      {:else if form === 'steep'}<SteepForm {batch} ondone={done} />
      {:else if form === 'take'}<TakeForm {batch} ondone={done} />
      {:else if form === 'look'}<LookForm {batch} ondone={done} />
      {:else if form === 'warmth'}<WarmthCard {batch} ondone={done} />
      {:else if form === 'clear'}<ClearForm {batch} ondone={done} />
      {:else if form === 'stabilise'}<StabiliseForm {batch} ondone={done} />
      {:else if form === 'sweeten'}<SweetenForm
          {batch}
          ondone={done}
          onstabilise={() => (form = 'stabilise')}
        />
      {:else if form === 'trial'}<TrialForm {batch} ondone={done} />
      {:else if form === 'blend'}<BlendForm {batch} ondone={done} />
      {:else if form === 'photo'}{#await import('../photo/PhotoForm.svelte') then { default: PhotoForm }}<PhotoForm
            {batch}
            ondone={done}
          />{/await}
      {:else if form === 'note'}<NoteForm {batch} ondone={done} />
      {:else}<BottleForm {batch} ondone={done} />{/if}
    </div>
  {:else}
    <div class="flex flex-wrap gap-2">
      {#if inBucket}<button
          class="btn btn-line"
          onclick={() => tell(`${batch.state.name}: stirred.`, () => stir(batch.id))}>Stirred</button
        >{/if}
      {#each all.filter(([, , on]) => on) as [id, label] (id)}
        <button
          class="btn {id === (isThere ? 'read' : 'taste') ? 'btn-primary' : 'btn-line'}"
          onclick={() => (form = id)}>{label}</button
        >
      {/each}
      {#if canBottle && batch.due.some((d) => d.step.id === 'bottle')}<a
          class="btn btn-line"
          href="/batches/{batch.id}/bottling">Bottling day</a
        >{/if}
      {#if batch.state.bottled.length > 0}<a class="btn btn-line" href="/batches/{batch.id}/labels">Labels</a
        >{/if}
      {#if batch.due.some((d) => d.step.id === 'campden')}<button
          class="btn btn-line"
          onclick={() => step('campden', 'Sulphite in.')}>Sulphite in</button
        >{/if}
      {#if batch.due.some((d) => d.step.id === 'enzyme')}<button
          class="btn btn-line"
          onclick={() => step('enzyme', 'Enzyme in.')}>Enzyme in</button
        >{/if}
    </div>
  {/if}
</section>
