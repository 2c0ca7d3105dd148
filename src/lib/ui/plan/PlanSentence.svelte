<script lang="ts">
  import { YEASTS } from '$core/tables/yeasts';
  import type { Vessel } from '$core/vessels/vessels';
  import { parseNumber } from '$core/units/parse';
  import { volumeText } from '$core/units/format';
  import { household, vesselsInUse } from '$lib/store/household.svelte';
  import Choices from '../pop/Choices.svelte';
  import Word from '../pop/Word.svelte';
  import AmountWord from './AmountWord.svelte';
  import FruitWord from './FruitWord.svelte';
  import StrengthWord from './StrengthWord.svelte';
  import TasteWords from './TasteWords.svelte';
  import type { Bench } from './bench.svelte';
  import { choiceIdOf, shortName, yeastChoices } from './yeast-choices';

  let { bench, vessel, vessels }: { bench: Bench; vessel: Vessel; vessels: readonly Vessel[] } = $props();
  const busy = $derived(vesselsInUse());
  const yeasts = $derived(yeastChoices(household.yeasts));
</script>

<h1 class="sentence pt-2 pb-1 font-normal">
  Use <FruitWord {bench} /> to make
  <AmountWord {bench} {vessel} />
  at
  <StrengthWord {bench} />,
  <TasteWords {bench} />, with a
  <Word title="Yeast" text={shortName(bench.yeast)}>
    {#snippet children(close: () => void)}
      <Choices
        title="Yeast"
        options={yeasts}
        value={choiceIdOf(bench.yeast, household.yeasts)}
        onchoose={(id) => {
          bench.yeast = yeasts.find((y) => y.id === id)!.yeast;
          close();
        }}
      />
      <label class="mt-3 grid gap-1 font-semibold"
        >Its own limit, % by volume
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          placeholder="as the packet says; {YEASTS[bench.yeastId].toleranceAbv[1]} for its type"
          value={bench.toleranceAbv ?? ''}
          onchange={(e) => {
            const n = parseNumber(e.currentTarget.value.replace('%', ''));
            if (e.currentTarget.value.trim() === '') bench.toleranceAbv = null;
            else if (n !== null && n >= 3 && n <= 22) bench.toleranceAbv = n;
          }}
        />
      </label>
      <p class="small mt-2">
        A yeast as its packet calls it: <a class="underline" href="/settings#yeasts">add it in Settings</a>.
      </p>
    {/snippet}
  </Word>
  yeast, in the
  <Word title="Vessel" text={vessel.name}>
    {#snippet children(close: () => void)}
      <Choices
        title="Vessel"
        options={vessels.map((v) => ({
          id: v.id,
          name: v.name,
          note: busy.has(v.id)
            ? `holds ${busy.get(v.id)!.state.name} now`
            : `holds ${volumeText(v.capacityL, household.settings.volume)} to the brim`
        }))}
        value={vessel.id}
        onchoose={(id) => {
          bench.vesselId = id;
          close();
        }}
      />
    {/snippet}
  </Word>.
</h1>
