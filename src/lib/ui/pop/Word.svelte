<script lang="ts">
  import type { Snippet } from 'svelte';
  import Pop from './Pop.svelte';

  type Props = {
    title: string;
    text: string;
    /** held by the user: solid ink; worked out: dashed green */
    held?: boolean;
    children: Snippet<[() => void]>;
  };
  let { title, text, held = true, children: inner }: Props = $props();
</script>

<Pop
  {title}
  label="{text}: {title.toLowerCase()}{held ? '' : ', worked out'}"
  class="min-h-11 cursor-pointer border-b-2 px-0.5 leading-tight font-semibold {held
    ? 'border-solid border-ink text-ink'
    : 'border-dashed border-greengage text-greengage'}"
>
  {#snippet trigger()}{text}{/snippet}
  {#snippet children(close: () => void)}{@render inner(close)}{/snippet}
</Pop>
