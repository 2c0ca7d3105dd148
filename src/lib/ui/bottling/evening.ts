import { bottledL, bottlesFor, vesselsToBottle, weakest, type BottleRow } from '$core/finish/bottling';
import { checkBottling, type BottlingCheck } from '$core/finish/judge';
import { prime, type Priming } from '$core/finish/prime';
import { clarityOf } from '$core/ledger/state';
import { likelyStock } from '$core/belief/likely-stock';
import { abvOf } from '$core/ferment/convert';
import { fillL, type Fill } from '$core/ledger/fill';
import { BOTTLES } from '$core/tables/bottles';
import type { Batch } from '$lib/store/household.svelte';
import { counted } from '$core/units/format';
import { explain } from '../words/own-units';
import { sizeText } from '$core/tables/bottles';
import { rowsOf, type DAY } from './day';

/** All that an evening of bottling speaks of. */
export type Evening = {
  fill: Fill | null;
  /** litres of it that come into bottles */
  litres: number;
  rows: BottleRow[];
  leftL: number;
  fizz: number;
  isClear: boolean;
  priming: Priming | { error: string } | null;
  primingGL: number;
  judged: BottlingCheck | null;
  /** whether it must not go into these bottles */
  isStopped: boolean;
  vessels: ReturnType<typeof vesselsToBottle>;
  kit: string[];
};

/**
 * The evening by what was said of it so far.
 * @param kinds the bottles this household used last, while none were said
 */
export function eveningOf(batch: Pick<Batch, 'state' | 'standing'>, f: typeof DAY, kinds: string): Evening {
  const s = batch.state;
  const belief = batch.standing.belief;
  const fill = s.fills.find((x) => x.vesselId === f.from) ?? null;
  const saysClear = (x: Fill) =>
    x.vesselId === f.from && f.clear !== '' ? f.clear === 'yes' : clarityOf(s, x.vesselId) === 'clear';
  const isClear = !!fill && saysClear(fill);
  const litres = fill ? bottledL(fillL(fill)) : 0;
  const chosen = rowsOf(f.rows || kinds);
  const { rows, leftL } = bottlesFor(litres, chosen);
  const type = weakest(rows.filter((r) => r.count > 0).map((r) => r.type));
  const check = (primingGL: number) =>
    fill ? checkBottling(s, type, primingGL, isClear, fill.vesselId, belief) : null;
  const fizz = Number(f.fizz) || 0;
  let priming: Evening['priming'] = null;
  if (fill && fizz > 0)
    try {
      priming = prime({
        volumeL: litres,
        abv: abvOf(likelyStock(fill, belief)),
        tempC: s.warmestC ?? 20,
        hexoseGL: check(0)!.reachable.hexoseGL,
        want: { bar20: fizz }
      });
    } catch (e) {
      priming = { error: explain(e) };
    }
  const primingGL = priming && 'sugarGL' in priming ? priming.sugarGL : 0;
  const judged = check(primingGL);
  return {
    fill,
    litres,
    rows,
    leftL,
    fizz,
    isClear,
    priming,
    primingGL,
    judged,
    isStopped: judged?.verdict.level === 'stop' || (priming !== null && 'error' in priming),
    vessels: vesselsToBottle(s, weakest(chosen.map((r) => r.type)), saysClear, belief),
    kit: kitFor(rows, primingGL)
  };
}

function kitFor(rows: readonly BottleRow[], primingGL: number): string[] {
  const used = rows.filter((r) => r.count > 0);
  const closures = new Map<string, number>();
  for (const r of used)
    closures.set(BOTTLES[r.type].closures, (closures.get(BOTTLES[r.type].closures) ?? 0) + r.count);
  return [
    ...used.map(
      (r) => `${counted(r.count, 'bottle')} of ${sizeText(r.sizeL)}, ${BOTTLES[r.type].name.toLowerCase()}`
    ),
    ...[...closures].map(([name, n]) =>
      name === 'corks' ? `${n + 1} corks, one to spare, soaked in clean warm water` : `${n} ${name}`
    ),
    'siphon, and its clip',
    'corker or capper',
    'a glass for the taster',
    'pen and labels',
    ...(primingGL > 0 ? ['sugar, weighed, dissolved in a cup of boiled water'] : [])
  ];
}

/** Bottles that are made for so much gas, in place of those that are not. */
export const strongerFor = (bar: number): BottleRow =>
  bar <= BOTTLES.crown.ratingBar
    ? { sizeL: 0.5, type: 'crown', count: 0 }
    : { sizeL: 0.75, type: 'sparkling', count: 0 };
