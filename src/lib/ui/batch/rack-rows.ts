import type { RackingPlan } from '$core/vessels/racking';
import type { Vessel } from '$core/vessels/vessels';

/** A racking goes into four vessels at most. */
export const ROWS = [1, 2, 3, 4] as const;
export type RowNumber = (typeof ROWS)[number];
export type RackRow = {
  n: RowNumber;
  vessel: Vessel | undefined;
  /** what would go into it when nobody says, L */
  guess: number;
  /** what is left for it, L */
  left: number;
};
export type RackFields = Record<`to${RowNumber}` | `vol${RowNumber}`, string>;

/** A racking of which nothing is said yet. */
export const NOWHERE: RackFields = {
  ...{ to1: '', to2: '', to3: '', to4: '' },
  ...{ vol1: '', vol2: '', vol3: '', vol4: '' }
};

/** Less than this is not worth another vessel, L. */
const NOTHING_L = 0.15;

/**
 * One row for each vessel: the first always, more while wine is left for them.
 * @param outL what comes out, L
 * @param least the jars that leave least air: offered until one is chosen
 * @param same the vessel it stands in, washed, where none is free
 * @param litresOf an amount as it is typed, L, or its fallback
 */
export function rackRows(
  fields: RackFields,
  outL: number,
  least: RackingPlan,
  same: Vessel | undefined,
  by: {
    vessel: (id: string) => Vessel | undefined;
    room: (v: Vessel) => number;
    litresOf: (text: string, fallback: number) => number;
  }
): RackRow[] {
  const out: RackRow[] = [];
  let left = outL;
  for (const n of ROWS) {
    const offered = fields.to1 === '' ? least.to[n - 1]?.vessel : undefined;
    const chosen = by.vessel(fields[`to${n}`]) ?? offered;
    const vessel = chosen ?? (n === 1 ? same : undefined);
    if (n > 1 && !chosen && left < NOTHING_L) break;
    const guess = vessel ? Math.min(left, by.room(vessel)) : left;
    out.push({ n, vessel, guess, left });
    if (!vessel) break;
    left = Math.max(0, left - by.litresOf(fields[`vol${n}`], guess));
  }
  return out;
}
