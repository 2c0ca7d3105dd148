import { InputError } from '../../units/input-error';
import { parseNumber } from '../../units/number';
import { parseGravity, parsePh, parseStem, parseTemperature, parseTitratable } from '../../units/parse';
import type { Command, CommandOf } from '../command';
import {
  ask,
  read,
  startsWithUnit,
  take,
  type Context,
  type Finder,
  type Piece,
  type Read
} from '../context';
import { JAR, takeVolume } from './volume';

const NUM = '(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)';
const IS = '(?:\\s|,|=|:|\\b(?:is|was|now|at|of|shows?|says|dropped|fell|down|to)\\b)*';
/** Made warmer or colder, to so much. */
const WARMED =
  '(?:heated|warmed|cooled|chilled|took\\s+(?:its|the)\\s+temp(?:erature)?)(?:\\s+(?:it|up|down))*';
const TEMP = new RegExp(
  `(?:\\b(?:at|@|${WARMED}|temp(?:erature)?|sample|room)${IS})?(-?${NUM})\\s*(?:(?:°|degrees?|deg)\\s*(c|f)?(?:elsius|ahrenheit)?|(c|f))(?![\\w])`
);
const TEMP_ALONE = new RegExp(`${TEMP.source}(?!\\s+(?:of\\s+)?[a-z]{3})`);
const TEMP_BARE = new RegExp(
  `\\b(?:temp(?:erature)?|room|${WARMED})${IS}(-?${NUM})(?![\\w%:]|[.,]\\d|\\s*(?:%|am|pm))`
);
/** Beside what was read, `at 20` is how warm the sample was. */
const TEMP_BESIDE = new RegExp(
  `(?:${TEMP_BARE.source})|(?:\\bat\\s+|@\\s*)(-?${NUM})(?![\\w%:]|[.,]\\d|\\s*(?:%|am|pm))`
);
const FREE_SO2 = [
  new RegExp(`\\bfree\\s+(?:so2|so₂|sulphite|sulfite|sulphur|sulfur)${IS}(${NUM})\\s*(?:mg\\s*/\\s*l|ppm)?`),
  new RegExp(`(${NUM})\\s*(?:mg\\s*/\\s*l|ppm)\\s+(?:of\\s+)?free\\s+(?:so2|so₂|sulphite|sulfite)`)
];
const SUGAR_TEST = [
  new RegExp(`\\b(?:sugar\\s+test|residual\\s+sugar|sugar\\s+strip)${IS}(${NUM})\\s*(?:g\\s*/\\s*l)?`)
];
const PH = [new RegExp(`\\bph${IS}(${NUM})`), new RegExp(`(${NUM})\\s*ph\\b`)];
const TA = new RegExp(
  `\\b(?:ta|titratable(?:\\s+acid(?:ity)?)?|(?<!(?:citric|malic|tartaric|lactic)\\s+)acid(?:ity)?(?:\\s+test)?)${IS}(${NUM})(?!\\d|[.,]\\d)(?!\\s*(?:g|kg|mg|oz|lbs?|tsps?|tbsps?|ml|teaspoons?|grams?)\\b(?!\\s*\\/))\\s*(%|g\\s*\\/\\s*l|g\\s*\\/\\s*100\\s*ml)?\\s*(?:as\\s+(tartaric|sulphuric|sulfuric))?`
);
const TA_AFTER = new RegExp(`(${NUM})\\s*%\\s*(?:acid(?:ity)?|ta)\\b`);
const BRIX = [
  new RegExp(`\\brefractometer(?:\\s+reads?)?${IS}(${NUM})\\s*°?\\s*(?:bx|brix)?(?!\\w|[.,]\\d)`),
  new RegExp(`(${NUM})\\s*°?\\s*(?:bx|brix)\\s+(?:(?:by|on|with)\\s+)?(?:(?:the|my)\\s+)?refractometer\\b`),
  new RegExp(`(-?${NUM})\\s*°?\\s*(?:bx|brix)\\b`),
  new RegExp(`(?:°\\s*)?\\b(?:bx|brix)${IS}(-?${NUM})`)
];
const POTENTIAL = [
  new RegExp(`\\b(?:pa|potential(?:\\s+alcohol)?)${IS}(-?${NUM})\\s*%?`),
  new RegExp(`(-?${NUM})\\s*%?\\s*(?:pa|potential(?:\\s+alcohol)?)\\b`)
];
const RESIDUE = new RegExp(`\\bresidue${IS}(${NUM})`);
const LEAD = '(?:sg|s\\.g\\.|og|fg|(?:specific\\s+)?gravity|hydro(?:meter)?|stem|reads?|reading)';
const GRAVITY = [
  /(1[.,]\d{3}|1[01]\d{2}|0?[.,]9\d{2})\s*(?:sg|gravity)\b/,
  new RegExp(`\\b${LEAD}${IS}(${NUM})(?![\\w]|[.,]\\d)`),
  new RegExp(`(${NUM})\\s*(?:sg|gravity)\\b`)
];
const BARE = /(?<![\w.,]|[a-z]\d?-)(1[.,]\d{2,4}|[01]?[.,]9\d{1,3}|1[01]\d{2}|9[7-9]\d)(?![\w]|[.,]\d)/g;
/** A bare number that looks like a gravity and has no unit behind it: `1.02 kg sugar` is a weight. */
const BARE_GRAVITY: Finder = {
  exec: (text) =>
    [...text.matchAll(BARE)].find((m) => !startsWithUnit(text.slice(m.index + m[0].length))) ?? null
};
const LONE = /^[\s,;:]*(\d{1,3}(?:[.,]\d)?)[\s,;:]*$/;

