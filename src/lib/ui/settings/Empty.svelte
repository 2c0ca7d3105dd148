<script lang="ts">
  import { counted } from '$core/units/format';
  import { household } from '$lib/store/household.svelte';
  import { emptyHousehold } from '$lib/store/empty';
  import { saveNow } from '../nav/save-now';
  import { sayDone, sayWrong } from '../nav/said.svelte';
  import Pop from '../pop/Pop.svelte';

  /** Everything out of this browser, once it is in a file. */
  let isSaved = $state(false);

  const save = async () => (isSaved = (await saveNow()) || isSaved);
  async function empty(close: () => void) {
    close();
    try {
      await emptyHousehold();
      sayDone('This browser is empty. Bring the file in again to have everything back.');
    } catch (e) {
      sayWrong(e);
    }
  }
</script>

<Pop title="Empty this browser" class="btn btn-plain justify-self-start px-0!">
  {#snippet trigger()}Empty this browser{/snippet}
  {#snippet children(close)}
    <div class="grid w-72 gap-3">
      <p>
        {counted(household.counts.batches, 'wine')}, {counted(household.counts.events, 'event')}, every photo,
        vessel and recipe go from this browser. Only a file brings them back.
      </p>
      <button class="btn {isSaved ? 'btn-line' : 'btn-primary'}" onclick={save}
        >First save everything to a file</button
      >
      <button class="btn btn-error" disabled={!isSaved} onclick={() => empty(close)}
        >It is there: empty it</button
      >
    </div>
  {/snippet}
</Pop>
