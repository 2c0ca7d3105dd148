<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import type { Snippet } from 'svelte';
  import Pop from './Pop.svelte';

  /** A number that tells how it came about when tapped. */
  let {
    title,
    trigger,
    lines,
    class: classes = ''
  }: { title: string; trigger: Snippet; lines: string[]; class?: string } = $props();
</script>

<Pop {title} {trigger} class="text-left {classes}" describe="How this was worked out">
  <p class="mb-1 font-semibold">{title}</p>
  {#each lines as line (line)}<p class="mt-1 text-[0.9375rem]">{own(line)}</p>{/each}
</Pop>
