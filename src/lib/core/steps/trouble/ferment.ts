import { isNatural } from '../../tables/schools';
import { lastReading, readingsOfStanding } from '../../ledger/last-read';
import { betweenC, inC, inL } from '../../units/say';
import { coldC } from '../../plan/chosen';
import { yeastG } from '../../tables/doses';
import { beganAt, lastWarmth, type BatchState } from '../../ledger/state';
import { DAY, defineTrouble, HOUR, isEarly, lastSeen, takesFood, type Facts, type Rung } from './define';

/** Yeast may take so long to show, hours. Common practice: two days, wild yeast five. */
const SHOWS_H = 48;
const WILD_SHOWS_H = 5 * DAY;
/** A fall of gravity that shows it works, and one that no stem would miss. */
const FALL_SG = 0.003;
const STILL_SG = 0.0015;
/** So long what was read or seen shows that nothing moves, hours: later nobody knows. Ours. */
const SHOWN_FOR_H = 7 * DAY;
/** Warm enough for any yeast to start, °C. Common practice. */
const WARM_C = 22;
/** More likely than this, it is said. */
const LIKELY = 0.5;
/** With less sugar than this left there is nothing to rescue, g/L. */
const WORTH_GL = 8;

const lastC = (s: BatchState): number | null => lastWarmth(s)?.tempC ?? null;

const isCold = ({ s }: Facts): boolean => {
  const c = lastC(s);
  return c === null || c < Math.max(...s.pitches.map((p) => coldC(p.yeast)), 14) + 4;
};

const warm: Rung = {
  step: 'warm',
  title: 'Warm it',
  short: 'warm',
  how: `To ${betweenC(20, 24)}, a few degrees a day; then say how warm it is.`,
  afterH: 0,
  helps: isCold,
  whatIf: { tempC: WARM_C }
};
const food: Rung = {
  step: 'food',
  title: 'Half a dose of nutrient',
  short: 'nutrient',
  how: 'Stirred into a cup of the wine first: it foams.',
  afterH: DAY,
  helps: takesFood,
  whatIf: { nitrogenMgL: 50 }
};
const readAgain = (how: string): Rung => ({
  step: 'read-again',
  title: 'Read it again',
  short: 'read',
  how,
  afterH: 0
});
/** A starter that learns the wine: by its volume. Common practice: to an eighth of it. */
const buildUp = (litres: number): string =>
  `${(2 * yeastG(litres)).toFixed(0)} g of champagne-type yeast in ${inL(litres / 40)} of water at ${betweenC(35, 38)} with a little sugar and nutrient. Once it foams, as much again of the wine; each time it foams anew, double it so, to ${inL(litres / 8)}.`;
const freshYeast = (how: string): Rung => ({
  step: 'fresh-yeast',
  title: 'Fresh yeast in',
  short: 'fresh yeast',
  how,
  afterH: 0,
  whatIf: { yeast: { yeastId: 'champagne' } }
});

/** It should have begun, and nothing shows. */
export const notBegun = defineTrouble({
  name: 'not started',
  seen({ s, belief }) {
    const first = s.pitches[0];
    const from = first?.at ?? (isNatural(s.plan) ? s.startedAt : null);
    if (from === null || s.rackings.length > 0) return null;
    const isWild = !first || s.pitches.every((p) => p.yeast.yeastId === 'wild');
    const since = from + HOUR * (isWild ? WILD_SHOWS_H : SHOWS_H);
    if (s.at < since) return null;
    const last = lastReading(s);
    // Only what was read or seen can show that nothing moves; who never looks is not told so.
    const shows = ({ at }: { at: number }) => at - from > DAY * HOUR && s.at - at <= SHOWN_FOR_H * HOUR;
    const isRead = last !== undefined && shows(last);
    const isSeen = s.looks.some(shows);
    if (isRead && s.startSg && s.startSg.sg - last.sg > FALL_SG) return null;
    const chance = isRead && s.startSg ? 0.9 : isSeen ? (belief?.chance.notBegun ?? 0) : 0;
    return chance > LIKELY ? { chance, since } : null;
  },
  rungs: [
    readAgain('A leaking lid shows no bubbles: only gravity tells.'),
    warm,
    {
      step: 'air',
      title: 'Stir air in',
      short: 'stir',
      how: 'Hard, for two minutes: it wants air to begin.',
      afterH: 0,
      helps: isEarly
    },
    { ...food, afterH: 0 },
    { ...freshYeast('A brisk one, rehydrated, and moving before it goes in.'), afterH: DAY }
  ]
});

