<script lang="ts">
  import { DEVICE_KINDS, type DeviceKind } from '$lib/devices/device';
  import { addInstrument, instruments, knownCode } from '$lib/store/instruments.svelte';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import InstrumentRow from './InstrumentRow.svelte';

  /** What reads by itself: added, heard, put into a wine, set right. */
  let kind = $state<DeviceKind>('float');
  let name = $state('');
  let made = $state(0);

  /** Asked for once, where the server does not hand it to its own machine. */
  let code = $state('');
  let asksCode = $state(false);

  async function add(isSimulated: boolean) {
    try {
      if (!isSimulated && !code) code = await knownCode();
      asksCode = !isSimulated && !code;
      if (asksCode) return;
      // Each made-up one stands in a wine of its own, some days old.
      const since = Date.now() - 3 * 86_400_000;
      const seed = Math.floor(Date.now() / 1000) % 100_000;
      const stream = isSimulated
        ? `/api/devices/sim-${kind}/stream?seed=${seed + made}&since=${since}`
        : null;
      const one = await addInstrument(kind, name, stream, code);
      asksCode = false;
      made += 1;
      name = '';
      sayDone(`${one.name} added.`);
    } catch (e) {
      if (!isSimulated) [code, asksCode] = ['', true];
      sayWrong(e);
    }
  }
</script>

<section aria-label="Instruments" class="grid content-start gap-3">
  <h2 class="inkline pt-2 text-[1.3125rem]">What reads by itself</h2>
  {#if instruments.list.length === 0}
    <p class="small">
      None yet. A float, a thermometer, a pH meter, a scale or the weather of the cellar posts to this server;
      or try a made-up one.
    </p>
  {:else}
    <ul>
      {#each instruments.list as i (i.id)}<InstrumentRow instrument={i} />{/each}
    </ul>
  {/if}
  <div class="grid grid-cols-2 gap-2">
    <label class="grid gap-1 font-semibold"
      >Kind<select class="field" bind:value={kind}
        >{#each Object.entries(DEVICE_KINDS) as [id, k] (id)}<option value={id}>{k.name}</option
          >{/each}</select
      ></label
    >
    <label class="grid gap-1 font-semibold"
      >Its name<input
        class="field"
        maxlength="60"
        autocomplete="off"
        placeholder={DEVICE_KINDS[kind].name}
        bind:value={name}
      /></label
    >
  </div>
  {#if asksCode}
    <label class="grid gap-1 font-semibold"
      >Pairing code, as the server printed it when it started<input
        class="field"
        autocomplete="off"
        maxlength="100"
        placeholder="K7QM-2RWX"
        bind:value={code}
      /></label
    >
  {/if}
  <p class="flex flex-wrap gap-2">
    <button class="btn btn-line" onclick={() => add(false)}>Add one that posts</button>
    <button class="btn btn-line" onclick={() => add(true)}>Add a made-up one</button>
  </p>
</section>
