<script lang="ts">
  import { onMount } from 'svelte';
  import { bottle } from '$core/commands/move';
  import { look } from '$core/commands/observe';
  import { fillL } from '$core/ledger/fill';
  import { BOTTLES } from '$core/tables/bottles';
  import { airOverL, hasMuchAir } from '$core/vessels/vessels';
  import { counted, volumeText } from '$core/units/format';
  import { keepAwake } from '../brew/awake';
  import KitCard from '../brew/KitCard.svelte';
  import Pressure from '../batch/Pressure.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { unreadText } from '../words/how-far';
  import { own } from '../words/own-units';
  import { perform } from '$lib/store/record';
  import { household, type OpenBatch, vesselById, vesselName } from '$lib/store/household.svelte';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import BottlesCard from './BottlesCard.svelte';
  import FillCard from './FillCard.svelte';
  import { CARDS, countsOf, countsText, DAY, keyOf, textOf, type CardId } from './day';
  import { eveningOf, strongerFor } from './evening';

  /** Bottling day: which jar, which bottles, what to wash, and one large button a bottle. */
  let { batch }: { batch: OpenBatch } = $props();
  onMount(keepAwake);

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`bottling:${batch.id}`, DAY);
  /** The bottles this household used last. */
  const kinds = createDraft('bottle-kinds', { rows: '0.75 still' });
  const f = $derived(draft.fields);
  const card = $derived((CARDS.includes(f.card as CardId) ? f.card : 'vessel') as CardId);
  const fills = $derived(batch.state.fills);
  const unit = $derived(household.settings.volume);
  const day = $derived(eveningOf(batch, f, kinds.fields.rows));
  const fill = $derived(day.fill);
  const filled = $derived(countsOf(f.filled));

  /** From the jar to its bottles; how clear it is was looked at, and is written down. */
  async function toBottles() {
    try {
      if (f.clear !== '')
        await perform(
          look(batch.id, { vesselId: fill!.vesselId, clarity: f.clear === 'yes' ? 'clear' : 'hazy' })
        );
      go('bottles');
    } catch (e) {
      sayWrong(e);
    }
  }

  function go(to: CardId) {
    draft.set('card', to);
  }
  /** Writes down what is full by now. */
  async function stop(isEmpty: boolean) {
    try {
      const bottles = day.rows.flatMap((r) => {
        const count = filled.get(keyOf(r)) ?? 0;
        return count > 0 ? [{ count, sizeL: r.sizeL, type: r.type }] : [];
      });
      const events = await perform(
        bottle(batch.id, {
          from: fill!.vesselId,
          bottles,
          ...(day.primingGL > 0 ? { primingGL: day.primingGL } : {}),
          ...(day.judged ? { bar20: day.judged.verdict.bar20 } : {}),
          clear: day.isClear,
          emptied: isEmpty
        }),
        { form: draft.id }
      );
      const count = bottles.reduce((n, b) => n + b.count, 0);
      kinds.set('rows', textOf(day.rows.map((r) => ({ ...r, isHeld: false }))));
      await draft.done();
      sayDone(
        `${counted(count, 'bottle')} of ${batch.state.name}. Stand them a few days, then lay them down.`,
        events
      );
    } catch (e) {
      sayWrong(e);
    }
  }
</script>

<div class="flex items-baseline justify-between gap-4 pt-2">
  <h1 class="text-[1.375rem]">
    <a class="no-underline" href="/batches/{batch.id}">{batch.state.name}</a>, bottling day
  </h1>
  <p class="number shrink-0 text-[1.125rem]">{CARDS.indexOf(card) + 1} of {CARDS.length}</p>
</div>

