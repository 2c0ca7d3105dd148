import type { RackingPlan } from '$core/vessels/racking';
import type { Vessel } from '$core/vessels/vessels';
import { InputError } from '$core/units/input-error';

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

/**
 * Refuses what no racking can be: too much for a vessel, nothing into one, one twice, more than there was.
 * @param hadL what was in the vessel it comes from, L
 * @throws InputError naming the vessel
 */
export function checkRacking(
  to: readonly { vessel: Vessel; volumeL: number }[],
  hadL: number,
  by: { room: (v: Vessel) => number; volume: (litres: number) => string }
): void {
  for (const { vessel, volumeL } of to) {
    if (volumeL > by.room(vessel) + 0.005)
      throw new InputError(
        `${by.volume(volumeL)} does not fit the ${vessel.name}.`,
        `It takes ${by.volume(by.room(vessel))}; put the rest in a second vessel.`
      );
    if (volumeL <= 0)
      throw new InputError(
        `Nothing goes into the ${vessel.name}.`,
        'Give how much came out, or leave it away.'
      );
  }
  if (new Set(to.map((t) => t.vessel.id)).size < to.length)
    throw new InputError('One vessel is there twice.', 'Give each vessel once.');
  const total = to.reduce((sum, t) => sum + t.volumeL, 0);
  if (total > hadL * 1.15 + 0.3)
    throw new InputError(
      `${by.volume(total)} is more than the ${by.volume(hadL)} that was in there.`,
      'Check the amounts and their units; write down a top-up as an addition.'
    );
}
