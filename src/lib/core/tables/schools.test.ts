import { describe, expect, it } from 'vitest';
import { powdersOf } from '../must/powders';
import { methodOf } from '../plan/methods';
import type { Plan } from '../plan/plan';
import { stepsOf } from '../steps/steps';
import { isNatural, withChoice, type Method } from './schools';

const PLUMS: Plan = {
  ingredients: [
    { kind: 'produce', produceId: 'plum', massKg: 4 },
    { kind: 'sugar', sugarId: 'white', massKg: 2.5 },
    { kind: 'water', volumeL: 7 }
  ]
};
const ids = (method: Method & { enzyme?: boolean | undefined }) =>
  powdersOf({ ...PLUMS, ...method } as Plan, 10).map((p) => p.id);

describe('what is done against wild yeast, and whether yeast goes in', () => {
  it('are two choices: yeast without sulphite is planned, with no wait for it', () => {
    const method = withChoice({}, 'wildYeast', 'none');
    expect(isNatural(method)).toBe(false);
    expect(ids(method)).toContain('yeast');
    expect(ids(method)).not.toContain('campden');
    expect(stepsOf({ ...PLUMS, ...method } as Plan).map((s) => s.id)).toContain('pitch');
    expect(stepsOf({ ...PLUMS, ...method } as Plan).map((s) => s.id)).not.toContain('campden');
  });
  it('a natural ferment wants no powders unless they were asked for', () => {
    const natural = withChoice({} as Method & { enzyme?: boolean }, 'pitch', 'natural');
    expect(ids(natural)).toEqual([]);
    expect(stepsOf({ ...PLUMS, ...natural } as Plan).map((s) => s.id)).not.toContain('pitch');
    const wanted = withChoice({ enzyme: true } as Method & { enzyme?: boolean }, 'pitch', 'natural');
    expect(ids(wanted)).toEqual(['pectic-enzyme']);
  });
  it('sulphite and natural yeast are not both: the later choice stands', () => {
    expect(withChoice({ pitch: 'natural', wildYeast: 'none' }, 'wildYeast', 'sulphite')).toMatchObject({
      pitch: 'dry',
      wildYeast: 'sulphite'
    });
    expect(withChoice({ wildYeast: 'heat' }, 'pitch', 'natural')).toMatchObject({ wildYeast: 'none' });
  });
  it('a plan of an older version, where they were one choice, says the same', () => {
    const old: Plan = { ...PLUMS, wildYeast: 'wild' };
    expect(isNatural(old)).toBe(true);
    expect(methodOf(old)).toMatchObject({ wildYeast: 'none', pitch: 'natural' });
  });
});
