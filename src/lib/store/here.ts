import { v7 as uuidv7 } from 'uuid';
import { soundZone } from '$core/units/zone';

/** The zone of this machine, one that can be reckoned in. */
export const zoneHere = (): string =>
  soundZone(Intl.DateTimeFormat().resolvedOptions().timeZone, new Date().getTimezoneOffset());

/** A new id: ids begin with the time they were made. */
export const newId = (): string => uuidv7();

/** The first id that can have been made at a moment, ms: ids begin with the time they were made. */
export function idAt(ms: number): string {
  const from = Math.max(0, ms).toString(16).padStart(12, '0');
  return `${from.slice(0, 8)}-${from.slice(8)}`;
}
