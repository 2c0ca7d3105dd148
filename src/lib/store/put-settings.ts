import { settingsFrom, type Settings } from '$core/units/settings';
import { settingsSchema } from '$core/units/settings-schema';
import { db } from './db';

/** What is to be different in the settings; as a function where it hangs on what they are when it is written. */
export type SettingsChange = Partial<Settings> | ((kept: Settings) => Partial<Settings>);

/** Changes what is named, inside the transaction that writes. @throws ZodError when a value is none of what may be */
export async function putSettings(change: SettingsChange): Promise<void> {
  const kept = settingsFrom((await db.settings.get('household'))?.value);
  const patch = typeof change === 'function' ? change(kept) : change;
  await db.settings.put({ key: 'household', value: settingsSchema.parse({ ...kept, ...patch }) });
}
