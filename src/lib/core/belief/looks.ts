import { goOn, type Brew, type Pace } from '../ferment/model';
import { ETHANOL_20 } from '../liquid/ethanol';
import { BOTTLES, showsLife, type Look } from '../ledger/flow';
import { hasStalled, leftOf, litresOf, randomOf, turn, zeros, type Cell } from './ensemble';
import type { Running } from './running';
import { bell } from './likelihood';
import { reweighed, tail } from './weigh';

/** Gas that a gram of hexose gives, g, and a litre of it at room warmth, g. Gay-Lussac; handbooks (from memory). */
const GAS_G = 0.49;
const GAS_G_PER_L = 1.84;
/** The usual bubble of an airlock, L. Common practice: about a millilitre; each airlock's own is learnt. */
const BUBBLE_L = 0.001;
/** Bubbles a minute that warming and splashing let go by themselves, and how often that is all there is. Ours. */
const BY_ITSELF = 0.3;
const OFTEN_BY_ITSELF = 0.15;
/** How far a count is off the pace it tells of, in its logarithm. Ours. */
const COUNT_SD = 0.5;

/** Sugar in g/L between the words: dry under about 6, a little sweet to 25, with overlap. Common practice. */
const DRY_GL = 6;
const SWEET_GL = 25;

const brew: Brew = { yeastGL: 0, nitrogenMgL: 0, sugarGL: 0, ethanolGL: 0 };
const pace: Pace = { tempC: 0, coldC: 0, wallGL: 0, vigour: 0 };

/** How much hexose goes in a member just now, g in a litre and hour. */
export function paceGL(r: Running, c: Cell, i: number): number {
  const litres = litresOf(c, i);
  if (litres <= 0 || c.isHeld || hasStalled(c, i) || r.at < r.e.startsAt[i]!) return 0;
  brew.yeastGL = c.yeastG[i]! / litres;
  brew.nitrogenMgL = c.nitrogenMg[i]! / litres;
  brew.sugarGL = (1000 * c.hexoseKg[i]!) / litres;
  brew.ethanolGL = (1000 * c.ethanolKg[i]!) / litres;
  pace.tempC = r.tempC + r.e.warmerC[i]!;
  pace.coldC = r.coldC;
  pace.vigour = r.e.vigour[i]!;
  pace.wallGL = c.wallAbv[i]! * 10 * ETHANOL_20;
  return goOn(brew, pace, 1);
}

/** 0 far below `at`, 1 far above, steeper with `power`. */
const rises = (x: number, at: number, power: number): number => {
  const t = (Math.max(0, x) / at) ** power;
  return t / (1 + t);
};

/** Sugar that goes in a litre and hour, g, where an airlock still shows it at a glance. Our estimate. */
const STOPPED_GLH = 0.12;

/** How likely one member shows what was seen. */
function likelihoodOf(
  look: Look,
  sugarGL: number,
  rate: number,
  goneShare: number,
  litres: number,
  bubble: number
): number {
  let p = 1;
  if (look.bubbles) {
    const { count, seconds } = look.bubbles;
    const perMinute = (rate * litres * GAS_G) / GAS_G_PER_L / 60 / (BUBBLE_L * bubble) + 0.01;
    const seen = (60 * Math.max(1, count)) / seconds;
    const far = Math.log(seen / perMinute);
    p *=
      count === 0
        ? 0.9 * tail(far / COUNT_SD) + 0.02
        : (1 - OFTEN_BY_ITSELF) * bell(far, 0, COUNT_SD) +
          OFTEN_BY_ITSELF * bell(Math.log(seen / BY_ITSELF), 0, 1.2);
  }
  if (look.cap === 'up') p *= 0.05 + 0.95 * rises(rate, 0.25, 1.5);
  if (look.cap === 'falling') p *= 0.1 + 0.9 * rises(goneShare, 0.3, 3) * (1 - 0.5 * rises(rate, 1.5, 3));
  if (look.cap === 'fallen') p *= 0.05 + 0.95 * rises(goneShare, 0.35, 3) * (1 - rises(rate, 0.9, 2));
  if (look.foam === 'over') p *= 0.05 + 0.95 * rises(rate, 0.7, 2);
  if (look.foam === 'some') p *= 0.1 + 0.9 * rises(rate, 0.15, 1);
  if (look.foam === 'none') p *= 0.15 + 0.85 * (1 - rises(rate, 0.8, 2));
  if (look.taste) {
    const [dry, sweet] = [1 - rises(sugarGL, DRY_GL, 3), rises(sugarGL, SWEET_GL, 4)];
    p *=
      0.03 +
      0.94 * (look.taste === 'dry' ? dry : look.taste === 'sweet' ? sweet : Math.max(0, 1 - dry - sweet));
  }
  // A fermenting wine does not clear; a cloudy one may have ended long ago.
  if (look.clarity === 'clear') p *= 0.02 + 0.98 * (1 - rises(rate, 0.02, 1.5));
  // Seen to have stopped, for how long nobody said: no more than a short look at the airlock.
  if (look.stillDays === 0) p *= 0.1 + 0.9 * (1 - rises(rate, STOPPED_GLH, 1.5));
  if (look.stillDays !== undefined && look.stillDays > 0)
    p *= 0.04 + 0.96 * (1 - rises(rate, 0.04 / Math.max(1, Math.min(4, look.stillDays / 3)), 1.5));
  return p;
}

