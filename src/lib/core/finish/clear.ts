import { fillL, type Fill } from '../ledger/fill';
import type { BatchState } from '../ledger/state';
import type { Look } from '../ledger/flow';
import { DOSES, type DoseId } from '../tables/doses';
import { FININGS, type FiningId } from '../tables/finings';

/** What was seen of a haze: three cheap tests. */
export type HazeTests = Pick<Look, 'inSpirit' | 'iodine' | 'heated'>;
export type Haze = 'pectin' | 'starch' | 'protein' | 'yeast';

/** What the tests say clouds it; null until all three were made and one of them spoke. */
export function hazeOf(t: HazeTests): Haze | null {
  if (t.inSpirit === 'strings') return 'pectin';
  if (t.iodine === 'blue') return 'starch';
  if (t.heated === 'flocks') return 'protein';
  return t.inSpirit === 'none' && t.iodine === 'none' && t.heated === 'none' ? 'yeast' : null;
}

/** The test that is still to be made, the cheapest first; null when none is. */
export const nextTest = (t: HazeTests): keyof HazeTests | null =>
  hazeOf(t) !== null ? null : !t.inSpirit ? 'inSpirit' : !t.iodine ? 'iodine' : 'heated';

/** The newest word of each test on a vessel. */
export function testsOf(s: Pick<BatchState, 'looks'>, vesselId: string): HazeTests {
  const last = <K extends keyof HazeTests>(key: K) =>
    s.looks.findLast((l) => l[key] && (l.vesselId === null || l.vesselId === vesselId))?.[key];
  return { inSpirit: last('inSpirit'), iodine: last('iodine'), heated: last('heated') };
}

/** What helps against a haze, the gentlest first; all there is where nobody knows what it is. */
export const helpsAgainst = (haze: Haze | null): FiningId[] =>
  (Object.keys(FININGS) as FiningId[]).filter(
    (id) => haze === null || (FININGS[id].against as readonly Haze[]).includes(haze)
  );

/**
 * Usual grams of each part of a way of clearing that is still to go into a vessel: where the first is in, the second;
 * where both are, both anew.
 */
export function finingG(
  id: FiningId,
  fill: Pick<Fill, 'stock' | 'powdersG'>
): { id: DoseId; massG: number }[] {
  const all: readonly DoseId[] = FININGS[id].parts;
  const left = all.filter((part) => !fill.powdersG[part]);
  return (left.length > 0 ? left : all).map((part) => ({
    id: part,
    massG: DOSES[part].perL[1] * fillL(fill)
  }));
}

/**
 * Litres that go with the lees of it.
 * @example leesL('bentonite', 10) // 0.4
 */
export const leesL = (id: FiningId, volumeL: number): number => FININGS[id].leesShare * volumeL;

/** When anything that clears by falling last went in, ms. */
export function finedAt(s: Pick<BatchState, 'powdersG'>): number | undefined {
  const all = Object.values(FININGS)
    .flatMap((f) => f.falls as readonly string[])
    .flatMap((id) => s.powdersG[id]?.at ?? []);
  return all.length > 0 ? Math.max(...all) : undefined;
}
