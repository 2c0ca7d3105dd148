import { litresOf, sgOf, type Cell } from './ensemble';

/** Sugar, or for want of sugar other matter, put in or taken out until the member reads `sg`. */
export function shift(c: Cell, i: number, sg: number): void {
  const now = sgOf(c, i);
  const litres = litresOf(c, i);
  // Two steps of the secant: gravity is all but straight in what is dissolved.
  let kg = ((sg - now) * litres) / 0.385;
  for (let k = 0; k < 2; k++) {
    const before = [c.hexoseKg[i]!, c.otherKg[i]!, c.everKg[i]!] as const;
    dissolve(c, i, kg);
    const then = sgOf(c, i);
    if (k === 0 && Math.abs(then - now) > 1e-9) {
      [c.hexoseKg[i], c.otherKg[i], c.everKg[i]] = before;
      kg *= Math.max(0.2, Math.min(5, (sg - now) / (then - now)));
    }
  }
}

function dissolve(c: Cell, i: number, kg: number): void {
  const sugar = Math.max(-c.hexoseKg[i]!, kg);
  c.hexoseKg[i]! += sugar;
  c.everKg[i] = Math.max(c.hexoseKg[i]!, c.everKg[i]! + sugar);
  c.otherKg[i] = Math.max(0.3 * c.otherKg[i]!, c.otherKg[i]! + kg - sugar);
}
