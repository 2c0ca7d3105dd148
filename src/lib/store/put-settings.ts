import { settingsFrom, type Settings } from '$core/units/settings';
import { settingsSchema } from '$core/units/settings-schema';
import { same } from '$core/ledger/kept';
import { db } from './db';
import { noteDeed } from './deeds';

/** What is to be different in the settings; as a function where it hangs on what they are when it is written. */
export type SettingsChange = Partial<Settings> | ((kept: Settings) => Partial<Settings>);

/**
 * Changes what is named, inside the transaction that writes.
 * @returns what of it was otherwise before; null where nothing was
 * @throws ZodError when a value is none of what may be
 */
export async function putSettings(change: SettingsChange): Promise<Partial<Settings> | null> {
  const kept = settingsFrom((await db.settings.get('household'))?.value);
  const patch = typeof change === 'function' ? change(kept) : change;
  const value = settingsSchema.parse({ ...kept, ...patch });
  await db.settings.put({ key: 'household', value });
  const changed = (Object.keys(patch) as (keyof Settings)[]).filter((k) => !same(kept[k], value[k]));
  return changed.length > 0 ? Object.fromEntries(changed.map((k) => [k, kept[k]])) : null;
}

/** The same as a deed of its own. */
export const settingsDeed = (change: SettingsChange): Promise<void> =>
  db.transaction('rw', [db.settings, db.deeds], async () => {
    const settings = await putSettings(change);
    if (settings) await noteDeed({ settings });
  });
