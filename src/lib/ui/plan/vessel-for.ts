import { FOAM_ROOM, type Vessel } from '$core/scale/vessels';

/** The open vessel a plan takes until one is chosen: the smallest empty one with room for foam, else the largest. */
export function vesselFor(
  fillL: number,
  vessels: readonly Vessel[],
  busy: { has: (id: string) => boolean }
): Vessel | undefined {
  const open = vessels
    .filter((v) => v.shape === 'bucket' && !busy.has(v.id))
    .sort((a, b) => a.capacityL - b.capacityL);
  return (
    open.find((v) => fillL > 0 && v.capacityL * (1 - FOAM_ROOM.lively) >= fillL) ??
    open.at(-1) ??
    [...vessels].sort((a, b) => b.capacityL - a.capacityL).find((v) => v.shape === 'bucket')
  );
}
