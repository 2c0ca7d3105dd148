import * as chrono from 'chrono-node/en';
import { Temporal } from 'temporal-polyfill';
import { civilDay, soundZone } from '../units/zone';
import { take, type Context, type Piece } from './context';

const MONTH = '(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)[a-z]*';
const WEEKDAY =
  '(?:(?:on|last|this|next)\\s+(?:mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?|(?:mon|tues|wednes|thurs|fri|satur|sun)day)';
const COUNT = '(?:\\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)';
const DAYS = [
  '(?:yesterday|today|tomorrow)(?:\\s+(?:morning|afternoon|evening|night))?|tonight',
  'this\\s+(?:morning|afternoon|evening)|last\\s+(?:night|week|month)|next\\s+(?:week|month)',
  `${WEEKDAY}(?:\\s+(?:morning|afternoon|evening|night))?`,
  '(?:on\\s+)?\\d{4}-\\d{2}-\\d{2}',
  `(?:on\\s+)?(?:the\\s+)?\\d{1,2}(?:st|nd|rd|th)?(?:\\s+of)?\\s+${MONTH}(?:\\s+\\d{4})?`,
  `(?:on\\s+)?${MONTH}\\s+\\d{1,2}(?:st|nd|rd|th)?(?:\\s+\\d{4})?(?![.,]?\\d)`,
  '(?:on\\s+)?the\\s+\\d{1,2}(?:st|nd|rd|th)',
  `${COUNT}\\s+(?:min(?:ute)?s?|h(?:ou)?rs?|days?|weeks?|months?)\\s+ago`,
  `in\\s+${COUNT}\\s+(?:days?|weeks?|months?)`
].join('|');
const CLOCK =
  '(?:at\\s+)?(?:\\d{1,2}(?:[:.]\\d{2})?\\s*(?:am|pm|a\\.m\\.|p\\.m\\.)|\\d{1,2}:\\d{2}|noon|midday|midnight)';
/** An hour without more, beside a part of a day. */
const HOUR = 'at\\s+(?:1[0-2]|[1-9])(?![\\d:]|[.,]\\d|\\s*(?:°|%|degrees?\\b|deg\\b|[cf]\\b|am\\b|pm\\b))';
const PART_OF_DAY =
  '(?:last\\s+night|tonight|this\\s+(?:morning|afternoon|evening)|yesterday\\s+(?:morning|afternoon|evening|night))';
const SAID = new RegExp(
  `\\b(?:${PART_OF_DAY}\\s+${HOUR}|${HOUR}\\s+${PART_OF_DAY}|(?:${DAYS})(?:(?:\\s+|,\\s*)(?:at\\s+)?${CLOCK})?|${CLOCK}(?:\\s+(?:on\\s+)?(?:${DAYS}))?)(?![\\w.]|:\\d)`
);
const LATE_H = 22;
/** `tues 1.040`, as notebooks have it. */
const SHORT_DAY = /^\W*(?:mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)\b\s*[:.,]?(?=\s*(?:sg\b|gravity\b|\d))/;
/** Parts of a day, and the hour they are taken for where no hour is said. Ours. */
const PARTS: [RegExp, number][] = [
  [/morning/, 8],
  [/afternoon/, 15],
  [/evening|tonight/, 20],
  [/night/, LATE_H]
];
const WEEK_DAY = /^\W*(?:on\s+)?(?:mon|tue|wed|thu|fri|sat|sun)/;
const CLOCKED = new RegExp(CLOCK);
const NOON = 12;
/** Until then it is still called the night. */
const SMALL_H = 6;
const BARE_HOUR = new RegExp(HOUR);
const OF_MONTH = /^(?:on\s+)?the\s+(0?[1-9]|[12]\d|3[01])(?:st|nd|rd|th)$/;

/** A moment that was said, ms; `isDay` when only its day was. */
export type Said = { at: number; isDay: boolean };
/** A day of a wine, counted from the day it was begun, which is its first. */
export type OfWine = { day: number };
export type When = Said | OfWine;
/** `day 5: 1.040`, as notebooks have it. */
const DAY_OF_WINE = /\b(?:on\s+)?day\s+(\d{1,4})\b(?![.,]\d)\s*:?/;

/**
 * Takes the time that a piece speaks of out of it, in its zone's own clock.
 * @returns null where none is said
 */
export function takeWhen(p: Piece, ctx: Pick<Context, 'now' | 'zone'>): When | null {
  const ofWine = take(p, DAY_OF_WINE);
  if (ofWine) return { day: Number(ofWine[1]) };
  const found = SAID.exec(p.text) ?? SHORT_DAY.exec(p.text);
  if (!found || (/^in\b/.test(found[0]) && /bubbl|nothing|taste/.test(p.text))) return null;
  const moment = momentOf(found[0], ctx);
  if (moment === null) return null;
  if (/^today$/.test(found[0].trim())) moment.at = ctx.now;
  p.text = `${p.text.slice(0, found.index)} , ${p.text.slice(found.index + found[0].length)}`;
  return moment;
}

