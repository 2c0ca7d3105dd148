import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { chooseIngredient, type Choice } from '$core/plan/choose';
import { KG_PER, L_PER } from '$core/units/measure';
import { db } from '$lib/store/db';
import { dropDraft } from '$lib/store/draft';
import { DEFAULT_SETTINGS, type Settings } from '$core/units/settings';
import { amountOf } from '$core/plan/plan';
import { METHODS } from '$core/plan/methods';
import { swapsFor } from '$core/solve/swaps';
import { mainName } from '$core/plan/main-produce';
import { createBench } from './bench.svelte';

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
    // What is being typed is left alone until it is done.
    expect(b.rows[0]).toMatchObject({ text: '9 lb 4 oz', unit: 'kg' });
    b.settle(id);
    expect(b.rows[0]).toMatchObject({ text: '9.25', unit: 'lb' });
    b.setUnit(id, 'kg');
    expect(amountOf(b.rows[0]!.item)).toBeCloseTo(9.25 * KG_PER.lb, 6);
    expect(Number(b.rows[0]!.text)).toBeCloseTo(9.25 * KG_PER.lb, 4);
  });

  it('a recipe typed as it stands fills the sugar and the water that were worked out', async () => {
    const b = await bench();
    b.add(choice('1.5 kg rhubarb'));
    b.add(choice('4 cups sugar'));
    b.add(choice('4.1 L water'));
    expect(b.rows.map((r) => r.item.kind)).toEqual(['produce', 'sugar', 'water']);
    expect(solved(b, 'sugar')).toBeCloseTo(0.8, 9);
    expect(solved(b, 'water')).toBeCloseTo(4.1, 9);
    expect(row(b, 'sugar')).toMatchObject({ held: true, unit: 'cup', text: '4' });
    // Another sugar, and more of what is held already, are lines of their own.
    b.add(choice('500 g honey'));
    b.add(choice('100 g sugar'));
    expect(b.rows).toHaveLength(5);
  });

  it('an amount that is none for its thing is asked about on its row, and nothing is dropped', async () => {
    const b = await bench();
    const id = b.add(choice('a bag of blackberries'));
    expect(b.rows.find((r) => r.id === id)!.error).toMatch(/bag of blackberries/);
    b.type(id, '2 cups');
    expect(b.rows.find((r) => r.id === id)!.error).toBeNull();
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
    const lemons = { kind: 'produce' as const, produceId: 'lemon', massKg: 0.33 };
    expect(mainName([{ kind: 'honey', massKg: 1.4 }, lemons])).toBe('Honey wine');
    expect(
      mainName([
        { kind: 'honey', massKg: 1.4 },
        { ...lemons, produceId: 'plum' }
      ])
    ).toBe('Plum');
  });
});

describe('goals on the bench', () => {
  const acids = (b: Awaited<ReturnType<typeof bench>>) =>
    b.rows.filter((r) => r.item.kind === 'acid' || (r.item.kind === 'juice' && r.item.produceId === 'lemon'));

  it('a goal for acid brings what sharpens, by the school, and takes it off again', async () => {
    const b = await bench();
    b.add(choice('4 kg pears'));
    b.setGoals({ taGL: 6.5 });
    expect(acids(b)).toHaveLength(1);
    expect(b.estimate!.taGL!.likely).toBeCloseTo(6.5, 2);
    b.choose('sharpen', 'lemon');
    expect(acids(b).map((r) => r.item.kind)).toEqual(['juice']);
    expect(b.estimate!.taGL!.likely).toBeCloseTo(6.5, 2);
    // The pH alone keeps it; with neither it goes.
    b.setGoals({ taGL: null, phMax: 3.4 });
    expect(acids(b)).toHaveLength(1);
    b.setGoals({ phMax: null });
    expect(acids(b)).toEqual([]);
  });

  it('acid that was weighed and held stays when the goal goes', async () => {
    const b = await bench();
    b.add(choice('4 kg pears'));
    b.put({ kind: 'acid', acidId: 'tartaric', massKg: 0.01 });
    b.setGoals({ taGL: 6.5 });
    b.setGoals({ taGL: null });
    expect(acids(b).map((r) => [r.held, amountOf(r.item)])).toEqual([[true, 0.01]]);
  });

  it('leeway is kept by goal, and one does not take the place of another', async () => {
    const b = await bench();
    b.allow('abv', 0.5);
    b.allow('taGL', 1);
    expect(b.target.within).toEqual({ abv: 0.5, taGL: 1 });
  });

  it('fruit that is let follow is taken up to what was weighed; holding it again fixes it', async () => {
    const b = await bench();
    b.add(choice('6 kg plums'));
    b.setVolume(5, 'L');
    const plums = b.rows[0]!.id;
    b.toggleHeld(plums);
    expect(b.rows[0]).toMatchObject({ held: false, item: { most: 6 } });
    expect(b.shown(0)).toBeLessThan(3);
    expect(b.solved.gaveWay).toEqual([]);
    b.toggleHeld(plums);
    expect(b.rows[0]!.held).toBe(true);
    expect(b.rows[0]!.item).not.toHaveProperty('most');
    expect(amountOf(b.rows[0]!.item)).toBeLessThan(3);
  });

  it('by the vessel, then by litres: one amount at a time', async () => {
    const b = await bench();
    b.add(choice('5 kg plums'));
    b.fillVessel(12);
    expect(b.estimate!.vesselVolumeL!.likely).toBeCloseTo(12, 2);
    b.setVolume(9, 'L');
    expect(b.target.fillL).toBeNull();
    expect(b.estimate!.intoGlassL!.likely).toBeCloseTo(9, 2);
  });

  it('sweetness is a finish, and dry takes it back', async () => {
    const b = await bench();
    b.choose('finish', 'stabilise');
    expect(b.target.sweetGL).toBeGreaterThan(0);
    b.choose('finish', 'dry');
    expect(b.target.sweetGL).toBeNull();
  });

  it('a method handles the fruit it is for, and comes back after a closed tab', async () => {
    const b = await bench();
    b.add(choice('4 kg parsnips'));
    b.useMethod(METHODS.find((m) => m.id === 'root-simmer')!);
    expect(b.rows[0]!.item).toMatchObject({ heat: 'simmered' });
    expect(b.choice('clearing')).toBe('bentonite');
    const again = await bench();
    expect(again.choice('clearing')).toBe('bentonite');
    expect(again.rows[0]!.item).toMatchObject({ heat: 'simmered' });
  });

  it('takes a whole plan on, and gives the same plan back', async () => {
    const b = await bench();
    b.add(choice('6 kg rhubarb'));
    b.setVolume(12, 'L');
    b.setGoals({ taGL: 4.5 });
    const [way] = swapsFor(b.plan, b.solved.gaveWay);
    b.adopt(way!.plan);
    expect(b.solved.gaveWay).toEqual([]);
    const { ingredients, target } = b.plan;
    expect(ingredients.map((i) => [i.kind, i.held])).toEqual(
      way!.plan.ingredients.map((i) => [i.kind, i.held])
    );
    expect(target).toEqual(way!.plan.target);
  });

  it('sugar in steps starts lighter than all of it would', async () => {
    const b = await bench();
    b.add(choice('4 kg plums'));
    b.setAbv(15);
    const all = b.start!.sgAllGiven!.likely;
    b.choose('sugar', 'steps');
    expect(b.start!.sgAllGiven!.likely).toBeLessThan(all - 0.005);
    expect(b.estimate!.potentialAbv!.likely).toBeCloseTo(15, 1);
    expect(b.parts.later).toHaveLength(2);
  });
});
