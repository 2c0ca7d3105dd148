import { inC } from '../units/say';
import { defOf, liveEvents, type LedgerEvent } from './log';
import { PLAIN_WORDS, volumeIn, type Question, type Words } from './question';
import { lazily } from '../maths/once';
import type { About } from './events/define';
import { foldBatch } from './run';
import type { BatchState, Doubt } from './state';

const lastAt = (events: readonly LedgerEvent[]): number =>
  events.reduce((max, e) => Math.max(max, Date.parse(e.at)), 0);

/**
 * What has to be asked about events before they join the log of a batch.
 * Nothing is written by asking; what is refused cannot have been, what is asked may have been.
 * @param log events of the batch so far; @param added events that are about to be written
 */
export function questionsAbout(
  batchId: string,
  log: readonly LedgerEvent[],
  added: readonly LedgerEvent[],
  words: Words = PLAIN_WORDS
): Question[] {
  // Taking back is always allowed: what would be left hanging is asked elsewhere, by name.
  if (added.every((e) => e.type === 'void')) return [];
  const all = [...log, ...added];
  const at = lastAt(all);
  const fold = (events: readonly LedgerEvent[], when = at) => {
    try {
      return foldBatch(events, when);
    } catch {
      return null;
    }
  };
  const before = fold(log);
  const after = fold(all);
  const out: Question[] = [];
  if (!after)
    return before
      ? [
          {
            level: 'refuse',
            text: 'With that the log could not be read.',
            todo: 'Look at the amounts, and at the day.'
          }
        ]
      : [];
  const mine = new Set(added.map((e) => e.id));
  const had = new Set((before?.doubts ?? []).map(keyOf));
  const moments = new Set(added.map((e) => Date.parse(e.at)));
  let [others, atOnce] = [0, 0];
  for (const d of after.doubts) {
    if (had.has(keyOf(d))) continue;
    const event = added.find((e) => e.id === d.eventId);
    if (event) out.push(aboutDoubt(d, event, stateBefore(event), words));
    else if (mine.has(d.eventId)) continue;
    else if (moments.has(d.at)) atOnce += 1;
    else others += 1;
  }
  // Two tabs, or two taps: whichever comes second by its number, only one of them was.
  if (atOnce > 0)
    out.push({
      level: 'refuse',
      text: 'Something was written for that very moment already, and both cannot have been.',
      todo: 'Look at what happened, and at the amounts.'
    });
  if (others > 0)
    out.push({
      level: 'ask',
      text: `${others === 1 ? 'One thing' : `${others} things`} that happened later could then not have been as written.`,
      todo: 'Look at the day and the amounts.'
    });
  for (const e of added)
    if (e.batchId === batchId)
      out.push(
        ...(defOf(e).check?.(
          e,
          lazily<About>({ before: () => stateBefore(e), after: () => after, words: () => words })
        ) ?? [])
      );
  return out;

  function stateBefore(e: LedgerEvent): BatchState | null {
    return fold(
      all.filter((x) => x !== e && !(mine.has(x.id) && Date.parse(x.at) >= Date.parse(e.at))),
      Date.parse(e.at)
    );
  }
}

const keyOf = (d: Doubt): string => `${d.eventId} ${d.code}`;

const sourceOf = (e: LedgerEvent): string | undefined => defOf(e).source?.(e.data);

function aboutDoubt(d: Doubt, e: LedgerEvent, s: BatchState | null, words: Words): Question {
  const from = sourceOf(e);
  const there = words.volume(volumeIn(s, from));
  if (e.type === 'open' || e.type === 'shelve')
    return {
      level: 'refuse',
      text:
        d.code === 'not-there'
          ? 'There were no such bottles then.'
          : 'There were not so many bottles left then.',
      todo: 'Look at the number and the day.'
    };
  const where = from ? `in the ${words.vessel(from)}` : 'in the batch';
  switch (d.code) {
    case 'not-there':
      return e.type === 'reading'
        ? {
            level: 'refuse',
            text: from
              ? `Nothing of this wine stands in the ${words.vessel(from)}.`
              : 'Its vessels differ, and this does not say which was read.',
            todo: 'Say which vessel it was.'
          }
        : {
            level: 'refuse',
            text: `There was nothing ${where} then.`,
            todo: 'Look at the vessel and the day.'
          };
    case 'more-than-there':
      return {
        level: 'refuse',
        text: `There were only ${there} ${where} then.`,
        todo: 'Look at the amount and its unit.'
      };
    case 'more-than-measured':
      return {
        level: 'refuse',
        text: `That is far more than the ${there} that can be ${where}.`,
        todo: 'Measure again; write down what was added as an addition.'
      };
    case 'impossible-figure':
      return e.type === 'reading' && e.data.residueSg !== undefined
        ? {
            level: 'refuse',
            text: 'No wine has such a residue: it reads more than the wine, and no more than a tenth above it.',
            todo: `Read both again at ${inC(20)}.`
          }
        : {
            level: 'ask',
            text: 'What went in cannot read that.',
            todo: 'Was another scale read, has the point slipped, or does sugar lie on the bottom? It counts once another reading agrees.'
          };
    case 'unknown-produce':
      return { level: 'refuse', text: 'Nobody has the figures of that produce.', todo: 'Choose it anew.' };
    case 'cannot-be-read':
      return { level: 'refuse', text: 'That cannot be reckoned with.', todo: 'Look at the figures.' };
  }
}

/**
 * What would be left hanging when some events are taken back: later ones that speak of what would then not be there.
 * @returns them in order, earliest first, with all that hang on them in turn
 */
export function dependentsOf(log: readonly LedgerEvent[], taken: readonly string[]): LedgerEvent[] {
  const gone = new Set(taken);
  const at = lastAt(log);
  const doubtsOf = (without: ReadonlySet<string>) => {
    try {
      return (
        foldBatch(
          log.filter((e) => !without.has(e.id)),
          at
        )?.doubts ?? []
      );
    } catch {
      // Of a log that cannot be read nobody knows what hangs on what; anything may be taken back.
      return [];
    }
  };
  const had = new Set(doubtsOf(new Set()).map(keyOf));
  for (let i = 0; i < 20; i++) {
    const more = doubtsOf(gone).filter((d) => !had.has(keyOf(d)) && !gone.has(d.eventId));
    if (more.length === 0) break;
    for (const d of more) gone.add(d.eventId);
  }
  return liveEvents(log).filter((e) => gone.has(e.id) && !taken.includes(e.id));
}
