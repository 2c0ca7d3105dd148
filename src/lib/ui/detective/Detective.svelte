<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Puzzle } from '$core/belief/likelihood';
  import { whyThisReading } from '$core/belief/detective';

  /** Why a reading is not what the sums say: the two or three likeliest causes, each with what tells it apart. */
  let { puzzle }: { puzzle: Puzzle } = $props();

  let strained = $state('');
  let stirred = $state('');
  let from = $state('');
  const yes = (v: string) => (v === '' ? undefined : v === 'yes');
  const verdict = $derived(
    whyThisReading({
      ...puzzle,
      strained: yes(strained) ?? puzzle.strained,
      stirred: yes(stirred) ?? puzzle.stirred,
      from: from === '' ? puzzle.from : (from as 'top' | 'bottom')
    })
  );
  const expected = $derived(puzzle.believed?.sg.likely ?? puzzle.before?.sg ?? puzzle.expected.likely);
  /** Never all, never none: no weighing of guesses is. */
  const share = (weight: number) => Math.min(99, Math.max(1, Math.round(100 * weight)));
  /** A reading between the two figures of a must whose fruit is giving says just that. */
  const isBetween = $derived(
    !puzzle.before &&
      puzzle.hasFruit &&
      puzzle.noneGiven !== null &&
      puzzle.shareGiven < 0.95 &&
      puzzle.sg >= Math.min(puzzle.noneGiven, expected) - 0.001 &&
      puzzle.sg <= Math.max(puzzle.noneGiven, expected) + 0.001
  );
  /** Never read since the yeast: what the must began at is no measure of it now. */
  const isWaiting = $derived(!puzzle.before && (puzzle.pitchedH ?? 0) > 48);
  const points = $derived(Math.round(1000 * (puzzle.sg - expected)));
</script>

<section aria-label="Why this reading" class="border-t-[1.5px] border-b-[1.5px] border-ink bg-slip px-3 py-2">
  <p class="text-[0.9375rem]">
    {#if isBetween}Between {puzzle.noneGiven!.toFixed(3)}, before the fruit gives, and {expected.toFixed(3)},
      once it has: the fruit is still letting go.
    {:else if verdict.isFine}{isWaiting
        ? 'Where a wine of this age can be.'
        : `As expected: the sums say ${expected.toFixed(3)}.`}
    {:else}<b>{Math.abs(points)} points {points > 0 ? 'above' : 'below'}</b>
      {puzzle.believed ? 'where it should be by now' : puzzle.before ? 'where it was' : 'what the sums say'}, {expected.toFixed(
        3
      )}.{/if}
    {#if verdict.cannotBeSugar}<b>That is more than all the sugar in it could read.</b>{/if}
  </p>
  {#if (!verdict.isFine && !isBetween) || verdict.cannotBeSugar}
    <ol class="mt-1">
      {#each verdict.suspects as s (s.id)}
        <li class="dashline py-1.5 last:border-0" data-cause={s.id}>
          <p class="flex items-baseline gap-2">
            <span class="number w-12 shrink-0 text-right text-[1.0625rem]"
              >{share(s.weight)}<span class="text-[0.75rem]"> %</span></span
            ><span>{own(s.says)}</span>
          </p>
          <p class="small pl-14">{own(s.test)}</p>
        </li>
      {/each}
    </ol>
    <div class="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-[0.875rem]">
      <label class="flex min-h-9 max-sm:min-h-11 items-center gap-1"
        >Strained?<select class="bg-transparent font-semibold" bind:value={strained}
          ><option value="">not said</option><option>yes</option><option>no</option></select
        ></label
      >
      <label class="flex min-h-9 max-sm:min-h-11 items-center gap-1"
        >Stirred well?<select class="bg-transparent font-semibold" bind:value={stirred}
          ><option value="">not said</option><option>yes</option><option>no</option></select
        ></label
      >
      <label class="flex min-h-9 max-sm:min-h-11 items-center gap-1"
        >Drawn from<select class="bg-transparent font-semibold" bind:value={from}
          ><option value="">not said</option><option value="top">the top</option><option value="bottom"
            >the bottom</option
          ></select
        ></label
      >
    </div>
  {/if}
</section>
