import { once } from '../maths/once';
import { citrus } from './citrus';
import { dried } from './dried';
import { flower } from './flower';
import { leaf } from './leaf';
import { melon } from './melon';
import { pome } from './pome';
import { root } from './root-vegetables';
import { sap } from './sap';
import type { Produce } from './produce';
import { soft } from './soft';
import { stone } from './stone';
import { tropical } from './tropical';

/** Every kind of produce Vecino knows, in alphabetical order. Composition per 100 g usable weight. */
// Sorted without the rules of a language, which every page would have to load first: the table's names are plain.
export const PRODUCE: readonly Produce[] = [
  ...soft,
  ...stone,
  ...pome,
  ...citrus,
  ...tropical,
  ...melon,
  ...dried,
  ...root,
  ...flower,
  ...leaf,
  ...sap
].sort(({ name: a }, { name: b }) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1));

const BY_ID = new Map(PRODUCE.map((p) => [p.id, p]));

/** Ids that entries had before, in files and logs. */
const ONCE: Record<string, string> = { cherry: 'sour-cherry' };

/** One entry by id, such as `plum`; undefined when there is none. */
export const produceById = (id: string): Produce | undefined => BY_ID.get(id) ?? BY_ID.get(ONCE[id] ?? '');

/** The table with the user's own entries: theirs take the place of the table's of the same id. */
export const withOwn = (own: readonly Produce[]): readonly Produce[] =>
  own.length === 0
    ? PRODUCE
    : [...own, ...PRODUCE.filter((p) => !own.some((o) => o.id === p.id))].sort((a, b) =>
        a.name.localeCompare(b.name, 'en')
      );

/** Names by which a kind goes as well. */
const ALSO: Record<string, string> = { hibiscus: 'red sorrel' };

const NONE: readonly Produce[] = [];
/** What every entry is called, in small letters. */
const called = once((own: readonly Produce[]) =>
  withOwn(own).map((p) => ({
    p,
    name: p.name.toLowerCase(),
    names: `${p.name} ${p.plural} ${p.latin} ${p.id} ${ALSO[p.id] ?? ''}`.toLowerCase()
  }))
);

/** Entries whose name, plural or Latin name holds every word of `text`; best matches first. */
export function findProduce(text: string, own: readonly Produce[] = NONE): Produce[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const starts = (name: string) => (name.startsWith(words[0] ?? '') ? 0 : 1);
  return called(own.length === 0 ? NONE : own)
    .filter(({ names }) => words.every((w) => names.includes(w)))
    .sort((a, b) => starts(a.name) - starts(b.name))
    .map(({ p }) => p);
}

/** Months of harvest: six months on in the southern hemisphere. */
export const seasonIn = (p: Produce, hemisphere: 'north' | 'south'): number[] =>
  hemisphere === 'north' ? [...p.season] : p.season.map((m) => ((m + 5) % 12) + 1).sort((a, b) => a - b);

/**
 * Water, g/100 g: what solids and insolubles leave.
 * @example waterOf(produceById('plum')!) // 86
 */
export const waterOf = (p: Produce): number => 100 - p.solids[1] - p.insolubles[1];
