<script lang="ts">
  import { inL } from '$core/units/say';
  import { own } from '$lib/ui/words/own-units';
  import { checkBottling } from '$core/finish/judge';
  import { InputError } from '$core/units/input-error';
  import { parseNumber } from '$core/units/parse';
  import { bottle } from '$core/commands/move';
  import type { Batch } from '$lib/store/household.svelte';
  import { tell } from '../nav/said.svelte';

  /** One number, when the pressure check lets it: how many bottles. */
  let { batch }: { batch: Batch } = $props();

  const check = $derived(checkBottling(batch.state, 'still', 0, null, undefined, batch.standing.belief));
  const guess = $derived(Math.max(0, Math.floor((batch.standing.volumeL * 0.98) / 0.75)));
  let text = $state('');

  const save = () =>
    tell(`${batch.state.name}: bottled.`, () => {
      const count = text.trim() ? parseNumber(text) : guess;
      if (!count || !Number.isInteger(count) || count < 1)
        throw new InputError(`“${text}” is no number of bottles.`, 'Give a whole number.');
      return bottle(batch.id, {
        from: batch.state.fills[0]!.vesselId,
        bottles: [{ count, sizeL: 0.75, type: 'still' }],
        ...(check ? { bar20: check.verdict.bar20 } : {})
      });
    });
</script>

{#if !check || check.verdict.level === 'stop' || batch.state.fills.length !== 1}
  <a class="btn btn-line" href="/batches/{batch.id}#bottle"
    >{batch.state.fills.length !== 1 ? 'Bottle it' : 'Not yet: why'}</a
  >
{:else}
  <form
    class="flex flex-wrap items-center gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void save();
    }}
  >
    <input
      class="field number w-24! text-[1.25rem]!"
      inputmode="numeric"
      autocomplete="off"
      aria-label="Bottles of {batch.state.name}"
      placeholder={String(guess)}
      bind:value={text}
    />
    <button class="btn btn-primary">{own(`bottles of ${inL(0.75, 'rule')}`)}</button>
    <a class="btn btn-plain" href="/batches/{batch.id}#bottle">other bottles</a>
  </form>
{/if}