/** `it dropped to 1.020`. */
const FELL_TO =
  /\b(?:dropped|fell|fallen|come|gone|went)\s+(?:down\s+)?to\b(?=\s+(?:1[.,]|[01]?[.,]9|1[01]\d\d\b|9[7-9]\d\b))/;

/** Every vessel that a wine stands in. */
const EACH = new RegExp(
  `^\\W*(?:all|each|both)\\b(?=\\W*(?:sg\\s+)?\\d)|\\b(?:in|of)\\s+(?:all|each|both|every)\\b(?:\\s+(?:of\\s+)?(?:the\\s+)?(?:them|it|\\w+\\s+${JAR}|${JAR}))?|\\b(?:all|each|both|every)\\s+(?:of\\s+)?(?:the\\s+)?(?:them|${JAR})\\b`
);

type Reading = CommandOf<'reading'>;

const NOT_THERE = Symbol();

/** A figure of a piece, read by one of the readers of typed figures; what that asks is asked here. */
function figure<T>(
  p: Piece,
  patterns: Finder | readonly Finder[],
  reader: (m: RegExpExecArray) => T,
  onAsk: (e: InputError, m: RegExpExecArray) => Read
): T | typeof NOT_THERE | Read {
  let m: RegExpExecArray | null = null;
  for (const pattern of [patterns].flat()) m ??= take(p, pattern);
  if (!m) return NOT_THERE;
  try {
    return reader(m);
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    return onAsk(e, m);
  }
}

const said = (m: RegExpExecArray): string => m.slice(1).find((x) => x !== undefined) ?? '';
/** What the reader of a figure thinks was meant. */
const meantBy = (e: InputError): string | undefined => /Did you mean ([\d.]+)/.exec(e.todo)?.[1];

/** A plain figure. @throws InputError when it is none, or past all sense */
function bounded(text: string, most: number, what: string): number {
  const n = parseNumber(text);
  if (n === null || n < 0 || n > most)
    throw new InputError(`“${text}” is no figure of ${what}.`, `Give one from 0 to ${most}.`);
  return n;
}

