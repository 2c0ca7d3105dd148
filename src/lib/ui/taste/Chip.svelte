<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A word that is tapped on and off. */
  type Props = { isOn: boolean; ontap: () => void; label?: string; children: Snippet };
  let { isOn, ontap, label, children }: Props = $props();
</script>

<button
  type="button"
  class="min-h-11 min-w-11 border-[1.5px] px-3 {isOn
    ? 'border-ink bg-primary font-semibold text-primary-content'
    : 'border-rule bg-paper'}"
  aria-pressed={isOn}
  aria-label={label}
  onclick={ontap}>{@render children()}</button
>
