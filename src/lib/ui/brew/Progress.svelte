<script lang="ts">
  import type { BrewCard } from '$core/steps/brew';
  import type { CardState } from '$core/steps/brew-done';
  import { own } from '../words/own-units';
  import type { Clock } from './clocks';
  import { leftText } from '../words/spans';

  /** How far a brew day is, and what runs by the clock meanwhile. */
  type Props = {
    cards: readonly BrewCard[];
    states: Map<string, CardState>;
    current: BrewCard | null;
    clocks: readonly Clock[];
    now: number;
  };
  let { cards, states, current, clocks, now }: Props = $props();

  const count = $derived([...states.values()].filter((s) => s.status === 'done').length);
  const tone = (c: BrewCard): string => {
    const status = states.get(c.id)?.status;
    if (status === 'done') return 'bg-ink';
    return c === current ? 'bg-greengage' : status === 'waiting' ? 'bg-tint-straw' : '';
  };
</script>

<div class="mt-1 flex h-2 gap-0.5" role="img" aria-label="{count} of {cards.length} steps done">
  {#each cards as c (c.id)}<span class="flex-1 border border-ink {tone(c)}"></span>{/each}
</div>

{#if clocks.length > 0}
  <ul class="mt-3 flex flex-wrap gap-2" aria-label="Running">
    {#each clocks as c (c.id)}
      <li
        class="flex items-baseline gap-3 border-[1.5px] border-ink px-3 py-1 text-[1.0625rem] {c.isOver
          ? 'bg-greengage text-primary-content'
          : 'bg-tint-straw'}"
      >
        <span class="number text-[1.375rem] whitespace-nowrap"
          >{c.isOver ? 'now' : leftText(c.until - now)}</span
        >{c.title}{c.why ? `: ${own(c.why)}` : ''}
      </li>
    {/each}
  </ul>
{/if}
