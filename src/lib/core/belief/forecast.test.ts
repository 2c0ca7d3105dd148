import { describe, expect, it } from 'vitest';
import { stockAt } from '../liquid/stock';
import type { Ingredient, Plan } from '../plan/plan';
import type { YeastId } from '../tables/yeasts';
import { eventsFrom } from '../ledger/events.fixture';
import { foldBatch } from '../ledger/run';
import { forecastOf, forecastPlan } from './forecast';

const AT = Date.parse('2026-05-01T10:00:00Z');
/** Sugar water with nutrient, and a little fruit for its yeast: 10 L that read `sg`. */
function must(sg: number, yeast: YeastId, nutrientG = 8): Plan {
  const { solidsKg, waterKg } = stockAt(10, sg);
  const ingredients: Ingredient[] = [
    { kind: 'sugar', sugarId: 'white', massKg: solidsKg },
    { kind: 'water', volumeL: waterKg / 0.9982 },
    { kind: 'additive', additiveId: 'nutrient', massKg: nutrientG / 1000 }
  ];
  return {
    ingredients,
    ...(yeast === 'wild' ? { wildYeast: 'wild' as const } : { yeast: { yeastId: yeast } })
  };
}
/** Days count from the yeast: in a forecast it goes in on the second day. */
const after = (plan: Plan, tempC: number, day: number) =>
  forecastPlan(plan, AT, 100, { tempC }, 600)!.days[day + (plan.wildYeast === 'wild' ? 0 : 1)]!;

/**
 * Series that country winemakers tell of: each lies inside the 8-in-10 band from the pitch alone.
 * @source common practice, as ranges
 */
describe('what is told of ferments lies in the band', () => {
  it.each<[told: string, plan: Plan, tempC: number, day: number, from: number, to: number]>([
    ['12 % at 22 °C, a week in', must(1.09, 'wine'), 22, 7, 1.0, 1.02],
    ['the same after ten days', must(1.09, 'wine'), 22, 10, 0.996, 1.01],
    ['the same after four weeks', must(1.09, 'wine'), 22, 28, 0.986, 0.998],
    ['1.140 with a 16 % yeast, day 13', must(1.14, 'red-fruit'), 21, 13, 1.028, 1.042],
    ['1.140 with a 16 % yeast, day 45', must(1.14, 'red-fruit'), 21, 45, 1.018, 1.034],
    ['1.055 wild at 15 °C, four weeks', must(1.055, 'wild'), 15, 28, 0.99, 1.005],
    ['1.040 with a vigorous yeast, day 8', must(1.04, 'champagne'), 20, 8, 0.99, 1.0]
  ])('%s', (_, plan, tempC, day, from, to) => {
    const { sg } = after(plan, tempC, day);
    expect(sg.low).toBeLessThan(to);
    expect(sg.high).toBeGreaterThan(from);
    expect(sg.likely).toBeGreaterThan(from - 0.012);
    expect(sg.likely).toBeLessThan(to + 0.012);
  });
  it('12 % at 22 °C is dry in two to four weeks', () => {
    const { dry } = forecastPlan(must(1.09, 'wine'), AT, 90, { tempC: 22 }, 600)!;
    expect(dry.inDays.likely - 1).toBeGreaterThan(9);
    expect(dry.inDays.likely - 1).toBeLessThan(28);
    expect(dry.chance).toBeGreaterThan(0.75);
  });
  it('at 25 °C it is at its fastest in the first days, and slow by the fifth', () => {
    const { days } = forecastPlan(must(1.09, 'wine'), AT, 12, { tempC: 25.5 }, 600)!;
    const fall = days.slice(1).map((d, i) => days[i]!.sg.likely - d.sg.likely);
    const fastest = fall.indexOf(Math.max(...fall));
    expect(fastest).toBeGreaterThanOrEqual(1);
    expect(fastest).toBeLessThanOrEqual(3);
    expect(fall[6]!).toBeLessThan(0.7 * fall[fastest]!);
  });
});

it('a plan foresees what the batch begun from it foresees, and an unread batch no other pace than its plan', () => {
  const plan = must(1.085, 'wine', 0);
  const events = eventsFrom(AT);
  const s = foldBatch(
    [
      events(0, 'planned', { name: 'Water', plan, vesselId: 'b' }),
      events(0, 'addition', { ingredients: plan.ingredients })
    ],
    AT
  )!;
  const [planned, begun] = [forecastPlan(plan, AT, 60, {}, 1200)!, forecastOf(s, 60, {}, 1200)!];
  expect(begun.dry.inDays.likely).toBeCloseTo(planned.dry.inDays.likely, -0.5);
  expect(begun.quiet.inDays.likely).toBeCloseTo(planned.quiet.inDays.likely, -0.5);
  for (const day of [4, 8, 16])
    expect(Math.abs(begun.days[day]!.sg.likely - planned.days[day]!.sg.likely)).toBeLessThan(0.004);
});
