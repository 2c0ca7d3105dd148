import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  amountText,
  entryText,
  gramsText,
  quantityText,
  rangeText,
  significant,
  sweetnessWord,
  unitOfLittle
} from './format';
import {
  fromBase,
  isForeign,
  isMassUnit,
  KG_PER,
  L_PER,
  toBase,
  toCelsius,
  UNIT_LABEL,
  type Unit
} from './measure';
import { z } from 'zod';
import { sayAmount } from './amount';
import { firstProblem, reasonOf } from './problem';
import { parseAs, parseGravity, parseNumber, parseQuantity, parseTemperature } from './parse';

describe('measures', () => {
  // NIST Handbook 44, appendix C; UK Units of Measurement Regulations 1995.
  it.each([
    ['1 us gal', 3.785411784],
    ['1 uk gal', 4.54609],
    ['1 lb', 0.45359237],
    ['1 oz', 0.028349523],
    ['1 us pint', 0.473176473],
    ['1 uk pint', 0.56826125],
    ['16 us fl oz', 0.473176473],
    ['20 uk fl oz', 0.56826125],
    ['3 tsp', 0.01478676],
    ['16 tbsp', 0.2365882]
  ])('%s is %d kg or L', (text, base) => {
    expect(parseQuantity(text, 'kg').base).toBeCloseTo(base, 6);
  });

  it('reads what people write', () => {
    const read = (text: string) => parseQuantity(text, 'kg').base;
    expect(read('4.5')).toBeCloseTo(4.5);
    expect(read('4,5 kg')).toBeCloseTo(4.5);
    expect(read('.5kg')).toBeCloseTo(0.5);
    expect(read('9 lb 4 oz')).toBeCloseTo(9.25 * KG_PER.lb);
    expect(read('9lb4oz')).toBeCloseTo(9.25 * KG_PER.lb);
    expect(read('2 1/2 lb')).toBeCloseTo(2.5 * KG_PER.lb);
    expect(read('2½ lb')).toBeCloseTo(2.5 * KG_PER.lb);
    expect(read('¾ us gal')).toBeCloseTo(0.75 * L_PER['us-gal']);
    expect(read('3 gallons')).toBeCloseTo(3 * L_PER['us-gal']);
    expect(parseQuantity('3 gallons', 'kg', 'uk').base).toBeCloseTo(3 * L_PER['uk-gal']);
    expect(parseQuantity('2 imperial pints', 'L').unit).toBe('uk-pt');
  });

  it.each(['', 'plums', '3 furlongs', '1 lb 2 L', '1..2', '-3 kg', '3 kg of', '1/0 kg'])(
    'refuses “%s” and says what to do',
    (text) => {
      expect(() => parseQuantity(text, 'kg')).toThrow();
      try {
        parseQuantity(text, 'kg');
      } catch (e) {
        expect((e as { todo: string }).todo.length).toBeGreaterThan(10);
      }
    }
  );

  it('will not take a volume for a weight', () => {
    expect(() => parseAs('mass', '2 L', 'kg')).toThrow(/volume/);
    expect(() => parseAs('volume', '2 kg', 'L')).toThrow(/weight/);
  });

  it('parse∘format is the identity, in every unit', () => {
    const units = Object.keys(UNIT_LABEL) as Unit[];
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 5000, noNaN: true }),
        fc.constantFrom(...units),
        (base, unit) => {
          const back = parseQuantity(
            `${entryText(base, unit)} ${UNIT_LABEL[unit]}`,
            'kg',
            unit.startsWith('uk') ? 'uk' : 'us'
          );
          expect(back.unit).toBe(unit);
          expect(Math.abs(back.base - base)).toBeLessThan(Math.max(1e-5 * base, 6e-6));
          expect(fromBase(toBase(base, unit), unit)).toBeCloseTo(base, 6);
        }
      )
    );
  });

  it('never throws anything but a clear error, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), (text) => {
        try {
          const q = parseQuantity(text, 'kg');
          expect(Number.isFinite(q.base) && q.base >= 0).toBe(true);
        } catch (e) {
          expect((e as Error).name).toBe('InputError');
        }
      }),
      { numRuns: 2000 }
    );
  });

  it('parses plain numbers', () => {
    expect(parseNumber('1 1/2')).toBe(1.5);
    expect(parseNumber('1,5')).toBe(1.5);
    expect(parseNumber('x')).toBeNull();
    expect(parseNumber('')).toBeNull();
    expect(parseNumber('1/0')).toBeNull();
  });
});

describe('any amount', () => {
  it('is read, or asked about in words: never wrong in silence, never anything else', () => {
    const bits = fc.constantFrom(
      ...'1 2,5 1,500 1.500 ½ 1/2 a half two dozen kg g lb oz L ml gal us uk cup tsp t T tbsp tablet bag x + - and of to about heaped level sugar lemons , . ( ) # % 0 and a half'.split(
        ' '
      )
    );
    fc.assert(
      fc.property(fc.array(bits, { maxLength: 8 }), fc.constantFrom('', ' '), (words, gap) => {
        const text = words.join(gap);
        try {
          const said = sayAmount(text);
          expect(said.parts.length).toBeGreaterThan(0);
          for (const p of said.parts) expect(Number.isFinite(p.n) && p.n >= 0).toBe(true);
        } catch (e) {
          expect((e as Error).name, `${text}: ${(e as Error).message}`).toBe('InputError');
          expect(`${(e as Error).message} ${(e as { todo: string }).todo}`.length).toBeGreaterThan(20);
        }
      }),
      { numRuns: 5000 }
    );
  });
});

