<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { parse } from '$core/quickline/parse';
  import { WhichVessel } from '$core/quickline/which-vessel';
  import { AskError } from '$core/units/input-error';
  import { household, runningBatches, vesselById, type Batch } from '$lib/store/household.svelte';
  import { dropDraft, keepDraft, readDraft } from '$lib/store/draft';
  import { bottledBatches } from '$lib/store/wines';
  import { FOR_NOW_MS } from '../field/draft.svelte';
  import { explain } from '../words/own-units';
  import { contextHere, homeHere } from './here';
  import Asks from './Asks.svelte';
  import { examplesFor } from './examples';
  import { keepLine, lastLines } from './lines';
  import Means from './Means.svelte';
  import { previewOf, type Preview } from './preview';
  import { closeQuick, quick } from '../nav/quick.svelte';
  import { lastDeedWords, type LastDeed } from '../words/deed-words';
  import { run } from './run';

  /** One line that takes what people say: it shows what it will write before it is written. */
  let input = $state<HTMLInputElement>();
  let dialog = $state<HTMLDialogElement>();
  let bottled = $state.raw<Batch[]>([]);
  let lines = $state.raw<string[]>([]);
  let at = $state(-1);
  let error = $state('');
  /** what was asked about: Enter once more says that it is so */
  let asked = $state('');
  let isBusy = false;
  const MOST_BOTTLED = 60;

  const DRAFT = 'quick-line';
  /** What was typed for now and not written, by who closed it or whose tab was killed, stands there again. */
  async function bringBack() {
    const kept = (await readDraft(DRAFT)) as { text?: unknown; at?: unknown } | undefined;
    const isForNow = typeof kept?.at === 'number' && Date.now() - kept.at < FOR_NOW_MS;
    if (quick.text === '' && isForNow && typeof kept.text === 'string') put(kept.text);
  }
  let isTyped = false;
  $effect(() => {
    const { text } = quick;
    if (text !== '') isTyped = true;
    if (isTyped) keepDraft(DRAFT, { text, at: Date.now() });
  });

  onMount(() => {
    void bringBack();
    dialog?.showModal();
    input?.focus();
    void lastLines().then((l) => (lines = l));
    void bottledBatches(MOST_BOTTLED).then((b) => (bottled = b));
    const view = window.visualViewport;
    const place = () => {
      if (dialog && view)
        dialog.style.setProperty(
          '--keys',
          `${Math.max(0, window.innerHeight - view.height - view.offsetTop)}px`
        );
    };
    place();
    view?.addEventListener('resize', place);
    return () => view?.removeEventListener('resize', place);
  });

  const hereId = $derived(/\/batches\/([^/]+)/.exec(page.url.pathname)?.[1] ?? null);
  const wines = $derived([...runningBatches(), ...bottled]);
  const ctx = $derived.by(() => {
    // The clock is read anew with every letter, and as the lists change.
    void [quick.text, household.now];
    return contextHere(hereId, bottled);
  });
  const asWritten = $derived(parse(quick.text, ctx));
  /** What is not understood is kept as a note beside what is: that is all there is to settle. */
  const keeps = $derived(asWritten.asks.length === 1 ? (asWritten.asks[0]!.keeps ?? '') : '');
  const parsed = $derived(keeps ? parse(keeps, ctx) : asWritten);
  const ask = $derived(parsed.asks[0] ?? null);
  /** What an undo would take back. */
  let last = $state.raw<LastDeed | null>(null);
  const isUndo = $derived(parsed.commands.some((c) => c.kind === 'undo'));
  $effect(() => {
    if (isUndo) void lastDeedWords().then((found) => (last = found));
  });
  const shown = $derived.by<{ preview: Preview | null; wrong: string; vessels?: string[] }>(() => {
    try {
      return { preview: previewOf(parsed.commands, wines, homeHere(bottled), ctx, last), wrong: '' };
    } catch (e) {
      const which =
        e instanceof WhichVessel ? { vessels: e.vesselIds.flatMap((id) => vesselById(id)?.name ?? []) } : {};
      return { preview: null, wrong: explain(e), ...which };
    }
  });
  /** What has to be known of the household's own instrument, once. */
  const stem = $derived.by(() => {
    const c = parsed.commands[0];
    if (c?.kind !== 'reading') return '';
    return c.brix !== undefined ? `${c.brix} bx` : c.potential !== undefined ? `${c.potential} pa` : '';
  });
  /** The line with the vessel that is meant in it. */
  const inVessel = (name: string) => {
    const line = quick.text.trim();
    const racked = /\b(racked|siphoned|transferred|moved)\b/i;
    return racked.test(line)
      ? line.replace(racked, `$1 from the ${name.toLowerCase()}`)
      : `${line} ${/\bbottled\b/i.test(line) ? 'from' : 'in'} the ${name.toLowerCase()}`;
  };
  const choices = $derived([
    ...(shown.vessels ?? []).map((name) => ({ label: name, line: inVessel(name) })),
    ...(shown.vessels && parsed.commands[0]?.kind === 'reading'
      ? [{ label: 'Each of them', line: `${quick.text.trim()} in each` }]
      : [])
  ]);
  const isQuestion = $derived(parsed.commands[0]?.kind === 'question');
  const isReady = $derived(
    !ask && shown.preview !== null && shown.preview.lines.length > 0 && (!isUndo || last !== null)
  );
  const examples = $derived(examplesFor(wines.find((w) => w.id === hereId) ?? null, household.settings));

  function put(line: string) {
    quick.text = line;
    error = asked = '';
    void tick().then(() => input?.setSelectionRange(line.length, line.length));
    input?.focus();
  }

  async function enter() {
    if (isBusy || !isReady || !shown.preview) return;
    const line = quick.text.trim();
    isBusy = true;
    error = '';
    try {
      if (isQuestion) {
        const href = shown.preview.lines[0]!.href;
        closeQuick();
        if (href) await goto(href);
      } else {
        await run(shown.preview, asked === line, goto, last);
        quick.text = '';
        await dropDraft(DRAFT);
        closeQuick();
      }
      await keepLine(line);
    } catch (e) {
      error = explain(e);
      asked = e instanceof AskError ? line : '';
    } finally {
      isBusy = false;
    }
  }

  function keys(e: KeyboardEvent) {
    const n = e.altKey ? Number(/^Digit([1-9])$/.exec(e.code)?.[1]) : NaN;
    const chosen = (ask?.choices ?? choices)[n - 1];
    if (chosen) {
      e.preventDefault();
      put(chosen.line);
    } else if (e.key === 'ArrowUp' && lines.length > 0) {
      e.preventDefault();
      at = Math.min(lines.length - 1, at + 1);
      put(lines[at]!);
    } else if (e.key === 'ArrowDown' && at >= 0) {
      e.preventDefault();
      at -= 1;
      put(at < 0 ? '' : lines[at]!);
    }
  }