{#if fills.length === 0}
  <p class="sentence mt-6" data-testid="all-bottled">All of it is in bottles.</p>
  <p><a class="btn btn-primary" href="/batches/{batch.id}">To the batch</a></p>
{:else}
  <section class="mt-4 grid content-start gap-4" aria-label="Bottling day">
    {#if card === 'vessel' || !fill}
      <h2 class="sentence font-bold!">Which jar?</h2>
      <ul class="grid max-w-3xl gap-3">
        {#each day.vessels as v (v.vesselId)}
          {@const vessel = vesselById(v.vesselId)}
          {@const stopped = v.verdict.level === 'stop'}
          <li>
            <button
              class="grid w-full gap-1 border-[1.5px] px-4 py-3 text-left {stopped
                ? 'border-rosehip'
                : 'border-ink'} {f.from === v.vesselId ? 'bg-tint-green' : 'bg-slip'}"
              aria-pressed={f.from === v.vesselId}
              onclick={() => draft.set('from', v.vesselId)}
            >
              <span class="text-[1.25rem] font-semibold"
                >{vesselName(v.vesselId)},
                <span class="number">{volumeText(v.litres, unit)}</span></span
              >
              {#if vessel && hasMuchAir(vessel, v.litres)}<span
                  >{volumeText(airOverL(vessel, v.litres), unit)} of air over it: full to the neck, or a smaller
                  jar, keeps it.</span
                >{/if}
              <span class={stopped ? 'text-rosehip' : ''}
                >{stopped ? 'Not yet: ' : ''}{own(v.reachable.why)}</span
              >
            </button>
          </li>
        {/each}
      </ul>
      {#if fill}
        <div class="flex flex-wrap items-center gap-3" role="group" aria-label="Is it clear">
          <span class="text-[1.25rem]">Print can be read through it, and it drops no more?</span>
          {#each [['yes', 'Yes, clear'], ['no', 'Not quite']] as const as [id, name] (id)}
            <button
              class="btn min-h-14! px-6! {f.clear === id ? 'btn-primary' : 'btn-line'}"
              aria-pressed={f.clear === id}
              onclick={() => draft.set('clear', id)}>{name}</button
            >
          {/each}
        </div>
        <p>
          <button class="btn btn-primary min-h-16! px-8! text-[1.375rem]!" onclick={toBottles}
            >Count the bottles</button
          >
        </p>
      {/if}
    {:else if card === 'bottles'}
      <h2 class="sentence font-bold!">How many to wash</h2>
      <BottlesCard
        {day}
        onrows={(rows) => draft.set('rows', textOf(rows))}
        onfizz={(bar) => draft.set('fizz', String(bar))}
      />
      {#if day.judged}<div class="max-w-3xl">
          <Pressure check={day.judged} known={unreadText(day.judged, batch.standing.belief, fill.vesselId)} />
        </div>{/if}
      {#if day.isStopped && day.fizz === 0}<p>
          <a class="link" href="/batches/{batch.id}#bottle">Heated in the bottle, or at your own risk</a>
        </p>{/if}
      {#if day.primingGL > 0 && day.isStopped}
        <p>
          <button
            class="btn btn-line min-h-14!"
            onclick={() => draft.set('rows', textOf([strongerFor(day.fizz)]))}
            >Take {BOTTLES[strongerFor(day.fizz).type].name.toLowerCase()} bottles</button
          >
        </p>
      {/if}
      <p class="flex flex-wrap gap-3">
        <button
          class="btn btn-primary min-h-16! px-8! text-[1.375rem]!"
          disabled={day.isStopped || day.leftL < -0.005 || day.rows.every((r) => r.count === 0)}
          onclick={() => go('kit')}>These</button
        >
        <button class="btn btn-line min-h-16! px-6! text-[1.125rem]!" onclick={() => go('vessel')}
          >Another jar</button
        >
      </p>
    {:else if card === 'kit'}
      <h2 class="sentence font-bold!">Wash, and lay out</h2>
      <KitCard
        how="All that touches the wine is clean and sanitised; the bottles drain upside down."
        list={day.kit}
        key={`kit-bottles:${batch.id}`}
        ondone={() => go('fill')}
      />
    {:else}
      <h2 class="sentence font-bold!">Fill</h2>
      <FillCard
        rows={day.rows.filter((r) => r.count > 0)}
        {filled}
        thereL={fillL(fill)}
        onfilled={(kind, count) =>
          draft.set('filled', countsText(new Map(filled).set(kind, Math.max(0, count))))}
        onstop={(isEmpty) => void stop(isEmpty)}
      />
      <p><button class="btn btn-plain" onclick={() => go('bottles')}>Other bottles</button></p>
    {/if}
  </section>
{/if}
