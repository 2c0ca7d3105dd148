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
