import { describe, expect, it } from 'vitest';
import { produceById } from '$core/tables/table';
import { RULES } from '$core/cautions/rules';
import { DEFAULT_SETTINGS, type Settings } from '$core/units/settings';
import { allEntries, findEntries } from '../almanac/find';
import { lotText, readFinding } from '../plan/lot';
import { FieldError, startOf, work, type Answer } from './sum';
import { sumById, SUMS } from './sums';

const US: Settings = { ...DEFAULT_SETTINGS, system: 'us', mass: 'lb', volume: 'us-gal', temp: 'F' };
const solve = (id: string, over: Record<string, string> = {}, settings = DEFAULT_SETTINGS): Answer => {
  const sum = sumById(id)!;
  const start = Object.fromEntries(sum.fields.map((f) => [f.id, startOf(f, settings)]));
  return work(sum, { ...start, ...over }, settings);
};
const number = (text: string) => Number(/[\d.]+/.exec(text)![0]);

describe('the Bench', () => {
  it.each(SUMS.map((s) => [s.id, s] as const))(
    '%s answers as it opens, in metric and in US measures',
    (id, s) => {
      for (const settings of [DEFAULT_SETTINGS, US]) {
        const a = solve(id, {}, settings);
        expect(a.big.length).toBeGreaterThan(0);
        expect(a.workings.length).toBeGreaterThan(0);
        expect(JSON.stringify(a)).not.toMatch(/NaN|undefined|Infinity/);
        if (a.stop) expect(RULES[a.stop]).toBeDefined();
      }
      expect(new Set(s.fields.map((f) => f.id)).size).toBe(s.fields.length);
    }
  );

  it('says which field is wrong, and what to do', () => {
    for (const [id, field, text] of [
      ['hydrometer', 'reading', '1.64'],
      ['hydrometer', 'temp', '400'],
      ['acid', 'ta', '0.62'],
      ['acid', 'ph', '34'],
      ['sugar', 'volume', '3 kg'],
      ['cost', 'count', 'many']
    ] as const)
      try {
        solve(id, { [field]: text });
        expect.unreachable(`${id} ${field}`);
      } catch (e) {
        expect(e).toBeInstanceOf(FieldError);
        expect((e as FieldError).field).toBe(field);
        expect((e as FieldError).todo.length).toBeGreaterThan(3);
      }
  });

  it('1.050 read at 30 °C is 1.0527, shown as 1.053 (Kell 1975, from memory)', () => {
    expect(solve('hydrometer', { reading: '1.050', temp: '30' }).big).toBe('1.053');
    expect(solve('hydrometer', { reading: '1.050', temp: '86', marked: '68' }, US).big).toBe('1.053');
    expect(solve('hydrometer', { reading: '22 bx' }).big).toBe('1.092');
  });

  it('400 g of sugar takes 3.5 L from 1.042 to 1.080 (common practice)', () => {
    expect(number(solve('sugar', { volume: '3.5', from: '1.042', to: '1.080' }).big)).toBeCloseTo(0.4, 1);
    expect(() => solve('sugar', { from: '1.08', to: '1.04' })).toThrow(/below/);
  });

  it('12 lb of sugar in 6 US gal is about 6.9 US gal and 13 % (common practice)', () => {
    const a = solve('mix', { sugar: '12', volume: '6' }, US);
    expect(number(a.says)).toBeCloseTo(6.9, 1);
    expect(Math.abs(number(a.table![0]![1]) - 13)).toBeLessThan(0.4);
  });

  it('spirit indication: 12 % has a spirit of 982.35 kg/m³ (OIML R 22, from memory)', () => {
    const spiritSg = 0.98235 / 0.9982;
    const a = solve('spirit', { wine: '0.992', residue: (1 + 0.992 - spiritSg).toFixed(4) });
    expect(Math.abs(number(a.big) - 12)).toBeLessThan(0.15);
  });

  it('two readings: the short sums, the ledger, and that 1.000 is not dry', () => {
    const a = solve('strength', { from: '1.090', to: '1.000' });
    expect(number(a.table![0]![1])).toBeCloseTo(11.8, 1);
    expect(a.says).toMatch(/Not dry, and alive/);
  });

  it('titrates: 8 mL of 0.1 N in 10 mL is 6.0 g/L; asks when it is ten times out', () => {
    expect(solve('titration', { ml: '8' }).big).toBe('6.0 g/L');
    expect(solve('titration', { ml: '8', strength: '1' }).says).toMatch(/Ten times out/);
    expect(solve('titration', { by: 'drops', drops: '13', each: '0.5' }).big).toBe('6.5 g/L');
  });

  it('acid comes in grams, spoons and lemons, or a base', () => {
    const up = solve('acid', { ta: '4', toTa: '6' });
    expect(up.table!.map((r) => r[0])).toContain('Lemons');
    expect(up.table![0]![1]).toMatch(/g, .* t(b)?sp/);
    const down = solve('acid', { ta: '9.5' });
    expect(down.table!.map((r) => r[0])).toEqual(['Water', 'Potassium bicarbonate', 'Chalk']);
    expect(solve('acid', { ta: '6.5' }).big).toBe('nothing');
    expect(solve('acid', { by: 'ph', toPh: '3.4' }).table!.every((r) => r[2]!.includes('pH 3.40'))).toBe(
      true
    );
  });

  it('two cups of sugar are 400 g; 200 g are a cup', () => {
    expect(solve('measures').big).toBe('400 g');
    expect(solve('measures', { amount: '200 g' }).table!.find((r) => r[0] === 'cup')![1]).toBe('1');
    expect(solve('measures', { amount: '1 tsp', stuff: 'tartaric' }).big).toBe('5 g');
  });

  it('pH 3.4 wants 32 mg/L free (printed tables): 0.55 g in 10 L', () => {
    const a = solve('stabilise');
    // Of a first dose a third binds; of one that goes by a measurement nothing does.
    expect(number(a.big)).toBeCloseTo(0.83, 2);
    expect(number(solve('stabilise', { free: '0' }).big)).toBeCloseTo(0.55, 2);
    expect(a.table!.find((r) => r[0] === 'Free SO₂ wanted')![1]).toBe('32 mg/L');
    expect(() => solve('stabilise', { ph: '4.5' })).toThrow(/no sane dose/);
  });

  it('a wine is sweetened to a gravity, by the litre, and as the glass that was liked', () => {
    expect(number(solve('sweeten').big)).toBeGreaterThan(250);
    // 2 g in 100 mL is 20 g a litre, 200 g in ten.
    expect(solve('sweeten', { by: 'glass' }).big).toBe(solve('sweeten', { by: 'gl' }).big);
    expect(solve('sweeten', { with: 'erythritol' }).says).not.toMatch(/Stabilise/);
    expect(solve('sweeten').says).toMatch(/Stabilise first/);
  });

  it('blends, says what it misses, and stops a bottle that is not made for the gas', () => {
    expect(solve('blend', { ta: '7' }).big).toBe('5.0 L + 5.0 L');
    expect(solve('blend', { ta: '12' }).says).toMatch(/g\/L of acid short/);
    expect(solve('prime').stop).toBeUndefined();
    expect(solve('prime', { bottle: 'still' }).stop).toBe('pressure');
    expect(number(solve('heat').big)).toBeGreaterThan(20);
    expect(solve('heat', { bath: '45' }).big).toBe('no time');
  });

  it('bleach is stopped until it is understood; nothing else is', () => {
    expect(solve('sanitiser', { kind: 'bleach' }).stop).toBe('bleach-mix');
    expect(solve('sanitiser', { kind: 'bleach', volume: '1' }).big).toBe('3 mL');
    for (const kind of ['sulphite', 'acid', 'peroxide'])
      expect(solve('sanitiser', { kind }).stop).toBeUndefined();
  });

  it('a bottle costs its share and its glass', () => {
    const a = solve('cost', {
      fruit: '4',
      fruitPrice: '2',
      sugar: '2',
      sugarPrice: '1',
      rest: '2',
      bottle: '0.5',
      count: '12'
    });
    expect(a.big).toBe('1.50');
    expect(() => solve('cost', { count: '0' })).toThrow(/number of bottles/);
  });

  it('cools by two readings when they are there', () => {
    const guess = solve('cooling');
    const measured = solve('cooling', { was: '95', ago: '1' });
    expect(measured.workings[0]).toMatch(/two readings/);
    expect(guess.workings[0]).toMatch(/guess by size/);
  });

  it('the odd reading names its likeliest cause first', () => {
    const a = solve('reading', { sg: '1.020', expected: '1.085' });
    expect(a.table![0]![0]).toMatch(/another scale/);
    expect(solve('reading', { sg: '1.085' }).says).toMatch(/nothing out of the ordinary/);
  });
});

