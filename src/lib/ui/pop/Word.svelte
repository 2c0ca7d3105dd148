<script lang="ts">
  import type { Snippet } from 'svelte';
  import Pop from './Pop.svelte';

  type Props = {
    title: string;
    text: string;
    /** held by the user: solid ink; worked out: dashed green */
    held?: boolean;
    /** in running text, where a mouse needs less height than a finger */
    inText?: boolean;
    children: Snippet<[() => void]>;
  };
  let { title, text, held = true, inText = false, children: inner }: Props = $props();
</script>

<Pop
  {title}
  label="{text}: {title.toLowerCase()}{held ? '' : ', worked out'}"
  class="{inText
    ? 'min-h-11 sm:min-h-7'
    : 'min-h-11'} cursor-pointer font-semibold underline decoration-2 underline-offset-[7px] {held
    ? 'decoration-ink text-ink decoration-solid'
    : 'decoration-greengage text-greengage decoration-dashed'}"
>
  {#snippet trigger()}{text}{/snippet}
  {#snippet children(close: () => void)}{@render inner(close)}{/snippet}
</Pop>
