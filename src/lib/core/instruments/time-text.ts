import { Temporal } from 'temporal-polyfill';

/** How the times of a file are written. */
export const TIME_FORMATS = {
  iso: '2026-05-31 18:30',
  dmy: '31/5/2026 18:30',
  mdy: '5/31/2026 6:30 pm',
  epoch: 'seconds since 1970',
  epochMs: 'milliseconds since 1970',
  serial: 'days since 1900, as spreadsheets count'
} as const;
export type TimeFormat = keyof typeof TIME_FORMATS;

const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(am|pm)?/i;
const ISO = /^\s*(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/;
const NUMBERS = /^\s*(\d{1,2})[-/. ](\d{1,2})[-/. ](\d{2}|\d{4})\b/;
const OFFSET = /(Z|[+-]\d{2}:?\d{2})\s*$/i;
/** A spreadsheet's day 0, and the first it counts right. */
const SERIAL_0 = Date.UTC(1899, 11, 30);
const DAY = 86_400_000;

function clockOf(text: string): { hour: number; minute: number; second: number } | null {
  const m = CLOCK.exec(text);
  if (!m) return { hour: 0, minute: 0, second: 0 };
  let hour = Number(m[1]);
  const half = m[4]?.toLowerCase();
  if (half && (hour < 1 || hour > 12)) return null;
  if (half === 'pm' && hour < 12) hour += 12;
  if (half === 'am' && hour === 12) hour = 0;
  const [minute, second] = [Number(m[2]), Number(m[3] ?? 0)];
  return hour < 24 && minute < 60 && second < 60 ? { hour, minute, second } : null;
}

const yearOf = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

/** A civil time in a zone, ms; null where there is no such day. The earlier of two where the clocks go back. */
function inZone(y: number, mo: number, d: number, text: string, zone: string): number | null {
  const clock = clockOf(text);
  if (!clock || mo < 1 || mo > 12 || d < 1 || d > 31) return null;
  const offset = OFFSET.exec(text);
  try {
    const plain = Temporal.PlainDateTime.from(
      { year: y, month: mo, day: d, ...clock },
      { overflow: 'reject' }
    );
    if (!offset) return plain.toZonedDateTime(zone).epochMilliseconds;
    const utc = plain.toZonedDateTime('UTC').epochMilliseconds;
    if (/z/i.test(offset[1]!)) return utc;
    const [, sign, h, m] = /([+-])(\d{2}):?(\d{2})/.exec(offset[1]!)!;
    return utc - (sign === '-' ? -1 : 1) * (60 * Number(h) + Number(m)) * 60_000;
  } catch {
    return null;
  }
}

/**
 * The moment a text means, ms since 1970; null where it is none in that format.
 * @param zone IANA, for times that bear none
 * @example readTime('31/5/2026 18:30', 'dmy', 'UTC') // 1780252200000
 */
export function readTime(text: string, format: TimeFormat, zone: string): number | null {
  const n = Number(text.replace(',', '.'));
  switch (format) {
    case 'epoch':
      return text.trim() !== '' && n > 1e8 && n < 1e11 ? 1000 * n : null;
    case 'epochMs':
      return text.trim() !== '' && n > 1e11 && n < 1e14 ? n : null;
    case 'serial': {
      if (text.trim() === '' || !(n > 20_000 && n < 100_000)) return null;
      // A spreadsheet's days are civil days: the clock on the wall where it was written.
      const civil = new Date(Math.round((SERIAL_0 + n * DAY) / 1000) * 1000).toISOString().slice(0, 19);
      return Temporal.PlainDateTime.from(civil).toZonedDateTime(zone).epochMilliseconds;
    }
    case 'iso': {
      const m = ISO.exec(text);
      return m && inZone(Number(m[1]), Number(m[2]), Number(m[3]), text.slice(m[0].length), zone);
    }
    default: {
      const m = NUMBERS.exec(text);
      if (!m) return null;
      const [a, b] = [Number(m[1]), Number(m[2])];
      const [day, month] = format === 'dmy' ? [a, b] : [b, a];
      return inZone(yearOf(m[3]!), month, day, text.slice(m[0].length), zone);
    }
  }
}

/** How many times of a column are none in a format, how far they run backwards, and how long they span; null where it is not theirs. */
function fit(
  texts: readonly string[],
  format: TimeFormat,
  zone: string
): { bad: number; back: number; span: number } | null {
  const times = texts.map((t) => readTime(t, format, zone));
  const good = times.filter((t): t is number => t !== null);
  if (good.length < 0.5 * times.length || good.length === 0) return null;
  let back = 0;
  for (let i = 1; i < good.length; i++) if (good[i]! < good[i - 1]!) back += 1;
  // Loggers may write the newest first.
  return {
    bad: times.length - good.length,
    back: Math.min(back, good.length - 1 - back),
    span: Math.max(...good) - Math.min(...good)
  };
}

/**
 * Which of the two first numbers is the day, by one that is past twelve; null where a text does not say.
 * @example orderOf('5/13/2026') // 'mdy'
 */
export function orderOf(text: string): 'dmy' | 'mdy' | null {
  const [, a, b] = NUMBERS.exec(text) ?? [];
  if (a === undefined) return null;
  return Number(a) > 12 ? 'dmy' : Number(b) > 12 ? 'mdy' : null;
}

/**
 * The format of a column of times: the one that fits, runs one way, and spans the least. Days and months that could be
 * either are said to be so.
 * @param prefersMonth whether the household writes the month first
 * @returns null where no format fits
 */
export function guessTime(
  texts: readonly string[],
  zone: string,
  prefersMonth: boolean
): { format: TimeFormat; isEither: boolean } | null {
  const all = (Object.keys(TIME_FORMATS) as TimeFormat[]).flatMap((format) => {
    const found = fit(texts, format, zone);
    return found ? [{ format, ...found }] : [];
  });
  if (all.length === 0) return null;
  // One day past the twelfth settles for all which number is the month.
  const fewest = Math.min(...all.map((f) => f.bad));
  const sound = all.filter((f) => f.bad === fewest);
  const least = Math.min(...sound.map((f) => f.back));
  const best = sound.filter((f) => f.back === least).sort((a, b) => a.span - b.span);
  const [dmy, mdy] = ['dmy', 'mdy'].map((f) => best.find((b) => b.format === f));
  // Both run one way: the shorter span is the likelier, unless they are alike.
  if (dmy && mdy) {
    const isEither = Math.abs(dmy.span - mdy.span) <= 0.5 * Math.max(dmy.span, mdy.span);
    return isEither
      ? { format: prefersMonth ? 'mdy' : 'dmy', isEither: true }
      : { format: dmy.span < mdy.span ? 'dmy' : 'mdy', isEither: false };
  }
  return { format: best[0]!.format, isEither: false };
}
