<script lang="ts">
  import { stir } from '$core/commands/put';
  import { outingOf } from '$core/steps/walk';
  import { tell } from '../nav/said.svelte';
  import CalendarFile from '../tag/CalendarFile.svelte';
  import { walkable } from './walkable';
  import type { WalkStop } from './walk';

  /** What the walk wants: what to take along, how far one is, and what one tap does for all of it. */
  type Props = { walk: readonly WalkStop[]; done: number; isBrewing: boolean };
  let { walk, done, isBrewing }: Props = $props();
  const due = $derived(walk.flatMap((x) => x.due));
  const outing = $derived(outingOf(due));
  const toStir = $derived(walk.filter((x) => x.due.some((d) => d.step.id === 'stir')));
  const all = $derived(done + outing.jobs);
  const MOST = 8;
  const takes = $derived(
    outing.takes.length > MOST
      ? `${outing.takes.slice(0, MOST).join(', ')} and ${outing.takes.length - MOST} more`
      : outing.takes.join(', ')
  );
  const evenings = $derived(
    [...outing.evenings]
      .map(([title, n]) => `${title.toLowerCase()}${n > 1 ? `, ${n} wines` : ''}`)
      .join('; ')
  );
</script>

{#if outing.jobs > 0 || done > 0}
  <div class="mb-1 grid gap-1 text-[0.9375rem]">
    <!-- What is done on a brew day is counted there. -->
    {#if done > 0 && !isBrewing}
      <div class="flex items-center gap-3" data-testid="progress">
        <span
          class="relative h-2 w-40 border border-ink"
          role="progressbar"
          aria-label="The walk"
          aria-valuemin={0}
          aria-valuemax={all}
          aria-valuenow={done}
          ><span class="absolute inset-y-0 left-0 bg-greengage" style:width="{(100 * done) / all}%"
          ></span></span
        >
        <span>{done} of {all} done</span>
      </div>
    {/if}
    {#if outing.takes.length > 0}
      <p class="text-quiet">
        Take {takes}.
        {#if outing.isClean && outing.jobs > 1}Clean once for all of it.{/if}
        {#if outing.evenings.size > 0}On an evening of its own: {evenings}.{/if}
      </p>
    {/if}
    <p class="no-print flex flex-wrap gap-x-4">
      {#if toStir.length > 1}
        <button
          class="btn btn-primary"
          onclick={() => tell(`${toStir.length} stirred.`, () => toStir.flatMap((x) => stir(x.id)))}
          >All stirred, {toStir.length}</button
        >
      {/if}
      <a class="link flex min-h-11 items-center" href="/walk">Walk sheet</a>
      <a class="link flex min-h-11 items-center" href="/walk/away">Going away?</a>
      <CalendarFile wines={walkable()} name="vecino" />
    </p>
  </div>
{/if}