describe('gravity and temperature', () => {
  it.each([
    ['1.064', 1.064],
    ['1,064', 1.064],
    ['1064', 1.064],
    ['64', 1.064],
    ['0.996', 0.996],
    ['996', 0.996],
    ['1.1', 1.1],
    ['8', 1.008],
    ['140', 1.14]
  ])('“%s” is %d', (text, sg) => expect(parseGravity(text)).toBeCloseTo(sg, 9));

  it('asks about a misplaced point', () => {
    expect(() => parseGravity('1.64')).toThrow(/heavier than any must/);
    try {
      parseGravity('1.64');
    } catch (e) {
      expect((e as { todo: string }).todo).toContain('1.064');
    }
    expect(() => parseGravity('abc')).toThrow(/not a gravity/);
    expect(() => parseGravity('2064')).toThrow(/outside/);
  });

  it('reads temperatures in either scale', () => {
    expect(parseTemperature('21', 'C')).toBe(21);
    expect(parseTemperature('70 f', 'C')).toBeCloseTo(21.11, 2);
    expect(parseTemperature('68', 'F')).toBeCloseTo(20, 9);
    expect(() => parseTemperature('70', 'C')).not.toThrow();
    expect(() => parseTemperature('190', 'C')).toThrow(/no temperature/);
    expect(toCelsius(212, 'F')).toBeCloseTo(100, 9);
  });
});

describe('format', () => {
  it('tells little of a thing in a unit that shows it', () => {
    expect(unitOfLittle(0.16, 'us-gal')).toBe('us-floz');
    expect(unitOfLittle(0.004, 'lb')).toBe('oz');
    expect(unitOfLittle(0.02, 'kg')).toBe('g');
    expect(unitOfLittle(0.02, 'L')).toBe('mL');
    expect(unitOfLittle(2, 'lb')).toBe('lb');
    expect(unitOfLittle(0, 'lb')).toBe('lb');
  });

  it('shows what one can weigh', () => {
    expect(gramsText(5.6789)).toBe('5.7 g');
    expect(gramsText(0.44)).toBe('0.44 g');
    expect(gramsText(2300)).toBe('2.30 kg');
    expect(amountText(4.1, 'kg')).toBe('4.10');
    expect(amountText(0.2405, 'g')).toBe('241');
    expect(quantityText(3.785411784, 'us-gal')).toBe('1.00 US gal');
    expect(significant(1234, 2)).toBe('1200');
    expect(significant(0, 2)).toBe('0');
  });

  it('shows a range as one figure when it has no width', () => {
    const two = (n: number) => n.toFixed(2);
    expect(rangeText({ low: 1, likely: 1.001, high: 1.002 }, two)).toBe('1.00');
    expect(rangeText({ low: 1, likely: 1.5, high: 2 }, two)).toBe('1.00 – 2.00');
  });

  it('has a word for what sweetness is left', () => {
    expect([0, 12, 25, 50, 100].map(sweetnessWord)).toEqual([
      'dry',
      'off-dry',
      'medium',
      'medium-sweet',
      'sweet'
    ]);
  });

  it('every unit is of one kind', () => {
    for (const unit of Object.keys(UNIT_LABEL)) expect(isMassUnit(unit)).toBe(!(unit in L_PER));
  });
});

describe('what is wrong with a figure', () => {
  const shape = z.strictObject({
    wine: z.strictObject({ sg: z.number().gt(0.9).max(1.2), name: z.string() })
  });
  const of = (wine: unknown) => firstProblem(shape.safeParse({ wine }).error!);

  it.each([
    [{ sg: 1.3, name: 'P' }, 'wine.sg', 'is more than 1.2'],
    [{ sg: 0.9, name: 'P' }, 'wine.sg', 'is not more than 0.9'],
    [{ sg: 0.4, name: 'P' }, 'wine.sg', 'is not more than 0.9'],
    [{ sg: 1.1, name: 'P', colour: 'red' }, 'wine.colour', '“colour” is not a key that is known here']
  ])('is said as a person would, and where: %j', (wine, path, reason) => {
    expect(of(wine)).toEqual({ path, reason });
  });

  it('a reason that has words of its own keeps them, and so does what is no figure', () => {
    const { error } = z.string({ error: 'is no name' }).safeParse(3);
    expect(reasonOf(error!.issues[0]!)).toBe('is no name');
    const negative = z.number().min(0, 'is negative').safeParse(-1).error!;
    expect(reasonOf(negative.issues[0]!)).toBe('is negative');
    const long = z.string().max(3).safeParse('gooseberry').error!;
    expect(reasonOf(long.issues[0]!)).toBe(long.issues[0]!.message);
  });
});

describe('units of another country', () => {
  it('are foreign, but for grams, cups and spoons, which are everybody’s', () => {
    const us = { mass: 'lb', volume: 'us-gal' } as const;
    const metric = { mass: 'kg', volume: 'L' } as const;
    const mixed = { mass: 'lb', volume: 'L' } as const;
    const foreign = (own: Parameters<typeof isForeign>[1]) =>
      ['kg', 'g', 'lb', 'oz', 'L', 'mL', 'us-gal', 'us-qt', 'uk-pt', 'cup', 'tbsp', 'piece'].filter((u) =>
        isForeign(u, own)
      );
    expect(foreign(us)).toEqual(['kg', 'L', 'mL', 'uk-pt']);
    expect(foreign(metric)).toEqual(['lb', 'oz', 'us-gal', 'us-qt', 'uk-pt']);
    expect(foreign(mixed)).toEqual(['kg', 'us-gal', 'us-qt', 'uk-pt']);
  });
});
