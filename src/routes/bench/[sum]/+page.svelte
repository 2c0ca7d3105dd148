<script lang="ts">
  import { page } from '$app/state';
  import SumForm from '$lib/ui/bench/SumForm.svelte';
  import { sumById } from '$lib/ui/bench/sums';

  const sum = $derived(sumById(page.params.sum ?? ''));
</script>

<svelte:head><title>{sum?.title ?? 'Bench'} · Vecino</title></svelte:head>

<p class="pt-2">
  <a href="/bench" class="small inline-flex min-h-9 max-sm:min-h-11 items-center underline underline-offset-4"
    >All sums</a
  >
</p>
{#if sum}
  <h1 class="sentence pb-3 font-normal!"><b>{sum.title}{sum.title.endsWith('?') ? '' : '.'}</b> {sum.ask}</h1>
  {#key sum.id}<SumForm {sum} />{/key}
{:else}
  <p class="sentence">No sum is called that. They are all on the Bench.</p>
{/if}
