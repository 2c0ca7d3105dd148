import { isOpenVessel, VESSEL_PRESETS, type Vessel } from '$core/vessels/vessels';
import { household, vesselsInUse } from '$lib/store/household.svelte';

/** Vessels nothing stands in, the household's own first; common sizes when it owns none. */
export function freeVessels(): Vessel[] {
  const owned = household.vessels.length > 0 ? household.vessels : VESSEL_PRESETS;
  const used = vesselsInUse();
  return owned.filter((v) => !used.has(v.id));
}

/** The closed ones among them: what wine is racked into. */
export const freeJars = (): Vessel[] => freeVessels().filter((v) => !isOpenVessel(v));
