<script lang="ts">
  import { HEAT_C, minutesFor, WANTED_UNITS } from '$core/ferment/heat';
  import { startTimer } from '$core/commands/tick';
  import { parseTemperature } from '$core/units/parse';
  import { temperatureText } from '$core/units/format';
  import { tell } from '../nav/said.svelte';
  import Text from '../field/Text.svelte';
  import { household } from '$lib/store/household.svelte';

  /** How a bottle was heated through: its core by a thermometer, and how long it was held. */
  type Props = {
    batchId: string;
    draft: {
      fields: Record<'coreC' | 'heldMin', string>;
      set: (key: 'coreC' | 'heldMin', text: string) => void;
    };
  };
  let { batchId, draft }: Props = $props();

  /** Whole minutes that a core as warm as was typed has to be held; null until it can be told. */
  const minutes = $derived.by(() => {
    try {
      const coreC = parseTemperature(draft.fields.coreC, household.settings.temp);
      return coreC < HEAT_C.least ? null : Math.ceil(minutesFor(coreC, WANTED_UNITS));
    } catch {
      return null;
    }
  });
  const start = () =>
    tell(`A timer of ${minutes} min runs.`, () =>
      startTimer(batchId, 'bath', household.now + minutes! * 60_000)
    );
</script>

<details open={draft.fields.coreC !== '' || draft.fields.heldMin !== ''}>
  <summary class="flex min-h-11 cursor-pointer items-center font-semibold">Heated in the bottle</summary>
  <div class="grid grid-cols-2 gap-3">
    <Text
      {draft}
      at="coreC"
      label="Core, °{household.settings.temp}"
      mode="decimal"
      placeholder="by thermometer"
    />
    <Text {draft} at="heldMin" label="Held so long, min" mode="numeric" />
  </div>
  {#if minutes !== null}<p class="mt-2 flex flex-wrap items-center gap-3" data-testid="hold">
      <span>Held so warm for <b class="number text-[1.25rem]">{minutes} min</b>, no yeast lives.</span>
      <button type="button" class="btn btn-line" onclick={start}>Start its timer</button>
    </p>{:else if draft.fields.coreC.trim()}<p class="mt-2">
      Under {temperatureText(HEAT_C.least, household.settings.temp)} no time is counted on.
    </p>{/if}
  <p class="small mt-1">
    Gas stirred out, stoppers loose, warmed slowly; a thermometer in an open bottle of water beside them.
    Heated in the jar, a wine is at rest, but what is filled later may wake: only heat in the bottle counts. <a
      class="link"
      href="/bench/heat">How long it takes</a
    >
  </p>
</details>
