<script lang="ts">
  import { look } from '$core/commands/observe';
  import { parseTemperature } from '$core/units/parse';
  import { household, type Batch } from '$lib/store/household.svelte';
  import { createDraft, FOR_NOW_MS } from '../field/draft.svelte';
  import { tell } from '../nav/said.svelte';

  /** How warm a wine is now: what shows that it was moved. */
  let { batch, ondone }: { batch: Batch; ondone?: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(`warmth:${batch.id}`, { temp: '' }, FOR_NOW_MS);
  const scale = $derived(household.settings.temp);

  async function save() {
    const text = draft.fields.temp.trim();
    const unit = /[a-z°]/i.test(text) ? '' : ` °${scale}`;
    const ok = await tell(`${batch.state.name}: ${text}${unit}.`, async () => {
      const { saidOf } = await import('../quick/said-of');
      return saidOf(text, batch) ?? look(batch.id, { tempC: parseTemperature(text, scale) });
    });
    if (!ok) return;
    await draft.done();
    ondone?.();
  }
</script>

<form
  class="flex max-w-full flex-wrap items-center gap-2"
  onsubmit={(e) => {
    e.preventDefault();
    void save();
  }}
>
  <label class="flex items-center gap-2 text-[0.9375rem]"
    >it is at <input
      class="field number w-20! text-[1.25rem]!"
      inputmode="decimal"
      autocomplete="off"
      aria-label="How warm {batch.state.name} is, °{scale}"
      value={draft.fields.temp}
      oninput={(e) => draft.set('temp', e.currentTarget.value)}
    />
    °{scale}</label
  >
  <button class="btn btn-primary" disabled={!draft.fields.temp.trim()}>Write it down</button>
</form>
