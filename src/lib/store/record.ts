import { v7 as uuidv7 } from 'uuid';
import type { Words } from '$core/ledger/question';
import { dependentsOf, questionsAbout } from '$core/ledger/check';
import { batchesOf, eventSchema, type EventData, type EventType, type LedgerEvent } from '$core/ledger/log';
import { withFigures } from '$core/plan/figures';
import { VESSEL_PRESETS } from '$core/vessels/vessels';
import { volumeText } from '$core/units/format';
import { AskError, InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import { soundZone } from '$core/units/zone';
import { db } from './db';
import { DEFAULT_SETTINGS, settingsSchema } from '$core/units/settings';
import { eventsOf, isStamped, stamp, sumUp, touched } from './summaries';

/**
 * When something happened (ms since 1970), if not now; and when it was written down.
 * With `into`, events gather there to be written together, unasked, instead of one by one.
 */
export type When = {
  at?: number;
  recordedAt?: number;
  into?: LedgerEvent[];
  /** the form that writes: what it wrote once, it does not write again */
  form?: string;
  /** said to be right where it was asked about */
  sure?: boolean;
};

/** The zone of this machine, one that can be reckoned in. */
export const zoneHere = (): string =>
  soundZone(Intl.DateTimeFormat().resolvedOptions().timeZone, new Date().getTimezoneOffset());

/** This browser's name in the log: random, made once. */
async function deviceId(): Promise<string> {
  const known = await db.settings.get('device');
  if (typeof known?.value === 'string') return known.value;
  const value = `browser-${uuidv7().slice(-8)}`;
  await db.settings.put({ key: 'device', value });
  return value;
}

/** Each form's events are numbered, so that the same form writes the same ids. */
const written = new Map<string, number>();
function idOf(form: string | undefined): string {
  if (!form) return uuidv7();
  const n = written.get(form) ?? 0;
  written.set(form, n + 1);
  // Its own id and the next ones: in time's order, as all ids are.
  const tail = (Number.parseInt(form.slice(-8), 16) + n) >>> 0;
  return form.slice(0, -8) + tail.toString(16).padStart(8, '0');
}
/** A form begins to write: its events are numbered from the first again. */
export const beginForm = (form: string): void => void written.delete(form);

/** A new event, checked against its schema. @throws InputError naming the field that is wrong */
export async function makeEvent<T extends EventType>(
  batchId: string,
  type: T,
  data: EventData<T>,
  when: When = {}
): Promise<LedgerEvent> {
  const recordedAt = when.recordedAt ?? when.at ?? Date.now();
  const event = {
    id: idOf(when.form),
    batchId,
    type,
    v: 1,
    at: new Date(when.at ?? Date.now()).toISOString(),
    zone: zoneHere(),
    recordedAt: new Date(recordedAt).toISOString(),
    device: await deviceId(),
    data: withFigures(data)
  };
  const parsed = eventSchema.safeParse(event);
  if (!parsed.success) {
    const { path, reason } = firstProblem(parsed.error);
    throw new InputError(`${path.replace(/^data\./, '')} ${reason}.`, 'Correct it and try again.', path);
  }
  return parsed.data;
}

/** How this household says amounts, and what its vessels hold. */
async function wordsHere(): Promise<Words> {
  const kept = settingsSchema.safeParse((await db.settings.get('household'))?.value);
  const unit = (kept.success ? kept.data : DEFAULT_SETTINGS).volume;
  const vessels = [...(await db.vessels.toArray()), ...VESSEL_PRESETS];
  const vessel = (id: string) => vessels.find((v) => v.id === id);
  return {
    volume: (litres) => volumeText(litres, unit),
    vessel: (id) => vessel(id)?.name ?? 'vessel',
    capacityL: (id) => vessel(id)?.capacityL ?? null
  };
}

/** Asks about events before they are written. @throws InputError for what cannot have been, AskError for what may */
async function askAbout(events: readonly LedgerEvent[], sure: boolean): Promise<void> {
  const words = await wordsHere();
  for (const id of new Set(events.flatMap(batchesOf))) {
    const log = await eventsOf(id);
    const mine = events.filter((e) => e.type === 'void' || batchesOf(e).includes(id));
    const questions = questionsAbout(id, log, mine, words);
    const refused = questions.find((q) => q.level === 'refuse');
    if (refused) throw new InputError(refused.text, refused.todo);
    if (!sure && questions[0]) throw new AskError(questions[0].text, questions[0].todo);
  }
}

/**
 * Writes events to the log with the summaries they touch, all of it or nothing, or to the list they are gathered in.
 * A form that writes twice has written once.
 */
export async function write(events: LedgerEvent[], when: When = {}): Promise<void> {
  if (when.into) {
    when.into.push(...events);
    return;
  }
  await db.transaction('rw', [db.events, db.summaries, db.settings, db.vessels], async () => {
    const there = await db.events.bulkGet(events.map((e) => e.id));
    if (when.form && there.every(Boolean)) return;
    await askAbout(events, when.sure === true);
    const whole = await isStamped();
    await db.events.bulkAdd(events);
    await sumUp(await touched(events));
    if (whole) await stamp();
  });
}

/** Writes one event. */
export async function record<T extends EventType>(
  batchId: string,
  type: T,
  data: EventData<T>,
  when?: When
): Promise<LedgerEvent> {
  const event = await makeEvent(batchId, type, data, when);
  await write([event], when);
  return event;
}

/** Writes all that one tap does in one go. @returns its events */
export async function together(
  when: When | undefined,
  job: (when: When) => Promise<unknown>
): Promise<LedgerEvent[]> {
  const into: LedgerEvent[] = [];
  await job({ ...when, into });
  await write(into, when);
  return into;
}

type Ref = Pick<LedgerEvent, 'id' | 'batchId'>;

/** Later events that would be left hanging if these were taken back. */
export async function hangingOn(events: readonly Ref[]): Promise<LedgerEvent[]> {
  const out = new Map<string, LedgerEvent>();
  for (const batchId of new Set(events.map((e) => e.batchId)))
    for (const e of dependentsOf(
      await eventsOf(batchId),
      events.map((x) => x.id)
    ))
      out.set(e.id, e);
  return [...out.values()];
}

/** Takes events back by voiding them, in one write; nothing is erased. @returns the voids */
export async function undo(events: Ref | readonly Ref[]): Promise<LedgerEvent[]> {
  const list = Array.isArray(events) ? (events as readonly Ref[]) : [events as Ref];
  const voids = await Promise.all(list.map((e) => makeEvent(e.batchId, 'void', { eventId: e.id })));
  await write(voids, { sure: true });
  return voids;
}

/** Brings back what was taken back, as new events that say the same: a void is never voided. */
export async function restore(events: readonly LedgerEvent[]): Promise<LedgerEvent[]> {
  const again = events.map((e) => ({ ...e, id: uuidv7(), recordedAt: new Date().toISOString() }));
  await write(again, { sure: true });
  return again;
}

export const newId = (): string => uuidv7();
