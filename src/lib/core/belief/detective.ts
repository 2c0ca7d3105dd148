import { waterDensity } from '../liquid/water';
import { brixFromSg } from '../liquid/sugar';
import { potentialAbv, printedPotential } from '../ferment/scales';

/** What people meet when a gravity makes no sense. */
export type CauseId =
  'plain' | 'fruit' | 'layered' | 'pulp' | 'temperature' | 'scale' | 'volume' | 'fermenting' | 'typed';

/** All there is to know about a reading that is to be judged. */
export type Puzzle = {
  /** gravity as it would count: corrected where a temperature is known */
  sg: number;
  /** temperature of the sample, °C; null when nobody took it */
  tempC: number | null;
  /** what the stem is marked for, °C */
  calibratedC: number;
  /** what the sums say once the fruit has given everything, with its 8-in-10 range */
  expected: { low: number; likely: number; high: number };
  /** before the fruit has given anything; null when nothing was poured */
  noneGiven: number | null;
  /** share of what the fruit holds that should be out by now; 1 without fruit */
  shareGiven: number;
  /** whether fruit or pulp stands in the must */
  hasFruit: boolean;
  /** gravity of the must if no dry sugar, honey or syrup had dissolved at all; null when none went in */
  withoutSugar: number | null;
  /** hours since the must was mixed, and since the yeast; null when it has none */
  mixedH: number;
  pitchedH: number | null;
  /** made with boiling water or simmered, so the sample may be warm */
  wasHeated: boolean;
  /** the reading before, while it ferments, and where the ferment should end */
  before?: { sg: number; hours: number; finishSg: number } | undefined;
  /** where it should end, for a wine that was never read while it fermented */
  finishSg?: number | undefined;
  /** what the reader says of the sample */
  strained?: boolean | undefined;
  stirred?: boolean | undefined;
  from?: 'top' | 'bottom' | undefined;
};

export type Suspect = { id: CauseId; weight: number; says: string; test: string };
export type Verdict = {
  suspects: Suspect[];
  /** higher than all the sugar that went in could ever read */
  cannotBeSugar: boolean;
  /** nothing out of the ordinary */
  isFine: boolean;
};

/** A reading's own error, points. Common practice: ±0.002. */
const READING_SD = 1.6;
/** After so many hours of yeast a fall is no surprise; after so many it may have ended. Common practice. */
const FERMENTS_H = 48;
const DONE_H = 240;
/** Points over or under which a reading is worth a word. */
const NOTABLE = 4;

const bell = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * 2.5066);
/** Even between two ends, softened by the reading's error. */
const between = (x: number, a: number, b: number, sd = READING_SD): number => {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  if (high - low < 1e-9) return bell(x, low, sd);
  const step = (t: number) => 1 / (1 + Math.exp((-1.7 * t) / sd));
  return (step(x - low) - step(x - high)) / (high - low);
};
/** Always upward from `x0`, seldom far. */
const above = (x: number, x0: number, mean: number): number =>
  x < x0 ? bell(x, x0, READING_SD) * 0.3 : Math.exp(-(x - x0) / mean) / mean;

const points = (sg: number): number => (sg - 1) * 1000;
const gravity = (pts: number): string => (1 + pts / 1000).toFixed(3);

/** What a stem shows, in points, in a sample of true gravity `pts` at `tempC`. */
const stemAt = (pts: number, tempC: number, calibratedC: number): number =>
  points((1 + pts / 1000) * (waterDensity(tempC) / waterDensity(calibratedC)));

/** The temperature at which a stem would show `sg` in a sample of `trueSg`, °C; null outside 0–60. */
function tempThatShows(sg: number, trueSg: number, calibratedC: number): number | null {
  for (let t = 0; t <= 60; t += 0.5) {
    const shown = stemAt(points(trueSg), t, calibratedC);
    const next = stemAt(points(trueSg), t + 0.5, calibratedC);
    if ((shown - points(sg)) * (next - points(sg)) <= 0) return t;
  }
  return null;
}

