<script lang="ts">
  import { household } from '$lib/store/household.svelte';
  import { TABLES, tableOf, type TableId } from '$lib/store/tables';
  import { csvOf } from '$lib/files/csv';
  import { download } from '../recipe/download';
  import { sayDone, sayWrong } from '../nav/said.svelte';

  /** What there is as tables, for a spreadsheet. */
  let busy = $state<TableId | null>(null);

  async function save(id: TableId) {
    busy = id;
    try {
      const name = `${id}-${new Date().toISOString().slice(0, 10)}.csv`;
      download(name, csvOf(await tableOf(id)), 'text/csv');
      sayDone(`${name} is handed to your downloads.`);
    } catch (e) {
      sayWrong(e);
    } finally {
      busy = null;
    }
  }
</script>

<div>
  <p class="head mb-1">As a table, for a spreadsheet</p>
  <p class="flex flex-wrap gap-2">
    {#each Object.entries(TABLES) as [id, name] (id)}
      <button
        class="btn btn-line"
        disabled={busy !== null || household.counts.events === 0}
        onclick={() => save(id as TableId)}>{name}</button
      >
    {/each}
  </p>
</div>
