import { abvOf } from '../ferment/convert';
import { amountOf, type Ingredient } from '../plan/plan';
import { liveEvents, type EventOf, type LedgerEvent } from './events';
import { fillL } from './fill';
import { doseL } from './will-hold';
import { foldBatch, toleranceIn, type BatchState, type Doubt } from './fold';

/** Something about an event that is asked before it is written: refused, or right once it is said to be so. */
export type Question = { level: 'refuse' | 'ask'; text: string; todo: string };

/** How amounts are worded for this person. */
export type Words = {
  volume: (litres: number) => string;
  vessel: (id: string) => string;
  /** brim-full, litres; null when it is not known */
  capacityL: (id: string) => number | null;
};
export const PLAIN_WORDS: Words = {
  volume: (l) => `${l.toFixed(1)} L`,
  vessel: (id) => id,
  capacityL: () => null
};

/** A racking or a pressing that loses more than this share is asked about. Common practice: 6 to 13 %. */
const MUCH_LOST = 0.25;
/** Kilograms of sugar a litre that no must holds, and of anything else. */
const MOST_SUGAR_KG_L = 0.8;
const MOST_KG_L = 3;

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
  let others = 0;
  for (const d of after.doubts) {
    if (had.has(keyOf(d))) continue;
    const event = added.find((e) => e.id === d.eventId);
    if (event) out.push(aboutDoubt(d, event, stateBefore(event), words));
    else if (!mine.has(d.eventId)) others += 1;
  }
  if (others > 0)
    out.push({
      level: 'ask',
      text: `${others === 1 ? 'One thing' : `${others} things`} that happened later could then not have been as written.`,
      todo: 'Look at the day and the amounts.'
    });
  for (const e of added) if (e.batchId === batchId) out.push(...aboutEvent(e, stateBefore(e), after, words));
  return out;

  function stateBefore(e: LedgerEvent): BatchState | null {
    return fold(
      all.filter((x) => x !== e && !(mine.has(x.id) && Date.parse(x.at) >= Date.parse(e.at))),
      Date.parse(e.at)
    );
  }
}

const keyOf = (d: Doubt): string => `${d.eventId} ${d.code}`;

const volumeIn = (s: BatchState | null, vesselId: string | undefined): number =>
  (s?.fills ?? []).filter((f) => !vesselId || f.vesselId === vesselId).reduce((sum, f) => sum + fillL(f), 0);

const sourceOf = (e: LedgerEvent): string | undefined =>
  e.type === 'transfer' || e.type === 'bottle'
    ? e.data.from
    : 'vesselId' in e.data && typeof e.data.vesselId === 'string'
      ? e.data.vesselId
      : undefined;

function aboutDoubt(d: Doubt, e: LedgerEvent, s: BatchState | null, words: Words): Question {
  const from = sourceOf(e);
  const there = words.volume(volumeIn(s, from));
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
            todo: 'Read both again at 20 °C.'
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

function aboutEvent(e: LedgerEvent, s: BatchState | null, after: BatchState, words: Words): Question[] {
  const there = volumeIn(s, sourceOf(e));
  const ask = (text: string, todo: string): Question[] => [{ level: 'ask', text, todo }];
  switch (e.type) {
    case 'addition':
    case 'steep':
      return [
        ...elsewhereAsked(e.data.vesselId, s, words),
        ...stabilisedEarly(e.data.ingredients, after),
        ...amountsAsked(
          e.data.ingredients,
          s ? Math.max(there, doseL(s)) : there,
          e.data.vesselId ? words.capacityL(e.data.vesselId) : null,
          words,
          there
        )
      ];
    case 'top-up':
      return e.data.ingredient
        ? amountsAsked([e.data.ingredient], there, words.capacityL(e.data.vesselId), words)
        : [];
    case 'transfer':
      return e.data.lossL > MUCH_LOST * there && e.data.lossL > 0.5
        ? ask(
            `${words.volume(e.data.lossL)} of ${words.volume(there)} left behind is very much.`,
            'Was it so?'
          )
        : [];
    case 'fruit-out': {
      const left = e.data.volumeL;
      return left !== undefined && there > 0 && left < (1 - 1.6 * MUCH_LOST) * there
        ? ask(`Only ${words.volume(left)} of ${words.volume(there)} left is very little.`, 'Was it so?')
        : [];
    }
    case 'bottle':
      return leftAsked(e, there, words);
    case 'reading': {
      if (e.data.sg === undefined || !s || s.pitches.length === 0) return [];
      const fill = after.fills.find((f) => !e.data.vesselId || f.vesselId === e.data.vesselId);
      if (!fill) return [];
      const [was, is] = [s.fills.find((f) => f.vesselId === fill.vesselId), abvOf(fill.stock)];
      const most = toleranceIn(after, fill)[2] + 0.5;
      return is > most && (!was || abvOf(was.stock) <= most)
        ? ask(
            `By what went in that would be ${is.toFixed(1)} %, more than this yeast can stand.`,
            'Was all weighed and read as written: pounds, kilograms, the scale of the stem?'
          )
        : [];
    }
    default:
      return [];
  }
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

function leftAsked(e: EventOf<'bottle'>, there: number, words: Words): Question[] {
  const litres = e.data.bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  const left = there - litres;
  return e.data.emptied && left > MUCH_LOST * there && left > 0.75
    ? [
        {
          level: 'ask',
          text: `${words.volume(left)} of ${words.volume(there)} thrown away as sediment is very much.`,
          todo: 'Was it so?'
        }
      ]
    : [];
}

/**
 * Amounts that cannot be meant for so much must: a kilogram for a gram, a pound for an ounce.
 * @param thereL litres of it, or what there will be; `inItL` litres that stand in the vessel now
 */
export function amountsAsked(
  items: readonly Ingredient[],
  thereL: number,
  capacityL: number | null,
  words: Words = PLAIN_WORDS,
  inItL = thereL
): Question[] {
  // What goes in together is must together.
  const liquidL = items.reduce(
    (sum, i) => sum + ('volumeL' in i ? i.volumeL : i.kind === 'produce' ? i.massKg : 0),
    thereL
  );
  const room = capacityL === null ? Infinity : Math.max(0, 1.1 * capacityL - inItL);
  return items.flatMap((i): Question[] => {
    const amount = amountOf(i);
    const isVolume = 'volumeL' in i;
    const isSweet = i.kind === 'sugar' || i.kind === 'honey';
    const tooMuch =
      amount > room ||
      amount > 2000 ||
      (isSweet && liquidL > 0 && amount > Math.max(1, MOST_SUGAR_KG_L * liquidL)) ||
      (!isVolume && !isSweet && i.kind !== 'produce' && liquidL > 0 && amount > MOST_KG_L * liquidL);
    return tooMuch
      ? [
          {
            level: 'ask',
            text: `${isVolume ? words.volume(amount) : `${+amount.toPrecision(3)} kg`} into ${
              capacityL !== null && amount > room
                ? `a vessel of ${words.volume(capacityL)}`
                : words.volume(liquidL)
            } cannot be meant.`,
            todo: 'Were grams meant, not kilograms?'
          }
        ]
      : [];
  });
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
