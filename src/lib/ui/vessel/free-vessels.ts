import { isOpenVessel, type Vessel } from '$core/vessels/vessels';
import { vesselsInUse, vesselsOnOffer } from '$lib/store/household.svelte';

/** Vessels nothing stands in, the household's own first. */
export function freeVessels(): Vessel[] {
  const used = vesselsInUse();
  return vesselsOnOffer().filter((v) => !used.has(v.id));
}

/** The closed ones among them: what wine is racked into. */
export const freeJars = (): Vessel[] => freeVessels().filter((v) => !isOpenVessel(v));
