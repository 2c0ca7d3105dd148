import { readItem } from './read-item';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../units/input-error';
import { KG_PER, L_PER } from '../units/measure';
import { parseQuantity } from '../units/parse';
import { chooseIngredient } from './choose';
import { boilOffL, FORM_PACE, halfGivenH, pressLoads, pulpFactor, shareGiven } from './extraction';
import { FORMS, type Produce } from '../tables/produce';
import { PRODUCE, produceById, seasonIn, withOwn } from '../tables/table';
import { amountIn, unitLabel, unitsFor } from './thing';
import { nameOf } from './name';
import { entryOf, type Ingredient } from './plan';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { ADDITIVES, type AdditiveId } from '../tables/substances';
import { entryFigure } from '../units/format';

const lemon = produceById('lemon')!;
const elderflower = produceById('elderflower')!;

describe('weighing in', () => {
  const of = (p: Produce): Ingredient => ({ kind: 'produce', produceId: p.id, entry: p, massKg: 0 });
  const kg = (text: string, p: Produce, bare: 'kg' | 'piece' = 'kg') =>
    readItem(text, of(p), bare, 'us').amount.base;

  it('by weight, count, volume and heads', () => {
    expect(kg('6', lemon, 'piece')).toBeCloseTo((6 * lemon.pieceG!) / 1000, 9);
    expect(readItem('½', of(lemon), 'piece', 'us').amount).toMatchObject({ amount: 0.5, count: 0.5 });
    expect(readItem('6 pieces', of(lemon), 'kg', 'us').item).toMatchObject({
      unit: 'piece',
      weighed: 'bought'
    });
    expect(kg('1 us qt', elderflower)).toBeCloseTo((L_PER['us-qt'] * elderflower.litreG!) / 1000, 9);
  });

  it('says what it does not know', () => {
    const bare = { ...lemon, pieceG: null, litreG: null };
    expect(() => kg('6 pieces', bare)).toThrow(/piece of lemons weighs/);
    expect(() => kg('2 L', bare)).toThrow(/litre of lemons weighs/);
    expect(unitsFor(of(bare))).toEqual(['kg', 'g', 'lb', 'oz']);
  });

  it('said and read again, every amount is the same, of every ingredient in every unit it has', () => {
    const items: Ingredient[] = [
      ...PRODUCE.map(of),
      ...(Object.keys(SWEETENERS) as SweetenerId[]).map((id): Ingredient => ({
        kind: 'sugar',
        sugarId: id,
        massKg: 0
      })),
      ...(Object.keys(ADDITIVES) as AdditiveId[]).map((id): Ingredient => ({
        kind: 'additive',
        additiveId: id,
        massKg: 0
      })),
      { kind: 'honey', massKg: 0 },
      { kind: 'water', volumeL: 0 },
      { kind: 'juice', produceId: 'apple', volumeL: 0 },
      { kind: 'wine', volumeL: 0, abv: 12, sg: 0.994 },
      { kind: 'acid', acidId: 'citric', massKg: 0 }
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...items),
        fc.double({ min: 0.001, max: 500, noNaN: true }),
        fc.constantFrom('us', 'uk', 'metric'),
        (item, base, country) => {
          for (const unit of unitsFor(item)) {
            const said = `${entryFigure(amountIn(item, base, unit), unit)} ${unitLabel(unit, entryOf(item))}`;
            for (const text of [said, `${said} of ${nameOf(item).toLowerCase()}`]) {
              const read = readItem(text, item, null, country as 'us').amount;
              expect(read.unit, text).toBe(unit);
              // A hundredth of a gram is not weighed.
              expect(Math.abs(read.base - base), text).toBeLessThan(Math.max(1e-5 * base, 6e-6));
            }
          }
        }
      ),
      { numRuns: 400 }
    );
  });

  it('adds up and takes off only what can be', () => {
    expect(parseQuantity('2 lb + 3 oz', 'kg').base).toBeCloseTo(2 * KG_PER.lb + 3 * KG_PER.oz, 9);
    expect(parseQuantity('1.5 kg - 200 g', 'kg').base).toBeCloseTo(1.3, 9);
    expect(() => parseQuantity('240 - 1180 g', 'g')).toThrow(/less than nothing/);
    expect(() => parseQuantity('9 lb 4', 'kg')).toThrow(/without its unit/);
    expect(() => parseQuantity('1180 -', 'g')).toThrow(InputError);
  });

  it('sums of weighings are the sum of the weighings', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 5000 }), { minLength: 1, maxLength: 6 }), (parts) => {
        expect(parseQuantity(`${parts.join(' + ')} g`, 'kg').base).toBeCloseTo(
          parts.reduce((a, b) => a + b, 0) / 1000,
          9
        );
      })
    );
  });
});

