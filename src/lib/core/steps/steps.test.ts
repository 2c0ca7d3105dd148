import { describe, expect, it } from 'vitest';
import type { Plan } from '../plan/plan';
import { PRODUCE } from '../tables/table';
import { stepsOf } from './steps';

const plan = (produceId: string, extra: Partial<Plan> = {}): Plan => ({
  ingredients: [
    { kind: 'produce', produceId, massKg: 2 },
    { kind: 'water', volumeL: 5 }
  ],
  ...extra
});
const ids = (p: Plan) => stepsOf(p).map((s) => s.id);

describe('the steps of a plan', () => {
  it.each(PRODUCE.map((p) => [p.id] as const))(
    '%s: each waits only for steps before it, and waits make sense',
    (id) => {
      for (const wildYeast of ['sulphite', 'heat', 'wild'] as const) {
        const steps = stepsOf(plan(id, { wildYeast }));
        const seen = new Set<string>();
        for (const step of steps) {
          for (const w of step.waits) {
            expect(seen.has(w.step), `${step.id} waits for ${w.step}`).toBe(true);
            expect(w.minH).toBeLessThanOrEqual(w.maxH);
            expect(w.why.length).toBeGreaterThan(5);
          }
          seen.add(step.id);
          expect(step.short.length).toBeLessThan(12);
        }
        expect(steps[0]!.id).toBe('crush');
        expect(steps.at(-1)!.id).toBe('bottle');
        expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      }
    }
  );

  it('each school has its own beginning', () => {
    expect(ids(plan('plum', { wildYeast: 'sulphite' }))).toEqual(
      expect.arrayContaining(['campden', 'enzyme', 'pitch'])
    );
    expect(ids(plan('plum', { wildYeast: 'heat' }))).not.toContain('campden');
    expect(ids(plan('plum', { wildYeast: 'wild' }))).not.toContain('pitch');
    expect(ids(plan('plum', { wildYeast: 'wild' }))).not.toContain('campden');
  });

  it('enzyme only where there is pectin, fruit out only where there is fruit', () => {
    expect(ids(plan('elderflower'))).not.toContain('enzyme');
    expect(ids(plan('elderflower'))).toContain('fruit-out');
    const mead: Plan = {
      ingredients: [
        { kind: 'honey', massKg: 2 },
        { kind: 'water', volumeL: 6 }
      ]
    };
    expect(ids(mead)).not.toContain('fruit-out');
    expect(ids(mead)).not.toContain('enzyme');
  });

  it('yeast goes in no sooner than a day after sulphite (common practice)', () => {
    const pitch = stepsOf(plan('plum')).find((s) => s.id === 'pitch')!;
    expect(pitch.waits.find((w) => w.step === 'campden')!.minH).toBe(24);
    expect(pitch.waits.find((w) => w.step === 'enzyme')!.minH).toBeGreaterThanOrEqual(1);
  });
});
