import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { chooseIngredient, type Choice } from '$core/produce/choose';
import { KG_PER, L_PER } from '$core/units/measure';
import { db } from '$lib/store/db';
import { dropDraft } from '$lib/store/draft';
import { DEFAULT_SETTINGS, type Settings } from '$lib/store/settings';
import { amountOf } from '$core/must/plan';
import { createBench, mainName } from './bench.svelte';

const choice = (text: string): Choice => {
  const answer = chooseIngredient(text);
  if (answer.kind !== 'choices' || !answer.choices[0]) throw new Error(text);
  return answer.choices[0];
};

async function bench(settings: Settings = DEFAULT_SETTINGS) {
  const b = createBench(() => settings);
  await b.load();
  return b;
}
const row = (b: Awaited<ReturnType<typeof bench>>, kind: string) => b.rows.find((r) => r.item.kind === kind)!;
const solved = (b: Awaited<ReturnType<typeof bench>>, kind: string) =>
  amountOf(b.solved.plan.ingredients.find((i) => i.kind === kind)!);

beforeEach(async () => {
  await dropDraft('plan');
  await db.drafts.clear();
});

describe('the must bench', () => {
  it('starts with sugar and water that follow, and nothing to show', async () => {
    const b = await bench();
    expect(b.rows.map((r) => [r.item.kind, r.held])).toEqual([
      ['sugar', false],
      ['water', false]
    ]);
    expect(b.estimate).toBeNull();
    expect(b.name).toBe('');
  });

  it('puts fruit before what sweetens it, names itself after it, and solves', async () => {
    const b = await bench();
    b.add(choice('4 kg rhubarb'));
    expect(b.rows[0]!.item.kind).toBe('produce');
    expect(b.name).toBe('Rhubarb');
    expect(b.estimate!.potentialAbv!.likely).toBeCloseTo(12, 2);
    expect(solved(b, 'water')).toBeGreaterThan(3);
  });

  it('typing over a worked-out amount holds it; emptying it lets it follow again', async () => {
    const b = await bench();
    b.add(choice('4 kg rhubarb'));
    const sugar = row(b, 'sugar');
    b.type(sugar.id, '1,5');
    expect(row(b, 'sugar').held).toBe(true);
    expect(solved(b, 'sugar')).toBe(1.5);
    expect(b.solved.gaveWay.map((g) => g.text).join()).toMatch(/sugar is held/);
    b.type(sugar.id, '');
    expect(row(b, 'sugar').held).toBe(false);
    expect(b.estimate!.potentialAbv!.likely).toBeCloseTo(12, 2);
  });

  it('takes another unit with the amount, and keeps the weight when the unit is changed', async () => {
    const b = await bench();
    const id = b.add(choice('rhubarb'));
    b.type(id, '9 lb 4 oz');
    expect(amountOf(b.rows[0]!.item)).toBeCloseTo(9.25 * KG_PER.lb, 6);
    expect(b.rows[0]!.unit).toBe('lb');
    b.setUnit(id, 'kg');
    expect(amountOf(b.rows[0]!.item)).toBeCloseTo(9.25 * KG_PER.lb, 6);
    expect(Number(b.rows[0]!.text)).toBeCloseTo(9.25 * KG_PER.lb, 4);
  });

  it('says what is wrong and counts nothing for it', async () => {
    const b = await bench();
    const id = b.add(choice('4 kg rhubarb'));
    for (const wrong of ['3 moons', 'lots', '9999999']) {
      b.type(id, wrong);
      expect(b.rows[0]!.error, wrong).toBeTruthy();
      expect(amountOf(b.rows[0]!.item)).toBe(0);
      expect(b.rows[0]!.text).toBe(wrong);
    }
    b.type(id, '4');
    expect(b.rows[0]!.error).toBeNull();
  });

  it('holds where it stands, and lets go', async () => {
    const b = await bench();
    b.add(choice('4 kg rhubarb'));
    const before = solved(b, 'water');
    b.toggleHeld(row(b, 'water').id);
    expect(solved(b, 'water')).toBeCloseTo(before, 4);
    expect(row(b, 'water').held).toBe(true);
    b.setVolume(20, 'L');
    expect(row(b, 'water').held).toBe(false);
    expect(b.estimate!.intoGlassL!.likely).toBeCloseTo(20, 2);
    b.setAbv(9);
    expect(b.estimate!.potentialAbv!.likely).toBeCloseTo(9, 2);
  });

  it('comes back as it was after a closed tab, and starts afresh when cleared', async () => {
    const b = await bench();
    b.add(choice('4 kg rhubarb'));
    b.setVolume(2 * L_PER['uk-gal'], 'uk-gal');
    b.yeastId = 'champagne';
    const again = await bench();
    expect(again.rows.map((r) => r.item)).toEqual(b.rows.map((r) => r.item));
    expect(again.target.volumeUnit).toBe('uk-gal');
    expect(again.yeastId).toBe('champagne');
    b.clear();
    expect(b.rows).toHaveLength(2);
  });

  it('a kept plan that makes no sense any more is left behind', async () => {
    await db.drafts.put({
      key: 'plan',
      value: { rows: [{ item: { kind: 'produce', produceId: 'gone', massKg: 1 } }] }
    });
    expect((await bench()).rows).toHaveLength(2);
  });

  it('shows pounds and gallons to those who use them', async () => {
    const b = await bench({ ...DEFAULT_SETTINGS, system: 'us', mass: 'lb', volume: 'us-gal', temp: 'F' });
    expect(row(b, 'sugar').unit).toBe('lb');
    expect(row(b, 'water').unit).toBe('us-gal');
  });

  it('honey alone is a honey wine', () => {
    expect(
      mainName([
        { kind: 'honey', massKg: 2 },
        { kind: 'water', volumeL: 5 }
      ])
    ).toBe('Honey wine');
    expect(mainName([{ kind: 'water', volumeL: 5 }])).toBe('');
  });
});
