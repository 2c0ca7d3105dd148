import { BOTTLES, type FlowOf } from '../ledger/flow';
import { normalQuantile } from '../maths/draw';
import { cellOf, keepOf, normalsFor, pourCell, randomOf, zeros, type Ensemble } from './ensemble';

/** Litres at a racking are read off a jar by eye: so far off they are, as a share. Common practice. Bottles are counted. */
const BY_EYE = 0.025;
/** What all of it went into holds all of it. */
const ALL = 0.99;

function sharesByEye(e: Ensemble, { vesselId, share }: FlowOf<'move'>['to'][number]): Float64Array {
  if (vesselId.startsWith(BOTTLES) || share > ALL) return zeros(e.size).fill(share);
  return normalsFor(e.size, randomOf(e), normalQuantile).map((z) => share * (1 + BY_EYE * z));
}

/** Wine goes from one vessel into others, in every member. */
export function move(e: Ensemble, { from, to, keep }: FlowOf<'move'>): void {
  const source = cellOf(e, from);
  const shares = to.map((t) => sharesByEye(e, t));
  const most = 1 - Math.max(0, keep);
  for (let i = 0; i < e.size; i++) {
    const out = shares.reduce((sum, x) => sum + x[i]!, 0);
    // No more is poured than there was.
    if (out > most && out > 0) for (const x of shares) x[i]! *= most / out;
  }
  for (const [k, t] of to.entries()) pourCell(cellOf(e, t.vesselId), source, shares[k]!);
  const main = to[0];
  if (keep <= 0) {
    if (main) for (const lot of e.lots) if (lot.vesselId === from) lot.vesselId = main.vesselId;
    delete e.cells[from];
  } else keepOf(source, keep);
}
