import { isReadingAside, NO_STEM, type BatchState } from '../ledger/state';
import { plain } from '../units/say';
import { draft, type Deed } from './deed';

/** A step of the schedule, or a card of the brew day, done or left out. */
export const tick = (batchId: string, step: string, outcome: 'done' | 'skipped' = 'done'): Deed => [
  draft(batchId, 'step', { step, outcome })
];

/** Nobody reads gravity in this batch: from now on it is asked what can be seen, heard and tasted. */
export const setReadingAside = (batchId: string): Deed => tick(batchId, NO_STEM);

/** Who owns no hydrometer says so once: of this wine, and of every other that is not in bottles and was never read. */
export const ownsNoStem = (batchId: string, wines: readonly { state: BatchState }[]): Deed =>
  [
    batchId,
    ...wines
      .map((w) => w.state)
      .filter((s) => s.id !== batchId && (s.fills.length > 0 || s.bottled.length === 0))
      .filter((s) => s.readings.length === 0 && !isReadingAside(s))
      .map((s) => s.id)
  ].flatMap(setReadingAside);

/** Whether a deed says that of the household, and is not merely the beginning of a wine in one that said it before. */
export const saysNoStem = (deed: readonly { type: string; data: object }[]): boolean =>
  deed.some(({ data }) => 'step' in data && data.step === NO_STEM) &&
  !deed.some(({ type }) => type === 'planned');

/** A step that is not to be asked for before a moment, ms. */
export const putOff = (batchId: string, step: string, until: number): Deed => [
  draft(batchId, 'step', { step, outcome: 'snoozed', until: new Date(until).toISOString() })
];

/** A timer on a card of the brew day that runs until a moment, ms: kept in the log, so that no closed tab stops it. */
export const startTimer = (batchId: string, card: string, until: number): Deed => [
  draft(batchId, 'timer', { card, until: new Date(until).toISOString() })
];

/** A caution was read and put away, or went unheeded with these words before one's eyes. */
export const acknowledge = (batchId: string, cautionId: string, text?: string): Deed => [
  draft(batchId, 'caution', { cautionId, ...(text ? { text: plain(text).slice(0, 400) } : {}) })
];
