import { beforeEach, describe, expect, it } from 'vitest';
import { beginBatch } from '$core/commands/begin';
import { note } from '$core/commands/observe';
import { blend } from '$core/commands/put';
import { standingOf } from '$core/belief/standing';
import { inOrder, type LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import { union } from '$core/ledger/merge';
import { mulberry32 } from '$core/maths/draw';
import { extremeHistory } from '$core/report/extreme.fixture';
import { InputError } from '$core/units/input-error';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { DEMO_NOW, demoHousehold } from '$lib/demo/household.fixture';
import { isArchive, openArchive, packArchive } from '$lib/files/archive';
import { previewImport, readFile, writeFile } from '$lib/files/vecino-file';
import { db } from './db';
import { newId } from './here';
import { emptyHousehold } from './empty';
import { perform, undo } from './record';
import { eventsOf } from './summaries';
import { restoreTo, writtenSince } from './restore';
import { lastImports, takeImportOut } from './take-out';
import { keep } from './things';
import { contentHere, writeImport } from './transfer-file';
import { tries } from '../tries.fixture';

const NOW = DEMO_NOW;
const EXPORTED = '2026-06-01T09:00:00.000Z';
const textHere = async () => writeFile(await contentHere(DEFAULT_SETTINGS), EXPORTED);
const bring = async (text: string, name = 'x') => {
  const preview = previewImport(readFile(text), await contentHere(DEFAULT_SETTINGS));
  await writeImport(preview, undefined, { name });
  return preview;
};

beforeEach(emptyHousehold);

describe('everything in a file', () => {
  it('out, in and out again is the same to the byte, bottles, racks and tastings with it', async () => {
    await demoHousehold(NOW);
    const first = await textHere();
    await emptyHousehold();
    await bring(first);
    expect(await textHere()).toBe(first);
    const again = await bring(first);
    expect([again.newEvents.length, again.newEntries.length]).toEqual([0, 0]);
    expect(await textHere()).toBe(first);
  });

  it('logs torn in pieces, and brought together in any order, are one and the same', () => {
    const told = (events: readonly LedgerEvent[]) => writeFile({ events }, EXPORTED);
    for (let seed = 1; seed <= tries(60, 200); seed++) {
      const random = mulberry32(seed);
      // Ids of a history are its own: what two devices share are the same events.
      const log = [...new Map(extremeHistory(seed).map((e) => [e.id, e])).values()];
      const pieces = [0, 1, 2].map(() => log.filter(() => random() < 0.6));
      const whole = inOrder([...new Map(pieces.flat().map((e) => [e.id, e])).values()]);
      for (const order of [
        [0, 1, 2],
        [2, 0, 1],
        [1, 2, 0]
      ]) {
        const merged = order.reduce<LedgerEvent[]>((a, i) => [...a, ...union(a, pieces[i]!).added], []);
        expect(told(merged), `seed ${seed}`).toBe(told(whole));
        expect(foldBatch(merged, NOW + 1e11)?.bottled).toEqual(foldBatch(whole, NOW + 1e11)?.bottled);
      }
    }
  });
});

describe('an archive of a log and its pictures', () => {
  /** The head of a JPEG of this width and height, and `more` bytes behind it. */
  const jpeg = (width: number, height: number, more = 3000): Uint8Array<ArrayBuffer> => {
    const [w, h] = [width, height].map((n) => [n >> 8, n & 255]);
    const app0 = [0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0];
    const sof = [0xff, 0xc0, 0, 17, 8, ...h!, ...w!, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0];
    const rest = Array.from({ length: more }, (_, i) => (i * 37) % 255);
    return new Uint8Array([0xff, 0xd8, ...app0, ...sof, ...rest]);
  };
  const picture = new Blob([jpeg(400, 300)], { type: 'image/jpeg' });
  const id = '01970000-0000-7000-8000-00000000f070';

  it('holds both, and gives them back as they were', async () => {
    const packed = await packArchive(['{"a":1}'], [{ id, blob: picture }]);
    expect(await isArchive(packed)).toBe(true);
    expect(await isArchive(new Blob(['{"a":1}']))).toBe(false);
    const { log, pictures } = await openArchive(packed);
    expect(log).toBe('{"a":1}');
    const { photos } = await pictures([id]);
    expect(new Uint8Array(await photos.get(id)!.arrayBuffer())).toEqual(
      new Uint8Array(await picture.arrayBuffer())
    );
  });

  it('pictures lie in their order though some are read sooner, and one that cannot be read ends it', async () => {
    const ids = Array.from(
      { length: 80 },
      (_, i) => `01970000-0000-7000-8000-${String(i).padStart(12, '0')}`
    );
    const slow = (i: number): Blob =>
      ({
        arrayBuffer: () =>
          new Promise((done) => setTimeout(() => done(jpeg(400, 300, i).buffer), (i * 7) % 11))
      }) as unknown as Blob;
    async function* photos() {
      for (const [i, id] of ids.entries()) yield { id, blob: slow(i) };
    }
    const packed = await packArchive(['{"a"', ':1}'], photos());
    const { log, pictures } = await openArchive(packed);
    expect(log).toBe('{"a":1}');
    const { photos: found } = await pictures(ids);
    expect([...found.keys()]).toEqual(ids);
    for (const [i, id] of ids.entries())
      expect(new Uint8Array(await found.get(id)!.arrayBuffer())).toEqual(jpeg(400, 300, i));
    const gone = { arrayBuffer: () => Promise.reject(new Error('the picture is gone')) } as unknown as Blob;
    const some = [...ids.slice(0, 40).map((id, i) => ({ id, blob: slow(i) })), { id, blob: gone }];
    await expect(packArchive(['{}'], some)).rejects.toThrow('the picture is gone');
  });

  it('broken in any way it is refused with a reason, or holds its log whole; nothing is thrown that is none', async () => {
    await demoHousehold(NOW);
    const text = await textHere();
    const bytes = new Uint8Array(await (await packArchive([text], [{ id, blob: picture }])).arrayBuffer());
    const random = mulberry32(5);
    let refused = 0;
    for (let i = 0; i < tries(40, 2000); i++) {
      const broken = bytes.slice(0, i % 3 === 0 ? Math.floor(random() * bytes.length) : bytes.length);
      for (let n = 0; n < 1 + (i % 4); n++)
        broken[Math.floor(random() * broken.length)]! ^= 1 << Math.floor(random() * 8);
      try {
        const { log } = await openArchive(new Blob([broken]));
        readFile(log);
        // What came through is what was written: a picture, or a name beside it, was hit.
        expect(log).toBe(text);
      } catch (e) {
        expect(e, `${i}: ${String(e)}`).toBeInstanceOf(InputError);
        refused += 1;
      }
    }
    expect(refused).toBeGreaterThan(tries(15, 800));
  });

  const zip = async (files: Record<string, Uint8Array | string>) => {
    const { zipSync, strToU8 } = await import('fflate');
    const entries = Object.entries(files).map(([k, v]) => [k, typeof v === 'string' ? strToU8(v) : v]);
    return new Uint8Array(zipSync(Object.fromEntries(entries) as Record<string, Uint8Array>, { level: 9 }));
  };
  const photo = `photos/${id}.jpg`;
  const LOG = 'cellar.vecino.json';

  it('a picture that was hit is told, and is not brought in; what nothing names is not unpacked', async () => {
    const bytes = await zip({ [LOG]: '{}', [photo]: jpeg(400, 300) });
    const at = bytes.indexOf(0x50, 60);
    bytes[at + 60]! ^= 4;
    const { pictures } = await openArchive(new Blob([bytes]));
    expect(await pictures([id])).toEqual({ photos: new Map(), damaged: 1 });
    expect(await pictures(['01970000-0000-7000-8000-000000000000'])).toEqual({
      photos: new Map(),
      damaged: 0
    });
    expect(await pictures([])).toEqual({ photos: new Map(), damaged: 0 });
  });

  it('ten kinds of bombs are refused in words, soon, and take up little', { timeout: 60_000 }, async () => {
    const zeros = new Uint8Array(60_000_000);
    const whole = await zip({ [LOG]: '{}', 'notes.txt': 'x' });
    /** The same archive with one figure of its list written over. */
    const forged = (offset: number, value: number, bytes = whole) => {
      const out = bytes.slice();
      const view = new DataView(out.buffer);
      for (let i = 0; i < out.length - 4; i++)
        if (view.getUint32(i, true) === 0x02014b50) {
          view.setUint32(i + offset, value, true);
          break;
        }
      return out;
    };
    const many = Object.fromEntries(Array.from({ length: 40_000 }, (_, i) => [`f${i}`, '']));
    const inner = await zip({ [LOG]: zeros });
    const bombs: Record<string, Uint8Array> = {
      'a log of nothing but zeros': await zip({ [LOG]: zeros }),
      'a log that says it is small': forged(24, 10, await zip({ [LOG]: 'x'.repeat(5000) })),
      'a log that says it is huge': forged(24, 0x7fffffff),
      'parts that lie in one another': forged(20, 0x7ffffff0),
      'a place beyond the end': forged(42, 0x7ffffff0),
      'an archive within an archive': await zip({ 'inner.zip': inner }),
      'a log twice': (() => {
        const two = new TextDecoder('latin1').decode(whole).replaceAll('notes.txt', LOG.slice(0, 9));
        return Uint8Array.from(two, (c) => c.charCodeAt(0)).slice(0, -6);
      })(),
      'a name that leads out': await zip({ '../../cellar.vecino.json': '{}' }),
      'no list at its end': whole.slice(0, -30),
      'names without a log': await zip(many)
    };
    const before = process.memoryUsage().rss;
    for (const [what, bytes] of Object.entries(bombs)) {
      const began = performance.now();
      const error = await openArchive(new Blob([bytes as Uint8Array<ArrayBuffer>])).then(
        () => null,
        (e: unknown) => e
      );
      expect(error, what).toBeInstanceOf(InputError);
      expect(performance.now() - began, what).toBeLessThan(4000);
    }
    expect(process.memoryUsage().rss - before).toBeLessThan(300e6);
    // Pictures: one that unpacks to far too much, and one whose head says a size that nobody can show.
    const big = await openArchive(new Blob([await zip({ [LOG]: '{}', [photo]: zeros })]));
    expect(await big.pictures([id])).toEqual({ photos: new Map(), damaged: 1 });
    const wide = await openArchive(new Blob([await zip({ [LOG]: '{}', [photo]: jpeg(65_000, 65_000) })]));
    expect(await wide.pictures([id])).toEqual({ photos: new Map(), damaged: 1 });
  });

  it('what is no archive of ours says what is missing', async () => {
    const packed = async (files: Record<string, string>) => new Blob([await zip(files)]);
    await expect(openArchive(await packed({ 'letter.txt': 'hello' }))).rejects.toThrow(
      'holds no cellar.vecino.json'
    );
    // Packed anew, tighter, by somebody's own hand: it is read all the same.
    expect((await openArchive(await packed({ 'cellar.vecino.json': '{"b":2}', 'notes.txt': 'x' }))).log).toBe(
      '{"b":2}'
    );
  });
});

describe('ways back', () => {
  it('an import is taken out as if it had never come; a wine that was written to since stays whole', async () => {
    await demoHousehold(NOW);
    const text = await textHere();
    const wines = await db.summaries.count();
    await emptyHousehold();
    await bring(text, 'cellar.json');
    const [one] = await lastImports();
    expect(one).toMatchObject({ name: 'cellar.json' });
    const quince = (await db.events.filter((e) => e.type === 'planned' && e.data.name === 'Quince').first())!;
    await perform(note(quince.batchId, 'written here'));
    const photo = (batchId: string) => ({ id: newId(), batchId, width: 1, height: 1, blob: new Blob(['x']) });
    const other = (await db.summaries.toArray()).find((s) => s.id !== quince.batchId)!;
    const photos = [photo(quince.batchId), photo(other.id)];
    await db.photos.bulkAdd(photos);
    one!.photos = photos.map((p) => p.id);
    const { kept, events } = await takeImportOut(one!);
    expect(kept.find((k) => k.name === 'Quince')).toEqual({ name: 'Quince', why: 'it was written to since' });
    expect(events).toBeGreaterThan(100);
    expect(await db.summaries.count()).toBe(1);
    expect(new Set((await db.events.toArray()).map((e) => e.batchId))).toEqual(new Set([quince.batchId]));
    // Its pictures stay with it.
    expect(await db.photos.toCollection().primaryKeys()).toEqual([photos[0]!.id]);
    expect(await db.racks.count()).toBe(0);
    expect(await lastImports()).toEqual([]);
    // And in again: all of it is there once more, and what was written stays.
    await bring(text);
    expect(await db.summaries.count()).toBe(wines);
    expect(await db.events.filter((e) => e.type === 'note' && e.data.text === 'written here').count()).toBe(
      1
    );
  });

  it('what anything refers to stays, whatever the clocks said: a friend’s wine that went into one’s own, its vessel', async () => {
    const T = Date.parse('2026-09-01T10:00:00Z');
    const begin = async (name: string, vesselId: string) => {
      const batchId = newId();
      const plan = { ingredients: [{ kind: 'juice' as const, produceId: 'apple', volumeL: 8 }] };
      await perform(beginBatch({ batchId, plan, name, vesselId, recipeId: null }), { at: T });
      return batchId;
    };
    await emptyHousehold();
    await keep('vessels', { id: 'his', name: 'his jar', shape: 'jar', capacityL: 10 });
    await keep('vessels', { id: 'spare', name: 'spare jar', shape: 'jar', capacityL: 5 });
    const [friends, untouched] = [await begin('Friend', 'his'), await begin('Other', 'b2')];
    const text = await textHere();
    await emptyHousehold();
    const mine = await begin('Mine', 'b');
    await bring(text, 'friend.json');
    const [one] = await lastImports();
    // The clock of the import was a year ahead: what was written since bears an earlier day.
    await db.imports.update(one!.id, { at: Date.now() + 365 * 86_400_000 });
    const state = foldBatch(await eventsOf(friends), Date.now())!;
    await perform(blend(mine, 'b', state, 'his', 1), { sure: true });
    const litres = async () => standingOf(foldBatch(await eventsOf(mine), Date.now())!).volumeL;
    const before = await litres();
    const { kept } = await takeImportOut((await lastImports())[0]!);
    expect(kept).toEqual([
      { name: 'Friend', why: 'it went into the mine' },
      { name: 'his jar', why: 'a wine that stays uses it' }
    ]);
    expect(await litres()).toBe(before);
    expect((await db.summaries.toCollection().primaryKeys()).sort()).toEqual([friends, mine].sort());
    expect(await eventsOf(untouched)).toEqual([]);
    expect((await db.vessels.toArray()).map((v) => v.name)).toEqual(['his jar']);
  });

  it('everything as it was at a moment, wines and things; undone as one', async () => {
    await demoHousehold(NOW);
    const before = await db.summaries.toArray();
    const racks = await db.racks.toArray();
    const at = Date.now();
    await new Promise((done) => setTimeout(done, 5));
    const quince = (await db.events.filter((e) => e.type === 'planned' && e.data.name === 'Quince').first())!;
    const old = await db.events.filter((e) => e.batchId === quince.batchId && e.type === 'note').first();
    await perform(note(quince.batchId, 'a slip'));
    await undo([old!]);
    await keep('racks', { ...racks[0]!, name: 'elsewhere' });
    await keep('racks', { id: 'new', name: 'new', rows: 1, cols: 1 });
    const since = await writtenSince(at);
    expect(since.wines).toBe(1);
    expect(since.things).toHaveLength(2);
    const written = await restoreTo(since);
    const notes = async () => {
      const log = await db.events.where('batchId').equals(quince.batchId).toArray();
      const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
      return log.flatMap((e) => (e.type === 'note' && !gone.has(e.id) ? [e.data.text] : []));
    };
    expect(await notes()).toEqual(['Bubbles have stopped. Bottle it on Sunday?']);
    expect(await db.racks.toArray()).toEqual(racks);
    expect((await db.summaries.toArray()).map((s) => s.id)).toEqual(before.map((s) => s.id));
    await undo(written);
    expect(await notes()).toEqual(['a slip']);
    expect((await writtenSince(Date.now())).events).toEqual([]);
  });
});
