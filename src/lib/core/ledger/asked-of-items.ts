import { liquid } from '../liquid/stock';
import type { Ingredient } from '../plan/plan';
import { sgText } from '../units/format';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import type { About } from './events/define';
import { fillL } from './fill';
import { amountsAsked, volumeIn, type Question, type Words } from './question';
import { contents, type BatchState } from './state';
import { doseL } from './will-hold';

/** What is asked about things that go into a wine: whether it is there, whether it is time, and whether so much is meant. */
export function askedOfItems(
  items: readonly Ingredient[],
  vesselId: string | undefined,
  { before, after, words }: About
): Question[] {
  const there = volumeIn(before, vesselId);
  return [
    ...elsewhereAsked(vesselId, before, words),
    ...stabilisedEarly(items, after),
    ...geranium(items, after),
    ...sweetenedSoon(items, vesselId, before),
    ...tooSweet(items, after),
    ...amountsAsked(
      items,
      before ? Math.max(there, doseL(before)) : there,
      vesselId ? words.capacityL(vesselId) : null,
      words,
      there
    )
  ];
}

/** Sorbate into wine that is not shown to be finished stops nothing, and does not count at bottling. */
function stabilisedEarly(items: readonly Ingredient[], after: BatchState): Question[] {
  const isSorbate = items.some((i) => i.kind === 'additive' && i.additiveId === 'sorbate');
  const isEarly = after.fills.some((f) => f.powdersG.sorbate && !(f.stable?.wasFinished ?? false));
  return isSorbate && isEarly && after.fills.some((f) => f.stable && !f.stable.wasFinished)
    ? [
        {
          level: 'ask',
          text: 'It is not shown to be finished: given now, sulphite and sorbate stop no ferment, and do not count at bottling.',
          todo: 'Read it twice, three days apart, first.'
        }
      ]
    : [];
}

/** Sulphite and sorbate take so long to settle in before sugar follows, ms. Common practice: a day. */
const SETTLE_MS = 20 * 3_600_000;

/** Sugar on the heels of what is to keep the wine from it. */
function sweetenedSoon(
  items: readonly Ingredient[],
  vesselId: string | undefined,
  before: BatchState | null
): Question[] {
  const isSweet = items.some((i) => (i.kind === 'sugar' && !isUnfermenting(i.sugarId)) || i.kind === 'honey');
  const givenAt = before?.powdersG.sorbate?.at;
  const isHere = before?.fills.some((f) => f.powdersG.sorbate && (!vesselId || f.vesselId === vesselId));
  return isSweet && before && isHere && givenAt !== undefined && before.at - givenAt < SETTLE_MS
    ? [
        {
          level: 'ask',
          text: 'Sulphite and sorbate went in less than a day ago.',
          todo: 'Wait till tomorrow.'
        }
      ]
    : [];
}

const isUnfermenting = (id: SweetenerId): boolean => SWEETENERS[id].fermentable === 0;

/**
 * Sorbate and malolactic bacteria in one wine: what they make of each other smells of geranium, for good.
 * @source oenology text-books: 2-ethoxyhexa-3,5-diene (from memory)
 */
function geranium(items: readonly Ingredient[], after: BatchState): Question[] {
  const isEither = items.some(
    (i) => i.kind === 'additive' && (i.additiveId === 'sorbate' || i.additiveId === 'malolactic')
  );
  return isEither && after.fills.some((f) => f.powdersG.sorbate && f.powdersG.malolactic)
    ? [
        {
          level: 'ask',
          text: 'Malolactic bacteria turn sorbate into the smell of geranium, and nothing takes it out.',
          todo: 'Leave it out: keep the wine dry, or heat it. Or has it happened?'
        }
      ]
    : [];
}

/** Heavier than this no yeast begins in, nor goes on. Common practice: sweet musts of over 1.150 hardly ferment. */
const TOO_HEAVY = 1.15;

/** Sugar that takes a wine with yeast in it past what any yeast works in. */
function tooSweet(items: readonly Ingredient[], after: BatchState): Question[] {
  const isSweet = items.some((i) => i.kind === 'sugar' || i.kind === 'honey');
  const sg = isSweet && after.pitches.length > 0 ? (liquid(contents(after))?.sg ?? 0) : 0;
  return sg > TOO_HEAVY
    ? [
        {
          level: 'ask',
          text: `With so much sugar it is at ${sgText(sg)}: no yeast ferments that.`,
          todo: 'Is the amount right, and its unit?'
        }
      ]
    : [];
}

/** What goes into a vessel that holds none of this wine makes no wine there. */
function elsewhereAsked(vesselId: string | undefined, s: BatchState | null, words: Words): Question[] {
  const stands = s?.fills.filter((f) => fillL(f) > 0) ?? [];
  return vesselId && stands.length > 0 && !stands.some((f) => f.vesselId === vesselId)
    ? [
        {
          level: 'ask',
          text: `Nothing of this wine stood in the ${words.vessel(vesselId)} then.`,
          todo: 'Was it another vessel, or another day?'
        }
      ]
    : [];
}
