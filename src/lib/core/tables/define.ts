import type { Family, Produce } from './produce';

type Given = Omit<Produce, 'id' | 'family' | Defaulted> & Partial<Pick<Produce, Defaulted>>;
type Defaulted =
  | 'plural'
  | 'pectin'
  | 'bufferMmolKg'
  | 'usable'
  | 'pieceG'
  | 'litreG'
  | 'forms'
  | 'amountKgL'
  | 'halfGivenH'
  | 'steepDays'
  | 'hoursPerKg'
  | 'cautions'
  | 'from';

const FROM: Produce['from'] = {
  composition: 'usda',
  acids: 'sfk',
  ph: 'fda',
  minerals: 'usda',
  handling: 'practice'
};

/** Entries of one family, with what its members share filled in. */
export const family = (name: Family, shared: Partial<Given>, entries: Record<string, Given>): Produce[] =>
  Object.entries(entries).map(([id, given]) => ({
    plural: `${given.name}s`,
    bufferMmolKg: 2,
    usable: [0.95, 0.98, 1] as const,
    pieceG: null,
    litreG: null,
    forms: ['fresh', 'frozen'],
    amountKgL: [0.25, 0.36, 0.55] as const,
    halfGivenH: [12, 26, 48] as const,
    steepDays: [4, 7, 10] as const,
    hoursPerKg: 0.15,
    cautions: [],
    ...shared,
    ...given,
    from: { ...FROM, ...shared.from, ...given.from },
    id,
    family: name
  })) as Produce[];
