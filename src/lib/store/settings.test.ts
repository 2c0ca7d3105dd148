import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { db } from './db';
import { changeSettings } from './household.svelte';

const kept = async () => (await db.settings.get('household'))?.value;

describe('a change of settings', () => {
  beforeEach(() => db.settings.clear());

  it('changes what it names; two made in one breath, as by two taps or two tabs, both stand', async () => {
    await Promise.all([
      changeSettings({ system: 'us', mass: 'lb', volume: 'us-gal', temp: 'F' }),
      changeSettings({ hasStem: false }),
      changeSettings((s) => ({ hydrometer: { ...s.hydrometer, inWater: 0.998 } })),
      changeSettings((s) => ({ hydrometer: { ...s.hydrometer, calibratedC: 15 } })),
      changeSettings((s) => ({ prices: { ...s.prices, sugar: 1.2 } })),
      changeSettings((s) => ({ prices: { ...s.prices, bottle: 0.4 } }))
    ]);
    expect(await kept()).toMatchObject({
      system: 'us',
      temp: 'F',
      hasStem: false,
      hydrometer: { inWater: 0.998, calibratedC: 15 },
      prices: { sugar: 1.2, bottle: 0.4 },
      roomC: DEFAULT_SETTINGS.roomC
    });
  });

  it('that cannot be leaves all as it was', async () => {
    await changeSettings({ roomC: 16 });
    await expect(changeSettings({ roomC: 400 })).rejects.toThrow();
    await expect(changeSettings((s) => ({ hydrometer: { ...s.hydrometer, inWater: 2 } }))).rejects.toThrow();
    expect(await kept()).toEqual({ ...DEFAULT_SETTINGS, roomC: 16 });
  });

  it('begins from the usual where what is kept cannot be read', async () => {
    await db.settings.put({ key: 'household', value: { system: 'cubits' } });
    await changeSettings({ hemisphere: 'south' });
    expect(await kept()).toEqual({ ...DEFAULT_SETTINGS, hemisphere: 'south' });
  });
});
