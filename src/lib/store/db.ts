import Dexie, { type EntityTable } from 'dexie';
import type { Taught } from '$core/belief/garden';
import type { Broken, Summary } from '$core/report/summary';
import type { LedgerEvent } from '$core/ledger/log';
import { upgradedEvent } from '$core/ledger/upgrade';
import { keptOf } from '$core/ledger/kept';
import type { Entry } from '$core/ledger/things';
import type { OwnMethod } from '$core/plan/methods';
import type { OwnYeast } from '$core/plan/own-yeast';
import type { Recipe } from '$core/must/recipe';
import type { HarvestLot } from '$core/plan/harvest';
import type { Produce } from '$core/tables/produce';
import type { Rack } from '$core/vessels/rack';
import type { Vessel } from '$core/vessels/vessels';
import type { Done } from './deeds';

type Keyed = { key: string; value: unknown };

/** A picture as it is kept: turned upright, made small, with nothing else of its file. */
export type Photo = { id: string; batchId: string; width: number; height: number; blob: Blob };

/** What an import brought, by ids. */
export type Import = {
  id: string;
  at: number;
  name: string;
  events: string[];
  things: string[];
  photos: string[];
  /** of each wine that it wrote to, how many events there were before it; left out in older ones */
  had?: Record<string, number>;
};

/** What a batch taught, and what was written to it that nothing was learnt from yet; null when there is nothing. */
export type Learnt = Taught & { id: string; due: number | null };

/** The browser's database. Its version is its own, apart from the file's. */
export class VecinoDb extends Dexie {
  events!: EntityTable<LedgerEvent, 'id'>;
  vessels!: EntityTable<Vessel, 'id'>;
  settings!: EntityTable<Keyed, 'key'>;
  drafts!: EntityTable<Keyed, 'key'>;
  /** what happened to all that the household has beside its wines; the lists below follow from it */
  things!: EntityTable<Entry, 'id'>;
  /** the user's own entries of the produce table */
  produce!: EntityTable<Produce, 'id'>;
  /** a cache: what lists need of each batch */
  summaries!: EntityTable<Summary | Broken, 'id'>;
  /** a cache: what each batch taught of its produce and of the place */
  lessons!: EntityTable<Learnt, 'id'>;
  /** versions of recipes: added, never changed */
  recipes!: EntityTable<Recipe, 'id'>;
  /** produce in hand */
  harvest!: EntityTable<HarvestLot, 'id'>;
  /** the household's own methods */
  methods!: EntityTable<OwnMethod, 'id'>;
  /** where bottles lie */
  racks!: EntityTable<Rack, 'id'>;
  /** yeasts as their packets call them */
  yeasts!: EntityTable<OwnYeast, 'id'>;
  /** pictures, by the event that tells of each */
  photos!: EntityTable<Photo, 'id'>;
  /** what this device wrote, in its order: for taking it back */
  deeds!: EntityTable<Done, 'n'>;
  /** what each import brought, so that it can be taken back */
  imports!: EntityTable<Import, 'id'>;

  constructor(name = 'vecino') {
    // Strict: a write is on disk before it is said to be done.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      events: 'id, batchId, [batchId+at]',
      vessels: 'id',
      settings: 'key',
      drafts: 'key'
    });
    this.version(2).stores({ produce: 'id' });
    // Blends are found from either side; summaries can be made anew from the events at any time.
    this.version(3).stores({
      events: 'id, batchId, [batchId+at], data.from.batchId',
      summaries: 'id, [running+startedAt], *words'
    });
    // Batches are found by the lots and the recipe they used.
    this.version(4).stores({
      summaries: 'id, [running+startedAt], *words, *lotIds, recipeId',
      recipes: 'id, family',
      harvest: 'id',
      methods: 'id'
    });
    // What was a row is the first entry of a log; events of older versions are written as those of today.
    this.version(5)
      .stores({ things: 'id, of' })
      .upgrade(async (tx) => {
        const [vessels, produce, recipes, harvest, methods] = await Promise.all(
          ['vessels', 'produce', 'recipes', 'harvest', 'methods'].map((t) => tx.table(t).toArray())
        );
        const rows = { vessels, produce, recipes, harvest, methods } as never;
        await tx.table('things').bulkPut(keptOf(rows, new Date().toISOString()));
        await tx
          .table('events')
          .filter((e: LedgerEvent) => upgradedEvent(e) !== e)
          .modify((e, ref) => void (ref.value = upgradedEvent(e)));
      });
    // What each batch taught, made anew with its summary.
    this.version(6).stores({ lessons: 'id' });
    // Bottles in hand and what comes due in them are found without reading the rest.
    this.version(7).stores({
      events: 'id, batchId, [batchId+at], data.from.batchId, type',
      summaries: 'id, [running+startedAt], *words, *lotIds, recipeId, nextAt, bottles, tasteAt',
      racks: 'id',
      photos: 'id, batchId',
      imports: 'id, at'
    });
    // Yeasts of one's own, and what this device wrote last, for taking it back.
    this.version(8).stores({ yeasts: 'id', deeds: '++n' });
  }
}

export const db = new VecinoDb();
