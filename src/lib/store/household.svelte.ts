import { liveQuery } from 'dexie';
import { KINDS } from '$core/ledger/kept';
import type { LedgerEvent } from '$core/ledger/log';
import type { Broken, Summary } from '$core/report/summary';
import { leavesAt } from '$core/steps/schedule';
import type { Place } from '$core/steps/stages';
import type { OwnMethod } from '$core/plan/methods';
import type { OwnYeast } from '$core/plan/own-yeast';
import type { Recipe } from '$core/must/recipe';
import type { HarvestLot } from '$core/plan/harvest';
import type { Produce } from '$core/tables/produce';
import { withOwn } from '$core/tables/table';
import type { Rack } from '$core/vessels/rack';
import { onOffer } from '$core/vessels/on-offer';
import { VESSEL_PRESETS, type Vessel } from '$core/vessels/vessels';
import { asBatches, type Batch } from './as-batches';
import { db } from './db';
import type { SettingsChange } from './put-settings';
import { clockSays, storeHolds } from './health.svelte';
import { areSummariesOld, areSummariesStale, eventsHere, isNothingHere, lastWriteAt } from './stamp';
import { DEFAULT_SETTINGS, settingsFrom, type Settings } from '$core/units/settings';

export type { Batch };
/** A batch as its own page sees it, with everything that happened. */
export type OpenBatch = Batch & { events: LedgerEvent[] };

/** Lists that have not been read for the first time: a page opens on all of them, never on what a default would say. */
let toCome = $state.raw<ReadonlySet<string>>(new Set(['stamp', 'batches', ...KINDS, 'settings']));
let now = $state(Date.now());
let running = $state.raw<(Summary | Broken)[]>([]);
/** `empty`: batches of which no bottle is left, or none was ever filled. */
let counts = $state.raw({ events: 0, batches: 0, empty: 0 });
let building = $state<number | null>(null);
let vessels = $state.raw<Vessel[]>([]);
let settings = $state.raw<Settings>(DEFAULT_SETTINGS);
let ownProduce = $state.raw<Produce[]>([]);
let recipes = $state.raw<Recipe[]>([]);
let harvest = $state.raw<HarvestLot[]>([]);
let methods = $state.raw<OwnMethod[]>([]);
let racks = $state.raw<Rack[]>([]);
let yeasts = $state.raw<OwnYeast[]>([]);
let exportedAt = $state<number | null>(null);
/** when it was last written here, by the clock of then */
let lastWrite: number | null = null;
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
  /** yeasts as their packets call them */
  get yeasts() {
    return yeasts;
  },
  get exportedAt() {
    return exportedAt;
  },
  /** how many things were written down since the last file: what would be lost with this browser */
  get unsaved() {
    return Math.max(0, counts.events - (exportedAt === null ? 0 : (exportedEvents ?? counts.events)));
  }
};

const RUNNING = $derived(asBatches(running, now));

/** Every wine that stands in a vessel, newest first. */
export const runningBatches = (): Batch[] => RUNNING.batches;

/** Batches whose log cannot be read. */
export const brokenBatches = (): Broken[] => RUNNING.broken;

/** A vessel by id: the household's own, or a common size. */
export const vesselById = (id: string): Vessel | undefined =>
  vessels.find((v) => v.id === id) ?? VESSEL_PRESETS.find((v) => v.id === id);

/** What a vessel is called; one that nobody knows any more goes by `unknown`. */
export const vesselName = (id: string, unknown = 'vessel'): string => vesselById(id)?.name ?? unknown;

/** Which batch stands in a vessel now, by vessel id. */
export function vesselsInUse(): Map<string, Batch> {
  const used = new Map<string, Batch>();
  for (const batch of RUNNING.batches) for (const f of batch.state.fills) used.set(f.vesselId, batch);
  return used;
}

/** Vessels that can be chosen: the household's own, and common sizes beside them unless it has no others. */
export const vesselsOnOffer = (): Vessel[] => onOffer(vessels, settings.onlyListed === true);

/** Every vessel that can be chosen, and until when each is taken. */
export function placesNow(): Place[] {
  const used = vesselsInUse();
  return vesselsOnOffer().map((vessel) => {
    const by = used.get(vessel.id);
    return { vessel, freeAt: by ? (leavesAt(by.due) ?? Infinity) : null };
  });
}

/**
 * Changes settings, and only those that are named: of two changes one after another, or in two tabs, neither is lost.
 * @throws ZodError when a value is none of what may be
 */
export const changeSettings = async (change: SettingsChange) => {
  // What checks them is no part of the first page, and a transaction waits for nothing else.
  const { settingsDeed } = await import('./put-settings');
  return settingsDeed(change);
};

/** The produce table as this household has it, its own entries in the place of the table's. */
export const allProduce = (): readonly Produce[] => withOwn(ownProduce);

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
        empty: await db.summaries.where('bottles').equals(0).count(),
        events: await eventsHere()
      }),
      ({ rows, ...found }) => {
        now = Date.now();
        running = rows;
        counts = found;
        storeHolds(found.events, now);
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
      'yeasts',
      () => db.yeasts.toArray(),
      (rows) => (yeasts = rows)
    ),
    watch(
      'settings',
      () => db.settings.toArray(),
      (rows) => {
        settings = settingsFrom(rows.find((r) => r.key === 'household')?.value);
        const exported = rows.find((r) => r.key === 'exportedAt')?.value;
        exportedAt = typeof exported === 'number' ? exported : null;
        const inFile = rows.find((r) => r.key === 'exportedEvents')?.value;
        exportedEvents = typeof inFile === 'number' ? inFile : null;
        lastWrite = lastWriteAt(rows);
        clockSays(Date.now(), lastWrite);
      }
    )
  ];
  void mend();
  const toNow = () => {
    now = Date.now();
    clockSays(now, lastWrite);
    void summaries()
      .then((s) => s.refreshGiving(now))
      .catch((e) => console.error(e));
    void learnWhereDue();
  };
  const tick = setInterval(toNow, 30_000);
  // A machine that slept, or a tab that was away, shows the time it is seen at.
  const seen = () => document.visibilityState === 'visible' && toNow();
  document.addEventListener('visibilitychange', seen);
  return () => {
    clearInterval(tick);
    document.removeEventListener('visibilitychange', seen);
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
