<script lang="ts">
  import { SHAPES, VESSEL_PRESETS, type Shape } from '$core/vessels/vessels';
  import { volumeText } from '$core/units/format';
  import { leavesAt } from '$core/steps/schedule';
  import { dayWord } from '../shelf/when';
  import { changeSettings, household, vesselsInUse, type Batch } from '$lib/store/household.svelte';
  import { keep, takeOff } from '$lib/store/things';
  import { newId } from '$lib/store/here';
  import { sayDone, sayWrong, tell } from '../nav/said.svelte';
  import { addVessel } from '../vessel/new-vessel';
  import VesselMini from '../vessel/VesselMini.svelte';

  let preset = $state('jar-5');
  let name = $state('');
  let size = $state('');
  let shape = $state<Shape>('bucket');
  const used = $derived(vesselsInUse());

  async function addPreset() {
    const p = VESSEL_PRESETS.find((v) => v.id === preset)!;
    const again = household.vessels.filter((v) => v.name.replace(/ no\. \d+$/, '') === p.name).length;
    await keep('vessels', { ...p, id: newId(), name: again > 0 ? `${p.name} no. ${again + 1}` : p.name });
    sayDone(`${p.name} added.`);
  }

  async function addOwn() {
    try {
      sayDone(`${(await addVessel(name, size, shape)).name} added.`);
      [name, size] = ['', ''];
    } catch (e) {
      sayWrong(e);
    }
  }

  /** Until when a vessel is taken, as the plan of its wine has it. */
  function untilWord(b: Batch): string {
    const at = leavesAt(b.due);
    return at === null
      ? ''
      : ` until ${at <= household.now ? 'now' : `about ${dayWord(at, household.now, b.state.zone)}`}`;
  }
</script>

<section aria-label="Vessels" class="grid grid-cols-1 content-start gap-3">
  <h2 class="inkline pt-2 text-[1.3125rem]">What you ferment in</h2>
  {#if household.vessels.length === 0}
    <p class="small">
      None yet. Common sizes are offered beside your own. Fill each once with a measuring jug and give what it
      holds to the brim.
    </p>
  {/if}
  <ul class="grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))] gap-x-5">
    {#each household.vessels as v (v.id)}
      {@const holder = used.get(v.id)}
      <li class="dashline flex items-center gap-3 py-1">
        <span class="flex h-11 w-9 items-end justify-center"
          ><VesselMini vessel={v} volumeL={0} colour="#d9cdb4" size={36} /></span
        >
        <span class="min-w-0 flex-1"
          ><span class="block font-semibold break-words">{v.name}</span><span class="small block break-words"
            >{holder
              ? `holds ${holder.state.name}${untilWord(holder)}`
              : volumeText(v.capacityL, household.settings.volume)}</span
          ></span
        >
        <button
          class="size-11 shrink-0 text-quiet"
          disabled={holder !== undefined}
          aria-label="Remove {v.name}"
          title={holder ? 'It is in use' : 'Remove'}
          onclick={() => tell(`${v.name} taken off the list.`, () => takeOff('vessels', v.id))}>×</button
        >
      </li>
    {/each}
  </ul>
  {#if household.vessels.length > 0}
    <label class="flex min-h-11 items-center gap-3"
      ><input
        type="checkbox"
        class="checkbox"
        checked={household.settings.onlyListed === true}
        onchange={(e) => changeSettings({ onlyListed: e.currentTarget.checked })}
      />These are all I have: offer no other sizes</label
    >
  {/if}
  <div class="flex items-end gap-2">
    <label class="grid flex-1 gap-1 font-semibold"
      >A common size
      <select class="field" bind:value={preset}
        >{#each VESSEL_PRESETS as p (p.id)}<option value={p.id}
            >{p.name}, {volumeText(p.capacityL, household.settings.volume)} to the brim</option
          >{/each}</select
      >
    </label>
    <button class="btn btn-line" onclick={addPreset}>Add</button>
  </div>
  <form
    class="grid grid-cols-2 sm:grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void addOwn();
    }}
  >
    <label class="grid gap-1 font-semibold"
      >Or your own<input
        class="field"
        autocomplete="off"
        placeholder="blue bucket"
        maxlength="60"
        bind:value={name}
      /></label
    >
    <label class="grid gap-1 font-semibold"
      >Holds<input
        class="field"
        inputmode="decimal"
        autocomplete="off"
        placeholder="20"
        bind:value={size}
        required
      /></label
    >
    <label class="grid gap-1 font-semibold"
      >Shape<select class="field" bind:value={shape}
        >{#each SHAPES as sh (sh)}<option>{sh}</option>{/each}</select
      ></label
    >
    <button class="btn btn-line">Add</button>
  </form>
</section>
