import { abvOf, ferment } from '../ferment/convert';
import { liquid } from '../liquid/stock';
import { fillL, type Fill, type Read } from './fill';

const DAY = 86_400_000;

/** Gravity counts as still when it has moved no more than this over STILL_DAYS. Common practice. */
export const STILL_SG = 0.001;
export const STILL_DAYS = 3;
/** Gravity at which a ferment has quietened. Common practice: 1.010. */
export const QUIET_SG = 1.01;
/** A stem read by two people, or twice, differs by this much and more; standard deviation. Common practice. */
const STEM_SG = 0.0012;
/** Two readings of a wine that has ended may differ so far by reading alone. */
const SAME_SG = 0.003;

/** How far, in gravity, the unsure things move the dry floor: the matter of fruit by g/L, the yield by % vol. */
const EXTRACT_SD_SG = 0.000065;
const YIELD_SD_SG = 0.000033;
/** So many standard deviations: that a ferment stops just before its end is rare, and a finished wine is common. */
const ONE_SIDED = 2;
/**
 * Bounds of what a dry wine may read over its reckoned floor: two points at least, as fruit differs, and three at
 * most, which is six grams of sugar a litre: more than that in a still bottle is a bar and a half too much.
 */
const SLACK_SG = [0.002, 0.003] as const;
/** A reading that was believed leaves its own error as doubt about the floor, and no more. */
const READ_SLACK_SG = 0.0015;

/** A weight that was written twice too large would hide half of what a sweetener seems to lift. */
const MASKED = 0.5;

export type Stillness = { steady: boolean; days: number };

/** The newest readings that all lie within `within` of each other, oldest first. */
function newestRun(reads: readonly Read[], within: number): Read[] {
  let from = reads.length;
  let [low, high] = [Infinity, -Infinity];
  while (from > 0) {
    const { sg } = reads[from - 1]!;
    [low, high] = [Math.min(low, sg), Math.max(high, sg)];
    if (high - low > within + 1e-9) break;
    from -= 1;
  }
  return reads.slice(from);
}

const daysOf = (run: readonly Read[]): number => (run.length > 1 ? (run.at(-1)!.at - run[0]!.at) / DAY : 0);

/**
 * How long the gravity of one vessel has not moved: days between the first and last of its newest readings
 * that all agree within a point. What was added since starts the count anew.
 */
export function stillnessOf(fill: Pick<Fill, 'reads'>): Stillness {
  const days = daysOf(newestRun(fill.reads, STILL_SG));
  return { steady: days >= STILL_DAYS - 0.1, days };
}

/**
 * Where a wine reads when all its sugar is gone, and how far over that a dry one may still read: what fruit
 * leaves unfermented is known roughly. The low end of a yeast's tolerance has no part in it.
 * @returns null when there is no liquid
 */
export function dryFloor(fill: Fill): { sg: number; slackSg: number; abv: number } | null {
  const dry = ferment(fill.stock, fill.stock.hexoseKg).stock;
  const end = liquid(dry);
  if (!end) return null;
  const abv = abvOf(dry);
  const sd = Math.hypot(
    STEM_SG / Math.SQRT2,
    EXTRACT_SD_SG * ((1000 * fill.extractKg) / end.volumeL),
    YIELD_SD_SG * abv
  );
  const slackSg = Math.max(SLACK_SG[0], Math.min(SLACK_SG[1], ONE_SIDED * sd));
  return { sg: end.sg - MASKED * fill.maskedSg, slackSg: Math.min(slackSg, fill.slackSg ?? slackSg), abv };
}

/**
 * Whether the readings of a vessel show that its sugar is gone: the newest of them, three days apart or more, all
 * lie where the wine ends once there is none, and so does their mean. That they move about there is the stem's doing.
 */
export function readsDry(fill: Fill): {
  isDry: boolean;
  days: number;
  sg: number | null;
  /** whether it reads so low that its sugar is gone, however long it has */
  isAtFloor: boolean;
} {
  const floor = dryFloor(fill);
  const highest = floor ? floor.sg + floor.slackSg : -Infinity;
  const from = fill.reads.findLastIndex((r) => r.sg > highest + 2 * STEM_SG) + 1;
  // What reads far under the floor is a slip until another reading agrees with it.
  const run = fill.reads
    .slice(from)
    .filter(
      (r, _, all) =>
        r.sg >= (floor?.sg ?? 0) - SLIP_SG || all.some((x) => x !== r && Math.abs(x.sg - r.sg) <= 2 * STEM_SG)
    );
  if (!floor || run.length === 0) return { isDry: false, days: 0, sg: null, isAtFloor: false };
  const days = daysOf(run);
  const sg = run.reduce((sum, r) => sum + r.sg, 0) / run.length;
  if (fill.lateKg > 0) {
    // A gram of sugar a litre lifts so much, and as alcohol takes a fifth more away.
    const lift = 1.2 * SG_PER_GL * ((1000 * fill.lateKg) / Math.max(0.01, fillL(fill)));
    if (
      lift < HIDES_SG &&
      sg > floor.sg + AT_FLOOR_SG &&
      Math.max(...fill.reads.map((r) => r.sg)) - sg < FELL * lift
    )
      return { isDry: false, days, sg: null, isAtFloor: false };
  }
  const isAtFloor = sg <= highest + 1e-9;
  return { isDry: isAtFloor && days >= STILL_DAYS - 0.1, days, sg, isAtFloor };
}

