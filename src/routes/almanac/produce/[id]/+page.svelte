<script lang="ts">
  import { page } from '$app/state';
  import { allProduce, household } from '$lib/store/household.svelte';
  import ProducePage from '$lib/ui/almanac/ProducePage.svelte';

  const produce = $derived(allProduce().find((p) => p.id === page.params.id));
  const isOwn = $derived(household.ownProduce.some((o) => o.id === page.params.id));
</script>

<svelte:head><title>{produce?.name ?? 'Almanac'} · Vecino</title></svelte:head>

<p class="pt-2">
  <a
    href="/almanac"
    class="small inline-flex min-h-9 max-sm:min-h-11 items-center underline underline-offset-4">All produce</a
  >
</p>
{#if produce}
  {#key produce.id}<ProducePage {produce} {isOwn} isEditing={page.url.searchParams.has('own')} />{/key}
{:else}
  <p class="sentence">
    Nothing by that name in the Almanac. A wild plant that is not here: be sure of it with someone who knows,
    and if in doubt leave it out.
  </p>
{/if}
