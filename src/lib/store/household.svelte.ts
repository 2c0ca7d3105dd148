import { liveQuery } from 'dexie';
import type { LedgerEvent } from '$core/ledger/log';
import { brokenOf, standingAt, type Broken, type Summary } from '$core/report/summary';
import { standsOf, type InBottle, type Stands } from '$core/report/stands';
import { dangersOf } from '$core/finish/danger';
import { leavesAt } from '$core/steps/schedule';
import type { Place } from '$core/steps/stages';
import type { OwnMethod } from '$core/plan/methods';
import type { Recipe } from '$core/must/recipe';
import type { HarvestLot } from '$core/plan/harvest';
import type { Produce } from '$core/tables/produce';
import { withOwn } from '$core/tables/table';
import type { Rack } from '$core/vessels/rack';
import { VESSEL_PRESETS, type Vessel } from '$core/vessels/vessels';
import { db } from './db';
import { clockSays } from './health.svelte';
import { areSummariesOld, areSummariesStale, eventsHere, isNothingHere, lastWriteAt } from './stamp';
import { isSound } from '$core/report/summary';
import { DEFAULT_SETTINGS, settingsSchema, type Settings } from '$core/units/settings';

/** A batch as lists see it. */
export type Batch = Stands;
/** A batch as its own page sees it, with everything that happened. */
export type OpenBatch = Batch & { events: LedgerEvent[] };

/** Lists that have not been read for the first time: a page opens on all of them, never on what a default would say. */
let toCome = $state.raw<ReadonlySet<string>>(
  new Set(['stamp', 'batches', 'vessels', 'produce', 'recipes', 'harvest', 'methods', 'racks', 'settings'])
);
let now = $state(Date.now());
let running = $state.raw<(Summary | Broken)[]>([]);
let counts = $state.raw({ events: 0, batches: 0 });
let building = $state<number | null>(null);
let vessels = $state.raw<Vessel[]>([]);
let settings = $state.raw<Settings>(DEFAULT_SETTINGS);
let ownProduce = $state.raw<Produce[]>([]);
let recipes = $state.raw<Recipe[]>([]);
let harvest = $state.raw<HarvestLot[]>([]);
let methods = $state.raw<OwnMethod[]>([]);
let racks = $state.raw<Rack[]>([]);
let exportedAt = $state<number | null>(null);
/** how many events the last file held; null where nobody counted: then all there were, as far as is known */
let exportedEvents = $state<number | null>(null);

/** All that is in the browser, kept live; and the minute it is. */
export const household = {
  get ready() {
    return toCome.size === 0 && building === null;
  },
  get now() {
    return now;
  },
  /** events in the log, and batches of them */
  get counts() {
    return counts;
  },
  /** how far the lists are from being made anew, 0 to 1; null when they are whole */
  get building() {
    return building;
  },
  get vessels() {
    return vessels;
  },
  get settings() {
    return settings;
  },
  get ownProduce() {
    return ownProduce;
  },
  /** every version of every recipe */
  get recipes() {
    return recipes;
  },
  get harvest() {
    return harvest;
  },
  get methods() {
    return methods;
  },
  get racks() {
    return racks;
  },
  get exportedAt() {
    return exportedAt;
  },
  /** how many things were written down since the last file: what would be lost with this browser */
  get unsaved() {
    return Math.max(0, counts.events - (exportedAt === null ? 0 : (exportedEvents ?? counts.events)));
  }
};

/** A summary as it stands at the minute it is. */
const asBatch = (summary: Summary): Batch =>
  standsOf({ ...summary.state, at: now }, standingAt(summary, now), summary.course);

/** Those that can be read, and those that cannot. */
function sorted(rows: readonly (Summary | Broken)[]): { batches: Batch[]; broken: Broken[] } {
  const batches: Batch[] = [];
  const broken: Broken[] = [];
  for (const row of rows) {
    if (!isSound(row)) broken.push(row);
    else
      try {
        batches.push(asBatch(row));
      } catch (e) {
        broken.push({ ...brokenOf([], row.id, e), name: row.state.name, startedAt: row.startedAt });
      }
  }
  return { batches: batches.sort((a, b) => b.state.startedAt - a.state.startedAt), broken };
}
const RUNNING = $derived(sorted(running));

/** Every wine that stands in a vessel, newest first. */
export const runningBatches = (): Batch[] => RUNNING.batches;

/** Batches whose log cannot be read. */
export const brokenBatches = (): Broken[] => RUNNING.broken;

