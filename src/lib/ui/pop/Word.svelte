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
  class="min-h-11 cursor-pointer font-semibold underline decoration-2 underline-offset-[7px] {held
    ? 'decoration-ink text-ink decoration-solid'
    : 'decoration-greengage text-greengage decoration-dashed'}"
>
  {#snippet trigger()}{text}{/snippet}
  {#snippet children(close: () => void)}{@render inner(close)}{/snippet}
</Pop>
