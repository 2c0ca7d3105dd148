<script lang="ts">
  import { onDestroy } from 'svelte';
  import { bubblesOf, COUNT_MS } from '$core/instruments/bubbles';

  /** A minute at the airlock: a tap, or the space key, at each bubble. */
  let { ondone }: { ondone: (count: number, seconds: number) => void } = $props();

  let startedAt = $state<number | null>(null);
  let now = $state(0);
  let taps = $state.raw<number[]>([]);
  let timer: ReturnType<typeof setInterval> | undefined;

  const elapsed = $derived(startedAt === null ? 0 : Math.min(COUNT_MS, now - startedAt));
  const rate = $derived.by(() => {
    const b = bubblesOf(taps, elapsed);
    return b && taps.length > 1 ? (60 * b.count) / b.seconds : null;
  });

  function begin() {
    startedAt = now = performance.now();
    taps = [];
    clearInterval(timer);
    timer = setInterval(() => {
      now = performance.now();
      if (startedAt !== null && now - startedAt >= COUNT_MS) end();
    }, 200);
  }
  function tap() {
    if (startedAt === null) return begin();
    taps = [...taps, performance.now() - startedAt];
  }
  function end() {
    clearInterval(timer);
    if (startedAt === null) return;
    const b = bubblesOf(taps, Math.min(COUNT_MS, performance.now() - startedAt));
    startedAt = null;
    if (b) ondone(b.count, b.seconds);
  }
  onDestroy(() => clearInterval(timer));
</script>

{#if startedAt === null}
  <button type="button" class="btn btn-line" onclick={begin}>Count them by tapping</button>
{:else}
  <div class="grid gap-2 border-[1.5px] border-ink p-3" role="group" aria-label="Bubbles by tapping">
    <!-- svelte-ignore a11y_autofocus -->
    <button
      type="button"
      class="btn btn-primary min-h-24! touch-manipulation text-[1.5rem]!"
      autofocus
      onpointerdown={(e) => {
        e.preventDefault();
        tap();
      }}
      onkeydown={(e) => {
        if (e.key !== ' ' && e.key !== 'Enter') return;
        e.preventDefault();
        if (!e.repeat) tap();
      }}>Bubble</button
    >
    <p class="flex items-center justify-between gap-3" aria-live="off">
      <span
        ><b class="number text-[1.25rem]">{taps.length}</b> in {Math.floor(elapsed / 1000)} s{rate
          ? `, about ${rate < 10 ? rate.toFixed(1) : Math.round(rate)} a minute`
          : ''}</span
      >
      <button type="button" class="btn btn-line" onclick={end}>That will do</button>
    </p>
    <p class="small">
      A tap or the space key at each. One missed changes nothing: the middle interval counts.
    </p>
  </div>
{/if}
