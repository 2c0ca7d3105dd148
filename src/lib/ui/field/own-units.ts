import { massUnitFor, significant, volumeUnitFor } from '$core/units/format';
import { fromBase, fromCelsius, UNIT_LABEL, type Unit } from '$core/units/measure';
import { household } from '$lib/store/household.svelte';
import type { Settings } from '$core/units/settings';

const shown = (base: number, unit: Unit): string => {
  const n = fromBase(base, unit);
  return significant(n, n >= 100 ? 3 : 2);
};

/** A weight in words, in this household's measures: `0.50 kg`, `1.1 lb`. */
export function massText(kg: number, s: Pick<Settings, 'mass'>): string {
  const unit = massUnitFor(kg, s.mass);
  const n = fromBase(kg, unit);
  return `${unit === 'kg' || unit === 'lb' ? n.toFixed(n < 10 ? 2 : 1) : shown(kg, unit)} ${UNIT_LABEL[unit]}`;
}

const NUMBER = String.raw`(\d+(?:\.\d+)?)(?:\s?(–|-|to)\s?(\d+(?:\.\d+)?))?`;
const AMOUNT = new RegExp(
  String.raw`(within\s+(?:about\s+)?)?${NUMBER}\s?(kg a litre|kg\/L|L|mL|kg|°C)(?![\w/])`,
  'g'
);
const KG_L_TO_LB_GAL = { 'us-gal': 8.3454, 'uk-gal': 10.0224 } as const;

/**
 * What the core says, in a household's own units: amounts in litres, millilitres, kilograms and degrees are turned.
 * Concentrations such as g/L are the same everywhere and stay.
 * @param text words of the core; its amounts are in L, mL, kg and °C
 */
export function ownUnits(text: string, s: Pick<Settings, 'mass' | 'volume' | 'temp'>): string {
  return text.replace(
    AMOUNT,
    (
      all,
      within: string | undefined,
      a: string,
      dash: string | undefined,
      b: string | undefined,
      unit: string
    ) => {
      const [low, high] = [Number(a), b === undefined ? null : Number(b)];
      const join = (x: string, y: string | null, label: string) =>
        `${within ?? ''}${x}${y === null ? '' : `${dash === 'to' ? ' to ' : dash}${y}`} ${label}`;
      if (unit === '°C') {
        if (s.temp === 'C') return all;
        const f = (c: number) => (within ? (c * 1.8).toFixed(0) : fromCelsius(c, 'F').toFixed(0));
        return join(f(low), high === null ? null : f(high), '°F');
      }
      if (unit === 'kg a litre' || unit === 'kg/L') {
        if (s.mass === 'kg' || s.volume === 'L') {
          if (s.mass === 'kg') return all;
          const lb = (x: number) => significant(fromBase(x, 'lb'), 2);
          return join(lb(low), high === null ? null : lb(high), 'lb a litre');
        }
        const per = (x: number) => significant(x * KG_L_TO_LB_GAL[s.volume as 'us-gal'], 2);
        return join(per(low), high === null ? null : per(high), `lb a ${UNIT_LABEL[s.volume]}`);
      }
      const isMass = unit === 'kg';
      if (isMass ? s.mass === 'kg' : s.volume === 'L') return all;
      const base = (x: number) => (unit === 'mL' ? x / 1000 : x);
      const used = isMass ? massUnitFor(high ?? low, s.mass) : volumeUnitFor(base(high ?? low), s.volume);
      return join(shown(base(low), used), high === null ? null : shown(base(high), used), UNIT_LABEL[used]);
    }
  );
}

/** The same for this household, as it measures now. */
export const own = (text: string): string => ownUnits(text, household.settings);