type Hypothesis = { id: CauseId; prior: number; likelihood: number; says: string; test: string };

/**
 * Why a reading is not what the sums say: the explanations people meet, weighed by how often each is met
 * and how well it fits. Bayes' rule; the priors are common practice, ours, and tested on named cases.
 * @param p the reading and its circumstances; gravities 20/20
 * @returns the two or three that fit, heaviest first, each with one cheap thing that tells it apart
 */
export function whyThisReading(p: Puzzle): Verdict {
  const x = points(p.sg);
  const all = points(p.expected.likely);
  const tableSd = Math.max(0.6, points(p.expected.high - p.expected.low + 1) / 2.56);
  const none = p.noneGiven === null ? null : points(p.noneGiven);
  const sd = Math.hypot(tableSd, READING_SD);
  const ferments = p.before !== undefined;
  const base = ferments ? points(p.before!.sg) : all;
  const baseSd = ferments ? READING_SD * 1.4 : sd;
  const gap = none === null ? 0 : none - all;
  const stillHeld = p.hasFruit ? 1 - p.shareGiven : 0;
  const mean = ferments ? base : all + gap * stillHeld;
  const off = x - base;

  const all_: Hypothesis[] = [];
  const add = (id: CauseId, prior: number, likelihood: number, says: string, test: string) => {
    if (prior > 0) all_.push({ id, prior, likelihood: likelihood + 1e-12, says, test });
  };

  add(
    'plain',
    ferments ? 0.15 : 0.34,
    bell(x, base, baseSd),
    'A plain reading: within what reading and fruit vary.',
    'Spin the stem and read again at eye level.'
  );

  if (!ferments && p.hasFruit && Math.abs(gap) > 2)
    add(
      'fruit',
      0.08 + 0.42 * stillHeld,
      bell(x, mean, Math.hypot(sd, 0.22 * Math.abs(gap))),
      `The fruit has not let go yet: ${gravity(none!)} before it gives, ${gravity(all)} once it has.`,
      'Stir, wait a day and read again: it will have moved towards the lower of the two.'
    );

  if (p.withoutSugar !== null && (!ferments || p.mixedH < 36)) {
    const sugarPoints = base - points(p.withoutSugar);
    if (sugarPoints > 3) {
      const young = p.mixedH < 36 ? 1 : 0.25;
      const care = p.stirred === true ? 0.15 : p.stirred === false ? 2.5 : 1;
      const low = between(x, base - 0.85 * sugarPoints, base - 0.08 * sugarPoints);
      const high = between(x, base + 0.06 * sugarPoints, base + 0.9 * sugarPoints);
      const isTop = p.from === 'top' ? 0.95 : p.from === 'bottom' ? 0.1 : 0.72;
      add(
        'layered',
        0.2 * young * care,
        isTop * low + (1 - isTop) * high,
        off < 0
          ? 'Sugar or syrup lies on the bottom: the top reads low.'
          : 'Sugar or syrup lies on the bottom, and the sample came from there.',
        'Stir from the bottom for a full minute and draw from the middle.'
      );
    }
  }

  if (p.strained !== true && (p.hasFruit || ferments))
    add(
      'pulp',
      (p.strained === false ? 0.4 : 0.15) * (ferments ? 1.6 : 1),
      above(x, mean + 1.5, 5),
      ferments ? 'Bubbles or pulp hold the stem up.' : 'Pulp or foam holds the stem up.',
      'Strain the sample, spin the stem hard to shake bubbles off, read again.'
    );

  if (p.tempC === null) {
    // Warm more often than cold; a must made with boiling water much more often.
    const warm = p.wasHeated && p.mixedH < 30 ? 0.3 : p.mixedH < 12 ? 0.12 : 0.04;
    let fit = 0;
    for (let t = 26; t <= 60; t += 2)
      fit += bell(x, stemAt(mean, t, p.calibratedC), baseSd) * bell(t, p.wasHeated ? 42 : 32, 9) * 2;
    const wasAt = tempThatShows(p.sg, 1 + mean / 1000, p.calibratedC);
    add(
      'temperature',
      warm + 0.02,
      fit,
      wasAt === null
        ? 'Not corrected for temperature.'
        : `Not corrected for temperature: at about ${wasAt.toFixed(0)} °C the stem shows this in ${gravity(mean)}.`,
      'Take the temperature of the sample, or cool it to the mark on the stem.'
    );
  }

  {
    const true_ = 1 + base / 1000;
    const [brix, potential] = [brixFromSg(Math.max(1, true_)), potentialAbv(Math.max(1, true_))];
    const printed = printedPotential(Math.max(1, true_));
    const fits: [string, number, number][] = [
      [`${brix.toFixed(0)} on the °Bx scale`, brix, 1.2],
      [`${potential.toFixed(0)} on the potential-alcohol scale`, potential, 1.1],
      [`${printed.toFixed(0)} on the potential-alcohol scale`, printed, 1.1],
      ['a misplaced point', base / 10, 0.8],
      ['a misplaced point', base * 10, 8]
    ];
    const [best, ,] = [...fits].sort((a, b) => bell(x, b[1], b[2]) - bell(x, a[1], a[2]))[0]!;
    add(
      'scale',
      base > 12 ? 0.09 : 0.02,
      fits.reduce((sum, [, at, width]) => sum + bell(x, at, width), 0) / 3,
      best.startsWith('a ')
        ? `A misplaced point: the sums say ${gravity(base)}.`
        : `Read on another scale: the sums say ${best}, which is ${gravity(base)}.`,
      'Look which scale the liquid cuts; three are printed side by side.'
    );
  }

  if (!ferments && base > 8) {
    // Water measured wrong: the same sugar in another volume. UK and US gallons are the usual slip.
    const volumes: [number, number, number][] = [
      [1, 0.16, 0.7],
      [0.8327, 0.02, 0.15],
      [1.2009, 0.02, 0.15]
    ];
    const likelihood = volumes.reduce(
      (sum, [factor, width, share]) => sum + share * bell(x, base / factor, Math.hypot(sd, base * width)),
      0
    );
    const factor = x > 1 ? base / x : NaN;
    const isGallon = Math.abs(factor - 0.8327) < 0.03 || Math.abs(factor - 1.2009) < 0.04;
    add(
      'volume',
      0.12,
      likelihood,
      !Number.isFinite(factor) || factor > 3 || factor < 0.4
        ? 'The volume is not what was written down.'
        : `The volume is off: this reading fits ${(factor * 100).toFixed(0)} % of the water that was written down${isGallon ? ', which is a US gallon taken for a UK one, or the other way' : ''}.`,
      'Measure the depth against the marks of the vessel.'
    );
  }

  {
    const since = p.pitchedH ?? (p.mixedH > 40 ? p.mixedH - 40 : null);
    if (ferments) {
      const { sg, hours, finishSg } = p.before!;
      const floor = Math.min(points(finishSg), points(sg)) - 2;
      const fall = Math.min(points(sg) - floor, 2 + hours * 1.1);
      add(
        'fermenting',
        0.6,
        between(x, points(sg) - fall, points(sg)) * (hours > 0.5 ? 1 : 0.3),
        'The ferment, going on as it should.',
        'Nothing to do: read again in two days.'
      );
    } else if (since !== null && since > 2) {
      const isWild = p.pitchedH === null;
      const drop = Math.min(all + 10, Math.max(1, (since - 8) * 0.45 + 1));
      const floor = points(p.finishSg ?? 0.995) - 2;
      const isOld = since > FERMENTS_H;
      add(
        'fermenting',
        isOld ? 0.6 + 0.4 * Math.min(1, since / DONE_H) : (since > 10 ? 0.32 : 0.1) * (isWild ? 0.5 : 1),
        between(x, Math.max(floor, base - 2.2 * drop - 2), base - 1),
        isOld
          ? `The ferment: by now it can stand anywhere down to ${gravity(floor + 2)}.`
          : 'It has begun to ferment: sugar is going already.',
        isOld
          ? 'Read again in three days: it tells whether it still falls.'
          : 'Look for bubbles and a cap, smell it, and read again tomorrow.'
      );
    }
  }

  {
    // Sugar weighed in pounds and called kilos, half of it forgotten, put in twice; digits the wrong way round.
    const sugarPoints = p.withoutSugar === null || ferments ? 0 : base - points(p.withoutSugar);
    const factors = [2.2046, 1 / 2.2046, 0.5, 2];
    const slips = factors.map((f) => base + (f - 1) * sugarPoints);
    const digits = swapped(base);
    const likelihood =
      (sugarPoints > 3 ? slips.reduce((sum, s) => sum + bell(x, s, sd * 1.2), 0) * 0.16 : 0) +
      digits.reduce((sum, d) => sum + bell(x, d, 0.8), 0) * 0.3 +
      0.0016;
    const slip = sugarPoints > 3 ? factors.find((_, i) => Math.abs(x - slips[i]!) < 2 * sd) : undefined;
    add(
      'typed',
      0.09,
      likelihood,
      digits.some((d) => Math.abs(x - d) < 1.5)
        ? `Digits the wrong way round: the sums say ${gravity(base)}.`
        : slip === undefined
          ? 'Something was weighed or typed wrong.'
          : slip === 0.5
            ? 'Half the sugar is missing: it fits if only half of it went in.'
            : slip === 2
              ? 'It fits if the sugar went in twice.'
              : 'It fits if the sugar was weighed in pounds and written as kilograms, or the other way.',
      'Go through the amounts: what the bags weigh now, and what was written down.'
    );
  }

  const total = all_.reduce((sum, h) => sum + h.prior * h.likelihood, 0);
  const ranked = all_
    .map(({ id, prior, likelihood, says, test }) => ({
      id,
      says,
      test,
      weight: (prior * likelihood) / total
    }))
    .sort((a, b) => b.weight - a.weight);
  const most = Math.max(all, none ?? all, points(p.expected.high));
  return {
    suspects: ranked.filter((h, i) => i < 2 || (i < 3 && h.weight > 0.08)),
    cannotBeSugar: x > most + 3 * READING_SD && (p.withoutSugar === null || x > most + 2 * sd),
    isFine:
      Math.abs(x - mean) < Math.max(NOTABLE, 1.5 * baseSd) ||
      (ranked[0]!.id === 'fermenting' && ferments) ||
      (!ferments && couldBe(p, x)) ||
      (ranked[0]!.id === 'fermenting' && (p.pitchedH ?? 0) > FERMENTS_H) ||
      (ranked[0]!.id === 'plain' && ranked[0]!.weight > 0.5)
  };
}

/** Points a day that the fastest ferment falls. Common practice. */
const FASTEST = 24;

/** Whether a wine that was never read while it fermented could read so by now: from where it began to where it ends. */
function couldBe(p: Puzzle, x: number): boolean {
  const since = p.pitchedH ?? p.mixedH - 40;
  if (since < FERMENTS_H) return false;
  const start = Math.max(points(p.expected.high), points(p.noneGiven ?? p.expected.high));
  const floor = points(p.finishSg ?? 0.995) - 1.5 * NOTABLE;
  const fastest = points(p.expected.low) - (FASTEST * (since - 8)) / 24;
  return x <= start && x >= Math.max(floor, fastest);
}

/** A gravity with two neighbouring figures the wrong way round, in points. */
function swapped(pts: number): number[] {
  const text = Math.round(pts).toString().padStart(3, '0');
  const out: number[] = [];
  for (let i = 0; i + 1 < text.length; i++) {
    const other = Number(text.slice(0, i) + text[i + 1]! + text[i]! + text.slice(i + 2));
    if (other !== Number(text) && other < 200) out.push(other);
  }
  return out;
}
