<script lang="ts">
  import { massText } from '$core/units/format';
  import { isBrewing } from '$core/steps/brewing';
  import { acidEach } from '$core/ledger/acid-of';
  import { hasMust } from '$core/ledger/state';
  import { mustColour } from '$core/plan/colour';
  import { temperatureText } from '$core/units/format';
  import { doStep, formOf } from '$core/steps/do-step';
  import { household, type OpenBatch } from '$lib/store/household.svelte';
  import AcidTag from './AcidTag.svelte';
  import Actions from './Actions.svelte';
  import BatchSentence from './BatchSentence.svelte';
  import type { StepId } from '$core/tables/step-id';
  import type { FormId } from './form-of';
  import History from './History.svelte';
  import KeepMade from '../recipe/KeepMade.svelte';
  import SaveText from './SaveText.svelte';
  import NextTags from './NextTags.svelte';
  import BatchVessels from '../vessel/BatchVessels.svelte';
  import Ahead from '../chart/Ahead.svelte';
  import { tell } from '../nav/said.svelte';
  import ThroughTime from '../ribbon/ThroughTime.svelte';
  import Ribbon from '../ribbon/Ribbon.svelte';
  import Tag from '../tag/Tag.svelte';
  import TroubleCard from './TroubleCard.svelte';
  import DangerCard from '../caution/DangerCard.svelte';
  import Doubts from './Doubts.svelte';
  import NextYear from '../taste/NextYear.svelte';
  import { instruments } from '$lib/store/instruments.svelte';
  import { lastWishes } from '../taste/tasted';
  import { historyOf } from '$core/ledger/run';
  import { tooCold, whyAbvDiffers } from '$core/belief/standing';
  import { unreadWord } from '../words/how-far';

  /** All of one batch. Made anew for each, so that no form outlives its batch. */
  let { batch, asked }: { batch: OpenBatch; asked: FormId | null } = $props();

  // svelte-ignore state_referenced_locally
  let form = $state<FormId | null>(asked);

  /** A brew day that was begun as one, and is not over: nothing has fermented or moved yet. */
  const brewing = $derived(isBrewing(batch.state));
  const isEmpty = $derived(!hasMust(batch.state));
  /** Where its sugar is: as it was read, or as it likely is where nobody has. */
  const sugar = $derived.by(() => {
    const { sugarKg, belief, volumeL } = batch.standing;
    if (says.reading !== 'never' || !belief) return sugarKg;
    const all = sugarKg.turned + sugarKg.dissolved;
    const left = Math.min(all, (belief.sugarGL.likely * volumeL) / 1000);
    return { ...sugarKg, turned: all - left, dissolved: left };
  });
  const colour = $derived(mustColour(batch.state.plan.ingredients));
  const events = $derived(batch.events);
  /** What each event did: reckoned when an event comes, not when time goes by. */
  const effects = $derived(historyOf(events, Infinity));
  const cold = $derived(tooCold(batch.state));
  const why = $derived(whyAbvDiffers(batch.state, batch.standing));
  const dangers = $derived(batch.dangers);
  const says = $derived(batch.says);
  const lesson = $derived(lastWishes(batch));

  async function act(step: StepId) {
    const wanted = formOf(batch.state, step);
    if (wanted) {
      form = wanted;
      document.getElementById('actions')?.scrollIntoView({ block: 'nearest' });
    } else await tell('Done.', () => doStep(batch.state, step, batch.standing.belief));
  }
</script>

