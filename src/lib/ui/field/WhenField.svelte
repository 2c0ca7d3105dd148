<script lang="ts">
  import { toLocalInput } from './parse-when';

  /** When it happened: now, unless opened and set. */
  let { value, onset }: { value: string; onset: (value: string) => void } = $props();
</script>

{#if value}
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >When
    <span class="flex gap-2"
      ><input
        type="datetime-local"
        class="field"
        {value}
        max={toLocalInput(Date.now())}
        oninput={(e) => onset(e.currentTarget.value)}
      /><button type="button" class="btn btn-plain" onclick={() => onset('')}>Now</button></span
    >
  </label>
{:else}
  <button
    type="button"
    class="btn btn-plain justify-self-start px-0!"
    onclick={() => onset(toLocalInput(Date.now()))}>It was earlier…</button
  >
{/if}
