import { YIELD } from './convert';

/**
 * How a must ferments over time: living yeast, nitrogen, sugar, alcohol and warmth. Growth by the nitrogen there is,
 * uptake by the yeast and the sugar, both slowed by alcohol, with the yeast's tolerance as the wall.
 * @source shape as in nitrogen-limited wine models: Cramer et al. 2002, Biotechnol. Bioeng. 77; Coleman, Fish & Block
 * 2007, Appl. Environ. Microbiol. 73 (both from memory). The parameters are ours, fitted to common practice, and are
 * checked against it in model.test.ts.
 */

/** One must at one moment: concentrations in a litre. */
export type Brew = {
  /** living yeast, g/L dry weight */
  yeastGL: number;
  /** nitrogen that yeast can take, mg/L */
  nitrogenMgL: number;
  /** hexose, g/L */
  sugarGL: number;
  /** ethanol, g/L */
  ethanolGL: number;
};

/** How a ferment goes: one yeast in one cellar. */
export type Pace = {
  tempC: number;
  /** the temperature under which this yeast hardly works, °C */
  coldC: number;
  /** ethanol at which it stops, g/L */
  wallGL: number;
  /** how brisk this one is against the usual: 1 */
  vigour: number;
};

/** Growth an hour at 20 °C with nitrogen to spare. Ours. */
const GROWTH = 0.16;
/** Grams of hexose that a gram of yeast takes in an hour at 20 °C, with room around it. Ours. */
const UPTAKE = 0.75;
/** Yeast that crowds itself to half that, g/L: a must fed ever so well falls some 25 points a day. Ours. */
const CROWD_GL = 5;
/** Sugar and nitrogen at half pace, g/L and mg/L. Ours. */
const HALF_SUGAR = 8;
const HALF_NITROGEN = 25;
/** Milligrams of nitrogen in a gram of yeast grown. Ours, after 8–10 % nitrogen in dry yeast, part of it taken up as such. */
const NITROGEN_IN_YEAST = 38;
/** Yeast that dies an hour, at the wall, at 20 °C; below it far fewer. Ours. */
const DEATH = 0.004;
/** What warms by ten degrees goes so many times as fast. Common practice: about twice. */
const PER_TEN_DEGREES = 2.1;
/** Above this yeast suffers, °C. Common practice. */
const TOO_HOT_C = 33;

/**
 * How fast yeast works at a temperature against 20 °C; it fades out within five degrees below where it hardly works.
 * @example warmth(25, 14) // 1.4491
 */
export function warmth(tempC: number, coldC: number): number {
  const faster = PER_TEN_DEGREES ** ((Math.min(tempC, TOO_HOT_C) - 20) / 10);
  const fades = Math.min(1, Math.max(0, (tempC - coldC + 5) / 5));
  const hot = Math.min(1, Math.max(0, (TOO_HOT_C + 7 - tempC) / 7));
  return faster * fades * hot;
}

/** Ethanol from a gram of hexose, g: the yield that the ledger keeps mass by. */
const ETHANOL = YIELD.ethanol[1];
/** Hours of one step at the pace of 20 °C: while yeast still grows, once it is grown, and at the end. */
const STEP_H = { young: 4, old: 20, last: 40 } as const;
/** With less sugar than this all goes slowly, g/L. */
const SLOW_GL = 6;
/** Nitrogen under which hardly any yeast grows any more, mg/L. */
const SPENT_MG = 2;
/** Less sugar than this is none, g/L; so near its wall a yeast has stopped; less yeast than this does nothing, g/L. */
export const NOTHING_GL = 0.05;
const AT_WALL = 0.999;
const NO_YEAST_GL = 1e-3;
/** A fourth-order step weighs its four looks so. */
const LOOKS = [0, 0.5, 0.5, 1] as const;
const WEIGHTS = [1 / 6, 1 / 3, 1 / 3, 1 / 6] as const;

/**
 * How fast a must moves at the pace of 20 °C, an hour: yeast, nitrogen, sugar, each in its unit. Written into `out`:
 * this runs some hundred thousand times for one forecast.
 */
export function rates(
  yeastGL: number,
  nitrogenMgL: number,
  sugarGL: number,
  ethanolGL: number,
  wallGL: number,
  out: Float64Array
): void {
  const full = ethanolGL / wallGL;
  // Room for alcohol: 1 with none, 0 at the wall.
  const cube = full * full * full;
  const room = full >= 1 ? 0 : 1 - cube;
  const fed = sugarGL > 0 ? sugarGL / (HALF_SUGAR + sugarGL) : 0;
  const nourished = nitrogenMgL > 0 ? nitrogenMgL / (HALF_NITROGEN + nitrogenMgL) : 0;
  const grown = GROWTH * nourished * room * fed * yeastGL;
  const killed = full >= 1 ? 1 : cube * cube;
  out[0] = grown - DEATH * killed * yeastGL;
  out[1] = -NITROGEN_IN_YEAST * grown;
  out[2] = -UPTAKE * room * fed * (yeastGL / (1 + yeastGL / CROWD_GL));
}

const look = new Float64Array(3);

/**
 * The must after some hours: Runge–Kutta of the fourth order, in smaller steps while the yeast grows.
 * @param brew is changed in place
 * @param hours 0 or more
 * @returns hexose that went, g/L
 * @example goOn({ yeastGL: 0.15, nitrogenMgL: 150, sugarGL: 200, ethanolGL: 0 }, { tempC: 22, coldC: 14, wallGL: 114, vigour: 1 }, 240) // 199.96
 */
export function goOn(brew: Brew, pace: Pace, hours: number): number {
  // Warmth and vigour move all alike: they are another clock.
  let left = hours * pace.vigour * warmth(pace.tempC, pace.coldC);
  const { wallGL } = pace;
  const before = brew.sugarGL;
  let x = brew.yeastGL;
  let n = brew.nitrogenMgL;
  let s = brew.sugarGL;
  let e = brew.ethanolGL;
  while (left > 1e-9 && s > NOTHING_GL && e < AT_WALL * wallGL && x > NO_YEAST_GL) {
    const step = n > SPENT_MG ? STEP_H.young : s > SLOW_GL ? STEP_H.old : STEP_H.last;
    // Much yeast at little sugar: no step may be longer than the sugar lasts.
    const h = Math.min(left, step, (1.5 * (HALF_SUGAR + s)) / (UPTAKE * x));
    let dx = 0;
    let dn = 0;
    let ds = 0;
    for (let k = 0; k < 4; k++) {
      const to = h * LOOKS[k]!;
      rates(
        x + to * look[0]!,
        n + to * look[1]!,
        s + to * look[2]!,
        e - to * look[2]! * ETHANOL,
        wallGL,
        look
      );
      dx += WEIGHTS[k]! * look[0]!;
      dn += WEIGHTS[k]! * look[1]!;
      ds += WEIGHTS[k]! * look[2]!;
    }
    const gone = Math.min(s, -h * ds);
    // No more yeast grows than there is nitrogen for, however long the step.
    const eaten = Math.min(n, -h * dn);
    x = Math.max(0, x + h * dx - (-h * dn - eaten) / NITROGEN_IN_YEAST);
    n -= eaten;
    s -= gone;
    e += gone * ETHANOL;
    left -= h;
  }
  brew.yeastGL = x;
  brew.nitrogenMgL = n;
  brew.sugarGL = s;
  brew.ethanolGL = e;
  return before - s;
}
