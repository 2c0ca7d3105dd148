import { factsOf, type Facts } from '../label/facts';
import type { Belief } from '../belief/believe';
import type { Danger } from '../finish/danger';
import type { BatchState, Bottling } from '../ledger/state';
import { ageOf, MONTH, windowOf, type Age, type DrinkWindow } from './window';

/** One wine of a cellar, as one filling of it. */
export type CellarWine = {
  batchId: string;
  name: string;
  startedAt: number;
  zone: string;
  bottling: Bottling;
  facts: Facts;
  drink: DrinkWindow;
  age: Age;
  danger: Danger | null;
  /** how well it was last liked in bottle, 1 to 5 */
  liking: number | null;
  /** what the wine in a bottle that is left had cost */
  costEach: number;
};

type OneBatch = { state: BatchState; belief: Belief | null; dangers: readonly Danger[] };

/** The fillings of a batch of which bottles are left. */
export const cellarOf = ({ state: s, belief, dangers }: OneBatch, at: number): CellarWine[] =>
  s.bottled
    .filter((b) => b.left > 0)
    .map((bottling) => {
      const facts = factsOf(s, { bottling, sizeL: bottling.bottles[0]!.sizeL }, belief);
      const drink = windowOf(s, bottling, facts);
      return {
        batchId: s.id,
        name: s.name,
        startedAt: s.startedAt,
        zone: s.zone,
        bottling,
        facts,
        drink,
        age: ageOf(drink, at),
        danger: dangers.find((d) => d.bottlingId === bottling.eventId) ?? null,
        liking:
          s.tastings.findLast(
            (t) =>
              t.at >= bottling.at &&
              t.liking !== null &&
              (t.bottleId ?? bottling.eventId) === bottling.eventId
          )?.liking ?? null,
        costEach: bottling.count > 0 ? bottling.cost / bottling.count : 0
      };
    });

/** How many bottles leave it in a month, by the last half year; 0 where none did. */
export function paceOf(b: Bottling, at: number): number {
  const since = Math.max(b.at, at - 6 * MONTH);
  const gone = b.gone.filter((g) => g.at >= since && g.how !== 'broken').reduce((n, g) => n + g.count, 0);
  return gone / Math.max(1, (at - since) / MONTH);
}

/**
 * How many bottles are left when a wine comes to its best, if they go on going as they have; those of today when it is
 * there. Whole bottles, never under none.
 */
export function leftForBest(
  { bottling: b, drink: w }: Pick<CellarWine, 'bottling' | 'drink'>,
  at: number
): number {
  const months = Math.max(0, (w.bestFrom - at) / MONTH);
  return Math.max(0, Math.round(b.left - paceOf(b, at) * months));
}

/** Nearer to its end than this a wine is to be drunk now, months. Ours. */
const SOON = 2;

/** Why a wine is to be drunk now, the most pressing first; null where it can wait, or is not to be drunk. */
export function drinkNow(w: CellarWine, at: number): 'fading' | 'last-month' | 'best' | null {
  if (w.danger) return null;
  if (w.age === 'fading' || w.age === 'past') return 'fading';
  if (w.age !== 'best') return null;
  return w.drink.bestTo - at < SOON * MONTH ? 'last-month' : 'best';
}

/** What to drink this month: what fades first, then what is at the end of its best, then what is best and most plenty. */
export function toDrink(wines: readonly CellarWine[], at: number): CellarWine[] {
  const rank = { fading: 0, 'last-month': 1, best: 2 } as const;
  return wines
    .flatMap((w) => {
      const why = drinkNow(w, at);
      return why === null ? [] : [{ w, why }];
    })
    .sort(
      (a, b) =>
        rank[a.why] - rank[b.why] || a.w.drink.last - b.w.drink.last || b.w.bottling.left - a.w.bottling.left
    )
    .map((x) => x.w);
}

/** Bottles and litres by the year the wine was begun, newest first. */
export function byYear(wines: readonly CellarWine[], yearOf: (at: number, zone: string) => number) {
  const years = new Map<number, { year: number; bottles: number; litres: number; value: number }>();
  for (const w of wines) {
    const year = yearOf(w.startedAt, w.zone);
    const row = years.get(year) ?? { year, bottles: 0, litres: 0, value: 0 };
    row.bottles += w.bottling.left;
    row.litres += w.bottling.bottles.reduce((n, b) => n + b.left * b.sizeL, 0);
    row.value += w.costEach * w.bottling.left;
    years.set(year, row);
  }
  return [...years.values()].sort((a, b) => b.year - a.year);
}
