<script lang="ts">
  import { loose } from '$core/cellar/racks';
  import type { CellarWine } from '$core/cellar/stock';
  import { mustColour } from '$core/plan/colour';
  import type { Ingredient } from '$core/plan/plan';
  import { strengthText } from '$core/label/facts';
  import { sizeText } from '$core/tables/bottles';
  import { household } from '$lib/store/household.svelte';
  import { dayWord } from '../shelf/when';
  import type { Hand } from './held.svelte';
  import LeaveForm from './LeaveForm.svelte';
  import WindowBar from './WindowBar.svelte';
  import { ageWords, leftWords, placeWords, yearOf } from './words';

  /** One wine in bottle: how many, where, when it is best; a tap opens what one does with it. */
  type Props = {
    wine: CellarWine;
    ingredients: readonly Ingredient[];
    hand: Hand;
    /** wines of the same fruit of other years, two at most */
    vintages: string[];
    /** whether it was filled on several days */
    isOneOf: boolean;
    isOpen: boolean;
    onopen: () => void;
  };
  let { wine: w, ingredients, hand, vintages, isOneOf, isOpen, onopen }: Props = $props();

  const colour = $derived(mustColour(ingredients).must);
  const left = $derived(leftWords(w, household.now));
  const sizes = $derived([
    ...new Set(w.bottling.bottles.filter((b) => b.left > 0).map((b) => sizeText(b.sizeL)))
  ]);
  const inNoRack = $derived(loose(w));
  const given = $derived(
    w.bottling.gone.filter((g) => g.to).map((g) => `${g.count} ${g.how === 'swapped' ? 'for' : 'to'} ${g.to}`)
  );
  const small = $derived(
    [
      strengthText(w.facts.abv, household.settings.system),
      w.facts.contains.length > 0 ? `contains ${w.facts.contains.join(', ')}` : '',
      w.liking ? `liked ${w.liking} of 5` : '',
      given.length > 0 ? `gone: ${given.join(', ')}` : ''
    ]
      .filter(Boolean)
      .join(' · ')
  );
</script>

<li class="dashline" data-wine={w.name}>
  <button
    type="button"
    class="grid w-full grid-cols-[2.75rem_minmax(0,1fr)_4.5rem] items-center gap-x-3 py-2 text-left hover:bg-slip lg:grid-cols-[2.75rem_minmax(0,1fr)_15rem_4.5rem]"
    aria-expanded={isOpen}
    onclick={onopen}
  >
    <svg viewBox="0 0 24 44" width="24" height="44" class="mx-auto" aria-hidden="true">
      <path
        d="M9 1h6v12c0 3 5 4 5 9v19a2 2 0 0 1-2 2H6a2 2 0 0 1-2-2V22c0-5 5-6 5-9z"
        fill={colour}
        class="stroke-ink"
        stroke-width="1.5"
      />
      <rect x="6" y="26" width="12" height="10" class="fill-slip stroke-ink" stroke-width="1" />
    </svg>
    <span class="min-w-0">
      <span class="number block text-[1.1875rem] leading-tight break-words"
        >{w.name}
        <span class="font-sans text-[1rem] font-normal"
          >{yearOf(w.startedAt, w.zone)}{isOneOf
            ? `, filled ${dayWord(w.bottling.at, household.now, w.zone)}`
            : ''}</span
        ></span
      >
      <span class="block text-[0.9375rem] {w.danger ? 'font-semibold text-rosehip' : ''}"
        >{ageWords(w, household.now)}</span
      >
      <span class="small block break-words">{placeWords(w, household.racks)}</span>
    </span>
    <span class="hidden lg:block"><WindowBar drink={w.drink} now={household.now} /></span>
    <span class="text-right"
      ><span class="number block text-[1.5rem] leading-none">{w.bottling.left}</span><span class="small"
        >{sizes.length > 1 ? `${sizes.length} sizes` : sizes[0]}</span
      ></span
    >
  </button>
  {#if isOpen}
    <div class="grid gap-3 pb-4 pl-2 sm:pl-14">
      <div class="max-w-60 lg:hidden">
        <WindowBar drink={null} now={household.now} /><WindowBar drink={w.drink} now={household.now} />
      </div>
      <p class="small">
        {w.drink.why.join('; ')}.{#if left}<b class="block text-ink">{left}.</b>{/if}
      </p>
      <LeaveForm wine={w} />
      <p class="flex flex-wrap gap-2">
        <a class="btn btn-line" href="/batches/{w.batchId}?filling={w.bottling.eventId}#taste">Taste it</a>
        {#each inNoRack as l (l.kind)}<button
            class="btn btn-line"
            disabled={household.racks.length === 0}
            onclick={() => hand.take({ wine: w, kind: l.kind, from: null })}
            >Lay {l.count} in a rack{inNoRack.length > 1
              ? `, ${sizeText(w.bottling.bottles[l.kind]!.sizeL)}`
              : ''}</button
          >{/each}
        <a class="btn btn-plain" href="/batches/{w.batchId}/labels">Labels</a>
        {#if vintages.length > 0}<a
            class="btn btn-plain"
            href="/batches/compare?of={[w.batchId, ...vintages].join(',')}">Beside its other years</a
          >{/if}
        <a class="btn btn-plain" href="/batches/{w.batchId}">All of it</a>
      </p>
      <p class="small">{small}</p>
    </div>
  {/if}
</li>
