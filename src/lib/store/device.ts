import { db } from './db';
import { newId } from './here';

/** This browser's name in the log: random, made once. */
export async function deviceId(): Promise<string> {
  const known = await db.settings.get('device');
  if (typeof known?.value === 'string') return known.value;
  const value = `browser-${newId().slice(-8)}`;
  await db.settings.put({ key: 'device', value });
  return value;
}
