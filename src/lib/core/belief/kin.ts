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
export const parted = (e: Ensemble, kin: readonly Kin[], ids: readonly string[]): Kin[] =>
  Object.keys(e.cells).every((id) => !isJar(id) || ids.includes(id)) ? [...kin] : without(kin, ids);

/** What is kin once wine was moved. @param wasEmpty vessels that held nothing before */
export function movedKin(
  kin: readonly Kin[],
  flow: FlowOf<'move'>,
  wasEmpty: (id: string) => boolean
): Kin[] {
  const to = flow.to.map((t) => t.vesselId).filter(isJar);
  const mixed = to.filter((id) => !wasEmpty(id));
  const ids = [...to, ...(flow.keep > 0 ? [flow.from] : [])].filter((id) => !mixed.includes(id));
  const family = kin.find((k) => k.vesselIds.includes(flow.from));
  const rest = without(kin, [...mixed, ...(family?.vesselIds ?? [])]);
  const vesselIds = [
    ...new Set([...(family?.vesselIds ?? []).filter((id) => id !== flow.from), ...ids])
  ].filter((id) => !mixed.includes(id));
  return vesselIds.length > 1 ? [...rest, { since: family?.since ?? flow.at, vesselIds }] : rest;
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
