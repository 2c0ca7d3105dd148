import type { Entry, ThingKind } from '$core/ledger/things';
import type { LedgerEvent } from '$core/ledger/log';
import { defOf } from '$core/ledger/log';
import { nameOf } from '$core/plan/name';
import type { Ingredient } from '$core/plan/plan';
import { isSound } from '$core/report/summary';
import { quantityText } from '$core/units/format';
import { db } from '$lib/store/db';
import { lastDeed, type Done } from '$lib/store/deeds';
import { household } from '$lib/store/household.svelte';
import { dayWord } from '../shelf/when';
import { partText } from './event-words';

/** The last deed of this device, in words: of what, what it was, and when it was written. */
export type LastDeed = { done: Done; who: string; what: string; when: string };

const THING: Record<ThingKind, string> = {
  vessels: 'Vessels',
  produce: 'Almanac',
  recipes: 'Recipes',
  harvest: 'Harvest',
  methods: 'Methods',
  racks: 'Cellar',
  yeasts: 'Yeasts'
};

/** What a setting is called, where its name says little. */
const SETTING: Record<string, string> = {
  system: 'measures',
  mass: 'weights',
  volume: 'volumes',
  temp: 'temperatures',
  hydrometer: 'the hydrometer',
  roomC: 'how warm it usually is',
  hasStem: 'whether gravity is read',
  onlyListed: 'whether other sizes are offered',
  walk: 'the order of the walk',
  sets: 'what goes in together',
  labels: 'labels',
  prices: 'prices',
  waterAlkalinityMgL: 'the water'
};

/** What was written of a thing. */
function entryWords(e: Entry, name: string): string {
  if (e.what === 'kept') {
    const thing = e.thing as { massKg?: number; produceId?: string; form?: string };
    if (e.kind === 'harvest' && thing.massKg !== undefined) {
      const item = { kind: 'produce', ...thing } as Ingredient;
      return `weighed in ${quantityText(thing.massKg, household.settings.mass)} ${nameOf(item).toLowerCase()}`;
    }
    return `${name} added`;
  }
  return `${name} ${e.what === 'gone' ? 'taken off the list' : e.what === 'fate' ? 'used in part' : 'changed'}`;
}

const thingName = (e: Entry): string => {
  const thing = e.what === 'kept' ? (e.thing as { name?: unknown }) : {};
  return typeof thing.name === 'string' ? thing.name : THING[e.kind].toLowerCase().replace(/s$/, '');
};

/** What an event said, in this household's measures. */
function eventText(e: LedgerEvent): string {
  const { what, detail } = defOf(e).says(e, { id: e.batchId, readings: [], steeps: [] });
  const say = (parts: typeof what) =>
    parts.map((p) => partText(p, household.settings, (ms) => dayWord(ms, household.now, e.zone))).join('');
  return [say(what), say(detail)].filter(Boolean).join(' · ');
}

/** The last deed of this device that can be taken back; null where there is none. */
export async function lastDeedWords(): Promise<LastDeed | null> {
  const done = await lastDeed();
  if (!done) return null;
  const when = dayWord(done.at, Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone);
  if (done.importId !== null) {
    const brought = await db.imports.get(done.importId);
    return { done, who: 'Files', what: `what ${brought?.name ?? 'a file'} brought in`, when };
  }
  const events = (await db.events.bulkGet(done.events.map((e) => e.id))).flatMap((e) => (e ? [e] : []));
  const said = events.filter((e) => e.type !== 'void');
  const entries = (await db.things.bulkGet(done.entries)).flatMap((e) => (e ? [e] : []));
  const more = (n: number) => (n > 0 ? `, and ${n} more written with it` : '');
  const first = said[0] ?? events[0];
  if (first) {
    const wine = await db.summaries.get(first.batchId);
    const who = wine && isSound(wine) ? wine.state.name : '';
    const what = said[0] ? eventText(said[0]) : 'what was taken out of its history';
    return { done, who, what: `${what}${more(Math.max(0, said.length - 1))}`, when };
  }
  const [entry] = entries;
  if (entry) {
    const row = entry.what === 'kept' ? null : await db.things.where('of').equals(entry.of).first();
    const name = row ? thingName(row) : thingName(entry);
    return {
      done,
      who: THING[entry.kind],
      what: `${entryWords(entry, name)}${more(entries.length - 1)}`,
      when
    };
  }
  const keys = Object.keys(done.settings ?? {});
  return { done, who: 'Settings', what: keys.map((k) => SETTING[k] ?? k).join(', '), when };
}
