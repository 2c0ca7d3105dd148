<script lang="ts">
  import { massText } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { instruments } from '$lib/store/instruments.svelte';

  /**
   * What a kitchen scale shows, less what stood on it: taken into a field by one tap. One that holds less than all of it
   * takes it in parts, each added to those before.
   */
  let { text, ontake }: { text: string; ontake: (text: string) => void } = $props();

  const scale = $derived(instruments.list.find((i) => i.kind === 'scale'));
  const kg = $derived(scale ? (instruments.live(scale.id).last?.massKg ?? null) : null);
  let tareKg = $state(0);
  const net = $derived(kg === null ? null : kg - tareKg);

  function take() {
    const part = `${(1000 * Math.abs(net!)).toFixed(0)} g`;
    ontake(text.trim() ? `${text} + ${part}` : part);
    // What is put on next is the next part.
    tareKg = kg!;
  }
</script>

{#if scale && net !== null}
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="The scale">
    <span
      >Scale: <b class="number text-[1.1875rem]"
        >{massText(Math.abs(net), household.settings.mass)}{net < -0.0005 ? ' taken off' : ''}</b
      ></span
    >
    <button type="button" class="btn btn-line" onclick={() => (tareKg = kg!)}>Tare</button>
    <button type="button" class="btn btn-line" disabled={Math.abs(net) < 0.0005} onclick={take}
      >Take it</button
    >
  </div>
{/if}
