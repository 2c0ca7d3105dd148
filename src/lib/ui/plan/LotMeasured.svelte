<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Ingredient } from '$core/plan/plan';
  import { parseGravity, parseNumber, parseTitratable } from '$core/units/parse';
  import { explain } from '../words/own-units';
  import { readFinding } from './lot';

  /** What was measured of a lot: its juice, or the wine that goes in. */
  type Props = {
    item: Ingredient;
    entry: Snippet<[label: string, value: string, set: (text: string) => void]>;
    change: (patch: Record<string, unknown>) => void;
    onwrong: (text: string) => void;
  };
  let { item, entry, change, onwrong }: Props = $props();

  /** Reads what was typed; what cannot be read is said, and changes nothing. */
  const reading = (patch: (text: string) => Record<string, unknown>) => (text: string) => {
    try {
      change(patch(text));
    } catch (e) {
      onwrong(explain(e));
    }
  };
  const found = (which: 'brix' | 'taGL' | 'ph') =>
    reading((text) => {
      const had = 'measured' in item ? item.measured : {};
      const all = Object.entries({ ...had, [which]: readFinding(which, text) });
      const next = Object.fromEntries(all.filter(([, v]) => v !== undefined));
      return { measured: Object.keys(next).length > 0 ? next : undefined };
    });
</script>

{#if item.kind === 'produce' || item.kind === 'juice'}
  <fieldset class="grid grid-cols-3 gap-2">
    <legend class="head mb-1">Measured in its juice</legend>
    {@render entry('°Bx or SG', item.measured?.brix?.toFixed(1) ?? '', found('brix'))}
    {@render entry('TA, g/L', item.measured?.taGL?.toFixed(1) ?? '', found('taGL'))}
    {@render entry('pH', item.measured?.ph?.toString() ?? '', found('ph'))}
  </fieldset>
{:else if item.kind === 'wine'}
  <div class="grid grid-cols-3 gap-2">
    {@render entry(
      'Strength, %',
      String(item.abv),
      reading((v) => ({ abv: parseNumber(v) ?? NaN }))
    )}
    {@render entry(
      'Gravity',
      item.sg.toFixed(3),
      reading((v) => ({ sg: parseGravity(v) }))
    )}
    {@render entry(
      'TA, g/L',
      String(item.taGL ?? 6),
      reading((v) => ({ taGL: parseTitratable(v) }))
    )}
  </div>
{/if}
