<script lang="ts">
  /** A long job: what it is, how far, and its way to be stopped. */
  let { text, share, onstop }: { text: string; share: number; onstop: () => void } = $props();
</script>

<div class="flex flex-wrap items-center gap-3" role="group" aria-label="Working">
  <span>{text}, {Math.round(100 * share)} %</span>
  <progress aria-label={text} class="progress w-48" max="1" value={share}></progress>
  <button class="btn btn-line" onclick={onstop}>Stop</button>
</div>
