import { expect, it } from 'vitest';
import { afterGlasses, glassesOf } from '$core/finish/trial';
import { judgeDose, type DoseId, DOSES } from '$core/tables/doses';
import { ACID_ADDITIONS } from '$core/tables/substances';
import { itemOf, START, trialOf, triedOf } from './trying';

it('every powder’s glasses run from plain to about the most that is usual', () => {
  for (const tried of triedOf([])) {
    const trial = trialOf(START, tried);
    const glasses = glassesOf(trial);
    expect(glasses[0]!.addGL, tried.id).toBe(0);
    expect(itemOf(tried.id, 5)).toMatchObject({ massKg: 0.005 });
    if (!(tried.id in DOSES) || tried.id in ACID_ADDITIONS) continue;
    expect(['usual', 'low'], tried.id).toContain(
      judgeDose(tried.id as DoseId, 10 * glasses.at(-1)!.addGL, 10)
    );
    expect(glasses.at(-1)!.addGL, tried.id).toBeGreaterThan(0.6 * DOSES[tried.id as DoseId].perL[2]);
  }
});

it('the glass one likes scales to the jar; what goes back is counted, what was drunk is not dosed', () => {
  const trial = { glasses: 5, glassL: 0.1, stepGL: 0.5 };
  const back = afterGlasses(5, trial, 1, true);
  expect(back.total).toBeCloseTo(5, 9);
  expect(back.inGlasses).toBeCloseTo(0.1 * (0.5 + 1 + 1.5 + 2), 9);
  expect(back.toGive + back.inGlasses).toBeCloseTo(back.total, 9);
  expect(afterGlasses(5, trial, 1, false)).toMatchObject({ total: 4.5, inGlasses: 0, toGive: 4.5 });
  // The plain one: what stands in the others goes into the jar all the same, and no more.
  expect(afterGlasses(5, trial, 0, true)).toMatchObject({ total: 0, toGive: 0 });
});

it('asks about what is no number of glasses or no step', () => {
  const [acid] = triedOf([]);
  expect(() => trialOf({ ...START, glasses: 'many' }, acid!)).toThrow('number of glasses');
  expect(() => trialOf({ ...START, step: '0' }, acid!)).toThrow('no step');
});
