import { describe, expect, it } from 'vitest';
import { volumeText } from '$core/units/format';
import { massText } from '$core/units/format';
import { mustColour } from '$core/plan/colour';
import { planRibbon, sugarBrought } from '$core/must/ribbon';
import { likelyMix } from '$core/must/mix';
import type { Ingredient } from '$core/plan/plan';
import { VESSEL_PRESETS } from '$core/vessels/vessels';
import { L_PER } from '$core/units/measure';
import { DEFAULT_SETTINGS, countryOf, SYSTEMS } from '$core/units/settings';
import { isFormId } from './batch/form-of';
import { ingredientText } from './words/ingredient-text';
import { parseWhen, toLocalInput } from './field/parse-when';
import { nameOf } from '$core/plan/name';
import { vesselFor } from './plan/vessel-for';
import { lateWord, dayWord, spanWord, whenWord } from './shelf/when';
import type { Step } from '$core/steps/step';
import { drawVessel, figureY, graduations } from './vessel/draw';

const DAY = 86_400_000;

describe('days in words', () => {
  const now = Date.parse('2026-11-24T22:30:00Z');
  it('counts civil days, not hours', () => {
    expect(whenWord(now + 2 * 3_600_000, now, 'UTC')).toBe('tomorrow');
    expect(whenWord(now - 3_600_000, now, 'UTC')).toBe('today');
    expect(whenWord(now + 4 * DAY, now, 'UTC')).toBe('in 4 d');
    expect(whenWord(now - 2 * DAY, now, 'UTC')).toBe('2 d late');
    // A racking is late; a stir or a reading that was missed is simply for today.
    const due = (everyH?: number) => ({
      step: { ...(everyH ? { everyH } : {}) } as Step,
      dueAt: now - 9 * DAY,
      lateAt: now - 9 * DAY
    });
    expect(lateWord(due(), now, 'UTC')).toBe('9 d late');
    expect(lateWord(due(24), now, 'UTC')).toBe('today');
    // While it has time it is not late: a fruit that may stay in until the 31st is not accused on the 29th.
    const until = (days: number) => ({ ...due(), lateAt: now + days * DAY });
    expect(lateWord(until(6), now, 'UTC')).toBe('by 30 Nov');
    expect(lateWord(until(0), now, 'UTC')).toBe('today');
    expect(lateWord(until(-3), now, 'UTC')).toBe('3 d late');
    expect(lateWord({ ...until(9), dueAt: now + 4 * DAY }, now, 'UTC')).toBe('in 4 d');
    expect(lateWord({ ...until(9), dueAt: now + DAY }, now, 'UTC')).toBe('tomorrow');
    expect(dayWord(now - 3_600_000, now, 'UTC')).toBe('today 21:30');
    expect(dayWord(now - DAY, now, 'UTC')).toBe('yesterday 22:30');
    expect(dayWord(Date.parse('2026-11-02T10:00:00Z'), now, 'UTC')).toBe('2 Nov');
    expect(dayWord(Date.parse('2025-11-02T10:00:00Z'), now, 'UTC')).toBe('2 Nov 2025');
  });
  it('writes a span short', () => {
    expect(spanWord(Date.parse('2026-12-04'), Date.parse('2026-12-09'), 'UTC')).toBe('4 – 9 Dec');
    expect(spanWord(Date.parse('2026-11-28'), Date.parse('2026-12-03'), 'UTC')).toBe('28 Nov – 3 Dec');
    expect(spanWord(Date.parse('2026-12-04'), Date.parse('2026-12-04'), 'UTC')).toBe('4 Dec');
  });
});

describe('when it happened', () => {
  const now = Date.parse('2026-11-24T12:00:00Z');
  it('is now when nothing is set, and never in the future', () => {
    expect(parseWhen('', now)).toBe(now);
    const at = now - 3 * DAY;
    expect(parseWhen(toLocalInput(at), now)).toBe(at);
    expect(() => parseWhen(toLocalInput(now + DAY), now)).toThrow(/still to come/);
    expect(() => parseWhen('soon', now)).toThrow(/not a date/);
  });
});

describe('the vessel drawing', () => {
  it.each(VESSEL_PRESETS.map((v) => [v.name, v] as const))(
    '%s: levels rise with volume, inside the outline',
    (_n, v) => {
      const d = drawVessel(v, 250, 330);
      expect(d.width).toBeLessThanOrEqual(250.01);
      expect(d.height).toBeLessThanOrEqual(330.01);
      let before = d.height + 1e-6;
      for (let share = 0; share <= 1; share += 0.1) {
        const y = d.y(v.capacityL * share);
        expect(y).toBeLessThanOrEqual(before);
        expect(y).toBeGreaterThanOrEqual(-1e-6);
        before = y;
      }
      // More than it holds is drawn to the brim; the page says how much too much.
      expect(d.y(v.capacityL * 2)).toBeCloseTo(d.y(v.capacityL), 6);
      expect(d.half(d.height / 2)).toBeLessThanOrEqual(d.width / 2 + 1);
      // Its figure stands where the glass is wide: over a level in the belly, under one in the neck.
      for (let share = 0.1; share <= 1; share += 0.1) {
        const y = figureY(d, d.y(v.capacityL * share), '2.72 US gal');
        expect(d.half(y - 10), String(share)).toBeGreaterThan(0.3 * d.width);
      }
    }
  );
  it('has a handful of round marks in any unit', () => {
    expect(graduations(27.5, 'L').map((m) => m.label)).toEqual(['5', '10', '15', '20', '25']);
    expect(graduations(5.25, 'L').map((m) => m.label)).toEqual(['1', '2', '3', '4', '5']);
    const gallons = graduations(23.7, 'us-gal');
    expect(gallons.map((m) => m.label)).toEqual(['2', '4', '6']);
    expect(gallons[0]!.volumeL).toBeCloseTo(2 * L_PER['us-gal'], 6);
  });
});

