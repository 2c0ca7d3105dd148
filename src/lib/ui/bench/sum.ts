import type { Place } from '$core/cautions/scene';
import { InputError } from '$core/units/input-error';
import type { Unit, VolumeUnit } from '$core/units/measure';
import {
  parseAs,
  parseGravity,
  parseNumber,
  parsePh,
  parseStem,
  parseTemperature,
  parseTitratable
} from '$core/units/parse';
import { sgFrom } from '$core/ferment/scales';
import { countryOf, type Settings } from '$core/units/settings';

/** How a field is read: the number that comes out is in L, kg, °C, SG, g/L or as it stands. */
export type FieldKind =
  'number' | 'gravity' | 'stem' | 'temp' | 'mass' | 'volume' | 'acid' | 'ph' | 'choice' | 'text';

export type Field = {
  id: string;
  label: string;
  kind: FieldKind;
  /** what stands there at first */
  start: string | ((s: Settings) => string);
  options?: Record<string, string>;
  /** may be left empty; it is then null */
  optional?: true;
  /** the unit of a bare number; the household's own unless said */
  unit?: Unit;
  /** shown only then */
  when?: (text: Record<string, string>) => boolean;
};

export type Answer = {
  /** the number one came for, with its unit */
  big: string;
  says: string;
  /** rows beside it */
  table?: [what: string, figure: string, note?: string][];
  /** the workings, line by line */
  workings: string[];
  /** a caution that must be understood before the answer is shown */
  stop?: string;
};

/** What the fields read as: numbers in base units, null where left empty, and the text of choices. */
export type Read = {
  n: (id: string) => number;
  maybe: (id: string) => number | null;
  t: (id: string) => string;
};

/** One sum of the Bench: what is asked, and the core function that answers. */
export type Sum = {
  id: string;
  title: string;
  ask: string;
  /** what else people call it */
  words: string;
  fields: Field[];
  /** whose cautions belong under the answer */
  place?: Place;
  run: (read: Read, settings: Settings) => Answer;
};

/** An error that belongs to one field. */
export class FieldError extends InputError {
  constructor(
    readonly field: string,
    cause: unknown
  ) {
    super(
      cause instanceof InputError
        ? cause.marked.text
        : cause instanceof Error
          ? cause.message
          : String(cause),
      cause instanceof InputError ? cause.marked.todo : '',
      field
    );
  }
}

function readField(f: Field, text: string, settings: Settings): number | string | null {
  const bare = text.trim();
  if (f.kind === 'choice' || f.kind === 'text') return bare;
  if (bare === '') {
    if (f.optional) return null;
    throw new InputError(`${f.label} is missing.`, 'Give a number.');
  }
  const country = countryOf(settings);
  switch (f.kind) {
    case 'gravity':
      return parseGravity(bare);
    case 'stem': {
      const { scale, reading } = parseStem(bare);
      return sgFrom(scale, reading, settings.hydrometer.potentialAt1100);
    }
    case 'temp':
      return parseTemperature(bare, settings.temp);
    case 'mass':
      return parseAs('mass', bare, f.unit ?? settings.mass, country).base;
    case 'volume':
      return parseAs('volume', bare, f.unit ?? (settings.volume as VolumeUnit), country).base;
    case 'acid':
      return parseTitratable(bare, 60);
    case 'ph':
      return parsePh(bare);
    case 'number': {
      const n = parseNumber(bare);
      if (n === null) throw new InputError(`“${bare}” is not a number.`, 'Write it like 2.5.');
      return n;
    }
  }
}

/** What a field shows before anything is typed. */
export const startOf = (f: Field, s: Settings): string =>
  typeof f.start === 'string' ? f.start : f.start(s);

/**
 * Works a sum out from what was typed.
 * @throws FieldError for the field that cannot be read; InputError when the sum has no answer
 */
export function work(sum: Sum, text: Record<string, string>, settings: Settings): Answer {
  const values = new Map<string, number | string | null>();
  for (const f of sum.fields) {
    if (f.when && !f.when(text)) continue;
    try {
      values.set(f.id, readField(f, text[f.id] ?? '', settings));
    } catch (e) {
      throw new FieldError(f.id, e);
    }
  }
  const get = (id: string) => values.get(id) ?? null;
  return sum.run(
    {
      n: (id) => get(id) as number,
      maybe: (id) => get(id) as number | null,
      t: (id) => (get(id) as string | null) ?? ''
    },
    settings
  );
}
