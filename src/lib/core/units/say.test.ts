import { describe, expect, it } from 'vitest';
import { explain, InputError } from './input-error';
import { apartC, betweenC, inC, inKg, inKgL, inL, inML, METRIC, plain, spoken, type SayUnits } from './say';

const US: SayUnits = { mass: 'lb', volume: 'us-gal', temp: 'F' };
const UK: SayUnits = { mass: 'lb', volume: 'uk-gal', temp: 'C' };
const MIXED: SayUnits = { mass: 'lb', volume: 'L', temp: 'C' };

describe('figures in a sentence', () => {
  it('are said in a household’s own measures', () => {
    const rows: [string, metric: string, us: string, uk: string, mixed: string][] = [
      [inL(18.9), '18.9 L', '4.99 US gal', '4.16 UK gal', '18.9 L'],
      [inL(0.546), '546 mL', '18 US fl oz', '19 UK fl oz', '546 mL'],
      [inL(4, 'rule'), '4 L', '1.1 US gal', '7 UK pt', '4 L'],
      [inC(40), '40 °C', '104 °F', '40 °C', '40 °C'],
      [betweenC(35, 40), '35–40 °C', '95–104 °F', '35–40 °C', '35–40 °C'],
      [apartC(5), '5 °C', '9 °F', '5 °C', '5 °C'],
      [inKgL(0.25), '0.25 kg a litre', '2.1 lb a US gal', '2.5 lb a UK gal', '0.55 lb a litre'],
      [inML(180), '180 mL', '6.1 US fl oz', '6.3 UK fl oz', '180 mL'],
      [inKg(2), '2.00 kg', '4.41 lb', '4.41 lb', '4.41 lb'],
      [inKg(0.05), '50 g', '1.8 oz', '1.8 oz', '1.8 oz'],
      [inKg(20, 'rule'), '20 kg', '44 lb', '44 lb', '44 lb'],
      [
        '6.5 g/L of acid, 0.5 mg/L',
        ...(Array(4).fill('6.5 g/L of acid, 0.5 mg/L') as [string, string, string, string])
      ]
    ];
    for (const [text, metric, us, uk, mixed] of rows)
      expect([METRIC, US, UK, MIXED].map((u) => spoken(`So: ${text}.`, u))).toEqual(
        [metric, us, uk, mixed].map((t) => `So: ${t}.`)
      );
  });

  it('of an error are plain in its message, and in one’s measures where it is explained', () => {
    const e = new InputError(`${inL(30)} does not fit.`, `Cool it below ${inC(25)}.`);
    expect(e.message).toBe('30.0 L does not fit.');
    expect(e.todo).toBe('Cool it below 25 °C.');
    expect(explain(e)).toBe('30.0 L does not fit. Cool it below 25 °C.');
    expect(explain(e, (t) => spoken(t, US))).toBe('7.93 US gal does not fit. Cool it below 77 °F.');
  });

  it('what bears no marks is left alone, whatever it says', () => {
    for (const text of ['', '5 L jar', 'a | b', '{L|5}']) expect(plain(text)).toBe(text);
  });
});