/** So many more are looked at than are asked for, as wines that still stand in a vessel are among them. */
const ASIDE = 60;

/** Wines with words in their name that begin so, the newest first, so many of them. */
async function named(words: readonly string[], limit: number): Promise<(Summary | Broken)[]> {
  const ids = await Promise.all(
    words.map((w) => db.summaries.where('words').startsWith(w).distinct().primaryKeys())
  );
  const [first, ...others] = ids.map((x) => new Set(x as string[]));
  const all = [...first!].filter((id) => others.every((o) => o.has(id)));
  // Ids are by time, so the last are the newest; their rows alone are read.
  const rows = await db.summaries.bulkGet(all.sort().slice(-(limit + ASIDE)));
  return rows.flatMap((row) => (row && row.running === 0 ? [row] : []));
}

/** Bottled wines, newest first, so many of them; with `text`, those whose name has words that begin so. */
export async function bottledBatches(limit: number, text = ''): Promise<Batch[]> {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const found =
    words.length > 0
      ? await named(words, limit)
      : await db.summaries
          .where('[running+startedAt]')
          .between([0, -Infinity], [0, Infinity])
          .reverse()
          .limit(limit)
          .toArray();
  return found
    .sort((a, b) => b.startedAt - a.startedAt)
    .slice(0, limit)
    .flatMap((s) => sorted([s]).batches);
}

/** Bottles in hand and the wines they are of, by an index alone: what one comes for is said before the wines are read. */
export async function bottlesInHand(): Promise<{ bottles: number; wines: number }> {
  const each = (await db.summaries.where('bottles').above(0).keys()) as number[];
  return { bottles: each.reduce((n, x) => n + x, 0), wines: each.length };
}

/** Every wine of which bottles are left, those that were begun last first. */
export async function winesInBottle(): Promise<InBottle[]> {
  const found = await db.summaries.where('bottles').above(0).toArray();
  return found
    .filter(isSound)
    .map((row) => {
      const [state, standing] = [{ ...row.state, at: now }, standingAt(row, now)];
      return { id: row.id, state, standing, dangers: dangersOf(state, standing.belief) };
    })
    .sort((a, b) => b.state.startedAt - a.state.startedAt);
}

/** Wines in bottle that are to be tasted by now, those that wait longest first, so many of them; and how many there are. */
export async function winesToTaste(at: number, limit: number): Promise<{ batches: Batch[]; all: number }> {
  // Asked anew for each: a limit stays with what it was set on.
  const due = () => db.summaries.where('tasteAt').belowOrEqual(at);
  const [rows, all] = await Promise.all([due().limit(limit).toArray(), due().count()]);
  return { batches: sorted(rows).batches, all };
}

/** Every wine there is and was, newest first. */
export const everyBatch = async (): Promise<Batch[]> => sorted(await db.summaries.toArray()).batches;

/** A vessel by id: the household's own, or a common size. */
export const vesselById = (id: string): Vessel | undefined =>
  vessels.find((v) => v.id === id) ?? VESSEL_PRESETS.find((v) => v.id === id);

/** Which batch stands in a vessel now, by vessel id. */
export function vesselsInUse(): Map<string, Batch> {
  const used = new Map<string, Batch>();
  for (const batch of RUNNING.batches) for (const f of batch.state.fills) used.set(f.vesselId, batch);
  return used;
}

/** Every vessel of the household, or the common sizes, and until when each is taken. */
export function placesNow(): Place[] {
  const used = vesselsInUse();
  return (vessels.length > 0 ? vessels : VESSEL_PRESETS).map((vessel) => {
    const by = used.get(vessel.id);
    return { vessel, freeAt: by ? (leavesAt(by.due) ?? Infinity) : null };
  });
}

export const saveSettings = (next: Settings) =>
  db.settings.put({ key: 'household', value: settingsSchema.parse(next) });

/** The produce table as this household has it, its own entries in the place of the table's. */
export const allProduce = (): readonly Produce[] => withOwn(ownProduce);

/** Kilograms that batches took of each lot, by its id, and the batches that did. */
export async function lotsUsed(): Promise<
  Map<string, { kg: number; batches: { id: string; name: string }[] }>
> {
  const used = new Map<string, { kg: number; batches: { id: string; name: string }[] }>();
  for (const s of (await db.summaries.where('lotIds').notEqual('').distinct().toArray()).filter(isSound))
    for (const [lotId, kg] of Object.entries(s.lotsKg)) {
      const u = used.get(lotId) ?? { kg: 0, batches: [] };
      u.kg += kg;
      u.batches.push({ id: s.id, name: s.state.name });
      used.set(lotId, u);
    }
  return used;
}