describe('looking things up', () => {
  const entries = allEntries([...['quince', 'rhubarb', 'elderflower'].map((id) => produceById(id)!)]);
  const titles = (text: string) => findEntries(text, entries).map((e) => e.title);

  it('a whole question finds its answer', () => {
    expect(titles('how sharp is quince')[0]).toBe('Quince');
    expect(titles('how do I bring it down')[0]).toBe('Acid up or down');
    expect(titles('too sharp')).toContain('Acid up or down');
    expect(titles('campden')[0]).toBe('Campden');
    expect(titles('teaspoon')).toContain('Kitchen measures');
    expect(titles('elderflowers')[0]).toBe('Elderflower');
    expect(titles('xyzzy')).toEqual([]);
    expect(titles('the of')).toEqual([]);
  });

  it('every entry leads somewhere, once', () => {
    expect(new Set(entries.map((e) => e.href)).size).toBe(entries.length);
    for (const e of entries) expect(e.href).toMatch(/^\/(almanac|bench)\//);
  });
});

describe('what is said of a lot', () => {
  it('shortest first', () => {
    expect(lotText({ kind: 'produce', produceId: 'plum', massKg: 1 })).toBe('fresh, trimmed');
    expect(
      lotText({
        kind: 'produce',
        produceId: 'plum',
        massKg: 1,
        form: 'frozen',
        weighed: 'bought',
        cut: 'blitzed',
        ripeness: 'over',
        measured: { brix: 17, ph: 3.3 }
      })
    ).toBe('frozen, as bought, blitzed, very ripe, 17.0 °Bx, pH 3.3');
    expect(lotText({ kind: 'sugar', sugarId: 'white', massKg: 1 })).toBe('');
  });

  it('takes sugar as °Bx or as gravity', () => {
    expect(readFinding('brix', '12,5')).toBe(12.5);
    expect(readFinding('brix', '12.5 °Bx')).toBe(12.5);
    expect(readFinding('brix', '1.050')).toBeCloseTo(12.4, 1);
    expect(readFinding('brix', '1050')).toBeCloseTo(12.4, 1);
    expect(readFinding('brix', ' ')).toBeUndefined();
    expect(() => readFinding('brix', 'sweet')).toThrow();
    expect(() => readFinding('ph', '34')).toThrow();
    expect(readFinding('taGL', '45')).toBe(45);
  });
});
