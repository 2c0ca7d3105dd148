import { isNatural } from '../tables/schools';
import { potentialOf } from '../ferment/convert';
import { addInto, liquid } from '../liquid/stock';
import { isFinished } from '../ledger/evidence';
import { isHeld } from '../ledger/held';
import { A_DREG_L, fillL } from '../ledger/fill';
import { lastReading } from '../ledger/last-read';
import { hasPreservers } from '../ledger/preserved';
import {
  contents,
  fermentedOf,
  isBegun,
  limitIn,
  seenWorkingAt,
  type BatchState,
  type Reading
} from '../ledger/state';
import { sweetnessWord } from '../units/format';
import type { Belief, Told } from './believe';
import { howFar, type HowFar } from './how-far';
import type { Seen } from './running';
import { chosenAbv } from './chosen-abv';
import type { Standing } from './standing';

const DAY = 86_400_000;
/** Before this the yeast has hardly begun, and what went in is what is there. Common practice. */
const LAG_MS = 1.5 * DAY;

/** By then every plan has its yeast in, with a day to spare. Common practice: one to two days after the must is made. */
const YEAST_BY_MS = 3 * DAY;

/** A reading speaks of today for so long: a wine that falls has fallen on since. Common practice. */
const FRESH_MS = 3 * DAY;
/** Half a day on it may have moved, and by so much it is worth a word. */
const MOVES_MS = DAY / 2;
const MOVED_SG = 0.004;
/** Of long ago, and still then, by so much. */
const DRIFT_SG = 0.0015;
/** Jars that read no further apart than this are told as one: a stem reads to a point. */
const UNLIKE_SG = 0.0015;

/** What can truly be said of a batch at a moment: the words are the page's. */
export type Says = {
  stage: Standing['stage'];
  /**
   * what is known of its gravity: read since anything changed it; read once, long ago; by the sums alone, because
   * nothing has fermented yet; or nobody knows, as it was never read since the yeast
   */
  reading: 'read' | 'sums' | 'never';
  /**
   * when it was last read, ms, whether sugar went in since, and whether it still says how it stands and moves today; null
   * when it never was
   */
  lastRead: { at: number; before: 'sugar' | 'more' | null; isFresh: boolean } | null;
  /** the last reading is of long ago and the wine has gone on since: then today is told by its possible wines */
  isCarriedOn: boolean;
  /** read not long ago, and likely further by now: both are told */
  hasMovedOn: boolean;
  /** the last reading fits nothing that was written before it */
  isLastOdd: boolean;
  /** most likely because sugar of these days still lay on the bottom */
  isLastLayered: boolean;
  /** what each vessel last read, where they read otherwise than one another */
  unlike: { vesselId: string; sg: number; at: number; isFresh: boolean }[];
  /** how sweet each jar is, where they are not alike in it: one may have been sweetened, the other not */
  sweetEach: { vesselId: string; word: ReturnType<typeof sweetnessWord> }[];
  /** of several jars those that are likely not as far as the furthest, and how far they are */
  behind: { vesselId: string; far: HowFar }[];
  /** vessels that nobody has read since the yeast, where others were: a jar does not speak for its twin */
  unreadIds: string[];
  /** vessels into which more went since they were read, where not all of them took it */
  changedIds: string[];
  /** whether a strength can be told at all, of all of it together */
  hasStrength: boolean;
  /** the strength all its sugar would make, % vol, where nobody has read what is gone */
  potentialAbv: number | null;
  /** how far it likely is; null where nothing is believed of it */
  far: HowFar | null;
  /** it should have had its yeast, and none is written down: it stands and waits, or works with what nobody wrote */
  lacksYeast: 'stands' | 'works' | null;
  /** whether it is on its way to an end that the sums can tell */
  isOnCourse: boolean;
  /** sulphite and sorbate are in every vessel of it, enough of both */
  hasBoth: boolean;
  /** and were given when it was finished, and it has not woken since */
  isStable: boolean;
  /** sugar or a sweetener was put in once it was out of its bucket */
  isSweetened: boolean;
  /** low on the stem, and yet sugar is left in it */
  notDry: boolean;
  /** bottles filled already, while wine still stands in a vessel */
  bottledInPart: number;
};

/** More likely than this, a reading is a slip, or something was not as written. */
const ODD = 0.5;

const seenOf = ({ belief }: Standing, newest: Reading | undefined): Seen | undefined =>
  belief?.seen.find((x) => x.eventId === newest?.eventId);

const isOdd = (now: Standing, newest: Reading | undefined): boolean => {
  const seen = seenOf(now, newest);
  return seen !== undefined && seen.slip + seen.notAsWritten > ODD;
};

