<script lang="ts">
  import { page } from '$app/state';
  import { liveBatch } from '$lib/store/open-batch.svelte';
  import ReadingsIn from '$lib/ui/readings/ReadingsIn.svelte';

  const open = liveBatch(() => page.params.id ?? '');
</script>

<svelte:head><title>Readings of a logger · Vecino</title></svelte:head>

{#if open.batch}
  <p class="pt-2">
    <a
      href="/batches/{open.batch.id}"
      class="small inline-flex min-h-11 items-center underline underline-offset-4">{open.batch.state.name}</a
    >
  </p>
  <h1 class="sentence pb-2 font-normal">
    <b>Readings of a logger</b> for the {open.batch.state.name.toLowerCase()}.
  </h1>
  {#key open.batch.id}<ReadingsIn batch={open.batch} />{/key}
{:else if open.isMissing}<h1 class="sentence pt-4">There is no such batch here.</h1>{/if}
