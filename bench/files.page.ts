import { statSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { batchOf, fill, onDisk, watch } from './many';

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
    const most = await watch(page, dir);
    const before = await most();
    let t = Date.now();
    await page.getByLabel('Bring a file in').setInputFiles(file);
    const bring = page.getByRole('button', { name: 'Bring them in' });
    await expect(bring).toBeVisible({ timeout: 300_000 });
    const looked = Date.now() - t;
    const looking = await most();
    t = Date.now();
    await bring.click();
    await expect(page.getByRole('status')).toContainText('brought in', { timeout: 600_000 });
    const written = (Date.now() - t) / 1000;
    const all = await most();
    console.log(
      `import of ${(statSync(file).size / 1e6).toFixed(0)} MB, ${events.length} events: looked at in ${(looked / 1000).toFixed(1)} s, written in ${written.toFixed(1)} s; longest frame ${looking.ms} and ${all.ms} ms, budget 100; memory of the page ${before.MB} MB before, ${looking.MB} at most while looking, ${all.MB} at most, budget 500`
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
    const most = await watch(page, dir);
    const t = Date.now();
    const [download] = await Promise.all([page.waitForEvent('download', { timeout: 600_000 }), save.click()]);
    const s = (Date.now() - t) / 1000;
    const to = test.info().outputPath('all.zip');
    await download.saveAs(to);
    const { ms, MB } = await most();
    console.log(
      `export: ${(statSync(to).size / 1e6).toFixed(0)} MB in ${s.toFixed(1)} s; longest frame ${ms} ms; memory of the page ${MB} MB at most`
    );
  });
});
