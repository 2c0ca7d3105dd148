import { sgFromBrix } from '../liquid/sugar';
import type { At } from './sample';
import { guessTime, readTime, type TimeFormat } from './time-text';

/** What a column of a file of readings can be. */
export const COLUMNS = {
  skip: 'leave it out',
  time: 'date and time',
  date: 'date',
  clock: 'time of day',
  sg: 'gravity, as 1.064',
  points: 'gravity, as 1064 or 64',
  brix: 'gravity, °Bx or °P',
  tempC: 'temperature, °C',
  tempF: 'temperature, °F',
  ph: 'pH',
  bubbles: 'bubbles a minute',
  battery: 'battery, %'
} as const;
export type Column = keyof typeof COLUMNS;

/** How a file is read: what each of its columns is, how numbers and times are written. */
export type Mapping = {
  columns: Column[];
  hasHead: boolean;
  decimal: '.' | ',';
  time: TimeFormat;
  zone: string;
};

/**
 * A number as a file writes it; null where it is none. Thousands are not looked for: no reading has any.
 * @example numberIn('20,5 °C', ',') // 20.5
 */
export function numberIn(text: string, decimal: '.' | ','): number | null {
  const t = text.trim().replace(/^'/, '');
  const m = /^[+-]?\d*[.,]?\d+(?:e[+-]?\d+)?/i.exec(decimal === ',' ? t.replace(',', '.') : t);
  if (!m || /^\s*[.,]?\d/.test(t.slice(m[0].length)) || /^[.,:/-]\d/.test(t.slice(m[0].length))) return null;
  const n = Number(m[0].replace(',', '.'));
  return Number.isFinite(n) ? n : null;
}

/** Whether a text looks like a moment and not like a figure. */
const isDated = (t: string): boolean =>
  /\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}/.test(t) || /^\d{1,2}:\d{2}/.test(t.trim());

const HEADS: [RegExp, Column][] = [
  [/batter|akku|bateria/i, 'battery'],
  [/temp.*(f\b|°f|fahr)|°f\b|fahrenheit/i, 'tempF'],
  [/temp|°c\b|celsius|thermo/i, 'tempC'],
  [/brix|°?bx\b|plato|°p\b|extract/i, 'brix'],
  [/grav|^\s*sg\b|\bsg\s*$|dens|dichte/i, 'sg'],
  [/^\s*ph\b/i, 'ph'],
  [/bubb|bpm|airlock/i, 'bubbles'],
  [/date.*time|time.*date|stamp|^\s*(when|at|moment)\s*$|iso|epoch|unix/i, 'time'],
  [/^\s*(date|day|tag|datum|fecha)\b/i, 'date'],
  [/time|hour|clock|zeit|hora/i, 'clock']
];

const within = (values: readonly number[], low: number, high: number): boolean =>
  values.length > 0 && values.every((v) => v >= low && v <= high);

/** What a column of figures is, where its head says nothing; by where they lie. */
function byFigures(values: readonly number[], prefersF: boolean): Column {
  if (within(values, 0.97, 1.2)) return 'sg';
  if (within(values, 970, 1200)) return 'points';
  if (within(values, 2.5, 4.7) && new Set(values).size > 1) return 'ph';
  if (within(values, prefersF ? 40 : 2, prefersF ? 110 : 40)) return prefersF ? 'tempF' : 'tempC';
  return 'skip';
}

/** A head says what a column is; its figures say in which unit. */
function settled(named: Column, values: readonly number[], prefersF: boolean): Column {
  if (named === 'sg') {
    if (within(values, 0.95, 1.3)) return 'sg';
    return within(values, 940, 1300) || within(values, 40, 200) ? 'points' : 'brix';
  }
  if (named === 'tempC' && values.length > 0) {
    const most = Math.max(...values);
    // No wine is warmer than 45 °C for long.
    return most > 45 || (prefersF && Math.min(...values) > 40) ? 'tempF' : 'tempC';
  }
  return named;
}

/**
 * What the columns of a file are, guessed by their heads and by what stands in them.
 * @param rows the first rows, with the head where there is one
 * @param here the household's zone, and what it is used to
 */