</script>

<dialog
  bind:this={dialog}
  class="quick m-0 w-full max-w-none border-ink bg-slip p-0 text-ink max-md:border-t-[1.5px] md:mx-auto md:mt-14 md:max-w-3xl md:border-[1.5px]"
  aria-label="Quick line"
  onclose={closeQuick}
  onclick={(e) => e.target === dialog && closeQuick()}
>
  <!-- On a phone the field stands on the keyboard, and what it means over it. -->
  <form
    class="flex flex-col max-md:flex-col-reverse"
    onsubmit={(e) => {
      e.preventDefault();
      void enter();
    }}
  >
    <div class="flex items-stretch border-ink max-md:border-t-[1.5px] md:border-b-[1.5px]">
      <input
        bind:this={input}
        bind:value={quick.text}
        class="h-16 min-w-0 flex-1 bg-transparent px-4 text-[1.375rem] outline-none placeholder:text-quiet"
        placeholder={examples[0] ?? 'sg 1.064 21c'}
        aria-label="Say it in one line"
        aria-describedby="quick-means"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        enterkeyhint="done"
        maxlength="500"
        onkeydown={keys}
        oninput={() => {
          error = asked = '';
          at = -1;
        }}
      />
      <button class="btn btn-primary h-16! rounded-none! px-5!" disabled={!isReady}
        >{isQuestion ? 'More' : asked ? 'It is so' : 'Write'}</button
      >
    </div>
    <div id="quick-means" class="px-4 py-2" aria-live="polite">
      {#if quick.text.trim() === ''}
        <ul class="flex flex-wrap gap-x-5" aria-label="Such as">
          {#each examples as x (x)}<li>
              <button
                type="button"
                class="min-h-11 text-left underline decoration-rule underline-offset-4"
                onclick={() => put(x)}>{x}</button
              >
            </li>{/each}
        </ul>
      {:else}
        {#if shown.preview}<Means lines={shown.preview.lines} />{/if}
        {#if keeps}<p class="bg-tint-straw px-3 py-2" role="status" data-testid="keeps">
            {asWritten.asks[0]!.text} It is kept as a note.
          </p>{/if}
        <Asks {ask} wrong={error || shown.wrong} {asked} {stem} vessels={choices} onput={put} />
      {/if}
    </div>
  </form>
</dialog>

<style>
  .quick::backdrop {
    background: color-mix(in srgb, var(--color-base-100) 62%, transparent);
  }
  /* On a phone it stands on the keyboard. */
  @media (max-width: 767px) {
    .quick {
      top: auto;
      bottom: var(--keys, 0);
    }
  }
</style>
