import { inL } from '../units/say';
import { rackingLossL } from '../must/balance';
import { amountOf, entryOf, type Plan } from '../plan/plan';
import { soonestH, stepsOf } from './steps';
import { A_GLASS_L, planRacking, rackingWord, type RackingPlan } from '../vessels/racking';
import { foamShareOf, isOpenVessel, type Vessel } from '../vessels/vessels';

const HOUR = 3_600_000;

/** A vessel, and until when it still holds another wine; null when it is empty. */
export type Place = { vessel: Vessel; freeAt: number | null };

/** What a must is like to a vessel: whether it holds fruit, and whether it foams much. */
export const mustLike = (plan: Plan): { hasFruit: boolean; isLively: boolean } => {
  const fruit = plan.ingredients.filter((i) => i.kind === 'produce' && amountOf(i) > 0 && !i.pressed);
  return { hasFruit: fruit.length > 0, isLively: fruit.some((i) => entryOf(i)?.family === 'soft') };
};

/**
 * Litres to fill a vessel with, so that what is planned does not foam over.
 * @example roomFor({ ingredients: [{ kind: 'produce', produceId: 'blackberry', massKg: 4 }] }, VESSEL_PRESETS[0]!) // 7.7
 */
export const roomFor = (plan: Plan, vessel: Vessel): number =>
  vessel.capacityL * (1 - foamShareOf(vessel, mustLike(plan)));

export type Stage = {
  name: string;
  atMs: number;
  /** litres that want a place */
  volumeL: number;
  vessels: Vessel[];
  /** in words: what room there is, or what is wrong */
  text: string;
  fits: boolean;
};

/**
 * Where a plan stands at every stage: the first vessel with its foam, then glass at the first and the second
 * racking with least air, by what is free on the day.
 * @param f litres in the first vessel and into glass, as the page says them
 * @param startMs the day it is made, ms since 1970
 */
export function stagesOf(
  plan: Plan,
  f: { vesselVolumeL: number; intoGlassL: number },
  first: Vessel,
  places: readonly Place[],
  startMs: number
): Stage[] {
  if (!Number.isFinite(f.intoGlassL) || f.intoGlassL <= 0) return [];
  const at = soonestH(stepsOf(plan));
  const room = roomFor(plan, first);
  const overL = f.vesselVolumeL - first.capacityL;
  const foamL = f.vesselVolumeL - room;
  const freeAt = places.find((p) => p.vessel.id === first.id)?.freeAt ?? null;
  const isBusy = freeAt !== null && freeAt > startMs;
  const out: Stage[] = [
    {
      name: 'First ferment',
      atMs: startMs,
      volumeL: f.vesselVolumeL,
      vessels: [first],
      fits: overL <= 0 && foamL <= 0.01 && !isBusy,
      text: isBusy
        ? 'still in use'
        : overL > 0
          ? `${inL(overL)} too much`
          : foamL > 0.01
            ? `${inL(foamL)} short of room for foam`
            : `${inL(first.capacityL - f.vesselVolumeL)} for cap and foam`
    }
  ];
  const glass = (name: string, volumeL: number, hours: number, ownIds: readonly string[]) => {
    const atMs = startMs + hours * HOUR;
    const free = places
      .filter(
        (p) =>
          !isOpenVessel(p.vessel) && (p.freeAt === null || p.freeAt <= atMs || ownIds.includes(p.vessel.id))
      )
      .map((p) => p.vessel);
    const racking: RackingPlan = planRacking(volumeL, free);
    out.push({
      name,
      atMs,
      volumeL,
      vessels: racking.to.map((t) => t.vessel),
      fits: racking.to.length > 0 && racking.restL <= A_GLASS_L,
      text: racking.to.length > 0 ? rackingWord(racking) : 'no jar is free'
    });
    return racking.to.map((t) => t.vessel.id);
  };
  const own = glass('Into glass', f.intoGlassL, at.get('rack-1') ?? 0, []);
  glass('Second racking', f.intoGlassL - rackingLossL(f.intoGlassL, true), at.get('rack-2') ?? 0, own);
  return out;
}
