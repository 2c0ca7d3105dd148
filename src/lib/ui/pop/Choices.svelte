<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  /** A short list to choose one from, each with its reason. */
  type Option = { id: string; name: string; note: string };
  type Props = { title: string; options: Option[]; value: string; onchoose: (id: string) => void };
  let { title, options, value, onchoose }: Props = $props();
</script>

<div class="grid max-h-80 gap-1 overflow-y-auto" role="group" aria-label={title}>
  {#each options as o (o.id)}
    <button
      class="min-h-11 border-l-4 px-3 py-1 text-left {value === o.id ? 'border-ink' : 'border-transparent'}"
      aria-pressed={value === o.id}
      onclick={() => onchoose(o.id)}
    >
      <span class="font-semibold">{o.name}</span><span class="small block">{own(o.note)}</span>
    </button>
  {/each}
</div>
