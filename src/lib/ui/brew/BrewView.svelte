<script lang="ts">
  import { keepDraft, readDraft } from '$lib/store/draft';
  import { onMount } from 'svelte';
  import { brewDone, cardStates, currentCard, isBrewed, redosed } from '$core/steps/brew-done';
  import { brewCards, type BrewCard } from '$core/steps/brew';
  import { mustColour } from '$core/plan/colour';
  import { mustLike } from '$core/steps/stages';
  import { foamShareOf } from '$core/vessels/vessels';
  import VesselDrawing from '../vessel/VesselDrawing.svelte';
  import { likelyFigures } from '$core/must/balance';
  import { nameOf } from '$core/plan/name';
  import { amountOf, type Ingredient } from '$core/plan/plan';
  import { massText, own } from '$lib/ui/field/own-units';
  import { volumeText } from '$core/units/format';
  import { vesselById, household, type OpenBatch } from '$lib/store/household.svelte';
  import { logCard, startTimer } from '$lib/store/actions';
  import { takeBack, tell } from '../nav/said.svelte';
  import { whenWord } from '../shelf/when';
  import { keepAwake } from './awake';
  import { leftText } from './spans';
  import CoolCard from './CoolCard.svelte';
  import KitCard from './KitCard.svelte';
  import ReadLoop from './ReadLoop.svelte';
  import TagCard from './TagCard.svelte';
  import WeighCard from './WeighCard.svelte';

  /** The day a must is made: one large card at a time, for a tablet propped against the bread bin. */
  let { batch }: { batch: OpenBatch } = $props();

  let now = $state(Date.now());
  onMount(() => {
    const tick = setInterval(() => (now = Date.now()), 1000);
    const sleep = keepAwake();
    return () => {
      clearInterval(tick);
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
    if (!row.id) return null;
    const next = redosed(batch.state.plan, { rows: new Map([...done.rows, [row.id, row]]) });
    const said = plan.ingredients.flatMap((i, n) => {
      const after = next.ingredients[n]!;
      if (!i.id || i.id === row.id || done.rows.has(i.id)) return [];
      const [was, is] = [amountOf(i), amountOf(after)];
      return Math.abs(is - was) > Math.max(0.02 * was, 0.005)
        ? [
            `${nameOf(after).toLowerCase()} ${'volumeL' in after ? volumeText(is, household.settings.volume) : massText(is, household.settings)}`
          ]
        : [];
    });
    return said.length > 0 ? `Then it will be ${said.join(' and ')}.` : null;
  }
  const count = $derived([...states.values()].filter((s) => s.status === 'done').length);
  const figures = $derived(likelyFigures(plan));

  /** What runs by the clock: timers that were started, and cards that wait. */
  const clocks = $derived(
    [
      ...[...done.timers].map(([id, until]) => ({
        id: `timer-${id}`,
        title: cards.find((c) => c.id === id)?.title ?? id,
        until,
        isOver: until <= now
      })),
      ...cards.flatMap((c) => {
        const s = states.get(c.id);
        return s?.status === 'waiting'
          ? [{ id: c.id, title: `${c.title}: ${s.why}`, until: s.until, isOver: false }]
          : [];
      })
    ].filter((t) => !t.isOver || now - t.until < 30 * 60_000)
  );
  const next = $derived(clocks.filter((c) => !c.isOver).sort((a, b) => a.until - b.until)[0]);

  const doneText = (c: BrewCard) => (c.kind === 'weigh' && c.row ? nameOf(c.row) : c.title);
  const tick = (c: BrewCard) => tell(`${c.title}: done.`, () => logCard(batch.id, c.id, 'done'));
  const skip = (c: BrewCard) => tell(`${c.title}: left out.`, () => logCard(batch.id, c.id, 'skipped'));

  /** Takes the last thing back that was done here. */
  async function back() {
    const last = batch.events.findLast(
      (e) =>
        ['addition', 'step', 'pitch', 'reading'].includes(e.type) &&
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
<div class="mt-1 flex h-2 gap-0.5" role="img" aria-label="{count} of {cards.length} steps done">
  {#each cards as c (c.id)}
    {@const s = states.get(c.id)?.status}
    <span
      class="flex-1 border border-ink {s === 'done'
        ? 'bg-ink'
        : c === card
          ? 'bg-greengage'
          : s === 'waiting'
            ? 'bg-tint-straw'
            : ''}"
    ></span>
  {/each}
</div>

{#if clocks.length > 0}
  <ul class="mt-3 flex flex-wrap gap-2" aria-label="Running">
    {#each clocks as c (c.id)}
      <li
        class="flex items-baseline gap-3 border-[1.5px] border-ink px-3 py-1 text-[1.0625rem] {c.isOver
          ? 'bg-greengage text-primary-content'
          : 'bg-tint-straw'}"
      >
        <span class="number text-[1.375rem]">{c.isOver ? 'now' : leftText(c.until - now)}</span>{c.title}
      </li>
    {/each}
  </ul>
{/if}

{#if card}
  {#key card.id}
    <div class="mt-4 grid items-start gap-8 lg:grid-cols-[minmax(0,1fr)_18rem]">
      <section class="grid content-start gap-4" aria-label={card.title} data-card={card.kind}>
        <h2 class="sentence font-bold!" data-testid="brew-title">{card.title}</h2>
        {#if card.kind === 'kit'}
          <KitCard {card} {batch} ondone={() => tick(card)} />
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
          <ReadLoop {batch} {done} ondone={() => tick(card)} />
        {:else if card.kind === 'tag'}
          <TagCard {batch} ondone={() => tick(card)} />
        {:else}
          {#if card.id === 'mark'}<p class="number text-[4rem] leading-none" data-testid="brew-mark">
              {volumeText(figures.vesselVolumeL, household.settings.volume)}
            </p>{/if}
          <p class="text-[1.25rem] leading-snug">{own(card.how)}</p>
          <div class="flex flex-wrap gap-3">
            <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={() => tick(card)}
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
    {#if next}{next.title.split(':')[0]}
      {whenWord(next.until, now, batch.state.zone)}, in {leftText(next.until - now)}.{/if}
    Close this; the time is kept, and the walk will say when.
  </p>
  <p class="mt-3">
    <button class="min-h-11 text-[1.0625rem] underline underline-offset-4" onclick={back}
      >Take the last back</button
    >
  </p>
{/if}

{#if count > 0}
  <details class="mt-6 max-w-4xl">
    <summary class="head min-h-11 cursor-pointer py-3">Done so far</summary>
    <ul class="columns-2 gap-8 max-sm:columns-1">
      {#each cards.filter((c) => states.get(c.id)?.status === 'done') as c (c.id)}
        <li class="dashline py-1">
          {doneText(c)}{done.steps.get(c.id)?.outcome === 'skipped' ? ', left out' : ''}
        </li>
      {/each}
    </ul>
  </details>
{/if}
