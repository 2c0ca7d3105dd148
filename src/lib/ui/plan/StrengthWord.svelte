<script lang="ts">
  import { parseGravity, parseNumber } from '$core/units/parse';
  import Word from '../pop/Word.svelte';
  import GoalField from './GoalField.svelte';
  import type { Bench } from './bench.svelte';

  /** How strong, and how heavy it may start. */
  let { bench }: { bench: Bench } = $props();

  const sugarFree = $derived(
    bench.rows.some((r) => !r.held && (r.item.kind === 'sugar' || r.item.kind === 'honey'))
  );
  const held = $derived(
    bench.target.abv !== null && (sugarFree || bench.rows.some((r) => !r.held && r.item.kind !== 'water'))
  );
  const text = $derived(
    held
      ? `${bench.target.abv} %`
      : bench.estimate?.potentialAbv
        ? `about ${bench.estimate.potentialAbv.likely.toFixed(1)} %`
        : '12 %'
  );
  let error = $state('');
</script>

<Word title="How strong" {text} {held}>
  {#snippet children(close: () => void)}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        if (bench.target.abv !== null) bench.setAbv(bench.target.abv);
        close();
      }}
      class="grid gap-3"
    >
      <label class="grid gap-1 font-semibold"
        >Strength, % by volume
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          value={bench.target.abv ?? ''}
          oninput={(e) => {
            const n = parseNumber(e.currentTarget.value);
            if (n !== null && n <= 25) bench.setAbv(n);
          }}
        />
      </label>
      <p class="small">Light 5–7, table wine 11–13, strong country style 14–16. The sugar follows.</p>
      <GoalField
        label="Give or take, %"
        value={bench.target.within?.abv ?? null}
        placeholder="0"
        most={10}
        onset={(n) => bench.allow('abv', n ?? 0)}
      />
      <label class="grid gap-1 font-semibold"
        >Start no higher than
        <input
          class="field"
          inputmode="decimal"
          autocomplete="off"
          placeholder="1.110"
          value={bench.target.sgMax?.toFixed(3) ?? ''}
          onchange={(e) => {
            error = '';
            try {
              const raw = e.currentTarget.value.trim();
              bench.setGoals({ sgMax: raw === '' ? null : Math.min(1.2, Math.max(1.01, parseGravity(raw))) });
            } catch (x) {
              error = x instanceof Error ? x.message : String(x);
            }
          }}
        />
      </label>
      {#if error}<p class="text-rosehip" role="alert">{error}</p>{/if}
      <button class="btn btn-primary" type="submit">Hold it there</button>
    </form>
  {/snippet}
</Word>