describe('the slip', () => {
  const fruit: Ingredient = { kind: 'produce', produceId: 'elderberry', massKg: 3 };
  const sugar: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 2, unit: 'lb' };
  it('names everything', () => {
    expect(nameOf(fruit)).toBe('Elderberries');
    expect(nameOf({ kind: 'juice', produceId: 'apple', volumeL: 1 })).toBe('Apple juice');
    // As it was typed, where the household measures so.
    expect(ingredientText(sugar, { ...DEFAULT_SETTINGS, mass: 'lb' })).toBe('4.41 lb white sugar');
    expect(ingredientText(sugar, DEFAULT_SETTINGS)).toBe('2.00 kg white sugar');
    expect(ingredientText(fruit, DEFAULT_SETTINGS)).toBe('3.00 kg elderberries');
    expect(
      ingredientText({ kind: 'additive', additiveId: 'campden', massKg: 0.00132 }, DEFAULT_SETTINGS)
    ).toBe('3 Campden tablets');
    expect(ingredientText({ kind: 'water', volumeL: 7.5 }, { ...DEFAULT_SETTINGS, volume: 'uk-gal' })).toBe(
      '1.65 UK gal water'
    );
    expect(ingredientText({ kind: 'acid', acidId: 'tartaric', massKg: 0.012 }, DEFAULT_SETTINGS)).toBe(
      '12 g tartaric acid'
    );
  });
  it('takes its colour from the fruit that weighs most', () => {
    expect(mustColour([fruit, { kind: 'produce', produceId: 'apple', massKg: 1 }])).toEqual({
      must: '#5a1f3f',
      fruit: '#2b0f28'
    });
    expect(mustColour([sugar]).must).toMatch(/^#/);
  });
  it('the ribbon holds all the sugar of the must, what the fruit keeps last', () => {
    const items = [
      fruit,
      sugar,
      { kind: 'honey', massKg: 0.5 } as Ingredient,
      { kind: 'water', volumeL: 8 } as Ingredient
    ];
    const ribbon = planRibbon(items);
    const all = likelyMix(items).all.hexoseKg;
    expect(ribbon.reduce((s, p) => s + p.hexoseKg, 0)).toBeCloseTo(all, 9);
    expect(sugarBrought(items).reduce((s, x) => s + x, 0)).toBeCloseTo(all, 9);
    expect(ribbon.at(-1)!.kind).toBe('held');
    expect(ribbon.map((p) => p.kind)).not.toContain('alcohol');
  });
});

describe('choosing a vessel for a plan', () => {
  const none = { has: () => false };
  const berries = { ingredients: [{ kind: 'produce' as const, produceId: 'raspberry', massKg: 4 }] };
  it('takes the smallest empty bucket with room for foam', () => {
    expect(vesselFor(berries, 7, VESSEL_PRESETS, none)?.id).toBe('bucket-10');
    expect(vesselFor(berries, 13, VESSEL_PRESETS, none)?.id).toBe('bucket-25');
    expect(vesselFor(berries, 13, VESSEL_PRESETS, { has: (id) => id === 'bucket-25' })?.id).toBe('bucket-30');
    expect(vesselFor(berries, 60, VESSEL_PRESETS, none)?.id).toBe('bucket-30');
    expect(vesselFor(berries, 7, VESSEL_PRESETS, { has: () => true })).toBeUndefined();
  });
});

describe('what the core says, in a household’s own units', () => {
  const us = { ...DEFAULT_SETTINGS, system: 'us' as const, ...SYSTEMS.us };
  it('weights and volumes take the measure one would reach for', () => {
    expect(massText(0.02, us.mass)).toBe('0.71 oz');
    expect(massText(3.1, us.mass)).toBe('6.83 lb');
    expect(massText(0.05, DEFAULT_SETTINGS.mass)).toBe('50 g');
    expect(volumeText(0.4, DEFAULT_SETTINGS.volume)).toBe('400 mL');
    expect(volumeText(2, us.volume)).toBe('2.1 US qt');
  });
});

describe('settings and forms', () => {
  it('a bare gallon is of the household’s country', () => {
    // A metric kitchen has no gallon of its own: it is asked.
    expect(countryOf(DEFAULT_SETTINGS)).toBe('metric');
    expect(countryOf({ ...DEFAULT_SETTINGS, system: 'us', ...SYSTEMS.us })).toBe('us');
    expect(countryOf({ ...DEFAULT_SETTINGS, volume: 'us-gal' })).toBe('us');
    expect(countryOf({ ...DEFAULT_SETTINGS, system: 'uk', ...SYSTEMS.uk })).toBe('uk');
  });
  it('each step that wants a number has its form', () => {
    expect(isFormId('bottle')).toBe(true);
    expect(isFormId('toString')).toBe(false);
  });
});
