import { expect, test, type Page } from '@playwright/test';
import { addToSlip, openPlan, TEN_ITEMS } from '../tests/kitchen';

/** Milliseconds from a keystroke in an amount to the next paint, a hundred of them, sorted. */
const inputToPaint = (page: Page): Promise<number[]> =>
  page.getByLabel('Rhubarb stalks: amount in kg').evaluate(async (el) => {
    const input = el as HTMLInputElement;
    const paint = () => new Promise<void>((r) => requestAnimationFrame(() => setTimeout(r)));
    const out: number[] = [];
    for (let i = 0; i < 120; i++) {
      await paint();
      const t = performance.now();
      input.value = String(1 + i / 100);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      await paint();
      out.push(performance.now() - t);
    }
    return out.slice(20).sort((a, b) => a - b);
  });

test('input to paint on Plan with 12 ingredients, solver on', async ({ page }) => {
  await openPlan(page);
  for (const item of TEN_ITEMS) await addToSlip(page, item);
  const ms = await inputToPaint(page);
  console.log(
    `input to paint: median ${ms[50]!.toFixed(1)} ms, 95th percentile ${ms[95]!.toFixed(1)} ms, budget 32 ms`
  );
  expect(ms).toHaveLength(100);
});

test('input to paint in a clash, with 12 ingredients', async ({ page }) => {
  await openPlan(page);
  for (const item of TEN_ITEMS) await addToSlip(page, item);
  await page.getByRole('button', { name: /how sharp/ }).click();
  await page.getByLabel('Acid, g/L as tartaric').fill('2');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  await expect(page.getByRole('list', { name: 'Ways out' })).toBeVisible();
  const ms = await inputToPaint(page);
  console.log(
    `input to paint in a clash: median ${ms[50]!.toFixed(1)} ms, 95th percentile ${ms[95]!.toFixed(1)} ms, budget 32 ms`
  );
  expect(ms).toHaveLength(100);
});

test('first page: compressed script', async ({ page }) => {
  const sizes: Promise<number>[] = [];
  page.on('requestfinished', (r) => {
    if (/\.js$/.test(new URL(r.url()).pathname) && !r.serviceWorker())
      sizes.push(r.sizes().then((s) => s.responseBodySize));
  });
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const bytes = (await Promise.all(sizes)).reduce((a, b) => a + b, 0);
  console.log(`first page: ${(bytes / 1000).toFixed(0)} kB of compressed script, budget 150 kB`);
  expect(bytes).toBeGreaterThan(10_000);
});
