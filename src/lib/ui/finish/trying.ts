import { acidityOf } from '$core/must/adjust';
import { withAdded } from '$core/must/adjust';
import type { Trial } from '$core/finish/trial';
import { likelyStock } from '$core/belief/likely-stock';
import { fillL, type Fill } from '$core/ledger/fill';
import type { Ingredient } from '$core/plan/plan';
import { DOSES, type DoseId } from '$core/tables/doses';
import { ACID_ADDITIONS, ADDITIVES, type AdditiveId } from '$core/tables/substances';
import { InputError } from '$core/units/input-error';
import { parseNumber } from '$core/units/number';
import type { Batch } from '$lib/store/household.svelte';
import type { Giver } from './blending';

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
export function trialOf(f: typeof START, tried: Tried): Trial {
  const figure = (text: string, what: string, most: number) => {
    const n = parseNumber(text);
    if (n === null || n <= 0 || n > most)
      throw new InputError(`“${text}” is no ${what}.`, `Give a number up to ${most}.`);
    return n;
  };
  return {
    glasses: Math.max(2, Math.round(figure(f.glasses, 'number of glasses', 9))),
    glassL: figure(f.glass, 'size of a glass', 500) / 1000,
    stepGL: f.step.trim() ? figure(f.step, 'step', tried.per === 'mL' ? 500 : 20) : tried.step
  };
}

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
  return acidityOf(withAdded(likelyStock(fill, standing.belief), itemOf(id, totalG)));
}
