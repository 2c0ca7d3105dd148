import { abvOf, ferment } from '../ferment/convert';
import { liquid } from '../must/stock';
import { fillL, type Fill, type Read } from './fill';

const DAY = 86_400_000;

/** Gravity counts as still when it has moved no more than this over STILL_DAYS. Common practice. */
export const STILL_SG = 0.001;
export const STILL_DAYS = 3;
/** A stem read by two people, or twice, differs by this much and more; standard deviation. Common practice. */
const STEM_SG = 0.0012;
/** Two readings of a wine that has ended may differ so far by reading alone. */
const SAME_SG = 0.003;

/** How far, in gravity, the unsure things move the dry floor: the matter of fruit by g/L, the yield by % vol. */
const EXTRACT_SD_SG = 0.000065;
const YIELD_SD_SG = 0.000033;
/** The floor lies within so many standard deviations nineteen times in twenty. */
const ONE_SIDED = 1.7;
/**
 * Bounds of what a dry wine may read over its reckoned floor: two points at least, as fruit differs, and three at
 * most, which is six grams of sugar a litre: more than that in a still bottle is a bar and a half too much.
 */
const SLACK_SG = [0.002, 0.003] as const;
/** A reading that was believed leaves its own error as doubt about the floor, and no more. */
const READ_SLACK_SG = 0.0015;

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
  return { sg: end.sg, slackSg: Math.min(slackSg, fill.slackSg ?? slackSg), abv };
}

/**
 * Whether the readings of a vessel show that its sugar is gone: two of them three days apart or more, that agree as
 * well as a stem can be read, where the wine ends once there is none.
 */
export function readsDry(fill: Fill): { isDry: boolean; days: number; sg: number | null } {
  const run = newestRun(fill.reads, SAME_SG);
  const days = daysOf(run);
  const floor = dryFloor(fill);
  const sg = run.length > 0 ? run.reduce((sum, r) => sum + r.sg, 0) / run.length : null;
  if (!floor || sg === null || days < STILL_DAYS - 0.1) return { isDry: false, days, sg };
  return { isDry: sg <= floor.sg + floor.slackSg + 1e-9, days, sg };
}

/** Readings that one vessel keeps; more than anybody needs to see that it is still. */
const KEPT_READS = 40;

/** Takes note of a gravity read in this vessel: what it says of the floor narrows what is believed later. */
export function noteRead(fill: Fill, at: number, sg: number): void {
  fill.reads.push({ at, sg });
  if (fill.reads.length > KEPT_READS) fill.reads.shift();
  fill.unshownKg = 0;
  const floor = dryFloor(fill);
  if (!floor) return;
  fill.peakAbv = Math.max(fill.peakAbv, abvOf(fill.stock));
  const over = Math.max(0, sg - floor.sg) + READ_SLACK_SG;
  if (over < floor.slackSg) fill.slackSg = over;
}

/** Of the difference between a floor and a reading under it, so much is laid to the fruit: each is as sure as the other. */
const TAUGHT = 0.5;
/** The most that a reading may lie under the floor and still be believed. */
const TEACHES_SG = 0.008;

/**
 * A reading under the floor is believed, and teaches: the fruit left less behind than the table says.
 * @returns false when it is too low for that, and nothing was learned
 */
export function learnFloor(fill: Fill, sg: number): boolean {
  const now = liquid(fill.stock);
  if (!now || now.sg - sg > TEACHES_SG) return false;
  const other = fill.stock.solidsKg - fill.stock.fermentableKg;
  // A gram of solids a litre is 0.385 points.
  const kg = Math.min(0.6 * other, (TAUGHT * (now.sg - sg) * now.volumeL) / 0.385);
  if (kg <= 0) return true;
  fill.extractKg = Math.max(0, fill.extractKg - kg);
  fill.stock.solidsKg -= kg;
  fill.stock.waterKg += kg * 0.62;
  return true;
}

/** Powders count as given together within three days. Common practice: the same evening. */
const TOGETHER_MS = 3 * DAY;

/**
 * Sorbate or sulphite into a vessel. Stabilising is both of them together: what went in at crushing is long bound.
 * @param massG into this vessel
 */
export function givePreserver(
  fill: Fill,
  which: 'sorbate' | 'sulphite',
  massG: number,
  at: number,
  isFinished: boolean
): void {
  const before = fill.given[which];
  fill.given[which] =
    before && at - before.at <= TOGETHER_MS ? { at, massG: before.massG + massG } : { at, massG };
  const { sorbate, sulphite } = fill.given;
  if (!sorbate || !sulphite || Math.abs(sorbate.at - sulphite.at) > TOGETHER_MS) return;
  fill.stable = {
    at: fill.stable && at - fill.stable.at <= TOGETHER_MS ? fill.stable.at : at,
    sorbateG: sorbate.massG,
    sulphiteG: sulphite.massG,
    wasFinished: isFinished || (fill.stable?.wasFinished ?? false)
  };
}

/** Sorbate and sulphite, g/L, at which a finished, clear wine counts as stabilised. Common practice, low ends. */
export const STABLE_SORBATE_GL = 0.2;
export const STABLE_METABISULPHITE_GL = 0.04;

/** Whether a vessel holds enough of both, given together. */
export function hasPreservers(fill: Fill): boolean {
  const litres = Math.max(fillL(fill), 0.01);
  return (
    fill.stable !== null &&
    fill.stable.sorbateG / litres >= STABLE_SORBATE_GL &&
    fill.stable.sulphiteG / litres >= STABLE_METABISULPHITE_GL
  );
}

/**
 * Whether a wine was finished: its sugar shown to be gone, or still at a strength that stops its yeast.
 * @param tolerance low–usual–high of the strongest yeast in it, % vol
 */
export const isFinished = (fill: Fill, tolerance: readonly [number, number, number]): boolean =>
  readsDry(fill).isDry || (stillnessOf(fill).steady && abvOf(fill.stock) >= tolerance[0]);

/** Whether the gravity has fallen since the wine was stabilised: then it was not. */
export function hasWoken(fill: Fill): boolean {
  const since = fill.stable?.at ?? Infinity;
  const after = fill.reads.filter((r) => r.at > since).map((r) => r.sg);
  return after.length > 1 && Math.max(...after) - after.at(-1)! > SAME_SG;
}
