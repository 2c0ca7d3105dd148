<script lang="ts">
  import { onMount } from 'svelte';
  import { dropPlan, leftPlans, type LeftPlan } from '$lib/store/plan-draft';
  import type { Bench } from './bench.svelte';

  /** Plans of other tabs that were closed: taken up here, or thrown away. */
  let { bench }: { bench: Bench } = $props();

  let left = $state.raw<LeftPlan[]>([]);
  const look = async () => (left = await leftPlans());
  onMount(look);
  const isEmpty = $derived(!bench.rows.some((r) => r.text));

  async function take(key: string) {
    await bench.load(key);
    await dropPlan(key);
    await look();
  }
  async function drop(key: string) {
    await dropPlan(key);
    await look();
  }
</script>

{#if left.length > 0 && isEmpty}
  <div class="bg-tint-green px-4 py-2 text-ink" role="group" aria-label="Plans of other tabs">
    {#each left as p (p.key)}
      <p class="flex flex-wrap items-center gap-x-3">
        <span class="min-w-0 break-words">Another plan is still here: <b>{p.name}</b>.</span>
        <button class="btn btn-plain" onclick={() => take(p.key)}>Take it up</button>
        <button class="btn btn-plain" onclick={() => drop(p.key)}>Throw it away</button>
      </p>
    {/each}
  </div>
{/if}
