<script lang="ts">
  import { onMount } from 'svelte';
  import { keepDraft, readDraft } from '$lib/store/draft';
  import { clocksAt, type Running } from './clocks.svelte';
  import { leftText } from '../words/spans';
  import { askToRing, mayRing, ring, ringAt } from './ring';

  /** Timers of every wine, wherever one is: what runs is seen, and says when it is over. */
  let now = $state(Date.now());
  let rung = new Set<string>();
  /** Asked once in a household's life, when the first timer runs. */
  const ASKED = 'ring-asked';
  let mayAsk = $state(false);
  const timers = $derived(clocksAt(now));
  /** What stands fast at the foot of a page, the shelf and what is scrolled to, keeps so much free for them. */
  let heightPx = $state(0);
  $effect(() => {
    const root = document.documentElement.style;
    root.setProperty('--clocks', `${heightPx}px`);
    return () => root.removeProperty('--clocks');
  });

  onMount(() => {
    const tick = setInterval(() => (now = Date.now()), 1000);
    void readDraft(ASKED).then((asked) => (mayAsk = asked !== true && mayRing() === 'default'));
    return () => clearInterval(tick);
  });

  const said = (t: Running) => ({
    text: t.isTimer
      ? `${t.name}: ${t.what ? `the timer of the ${t.what}` : 'the timer'} is over.`
      : `${t.name}: ${t.what}, now.`,
    tag: t.key,
    page: `/batches/${t.batchId}`
  });
  const known = new Set<string>();
  $effect(() => {
    for (const t of timers) {
      if (!known.has(t.key)) {
        known.add(t.key);
        if (t.until <= now) rung.add(t.key);
        else void ringAt(said(t), t.until);
      }
      if (t.until > now || rung.has(t.key)) continue;
      rung.add(t.key);
      void ring(said(t));
    }
  });
  const HOUR = 3_600_000;
  const left = (t: Running) => {
    const ms = t.until - now;
    if (ms <= 0) return t.isTimer ? 'over' : 'now';
    if (ms >= HOUR) return leftText(ms);
    const s = Math.ceil(ms / 1000);
    return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
  };
  async function ask() {
    mayAsk = false;
    keepDraft(ASKED, true);
    if (await askToRing()) for (const t of timers) void ringAt(said(t), t.until);
  }
</script>

<section
  class="no-print pointer-events-auto border-t-[1.5px] border-ink bg-slip px-4 text-[0.9375rem]"
  aria-label="Timers"
  bind:offsetHeight={heightPx}
>
  <ul class="flex flex-wrap gap-x-4">
    {#each timers as t (t.key)}
      <li class="flex min-h-9 items-center gap-2" class:bg-tint-straw={t.until <= now}>
        <a class="no-underline" href="/batches/{t.batchId}"><b>{t.name}</b> {t.what}</a>
        <span class="number" data-testid="timer">{left(t)}</span>
      </li>
    {/each}
    {#if mayAsk}<li>
        <button class="min-h-9 underline underline-offset-4" onclick={ask}
          >Tell me when it is over, in another window too</button
        >
      </li>{/if}
  </ul>
</section>
