import { inC } from '../units/say';
import { normalQuantile } from '../maths/draw';
import { brixFromSg } from '../liquid/sugar';
import { potentialAbv, printedPotential } from '../ferment/scales';
import {
  type CauseId,
  type Puzzle,
  READING_SD,
  FERMENTS_H,
  DONE_H,
  bell,
  between,
  above,
  points,
  gravity,
  stemAt,
  tempThatShows,
  couldBe,
  swapped,
  NOTABLE
} from './likelihood';

export type Suspect = { id: CauseId; weight: number; says: string; test: string };

export type Verdict = {
  suspects: Suspect[];
  /** higher than all the sugar that went in could ever read */
  cannotBeSugar: boolean;
  /** nothing out of the ordinary */
  isFine: boolean;
};

/** Equal parts of a normal, about its middle, in its standard deviations. */
const SHARES = Array.from({ length: 24 }, (_, i) => normalQuantile((i + 0.5) / 24));

/** What another scale, or a misplaced point, makes of a gravity: what it is, the figure, and how sharp that is; points. */
function scalesOf(base: number): [string, number, number][] {
  const sg = Math.max(1, 1 + base / 1000);
  const [brix, potential, printed] = [brixFromSg(sg), potentialAbv(sg), printedPotential(sg)];
  return [
    [`${brix.toFixed(0)} on the °Bx scale`, brix, 1.2],
    [`${potential.toFixed(0)} on the potential-alcohol scale`, potential, 1.1],
    [`${printed.toFixed(0)} on the potential-alcohol scale`, printed, 1.1],
    ['a misplaced point', base / 10, 0.8],
    ['a misplaced point', base * 10, 8]
  ];
}

/** More likely than this no true reading, it is asked about. */
const DOUBTED = 0.5;

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
  // Once it may ferment, it is judged by where its possible wines have it by now.
  const { believed } = p;
  const base = believed ? points(believed.sg.likely) : ferments ? points(p.before!.sg) : all;
  const baseSd = believed
    ? Math.hypot(READING_SD, (1000 * (believed.sg.high - believed.sg.low)) / 2.56)
    : ferments
      ? READING_SD * 1.4
      : sd;
  const gap = none === null ? 0 : none - all;
  const stillHeld = p.hasFruit ? 1 - p.shareGiven : 0;
  const mean = believed || ferments ? base : all + gap * stillHeld;
  const off = x - base;
  /** Where it may truly stand, each for an equal share of the possible wines; by the sums where they were not asked. */
  const truths = believed
    ? believed.truths.map(points)
    : SHARES.map((z) => base + z * (ferments ? READING_SD : tableSd));
  const fit = (of: (truth: number) => number) =>
    truths.reduce((sum, truth) => sum + of(truth), 0) / truths.length;

  const all_: Hypothesis[] = [];
  const add = (id: CauseId, prior: number, likelihood: number, says: string, test: string) => {
    if (prior > 0) all_.push({ id, prior, likelihood: likelihood + 1e-12, says, test });
  };

  add(
    'plain',
    ferments ? 0.15 : 0.34,
    fit((t) => bell(x, t, READING_SD)),
    'A plain reading: within what reading and fruit vary.',
    'Spin the stem and read again at eye level.'
  );

  if (!ferments && p.hasFruit && Math.abs(gap) > 2)
    add(
      'fruit',
      0.08 + 0.42 * stillHeld,
      fit((t) => bell(x, t + gap * stillHeld, Math.hypot(READING_SD, 0.22 * Math.abs(gap)))),
      `The fruit has not let go yet: ${gravity(none!)} before it gives, ${gravity(all)} once it has.`,
      'Stir, wait a day and read again: it will have moved towards the lower of the two.'
    );

  if (p.withoutSugar !== null && (!ferments || p.mixedH < 36)) {
    const sugarPoints = base - points(p.withoutSugar);
    if (sugarPoints > 3) {
      const young = p.mixedH < 36 ? 1 : 0.25;
      const care = p.stirred === true ? 0.15 : p.stirred === false ? 2.5 : 1;
      const low = fit((t) => between(x, t - 0.85 * sugarPoints, t - 0.08 * sugarPoints));
      const high = fit((t) => between(x, t + 0.06 * sugarPoints, t + 0.9 * sugarPoints));
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
      fit((t) => above(x, t + (mean - base) + 1.5, 5)),
      ferments ? 'Bubbles or pulp hold the stem up.' : 'Pulp or foam holds the stem up.',
      'Strain the sample, spin the stem hard to shake bubbles off, read again.'
    );

  if (p.tempC === null) {
    // Warm more often than cold; a must made with boiling water much more often.
    const warm = p.wasHeated && p.mixedH < 30 ? 0.3 : p.mixedH < 12 ? 0.12 : 0.04;
    const warmFit = fit((truth) => {
      let sum = 0;
      for (let t = 26; t <= 60; t += 2)
        sum +=
          bell(x, stemAt(truth + (mean - base), t, p.calibratedC), READING_SD) *
          bell(t, p.wasHeated ? 42 : 32, 9) *
          2;
      return sum;
    });
    const wasAt = tempThatShows(p.sg, 1 + mean / 1000, p.calibratedC);
    add(
      'temperature',
      warm + 0.02,
      warmFit,
      wasAt === null
        ? 'Not corrected for temperature.'
        : `Not corrected for temperature: at about ${inC(wasAt, 0)} the stem shows this in ${gravity(mean)}.`,
      'Take the temperature of the sample, or cool it to the mark on the stem.'
    );
  }

  {
    const fits = scalesOf(base);
    const [best, ,] = [...fits].sort((a, b) => bell(x, b[1], b[2]) - bell(x, a[1], a[2]))[0]!;
    add(
      'scale',
      base > 12 ? 0.09 : 0.02,
      fit((t) => scalesOf(t).reduce((sum, [, at, width]) => sum + bell(x, at, width), 0) / 3),
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
    const likelihood = fit((t) =>
      volumes.reduce(
        (sum, [factor, width, share]) => sum + share * bell(x, t / factor, Math.hypot(READING_SD, t * width)),
        0
      )
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
    const digits = truths.flatMap(swapped);
    const likelihood =
      (sugarPoints > 3
        ? fit((t) =>
            factors.reduce((sum, f) => sum + bell(x, t + (f - 1) * sugarPoints, 1.2 * READING_SD), 0)
          ) * 0.16
        : 0) +
      fit((t) => swapped(t).reduce((sum, d) => sum + bell(x, d, 0.8), 0)) * 0.3 +
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
    isFine: believed
      ? believed.doubt <= DOUBTED
      : Math.abs(x - mean) < Math.max(NOTABLE, 1.5 * baseSd) ||
        (ranked[0]!.id === 'fermenting' && ferments) ||
        (!ferments && couldBe(p, x)) ||
        (ranked[0]!.id === 'fermenting' && (p.pitchedH ?? 0) > FERMENTS_H) ||
        (ranked[0]!.id === 'plain' && ranked[0]!.weight > 0.5)
  };
}
