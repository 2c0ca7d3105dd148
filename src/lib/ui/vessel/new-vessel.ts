import type { Shape, Vessel } from '$core/vessels/vessels';
import { vesselSchema } from '$core/vessels/vessel-schema';
import { volumeText } from '$core/units/format';
import { InputError } from '$core/units/input-error';
import { parseAs } from '$core/units/parse';
import { countryOf } from '$core/units/settings';
import { household } from '$lib/store/household.svelte';
import { keep } from '$lib/store/things';
import { newId } from '$lib/store/here';

/** Under this it is a bottle, over it a jar, where nobody said which, L. */
const BOTTLE_TO_L = 1.2;

/**
 * Writes down a vessel of the household's own.
 * @param size what it holds to the brim, as typed; @param shape when it is said
 * @throws InputError when that cannot be read, or holds too little or too much
 */
export async function addVessel(name: string, size: string, shape?: Shape): Promise<Vessel> {
  const unit = household.settings.volume;
  const capacityL = parseAs('volume', size, unit, countryOf(household.settings)).base;
  const kind = shape ?? (capacityL < BOTTLE_TO_L ? 'bottle' : 'jar');
  const vessel = vesselSchema.safeParse({
    id: newId(),
    name: name.trim() || `${volumeText(capacityL, unit)} ${kind}`,
    shape: kind,
    capacityL
  });
  if (!vessel.success)
    throw new InputError(
      `A vessel holds ${volumeText(0.2, unit)} to ${volumeText(2000, unit)}.`,
      'Give what it holds to the brim.'
    );
  await keep('vessels', vessel.data);
  return vessel.data;
}
