import { crc32 } from '../maths/crc32';
import type { Entry, Thing, ThingKind, Things } from './things';

/** The lists of what a household has, by their names. */
export const KINDS = [
  'vessels',
  'produce',
  'recipes',
  'harvest',
  'methods',
  'racks',
  'yeasts'
] as const satisfies readonly ThingKind[];

/** The same value with its keys in order, so that order of writing makes no difference. */
export function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value)
        .filter(([, v]) => v !== undefined)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([k, v]) => [k, sorted(v)])
    );
  return value;
}
export const same = (a: unknown, b: unknown): boolean =>
  JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** What an older version kept as a row, as the first entry of its log: the same on every device. */
export function keptAs<K extends ThingKind>(kind: K, thing: Thing<K>, at: string): Entry {
  const text = JSON.stringify(sorted(thing));
  return {
    id: `kept:${kind}:${thing.id}:${crc32([`${at} ${text}`])}`,
    kind,
    of: thing.id,
    at,
    device: 'before',
    what: 'kept',
    thing
  };
}

/** All rows of an older version as entries. */
export const keptOf = (things: Partial<Things>, at: string): Entry[] =>
  KINDS.flatMap((kind) => (things[kind] ?? []).map((thing) => keptAs(kind, thing as never, at)));
