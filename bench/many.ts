import { mkdtempSync, rmSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { eventsFrom } from '../src/lib/core/ledger/events.fixture';
import type { EventType } from '../src/lib/core/ledger/log';
import config from './playwright.config';

const hex = (n: number, width: number) => n.toString(16).padStart(width, '0');
/** Photos of a batch, two or three. */
const photosOf = (b: number) => 2 + (b % 2);

/** A batch of 200 events, its photos among them; the first ten stand in jars, the others are in bottle. */
export function batchOf(b: number) {
  const batchId = `01900000-0000-7000-8000-${hex(b, 12)}`;
  const start = Date.now() - (b < 10 ? 20 : 100 + (b % 1500)) * 86_400_000;
  const on = eventsFrom(start);
  // By time, as the ids of a household are.
  const event = (i: number, type: EventType, data: unknown) => ({
    ...on(i / 24, type, data as never),
    id: `${hex(start + i * 3_600_000, 12).replace(/.{8}/, '$&-')}-7${hex(i, 3)}-8000-${hex(b, 12)}`,
    batchId
  });
  const ingredients = [
    { kind: 'produce', produceId: 'plum', massKg: 4 },
    { kind: 'sugar', sugarId: 'white', massKg: 2 },
    { kind: 'water', volumeL: 7 }
  ];
  return [
    event(0, 'planned', { name: `Plum ${b}`, plan: { ingredients }, vesselId: b < 10 ? `v${b}` : 'jar-10' }),
    event(1, 'addition', { ingredients }),
    event(2, 'pitch', { yeast: { yeastId: 'wine' } }),
    ...Array.from({ length: 195 }, (_, i) =>
      // Dry after four days, and still for four: bottles of it are safe, and so off the lists.
      i % 10 === 0
        ? event(i + 3, 'reading', { sg: i < 100 ? 1.08 - i * 9e-4 : 0.989 })
        : i > 195 - 2 - photosOf(b) && i < 194
          ? event(i + 3, 'photo', {
              photoId: `01900000-0000-7${hex(i, 3)}-9000-${hex(b, 12)}`,
              width: 900,
              height: 1200,
              caption: `Jar ${b} by the window`
            })
          : event(i + 3, 'stir', {})
    ),
    event(198, 'fruit-out', { press: 'press' }),
    b < 10
      ? event(199, 'stir', {})
      : event(199, 'bottle', {
          from: 'jar-10',
          bottles: [{ count: 14, sizeL: 0.75, type: 'still' }],
          emptied: true
        })
  ];
}

/** Writes batches into the browser past everything else, with a picture of 60 kB for each photo; no list knows of them. */
export async function fill(page: Page, batches: number): Promise<void> {
  for (let from = 0; from < batches; from += 100) {
    const events = Array.from({ length: Math.min(100, batches - from) }, (_, i) => batchOf(from + i)).flat();
    await page.evaluate(async (rows) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open('vecino');
        open.onsuccess = () => resolve(open.result);
        open.onerror = () => reject(open.error);
      });
      await new Promise<void>((resolve, reject) => {
        const tx = db.transaction(['events', 'photos', 'settings'], 'readwrite', { durability: 'relaxed' });
        const bytes = new Uint8Array(60_000);
        for (const e of rows) {
          tx.objectStore('events').put(e);
          if (e.type !== 'photo') continue;
          crypto.getRandomValues(bytes);
          const { photoId, width, height } = e.data as { photoId: string; width: number; height: number };
          const blob = new Blob([bytes], { type: 'image/jpeg' });
          tx.objectStore('photos').put({ id: photoId, batchId: e.batchId, width, height, blob });
        }
        tx.objectStore('settings').delete('summaries');
        tx.oncomplete = () => resolve();
        tx.onerror = () => reject(tx.error);
      });
      db.close();
    }, events);
  }
}

/** A browser that keeps what it has on a disk, as a household's does. */
export async function onDisk(work: (page: Page, dir: string) => Promise<void>): Promise<void> {
  const dir = mkdtempSync(path.join(tmpdir(), 'cellar-'));
  const use = config.use!;
  let context: BrowserContext | undefined;
  try {
    context = await chromium.launchPersistentContext(dir, {
      ...use.launchOptions,
      baseURL: use.baseURL!,
      viewport: use.viewport!,
      serviceWorkers: 'block'
    });
    await work(context.pages()[0] ?? (await context.newPage()), dir);
  } finally {
    await context?.close();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Memory of its own that the largest page of this browser holds, MB; the program it shares with others is not counted. */
function ownMB(dir: string): number {
  let most = 0;
  for (const pid of readdirSync('/proc').filter((x) => /^\d+$/.test(x)))
    try {
      const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      if (!line.includes('--type=renderer') || !line.includes(dir)) continue;
      const kB = /RssAnon:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
      most = Math.max(most, Number(kB?.[1] ?? 0) / 1000);
    } catch {
      // It ended meanwhile.
    }
  return most;
}

/** Watches how much memory a page takes, and how long it does not draw. @returns what tells the most so far */
export async function watch(page: Page, dir: string): Promise<() => Promise<{ ms: number; MB: number }>> {
  await page.evaluate(() => {
    const w = window as unknown as { longest: number };
    w.longest = 0;
    let last = performance.now();
    const frame = () => {
      const t = performance.now();
      w.longest = Math.max(w.longest, t - last);
      last = t;
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  let most = 0;
  const look = () => (most = Math.max(most, ownMB(dir)));
  const timer = setInterval(look, 250);
  page.once('close', () => clearInterval(timer));
  return async () => {
    look();
    const ms = await page.evaluate(() => Math.round((window as unknown as { longest: number }).longest));
    return { ms, MB: Math.round(most) };
  };
}
