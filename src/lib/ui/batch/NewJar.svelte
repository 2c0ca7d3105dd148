<script lang="ts">
  import type { Vessel } from '$core/vessels/vessels';
  import { explain } from '$lib/ui/words/own-units';
  import { UNIT_LABEL } from '$core/units/measure';
  import { household } from '$lib/store/household.svelte';
  import { addVessel } from '../vessel/new-vessel';

  /** A jar that is not listed: written down where it is wanted, in the middle of a racking. */
  let { onadd }: { onadd: (jar: Vessel) => void } = $props();

  let name = $state('');
  let size = $state('');
  let error = $state('');

  async function add() {
    error = '';
    try {
      onadd(await addVessel(name, size));
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
      >It holds, {UNIT_LABEL[household.settings.volume]}<input
        class="field"
        autocomplete="off"
        bind:value={size}
      /></label
    >
    <button type="button" class="btn btn-line" onclick={add}>Add it</button>
  </div>
  {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
</details>
