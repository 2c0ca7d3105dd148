<script lang="ts">
  import { letGo } from '$core/commands/cellar';
  import { sizeText } from '$core/tables/bottles';
  import { counted } from '$core/units/format';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { dayWord } from '../shelf/when';
  import { tell } from '../nav/said.svelte';

  /** One bottle opened, and what was in it; of several fillings the latest that is not gone is offered. */
  let { batch, ondone }: { batch: Batch; ondone?: () => void } = $props();

  const all = $derived(batch.state.bottled.filter((b) => b.left > 0));
  let chosen = $state('');
  const filling = $derived(all.find((b) => b.eventId === chosen) ?? all.at(-1));
  const FOUND = {
    still: 'still',
    fizzy: 'fizzy',
    gushing: 'it gushed'
  } as const;
  const SAYS = {
    still: 'no gas in it',
    fizzy: 'fizz in it',
    gushing: 'it gushed: the rest goes into the cold, at once'
  } as const;
  async function opened(found: keyof typeof FOUND) {
    const ok = await tell(`${batch.state.name}, one opened: ${SAYS[found]}.`, () =>
      letGo(batch.id, filling!, null, { count: 1, found })
    );
    if (ok) ondone?.();
  }
</script>

{#if filling}
  <div
    class="flex flex-wrap items-center gap-2"
    role="group"
    aria-label="A bottle of {batch.state.name} opened"
  >
    {#if all.length > 1}
      <select
        class="field w-auto!"
        aria-label="Of which bottles"
        value={filling.eventId}
        onchange={(e) => (chosen = e.currentTarget.value)}
      >
        {#each all as b (b.eventId)}<option value={b.eventId}
            >{dayWord(b.at, household.now, batch.state.zone)}, {sizeText(b.bottles[0]!.sizeL)}, {counted(
              b.left,
              'bottle'
            )} left</option
          >{/each}
      </select>
    {/if}
    <span>Opened one:</span>
    {#each Object.entries(FOUND) as [found, text] (found)}
      <button
        type="button"
        class="btn {found === 'gushing' ? 'btn-error' : 'btn-line'}"
        onclick={() => opened(found as keyof typeof FOUND)}>{text}</button
      >
    {/each}
  </div>
{:else}<p>None is left.</p>{/if}
