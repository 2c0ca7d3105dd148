<script lang="ts">
  import { keepDraft, readDraft } from '$lib/store/draft';
  import { onMount } from 'svelte';
  import { brewDone, cardStates, changedBy, currentCard, isBrewed, redosed } from '$core/steps/brew-done';
  import { brewCards, type BrewCard } from '$core/steps/brew';
  import { mustColour } from '$core/plan/colour';
  import { mustLike } from '$core/steps/stages';
  import { foamShareOf } from '$core/vessels/vessels';
  import VesselDrawing from '../vessel/VesselDrawing.svelte';
  import { evaluate } from '$core/must/evaluate';
  import { nameOf } from '$core/plan/name';
  import { amountOf, type Ingredient } from '$core/plan/plan';
  import { own } from '$lib/ui/words/own-units';
  import { massText } from '$core/units/format';
  import { volumeText } from '$core/units/format';
  import { vesselById, household, type OpenBatch } from '$lib/store/household.svelte';
  import { startTimer, tick } from '$core/commands/tick';
  import { takeBack, tell } from '../nav/said.svelte';
  import { whenWord } from '../shelf/when';
  import { keepAwake } from './awake';
  import { clocksOf } from './clocks';
  import { leftText } from '../words/spans';
  import CoolCard from './CoolCard.svelte';
  import DoneList from './DoneList.svelte';
  import KitCard from './KitCard.svelte';
  import Progress from './Progress.svelte';
  import ReadLoop from './ReadLoop.svelte';
  import TagCard from './TagCard.svelte';
  import WeighCard from './WeighCard.svelte';

  /** The day a must is made: one large card at a time, for a tablet propped against the bread bin. */
  let { batch }: { batch: OpenBatch } = $props();

  let now = $state(Date.now());
  onMount(() => {
    const clock = setInterval(() => (now = Date.now()), 1000);
    const sleep = keepAwake();
    return () => {
      clearInterval(clock);
      sleep();
    };
  });

  const done = $derived(brewDone(batch.events));
  const plan = $derived(redosed(batch.state.plan, done));
  const planned = $derived(batch.events.find((e) => e.type === 'planned'));
  const vessel = $derived(vesselById(planned?.type === 'planned' ? planned.data.vesselId : ''));
  const cards = $derived(brewCards(plan, vessel?.name ?? 'bucket'));
  const states = $derived(cardStates(cards, done, now));
  /** Cards that were put off for now, while others can be done. */
  let putOff = $state<string[]>([]);
  const laterKey = $derived(`brew-later:${batch.id}`);
  $effect(() => {
    void readDraft(laterKey).then((kept) => {
      if (Array.isArray(kept)) putOff = kept.filter((id) => typeof id === 'string');
    });
  });
  function later(id: string) {
    putOff = [...putOff, id];
    keepDraft(laterKey, $state.snapshot(putOff));
  }
  const card = $derived(
    currentCard(
      cards.filter((c) => !putOff.includes(c.id)),
      states
    ) ?? currentCard(cards, states)
  );
  /** What so much of a row changes of what is still to come; null when it changes nothing one would weigh. */
  function changes(row: Ingredient): string | null {
    const said = changedBy(batch.state.plan, plan, done, row).map(
      (i) =>
        `${nameOf(i).toLowerCase()} ${'volumeL' in i ? volumeText(i.volumeL, household.settings.volume) : massText(amountOf(i), household.settings.mass)}`
    );
    return said.length > 0 ? `Then it will be ${said.join(' and ')}.` : null;
  }
  const count = $derived([...states.values()].filter((s) => s.status === 'done').length);
  const figures = $derived(evaluate(plan).likely);

  const clocks = $derived(clocksOf(cards, states, done, now));
  const next = $derived(clocks.filter((c) => !c.isOver).sort((a, b) => a.until - b.until)[0]);

  const doneWith = (c: BrewCard) => tell(`${c.title}: done.`, () => tick(batch.id, c.id));
  const skip = (c: BrewCard) => tell(`${c.title}: left out.`, () => tick(batch.id, c.id, 'skipped'));

  /** Takes the last thing back that was done here. */
  async function back() {
    const last = batch.events.findLast(
      (e) =>
        ['addition', 'step', 'pitch', 'reading', 'timer'].includes(e.type) &&
        !batch.events.some((v) => v.type === 'void' && v.data.eventId === e.id)
    );
    if (last) await takeBack([last]);
  }
</script>

