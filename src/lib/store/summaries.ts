import { batchesOf, type LedgerEvent } from '$core/ledger/log';
import { stillGives } from '$core/ledger/state';
import { summaryOf } from '$core/report/sum-up';
import { brokenOf, isSound, type Broken, type Summary } from '$core/report/summary';
import { db, type Learnt } from './db';
import { stamp, unstamp } from './stamp';

/** Events of one batch: its own, the blends that took from it, and what voids any of them. */
export async function eventsOf(batchId: string): Promise<LedgerEvent[]> {
  const [own, taken] = await Promise.all([
    db.events.where('batchId').equals(batchId).toArray(),
    db.events.where('data.from.batchId').equals(batchId).toArray()
  ]);
  const others = new Set(taken.filter((e) => e.batchId !== batchId).map((e) => e.batchId));
  if (others.size === 0) return own;
  const ids = new Set(taken.map((e) => e.id));
  const voids = await db.events
    .where('batchId')
    .anyOf([...others])
    .filter((e) => e.type === 'void' && ids.has(e.data.eventId))
    .toArray();
  return [...own, ...taken.filter((e) => e.batchId !== batchId), ...voids];
}

/** The batches that must be summed up anew after these events: theirs, and those of what they void. */
export async function touched(events: readonly LedgerEvent[]): Promise<Set<string>> {
  const ids = new Set(events.flatMap(batchesOf));
  const voided = events.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : []));
  for (const e of await db.events.bulkGet(voided)) if (e) batchesOf(e).forEach((id) => ids.add(id));
  return ids;
}

/** Makes the summaries of some batches anew; what those with readings taught is learnt when there is time. */
export async function sumUp(ids: Iterable<string>): Promise<void> {
  const at = Date.now();
  const [made, gone]: [(Summary | Broken)[], string[]] = [[], []];
  for (const id of ids) {
    const events = await eventsOf(id);
    // One log that cannot be read must not keep the others from being listed.
    try {
      const summary = summaryOf(events, id, at);
      if (summary) made.push(summary);
      else gone.push(id);
    } catch (e) {
      made.push(brokenOf(events, id, e));
    }
  }
  await db.summaries.bulkPut(made);
  if (gone.length > 0) await db.summaries.bulkDelete(gone);
  const read = made.flatMap((m) => (isSound(m) && m.state.readings.length > 0 ? [m.id] : []));
  const before = await db.lessons.bulkGet(read);
  await db.lessons.bulkPut(
    read.map((id, i): Learnt => ({ ...(before[i] ?? { id, lessons: [], pace: null }), due: newMark() }))
  );
  const silent = new Set(read);
  await db.lessons.bulkDelete([...made.map((m) => m.id), ...gone].filter((id) => !silent.has(id)));
}

/** Unlike any before it. */
const newMark = (): number => Date.now() + Math.random();

const LOT = 20;

/** Makes every summary anew. @param told is told how far it is, 0 to 1 */
export async function rebuildSummaries(told?: (share: number) => void): Promise<void> {
  await unstamp();
  const ids = (await db.events.orderBy('batchId').uniqueKeys()) as string[];
  const known = (await db.summaries.toCollection().primaryKeys()) as string[];
  await db.summaries.bulkDelete(known.filter((id) => !ids.includes(id)));
  // In lots: every write makes the open lists look again.
  for (let i = 0; i < ids.length; i += LOT) {
    await sumUp(ids.slice(i, i + LOT));
    told?.(Math.min(1, (i + LOT) / ids.length));
  }
  await stamp();
}

/** Fruit gives and time passes without an event: what still holds fruit is summed up again after ten minutes. */
const STALE_MS = 600_000;

/** Brings forward the summaries of wines that still stand on fruit. */
export async function refreshGiving(at: number): Promise<void> {
  const standing = await db.summaries
    .where('[running+startedAt]')
    .between([1, -Infinity], [1, Infinity])
    .toArray();
  const giving = standing.filter(isSound).filter((s) => stillGives(s.state) && at - s.state.at > STALE_MS);
  // What was written for later has come to be; a wine in bottle is to be tasted.
  const turned = (await db.summaries.where('nextAt').belowOrEqual(at).primaryKeys()) as string[];
  const due = [...new Set([...giving.map((s) => s.id), ...turned])];
  if (due.length === 0) return;
  await db.transaction('rw', [db.events, db.summaries, db.lessons], () => sumUp(due));
}

/** Batches that were taken back as a whole, by their start, newest first; each once, and none that is back. */
export async function takenBackBatches(): Promise<Extract<LedgerEvent, { type: 'planned' }>[]> {
  const voided = new Set(
    (await db.events.filter((e) => e.type === 'void').toArray()).map((e) =>
      e.type === 'void' ? e.data.eventId : ''
    )
  );
  const planned = (await db.events.filter((e) => e.type === 'planned').toArray()).flatMap((e) =>
    e.type === 'planned' ? [e] : []
  );
  const standing = new Set(planned.filter((e) => !voided.has(e.id)).map((e) => e.batchId));
  const gone = new Map<string, (typeof planned)[number]>();
  for (const e of planned)
    if (voided.has(e.id) && !standing.has(e.batchId)) {
      const known = gone.get(e.batchId);
      if (!known || known.recordedAt < e.recordedAt) gone.set(e.batchId, e);
    }
  return [...gone.values()].sort((a, b) => (a.at < b.at ? 1 : -1));
}
