<script lang="ts">
  import { page } from '$app/state';
  import Fault from '$lib/ui/nav/Fault.svelte';
</script>

<svelte:head><title>Something went wrong · Vecino</title></svelte:head>

{#if page.status === 404}
  <h1 class="sentence pt-4 font-bold">There is no such page.</h1>
  <p><a class="link" href="/">Today</a></p>
{:else}
  <Fault error={page.error?.message ?? page.status} retry={() => location.reload()} />
{/if}
