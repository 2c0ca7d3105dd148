<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Plan } from '$core/plan/plan';
  import { swapsFor, type Swap } from '$core/solve/swaps';
  import Tag from '../tag/Tag.svelte';
  import type { Bench } from './bench.svelte';

  /** What could not be had, why, and the ways out, each one tap. */
  let { bench }: { bench: Bench } = $props();
  /** Looked for once the typing rests: a dozen plans are solved for them. */
  let found = $state.raw<{ plan: Plan; swaps: Swap[] } | null>(null);
  $effect(() => {
    const [plan, gaveWay] = [bench.plan, bench.solved.gaveWay];
    if (gaveWay.length === 0) return;
    const timer = setTimeout(() => (found = { plan, swaps: swapsFor(plan, gaveWay) }), 150);
    return () => clearTimeout(timer);
  });
  /** A way out of an earlier plan would take back what was typed since: it is not offered. */
  const swaps = $derived(found?.plan === bench.plan ? found.swaps : []);
</script>

{#if bench.solved.gaveWay.length > 0}
  <Tag tone="good" compact>
    {#each bench.solved.gaveWay as g (g.text)}<p>{own(g.text)}</p>{/each}
    {#if swaps.length > 0}
      <ul class="mt-1 grid gap-0.5" aria-label="Ways out">
        {#each swaps as s (s.id)}
          <li>
            <button
              class="grid min-h-11 w-full grid-cols-[minmax(0,1fr)] border-l-4 border-greengage px-2 py-0.5 text-left hover:border-ink"
              onclick={() => bench.adopt(s.plan)}
            >
              <span class="font-semibold">{own(s.label)}</span><span class="small">{own(s.note)}</span>
            </button>
          </li>
        {/each}
      </ul>
    {/if}
  </Tag>
{/if}
