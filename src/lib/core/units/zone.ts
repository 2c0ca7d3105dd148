/** Zones that this system does not know, so that each is tried once. */
const known = new Map<string, boolean>();

/** Whether this system can tell the time in a zone; some report `Etc/Unknown`, and files come from anywhere. */
export function isZone(zone: string): boolean {
  let is = known.get(zone);
  if (is === undefined) {
    try {
      new Intl.DateTimeFormat('en-GB', { timeZone: zone });
      is = zone !== 'Etc/Unknown';
    } catch {
      is = false;
    }
    known.set(zone, is);
  }
  return is;
}

/**
 * A zone that can be reckoned in: the one given, or where it is unknown the one that keeps the same clock.
 * @param offsetMin minutes that local time is behind UTC, as `Date.getTimezoneOffset` says
 */
export function soundZone(zone: string | undefined, offsetMin = 0): string {
  if (zone && isZone(zone)) return zone;
  const hours = Math.round(offsetMin / 60);
  return hours === 0 || Math.abs(hours) > 12 ? 'UTC' : `Etc/GMT${hours > 0 ? '+' : '-'}${Math.abs(hours)}`;
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** A date's words in a zone, kept: making a format is slow. An unknown zone is read as UTC. */
export function inZone(
  at: number,
  zone: string,
  options: Intl.DateTimeFormatOptions,
  locale = 'en-GB'
): string {
  const key = `${zone} ${locale} ${JSON.stringify(options)}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { ...options, timeZone: soundZone(zone) });
    formats.set(key, format);
  }
  return Number.isFinite(at) ? format.format(at) : '';
}

/** The civil day of a moment in a zone, as yyyy-mm-dd. */
export const civilDay = (at: number, zone: string): string =>
  inZone(at, zone, { year: 'numeric', month: '2-digit', day: '2-digit' }, 'en-CA');

const DAY = 86_400_000;

/**
 * Which day of a wine it is, by the calendar of its zone: the day it was begun is its first.
 * @example dayOf(Date.parse('2026-05-02T01:00:00Z'), Date.parse('2026-05-01T20:00:00Z'), 'UTC') // 2
 */
export function dayOf(at: number, startedAt: number, zone: string): number {
  const [now, then] = [Date.parse(civilDay(at, zone)), Date.parse(civilDay(startedAt, zone))];
  return Math.max(1, Math.round((now - then) / DAY) + 1);
}