/** Whether a wine has likely moved on since it was read, though that was not long ago. */
function hasMovedOn(s: BatchState, now: Standing, newest: Reading): boolean {
  const by = isBegun(s) ? now.belief?.sg.likely : undefined;
  const age = s.at - newest.at;
  if (by === undefined || age <= MOVES_MS || age > FRESH_MS) return false;
  return Math.abs(by - newest.sg) > MOVED_SG && !isOdd(now, newest);
}

/** Whether another wine may stand there than was read: more went in since, or jars that read apart were put together. */
function isAnother(s: BatchState, newest: Reading): boolean {
  if ((s.mixedAt ?? -Infinity) > newest.at) return true;
  const lately = s.readings.filter((r) => newest.at - r.at <= FRESH_MS);
  const each = [...new Map(lately.map((r) => [r.vesselId, r.sg])).values()];
  return Math.max(...each) - Math.min(...each) > UNLIKE_SG;
}

/** What can be said of a batch, by its state: each stage has its own truth. */
export function saysOf(s: BatchState, now: Standing): Says {
  const pitchedAt = s.pitches[0]?.at ?? null;
  const seenAt = seenWorkingAt(s);
  const began = pitchedAt ?? seenAt ?? (isNatural(s.plan) ? s.startedAt + DAY : null);
  // What is seen to work has its lag behind it.
  const mayFerment = began !== null && (seenAt !== null || s.at - began > LAG_MS);
  const readSince = s.readings.some((r) => began !== null && r.at > began + LAG_MS / 2);
  const hasBoth = s.fills.length > 0 && s.fills.every((f) => hasPreservers(f));
  const isStable = hasBoth && s.fills.every((f) => isHeld(s, f));
  const isSweetened = s.sweetenedAt !== null;
  const reading: Says['reading'] =
    s.readings.length > 0 && (readSince || !mayFerment)
      ? 'read'
      : mayFerment || now.stage === 'in glass' || now.stage === 'clearing' || now.stage === 'bottled'
        ? fermentedOf(s) > 1e-6 && s.readings.length > 0
          ? 'read'
          : 'never'
        : 'sums';
  const isBottled = now.stage === 'bottled';
  const waits = pitchedAt === null && !isNatural(s.plan) && s.fills.length > 0;
  const lacksYeast = waits
    ? isBegun(s)
      ? 'works'
      : s.at - s.startedAt > YEAST_BY_MS
        ? 'stands'
        : null
    : null;
  const newest = lastReading(s);
  const each = s.fills.flatMap(({ vesselId, reads }) => {
    const r = reads.at(-1);
    return r ? [{ vesselId, ...r, isFresh: s.at - r.at <= FRESH_MS }] : [];
  });
  const spread = Math.max(...each.map((r) => r.sg)) - Math.min(...each.map((r) => r.sg));
  const unreadIds =
    reading === 'read' && mayFerment && fermentedOf(s) > 1e-6
      ? s.fills.filter((f) => f.fermentedKg <= 1e-9 && f.stock.hexoseKg > 1e-3).map((f) => f.vesselId)
      : [];
  const all = addInto(contents(s), s.held);
  const potentialAbv = reading === 'never' && !isBottled && liquid(all) ? potentialOf(all) : null;
  // Sugar since has made another wine of it.
  const isBeforeSugar = newest !== undefined && newest.at < (s.sugarAt ?? -Infinity);
  // The ledger forgets what was read once something with sugar, or other wine, went in: then nothing tells of today.
  const forgotten =
    newest !== undefined && reading === 'read' && isAnother(s, newest)
      ? s.fills.filter((f) => f.reads.length === 0 && !unreadIds.includes(f.vesselId)).map((f) => f.vesselId)
      : [];
  const isAll = forgotten.length > 0 && forgotten.length === s.fills.length;
  // What went into one jar leaves the other's reading as true as it was.
  const isTwins = forgotten.length > 0 && !isAll;
  const before = isTwins ? null : isBeforeSugar ? 'sugar' : isAll ? 'more' : null;
  const isFresh = newest !== undefined && s.at - newest.at <= FRESH_MS && before === null;
  const isCarriedOn =
    newest !== undefined &&
    !isFresh &&
    reading === 'read' &&
    now.belief !== null &&
    !isBottled &&
    now.stage !== 'gone' &&
    // What stood still then and is likely not where it was is no stillness of today.
    !((now.steady.steady && Math.abs(now.belief.sg.likely - newest.sg) <= DRIFT_SG) || now.isDry || isStable);
  const behind = isBottled || isSweetened || hasBoth ? [] : behindOf(s, now.belief);
  const isDone = s.fills.length > 0 && s.fills.every((f) => isFinished(f, limitIn(s, f)));
  return {
    stage: now.stage,
    reading,
    lastRead: newest ? { at: newest.at, before, isFresh } : null,
    isCarriedOn,
    // Of jars that read otherwise each is told by itself.
    hasMovedOn:
      newest !== undefined &&
      reading === 'read' &&
      !isBottled &&
      spread <= UNLIKE_SG &&
      forgotten.length === 0 &&
      unreadIds.length === 0 &&
      hasMovedOn(s, now, newest),
    isLastOdd: isOdd(now, newest),
    isLastLayered: isOdd(now, newest) && seenOf(now, newest)!.layered > ODD,
    sweetEach: sweetEach(s, now.belief),
    behind,
    unlike: (each.length > 1 && spread > UNLIKE_SG) || forgotten.length > 0 ? each : [],
    unreadIds,
    changedIds: isAll ? [] : forgotten,
    // By the sums alone it has what was poured in, and no guess of what else may work in it.
    hasStrength:
      reading !== 'never' &&
      unreadIds.length === 0 &&
      Math.min(now.abv.likely, reading === 'sums' ? now.ledgerAbv : Infinity) > 0.2,
    potentialAbv,
    far: now.belief && howFar(now.belief, lacksYeast === 'stands'),
    lacksYeast,
    isOnCourse:
      lacksYeast !== 'stands' &&
      !isBottled &&
      now.stage !== 'gone' &&
      now.expectedAbv !== null &&
      // A wine that is stronger already is on its way to no such end.
      now.expectedAbv > chosenAbv(s, now) &&
      now.expectedSg !== null &&
      // What stands still is on its way nowhere.
      !(now.belief && isBegun(s) && howFar(now.belief).word === 'stuck') &&
      !behind.some((b) => b.far.word === 'stuck') &&
      !now.steady.steady &&
      !now.isDry &&
      !isDone &&
      !hasBoth &&
      !isSweetened &&
      now.stage !== 'clearing' &&
      !isCarriedOn,
    hasBoth,
    isStable,
    isSweetened,
    notDry:
      !isBottled &&
      reading === 'read' &&
      unreadIds.length === 0 &&
      before === null &&
      now.sg?.measured === true &&
      now.sg.sg <= 1.002 &&
      now.sweetness !== 'dry' &&
      !isSweetened,
    bottledInPart: s.fills.length > 0 ? s.bottled.reduce((n, b) => n + b.count, 0) : 0
  };
}