{#if isEmpty}
  <h1 class="sentence pt-2 font-normal" data-testid="batch-sentence">
    <b>{batch.state.name}.</b> Begun, with nothing in the bucket yet.
  </h1>
  <p class="mt-2 mb-6">
    <a class="btn btn-primary" href="/batches/{batch.id}/brew">Go on with the brew day</a>
  </p>
  <History {batch} {effects} />
{:else}
  <BatchSentence {batch} />
  {#each dangers as danger (danger.bottlingId)}<DangerCard {batch} {danger} />{/each}
  <Doubts {batch} />
  {#if brewing}
    <p class="mt-1"><a class="btn btn-primary" href="/batches/{batch.id}/brew">Go on with the brew day</a></p>
  {/if}
  <div class="mt-2 grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,25rem)]">
    <div class="grid grid-cols-1 content-start gap-4 max-lg:order-2">
      <div
        class="grid gap-x-6 gap-y-4 {batch.state.fills.length > 0 ? 'xl:grid-cols-[minmax(0,1fr)_auto]' : ''}"
      >
        <div class="min-w-0">
          <p class="head mb-1">Gravity</p>
          <Ahead state={batch.state} standing={batch.standing} />
        </div>
        {#if batch.state.fills.length > 0 && batch.state.fills.length < 3}
          <div>
            <p class="head mb-1 flex justify-between gap-3">
              <span>Where it stands, to scale</span><a
                href="/batches/{batch.id}/tag"
                class="underline underline-offset-4">tags</a
              >
            </p>
            <BatchVessels state={batch.state} />
          </div>
        {/if}
      </div>
      {#if batch.state.fills.length >= 3}
        <div>
          <p class="head mb-1">Where it stands, to scale</p>
          <BatchVessels state={batch.state} />
        </div>
      {/if}
      {#if batch.state.fills.length > 0}<Ribbon
          title="Where the sugar went"
          total="{massText(
            sugar.turned + sugar.dissolved + sugar.held,
            household.settings.mass
          )} of grape sugar in all"
          pieces={[
            {
              label:
                says.hasStrength || (says.reading === 'never' && batch.standing.belief)
                  ? `alcohol: ${says.hasStrength ? '' : 'about '}${batch.standing.abv.likely.toFixed(1)} %`
                  : 'alcohol',
              kg: sugar.turned,
              colour: colour.fruit
            },
            {
              label:
                says.reading === 'never' && batch.standing.belief
                  ? `likely left in it: ${batch.standing.belief.sugarGL.likely.toFixed(0)} g/L`
                  : says.reading === 'never' || says.unreadIds.length > 0
                    ? 'went in; how much of it is left nobody has read'
                    : `in the ${batch.standing.stage === 'must' ? 'must' : 'wine'}: ${batch.standing.residualGL.toFixed(0)} g/L`,
              kg: sugar.dissolved,
              colour: '#e3cb93'
            },
            { label: 'still in the fruit', kg: sugar.held, colour: colour.fruit, hatched: true }
          ].filter((p) => p.kg > 0.002)}
        />{/if}
      {#if says.reading !== 'never'}
        <ThroughTime
          title={batch.state.fills.length > 0 ? undefined : 'Where the sugar went, day by day'}
          {effects}
          to={batch.state.bottled.at(-1)?.at ?? household.now}
          {colour}
        />
      {/if}
      <History {batch} {effects} />
      <KeepMade {batch} />
      <SaveText {batch} />
    </div>
    <div class="grid grid-cols-1 content-start gap-3 max-lg:order-1">
      <Actions {batch} bind:form />
      {#if instruments.list.some((i) => i.batchId === batch.id)}{#await import('../instruments/Heard.svelte') then { default: Heard }}<Heard
            {batch}
          />{/await}{/if}
      {#each batch.troubles as trouble (trouble.id)}<TroubleCard {batch} {trouble} onact={act} />{/each}
      {#if lesson && form !== 'taste'}<NextYear
          {batch}
          wishes={lesson.wishes}
          stood={lesson.stood}
          since={lesson.tasted.at}
        />{/if}
      <NextTags {batch} onact={act} />
      {#if batch.standing.stage !== 'bottled'}
        {#each acidEach(batch.state) as fill (fill.vesselId)}<AcidTag {batch} {fill} />{:else}<AcidTag
            {batch}
          />{/each}
      {/if}
      {#if cold && batch.standing.stage === 'fermenting'}<Tag tone="caution" compact
          >{temperatureText(cold.tempC, household.settings.temp)} is cold for this yeast: it may stop short. Warm
          it over
          {temperatureText(cold.wantsC + 4, household.settings.temp)}.</Tag
        >{/if}
      {#if why}<Tag tone="good" compact>{why}</Tag>{/if}
      {#if says.notDry}
        <Tag tone="caution" compact
          >{batch.standing.sg!.sg.toFixed(3)} is not dry yet: about {batch.standing.residualGL.toFixed(0)} g/L of
          sugar is left{says.isStable
            ? '; sulphite and sorbate hold it'
            : says.hasBoth
              ? '; sulphite and sorbate went in before it was finished, and may not hold it'
              : ', and the yeast is alive'}.</Tag
        >
      {/if}
      {#if says.reading === 'never' && says.stage !== 'must'}
        <Tag tone="caution" compact
          >{unreadWord(batch.state)}: what it holds is by the sums. One reading, spun and at eye level, would
          tell; so would {batch.state.looks.some((l) => l.taste)
            ? 'its bubbles counted for a minute'
            : 'a taste, or its bubbles counted for a minute'}.</Tag
        >
      {/if}
    </div>
  </div>
{/if}
