import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { addToSlip, logOf, openPlan, read, startRhubarb } from './kitchen';

const DAY = 86_400_000;
const sentence = (page: Page) => page.getByTestId('batch-sentence');

/** Puts events straight into the log, as another device or an older app may have. */
const put = (page: Page, events: unknown[]) =>
  page.evaluate(
    (rows) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('vecino');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const tx = open.result.transaction('events', 'readwrite');
          for (const row of rows) tx.objectStore('events').add(row);
          tx.oncomplete = () => {
            open.result.close();
            resolve();
          };
          tx.onerror = () => reject(tx.error);
        };
      }),
    events
  );

const HEAD = { v: 1, zone: 'UTC', device: 'other' };
const BROKEN = '01900000-0000-7000-8000-00000000b001';
const brokenBatch = (at: string) => [
  {
    ...HEAD,
    id: '01900000-0000-7000-8000-00000000b002',
    batchId: BROKEN,
    type: 'planned',
    at,
    recordedAt: at,
    data: { name: 'Broken sloe', plan: null, vesselId: 'x' }
  },
  {
    ...HEAD,
    id: '01900000-0000-7000-8000-00000000b003',
    batchId: BROKEN,
    type: 'addition',
    at,
    recordedAt: at,
    data: { ingredients: 7 }
  }
];

const PAGES = [
  '/',
  '/harvest',
  '/walk',
  '/walk/away',
  '/plan',
  '/plan/recipes',
  '/plan/sheet',
  '/batches',
  '/batches/compare',
  '/bench',
  '/bench/acid',
  '/almanac',
  '/almanac/sugars',
  '/almanac/produce/quince',
  '/settings'
];

test('one log that cannot be read stands alone: every page opens, and everything can be saved', async ({
  page
}) => {
  await startRhubarb(page);
  const good = page.url();
  await put(page, brokenBatch(new Date(Date.now() - DAY).toISOString()));
  for (const path of [...PAGES, new URL(good).pathname]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 }).first(), path).toBeVisible();
  }
  await page.goto('/');
  await expect(page.getByText('Broken sloe')).toBeVisible();
  await page.goto(good);
  await expect(sentence(page)).toContainText('Rhubarb, day 1');
  // It is shown with all it holds, and can be taken along and taken back.
  await page.goto(`/batches/${BROKEN}`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Broken sloe');
  await expect(page.getByRole('main')).toContainText('addition');
  await page.goto('/settings');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything to a file' }).click();
  expect((await download).suggestedFilename()).toMatch(/vecino\.json$/);
  await page.goto(`/batches/${BROKEN}`);
  await page.getByRole('button', { name: 'take it back' }).last().click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('no such batch');
});

test.describe('offline', () => {
  test.use({ serviceWorkers: 'allow' });
  test('every page opens offline, from any address', async ({ page, context }) => {
    await startRhubarb(page);
    const batch = new URL(page.url()).pathname;
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBe(1);
    await context.setOffline(true);
    for (const path of [
      ...PAGES,
      batch,
      `${batch}/brew`,
      `${batch}/tag`,
      `${batch}/labels`,
      `${batch}/bottling`
    ]) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 }).first(), path).toBeVisible();
    }
  });

  test('a proxy that answers with a fault, or not at all, is as good as none', async ({ page, context }) => {
    await startRhubarb(page);
    const batch = new URL(page.url()).pathname;
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBe(1);
    // What the worker itself fetches is answered here as by a proxy whose server is away.
    await context.route(
      (url) => url.pathname === batch,
      (route) => route.fulfill({ status: 502, body: 'Bad gateway' })
    );
    await page.goto(batch);
    await expect(sentence(page)).toContainText('Rhubarb, day 1');
    await context.unrouteAll();
    await context.route(
      (url) => url.pathname === batch,
      () => new Promise<void>(() => undefined)
    );
    // The server never answers: that the page opens at all is the worker's patience coming to its end.
    await page.goto(batch, { timeout: 30_000 });
    await expect(sentence(page)).toContainText('Rhubarb, day 1');
    await context.unrouteAll({ behavior: 'ignoreErrors' });
  });
});

test.describe('in a zone that nobody knows', () => {
  test('every page tells the time all the same', async ({ page }) => {
    await page.addInitScript(() => {
      const plain = Intl.DateTimeFormat.prototype.resolvedOptions;
      Intl.DateTimeFormat.prototype.resolvedOptions = function (this: Intl.DateTimeFormat) {
        return { ...plain.call(this), timeZone: 'Etc/Unknown' };
      };
    });
    await startRhubarb(page);
    const events = await logOf(page);
    expect((events[0] as unknown as { zone: string }).zone).not.toBe('Etc/Unknown');
    const { batchId } = events[0] as unknown as { batchId: string };
    const at = new Date().toISOString();
    await put(page, [
      {
        ...HEAD,
        id: '01900000-0000-7000-8000-00000000c001',
        batchId,
        type: 'note',
        at,
        recordedAt: at,
        zone: 'Nowhere/At-All',
        data: { text: 'written far away' }
      }
    ]);
    for (const path of [...PAGES, `/batches/${batchId}`]) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 }).first(), path).toBeVisible();
    }
    await expect(page.getByText('written far away')).toBeVisible();
  });
});

