<script lang="ts">
  import { type Batch, household } from '$lib/store/household.svelte';
  import How from '../pop/How.svelte';
  import { batchSentence } from './batch-sentence';

  let { batch }: { batch: Batch } = $props();

  const pieces = $derived(batchSentence(batch, household));
  const LOOK = { name: 'font-bold', strong: 'font-semibold', danger: 'font-semibold text-rosehip' };
</script>

<!-- prettier-ignore -->
<h1 class="sentence pt-2 pb-1 font-normal" data-testid="batch-sentence">
  {#each pieces as p, i (i)}{#if p.how}<How
        title={p.how.title}
        lines={p.how.lines}
        class="min-h-11 font-semibold underline decoration-greengage decoration-2 underline-offset-[7px]"
        >{#snippet trigger()}<span data-testid={p.testId}>{p.text}</span>{p.unit}{/snippet}</How
      >{:else if p.is}<span class={LOOK[p.is]} data-testid={p.testId}>{p.text}</span>{:else}{p.text}{/if}{/each}
</h1>
