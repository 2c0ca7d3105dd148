<script lang="ts">
  import { goto } from '$app/navigation';
  import { quantityText } from '$core/units/format';
  import { explain } from '$lib/ui/words/own-units';
  import { amountOf } from '$core/plan/plan';
  import { household } from '$lib/store/household.svelte';
  import { keep, takeOff } from '$lib/store/things';
  import { readTyped } from '../field/read-text';
  import { thingFile } from '$lib/store/file-of';
  import { download, fileName } from '../recipe/download';
  import { sayDone, tell } from '../nav/said.svelte';
  import Pop from '../pop/Pop.svelte';
  import type { Stored } from './stored';

  /** One lot: what is left of it, how long it keeps, and what one does with it. */
  let { s }: { s: Stored } = $props();

  const FORM = { fresh: 'fresh', frozen: 'frozen', dried: 'dried' } as const;
  const amount = $derived(quantityText(s.leftKg, household.settings.mass));
  let part = $state('');
  let error = $state('');

  const became = (form: 'fresh' | 'frozen' | 'dried', what: 'frozen' | 'thawed', say: string) =>
    tell(`${s.produce.plural}: ${say}.`, () =>
      keep('harvest', {
        ...$state.snapshot(s.lot),
        form,
        fates: [...s.lot.fates, { at: new Date().toISOString(), what, massKg: s.leftKg }]
      })
    );

  async function lose(what: 'thrown' | 'eaten' | 'trimmed', close: () => void) {
    error = '';
    try {
      const kg = part.trim()
        ? amountOf(
            readTyped(
              part,
              {
                kind: 'produce',
                produceId: s.produce.id,
                ...(s.lot.entry ? { entry: s.lot.entry } : {}),
                massKg: 0
              },
              household.settings
            ).item
          )
        : s.leftKg;
      if (kg > s.leftKg + 1e-6) throw new Error(`There are only ${amount} left.`);
      const ok = await tell(
        `${s.produce.plural}: ${quantityText(kg, household.settings.mass)} ${what}.`,
        () =>
          keep('harvest', {
            ...$state.snapshot(s.lot),
            fates: [...s.lot.fates, { at: new Date().toISOString(), what, massKg: kg }]
          })
      );
      part = '';
      if (ok) close();
    } catch (e) {
      error = explain(e);
    }
  }
  async function saveFile() {
    const { name, blob } = await thingFile('harvest', s.lot.id, fileName(s.produce.plural));
    download(name, blob, blob.type);
    sayDone(`${name} is handed to your downloads.`);
  }
  const day = $derived(
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' }).format(Date.parse(s.lot.at))
  );
</script>

<li
  class="dashline grid grid-cols-[0.75rem_minmax(0,1fr)_auto_auto] items-center gap-x-3 py-1.5"
  data-lot={s.produce.id}
>
  <span class="h-9 w-3 border border-ink" style:background={s.produce.colour.fruit}></span>
  <div class="min-w-0">
    <p class="font-semibold break-words">{s.produce.plural}</p>
    <p class="small break-words">
      {#if s.leftKg > 0.005}<span class={s.keeping.isUrgent ? 'font-semibold text-rosehip' : ''}
          >{s.keeping.text}</span
        >{/if}{s.leftKg > 0.005 ? ', ' : ''}{FORM[s.lot.form]}, {day}{s.lot.place
        ? `, ${s.lot.place}`
        : ''}{#each s.batches as b (b.id)}, in <a class="underline" href="/batches/{b.id}">{b.name}</a>{/each}
    </p>
  </div>
  <p class="number text-[1.25rem]">{amount}</p>
  <div class="flex gap-1">
    {#if s.leftKg > 0.005}
      <button
        class="btn btn-line px-3!"
        onclick={() => goto(`/plan?lot=${s.lot.id}`)}
        aria-label="Plan with the {s.produce.plural.toLowerCase()}">Plan</button
      >
    {/if}
    <Pop
      title="{s.produce.plural}: what became of it"
      class="btn btn-plain px-2!"
      label="More for {s.produce.plural.toLowerCase()}"
    >
      {#snippet trigger()}…{/snippet}
      {#snippet children(close: () => void)}
        <div class="grid gap-2">
          {#if s.leftKg > 0.005}
            {#if s.lot.form === 'fresh'}
              <button
                class="btn btn-line"
                onclick={() => void became('frozen', 'frozen', 'in the freezer').then(close)}
                >Into the freezer</button
              >
            {:else if s.lot.form === 'frozen'}
              <button
                class="btn btn-line"
                onclick={() => void became('fresh', 'thawed', 'thawed').then(close)}>Thawed</button
              >
            {/if}
            <label class="grid gap-1 font-semibold"
              >How much
              <input class="field" autocomplete="off" placeholder="all, {amount}" bind:value={part} />
            </label>
            <div class="flex gap-2">
              <button class="btn btn-line flex-1" onclick={() => lose('eaten', close)}>Eaten</button>
              <button class="btn btn-line flex-1" onclick={() => lose('trimmed', close)}>Trimmed off</button>
              <button class="btn btn-line flex-1" onclick={() => lose('thrown', close)}>Thrown</button>
            </div>
            {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
          {/if}
          <button class="min-h-11 underline underline-offset-4" onclick={saveFile}>Save its file</button>
          {#if s.batches.length === 0}
            <button
              class="min-h-11 underline underline-offset-4"
              onclick={() => tell('Taken off the list.', () => takeOff('harvest', s.lot.id))}
              >It was written by mistake</button
            >
          {/if}
        </div>
      {/snippet}
    </Pop>
  </div>
</li>