/** Where the last readings of a batch began to stand still, ms; null where they move, or are too few. */
function stillSince(s: BatchState): number | null {
  const last = lastReading(s);
  if (!last) return null;
  const readings = readingsOfStanding(s);
  const before = readings.findLastIndex((r) => Math.abs(r.sg - last.sg) > STILL_SG);
  const first = readings[before + 1]!;
  return first === last ? null : first.at;
}

/** It stands still with sugar that its yeast could take. */
export const stuck = defineTrouble({
  name: 'stuck',
  seen({ s, belief }) {
    const first = beganAt(s);
    if (!belief || first === null || s.fills.some((f) => f.stable)) return null;
    if (!(belief.chance.stalled > LIKELY) || belief.sugarGL.likely < WORTH_GL) return null;
    const since = stillSince(s) ?? lastReading(s)?.at ?? s.looks.at(-1)?.at;
    // What nobody read or looked at may stand still, or not: that is no job yet.
    return since === undefined || since < first ? null : { chance: belief.chance.stalled, since };
  },
  rungs: [
    {
      ...readAgain('The same three days on is still. Spin the bubbles off the stem.'),
      afterH: 3 * DAY,
      notBeforeH: 2.5 * DAY
    },
    { ...warm, how: `${warm.how as string} Stir its lees up gently.` },
    { ...food, afterH: 2 * DAY },
    {
      step: 'hulls',
      title: 'Yeast hulls in',
      short: 'hulls',
      how: 'Stirred in; rack it off them after a day or two.',
      afterH: 3 * DAY
    },
    {
      step: 'build-up',
      title: 'Build up a starter',
      short: 'starter',
      how: buildUp,
      afterH: DAY
    },
    freshYeast('The whole starter while it foams, wine and starter equally warm, no air.'),
    {
      ...freshYeast('A second time, from another packet, if nothing moved in a week.'),
      afterH: 7 * DAY
    }
  ]
});

/** So slow that it may come to a stand: points a day. Common practice. */
const SLOW_POINTS = 1.2;

export const slow = defineTrouble({
  name: 'slow',
  seen({ s, belief }) {
    const began = beganAt(s);
    if (!belief || belief.sugarGL.likely < 25 || began === null) return null;
    if (s.at - began < 6 * DAY * HOUR) return null;
    const last = lastReading(s);
    const first = last && readingsOfStanding(s).findLast((r) => last.at - r.at >= 4 * DAY * HOUR);
    if (!last || !first || first.at < began || s.at - last.at > 7 * DAY * HOUR) return null;
    const points = ((first.sg - last.sg) * 1000) / ((last.at - first.at) / (DAY * HOUR));
    return points > 0.3 && points < SLOW_POINTS && belief.chance.stalled < LIKELY
      ? { chance: 1, since: first.at }
      : null;
  },
  rungs: [warm, food, { ...readAgain('In three days: slow is well, as long as it falls.'), afterH: 3 * DAY }]
});

/** It stood still for long and falls again. */
export const woke = defineTrouble({
  name: 'working again',
  seen({ s }) {
    const own = s.readings;
    const last = own.at(-1);
    if (!last || s.bottled.length > 0 || own.length < 3) return null;
    for (let j = own.length - 2; j > 0; j--) {
      const [before, then] = [own[j - 1]!, own[j]!];
      const wasStill =
        Math.abs(before.sg - then.sg) <= STILL_SG &&
        then.at - before.at >= 7 * DAY * HOUR &&
        before.at > (beganAt(s) ?? Infinity);
      if (wasStill && then.sg - last.sg > FALL_SG && s.fedAt < then.at)
        return s.at - last.at < 30 * DAY * HOUR ? { chance: 1, since: last.at } : null;
    }
    return null;
  },
  rungs: [
    {
      ...readAgain('In a week. Airlock on, room in the neck, and no bottle until it is still.'),
      afterH: 7 * DAY,
      notBeforeH: 5 * DAY
    }
  ]
});

/** It climbs out of its vessel. */
export const foaming = defineTrouble({
  name: 'foaming over',
  seen(f) {
    const foam = lastSeen(f, 'foam');
    return foam?.is === 'over' && f.s.at - foam.at < 4 * DAY * HOUR ? { chance: 1, since: foam.since } : null;
  },
  rungs: [
    {
      step: 'make-room',
      title: 'Make room',
      short: 'make room',
      how: 'Some of it into a second clean vessel, until a third is free; put together again when it is calm. Rinse the airlock.',
      afterH: 0
    },
    {
      step: 'cool',
      title: 'Stand it cooler',
      short: 'cool',
      how: `By a few degrees, not under ${inC(16)}; then say how warm it is.`,
      afterH: 0,
      whatIf: { tempC: 17 }
    }
  ]
});