/** The half of the day that an hour beside a part of it is of. */
const halfOf = (words: string, hour: number): 'am' | 'pm' =>
  /morning/.test(words) || (/night/.test(words) && (hour < SMALL_H || hour === NOON)) ? 'am' : 'pm';

/** The last such day of a month, or the next one. */
function dayOfMonth(n: number, today: Temporal.PlainDate, isAhead: boolean): Temporal.PlainDate {
  const step = isAhead ? 1 : -1;
  for (let months = 0; ; months += step) {
    const month = today.with({ day: 1 }).add({ months });
    if (n > month.daysInMonth) continue;
    const day = month.with({ day: n });
    if (Temporal.PlainDate.compare(day, today) * step >= 0) return day;
  }
}

/** Noon of a day of a wine that was begun then. */
export const atDay = (day: number, startedAt: number, zone: string): Said => ({
  at: Temporal.PlainDate.from(civilDay(startedAt, zone))
    .add({ days: day - 1 })
    .toZonedDateTime({ timeZone: soundZone(zone), plainTime: { hour: NOON } }).epochMilliseconds,
  isDay: true
});

/** The moment that words name; null where they name none. */
export function momentOf(
  words: string,
  { now, zone: said }: Pick<Context, 'now' | 'zone'>,
  isAhead = false
): Said | null {
  const zone = soundZone(said);
  const here = Temporal.Instant.fromEpochMilliseconds(now).toZonedDateTimeISO(zone);
  words = words
    .trim()
    .replace(OF_MONTH, (_, n: string) => dayOfMonth(Number(n), here.toPlainDate(), isAhead).toString())
    .replace(/^(tue|thu)(?:s|rs?)\b/, '$1')
    .replace(BARE_HOUR, (at) => `${at} ${halfOf(words, Number(at.slice(2)))}`);
  // Hours that went by are no matter of the calendar.
  const past = new RegExp(`^(${COUNT})\\s+(min|h)[a-z]*\\s+ago$`).exec(words.trim());
  const [result] = chrono.parse(
    words.replace(/\b(\d{1,2})\.(\d{2})\s*(am|pm)/, '$1:$2 $3'),
    { instant: new Date(now), timezone: here.offsetNanoseconds / 6e10 },
    { forwardDate: isAhead }
  );
  if (!result) return null;
  if (past) return { at: result.start.date().getTime(), isDay: false };
  const { start } = result;
  // Of what has been, a day of the week is the last such day.
  const isLast = !isAhead && WEEK_DAY.test(words);
  const part = PARTS.find(([pattern]) => pattern.test(words))?.[1];
  const isAgo = /\bago$|^in\b|^last (?:week|month)|^next (?:week|month)/.test(words.trim());
  const hasClock = start.isCertain('hour') && (part === undefined || CLOCKED.test(words));
  const isDay = !hasClock && !isAgo;
  const clock = { hour: start.get('hour') ?? NOON, minute: start.get('minute') ?? 0 };
  // A night that is past is yesterday's, but for its small hours.
  const day = /last night/.test(words)
    ? here.toPlainDate().subtract({ days: hasClock && clock.hour < SMALL_H ? 0 : 1 })
    : Temporal.PlainDate.from({
        year: start.get('year') ?? here.year,
        month: start.get('month') ?? here.month,
        day: start.get('day') ?? here.day
      });
  const when =
    isLast && Temporal.PlainDate.compare(day, here.toPlainDate()) > 0 ? day.subtract({ days: 7 }) : day;
  const time =
    isAgo && !hasClock ? here.toPlainTime() : Temporal.PlainTime.from(isDay ? { hour: part ?? NOON } : clock);
  return { at: when.toZonedDateTime({ timeZone: zone, plainTime: time }).epochMilliseconds, isDay };
}

/** The civil days that a span of days to come begins and ends with; null where it is none. */
export function daysOf(words: string, { now }: Pick<Context, 'now'>): { from: string; to: string } | null {
  const text = words.replace(/\b(?:till|until)\b|\s-\s|(?<=^\s*\d{1,2})-(?=\d{1,2}\s)/g, ' to ');
  const [found] = chrono.parse(text, new Date(now), { forwardDate: true });
  const day = (c: { get: (k: 'year' | 'month' | 'day') => number | null } | undefined) =>
    c && Temporal.PlainDate.from({ year: c.get('year')!, month: c.get('month')!, day: c.get('day')! });
  const [from, to] = [day(found?.start), day(found?.end)];
  return from && to && Temporal.PlainDate.compare(from, to) < 0
    ? { from: from.toString(), to: to.toString() }
    : null;
}
