import { fillL, type Fill } from './fill';
import { acidBySums, acidIn, NOT_MEASURED, type Acid, type Basis } from './measured-acid';
import type { BatchState } from './state';
import { willHold } from './will-hold';

/** The least sure of several. */
const together = (bases: readonly Basis[]): Basis =>
  bases.includes('sums') ? 'sums' : bases.includes('since') ? 'since' : 'measured';

/**
 * The acid of a batch, its vessels by their litres, with what its fruit still holds; once all is bottled, that of the
 * last bottles.
 */
export function acidOf(s: Pick<BatchState, 'fills' | 'held' | 'bottled'>): Acid {
  const fills = s.fills.filter((f) => fillL(f) > 0);
  const last = s.bottled.at(-1)?.fill;
  if (fills.length === 0) return acidIn(last ?? { stock: s.held, acid: NOT_MEASURED });
  const each = fills.map((f) => ({ litres: fillL(f), acid: acidIn(f), sums: acidBySums(f.stock) }));
  const all = acidBySums(willHold(s));
  const [ph, taGL] = (['ph', 'taGL'] as const).map((key) => {
    const known = each.filter((x) => x.acid[key] !== null);
    const litres = known.reduce((sum, x) => sum + x.litres, 0);
    if (litres <= 0) return all[key];
    // What was found off the sums, each vessel by its litres, and the sums of everything.
    const mean = (of: (x: (typeof known)[number]) => number) =>
      known.reduce((sum, x) => sum + of(x) * x.litres, 0) / litres;
    const sums = all[key];
    return sums === null
      ? mean((x) => x.acid[key]!)
      : sums + mean((x) => (x.sums[key] === null ? x.acid[key]! - sums : x.acid[key]! - x.sums[key]));
  }) as [number | null, number | null];
  return {
    ph,
    taGL,
    phFrom: together(each.map((x) => x.acid.phFrom)),
    taFrom: together(each.map((x) => x.acid.taFrom))
  };
}

/** A batch's pH where somebody measured it; null where only the sums know. */
export function measuredPh(s: Parameters<typeof acidOf>[0]): number | null {
  const acid = acidOf(s);
  return acid.phFrom === 'sums' ? null : acid.ph;
}

/** Of several vessels those whose acid was measured: each is told by itself, as none speaks for another. */
export const acidEach = (s: Pick<BatchState, 'fills'>): Fill[] =>
  s.fills.length > 1 ? s.fills.filter((f) => f.acid.ph !== null || f.acid.taGL !== null) : [];
