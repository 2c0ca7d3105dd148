import { greatUnit, massText, massUnitFor, significant, volumeText, volumeUnitFor } from './format';
import { fromBase, fromCelsius, UNIT_LABEL, type MassUnit, type Unit, type VolumeUnit } from './measure';

/** Around a figure in a sentence: marks that no keyboard writes. */
const [OPEN, CLOSE] = ['\uE000', '\uE001'];
/** Figures that are said otherwise elsewhere; concentrations such as g/L are the same everywhere. */
type Kind = 'volume' | 'mass' | 'L' | 'mL' | 'kg' | 'kg a litre' | '°C' | 'apart';

const mark = (kind: Kind, ...figures: (number | string)[]): string =>
  `${OPEN}${kind}|${figures.join('|')}${CLOSE}`;
const of =
  (kind: Kind) =>
  /** @param digits after the point, as the figure is said in metric measures; as it stands when left out */
  (value: number, digits?: number): string =>
    mark(kind, digits === undefined ? value : value.toFixed(digits));

/**
 * A volume in a sentence, from litres: the interface says it in the household's measures.
 * @param value a figure that was worked out, said as all volumes are; or with `isRule`, one that is a rule's own
 * @example spoken(inL(0.546), { mass: 'kg', volume: 'L', temp: 'C' }) // '546 mL'
 */
export const inL = (value: number, isRule?: 'rule'): string => mark(isRule ? 'L' : 'volume', value);
/** A small volume, from millilitres. */
export const inML = of('mL');
/** A weight, from kilograms: one that was worked out, or a rule's own. */
export const inKg = (value: number, isRule?: 'rule'): string => mark(isRule ? 'kg' : 'mass', value);
/** Fruit a litre of wine, from kg/L. */
export const inKgL = of('kg a litre');
/** A temperature, from °C. */
export const inC = of('°C');
/**
 * Temperatures from one to another, °C.
 * @example plain(betweenC(35, 40)) // '35–40 °C'
 */
export const betweenC = (low: number, high: number): string => mark('°C', low, high);
/** So far apart, from a difference in °C. */
export const apartC = of('apart');

export type SayUnits = { mass: MassUnit; volume: VolumeUnit; temp: 'C' | 'F' };
export const METRIC: SayUnits = { mass: 'kg', volume: 'L', temp: 'C' };

const FIGURE = new RegExp(`${OPEN}([^|${CLOSE}]+)\\|([^${CLOSE}]+)${CLOSE}`, 'g');

/**
 * The household's unit for fruit per volume of wine: its label, and how many of it make 1 kg/L.
 * @example bodyUnit({ mass: 'lb', volume: 'us-gal' }).label // 'lb a US gal'
 */
export const bodyUnit = (u: Pick<SayUnits, 'mass' | 'volume'>): { label: string; perKgL: number } => ({
  label: `${u.mass} a ${greatUnit(u.volume)}`,
  perKgL: fromBase(1, u.mass) / fromBase(1, u.volume)
});

const shown = (base: number, unit: Unit): string => {
  const n = fromBase(base, unit);
  return significant(n, n >= 100 ? 3 : 2);
};

function figure(kind: Kind, texts: readonly string[], u: SayUnits): string {
  const values = texts.map(Number);
  const say = (show: (x: number) => string, label: string) => `${values.map(show).join('–')} ${label}`;
  const asIs = (label: string) => `${texts.join('–')} ${label}`;
  switch (kind) {
    case '°C':
      return u.temp === 'C' ? asIs('°C') : say((c) => fromCelsius(c, 'F').toFixed(0), '°F');
    case 'apart':
      return u.temp === 'C' ? asIs('°C') : say((c) => (c * 1.8).toFixed(0), '°F');
    case 'kg a litre': {
      if (u.mass === 'kg') return asIs(kind);
      const { label, perKgL } = bodyUnit(u);
      return say((x) => significant(x * perKgL, 2), label);
    }
    case 'volume':
      return volumeText(values[0]!, u.volume);
    case 'mass':
      return massText(values[0]!, u.mass);
    case 'kg': {
      if (u.mass === 'kg') return asIs('kg');
      const used = massUnitFor(Math.max(...values), u.mass);
      return say((x) => shown(x, used), UNIT_LABEL[used]);
    }
    case 'L':
    case 'mL': {
      if (u.volume === 'L') return asIs(kind);
      const litres = (x: number) => (kind === 'mL' ? x / 1000 : x);
      const used = volumeUnitFor(litres(Math.max(...values)), u.volume);
      return say((x) => shown(litres(x), used), UNIT_LABEL[used]);
    }
  }
}

/** A sentence of the core with its figures in a household's measures. */
export const spoken = (text: string, units: SayUnits): string =>
  text.replace(FIGURE, (_, kind: Kind, figures: string) => figure(kind, figures.split('|'), units));

/** The same in metric measures, as scripts and files have it. */
export const plain = (text: string): string => spoken(text, METRIC);