test('a clock that was ahead: nothing disappears, and what is written for later counts from its time on', async ({
  page
}) => {
  const now = Date.now();
  await page.clock.setFixedTime(now + 3_600_000);
  await startRhubarb(page);
  const batch = page.url();
  // The clock is put right: the batch began an hour from now.
  await page.clock.setFixedTime(now);
  await page.goto('/batches');
  await expect(page.getByRole('main').getByRole('link', { name: /Rhubarb/ })).toBeVisible();
  await page.goto(batch);
  await expect(sentence(page)).toContainText('Rhubarb, day 1');
  await page.getByRole('button', { name: 'Stirred', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('stirred');
  await page.goto('/batches');
  await expect(page.getByRole('main').getByRole('link', { name: /Rhubarb/ })).toBeVisible();
});

test('a double click, Enter twice and three tabs write once', async ({ page, context }) => {
  await startRhubarb(page);
  const count = async (type: string) => (await logOf(page)).filter((e) => e.type === type).length;
  await page.getByRole('button', { name: 'Stirred', exact: true }).dblclick();
  await expect(page.getByRole('status')).toContainText('stirred');
  await expect.poll(() => count('stir')).toBe(1);

  await page.getByRole('button', { name: 'Read gravity' }).click();
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.083');
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('sg-now')).toHaveText('1.083');
  expect(await count('reading')).toBe(1);

  // Three tabs, all with the same jar to rack.
  const tabs = [page, await context.newPage(), await context.newPage()];
  for (const tab of tabs) {
    await tab.goto(page.url());
    await tab.getByRole('button', { name: 'Rack', exact: true }).click();
  }
  await Promise.all(tabs.map((t) => t.getByRole('button', { name: /It is racked/ }).click()));
  await expect.poll(() => count('transfer')).toBe(1);
  await expect(sentence(page)).toContainText('L in the');
  expect(await count('transfer')).toBe(1);
});

test('Today writes what went in, and takes all of it back; what is forced into bottles stays in red until it is over', async ({
  page
}) => {
  const start = Date.now();
  await openPlan(page);
  await addToSlip(page, '2 kg white sugar');
  await addToSlip(page, '8 L water');
  await page.getByRole('textbox', { name: 'Call it' }).fill('Plain');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(sentence(page)).toContainText('Plain');
  const batch = page.url();
  const dayIs = async (day: number, path = batch) => {
    await page.clock.setFixedTime(start + day * DAY);
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  };
  await dayIs(1.5);
  await page.getByRole('button', { name: 'Yeast in' }).first().click();
  // Each is on disk before the page is left.
  await page.getByRole('button', { name: 'Yeast is in' }).click();
  await expect(page.getByRole('form', { name: 'Yeast in' })).toBeHidden();
  await dayIs(20);
  await read(page, '1.030', '20');
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  await page.getByLabel(/^Into/).selectOption({ label: '10 L jar' });
  await page.getByRole('button', { name: /It is racked/ }).click();
  await expect(page.getByRole('form', { name: 'Rack' })).toBeHidden();
  await dayIs(40);
  await read(page, '1.030', '20');

  // Come to rest with sugar in it: that is said where one looks first, not only in the form.
  await expect(page.getByTestId('unsafe')).toContainText('Not for bottles yet');
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  await expect(page.getByTestId('pressure')).toContainText('Do not bottle this');
  await page.getByLabel(/I understand that these bottles may burst/).check();
  await page.getByRole('button', { name: 'Bottle it all the same' }).click();
  await expect(page.getByRole('status')).toContainText('They may burst');
  await expect(page.getByRole('status')).not.toContainText('lay them down');

  await dayIs(60, '/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Bottles that could burst');
  const danger = page.getByRole('region', { name: /Danger: Plain/ });
  await expect(danger).toContainText(/(9|1\d) bottles that could burst/);
  await danger.getByRole('button', { name: '… still' }).click();
  await expect(danger).toContainText(/\d+ bottles/);
  // One that was still shows nothing yet.
  await dayIs(61, '/');
  await expect(danger).toBeVisible();
  await danger.getByRole('button', { name: /All \d+ are opened/ }).click();
  await expect(danger).toBeHidden();
  await dayIs(62);
  await expect(sentence(page)).not.toContainText('burst');
});
