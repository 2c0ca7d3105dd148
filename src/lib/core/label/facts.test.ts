import { expect, it } from 'vitest';
import { beliefOf } from '../belief/believe';
import { dangersOf } from '../finish/danger';
import { DAY, eventsFrom } from '../ledger/events.fixture';
import type { LedgerEvent } from '../ledger/log';
import { foldBatch } from '../ledger/run';
import type { Ingredient } from '../plan/plan';
import { factsOf, wordsOf } from './facts';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const PLUMS: Ingredient[] = [
  { kind: 'produce', produceId: 'plum', massKg: 4.1 },
  { kind: 'sugar', sugarId: 'white', massKg: 1.9 },
  { kind: 'water', volumeL: 8 }
];
const begin = (): LedgerEvent[] => [
  on(0, 'planned', {
    name: 'Plum',
    plan: { ingredients: PLUMS, yeast: { yeastId: 'wine' } },
    vesselId: 'bucket'
  }),
  on(0, 'addition', { ingredients: PLUMS }),
  on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5, how: 'dry' }),
  on(8, 'fruit-out', { press: 'drip' }),
  on(20, 'transfer', { from: 'bucket', to: [{ vesselId: 'jar', volumeL: 9 }], lossL: 1 })
];
const bottle = (day: number, count: number) =>
  on(day, 'bottle', { from: 'jar', bottles: [{ count, sizeL: 0.75, type: 'still' }], clear: true });
const sulphite: Ingredient = { kind: 'additive', additiveId: 'metabisulphite', massKg: 0.0006 };
const sorbate: Ingredient = { kind: 'additive', additiveId: 'sorbate', massKg: 0.002 };
const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 0.25 };

it('a filling says what it was when it was filled, whatever became of the rest of its jar', () => {
  const log = [
    ...begin(),
    on(50, 'reading', { sg: 0.99, tempC: 20 }),
    on(60, 'reading', { sg: 0.99, tempC: 20 }),
    bottle(61, 4),
    on(70, 'addition', { ingredients: [sulphite, sorbate], vesselId: 'jar' }),
    on(72, 'addition', { ingredients: [sugar], vesselId: 'jar' })
  ];
  const s = foldBatch(log, T0 + 80 * DAY)!;
  const words = (of: Parameters<typeof factsOf>[1]) => {
    const facts = factsOf(s, of, beliefOf(s));
    return { ...wordsOf(facts, 'metric', 'UTC'), contains: facts.contains };
  };
  const filled = words({ bottling: s.bottled[0]!, sizeL: 0.75 });
  const jar = words({ fill: s.fills[0]! });
  expect(filled).toMatchObject({ taste: 'dry', volume: '750 mL', bottled: '1 Jul 2026', contains: [] });
  expect(jar).toMatchObject({ volume: '', bottled: '', contains: ['sulphites'] });
  expect(jar.taste).not.toBe('dry');
  expect(filled.strength).toMatch(/^1\d(\.5)?\u00a0%\u00a0vol$/);
});

it('what is read of the rest later is no reading of the bottles', () => {
  const filled = [...begin(), on(50, 'reading', { sg: 1.004, tempC: 20 }), bottle(51, 4)];
  const later = [80, 90].map((d) => on(d, 'reading', { sg: 0.99, tempC: 20, vesselId: 'jar' }));
  const s = foldBatch([...filled, ...later], T0 + 95 * DAY)!;
  expect(s.bottled[0]!.fill.reads.map((r) => r.sg)).toEqual([1.004]);
  expect(s.fills[0]!.reads).toHaveLength(3);
  // They were filled with sugar in them, and are dangerous, however dry the jar is by now.
  expect(dangersOf(s, beliefOf(s))).toHaveLength(1);
});

it('one that nobody read is told as about so strong, not as its must was', () => {
  const s = foldBatch([...begin(), bottle(90, 4)], T0 + 95 * DAY)!;
  const facts = factsOf(s, { bottling: s.bottled[0]!, sizeL: 0.75 }, beliefOf(s));
  expect(facts.abv.likely).toBeGreaterThan(9);
  expect(wordsOf(facts, 'us', 'UTC').strength).toMatch(/^about \d+\u00a0%\u00a0alc/);
});

it('bubbles are said where there is sugar for them', () => {
  const primed = on(61, 'bottle', {
    from: 'jar',
    bottles: [{ count: 8, sizeL: 0.5, type: 'sparkling' }],
    primingGL: 20,
    clear: true
  });
  const read = [50, 60].map((d) => on(d, 'reading', { sg: 0.99, tempC: 20 }));
  const s = foldBatch([...begin(), ...read, primed], T0 + 95 * DAY)!;
  const facts = factsOf(s, { bottling: s.bottled[0]!, sizeL: 0.5 }, beliefOf(s));
  expect(wordsOf(facts, 'uk', 'UTC')).toMatchObject({ taste: 'sparkling, dry', volume: '500 mL' });
});