/** Readings of one wine that has come to rest lie within so much of each other. */
const AT_REST_SG = 0.004;

/**
 * Whether a vessel was read twice, three days apart, as it came to rest, with no fruit in it, and nothing under which
 * sugar can hide. One reading, and one that speaks of a twin, shows nothing.
 */
export const isSeenAtRest = (fill: Fill, heldKg: number): boolean =>
  daysOf(newestRun(fill.reads, AT_REST_SG)) >= STILL_DAYS - 0.1 &&
  heldKg <= 0.001 * fillL(fill) &&
  fill.maskedSg <= 0;

/** So far under the floor, a reading alone is a slip. */
const SLIP_SG = 0.004;
/** Late sugar that lifts the gravity by no more than this can hide in what is not known of the floor. */
const HIDES_SG = 0.006;
/** At the floor itself there is no room for it. */
const AT_FLOOR_SG = 0.0005;
/** So much of the fall that late sugar makes must have been read for it to be gone. */
const FELL = 0.6;
/** A gram of solids a litre is so much gravity. */
export const SG_PER_GL = 0.000385;

/** Readings that one vessel keeps; more than anybody needs to see that it is still. */
const KEPT_READS = 40;
/** The most that a reading may lie under the floor and still be believed. */
const TEACHES_SG = 0.008;

/**
 * Takes note of a gravity read in this vessel. A reading under the floor is believed, and teaches: the fruit left less
 * behind than the table says. The first counts for half, as it is no surer than the table; the next for a third.
 * @param isUnder whether it lies under the floor
 */
export function noteRead(fill: Fill, at: number, sg: number, isUnder: boolean): void {
  fill.reads.push({ at, sg });
  if (fill.reads.length > KEPT_READS) fill.reads.shift();
  fill.peakAbv = Math.max(fill.peakAbv, abvOf(fill.stock));
  const floor = isUnder ? dryFloor(fill) : null;
  if (!floor) return;
  const run = readsDry(fill).sg;
  if (run !== null && run < floor.sg) lowerFloor(fill, (floor.sg - run) / (fill.reads.length + 1));
}

/**
 * Whether a reading can be of this wine at all. One that is far under its floor is kept aside, and counts once
 * another agrees with it: then it is the must that was not as written.
 */
export function canBeRead(fill: Fill, at: number, sg: number): boolean {
  const floor = dryFloor(fill);
  if (!floor || floor.sg - sg <= TEACHES_SG) return true;
  const agrees = fill.odd !== null && Math.abs(fill.odd.sg - sg) <= 2 * STEM_SG;
  fill.odd = { at, sg };
  return agrees;
}

function lowerFloor(fill: Fill, bySg: number): void {
  const other = fill.stock.solidsKg - fill.stock.fermentableKg;
  const kg = Math.min(0.6 * other, ((bySg / SG_PER_GL) * fillL(fill)) / 1000);
  if (!(kg > 0)) return;
  fill.extractKg = Math.max(0, fill.extractKg - kg);
  fill.stock.solidsKg -= kg;
  fill.stock.waterKg += kg * 0.62;
}

/** How far over the floor a wine was seen to read; null when it never was at it. */
export function seenOver(fill: Fill): number | null {
  const { sg } = readsDry(fill);
  return sg === null ? null : Math.max(0, sg - dryFloor(fill)!.sg);
}

/**
 * Sugar has gone into a vessel: what was read speaks of another wine from now on. But where it was seen at its floor,
 * it is known how dry it reads, and sugar cannot hide in what fruit might have left.
 * @param over what `seenOver` said before; `lateKg` hexose that came once the ferment was thought to be over
 */
export function forgetReads(fill: Fill, over: number | null, lateKg = 0): void {
  if (over === null) fill.lateKg += lateKg;
  else {
    fill.slackSg = Math.min(dryFloor(fill)?.slackSg ?? Infinity, over + READ_SLACK_SG);
    fill.maskedSg = 0;
  }
  fill.reads = [];
}

/**
 * Whether a wine was finished: its sugar shown to be gone, or still at a strength that stops its yeast.
 * @param limitAbv usual tolerance of the strongest yeast in it, % vol; Infinity where nobody knows it, as of wild yeast
 */
export const isFinished = (fill: Fill, limitAbv: number): boolean =>
  readsDry(fill).isDry || (stillnessOf(fill).steady && abvOf(fill.stock) >= limitAbv);

/** Whether the gravity has fallen since the wine was stabilised: then it was not. */
export function hasWoken(fill: Fill): boolean {
  const since = fill.stable?.at ?? Infinity;
  const after = fill.reads.filter((r) => r.at > since).map((r) => r.sg);
  return after.length > 1 && Math.max(...after) - after.at(-1)! > SAME_SG;
}