/** Vessels that were read as lately as any, within three days: a jar that was not speaks for none. */
function readLately(s: BatchState): BatchState['fills'] {
  const readAt = (f: BatchState['fills'][number]) => f.reads.at(-1)?.at ?? -Infinity;
  const newest = Math.max(...s.fills.map(readAt));
  return s.fills.filter((f) => newest === -Infinity || newest - readAt(f) <= FRESH_MS);
}

function sweetEach(s: BatchState, belief: Belief | null): Says['sweetEach'] {
  const all = readLately(s).flatMap((f) => {
    const litres = fillL(f);
    if (litres <= A_DREG_L) return [];
    const gL = belief?.vessels[f.vesselId]?.sugarGL.likely ?? (1000 * f.stock.hexoseKg) / litres;
    return [{ vesselId: f.vesselId, word: sweetnessWord(gL) }];
  });
  return new Set(all.map((x) => x.word)).size > 1 ? all : [];
}

/** Nearer in gravity than this, or nearer in how likely it is done, jars are as far as one another. Ours. */
const BEHIND_SG = 0.003;
const BEHIND = 0.3;

function behindOf(s: BatchState, belief: Belief | null): Says['behind'] {
  const jars = readLately(s).flatMap((f) => {
    const told = fillL(f) > A_DREG_L ? belief?.vessels[f.vesselId] : undefined;
    return told ? [{ vesselId: f.vesselId, told }] : [];
  });
  const first = jars.reduce<Told | null>(
    (a, { told }) => (a && a.chance.done >= told.chance.done ? a : told),
    null
  );
  if (!first || howFar(first).word !== 'finished') return [];
  return jars.flatMap(({ vesselId, told }) => {
    const far = howFar(told);
    const isBehind =
      far.word !== 'finished' &&
      first.chance.done - told.chance.done > BEHIND &&
      told.sg.likely - first.sg.likely > BEHIND_SG;
    return isBehind ? [{ vesselId, far }] : [];
  });
}
