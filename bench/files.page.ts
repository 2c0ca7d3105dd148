import { statSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { batchOf, fill, onDisk, peakMB } from './many';

/** Watches how long the page does not draw. @returns what tells the longest so far, ms */
async function watchFrames(page: Page): Promise<() => Promise<number>> {
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
  return () => page.evaluate(() => Math.round((window as unknown as { longest: number }).longest));
}

test('a file of 50 MB comes in', async () => {
  test.setTimeout(900_000);
  const file = test.info().outputPath('cellar.vecino.json');
  const events: unknown[] = [];
  let bytes = 0;
  for (let b = 0; bytes < 50e6; b++) {
    const batch = batchOf(b);
    events.push(...batch);
    bytes += JSON.stringify(batch).length;
  }
  const exportedAt = new Date().toISOString();
  writeFileSync(file, JSON.stringify({ format: 'vecino', version: 6, exportedAt, things: [], events }));
  await onDisk(async (page, dir) => {
    await page.goto('/settings');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(1000);
    const before = peakMB(dir);
    const longest = await watchFrames(page);
    let t = Date.now();
    await page.getByLabel('Bring a file in').setInputFiles(file);
    const bring = page.getByRole('button', { name: 'Bring them in' });
    await expect(bring).toBeVisible({ timeout: 300_000 });
    const looked = Date.now() - t;
    const [lookFrame, lookMB] = [await longest(), peakMB(dir)];
    t = Date.now();
    await bring.click();
    await expect(page.getByRole('status')).toContainText('brought in', { timeout: 600_000 });
    console.log(
      `import of ${(statSync(file).size / 1e6).toFixed(0)} MB, ${events.length} events: looked at in ${(looked / 1000).toFixed(1)} s, written in ${((Date.now() - t) / 1000).toFixed(1)} s; longest frame ${lookFrame} and ${await longest()} ms, budget 100; memory of the page ${before.toFixed(0)} MB before, ${lookMB.toFixed(0)} at most while looking, ${peakMB(dir).toFixed(0)} at most, budget 500`
    );
  });
});

test('everything goes into a file: 2,000 batches, 400,000 events, 5,000 photos', async () => {
  test.setTimeout(900_000);
  await onDisk(async (page, dir) => {
    await page.goto('/settings');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await fill(page, 2000);
    await page.goto('/settings');
    const save = page.getByRole('button', { name: 'Save everything to a file' });
    await expect(save).toBeVisible({ timeout: 300_000 });
    const longest = await watchFrames(page);
    const t = Date.now();
    const [download] = await Promise.all([page.waitForEvent('download', { timeout: 600_000 }), save.click()]);
    const s = (Date.now() - t) / 1000;
    const to = test.info().outputPath('all.zip');
    await download.saveAs(to);
    console.log(
      `export: ${(statSync(to).size / 1e6).toFixed(0)} MB in ${s.toFixed(1)} s; longest frame ${await longest()} ms, budget 100; memory of the page ${peakMB(dir).toFixed(0)} MB at most, budget 500`
    );
  });
});
