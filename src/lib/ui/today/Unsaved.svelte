<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { zoneHere } from '$lib/store/here';
  import { saveNow } from '../nav/save-now';
  import { onDay } from '../shelf/when';

  /** How much would be lost with this browser, once that is worth a file. */
  const MANY = 80;
</script>

{#if household.unsaved >= MANY}
  <p class="inkline flex flex-wrap items-center justify-between gap-3 py-2">
    <span
      ><b class="number">{household.unsaved}</b> things written down {household.exportedAt
        ? `since the last file, ${onDay(household.exportedAt, household.now, zoneHere())},`
        : ''} are in this browser alone.</span
    >
    <button class="btn btn-line" onclick={saveNow}>Save them to a file</button>
  </p>
{/if}
