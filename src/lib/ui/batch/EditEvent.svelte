<script lang="ts">
  import type { LedgerEvent } from '$core/ledger/log';
  import { AskError } from '$core/units/input-error';
  import { explain } from '$lib/ui/words/own-units';
  import { replace } from '$lib/store/record';
  import { household } from '$lib/store/household.svelte';
  import { parseWhen, toLocalInput } from '../field/parse-when';
  import { sayDone } from '../nav/said.svelte';
  import { fieldsOf } from './editable';

  /** Puts one event of the past right: it is taken back and written again, and all after it is reckoned anew. */
  let { event, close }: { event: LedgerEvent; close: () => void } = $props();

  const slots = $derived(fieldsOf(event, household.settings));
  let text = $state<Record<string, string>>({});
  // svelte-ignore state_referenced_locally
  let when = $state(toLocalInput(Date.parse(event.at)));
  let error = $state('');
  /** what was asked about: pressed again, it is so */
  let asked = '';

  async function save(e: SubmitEvent) {
    e.preventDefault();
    let said = '';
    try {
      const data = structuredClone($state.snapshot(event.data)) as never;
      for (const slot of slots) {
        const next = text[slot.key];
        if (next !== undefined && next !== slot.text) slot.put(data, next);
      }
      // The minute of the field is kept to the second where it was not touched.
      const old = Date.parse(event.at);
      const at = when === toLocalInput(old) ? old : parseWhen(when, Date.now());
      said = JSON.stringify([data, at]);
      const again = await replace(event, data, at, asked === said);
      sayDone('Put right. What it said before is still in the log.', again);
      close();
    } catch (err) {
      error = explain(err);
      if (err instanceof AskError) {
        asked = said;
        error = `${error} Press again if it is so.`;
      }
    }
  }
</script>

<form class="grid w-72 max-w-full gap-2" onsubmit={save} aria-label="Put it right">
  {#each slots as s (s.key)}
    <label class="grid gap-0.5 text-[0.9375rem] font-semibold"
      >{s.label}<input
        class="field"
        autocomplete="off"
        value={text[s.key] ?? s.text}
        oninput={(e) => (text[s.key] = e.currentTarget.value)}
      /></label
    >
  {/each}
  <label class="grid gap-0.5 text-[0.9375rem] font-semibold"
    >When<input type="datetime-local" class="field" max={toLocalInput(Date.now())} bind:value={when} /></label
  >
  {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
  <button class="btn btn-primary">Put it right</button>
</form>
