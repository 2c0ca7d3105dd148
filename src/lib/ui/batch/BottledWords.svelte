<script lang="ts">
  import { cellarOf } from '$core/cellar/stock';
  import { counted } from '$core/units/format';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { ageWords } from '../cellar/words';
  import How from '../pop/How.svelte';
  import { onDay } from '../shelf/when';
  import { abvParts, unreadWord } from '../words/how-far';
  import { costLines } from './volume-lines';

  /** What is said of a wine that is all in bottles: how many are left, how strong it is, when it is to be drunk. */
  type Props = { batch: Batch; abv: number; abvLines: string[]; guessLines: string[]; word: string };
  let { batch, abv, abvLines, guessLines, word }: Props = $props();

  const s = $derived(batch.state);
  const says = $derived(batch.says);
  const now = $derived(batch.standing);
  const guess = $derived(abvParts(now.abv));
  const unread = $derived(unreadWord(s).toLowerCase());
  const sum = (of: 'count' | 'left') => s.bottled.reduce((n, b) => n + b[of], 0);
  const [count, left] = $derived([sum('count'), sum('left')]);
  const bottles = $derived(
    left === count
      ? counted(count, 'bottle')
      : left === 0
        ? `All ${count} bottles are gone`
        : `${left} of ${counted(count, 'bottle')}`
  );
  /** Each day on which bottles were filled, once. */
  const days = $derived([...new Set(s.bottled.map((b) => onDay(b.at, household.now, s.zone)))].join(' and '));
  const paid = $derived(costLines(s, household.settings));
  const wines = $derived(
    cellarOf({ state: s, belief: now.belief, dangers: batch.dangers }, household.now).filter((w) => !w.danger)
  );
  /** Each filling by its own time, where they differ. */
  const ages = $derived([...new Set(wines.map((w) => ageWords(w, household.now)))]);
  const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
</script>

{#if paid.length > 0}<How title="What they cost" lines={paid} class={word}
    >{#snippet trigger()}{bottles}{/snippet}</How
  >{:else}<span class="font-semibold">{bottles}</span>{/if}, filled {days}{#if says.hasStrength}, at about
  <How title="How strong" lines={abvLines} class={word}>{#snippet trigger()}{abv.toFixed(1)} %{/snippet}</How
  >{:else if now.belief}, {unread}, at about
  <How title="How strong" lines={guessLines} class={word}>{#snippet trigger()}{guess.figure}{/snippet}</How
  >{guess.off}{:else}, {unread}, so nobody knows how strong{/if}. {#if batch.dangers.length > 0}<span
    class="font-semibold text-rosehip">They could burst: see below.</span
  >{:else}{ages.map(capital).join('; ')}{ages.length > 0 ? '.' : ''}{/if}
