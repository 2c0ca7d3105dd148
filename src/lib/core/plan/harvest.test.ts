import { describe, expect, it } from 'vitest';
import { VESSEL_PRESETS } from '../vessels/vessels';
import { likelyFigures } from '../must/balance';
import { propose, type InHand } from '../solve/propose';
import { solvePlan } from '../solve/solve';
import { harvestLotSchema, keepingOf, leftKg, type HarvestLot } from './harvest';
import { PRODUCE, produceById } from '../tables/table';

const NOW = Date.parse('2026-08-10T10:00:00Z');
const DAY = 86_400_000;
const iso = (days: number) => new Date(NOW - days * DAY).toISOString();
const lot = (produceId: string, more: Partial<HarvestLot> = {}): HarvestLot => ({
  id: '01900000-0000-7000-8000-000000000001',
  produceId,
  massKg: 4,
  form: 'fresh',
  at: iso(0),
  fates: [],
  ...more
});

describe('produce in hand', () => {
  it('what is left is what was weighed in, less what was used, trimmed, eaten and thrown', () => {
    const l = lot('plum', {
      fates: [
        { at: iso(0), what: 'eaten', massKg: 0.5 },
        { at: iso(0), what: 'frozen', massKg: 3.5 },
        { at: iso(0), what: 'trimmed', massKg: 0.2 },
        { at: iso(0), what: 'thrown', massKg: 0.3 }
      ]
    });
    expect(leftKg(l, 1)).toBeCloseTo(2, 9);
    expect(leftKg(l, 9)).toBe(0);
  });

  it('fresh keeps for days by its kind, frozen for months, thawed for a day (common practice)', () => {
    expect(keepingOf(lot('raspberry', { at: iso(2) }), NOW)).toMatchObject({ isUrgent: true });
    expect(keepingOf(lot('quince', { at: iso(2) }), NOW)).toMatchObject({ isUrgent: false });
    expect(keepingOf(lot('raspberry', { at: iso(9) }), NOW).text).toBe('past its best');
    const frozen = lot('raspberry', {
      form: 'frozen',
      at: iso(40),
      fates: [{ at: iso(38), what: 'frozen', massKg: 4 }]
    });
    expect(keepingOf(frozen, NOW)).toMatchObject({ text: '11 months left', isUrgent: false });
    const thawed = {
      ...frozen,
      form: 'fresh' as const,
      fates: [...frozen.fates, { at: iso(0), what: 'thawed' as const, massKg: 4 }]
    };
    expect(keepingOf(thawed, NOW)).toMatchObject({ text: 'today', isUrgent: true });
  });

  it('refuses what is no food, and what is not in the table', () => {
    expect(harvestLotSchema.safeParse(lot('plum')).success).toBe(true);
    expect(harvestLotSchema.safeParse(lot('oleander')).success).toBe(false);
    expect(harvestLotSchema.safeParse(lot('plum', { massKg: 0 })).success).toBe(false);
  });
});

describe('what could this be?', () => {
  const have = (id: string, massKg: number, more: Partial<InHand> = {}): InHand => ({
    lotId: `lot-${id}`,
    produce: produceById(id)!,
    isOwn: false,
    massKg,
    form: 'fresh',
    isUrgent: false,
    ...more
  });

  it('proposes two or three different wines, each a plan that can be solved as it says', () => {
    const list = propose(
      [have('gooseberry', 4), have('pear', 5), have('raspberry', 2, { isUrgent: true }), have('parsnip', 4)],
      VESSEL_PRESETS
    );
    expect(list.length).toBeGreaterThanOrEqual(2);
    expect(new Set(list.map((p) => p.fruit.map((f) => f.name).join())).size).toBe(list.length);
    for (const p of list) {
      const { plan, gaveWay } = solvePlan(p.plan);
      expect(gaveWay, p.title).toEqual([]);
      const f = likelyFigures(plan);
      expect(f.intoGlassL).toBeCloseTo(p.volumeL, 0);
      expect(f.potentialAbv).toBeCloseTo(12, 1);
      expect(plan.ingredients.every((i) => i.kind !== 'produce' || i.lotId?.startsWith('lot-'))).toBe(true);
      expect(p.why.length).toBeGreaterThanOrEqual(3);
    }
    // What will not keep is in the first.
    expect(list[0]!.fruit.map((f) => f.name)).toContain('Raspberries');
  });

  it('uses sharp with soft rather than powder, where it can', () => {
    const list = propose([have('redcurrant', 4), have('pear', 4)], VESSEL_PRESETS);
    const both = list.find((p) => p.fruit.length === 2)!;
    expect(both.plan.ingredients.some((i) => i.kind === 'acid')).toBe(false);
    expect(both.why.join()).toMatch(/of its own: needs none/);
    // Pears alone want acid.
    expect(list.find((p) => p.title === 'Pear')!.plan.ingredients.some((i) => i.kind === 'acid')).toBe(true);
  });

  it('an entry of one’s own goes along, whichever of its figures is one’s own', () => {
    const plum = produceById('plum')!;
    const own = { ...plum, ph: [2.7, 2.8, 2.9] as const, from: { ...plum.from, ph: 'own' as const } };
    const [p] = propose([have('plum', 4, { produce: own, isOwn: true })], VESSEL_PRESETS);
    expect(p!.plan.ingredients[0]).toMatchObject({ entry: { ph: [2.7, 2.8, 2.9] } });
    const [table] = propose([have('plum', 4)], VESSEL_PRESETS);
    expect(table!.plan.ingredients[0]).not.toHaveProperty('entry');
  });

  it('fills the jars that are free, between light and full', () => {
    const jar = VESSEL_PRESETS.find((v) => v.id === 'jar-5')!;
    const [p] = propose([have('plum', 1.9)], [jar]);
    expect(p!.volumeL).toBeCloseTo(jar.capacityL * 0.985, 1);
    expect(p!.why.join()).toMatch(/fills the 5 L jar/);
  });

  it('proposes nothing of too little, and never fails on any produce', () => {
    expect(propose([have('plum', 0.3)], VESSEL_PRESETS)).toEqual([]);
    expect(propose([], VESSEL_PRESETS)).toEqual([]);
    for (const p of PRODUCE)
      for (const q of propose([have(p.id, 5)], VESSEL_PRESETS))
        expect(q.why.join()).not.toMatch(/NaN|undefined/);
  });
});
