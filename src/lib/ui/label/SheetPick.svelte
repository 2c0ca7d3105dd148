<script lang="ts">
  import { cellsOf, countOf } from '$core/label/sheets';
  import { PAPERS, type Grid } from '$core/units/paper';
  import { gridSchema } from '$core/units/paper-schema';
  import { explain, InputError } from '$core/units/input-error';
  import { household } from '$lib/store/household.svelte';
  import { gridChoices, gridHere, gridId, inInches, saveLabels, shownLength, typedMm } from './sheet.svelte';

  /**
   * Which sheet is printed on, how many, and where the first goes. A place that this sheet has not is kept
   * too: the sheet of more labels may only just have been picked.
   */
  type Props = {
    count: number;
    first: number;
    /** what is counted, where there are several */
    each?: string;
    oncount: (n: number) => void;
    onfirst: (n: number) => void;
  };
  let { count, first, each = '', oncount, onfirst }: Props = $props();

  const grid = $derived(gridHere());
  let error = $state('');
  /** what was typed of one's own sheet, whether or not it goes on its paper yet */
  let typed = $state.raw<Partial<Grid>>({});
  const LENGTHS = [
    ['wMm', 'width'],
    ['hMm', 'height'],
    ['leftMm', 'from the left'],
    ['topMm', 'from the top'],
    ['gapXMm', 'between, across'],
    ['gapYMm', 'between, down']
  ] as const;

  async function own(change: Partial<Grid>) {
    typed = { ...typed, ...change };
    const next = gridSchema.safeParse({ ...grid, ...typed });
    try {
      if (!next.success)
        throw new InputError('One of these is no length of a label.', 'Give each as a plain number.', 'grid');
      cellsOf(next.data);
      error = '';
      await saveLabels({ own: next.data });
    } catch (e) {
      error = explain(e);
    }
  }
  const whole = (text: string) => Math.round(Number(text));
</script>

<div class="grid gap-3">
  <label class="grid gap-1 text-[0.9375rem] font-semibold"
    >Sheet
    <select
      class="field"
      value={gridId()}
      onchange={(e) =>
        void saveLabels({
          grid: e.currentTarget.value,
          ...(e.currentTarget.value === 'own' && !household.settings.labels.own ? { own: grid } : {})
        })}
      >{#each gridChoices() as [id, name] (id)}<option value={id}>{name}</option>{/each}</select
    ></label
  >
  {#if household.settings.labels.grid === 'own'}
    <fieldset class="grid grid-cols-2 gap-2">
      <legend class="mb-1 text-[0.9375rem]"
        >As on its wrapper, in {inInches() ? 'inches' : 'millimetres'}</legend
      >
      <label class="grid gap-1 text-[0.875rem]"
        >paper <select
          class="field"
          value={grid.paper}
          onchange={(e) => void own({ paper: e.currentTarget.value as Grid['paper'] })}
          >{#each Object.entries(PAPERS) as [id, p] (id)}<option value={id}>{p.name}</option>{/each}</select
        ></label
      >
      <span></span>
      {#each [['cols', 'across'], ['rows', 'down']] as const as [key, name] (key)}
        <label class="grid gap-1 text-[0.875rem]"
          >{name}
          <input
            class="field"
            inputmode="numeric"
            value={grid[key]}
            onchange={(e) => void own({ [key]: whole(e.currentTarget.value) })}
          /></label
        >{/each}
      {#each LENGTHS as [key, name] (key)}
        <label class="grid gap-1 text-[0.875rem]"
          >{name}
          <input
            class="field"
            inputmode="decimal"
            value={shownLength(grid[key])}
            onchange={(e) => void own({ [key]: typedMm(e.currentTarget.value) })}
          /></label
        >{/each}
    </fieldset>
    {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
  {/if}
  <div class="grid grid-cols-2 gap-3">
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >How many{each}
      <input
        class="field"
        type="number"
        min="1"
        max="2000"
        value={count}
        oninput={(e) => {
          const n = whole(e.currentTarget.value);
          if (n >= 1 && n <= 2000) oncount(n);
        }}
      /></label
    >
    <label class="grid gap-1 text-[0.9375rem] font-semibold"
      >Begin at label
      <input
        class="field"
        type="number"
        min="1"
        max={countOf(grid)}
        value={first}
        oninput={(e) => {
          const n = whole(e.currentTarget.value);
          if (n >= 1) onfirst(n);
        }}
        onchange={(e) => (e.currentTarget.value = String(first))}
      /></label
    >
  </div>
  <label class="flex min-h-11 items-center gap-2"
    ><input
      type="checkbox"
      class="checkbox"
      checked={household.settings.labels.isToCut}
      onchange={(e) => void saveLabels({ isToCut: e.currentTarget.checked })}
    /> Lines to cut along, for plain paper</label
  >
</div>
