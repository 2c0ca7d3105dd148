<script lang="ts">
  import { vesselSchema, type Vessel } from '$core/vessels/vessels';
  import { volumeText } from '$core/units/format';
  import { explain, InputError } from '$core/units/input-error';
  import { UNIT_LABEL } from '$core/units/measure';
  import { parseAs } from '$core/units/parse';
  import { household, saveVessel } from '$lib/store/household.svelte';
  import { newId } from '$lib/store/record';
  import { countryOf } from '$core/units/settings';

  /** A jar that is not listed: written down where it is wanted, in the middle of a racking. */
  let { onadd }: { onadd: (jar: Vessel) => void } = $props();

  const unit = $derived(household.settings.volume);
  let name = $state('');
  let size = $state('');
  let error = $state('');

  async function add() {
    error = '';
    try {
      const capacityL = parseAs('volume', size, unit, countryOf(household.settings)).base;
      const jar = vesselSchema.safeParse({
        id: newId(),
        name: name.trim() || `${volumeText(capacityL, unit)} jar`,
        shape: capacityL < 1.2 ? 'bottle' : 'jar',
        capacityL
      });
      if (!jar.success)
        throw new InputError(
          `A jar holds ${volumeText(0.2, unit)} or more.`,
          'Give what it holds to the brim.'
        );
      await saveVessel(jar.data);
      onadd(jar.data);
      [name, size] = ['', ''];
    } catch (e) {
      error = explain(e);
    }
  }
</script>

<details>
  <summary class="min-h-9 py-1 text-[0.9375rem] underline underline-offset-4 max-sm:min-h-11"
    >A jar that is not listed</summary
  >
  <div class="mt-1 grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)_auto] items-end gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Its name<input
        class="field"
        autocomplete="off"
        maxlength="60"
        placeholder="green jar"
        bind:value={name}
      /></label
    >
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >It holds, {UNIT_LABEL[unit]}<input class="field" autocomplete="off" bind:value={size} /></label
    >
    <button type="button" class="btn btn-line" onclick={add}>Add it</button>
  </div>
  {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
</details>