/** What a word of taste leaves of sugar, g/L, from – to. As above. */
const TASTES = { dry: [0, 5], 'a-little-sweet': [8, 24], sweet: [28, 80] } as const;
/** Fewer than this among the possible wines taste so: then they have left something out. Ours. */
const SELDOM = 0.06;
/** Of so many it is then let be so, one in eight. Ours. */
const OPENED = 8;

/**
 * Where hardly any member is as sweet as was tasted or measured, some are brought to where it would: what nobody wrote down, and no
 * sum foresaw, may have happened all the same. How likely that is against a tongue's mistake the weights then say.
 */
function openTo(r: Running, cells: readonly Cell[], from: number, to: number): void {
  const { e } = r;
  const isDry = from <= 0;
  const has = (c: Cell, i: number) => {
    const litres = litresOf(c, i);
    const gl = litres > 0 ? (1000 * leftOf(c, i)) / litres : 0;
    return gl >= from - 2 && gl <= to + 20;
  };
  let share = 0;
  for (let i = 0; i < e.size; i++) if (cells.every((c) => has(c, i))) share += e.weight[i]!;
  if (share >= SELDOM) return;
  const random = randomOf(e);
  for (let i = 0; i < e.size; i += OPENED)
    for (const c of cells) {
      const litres = litresOf(c, i);
      const left = ((from + (to - from) * random()) * litres) / 1000;
      const most = isDry ? c.hexoseKg[i]! : Math.max(c.hexoseKg[i]!, c.everKg[i]!);
      turn(c, i, c.hexoseKg[i]! - Math.min(left, most), e.yieldG[i]!);
      c.asleep[i] = isDry ? 0 : 1;
      c.stall[i] = -1;
    }
}

/** What has grown unseen where it works though its yeast should not have begun, g/L; and so many then have. Ours. */
const GROWN_GL = [0.05, 0.5] as const;
const AWAKE = 2;

/**
 * Where it is seen to work and hardly any member has begun, every other one has: yeast that nobody wrote down, or that
 * came by itself, or was quicker than it mostly is.
 */
function openToLife(r: Running, cells: readonly Cell[]): void {
  const { e } = r;
  let begun = 0;
  for (let i = 0; i < e.size; i++) if (e.startsAt[i]! <= r.at) begun += e.weight[i]!;
  if (begun >= SELDOM) return;
  const random = randomOf(e);
  for (let i = 0; i < e.size; i += AWAKE) {
    e.startsAt[i] = r.at;
    const grownGL = GROWN_GL[0] + (GROWN_GL[1] - GROWN_GL[0]) * random();
    for (const c of cells) c.yeastG[i] = Math.max(c.yeastG[i]!, grownGL * litresOf(c, i));
  }
}

/** One vessel, or all that are no bottles. */
const cellsIn = (r: Running, vesselId: string | null): Cell[] =>
  Object.entries(r.e.cells)
    .filter(([id]) => (vesselId === null ? !id.startsWith(BOTTLES) : id === vesselId))
    .map(([, c]) => c);

/** A tablet or strip, g/L: a grade of its colours, or a sixth of it; and how often it is plainly wrong. Common practice. */
const TEST_GL = 2;
const TEST_SHARE = 1 / 6;
const TEST_WRONG = 0.05;

/** Weighs the members by a test for sugar. It is no proof: a few wrong ones stay possible. */
export function sugarSeen(r: Running, vesselId: string | null, sugarGL: number): void {
  const cells = cellsIn(r, vesselId);
  if (cells.length === 0) return;
  const sd = Math.max(TEST_GL, TEST_SHARE * sugarGL);
  openTo(r, cells, Math.max(0, sugarGL - sd), sugarGL + sd);
  const factor = zeros(r.e.size);
  for (let i = 0; i < r.e.size; i++) {
    let p = 1;
    for (const c of cells) {
      const litres = litresOf(c, i);
      const is = litres > 0 ? (1000 * leftOf(c, i)) / litres : 0;
      p *= (1 - TEST_WRONG) * bell(sugarGL - is, 0, sd) + TEST_WRONG * bell(sugarGL - is, 0, 40);
    }
    factor[i] = p ** (1 / cells.length);
  }
  reweighed(r.e, factor);
}

/** Weighs the members by what was seen, heard and tasted, in one vessel or in all. */
export function looksSeen(r: Running, vesselId: string | null, look: Look): void {
  const { e } = r;
  const cells = cellsIn(r, vesselId);
  if (cells.length === 0) return;
  if (showsLife(look, r.at - r.startedAt)) openToLife(r, cells);
  if (look.taste) openTo(r, cells, TASTES[look.taste][0], TASTES[look.taste][1]);
  const factor = zeros(e.size);
  for (let i = 0; i < e.size; i++) {
    let p = 1;
    for (const c of cells) {
      const litres = litresOf(c, i);
      const ever = Math.max(1e-9, c.everKg[i]!);
      const left = leftOf(c, i);
      p *= likelihoodOf(
        look,
        litres > 0 ? (1000 * left) / litres : 0,
        paceGL(r, c, i),
        1 - left / ever,
        litres,
        e.bubble[i]!
      );
    }
    // Several vessels seen at once are one look.
    factor[i] = p ** (1 / cells.length);
  }
  reweighed(e, factor);
}
