import { addedSo2MgL } from '../ledger/fill';
import type { Bottling, Tasted } from '../ledger/state';
import { entryOf, type Plan } from '../plan/plan';
import { usableKg } from '../must/contribution';
import type { Facts } from '../label/facts';

/** A month, on average, ms. */
export const MONTH = 30.436_875 * 86_400_000;

/** When a wine can be drunk, is at its best, and should be gone, ms; and what says so. */
export type DrinkWindow = {
  first: number;
  bestFrom: number;
  bestTo: number;
  last: number;
  why: string[];
};

/**
 * Months from its start to first, best and last, by what it is made of. Country wine wants six months at least and
 * often twelve; banana, root and flower wine twelve to eighteen. Common practice; the ends are ours.
 */
const KINDS = {
  fruit: {
    first: 6,
    bestFrom: 12,
    bestTo: 24,
    last: 36,
    why: 'fruit wine: six months at least, often twelve'
  },
  slow: {
    first: 12,
    bestFrom: 18,
    bestTo: 36,
    last: 54,
    why: 'root, banana and flower wine: twelve to eighteen months'
  },
  cider: { first: 4, bestFrom: 6, bestTo: 14, last: 24, why: 'cider and perry: within the year' },
  mead: { first: 9, bestFrom: 15, bestTo: 48, last: 84, why: 'honey wine: slow, and keeps for years' }
} as const;

/** Which of them a plan makes, by what weighs most, or lifts most. */
export function kindOf(plan: Plan): keyof typeof KINDS {
  const honeyKg = plan.ingredients.reduce((n, i) => n + (i.kind === 'honey' ? i.massKg : 0), 0);
  const sugarKg = plan.ingredients.reduce((n, i) => n + (i.kind === 'sugar' ? i.massKg : 0), 0);
  const heaviest = plan.ingredients
    .flatMap((i) => {
      const entry = entryOf(i);
      if (!entry || (i.kind !== 'produce' && i.kind !== 'juice')) return [];
      // Flowers weigh nothing, and make the wine all the same.
      const weight = entry.family === 'flower' ? 20 : entry.family === 'citrus' ? 0.2 : 1;
      const kg = i.kind === 'produce' ? usableKg(i, entry) : i.volumeL;
      return [{ entry, kg: kg * weight }];
    })
    .sort((a, b) => b.kg - a.kg)[0]?.entry;
  if (honeyKg > 2 * sugarKg && honeyKg > 0.1) return 'mead';
  if (!heaviest) return 'fruit';
  if (['root', 'flower', 'leaf', 'sap'].includes(heaviest.family) || heaviest.id === 'banana') return 'slow';
  return heaviest.id === 'apple' || heaviest.id === 'pear' ? 'cider' : 'fruit';
}

const TANNIN = { none: 0, low: 0, medium: 1, high: 2 } as const;

/** The most tannic of what went in, by the table. */
const tanninOf = (plan: Plan): number =>
  Math.max(
    0,
    ...plan.ingredients.map((i) => (i.kind === 'produce' ? TANNIN[entryOf(i)?.tannin ?? 'none'] : 0))
  );

/** A shift of the four marks, in months. */
type Shift = { by: [first: number, from: number, to: number, last: number]; why: string };

function shiftsOf(plan: Plan, b: Bottling, facts: Pick<Facts, 'abv' | 'sugarGL' | 'isSparkling'>): Shift[] {
  const out: Shift[] = [];
  const abv = facts.abv.likely;
  if (abv < 9.5 && kindOf(plan) !== 'cider')
    out.push({ by: [-1, -3, -9, -15], why: 'weak, so drink it young' });
  else if (abv >= 13) out.push({ by: [1, 2, 6, 12], why: 'strong, so it keeps longer' });
  if (tanninOf(plan) === 2) out.push({ by: [2, 4, 12, 18], why: 'its tannin softens slowly' });
  if (facts.sugarGL >= 35) out.push({ by: [0, 2, 6, 12], why: 'sweet, so it keeps longer' });
  if (facts.isSparkling) out.push({ by: [-3, -4, -8, -12], why: 'sparkling: fresh is best' });
  if (addedSo2MgL(b.fill) < 10) out.push({ by: [0, -1, -4, -8], why: 'no sulphite: air gets at it sooner' });
  const small = b.bottles.every((x) => x.sizeL < 0.5);
  if (small) out.push({ by: [0, -1, -3, -6], why: 'small bottles age sooner' });
  return out;
}

