import { volumeOf, type BatchState } from '../ledger/state';
import { A_GLASS_L, planRacking } from '../vessels/racking';
import { isOpenVessel } from '../vessels/vessels';
import type { Due } from './schedule';
import type { Place } from './stages';
import { STEPS } from './table/all';

/**
 * Why a wine cannot leave its vessel on the day it should: no jar is free that takes it.
 * @param places every vessel, and until when each is taken
 * @returns when jars enough come free, ms, and the vessel that has to be emptied; null where there is room
 */
export function noRoom(
  state: Pick<BatchState, 'fills'>,
  due: Pick<Due, 'step' | 'dueAt'>,
  places: readonly Place[]
): { vesselId: string; freeAt: number } | null {
  if (STEPS[due.step.id].form !== 'rack') return null;
  const mine = new Set(state.fills.map((f) => f.vesselId));
  const jars = places.filter((p) => !isOpenVessel(p.vessel));
  const fitsBy = (at: number) =>
    planRacking(
      volumeOf(state),
      jars.filter((p) => p.freeAt === null || p.freeAt <= at || mine.has(p.vessel.id)).map((p) => p.vessel)
    ).restL <= A_GLASS_L;
  if (jars.length === 0 || fitsBy(due.dueAt)) return null;
  const later = jars
    .filter(
      (p) => p.freeAt !== null && p.freeAt > due.dueAt && Number.isFinite(p.freeAt) && !mine.has(p.vessel.id)
    )
    .sort((a, b) => a.freeAt! - b.freeAt!)
    .find((p) => fitsBy(p.freeAt!));
  return later ? { vesselId: later.vessel.id, freeAt: later.freeAt! } : null;
}
