import { expect, test, type Page } from '@playwright/test';
import { usualBatch } from './usual';

const DAY = 86_400_000;

/** Writes a log into the browser past everything else; no list knows of it yet. */
const put = (page: Page, rows: unknown[]) =>
  page.evaluate(async (events) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open('vecino');
      open.onsuccess = () => resolve(open.result);
      open.onerror = () => reject(open.error);
    });
    const tx = db.transaction(['events', 'settings'], 'readwrite');
    for (const e of events) tx.objectStore('events').put(e);
    tx.objectStore('settings').delete('summaries');
    await new Promise<void>((resolve) => (tx.oncomplete = () => resolve()));
    db.close();
  }, rows);

/** The longest frames since this was last asked, ms. */
const longest = (page: Page) =>
  page.evaluate(() => {
    const w = window as unknown as { held?: number[] };
    if (!w.held) {
      w.held = [];
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) w.held!.push(e.duration);
      }).observe({ type: 'longtask', buffered: false });
    }
    return w.held.splice(0).map(Math.round);
  });

test('a usual batch is opened and read with no long frame', async ({ page }) => {
  await page.goto('/settings');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await put(page, usualBatch(Date.now() - 56 * DAY));
  await page.goto('/batches');
  const link = page.getByRole('main').getByRole('link', { name: /^Usual/ });
  await expect(link).toBeVisible();
  for (const round of ['cold', 'warm']) {
    // A fresh page knows nothing of it, but for what the lists keep.
    if (round === 'cold') await page.reload();
    await expect(link).toBeVisible();
    await page.waitForTimeout(1500);
    await longest(page);
    await link.click();
    await expect(page.getByTestId('batch-sentence')).toBeVisible();
    await page.waitForTimeout(1500);
    console.log(`opened, ${round}: frames over 50 ms: ${(await longest(page)).join(', ') || 'none'}`);
    await page.goBack();
  }
  // Read where nothing of it is known yet: on the list, in one line.
  await page.reload();
  await expect(link).toBeVisible();
  await page.waitForTimeout(1500);
  await longest(page);
  await page.keyboard.press('/');
  await page.getByLabel('Say it in one line').fill('usual sg 0.994');
  await expect(page.getByTestId('means')).toContainText('0.994');
  await page.waitForTimeout(500);
  console.log(`a line typed: frames over 50 ms: ${(await longest(page)).join(', ') || 'none'}`);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('0.994');
  await page.waitForTimeout(500);
  console.log(`and written: frames over 50 ms: ${(await longest(page)).join(', ') || 'none'}`);
});
