import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../units/input-error';
import { KG_PER, L_PER } from '../units/measure';
import { parseQuantity } from '../units/parse';
import { chooseIngredient } from './choose';
import { boilOffL, FORM_NOTES, halfGivenH, pressLoads, pulpFactor, shareGiven } from './extraction';
import { FORMS } from './schema';
import { PRODUCE, produceById, seasonIn, withOwn } from './table';
import { amountIn, kgIn, parseProduce, unitsOf } from './weigh';

const lemon = produceById('lemon')!;
const elderflower = produceById('elderflower')!;

describe('weighing in', () => {
  it('by weight, count, volume and heads', () => {
    expect(parseProduce('3 lb', 'kg', lemon).massKg).toBeCloseTo(3 * KG_PER.lb, 9);
    expect(parseProduce('6', 'piece', lemon).massKg).toBeCloseTo((6 * lemon.pieceG!) / 1000, 9);
    expect(parseProduce('14 heads', 'g', elderflower).massKg).toBeCloseTo(
      (14 * elderflower.pieceG!) / 1000,
      9
    );
    expect(parseProduce('2 L', 'g', elderflower).massKg).toBeCloseTo((2 * elderflower.litreG!) / 1000, 9);
    expect(parseProduce('½', 'piece', lemon).amount).toBe(0.5);
    expect(parseProduce('1 us qt', 'g', elderflower).massKg).toBeCloseTo(
      (L_PER['us-qt'] * elderflower.litreG!) / 1000,
      9
    );
  });

  it('past the end of the scale, and by difference', () => {
    expect(parseProduce('2.8 + 2.9 + 1.4 kg', 'kg', lemon).massKg).toBeCloseTo(7.1, 9);
    expect(parseProduce('1180 - 240 g', 'kg', lemon).massKg).toBeCloseTo(0.94, 9);
    expect(parseProduce('1180 − 240 g', 'kg', lemon).massKg).toBeCloseTo(0.94, 9);
    expect(parseQuantity('2 lb + 3 oz', 'kg').base).toBeCloseTo(2 * KG_PER.lb + 3 * KG_PER.oz, 9);
    expect(parseQuantity('1.5 kg - 200 g', 'kg').base).toBeCloseTo(1.3, 9);
    expect(() => parseQuantity('240 - 1180 g', 'g')).toThrow(/less than nothing/);
    expect(() => parseQuantity('9 lb 4', 'kg')).toThrow(/without its unit/);
    expect(() => parseQuantity('1180 -', 'g')).toThrow(InputError);
  });

  it('says what it does not know', () => {
    const bare = { ...lemon, pieceG: null, litreG: null };
    expect(() => parseProduce('6 pieces', 'kg', bare)).toThrow(/not counted/);
    expect(() => parseProduce('2 L', 'kg', bare)).toThrow(/litre of lemons weighs/);
    expect(unitsOf(bare)).toEqual(['kg', 'g', 'lb', 'oz']);
  });

  it('kilograms and back are the same, in every unit an entry has', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PRODUCE), fc.double({ min: 0.001, max: 500, noNaN: true }), (p, kg) => {
        for (const unit of unitsOf(p)) expect(kgIn(amountIn(kg, unit, p), unit, p)).toBeCloseTo(kg, 8);
      })
    );
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
    for (const f of FORMS) expect(FORM_NOTES[f].pace, f).toBeGreaterThanOrEqual(0);
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
