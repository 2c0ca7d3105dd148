<script lang="ts">
  import { nameOf } from '$core/plan/name';
  import type { BrewCard } from '$core/steps/brew';
  import type { BrewDone, CardState } from '$core/steps/brew-done';

  /** What of a brew day is behind one. */
  type Props = { cards: readonly BrewCard[]; states: Map<string, CardState>; done: BrewDone };
  let { cards, states, done }: Props = $props();
</script>

<details class="mt-6 max-w-4xl">
  <summary class="head min-h-11 cursor-pointer py-3">Done so far</summary>
  <ul class="columns-2 gap-8 max-sm:columns-1">
    {#each cards.filter((c) => states.get(c.id)?.status === 'done') as c (c.id)}
      <li class="dashline py-1">
        {c.kind === 'weigh' && c.row ? nameOf(c.row) : c.title}{done.steps.get(c.id)?.outcome === 'skipped'
          ? ', left out'
          : ''}
      </li>
    {/each}
  </ul>
</details>