/** What was measured: gravity on any scale, its temperature, acid, the volume at a mark. */
export function readReading(p: Piece, ctx: Context, line: string): Read | null {
  const out: Partial<Reading> = {};
  const asks: Read['asks'] = [];
  take(p, FELL_TO);
  const set = <K extends keyof Reading>(key: K, value: unknown): void => {
    if (value === NOT_THERE) return;
    if (typeof value === 'object' && value !== null && 'asks' in value) asks.push(...(value as Read).asks);
    else out[key] = value as Reading[K];
  };
  const offer = (about: Read['asks'][number]['about']) => (e: InputError, m: RegExpExecArray) => {
    const meant = meantBy(e);
    const written = said(m);
    return ask(
      about,
      `${e.message} ${meant ? '' : e.todo}`.trim(),
      meant && written ? [{ label: meant, line: line.replace(written, meant) }] : []
    );
  };
  set(
    'ph',
    figure(p, PH, (m) => parsePh(said(m)), offer('ph'))
  );
  set(
    'taGL',
    figure(p, TA_AFTER, (m) => parseTitratable(`${m[1]} %`), offer('ta'))
  );
  if (out.taGL === undefined)
    set(
      'taGL',
      figure(
        p,
        TA,
        (m) => parseTitratable([m[1], m[2], m[3] && `as ${m[3]}`].filter(Boolean).join(' ')),
        offer('ta')
      )
    );
  set(
    'freeSo2MgL',
    figure(p, FREE_SO2, (m) => bounded(said(m), 300, 'mg/L of free sulphur dioxide'), offer('amount'))
  );
  set(
    'sugarGL',
    figure(p, SUGAR_TEST, (m) => bounded(said(m), 100, 'g/L of sugar left'), offer('amount'))
  );
  set(
    'residueSg',
    figure(p, RESIDUE, (m) => parseGravity(said(m)), offer('gravity'))
  );
  const onScale = (scale: 'brix' | 'potential') => (m: RegExpExecArray) => parseStem(said(m), scale).reading;
  set('brix', figure(p, BRIX, onScale('brix'), offer('gravity')));
  set('potential', figure(p, POTENTIAL, onScale('potential'), offer('gravity')));
  const gravity = (m: RegExpExecArray) => parseGravity(said(m));
  set('sg', figure(p, GRAVITY, gravity, offer('gravity')));
  if (out.sg === undefined && asks.length === 0)
    set('sg', figure(p, BARE_GRAVITY, gravity, offer('gravity')));
  const volume = takeVolume(
    p,
    /\b(?:volume|measured|level|(?:the\s+)?mark\s+shows|it\s+holds|there\s+(?:is|are))(?:\s+(?:is|of|at))?\s+(.+)$/,
    ctx
  );
  if (volume !== null && volume > 0) out.volumeL = volume;
  const hasMore = Object.keys(out).length > 0 || asks.length > 0;
  const warm = (text: string, scale?: string) => parseTemperature(`${text}${scale ?? ''}`, ctx.temp);
  // A letter alone can be cups, where nothing was read.
  set(
    'tempC',
    figure(p, hasMore ? TEMP : TEMP_ALONE, (m) => warm(m[1]!, m[2] ?? m[3]), offer('temperature'))
  );
  if (out.tempC === undefined)
    set(
      'tempC',
      figure(p, hasMore ? TEMP_BESIDE : TEMP_BARE, (m) => warm(said(m)), offer('temperature'))
    );
  // Behind a gravity, a bare number that is as warm as a sample is its temperature.
  const beside = LONE.exec(p.text.replace(/^[\s,]*(?:at|@|,)\s*/, ''));
  if (
    out.tempC === undefined &&
    beside &&
    (out.sg ?? out.brix ?? out.potential) !== undefined &&
    isWarm(beside[1]!, ctx)
  ) {
    p.text = '';
    out.tempC = warm(beside[1]!);
  }
  if (!hasMore && out.tempC === undefined && asks.length === 0) return lone(p, line);
  if (asks.length > 0) return { commands: [], asks };
  // How warm it is, with nothing read, is a look.
  const isLook = Object.keys(out).every((k) => k === 'tempC');
  // A volume is of one vessel: it is no figure that several share.
  if (!isLook && out.volumeL === undefined && take(p, EACH)) out.each = true;
  return read(isLook ? { kind: 'observation', tempC: out.tempC! } : ({ kind: 'reading', ...out } as Command));
}

/** Samples are as warm as this, °C and °F. */
const WARM = { C: [4, 40], F: [41, 104] } as const;
const isWarm = (text: string, { temp }: Context): boolean => {
  const n = Number(text.replace(',', '.'));
  return n >= WARM[temp][0] && n <= WARM[temp][1];
};

/** A number with nothing beside it: a gravity where it can only be one. */
function lone(p: Piece, line: string): Read | null {
  const m = LONE.exec(p.text);
  if (!m) return null;
  const n = Number(m[1]!.replace(',', '.'));
  if (/^\d{2,3}$/.test(m[1]!) && n >= 40 && n <= 130) {
    p.text = '';
    return read({ kind: 'reading', sg: 1 + n / 1000 });
  }
  if (n > 130) return null;
  p.text = '';
  const as = (label: string, text: string) => ({ label, line: line.replace(m[1]!, text) });
  return ask('scale', `On which scale is ${m[1]}?`, [
    as(`gravity ${(1 + n / 1000).toFixed(3)}`, `sg ${(1 + n / 1000).toFixed(3)}`),
    as(`${m[1]} °Bx`, `${m[1]} bx`),
    ...(n <= 25 ? [as(`potential ${m[1]} %`, `pa ${m[1]}`)] : []),
    as(`${m[1]} °C`, `${m[1]} °C`)
  ]);
}