/** A bottle shaken up by filling wants this long, whatever else. Common practice. */
const REST = 1;

/** How far on a wine said to be too young is tried again, and called good. Ours. */
const YOUNG = { first: 3, best: 5 } as const;

/**
 * When a filling is to be drunk: by what it was made of and how strong, sweet and tannic it is; then moved by what
 * tasting it said. A tongue goes before the table.
 */
export function windowOf(
  s: { plan: Plan; startedAt: number; tastings: readonly Tasted[] },
  b: Bottling,
  facts: Pick<Facts, 'abv' | 'sugarGL' | 'isSparkling'>
): DrinkWindow {
  const kind = KINDS[kindOf(s.plan)];
  const shifts = shiftsOf(s.plan, b, facts);
  const marks = [kind.first, kind.bestFrom, kind.bestTo, kind.last].map((m, i) =>
    Math.max(2, m + shifts.reduce((sum, x) => sum + x.by[i]!, 0))
  );
  let [first, bestFrom, bestTo, last] = marks.map((m) => s.startedAt + m * MONTH) as [
    number,
    number,
    number,
    number
  ];
  first = Math.max(first, b.at + REST * MONTH);
  const why = [kind.why, ...shifts.map((x) => x.why)];
  // Of several fillings, one that was sweetened say, each is told by its own bottles.
  const inBottle = s.tastings.filter((t) => t.at >= b.at && (t.bottleId ?? b.eventId) === b.eventId);
  for (const t of inBottle) {
    if (t.when === 'young') {
      first = Math.max(first, t.at + YOUNG.first * MONTH);
      bestFrom = Math.max(bestFrom, t.at + YOUNG.best * MONTH);
      why.push('too young when it was tasted');
    } else if (t.when === 'ready') {
      first = Math.min(first, t.at);
      bestFrom = Math.min(bestFrom, t.at);
      why.push('ready when it was tasted');
    } else if (t.when === 'past') {
      bestTo = Math.min(bestTo, t.at);
      last = Math.min(last, t.at + 3 * MONTH);
      why.push('past its best when it was tasted');
    }
  }
  const liked = inBottle.filter((t) => t.liking !== null && t.at >= bestFrom);
  const [before, now] = [liked.at(-2), liked.at(-1)];
  if (before && now && now.liking! <= before.liking! - 2 && now.at < bestTo) {
    bestTo = now.at;
    why.push('liked less than the time before');
  }
  bestFrom = Math.max(bestFrom, first);
  // What was found past its best goes before what was foreseen.
  if (inBottle.some((t) => t.when === 'past')) {
    bestFrom = Math.min(bestFrom, bestTo);
    first = Math.min(first, bestFrom);
  } else bestTo = Math.max(bestTo, bestFrom + MONTH);
  return { first, bestFrom, bestTo, last: Math.max(last, bestTo + MONTH), why };
}

/** Where in its window a wine is. */
export const AGES = ['resting', 'young', 'drinkable', 'best', 'fading', 'past'] as const;
export type Age = (typeof AGES)[number];

/** @example ageOf({ first: 2, bestFrom: 4, bestTo: 6, last: 8, why: [] }, 5) // 'best' */
export function ageOf(w: DrinkWindow, at: number): Age {
  if (at < w.first) return w.first - at > 6 * MONTH ? 'resting' : 'young';
  if (at < w.bestFrom) return 'drinkable';
  if (at <= w.bestTo) return 'best';
  return at <= w.last ? 'fading' : 'past';
}
