import { abvRange } from '../ferment/alcohol';
import { contents, fermentedOf, isBegun, standingFills, type BatchState } from '../ledger/state';
import { liquid } from '../liquid/stock';
import { sweetnessWord } from '../units/format';
import { dayOf } from '../units/zone';
import type { Belief } from './believe';
import type { Course, Later } from './course';
import type { Standing } from './standing';

// What lists tell of a later day, by what is kept: no possible wine is followed for it.

const DAY = 86_400_000;

type Figures = { [key: string]: number | Figures };

/** Between two sets of the same figures, straight. */
const between = <T extends Figures>(a: T, b: T, share: number): T =>
  Object.fromEntries(
    Object.entries(a).map(([k, x]) => {
      const y = b[k]!;
      return [k, typeof x === 'number' ? x + share * ((y as number) - x) : between(x, y as Figures, share)];
    })
  ) as T;

/** What is told at a moment, ms, by the days for which it was reckoned: the same wherever it is asked. */
export function courseAt({ from, later }: Course, at: number): Omit<Later, 'd'> | null {
  const days = Math.max(0, (at - from) / DAY);
  const n = later.findLastIndex((l) => l.d <= days);
  const [a, b] = [later[n], later[n + 1]];
  return a && b ? between(a, b, (days - a.d) / (b.d - a.d)) : (a ?? null);
}

const unsureKgOf = (s: BatchState): number => standingFills(s).reduce((sum, f) => sum + f.unsureKg, 0);

/** What of a standing goes by its possible wines, once it may ferment: a reading speaks of its own day. */
export function byBelief(
  s: BatchState,
  belief: Belief | null
): Pick<Standing, 'belief' | 'abv' | 'residualGL' | 'sweetness' | 'sugarKg'> {
  const stock = contents({ fills: standingFills(s) });
  const now = liquid(stock);
  const believed = isBegun(s) ? belief : null;
  const byLedgerGL = now ? (1000 * stock.hexoseKg) / now.volumeL : 0;
  const residualGL = believed ? believed.sugarGL.likely : byLedgerGL;
  const sugarKg = stock.hexoseKg + fermentedOf(s);
  const leftKg = believed && now ? Math.min(sugarKg, (residualGL * now.volumeL) / 1000) : stock.hexoseKg;
  return {
    belief,
    abv: believed?.abv ?? abvRange(stock, unsureKgOf(s)),
    residualGL,
    sweetness: sweetnessWord(residualGL),
    sugarKg: { turned: sugarKg - leftKg, dissolved: leftKg, held: s.held.hexoseKg }
  };
}

/**
 * Where a batch stands at the moment of its state: the day, and the strength and sugar that its course foresees for that
 * moment. A page, which has the events, and lists, which have only the summary, show the same figures by it.
 */
export function standingAt(s: BatchState, standing: Standing, course: Course | null): Standing {
  const day = dayOf(s.at, s.startedAt, s.zone);
  const then = course && courseAt(course, s.at);
  if (!standing.belief || !then) return { ...standing, day };
  const one = s.fills.length === 1 ? { [s.fills[0]!.vesselId]: then.told } : then.vessels;
  const vessels = { ...standing.belief.vessels, ...one };
  return { ...standing, day, ...byBelief(s, { ...standing.belief, ...then.told, vessels }) };
}
