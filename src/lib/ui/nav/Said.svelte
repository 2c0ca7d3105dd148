<script lang="ts">
  import { hush, said } from './said.svelte';

  const TONE = {
    done: 'border-ink bg-slip',
    ask: 'border-straw bg-tint-straw',
    wrong: 'border-rosehip bg-tint-rose'
  } as const;
</script>

<div
  role="status"
  aria-live="polite"
  class="pointer-events-none flex justify-center px-3 md:fixed md:inset-x-0 md:bottom-2 md:tall:bottom-[8rem]"
>
  {#if said.line}
    {@const act = said.line.act}
    <div
      class="pointer-events-auto flex max-w-2xl min-w-0 items-center gap-3 border-[1.5px] px-4 py-1 text-ink {TONE[
        said.line.tone
      ]}"
    >
      <span class="min-w-0 break-words">{said.line.text}</span>
      {#if act}<button class="btn btn-plain" onclick={() => void act.run()}>{act.label}</button>{/if}
      <button class="btn btn-plain" onclick={hush} aria-label="Close this message">×</button>
    </div>
  {/if}
</div>
