import { VESSEL_PRESETS, type Vessel } from '$core/scale/vessels';
import { household, vesselsInUse } from '$lib/store/household.svelte';

/** Vessels nothing stands in, the household's own first; common sizes when it owns none. */
export function freeVessels(): Vessel[] {
  const owned = household.vessels.length > 0 ? household.vessels : VESSEL_PRESETS;
  const used = vesselsInUse();
  return owned.filter((v) => !used.has(v.id));
}

/** The free glass that `litres` fills with least air: the smallest that takes it all, else the largest there is. */
export function glassFor(litres: number, free: readonly Vessel[]): Vessel | undefined {
  const closed = free.filter((v) => v.shape !== 'bucket').sort((a, b) => a.capacityL - b.capacityL);
  return closed.find((v) => v.capacityL >= litres) ?? closed.at(-1) ?? free[0];
}
