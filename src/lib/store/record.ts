import type { Words } from '$core/ledger/question';
import type { Deed } from '$core/commands/deed';
import { bringBack, putRight, strike, takenBack, wholeDeeds } from '$core/commands/take-back';
import { saysNoStem } from '$core/commands/tick';
import { dependentsOf, questionsAbout } from '$core/ledger/check';
import { batchesOf, eventSchema, type LedgerEvent } from '$core/ledger/log';
import { withFigures } from '$core/plan/figures';
import type { Entry, EntryDraft } from '$core/ledger/things';
import type { OwnYeast } from '$core/plan/own-yeast';
import { KINDS } from '$core/ledger/kept';
import { VESSEL_PRESETS, type Vessel } from '$core/vessels/vessels';
import type { Table } from 'dexie';
import { volumeText } from '$core/units/format';
import { AskError, InputError } from '$core/units/input-error';
import { firstProblem } from '$core/units/problem';
import { db } from './db';
import { deviceId } from './device';
import { newId, zoneHere } from './here';
import { putSettings } from './put-settings';
import { settingsFrom, type Settings } from '$core/units/settings';
import { takenFromStock } from './stock';
import { reckonSoon } from './reckon-soon';
import { bearingOn } from '$core/report/sum-up';
import { stampMore } from './stamp';
import { eventsOf, sumUp, touched } from './summaries';
import { keepAll, voidEntries, writeEntries } from './things';
import { markBack, noteDeed } from './deeds';

/** When something happened (ms since 1970), if not now; and when it was written down. */
export type When = {
  at?: number;
  recordedAt?: number;
  /** the form that writes: what it wrote once, it does not write again */
  form?: string;
  /** said to be right where it was asked about */
  sure?: boolean;
  /** what it takes back: then it is no deed of its own */
  takesBack?: readonly { id: string }[];
  /** new ids of what that brings back, by the ids it had */
  ids?: ReadonlyMap<string, string>;
};

/** The id of a form's nth event: its own id and the next ones, in time's order, as all ids are. */
function numbered(form: string, n: number): string {
  const tail = (Number.parseInt(form.slice(-8), 16) + n) >>> 0;
  return form.slice(0, -8) + tail.toString(16).padStart(8, '0');
}

/**
 * The events of a deed, each checked against its schema; several are of one group. Writes nothing.
 * @throws InputError naming the field that is wrong
 */
export async function eventsOfDeed(deed: Deed, when: When = {}): Promise<LedgerEvent[]> {
  const now = Date.now();
  const device = await deviceId();
  const group = deed.length > 1 ? { group: when.form ?? newId() } : {};
  return deed.map((d, n) => {
    const at = d.at ?? when.at ?? now;
    const event = {
      id: d.id ?? (when.form ? numbered(when.form, n) : newId()),
      batchId: d.batchId,
      type: d.type,
      v: 1,
      at: new Date(at).toISOString(),
      zone: d.zone ?? zoneHere(),
      recordedAt: new Date(when.recordedAt ?? when.at ?? now).toISOString(),
      device,
      ...(d.group === undefined ? group : d.group === null ? {} : { group: d.group }),
      data: withFigures(d.data)
    };
    const parsed = eventSchema.safeParse(event);
    if (!parsed.success) {
      const { path, reason } = firstProblem(parsed.error);
      throw new InputError(`${path.replace(/^data\./, '')} ${reason}.`, 'Correct it and try again.', path);
    }
    return parsed.data;
  });
}

