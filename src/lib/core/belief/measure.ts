import type { Flow } from '../ledger/flow';
import { normalQuantile } from '../maths/draw';
import { litresOf, normalsFor, randomOf, scaleMember, strengthOf, zeros, type Ensemble } from './ensemble';
import { bell } from './likelihood';
import { reweighed } from './weigh';

/** A mark, read to three in a hundred: what stands there is brought to it. */
const MARK = 0.03;
/** How far a volume may be off the sums before it says that they are wrong. */
const UNSEEN_LOSS = 0.07;

/** Brings what stands in some vessels to what their marks show, and weighs by how far off it was. */
export function markSeen(e: Ensemble, vesselIds: readonly string[], foundL: number): void {
  const cells = vesselIds.flatMap((id) => e.cells[id] ?? []);
  if (cells.length === 0 || foundL <= 0) return;
  const random = randomOf(e);
  const z = normalsFor(e.size, random, normalQuantile);
  const factor = zeros(e.size);
  for (let i = 0; i < e.size; i++) {
    const litres = cells.reduce((sum, c) => sum + litresOf(c, i), 0);
    if (litres <= 0) continue;
    factor[i] = bell(litres / foundL - 1, 0, Math.hypot(MARK, UNSEEN_LOSS));
    const share = (foundL * (1 + MARK * z[i]!)) / litres;
    for (const c of cells) scaleMember(c, i, share);
  }
  reweighed(e, factor);
}

/** Spirit indication, % vol: ±0.3, and a few plainly wrong. */
const SPIRIT_ABV = 0.3;

/** Weighs by a strength that was distilled out and measured. */
export function spiritSeen(e: Ensemble, vesselId: string | null, abv: number): void {
  const c = vesselId ? e.cells[vesselId] : Object.values(e.cells)[0];
  if (!c) return;
  const factor = zeros(e.size);
  for (let i = 0; i < e.size; i++) {
    const is = strengthOf(c, i);
    factor[i] = bell(abv - is, 0, SPIRIT_ABV) + 0.03 * bell(abv - is, 0, 3);
  }
  reweighed(e, factor);
}

/** A titration and a meter, g/L and pH; what a ferment makes and drops of acid, g/L; what fruit of one kind varies in pH. */
const TA_GL = 0.4;
const WINE_GL = 1;
const PH = 0.1;
const KIND_PH = 0.12;

/** Weighs by acid that was measured: titrated, or its pH. */
export function acidSeen(
  e: Ensemble,
  { vesselId, taGL, ph, sums, isWine }: Extract<Flow, { kind: 'acid' }>
): void {
  const c = vesselId ? e.cells[vesselId] : Object.values(e.cells)[0];
  if (!c) return;
  const factor = zeros(e.size);
  for (let i = 0; i < e.size; i++) {
    const litres = litresOf(c, i);
    if (litres <= 0) continue;
    const is = c.acidG[i]! / litres;
    factor[i] = 1;
    if (taGL !== null) {
      const sd = Math.hypot(TA_GL, isWine ? WINE_GL : 0);
      factor[i]! *= bell(taGL - is, 0, sd) + 0.03 * bell(taGL - is, 0, 4);
    }
    if (ph !== null && sums && sums.taGL > 0.5) {
      const [low, mid, high] = sums.phAt;
      // A quarter more or less of the acid moves it so; between them straight in the logarithm.
      const t = Math.max(-3, Math.min(3, Math.log(Math.max(0.05, is / sums.taGL)) / Math.log(1.25)));
      const off = ph - (mid + t * (t < 0 ? mid - low : high - mid));
      const sd = Math.hypot(PH, KIND_PH, isWine ? PH : 0);
      factor[i]! *= bell(off, 0, sd) + 0.03 * bell(off, 0, 1);
    }
  }
  reweighed(e, factor);
}
