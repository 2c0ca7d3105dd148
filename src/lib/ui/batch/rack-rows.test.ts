import { describe, expect, it } from 'vitest';
import { checkRacking, planRacking } from '$core/vessels/racking';
import { VESSEL_PRESETS } from '$core/vessels/vessels';
import { NOWHERE, rackRows } from './rack-rows';

const jar = (id: string) => VESSEL_PRESETS.find((v) => v.id === id)!;
const JARS = [jar('jar-10'), jar('jar-5'), jar('jar-uk')];
const by = {
  vessel: (id: string) => VESSEL_PRESETS.find((v) => v.id === id),
  room: (v: { capacityL: number }) => v.capacityL,
  litresOf: (text: string, fallback: number) => (text ? Number(text) : fallback)
};
const rows = (fields: Partial<typeof NOWHERE>, outL: number) =>
  rackRows({ ...NOWHERE, ...fields }, outL, planRacking(outL, JARS), jar('bucket-15'), by).map((r) => [
    r.vessel?.id,
    Number(r.guess.toFixed(2))
  ]);

describe('the rows of a racking', () => {
  it('offer the jars that leave least air, until one is chosen', () => {
    expect(rows({}, 9.9)).toEqual([
      ['jar-uk', 4.75],
      ['jar-5', 5.15]
    ]);
    expect(rows({ to1: 'jar-10' }, 9.9)).toEqual([['jar-10', 9.9]]);
  });

  it('ask for another vessel while wine is left, and for none once it is placed', () => {
    expect(rows({ to1: 'jar-uk' }, 9.9)).toEqual([
      ['jar-uk', 4.75],
      [undefined, 5.15]
    ]);
    expect(rows({ to1: 'jar-5', vol1: '5', to2: 'jar-uk' }, 9.7)).toEqual([
      ['jar-5', 5.25],
      ['jar-uk', 4.7]
    ]);
  });

  it('fall back on its own vessel, washed, where no jar is free', () => {
    const only = rackRows(NOWHERE, 9, planRacking(9, []), jar('bucket-15'), by);
    expect(only.map((r) => r.vessel?.id)).toEqual(['bucket-15']);
  });
});

describe('a racking that cannot be', () => {
  const check = (to: [string, number][], hadL: number) => () =>
    checkRacking(
      to.map(([id, volumeL]) => ({ vessel: jar(id), volumeL })),
      hadL,
      { ...by, volume: (l) => `${l.toFixed(1)} L` }
    );
  it('is refused with the vessel, and what is possible passes', () => {
    expect(check([['jar-5', 6]], 6)).toThrow(/6\.0 L does not fit the 5 L jar/);
    expect(check([['jar-5', 0]], 6)).toThrow(/Nothing goes into the 5 L jar/);
    expect(
      check(
        [
          ['jar-10', 3],
          ['jar-10', 3]
        ],
        6
      )
    ).toThrow(/twice/);
    expect(
      check(
        [
          ['jar-10', 10],
          ['jar-5', 5]
        ],
        10
      )
    ).toThrow(/15\.0 L is more than the 10\.0 L/);
    expect(check([['jar-10', 9.4]], 9.9)).not.toThrow();
  });
});
