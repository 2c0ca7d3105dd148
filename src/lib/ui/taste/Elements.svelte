<script lang="ts">
  import { ELEMENTS, TASTING } from '$core/tables/tasting';

  /** The four things one looks for, with words one taps. */
  let { picked, ontap }: { picked: ReadonlySet<string>; ontap: (id: string) => void } = $props();
</script>

<div class="grid gap-2 sm:grid-cols-[auto_minmax(0,1fr)] sm:gap-x-4">
  {#each ELEMENTS as e (e)}
    <span class="head pt-3 max-sm:pt-1" id="taste-{e}">{TASTING[e].name}</span>
    <div class="flex flex-wrap gap-1.5" role="group" aria-labelledby="taste-{e}">
      {#each TASTING[e].words as w (w.id)}
        <button
          type="button"
          class="min-h-11 border-[1.5px] px-3 {picked.has(w.id)
            ? 'border-ink bg-primary font-semibold text-primary-content'
            : 'border-rule bg-paper'}"
          aria-pressed={picked.has(w.id)}
          onclick={() => ontap(w.id)}>{w.name}</button
        >
      {/each}
    </div>
  {/each}
</div>
