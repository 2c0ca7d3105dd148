<script lang="ts">
  import { own } from '$lib/ui/words/own-units';
  import { WORDS } from './glossary';
</script>

<dl class="max-w-3xl">
  {#each Object.entries(WORDS).sort((a, b) => a[1].name.localeCompare(b[1].name, 'en')) as [id, w] (id)}
    <div
      {id}
      class="dashline grid scroll-mt-4 gap-x-6 py-2 target:bg-tint-green sm:grid-cols-[11rem_minmax(0,1fr)]"
    >
      <dt class="font-semibold">{w.name}</dt>
      <dd>{own(w.says)}</dd>
    </div>
  {/each}
</dl>
