<script lang="ts">
  import { explain, own } from '$lib/ui/words/own-units';
  import { cautionsAt, RULES } from '$core/cautions/rules';
  import Cautions from '../caution/Cautions.svelte';
  import { UNIT_LABEL, type Unit } from '$core/units/measure';
  import { db } from '$lib/store/db';
  import { household } from '$lib/store/household.svelte';
  import { createDraft } from '../field/draft.svelte';
  import { FieldError, startOf, work, type Answer, type Field, type Sum } from './sum';

  /** One sum: what is asked on the left, the number on the right, live, with its workings. */
  let { sum }: { sum: Sum } = $props();

  // svelte-ignore state_referenced_locally
  const draft = createDraft(
    `bench:${sum.id}`,
    Object.fromEntries(sum.fields.map((f) => [f.id, startOf(f, household.settings)])) as Record<
      string,
      string
    >
  );
  const shown = $derived(sum.fields.filter((f) => !f.when || f.when(draft.fields)));
  const result = $derived.by<{ answer: Answer | null; field: string; error: string }>(() => {
    try {
      return { answer: work(sum, draft.fields, household.settings), field: '', error: '' };
    } catch (e) {
      return { answer: null, field: e instanceof FieldError ? e.field : '', error: explain(e) };
    }
  });
  const answer = $derived(result.answer);
  let understood = $state<string | null>(null);
  const isStopped = $derived(answer?.stop !== undefined && understood !== answer.stop);

  async function understand(id: string) {
    understood = id;
    await db.settings.put({ key: `understood:${id}`, value: new Date().toISOString() });
  }

  const unitOf = (f: Field): string =>
    f.kind === 'temp'
      ? `°${household.settings.temp}`
      : f.kind === 'mass'
        ? UNIT_LABEL[f.unit ?? (household.settings.mass as Unit)]
        : f.kind === 'volume'
          ? UNIT_LABEL[f.unit ?? (household.settings.volume as Unit)]
          : f.kind === 'acid'
            ? 'g/L'
            : '';
  const isBare = (f: Field) => !/[a-z%°]/i.test(draft.fields[f.id] ?? '');
</script>

<!-- The number comes first where there is one column, and beside what is asked where there are two. -->
<div
  class="grid items-start gap-x-12 gap-y-5 lg:grid-cols-[minmax(0,24rem)_minmax(0,1fr)] lg:grid-rows-[auto_1fr]"
>
  <form
    class="grid gap-3 max-lg:order-2 lg:row-span-2"
    aria-label={sum.title}
    onsubmit={(e) => e.preventDefault()}
  >
    {#each shown as f (f.id)}
      <label class="grid grid-cols-[minmax(0,1fr)_minmax(0,11rem)] items-center gap-x-3 font-semibold">
        <span>{f.label}</span>
        {#if f.kind === 'choice'}
          <select
            class="field"
            value={draft.fields[f.id]}
            onchange={(e) => draft.set(f.id, e.currentTarget.value)}
          >
            {#each Object.entries(f.options ?? {}) as [id, name] (id)}<option value={id}>{name}</option
              >{/each}
          </select>
        {:else}
          <span class="relative">
            <input
              class="field number pr-14! text-[1.25rem]!"
              autocomplete="off"
              aria-invalid={result.field === f.id}
              placeholder={f.optional ? '?' : ''}
              value={draft.fields[f.id]}
              oninput={(e) => draft.set(f.id, e.currentTarget.value)}
              onfocus={(e) => e.currentTarget.select()}
            />
            {#if isBare(f) && unitOf(f)}<span
                class="small pointer-events-none absolute top-1/2 right-3 -translate-y-1/2 font-normal"
                aria-hidden="true">{unitOf(f)}</span
              >{/if}
          </span>
        {/if}
        {#if result.field === f.id}<span
            class="col-span-full text-[0.9375rem] font-normal text-rosehip"
            role="alert">{result.error}</span
          >{/if}
      </label>
    {/each}
    {#if result.error && result.field === ''}<p class="bg-tint-straw px-3 py-2" role="alert">
        {result.error}
      </p>{/if}
  </form>

  <section aria-label="Answer" aria-live="polite">
    {#if answer?.stop && isStopped}
      {@const rule = RULES[answer.stop]!}
      <div class="bg-tint-rose px-4 py-3" role="alert">
        <p class="number text-[1.25rem]">Stop. {rule.title}</p>
        <p class="mt-1">{own(rule.text)} {rule.ask}</p>
        <label class="mt-2 flex min-h-11 items-center gap-3"
          ><input
            type="checkbox"
            class="checkbox"
            onchange={(e) => e.currentTarget.checked && void understand(answer.stop!)}
          /> I understand: alone, thin, and rinsed</label
        >
      </div>
    {:else if answer}
      <p class="flex flex-wrap items-baseline gap-x-4">
        <span class="number text-[3.25rem] leading-none font-bold" data-testid="answer">{answer.big}</span>
        <span class="sentence text-[1.25rem]! leading-snug!">{own(answer.says)}</span>
      </p>
    {/if}
  </section>
  {#if answer && !isStopped}
    <section class="max-lg:order-3" aria-label="Workings">
      {#if answer.table && answer.table.length > 0}
        <table class="mt-4 w-full border-t-[1.5px] border-ink">
          <tbody>
            {#each answer.table as [what, figure, note], i (i)}
              <tr class="dashline align-baseline">
                <th scope="row" class="py-1.5 pr-4 text-left font-semibold">{what}</th>
                <td class="number py-1.5 pr-4 text-[1.0625rem] whitespace-nowrap">{figure}</td>
                <td class="small py-1.5 max-sm:hidden">{own(note ?? '')}</td>
              </tr>
              {#if note}<tr class="sm:hidden"><td class="small pb-1.5" colspan="2">{own(note)}</td></tr>{/if}
            {/each}
          </tbody>
        </table>
      {/if}
      {#if sum.place}
        <div class="mt-4 grid max-w-[68ch] gap-1.5">
          <Cautions list={cautionsAt(sum.place, { now: 'sanitising' }).filter((c) => c.level !== 'stop')} />
        </div>
      {/if}
      <div class="mt-4">
        <p class="head">How it was worked out</p>
        {#each answer.workings as line (line)}<p class="mt-1 max-w-[68ch] text-[0.9375rem]">
            {own(line)}
          </p>{/each}
      </div>
    </section>
  {/if}
</div>