/** How this household says amounts, and what its vessels hold. */
async function wordsHere(): Promise<Words> {
  const unit = settingsFrom((await db.settings.get('household'))?.value).volume;
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

/** What a deed brings along beside its events: written with them, or nothing is. */
export type Along = {
  settings?: Partial<Settings>;
  vessels?: readonly Vessel[];
  yeasts?: readonly OwnYeast[];
  /** entries of things that are taken back with it, and new ones */
  entries?: readonly Entry[];
  drafts?: readonly EntryDraft[];
};

/** What an instrument read by itself is no deed of a person. */
const isByItself = (e: LedgerEvent): boolean => e.type === 'reading' && e.data.by !== undefined;

/** Writes events to the log with the summaries they touch, all of it or nothing. A form that writes twice has written once. */
export async function write(
  events: readonly LedgerEvent[],
  when: When = {},
  { settings = {}, vessels = [], yeasts = [], entries = [], drafts = [] }: Along = {}
): Promise<void> {
  const tables = [db.events, db.summaries, db.lessons, db.settings, db.vessels, db.deeds];
  const more =
    vessels.length + yeasts.length + entries.length + drafts.length > 0
      ? [db.things, ...KINDS.map((k) => db[k])]
      : [];
  await db.transaction('rw', [...new Set<Table>([...tables, ...more])], async () => {
    const there = await db.events.bulkGet(events.map((e) => e.id));
    if (when.form && there.every(Boolean)) return;
    const kept: Entry[] = [];
    if (vessels.length > 0) kept.push(...(await keepAll('vessels', vessels, 'part')));
    if (yeasts.length > 0) kept.push(...(await keepAll('yeasts', yeasts, 'part')));
    if (drafts.length > 0) kept.push(...(await writeEntries(drafts, 'part')));
    if (entries.length > 0) await voidEntries(entries);
    await askAbout(events, when.sure === true);
    await db.events.bulkAdd(events);
    await sumUp(await touched(events));
    await stampMore(events.length);
    const before = Object.keys(settings).length > 0 ? await putSettings(settings) : null;
    if (when.takesBack)
      await markBack({
        events: when.takesBack.map((e) => e.id),
        entries: entries.map((e) => e.id),
        ...(when.ids ? { ids: when.ids } : {})
      });
    else if (!events.every(isByItself))
      await noteDeed({
        events: events.map(({ id, batchId }) => ({ id, batchId })),
        entries: kept.map((e) => e.id),
        settings: before
      });
  });
}

/** More wines than this are not reckoned beforehand: what is kept of the first would have given way to the last. */
const BEFOREHAND = 8;

/** Reckons the wines as they will be, while the page draws: what writes then holds nothing up. */
async function reckonWith(events: readonly LedgerEvent[]): Promise<void> {
  const ids = [...(await touched(events))].slice(0, BEFOREHAND);
  for (const id of ids) await reckonSoon(bearingOn([...(await eventsOf(id)), ...events], id), Date.now());
}

/**
 * Writes down all that one tap does.
 * @param along what it says of the household, and the vessels that it brings
 * @returns its events, of which any stands for all when it is taken back
 */
export async function perform(deed: Deed, when: When = {}, along: Along = {}): Promise<LedgerEvent[]> {
  // What comes back, or is put right, was taken from the stock when it was written.
  const isOld = when.takesBack !== undefined || when.recordedAt !== undefined;
  const events = await eventsOfDeed(isOld ? deed : await takenFromStock(deed, when.sure === true), when);
  await reckonWith(events);
  const settings = saysNoStem(deed) ? { hasStem: false, ...along.settings } : along.settings;
  await write(events, when, { ...along, ...(settings ? { settings } : {}) });
  return events;
}

type Ref = Pick<LedgerEvent, 'id' | 'batchId'>;

const logsOf = async (events: readonly Ref[]): Promise<LedgerEvent[]> => {
  const logs = await Promise.all([...new Set(events.map((e) => e.batchId))].map(eventsOf));
  return [...new Map(logs.flat().map((e) => [e.id, e])).values()];
};

/** Later events that would be left hanging if the deeds of these were taken back. */
export async function hangingOn(events: readonly Ref[]): Promise<LedgerEvent[]> {
  const out = new Map<string, LedgerEvent>();
  const whole = wholeDeeds(await logsOf(events), events).filter((e) => e.type !== 'void');
  for (const batchId of new Set(whole.map((e) => e.batchId)))
    for (const e of dependentsOf(
      await eventsOf(batchId),
      whole.map((x) => x.id)
    ))
      out.set(e.id, e);
  return [...out.values()];
}

/** Undoes deeds, by any of the events of each, in one write; nothing is erased. @returns what that wrote */
export async function undo(events: readonly Ref[], along: Along = {}): Promise<LedgerEvent[]> {
  const logs = await logsOf(events);
  const hadNoStem = saysNoStem(wholeDeeds(logs, events));
  const { deed, ids } = takenBack(logs, events, newId);
  return perform(
    deed,
    { sure: true, takesBack: [...wholeDeeds(logs, events), ...events], ids },
    { ...along, ...(hadNoStem ? { settings: { ...along.settings, hasStem: true } } : {}) }
  );
}

/** Strikes what was written, and does not bring back what it had put right. @returns what that wrote */
export const remove = async (events: readonly Ref[]): Promise<LedgerEvent[]> =>
  perform(strike(await logsOf(events), events), { sure: true });

/** Brings a batch back that was taken back, by its start. */
export const restore = async (planned: LedgerEvent): Promise<LedgerEvent[]> =>
  perform(bringBack(await eventsOf(planned.batchId), planned, newId), { sure: true });

/** Puts an event right, and whatever speaks of it. */
export async function replace(
  old: LedgerEvent,
  data: unknown,
  at: number,
  sure = false
): Promise<LedgerEvent[]> {
  const deed = putRight(await eventsOf(old.batchId), old, data, at, newId);
  return perform(deed, { recordedAt: Date.now(), sure });
}
