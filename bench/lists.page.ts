import { expect, test, type Page } from '@playwright/test';

/** Fills the browser with so many batches of 200 events each; all but twenty are in bottle. */
const fill = (page: Page, batches: number) =>
  page.evaluate(async (many) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open('vecino');
      open.onsuccess = () => resolve(open.result);
      open.onerror = () => reject(open.error);
    });
    const hex = (n: number, width: number) => n.toString(16).padStart(width, '0');
    for (let b = 0; b < many; b++) {
      const batchId = `01900000-0000-7000-8000-${hex(b, 12)}`;
      const start = Date.now() - (b < 20 ? 20 : 100 + (b % 1500)) * 86_400_000;
      const event = (i: number, type: string, data: unknown) => {
        const at = new Date(start + i * 3_600_000).toISOString();
        return {
          id: `01900000-0000-7${hex(i, 3)}-8000-${hex(b, 12)}`,
          batchId,
          type,
          v: 1,
          at,
          zone: 'UTC',
          recordedAt: at,
          device: 'bench',
          data
        };
      };
      const ingredients = [
        { kind: 'produce', produceId: 'plum', massKg: 4 },
        { kind: 'sugar', sugarId: 'white', massKg: 2 },
        { kind: 'water', volumeL: 7 }
      ];
      const events = [
        event(0, 'planned', {
          name: `Plum ${b}`,
          plan: { ingredients },
          vesselId: b < 20 ? `v${b}` : 'jar-10'
        }),
        event(1, 'addition', { ingredients }),
        event(2, 'pitch', { yeast: { yeastId: 'wine' } }),
        ...Array.from({ length: 195 }, (_, i) =>
          // Dry after four days, and still for four: bottles of it are safe, and so off the lists.
          i % 10 === 0
            ? event(i + 3, 'reading', { sg: i < 100 ? 1.08 - i * 9e-4 : 0.989 })
            : event(i + 3, 'stir', {})
        ),
        event(198, 'fruit-out', { press: 'press' }),
        b < 20
          ? event(199, 'stir', {})
          : event(199, 'bottle', {
              from: 'jar-10',
              bottles: [{ count: 14, sizeL: 0.75, type: 'still' }],
              emptied: true
            })
      ];
      await new Promise<void>((resolve, reject) => {
        const tx = db.transaction('events', 'readwrite', { durability: 'relaxed' });
        for (const e of events) tx.objectStore('events').put(e);
        tx.oncomplete = () => resolve();
        tx.onerror = () => reject(tx.error);
      });
    }
    db.close();
  }, batches);

/** Milliseconds from asking for a page to its heading, the middle of five. */
async function opening(page: Page, path: string): Promise<number> {
  const ms: number[] = [];
  for (let i = 0; i < 5; i++) {
    const t = Date.now();
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/wines|jobs|Nothing|job|bottles/);
    ms.push(Date.now() - t);
  }
  return ms.sort((a, b) => a - b)[2]!;
}

test('lists open as fast with 2,000 batches and 400,000 events as with 20', async ({ page }) => {
  test.setTimeout(900_000);
  const found: Record<number, Record<string, number>> = {};
  for (const many of [20, 2000]) {
    await page.goto('/settings');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await fill(page, many);
    const t = Date.now();
    await page.goto('/batches');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('20 wines on the way', {
      timeout: 600_000
    });
    const rebuilt = Date.now() - t;
    found[many] = {
      '/batches': await opening(page, '/batches'),
      '/': await opening(page, '/'),
      '/cellar': await opening(page, '/cellar')
    };
    // A stir, from the tap to its being told.
    await page.goto('/batches');
    await page
      .getByRole('main')
      .getByRole('link', { name: /^Plum 3,|^Plum 3 / })
      .first()
      .click();
    const stirs: number[] = [];
    for (let i = 0; i < 5; i++) {
      await expect(page.getByRole('button', { name: 'Stirred', exact: true })).toBeVisible();
      const t0 = Date.now();
      await page.getByRole('button', { name: 'Stirred', exact: true }).click();
      await expect(page.getByRole('status')).toContainText('stirred');
      stirs.push(Date.now() - t0);
      await page.reload();
    }
    found[many].stir = stirs.sort((a, b) => a - b)[2]!;
    console.log(`${many} batches: lists made anew in ${(rebuilt / 1000).toFixed(1)} s`);
  }
  for (const path of ['/batches', '/', '/cellar', 'stir'])
    console.log(
      `${path}: ${found[20]![path]} ms with 20 batches, ${found[2000]![path]} ms with 2,000, ratio ${(found[2000]![path]! / found[20]![path]!).toFixed(2)}, budget 2`
    );
});