describe('choosing', () => {
  const first = (text: string, own = [] as (typeof PRODUCE)[number][]) => {
    const a = chooseIngredient(text, 'us', own);
    return a.kind === 'choices' ? a.choices[0] : undefined;
  };

  it('counts: 6 lemons, 14 heads of elderflower, whole as they are', () => {
    expect(first('6 lemons')).toMatchObject({
      unit: 'piece',
      item: { produceId: 'lemon', weighed: 'bought' }
    });
    expect(first('14 heads of elderflower')!.item).toMatchObject({
      massKg: (14 * elderflower.pieceG!) / 1000
    });
    expect(first('14 heads elderflower')!.item).toMatchObject({ produceId: 'elderflower' });
    expect(first('2 l elderflower')).toMatchObject({
      unit: 'L',
      item: { massKg: (2 * elderflower.litreG!) / 1000 }
    });
  });

  it('forms: frozen, canned, dried, juice and concentrate', () => {
    expect(first('2 kg frozen blackcurrants')!.item).toMatchObject({ form: 'frozen' });
    expect(first('tinned cherry')!.item).toMatchObject({ form: 'canned' });
    expect(first('dried elderberry')!.item).toMatchObject({ form: 'dried' });
    expect(first('1 L apple concentrate')!.item).toMatchObject({
      kind: 'juice',
      form: 'concentrate',
      volumeL: 1
    });
    expect(first('1 L apple juice')!.item).toMatchObject({ kind: 'juice', volumeL: 1 });
  });

  it('sugars by the names people have for them', () => {
    for (const [text, id] of [
      ['golden syrup', 'golden-syrup'],
      ['jaggery', 'palm'],
      ['black treacle', 'molasses'],
      ['dry malt', 'dry-malt'],
      ['white grape concentrate', 'white-grape-concentrate'],
      ['heather honey', 'heather-honey'],
      ['corn sugar', 'dextrose']
    ])
      expect(first(text!)!.item, text).toMatchObject({ kind: 'sugar', sugarId: id });
    expect(first('1 kg honey')!.item).toMatchObject({ kind: 'honey' });
    expect(first('20 g citric acid')!.item).toMatchObject({ kind: 'acid', acidId: 'citric', massKg: 0.02 });
  });

  it('one’s own entries come first, and stand in for the table’s', () => {
    const mine = { ...produceById('plum')!, solids: [20, 21, 22] as const };
    const hedge = { ...mine, id: 'hedge-plum', name: 'Hedge plum', plural: 'Hedge plums' };
    expect(withOwn([mine]).filter((p) => p.id === 'plum')).toEqual([mine]);
    expect(first('2 kg hedge plum', [hedge])!.item).toMatchObject({
      produceId: 'hedge-plum',
      entry: { id: 'hedge-plum' }
    });
    expect(first('2 kg plum', [mine])!.item).toMatchObject({ entry: { solids: [20, 21, 22] } });
    expect(first('2 kg plum')!.item).not.toHaveProperty('entry');
  });
});

describe('seasons', () => {
  it('are six months on in the southern half', () => {
    const quince = produceById('quince')!;
    expect(seasonIn(quince, 'north')).toEqual([10, 11]);
    expect(seasonIn(quince, 'south')).toEqual([4, 5]);
    expect(seasonIn(produceById('orange')!, 'south').every((m) => m >= 1 && m <= 12)).toBe(true);
  });
});

describe('giving and taking', () => {
  it('gives half in the half-time, all in the end, nothing before', () => {
    expect(shareGiven(20, 20)).toBeCloseTo(0.5, 9);
    expect(shareGiven(20, 2000)).toBeCloseTo(1, 9);
    expect(shareGiven(20, -5)).toBe(0);
    expect(shareGiven(0, 1)).toBe(1);
  });

  it('has a pace for every form', () => {
    for (const f of FORMS) expect(FORM_PACE[f], f).toBeGreaterThanOrEqual(0);
    const plum = produceById('plum')!;
    expect(halfGivenH(plum, { form: 'frozen' }, false)).toBeCloseTo(0.4 * plum.halfGivenH[1], 9);
  });

  it('boils off less under a lid; dried flowers hold back most', () => {
    expect(boilOffL(60)[1]).toBeGreaterThan(3 * boilOffL(60, true)[1]);
    expect(boilOffL(0)[1]).toBe(0);
    expect(pulpFactor(elderflower, 'dried')).toBeGreaterThan(pulpFactor(produceById('raisin')!));
    expect(pulpFactor(lemon)).toBe(1);
  });

  it('counts the loads of a press', () => {
    expect(pressLoads(57, 12)).toBe(5);
    expect(pressLoads(11.4, 12)).toBe(1);
    expect(pressLoads(11.5, 12)).toBe(2);
  });
});
