<script lang="ts">
  import { COLUMNS, type Column, type Mapping } from '$core/instruments/columns';

  /** The first rows of a file, and over each column what it is. */
  type Props = { rows: string[][]; mapping: Mapping; onset: (column: number, kind: Column) => void };
  let { rows, mapping, onset }: Props = $props();

  const head = $derived(mapping.hasHead ? rows[0] : undefined);
  const body = $derived(mapping.hasHead ? rows.slice(1) : rows);
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="overflow-x-auto" tabindex="0" role="region" aria-label="The first rows">
  <table class="w-full">
    <thead>
      <tr class="inkline">
        {#each mapping.columns as kind, c (c)}
          <th class="min-w-40 p-1 text-left align-bottom">
            <span class="small block max-w-52 truncate font-normal">{head?.[c] ?? `column ${c + 1}`}</span>
            <select
              class="field {kind === 'skip' ? 'text-quiet!' : 'font-semibold'}"
              aria-label="What column {c + 1} is"
              value={kind}
              onchange={(e) => onset(c, e.currentTarget.value as Column)}
              >{#each Object.entries(COLUMNS) as [id, text] (id)}<option value={id}>{text}</option
                >{/each}</select
            >
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each body as row, r (r)}
        <tr class="dashline"
          >{#each mapping.columns as kind, c (c)}<td
              class="max-w-52 truncate p-1 {kind === 'skip' ? 'text-quiet' : ''}">{row[c] ?? ''}</td
            >{/each}</tr
        >
      {/each}
    </tbody>
  </table>
</div>
