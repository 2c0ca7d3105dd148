import { beforeEach, describe, expect, it } from 'vitest';
import { letGo, shelve } from '$core/commands/cellar';
import { note, taste } from '$core/commands/observe';
import { foldBatch } from '$core/ledger/run';
import { readFile } from '$lib/files/vecino-file';
import { demoHousehold } from '$lib/demo/household.fixture';
import { batchFile, thingFile } from './file-of';
import { findInWords } from './find';
import { db } from './db';
import { bottledBatches, bottlesInHand, winesInBottle, winesToTaste } from './wines';
import { keepPhoto, photoOf } from './photos';
import { bringReadings } from './readings-in';
import { perform, undo } from './record';
import { eventsOf } from './summaries';

const NOW = Date.now();
const DAY = 86_400_000;
const idOf = async (name: string): Promise<string> =>
  (await db.events.filter((e) => e.type === 'planned' && e.data.name === name).first())!.batchId;

beforeEach(() => demoHousehold(NOW));

describe('what was written', () => {
  it('is found by its words, newest first, and no more once it was taken back', async () => {
    const id = await idOf('Quince');
    await perform(note(id, 'The Neighbour’s cat sat on it'), { at: NOW - DAY });
    const [later] = await perform(taste(id, 'the cat would like it', 2));
    const found = async (text: string) => (await findInWords(text)).map((f) => f.text);
    expect(await found('CAT')).toEqual(['the cat would like it', 'The Neighbour’s cat sat on it']);
    expect(await found('cat neighbour')).toEqual(['The Neighbour’s cat sat on it']);
    await undo([later!]);
    expect(await found('cat')).toEqual(['The Neighbour’s cat sat on it']);
    // To whom bottles went is found too; one letter finds nothing, for it finds all.
    expect(await found('choir')).toEqual(['the choir']);
    expect(await found('c')).toEqual([]);
  });
});

describe('a file of one thing', () => {
  it('holds a wine with its own vessels and nobody else’s; a lot with its whole log', async () => {
    const id = await idOf('Quince');
    const one = await batchFile(id, 'quince');
    const file = readFile(await one.blob.text());
    expect(new Set(file.events.map((e) => e.batchId))).toEqual(new Set([id]));
    const vessels = file.things.map((t) => t.of).sort();
    expect(vessels).toEqual(['bucket-15', 'jar-10', 'jar-10-b']);
    const [lot] = await db.harvest.toArray();
    const of = readFile(await (await thingFile('harvest', lot!.id, 'lot')).blob.text());
    expect([of.events.length, of.things.map((t) => t.kind)]).toEqual([0, ['harvest']]);
  });

  it('with a photo is an archive; the photo is kept with its event, or neither', async () => {
    const id = await idOf('Quince');
    const ready = { blob: new Blob(['x'], { type: 'image/jpeg' }), width: 2, height: 3 };
    const [event] = await keepPhoto(id, ready, { caption: 'c' });
    expect(await photoOf((event!.data as { photoId: string }).photoId)).toMatchObject({
      width: 2,
      batchId: id
    });
    expect((await batchFile(id, 'quince')).name).toBe('quince.vecino.zip');
    const before = await db.photos.count();
    await expect(keepPhoto(id, { ...ready, width: 0 }, {})).rejects.toThrow();
    expect(await db.photos.count()).toBe(before);
  });
});

describe('bottles in the lists', () => {
  it('those with any left are found, and go from the list with the last one; undone they are back', async () => {
    const id = await idOf('Damson');
    const has = async () => (await winesInBottle()).some((b) => b.id === id);
    expect(await has()).toBe(true);
    const b = foldBatch(await eventsOf(id), NOW + DAY)!.bottled[0]!;
    expect(b.cells).toHaveLength(b.left);
    const gone = await perform(letGo(id, b, null, { count: b.left }));
    expect(await has()).toBe(false);
    expect(foldBatch(await eventsOf(id), NOW + DAY)!.bottled[0]!.cells).toEqual([]);
    await undo(gone);
    expect(await has()).toBe(true);
    const places = b.cells.slice(0, 2).map(({ rackId, row, col }) => ({ rackId, row, col }));
    await perform(shelve(id, b, 0, [], places));
    expect(foldBatch(await eventsOf(id), NOW + DAY)!.bottled[0]!.cells).toHaveLength(b.left - 2);
  });

  it('wines to taste are found by their day, so many of them, and how many there are', async () => {
    const { batches, all } = await winesToTaste(NOW + 40 * DAY, 1);
    expect(batches).toHaveLength(1);
    expect(all).toBeGreaterThan(1);
    expect((await winesToTaste(NOW - 3000 * DAY, 5)).all).toBe(0);
  });
});

describe('readings that are brought in', () => {
  it('are written once, what cannot be of the wine is counted, and what was undone comes anew', async () => {
    const id = await idOf('Elderberry');
    const hour = 3_600_000;
    const samples = [
      { at: NOW - 900 * DAY, sg: 1.05 },
      { at: NOW - 10 * hour, sg: 1.027, tempC: 21 },
      { at: NOW - 5 * hour, sg: 1.025, tempC: 21 },
      { at: NOW + 5 * hour, sg: 1.02, tempC: 21 }
    ];
    const first = await bringReadings(id, samples, 'float');
    expect([first.written.length, first.known, first.leftOut]).toEqual([2, 0, 2]);
    expect(await bringReadings(id, samples, 'float')).toMatchObject({ written: [], known: 2, leftOut: 2 });
    // By another instrument they are others.
    expect((await bringReadings(id, samples, 'logger')).written).toHaveLength(2);
    await undo(first.written);
    expect((await bringReadings(id, samples, 'float')).written).toHaveLength(2);
    const s = foldBatch(await eventsOf(id), NOW)!;
    expect(s.readings.filter((r) => r.sg === 1.027)).toHaveLength(2);
    expect((await bringReadings(id, samples.slice(1, 2), 'float', 'jar-elsewhere')).leftOut).toBe(0);
  });
});

describe('a wine looked for by its name', () => {
  it('is found by two words of it in any order, in bottle too; bottles in hand are counted without reading them', async () => {
    const bottled = (await winesInBottle()).map((b) => b.state.name);
    const two = bottled.find((n) => n.includes(' '))!;
    const [a, b] = two.toLowerCase().split(' ');
    for (const text of [two, `${b} ${a}`, `${a!.slice(0, 3)} ${b!.slice(0, 2)}`])
      expect((await bottledBatches(10, text)).map((x) => x.state.name)).toContain(two);
    expect(await bottledBatches(10, `${a} nowhere`)).toEqual([]);
    expect((await bottledBatches(3)).length).toBeLessThanOrEqual(3);
    const all = await winesInBottle();
    const left = all.flatMap((x) => x.state.bottled).reduce((n, x) => n + x.left, 0);
    expect(await bottlesInHand()).toEqual({ bottles: left, wines: all.length });
  });
});
