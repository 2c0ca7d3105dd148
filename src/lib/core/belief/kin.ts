import { BOTTLES, type FlowOf } from '../ledger/flow';
import type { Cell, Ensemble } from './ensemble';
import type { Running } from './running';

/** Vessels that one wine was shared between, and into which nothing came since that did not go into all of them. */
export type Kin = { since: number; vesselIds: readonly string[] };

/** Jars of one wine are read in one evening, or the next. */
const TOGETHER_MS = 2 * 86_400_000;

const isJar = (vesselId: string): boolean => !vesselId.startsWith(BOTTLES);
const without = (kin: readonly Kin[], ids: readonly string[]): Kin[] =>
  kin
    .map((k) => ({ ...k, vesselIds: k.vesselIds.filter((id) => !ids.includes(id)) }))
    .filter((k) => k.vesselIds.length > 1);

/** Something came into some vessels: those it did not come into are another wine from now on. */
export const parted = (e: Ensemble, kin: readonly Kin[], ids: readonly string[]): readonly Kin[] =>
  Object.keys(e.cells).every((id) => !isJar(id) || ids.includes(id)) ? kin : without(kin, ids);

/** What is kin once wine was moved. @param wasEmpty whether a vessel held nothing before */
export function movedKin(
  kin: readonly Kin[],
  { at, from, to, keep }: FlowOf<'move'>,
  wasEmpty: (vesselId: string) => boolean
): Kin[] {
  const jars = to.map((t) => t.vesselId).filter(isJar);
  const mixed = jars.filter((id) => !wasEmpty(id));
  const family = kin.find((k) => k.vesselIds.includes(from)) ?? { since: at, vesselIds: [from] };
  const vesselIds = [...family.vesselIds.filter((id) => id !== from || keep > 0), ...jars].filter(
    (id) => !mixed.includes(id)
  );
  const rest = without(kin, [...family.vesselIds, ...mixed]);
  return vesselIds.length > 1 ? [...rest, { since: family.since, vesselIds }] : rest;
}

/**
 * A vessel of the same wine that was read just now, and this one not yet: how it stands, this one likely stands too.
 * It is so only where this one is read itself: a jar does not speak for its twin.
 */
export function likeOf(r: Running, vesselId: string): Cell | null {
  const kin = r.kin.find((k) => k.vesselIds.includes(vesselId));
  if (!kin) return null;
  const own = r.seen.findLast((x) => x.vesselId === vesselId)?.at ?? -Infinity;
  const from = Math.max(kin.since, own, r.at - TOGETHER_MS);
  const twin = r.seen.findLast(
    (x) => x.vesselId !== vesselId && kin.vesselIds.includes(x.vesselId) && x.at >= from
  );
  return (twin && r.e.cells[twin.vesselId]) ?? null;
}
