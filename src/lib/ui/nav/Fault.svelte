<script lang="ts">
  import { health } from '$lib/store/health.svelte';
  import { explain } from '$lib/ui/words/own-units';

  /** A page that went wrong: what is safe, and a way to take it along. */
  let { error, retry }: { error: unknown; retry: () => void } = $props();
  let said = $state('');
  async function save() {
    try {
      const { saveEverything } = await import('$lib/store/save-everything');
      said = await saveEverything();
    } catch (e) {
      said = `It could not be saved: ${explain(e)}`;
    }
  }
</script>

<div role="alert">
  <h1 class="sentence pt-4 font-bold">This page went wrong.</h1>
  {#if health.isShut}
    <p>What you wrote down cannot be read here now; the notice above says why, and what to do.</p>
  {:else}
    <p>All that you wrote down is safe in this browser: nothing is lost by it. Other pages go on.</p>
  {/if}
  <p class="small break-words">What went wrong: {explain(error)}</p>
  <p class="mt-3 flex flex-wrap gap-2">
    <button class="btn btn-primary" onclick={retry}>Try again</button>
    {#if !health.isShut}<button class="btn btn-line" onclick={save}>Save everything to a file</button>{/if}
    <a class="btn btn-line" href="/" data-sveltekit-reload>Today</a>
    <a class="btn btn-line" href="/settings" data-sveltekit-reload>Settings and files</a>
  </p>
  {#if said}<p role="status" class="mt-2">{said}</p>{/if}
</div>