export function guessMapping(
  rows: readonly (readonly string[])[],
  delimiter: string,
  here: { zone: string; isUs: boolean; prefersF: boolean }
): { mapping: Mapping; isEither: boolean } {
  const width = Math.max(0, ...rows.map((r) => r.length));
  const isFigure = (t: string) => numberIn(t, '.') !== null || numberIn(t, ',') !== null || isDated(t);
  const [first, ...rest] = rows;
  const hasHead = first !== undefined && !first.some((t) => t.trim() !== '' && isFigure(t));
  const body = hasHead ? rest : rows;
  const column = (c: number) => body.map((r) => r[c] ?? '').filter((t) => t.trim() !== '');
  const all = Array.from({ length: width }, (_, c) => column(c));
  const decimal =
    delimiter !== ',' &&
    all.some((col) => col.length > 0 && col.every((t) => /^\s*'?[+-]?\d+,\d+\s*\D*$/.test(t)))
      ? ','
      : '.';
  const heads = Array.from({ length: width }, (_, c) => (hasHead ? (first[c] ?? '') : ''));
  const columns = all.map((texts, c): Column => {
    const named = HEADS.find(([pattern]) => pattern.test(heads[c]!))?.[1];
    if (texts.length === 0) return 'skip';
    const values = texts.map((t) => numberIn(t, decimal)).filter((n): n is number => n !== null);
    const isMoment = texts.every(isDated) || named === 'time' || named === 'date' || named === 'clock';
    if (isMoment) {
      if (texts.every((t) => /^\s*\d{1,2}:\d{2}/.test(t))) return 'clock';
      if (guessTime(texts, here.zone, here.isUs) === null) return 'skip';
      return texts.some((t) => /\d:\d\d/.test(t)) || !texts.every(isDated) ? 'time' : 'date';
    }
    if (values.length < 0.5 * texts.length) return 'skip';
    return named ? settled(named, values, here.prefersF) : byFigures(values, here.prefersF);
  });
  // Of several moments one is enough; a date wants its clock beside it, and stands for the whole day without one.
  const time = columns.indexOf('time');
  const once = columns.map((kind, c): Column => {
    if (kind === 'skip') return kind;
    const isMoment = kind === 'date' || kind === 'clock';
    if (time >= 0 && isMoment) return 'skip';
    return columns.indexOf(kind) === c ? kind : 'skip';
  });
  const at = time >= 0 ? time : once.indexOf('date');
  const guessed = at < 0 ? null : guessTime(all[at]!, here.zone, here.isUs);
  return {
    mapping: { columns: once, hasHead, decimal, time: guessed?.format ?? 'iso', zone: here.zone },
    isEither: guessed?.isEither ?? false
  };
}

/** A row that cannot be read: its number as a text editor counts, and why. */
export type BadRow = { line: number; why: string };

const toC = (f: number): number => (f - 32) / 1.8;
/** `64` stands for 1.064; `1064` too. */
const fromPoints = (p: number): number => (p > 900 ? p / 1000 : 1 + p / 1000);

const FIGURES: Partial<
  Record<Column, [key: 'sg' | 'tempC' | 'ph' | 'bubblesPerMin' | 'battery', to: (n: number) => number]>
> = {
  sg: ['sg', (n) => n],
  points: ['sg', fromPoints],
  brix: ['sg', (n) => sgFromBrix(n)],
  tempC: ['tempC', (n) => n],
  tempF: ['tempC', toC],
  ph: ['ph', (n) => n],
  bubbles: ['bubblesPerMin', (n) => n],
  battery: ['battery', (n) => n / 100]
};

/** Where each figure can lie at all: what lies outside is a fault of the instrument or of the mapping, and is left out. */
const CAN_BE = {
  sg: [0.97, 1.2],
  tempC: [-5, 50],
  ph: [2, 8],
  bubblesPerMin: [0, 600],
  battery: [0, 1.01]
} as const;

/**
 * One row as a sample.
 * @returns why not, where it is none
 */
export function readRow(row: readonly string[], m: Mapping): At | string {
  const text = (kind: Column) => row[m.columns.indexOf(kind)] ?? '';
  const when = m.columns.includes('time') ? text('time') : `${text('date')} ${text('clock')}`.trim();
  if (when.trim() === '') return 'it bears no time';
  const at = readTime(when, m.time, m.zone);
  if (at === null) return `“${when.slice(0, 40)}” is no time as the others are`;
  const out: At = { at };
  for (const [c, kind] of m.columns.entries()) {
    const figure = FIGURES[kind];
    const raw = row[c]?.trim();
    if (!figure || !raw) continue;
    const n = numberIn(raw, m.decimal);
    if (n === null) return `“${raw.slice(0, 40)}” is no number`;
    const [key, to] = figure;
    const value = to(n);
    const [low, high] = CAN_BE[key];
    if (!(value >= low && value <= high))
      return `${raw.slice(0, 20)} is no ${COLUMNS[kind].split(',')[0]} of a wine`;
    out[key] = value;
  }
  return Object.keys(out).length > 1 ? out : 'it holds no figure';
}
