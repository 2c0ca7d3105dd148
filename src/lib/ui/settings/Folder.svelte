<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { allowFolder, chooseFolder, folder, leaveFolder } from '$lib/store/folder.svelte';
  import { sayWrong } from '../nav/said.svelte';
  import { dayWord } from '../shelf/when';

  /** A folder that everything is saved to by itself, where the browser can. */
  const act = (job: () => Promise<void>) => void job().catch(sayWrong);
</script>

{#if folder.isPossible}
  <div role="group" aria-label="Saved by itself">
    <p class="head mb-1">Saved by itself</p>
    {#if folder.state === 'none'}
      <p class="flex flex-wrap items-center gap-3">
        <button class="btn btn-line" onclick={() => act(chooseFolder)}>Choose a folder</button>
        <span class="small">A file a day, after each change; a fortnight of them is kept.</span>
      </p>
    {:else if folder.state === 'asks'}
      <p class="flex flex-wrap items-center gap-3">
        <button class="btn btn-primary" onclick={() => act(allowFolder)}>Go on saving to {folder.name}</button
        >
        <span class="small">The browser asks anew after it was closed.</span>
      </p>
    {:else}
      <p class="flex flex-wrap items-center gap-3">
        <span
          >To <b>{folder.name}</b>{folder.savedAt
            ? `, last ${dayWord(folder.savedAt, household.now, zoneHere())}`
            : ''}.</span
        >
        <button class="btn btn-plain" onclick={() => act(leaveFolder)}>Stop</button>
      </p>
    {/if}
    {#if folder.error}<p role="alert" class="text-rosehip">
        The folder could not be written to ({folder.error}). Everything is still here; choose the folder anew,
        or save a file.
      </p>{/if}
  </div>
{/if}
