import { isOpenVessel, VESSEL_PRESETS, type Vessel } from './vessels';

/** A vessel within this fraction of a size counts as that size: people round, and brimful is more than nominal. Common practice. */
const WITHIN_A_TENTH = 0.1;

/** Whether a vessel is one of about so many litres. @example isAbout({ capacityL: 5.3 }, 5) // true */
export const isAbout = ({ capacityL }: { capacityL: number }, litres: number): boolean =>
  Math.abs(capacityL - litres) <= WITHIN_A_TENTH * litres;

/**
 * Vessels that can be chosen: the household's own first, and common sizes beside them, without those that it owns one of
 * already. Naming one jar says nothing of the others.
 * @param onlyListed whether the household said that what it lists is all it has
 * @example onOffer([], false).length // 11
 */
export function onOffer(own: readonly Vessel[], onlyListed: boolean): Vessel[] {
  if (onlyListed && own.length > 0) return [...own];
  const isOwned = (p: Vessel) =>
    own.some((v) => v.id === p.id || (isOpenVessel(v) === isOpenVessel(p) && isAbout(v, p.capacityL)));
  return [...own, ...VESSEL_PRESETS.filter((p) => !isOwned(p))];
}
