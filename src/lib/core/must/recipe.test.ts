import { plain } from '../units/say';
import { SYSTEMS } from '../units/settings';
import { describe, expect, it } from 'vitest';
import type { LedgerEvent } from '../ledger/log';
import { asMade, nextTimeNotes } from '../ledger/as-made';
import { likelyFigures } from './balance';
import { amountOf, type Ingredient, type Plan } from '../plan/plan';
import { planSchema } from '../plan/plan-schema';
import { scalePlan, solvePlan } from '../solve/solve';
import { differences, newest, perText, versionsOf, type Recipe } from './recipe';

const plan: Plan = solvePlan({
  ingredients: [
    { kind: 'produce', produceId: 'gooseberry', massKg: 4, held: true },
    { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
    { kind: 'water', volumeL: 0, held: false }
  ],
  target: { abv: 12, volumeL: 11 }
}).plan;
const id = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const recipe = (n: number, family: number, version: number): Recipe => ({
  id: id(n),
  family: id(family),
  parent: null,
  version,
  name: `R${family}`,
  plan,
  madeAt: '2026-06-01T00:00:00.000Z'
});

describe('recipes', () => {
  it('the same wine in another size is no difference but its size', () => {
    expect(differences(plan, plan)).toEqual([]);
    expect(differences(plan, scalePlan(plan, 3)).map(plain)).toEqual(['33.0 L for 11.0 L']);
  });

  it('says what changed, by the litre', () => {
    const next = solvePlan({
      ...plan,
      ingredients: [...plan.ingredients, { kind: 'acid', acidId: 'tartaric', massKg: 0.011, held: true }],
      yeast: { yeastId: 'champagne' },
      sugar: 'steps',
      target: { ...plan.target!, abv: 13.5 }
    }).plan;
    const lines = plain(differences(plan, next).join('; '));
    expect(lines).toMatch(/White sugar up from/);
    expect(lines).toMatch(/Tartaric acid added, 1 g a litre/);
    expect(lines).toMatch(/strength 13\.5 % for 12\.0 %/);
    expect(lines).toMatch(/champagne type yeast for general wine type/);
    expect(lines).toMatch(/sugar: fed in steps, not all at the start/);
  });

  it('versions are found by family, the newest first', () => {
    const all = [recipe(1, 1, 1), recipe(2, 1, 2), recipe(3, 3, 1)];
    expect(versionsOf(all, id(1)).map((r) => r.version)).toEqual([2, 1]);
    expect(newest(all).map((r) => r.id)).toEqual([id(2), id(3)]);
  });
});

describe('what was really done', () => {
  let count = 100;
  const event = (type: LedgerEvent['type'], data: unknown, n: number): LedgerEvent =>
    ({
      id: id(++count),
      batchId: id(0),
      type,
      v: 1,
      at: `2026-06-0${n}T00:00:00.000Z`,
      zone: 'UTC',
      recordedAt: `2026-06-0${n}T00:00:00.000Z`,
      device: 't',
      data
    }) as LedgerEvent;
  const sugar = (massKg: number): Ingredient => ({ kind: 'sugar', sugarId: 'white', massKg });

  it('counts what was weighed, with feeds; leaves dosed powders and lots out', () => {
    const log = [
      event('planned', { name: 'Gooseberry', plan, vesselId: 'b' }, 1),
      event(
        'addition',
        {
          ingredients: [
            { ...plan.ingredients[0], massKg: 3.7, lotId: 'x' },
            sugar(1.5),
            { kind: 'water', volumeL: 7 }
          ]
        },
        1
      ),
      event('addition', { ingredients: [{ kind: 'additive', additiveId: 'campden', massKg: 0.001 }] }, 1),
      event('pitch', { yeast: { yeastId: 'champagne' } }, 2),
      event('addition', { ingredients: [sugar(0.8)] }, 3),
      event('fruit-out', { press: 'squeeze' }, 4),
      event('note', { text: 'Less lemon', nextTime: true }, 5),
      event('tasting', { text: 'thin', nextTime: 'more fruit' }, 6)
    ];
    const made = asMade(log, { id: id(0), plan, name: 'Gooseberry' });
    expect(made.ingredients.map(amountOf)).toEqual([3.7, 2.3, 7]);
    expect(made.ingredients.every((i) => i.kind !== 'additive' && !('lotId' in i && i.lotId))).toBe(true);
    expect(made.yeast).toEqual({ yeastId: 'champagne' });
    expect(made.press).toBe('squeeze');
    expect(planSchema.safeParse(made).success).toBe(true);
    // On the bench it solves to what was done.
    const again = solvePlan(made).plan;
    expect(likelyFigures(again).potentialAbv).toBeCloseTo(likelyFigures(made).potentialAbv, 1);
    expect(amountOf(again.ingredients[1]!)).toBeCloseTo(2.3, 1);
    expect(nextTimeNotes(log).map((n) => n.text)).toEqual(['Less lemon', 'more fruit']);
  });

  it('gives an amount per litre, or per gallon where the household measures in gallons', () => {
    const of = (amount: number, unit: 'kg' | 'L') =>
      Object.values(SYSTEMS).map((u) => perText(amount, unit, u));
    expect(of(0.362, 'kg')).toEqual([
      '362 g a litre',
      '3.02 lb a US gal',
      '3.63 lb a UK gal',
      '13 oz a litre'
    ]);
    expect(of(0.001, 'kg')).toEqual(['1 g a litre', '3.79 g a US gal', '4.55 g a UK gal', '1 g a litre']);
    expect(of(0.62, 'L')).toEqual([
      '620 mL a litre',
      '2.48 US qt a US gal',
      '4.96 UK pt a UK gal',
      '620 mL a litre'
    ]);
  });
});
