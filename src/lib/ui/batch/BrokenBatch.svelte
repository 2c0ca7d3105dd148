<script lang="ts">
  import { writeFile } from '$lib/files/vecino-file';
  import type { LedgerEvent } from '$core/ledger/log';
  import { takeBack } from '../nav/said.svelte';
  import { download } from '../recipe/download';

  /** A batch whose log cannot be read: its raw events, with what there is to do about them. Nothing else is touched. */
  let { events, error }: { events: readonly LedgerEvent[]; error: string } = $props();

  const voided = $derived(new Set(events.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : []))));
  const live = $derived(events.filter((e) => e.type !== 'void' && !voided.has(e.id)).toReversed());
  const name = $derived(
    String(
      (events.find((e) => e.type === 'planned')?.data as { name?: unknown } | undefined)?.name ?? 'This batch'
    )
  );
  const save = () =>
    download(
      `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.vecino.json`,
      writeFile({ events }, new Date().toISOString()),
      'application/json'
    );
</script>

<h1 class="sentence pt-2 font-normal">
  <b class="break-words">{name}.</b> Its log cannot be read, so nothing can be said of it. All it holds is below,
  and safe; every other wine goes on as ever.
</h1>
<p class="mt-2 bg-tint-rose px-3 py-2 text-ink" role="alert">What went wrong: {error}</p>
<p class="mt-2">
  Take back the entry that cannot be right, the newest first, and the rest can be read again. Save a file of
  it before you do.
</p>
<p class="my-3"><button class="btn btn-primary" onclick={save}>Save this batch to a file</button></p>
<ol class="inkline">
  {#each live as e (e.id)}
    <li class="dashline flex flex-wrap items-baseline justify-between gap-x-4 py-1">
      <span class="min-w-0 break-words"
        ><span class="small">{String(e.at).slice(0, 16).replace('T', ' ')}</span>
        <b>{e.type}</b>
        <code class="text-[0.8125rem] break-all">{JSON.stringify(e.data).slice(0, 300)}</code></span
      >
      <button class="min-h-11 underline underline-offset-4" onclick={() => void takeBack([e], 'remove')}
        >take it back</button
      >
    </li>
  {/each}
</ol>
