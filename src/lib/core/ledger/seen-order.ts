import TinyQueue from 'tinyqueue';

/** What a log's order goes by: when it was written, by its writer's clock, and what its writer had seen by then. */
type Seen = { id: string; at: string; after?: readonly string[] | undefined };

const byClock = (a: Seen, b: Seen): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/**
 * Entries in the order in which they were written: each after all that its writer had seen, and only what was written
 * unseen of each other by the clocks. An entry whose clock ran ahead counts as no later than any entry that follows it, so
 * it does not win over what was written afterwards. The result does not depend on the order of the input.
 */
export function inSeenOrder<T extends Seen>(entries: readonly T[]): T[] {
  // Most logs have clocks that agree with what was seen, or say nothing of it.
  const sorted = [...entries].sort(byClock);
  if (isInOrder(sorted)) return sorted;
  const all = new Map(sorted.map((e) => [e.id, e]));
  const before = new Map(
    sorted.map((e) => [e.id, (e.after ?? []).filter((id) => id !== e.id && all.has(id))])
  );
  const followers = new Map<string, string[]>();
  for (const [id, ids] of before)
    for (const b of ids) {
      const known = followers.get(b);
      if (known) known.push(id);
      else followers.set(b, [id]);
    }
  // From the last backwards: nothing was written later than what its writers' followers say.
  const at = new Map(sorted.map((e) => [e.id, e.at]));
  const waiting = new Map(sorted.map((e) => [e.id, (followers.get(e.id) ?? []).length]));
  const ends = sorted.filter((e) => waiting.get(e.id) === 0).map((e) => e.id);
  for (let id = ends.pop(); id !== undefined; id = ends.pop())
    for (const b of before.get(id)!) {
      if (at.get(id)! < at.get(b)!) at.set(b, at.get(id)!);
      waiting.set(b, waiting.get(b)! - 1);
      if (waiting.get(b) === 0) ends.push(b);
    }
  const wants = new Map([...before].map(([id, ids]) => [id, ids.length]));
  const ready = new TinyQueue<{ id: string; at: string }>([], byClock);
  const isReady = (id: string) => ready.push({ id, at: at.get(id)! });
  for (const [id, n] of wants) if (n === 0) isReady(id);
  const out: T[] = [];
  for (let next = ready.pop(); next; next = ready.pop()) {
    out.push(all.get(next.id)!);
    for (const id of followers.get(next.id) ?? []) {
      wants.set(id, wants.get(id)! - 1);
      if (wants.get(id) === 0) isReady(id);
    }
  }
  // What waits for itself in a circle, as only in a forged log, comes last, by the clock.
  const done = new Set(out.map((e) => e.id));
  return [...out, ...sorted.filter((e) => !done.has(e.id))];
}

function isInOrder(sorted: readonly Seen[]): boolean {
  const place = new Map(sorted.map((e, i) => [e.id, i]));
  return sorted.every((e, i) => (e.after ?? []).every((id) => (place.get(id) ?? -1) < i));
}

/** The entries that no other of them was written after: what one who has them all has seen last, by their ids. */
export function lastSeen(entries: readonly Seen[]): string[] {
  const followed = new Set(entries.flatMap((e) => e.after ?? []));
  return entries
    .filter((e) => !followed.has(e.id))
    .sort(byClock)
    .slice(-MOST)
    .map((e) => e.id)
    .sort();
}
const MOST = 20;
