<script lang="ts">
  import type { CellarWine } from '$core/cellar/stock';
  import { letGo } from '$core/commands/cellar';
  import type { Cell } from '$core/ledger/events/cell';
  import type { LeftBy } from '$core/ledger/events/open';
  import { BOTTLES, sizeText } from '$core/tables/bottles';
  import { InputError } from '$core/units/input-error';
  import { counted } from '$core/units/format';
  import { parseNumber } from '$core/units/parse';
  import { tell } from '../nav/said.svelte';

  /** How bottles leave: opened, given, broken, swapped. One tap for one; a number and a name where they are wanted. */
  type Props = { wine: CellarWine; kind?: number; from?: Cell[]; ondone?: () => void };
  let { wine, kind, from = [], ondone }: Props = $props();

  const WAYS: [LeftBy, string, string][] = [
    ['opened', 'Opened', 'opened'],
    ['given', 'Given', 'given away'],
    ['broken', 'Broken', 'broken'],
    ['swapped', 'Swapped', 'swapped']
  ];
  let count = $state('1');
  let to = $state('');
  let found = $state<'' | 'still' | 'fizzy' | 'gushing'>('');
  let chosen = $state('0');
  const kinds = $derived(wine.bottling.bottles.map((b, i) => ({ ...b, i })).filter((b) => b.left > 0));
  const ofKind = $derived(kind ?? (kinds.length > 1 ? Number(chosen) : undefined));

  async function leave(how: LeftBy, said: string) {
    const n = from.length > 0 ? from.length : parseNumber(count);
    const ok = await tell(
      `${wine.name}: ${counted(n ?? 0, 'bottle')} ${said}${to.trim() ? ` ${how === 'swapped' ? 'for' : 'to'} ${to.trim()}` : ''}.`,
      () => {
        if (n === null || !Number.isInteger(n))
          throw new InputError(`“${count}” is no number of bottles.`, 'Give a whole number.');
        return letGo(wine.batchId, wine.bottling, wine.danger, {
          count: n,
          how,
          to: how === 'opened' || how === 'broken' ? undefined : to,
          ...(how === 'opened' && found ? { found } : {}),
          ...(ofKind === undefined ? {} : { kind: ofKind }),
          from
        });
      }
    );
    if (!ok) return;
    [count, to, found] = ['1', '', ''];
    ondone?.();
  }
</script>

<div class="flex flex-wrap items-end gap-2" role="group" aria-label="{wine.name}: bottles that leave">
  {#if from.length === 0}
    <label class="small grid gap-0.5"
      >How many<input
        class="field number w-16!"
        inputmode="numeric"
        autocomplete="off"
        bind:value={count}
      /></label
    >
  {/if}
  {#if kind === undefined && kinds.length > 1}
    <label class="small grid gap-0.5"
      >Of which<select class="field w-auto!" bind:value={chosen}
        >{#each kinds as b (b.i)}<option value={String(b.i)}
            >{sizeText(b.sizeL)}, {BOTTLES[b.type].name.toLowerCase()}, {b.left} left</option
          >{/each}</select
      ></label
    >
  {/if}
  <label class="small grid min-w-0 flex-1 gap-0.5"
    >To whom, or for what<input
      class="field min-w-28"
      autocomplete="off"
      maxlength="80"
      list="given-to"
      bind:value={to}
    /></label
  >
  <label class="small grid gap-0.5"
    >Found<select class="field w-auto!" bind:value={found}
      ><option value="">–</option><option value="still">still</option><option value="fizzy">fizzy</option
      ><option value="gushing">it gushed</option></select
    ></label
  >
  <div class="flex w-full flex-wrap gap-2">
    {#each WAYS as [how, label, said] (how)}
      <button
        type="button"
        class="btn {how === 'opened' ? 'btn-primary' : 'btn-line'}"
        disabled={wine.danger !== null && (how === 'given' || how === 'swapped')}
        onclick={() => leave(how, said)}>{label}</button
      >
    {/each}
  </div>
  {#if wine.danger}<p class="text-rosehip">These could burst: they go to nobody.</p>{/if}
</div>
