<script lang="ts">
  import { hush, said, undoSaid } from './said.svelte';
</script>

<div
  role="status"
  aria-live="polite"
  class="pointer-events-none fixed inset-x-0 bottom-[11.5rem] z-30 flex justify-center px-3 md:bottom-[8rem]"
>
  {#if said.line}
    <div
      class="pointer-events-auto flex max-w-2xl items-center gap-3 border-[1.5px] px-4 py-1 {said.line
        .tone === 'wrong'
        ? 'border-rosehip bg-tint-rose text-ink'
        : 'border-ink bg-slip text-ink'}"
    >
      <span>{said.line.text}</span>
      {#if said.line.event}<button class="btn btn-plain" onclick={undoSaid}>Undo</button>{/if}
      <button class="btn btn-plain" onclick={hush} aria-label="Close this message">×</button>
    </div>
  {/if}
</div>
