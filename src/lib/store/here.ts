import { v7 as uuidv7 } from 'uuid';
import { soundZone } from '$core/units/zone';

/** The zone of this machine, one that can be reckoned in. */
export const zoneHere = (): string =>
  soundZone(Intl.DateTimeFormat().resolvedOptions().timeZone, new Date().getTimezoneOffset());

/** A new id: ids begin with the time they were made. */
export const newId = (): string => uuidv7();
