import { withAdded } from '$core/must/adjust';
import type { Trial } from '$core/finish/trial';
import { likelyStock } from '$core/belief/likely-stock';
import { fillL, type Fill } from '$core/ledger/fill';
import { acidIn } from '$core/ledger/measured-acid';
import type { Ingredient } from '$core/plan/plan';
import { DOSES, type DoseId } from '$core/tables/doses';
import { ACID_ADDITIONS, ADDITIVES, type AdditiveId } from '$core/tables/substances';
import type { Batch } from '$lib/store/household.svelte';
import type { Giver } from './blending';
import { readTrial } from './read-trial';

/** The fields of the form, as it opens. */
export const START = {
  vessel: '',
  what: 'acid-blend',
  glasses: '5',
  glass: '100',
  step: '',
  order: '',
  liked: '',
  poured: 'yes',
  weighed: '',
  when: ''
};

type AcidId = keyof typeof ACID_ADDITIONS;
const isAcid = (id: string): id is AcidId => id in ACID_ADDITIONS;

/** Something that is tried in glasses: a powder by the gram, or another wine by the millilitre. */
export type Tried = {
  id: string;
  name: string;
  per: 'g' | 'mL';
  /** the usual step, for each litre */
  step: number;
  /** what more of it is like */
  more: string;
};

const ACIDS: AcidId[] = ['acid-blend', 'tartaric', 'malic', 'citric', 'potassium-bicarbonate'];
const POWDERS = [
  'tannin',
  'oak',
  'bentonite',
  'gelatine',
  'isinglass',
  'egg-white',
  'casein'
] as const satisfies readonly (AdditiveId & DoseId)[];

const MORE: Record<string, string> = { tannin: 'of it', oak: 'of it, after a week in the glass, covered' };

/** What can be tried in a wine, the usual first. */
export const triedOf = (givers: readonly Giver[]): Tried[] => [
  ...ACIDS.map<Tried>((id) => ({
    id,
    name: ACID_ADDITIONS[id].name,
    per: 'g',
    step: 0.5,
    more: id === 'potassium-bicarbonate' ? 'of it, and less sharp' : 'sharper'
  })),
  ...POWDERS.map<Tried>((id) => ({
    id,
    name: ADDITIVES[id],
    per: 'g',
    // Four steps come to the most that is usual.
    step: Number((DOSES[id].perL[2] / 4).toPrecision(2)),
    more: MORE[id] ?? 'of it: the least that clears, after a day'
  })),
  ...givers.flatMap<Tried>((g) =>
    'fill' in g ? [{ id: g.key, name: g.batch.state.name, per: 'mL', step: 50, more: 'of it' }] : []
  )
];

/** @throws InputError where a figure is none */
export const trialOf = (f: typeof START, tried: Tried): Trial =>
  readTrial({ ...f, step: f.step.trim() || String(tried.step) }, tried.per === 'mL' ? 500 : 20);

/** What of a powder goes in, g. */
export const itemOf = (id: string, massG: number): Ingredient =>
  isAcid(id)
    ? { kind: 'acid', acidId: id, massKg: massG / 1000 }
    : { kind: 'additive', additiveId: id as AdditiveId, massKg: massG / 1000 };

/** How sharp a jar then is; null for what is no acid. */
export function acidAfter(
  { standing }: Pick<Batch, 'standing'>,
  fill: Fill,
  id: string,
  totalG: number
): { taGL: number; ph: number } | null {
  if (!isAcid(id) || fillL(fill) <= 0) return null;
  const stock = withAdded(likelyStock(fill, standing.belief), itemOf(id, totalG));
  const { taGL, ph } = acidIn({ stock, acid: fill.acid });
  return taGL === null || ph === null ? null : { taGL, ph };
}
