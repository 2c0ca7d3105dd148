import type { Plan } from '$core/plan/plan';
import { roomFor } from '$core/steps/stages';
import type { Vessel } from '$core/vessels/vessels';

/** The open vessel a plan takes until one is chosen: the smallest empty one with room for its foam, else the largest
 * empty one; undefined where none is empty. */
export function vesselFor(
  plan: Plan,
  fillL: number,
  vessels: readonly Vessel[],
  busy: { has: (id: string) => boolean }
): Vessel | undefined {
  const open = vessels
    .filter((v) => v.shape === 'bucket' && !busy.has(v.id))
    .sort((a, b) => a.capacityL - b.capacityL);
  return open.find((v) => fillL > 0 && roomFor(plan, v) >= fillL) ?? open.at(-1);
}
