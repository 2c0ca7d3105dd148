<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { base } from '$app/paths';
  import { runningBatches } from '$lib/store/household.svelte';
  import { dropShared, sharedPhoto } from '$lib/store/shared-photo';

  /** A picture that was shared from elsewhere: of which wine is it? */
  let url = $state('');
  let isLooked = $state(false);
  onMount(async () => {
    const found = await sharedPhoto();
    if (found) url = URL.createObjectURL(found.blob);
    isLooked = true;
  });
  onDestroy(() => url && URL.revokeObjectURL(url));
  const leave = async () => {
    await dropShared();
    await goto(`${base}/`);
  };
</script>

<svelte:head><title>A photo · Vecino</title></svelte:head>

{#if url}
  <h1 class="sentence pt-2 pb-3 font-normal"><b>Of which wine</b> is this?</h1>
  <div class="grid grid-cols-1 gap-6 sm:grid-cols-[auto_minmax(0,1fr)]">
    <img src={url} alt="What was shared" class="max-h-80 max-w-full border border-rule object-contain" />
    <ul class="inkline">
      {#each runningBatches() as b (b.id)}<li class="dashline">
          <a class="number flex min-h-12 items-center text-[1.1875rem]" href="/batches/{b.id}#photo"
            >{b.state.name}</a
          >
        </li>{/each}
    </ul>
  </div>
  <p class="mt-3"><button class="btn btn-line" onclick={leave}>Of none: leave it</button></p>
{:else if isLooked}
  <h1 class="sentence pt-4">Nothing was shared. <a class="link" href="/">Today</a></h1>
{/if}