function came(list: string): void {
  if (toCome.has(list)) toCome = new Set([...toCome].filter((l) => l !== list));
}

/** Starts listening to the database and the clock; returns what stops it. */
export function watchHousehold(): () => void {
  const watch = <T>(list: string, query: () => Promise<T>, set: (value: T) => void) => {
    const subscription = liveQuery(query).subscribe({
      next: (value) => {
        set(value);
        came(list);
      },
      // A list that cannot be read must not keep the pages from opening: Settings and its export need none.
      error: (e) => {
        console.error(e);
        came(list);
      }
    });
    return () => subscription.unsubscribe();
  };
  const stops = [
    watch(
      'batches',
      async () => ({
        rows: await db.summaries
          .where('[running+startedAt]')
          .between([1, -Infinity], [1, Infinity])
          .toArray(),
        batches: await db.summaries.count(),
        events: await eventsHere()
      }),
      ({ rows, ...found }) => {
        now = Date.now();
        running = rows;
        counts = found;
      }
    ),
    watch(
      'vessels',
      () => db.vessels.toArray(),
      (rows) => (vessels = rows)
    ),
    watch(
      'produce',
      () => db.produce.toArray(),
      (rows) => (ownProduce = rows)
    ),
    watch(
      'recipes',
      () => db.recipes.toArray(),
      (rows) => (recipes = rows)
    ),
    watch(
      'harvest',
      () => db.harvest.toArray(),
      (rows) => (harvest = rows)
    ),
    watch(
      'methods',
      () => db.methods.toArray(),
      (rows) => (methods = rows)
    ),
    watch(
      'racks',
      () => db.racks.toArray(),
      (rows) => (racks = rows)
    ),
    watch(
      'settings',
      () => db.settings.toArray(),
      (rows) => {
        const saved = settingsSchema.safeParse(rows.find((r) => r.key === 'household')?.value);
        settings = saved.success ? saved.data : DEFAULT_SETTINGS;
        const exported = rows.find((r) => r.key === 'exportedAt')?.value;
        exportedAt = typeof exported === 'number' ? exported : null;
        const inFile = rows.find((r) => r.key === 'exportedEvents')?.value;
        exportedEvents = typeof inFile === 'number' ? inFile : null;
        clockSays(Date.now(), lastWriteAt(rows));
      }
    )
  ];
  void mend();
  const tick = setInterval(() => {
    now = Date.now();
    void summaries()
      .then((s) => s.refreshGiving(now))
      .catch((e) => console.error(e));
    void learnWhereDue();
  }, 30_000);
  return () => {
    clearInterval(tick);
    stops.forEach((stop) => stop());
  };
}

/** What makes lists of logs: loaded once the lists stand that were made before. */
const summaries = () => import('./summaries');

/** What wines taught is learnt in the minute after they were written to; a page that needs it asks itself. */
async function learnWhereDue(): Promise<void> {
  if (await db.lessons.filter((l) => l.due !== null).first())
    await (await import('./learn-soon')).learnSoon();
}

/** So long after a page opened its events are counted, ms: of many that takes a second, in which nothing else is read. */
const COUNTED_AFTER = 15_000;

/** Makes the lists anew. */
async function makeListsAnew(): Promise<void> {
  // Known before any list is shown: what was made of other events is shown to nobody.
  building = 0;
  came('stamp');
  const { rebuildSummaries } = await summaries();
  await rebuildSummaries((share) => (building = share));
}

/** Makes the lists anew when they are not of all there is; then brings forward what time has changed. */
async function mend(): Promise<void> {
  try {
    const isNew = await isNothingHere();
    if (!isNew && (await areSummariesOld())) await makeListsAnew();
    came('stamp');
    // Nothing to list yet: what writes comes once the first page stands, so that the first word is kept at once.
    if (isNew) setTimeout(() => void summaries(), 1000);
    else {
      building = null;
      await (await summaries()).refreshGiving(Date.now());
      setTimeout(() => void mendCounted(), COUNTED_AFTER);
    }
  } catch (e) {
    // The log is safe; the pages show what there is.
    console.error(e);
  }
  came('stamp');
  building = null;
}

/** What was written past every list is found by counting. */
async function mendCounted(): Promise<void> {
  try {
    if (await areSummariesStale()) await makeListsAnew();
  } catch (e) {
    console.error(e);
  }
  building = null;
}
