<script lang="ts">
  import { counted } from '$core/units/format';
  import { beginAnew, type Illness } from '$lib/store/health.svelte';
  import { sayDone, sayWrong } from './said.svelte';

  /** What is wrong with the browser's store, in plain words, and the way out. */
  let { ill }: { ill: Illness } = $props();

  async function settle() {
    try {
      const n = await (await import('$lib/store/settle')).settleAhead(Date.now());
      sayDone(
        n > 0 ? `Dated back: ${counted(n, 'line')} of the wines.` : 'Nothing of the wines was dated ahead.'
      );
    } catch (e) {
      sayWrong(e);
    }
  }

  const when = (at: number) => new Date(at).toLocaleString([], { dateStyle: 'long', timeStyle: 'short' });
</script>

<div role="alert" class="mx-4 my-3 border-[1.5px] lg:mx-6 border-rosehip bg-tint-rose px-4 py-3 text-ink">
  {#if ill.kind === 'gone'}
    <p class="number text-[1.1875rem]">What was kept in this browser has been cleared.</p>
    <p>
      Somebody, or the browser itself, emptied it while this page was open. Nothing written from now on is
      kept. Open the page anew, and bring your last file in under Settings.
    </p>
  {:else if ill.kind === 'newer'}
    <p class="number text-[1.1875rem]">A newer Vecino is open in another tab.</p>
    <p>This one can write nothing any more. What you wrote is safe; open the page anew to go on.</p>
  {:else if ill.kind === 'silent'}
    <p class="number text-[1.1875rem]">The browser does not answer when asked for what it keeps.</p>
    <p>
      Nothing is lost by that. Close every other tab of Vecino and open this one anew; if that does not help,
      close the whole browser and start it again.
    </p>
  {:else if ill.kind === 'lost'}
    <p class="number text-[1.1875rem]">What was written in this browser is not here any more.</p>
    <p>
      There were {ill.events} entries, the last seen on {when(ill.at)}. The browser lost them, or they were
      cleared with its data.
      <a class="link font-semibold" href="/settings">Bring your last file in under Settings</a>; what you
      write from now on is kept.
    </p>
  {:else if ill.kind === 'clock'}
    <p class="number text-[1.1875rem]">This device’s clock is behind what was last written here.</p>
    <p>
      That was on {when(ill.lastAt)}; the clock says {when(Date.now())}. If the clock is wrong now, set it and
      open this anew. If it was wrong then, what was written then is dated back, so that it counts today.
    </p>
  {:else if ill.kind === 'full'}
    <p class="number text-[1.1875rem]">There is no more room on this disk.</p>
    <p>
      What was written is safe. What you type now is kept only while this page is open.
      <a class="link font-semibold" href="/settings">Save everything to a file</a>, make room, and go on.
    </p>
  {:else}
    <p class="number text-[1.1875rem]">This browser gives Vecino no room to keep anything.</p>
    <p>
      It may be a private window, a full disk, or a setting that forbids sites to keep data. You can look
      round, but nothing is written down. Use another window, or allow it, and open the page anew. ({ill.why})
    </p>
  {/if}
  {#if ill.kind === 'lost'}<p class="mt-2">
      <button class="btn btn-line" onclick={beginAnew}>I have no file: begin anew</button>
    </p>{:else if ill.kind !== 'full'}<p class="mt-2 flex flex-wrap gap-2">
      <button class="btn btn-primary" onclick={() => location.reload()}>Open it anew</button>
      {#if ill.kind === 'clock'}<button class="btn btn-line" onclick={settle}
          >The clock is right now: date it back</button
        >{/if}
    </p>{/if}
</div>
