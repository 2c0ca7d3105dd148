import { drinkNow, leftForBest, paceOf, type CellarWine } from '$core/cellar/stock';
import type { Rack } from '$core/vessels/rack';
import { counted } from '$core/units/format';
import { inZone } from '$core/units/zone';

const DAY = 86_400_000;

/** `May 2027`, or `May` within this year. */
export function monthWord(at: number, now: number, zone: string): string {
  const year = inZone(at, zone, { year: 'numeric' });
  const month = inZone(at, zone, { month: 'short' });
  return year === inZone(now, zone, { year: 'numeric' }) ? month : `${month} ${year}`;
}

export const yearOf = (at: number, zone: string): number => Number(inZone(at, zone, { year: 'numeric' }));

/** Where a wine is in its time, in a few words. */
export function ageWords(w: CellarWine, now: number): string {
  const month = (at: number) => monthWord(at, now, w.zone);
  if (w.danger) return 'could burst: see its warning';
  switch (w.age) {
    case 'resting':
    case 'young':
      return `let it lie until ${month(w.drink.first)}; best from ${month(w.drink.bestFrom)}`;
    case 'drinkable':
      return `can be drunk; best from ${month(w.drink.bestFrom)}`;
    case 'best':
      return drinkNow(w, now) === 'last-month'
        ? `at its best for ${counted(Math.max(1, Math.ceil((w.drink.bestTo - now) / (7 * DAY))), 'week')} more`
        : `at its best until ${month(w.drink.bestTo)}`;
    case 'fading':
      return `drink it up by ${month(w.drink.last)}`;
    case 'past':
      return 'past its time: drink it up, or cook with it';
  }
}

/** What will be left when it is best, where bottles go faster than that. */
export function leftWords(w: CellarWine, now: number): string {
  if (w.drink.bestFrom <= now || paceOf(w.bottling, now) === 0) return '';
  const left = leftForBest(w, now);
  const month = monthWord(w.drink.bestFrom, now, w.zone);
  return left === 0
    ? `as they go, none is left for ${month}: keep one back`
    : left < w.bottling.left
      ? `as they go, ${left} left for ${month}`
      : '';
}

/** `rack by the door: row 2, places 3–5`, each rack in turn, and what stands loose. */
export function placeWords(w: CellarWine, racks: readonly Rack[]): string {
  const parts = racks.flatMap((rack) => {
    const cells = w.bottling.cells.filter((c) => c.rackId === rack.id);
    const rows = [...new Set(cells.map((c) => c.row))].sort((a, b) => a - b);
    if (rows.length === 0) return [];
    const said = rows.map((row) => {
      const cols = cells.filter((c) => c.row === row).map((c) => c.col);
      return `row ${row + 1}, ${cols.length === 1 ? 'place' : 'places'} ${runs(cols)}`;
    });
    return [`${rack.name}: ${said.join('; ')}`];
  });
  const loose = w.bottling.left - w.bottling.cells.length;
  if (loose > 0 && parts.length > 0) parts.push(`${loose} in no rack`);
  return parts.join(', ') || 'in no rack yet';
}

/** Places from 1, those that follow one another as a run: `3–5, 8`. */
export function runs(cols: readonly number[]): string {
  const sorted = [...cols].sort((a, b) => a - b);
  const out: [number, number][] = [];
  for (const c of sorted) {
    const last = out.at(-1);
    if (last && c <= last[1] + 1) last[1] = c;
    else out.push([c, c]);
  }
  return out.map(([a, b]) => (a === b ? String(a + 1) : `${a + 1}–${b + 1}`)).join(', ');
}

/** Two letters for the end of a bottle: `Rh`, or of several words `OD`. */
export const endWord = (name: string): string => {
  const words = name.split(/\s+/).filter((x) => /\p{L}/u.test(x));
  const [a, b] = words;
  if (!a) return name.slice(0, 2);
  return b ? `${[...a][0]}${[...b][0]}`.toUpperCase() : [...a].slice(0, 2).join('');
};