<div class="flex items-baseline justify-between gap-4 pt-2">
  <h1 class="text-[1.375rem]">
    <a class="no-underline" href="/batches/{batch.id}">{batch.state.name}</a>, brew day
  </h1>
  <p class="number shrink-0 text-[1.125rem]" data-testid="brew-count">{count} of {cards.length}</p>
</div>
<Progress {cards} {states} current={card} {clocks} {now} />

{#if card}
  {#key card.id}
    <div class="mt-4 grid items-start gap-8 lg:grid-cols-[minmax(0,1fr)_18rem]">
      <section class="grid content-start gap-4" aria-label={card.title} data-card={card.kind}>
        <h2 class="sentence font-bold!" data-testid="brew-title">{card.title}</h2>
        {#if card.kind === 'kit'}
          <KitCard
            how={card.how}
            list={card.list ?? []}
            key={`kit:${batch.id}`}
            ondone={() => doneWith(card)}
          />
        {:else if card.kind === 'weigh' || card.kind === 'powder' || card.kind === 'yeast'}
          <WeighCard
            {card}
            {batch}
            {plan}
            volumeL={figures.liquidVolumeL}
            timer={done.timers.get(card.id) ?? null}
            {now}
            {changes}
          />
        {:else if card.kind === 'cool'}
          <CoolCard {card} {batch} {plan} {done} {now} />
        {:else if card.kind === 'read'}
          <p class="text-[1.25rem] leading-snug">{own(card.how)}</p>
          <ReadLoop {batch} {done} ondone={() => doneWith(card)} />
        {:else if card.kind === 'tag'}
          <TagCard {batch} ondone={() => doneWith(card)} />
        {:else}
          {#if card.id === 'mark'}<p class="number text-[4rem] leading-none" data-testid="brew-mark">
              {volumeText(figures.vesselVolumeL, household.settings.volume)}
            </p>{/if}
          <p class="text-[1.25rem] leading-snug">{own(card.how)}</p>
          <div class="flex flex-wrap gap-3">
            <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={() => doneWith(card)}
              >Done</button
            >
            {#if card.timerMin && !done.timers.has(card.id)}
              <button
                class="btn btn-line min-h-16! px-6! text-[1.25rem]!"
                onclick={() =>
                  tell(`${card.timerMin} minutes from now.`, () =>
                    startTimer(batch.id, card.id, Date.now() + card.timerMin! * 60_000)
                  )}>Start {card.timerMin} min</button
              >
            {/if}
          </div>
        {/if}
        <p class="flex gap-6">
          {#if card.kind === 'read' && !putOff.includes('read')}<button
              class="min-h-11 text-[1.0625rem] underline underline-offset-4"
              onclick={() => later(card.id)}>Later</button
            >{/if}
          {#if card.kind !== 'kit'}<button
              class="min-h-11 text-[1.0625rem] underline underline-offset-4"
              onclick={() => skip(card)}>Leave it out</button
            >{/if}
          {#if count > 0}<button class="min-h-11 text-[1.0625rem] underline underline-offset-4" onclick={back}
              >Take the last back</button
            >{/if}
        </p>
      </section>
      {#if vessel && figures.vesselVolumeL > 0}
        <div class="h-[24rem] max-lg:hidden">
          <VesselDrawing
            {vessel}
            fillL={figures.vesselVolumeL}
            liquidL={figures.liquidVolumeL}
            foamShare={foamShareOf(vessel, mustLike(plan))}
            unit={household.settings.volume}
            hasFruit={mustLike(plan).hasFruit}
            colour={mustColour(plan.ingredients)}
            notes={[]}
          />
        </div>
      {/if}
    </div>
  {/key}
{:else if isBrewed(states)}
  <p class="sentence mt-6" data-testid="brew-over">
    <b>That is all for today.</b> The walk will say when it wants you.
  </p>
  <p class="mt-3"><a class="btn btn-primary" href="/batches/{batch.id}">To the batch</a></p>
{:else}
  <p class="sentence mt-6" data-testid="brew-wait">
    <b>Nothing to do but wait.</b>
    {#if next}{next.title}
      {whenWord(next.until, now, batch.state.zone)}, in {leftText(next.until - now)}.{/if}
    Close this; the time is kept, and the walk will say when.
  </p>
  <p class="mt-3">
    <button class="min-h-11 text-[1.0625rem] underline underline-offset-4" onclick={back}
      >Take the last back</button
    >
  </p>
{/if}

{#if count > 0}<DoneList {cards} {states} {done} />{/if}
