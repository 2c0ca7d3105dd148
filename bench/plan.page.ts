import { expect, test } from '@playwright/test';
import { addToSlip, openPlan, TEN_ITEMS } from '../tests/kitchen';

test('input to paint on Plan with 12 ingredients, solver on', async ({ page }) => {
  await openPlan(page);
  for (const item of TEN_ITEMS) await addToSlip(page, item);
  const ms = await page.getByLabel('Rhubarb stalks: amount in kg').evaluate(async (el) => {
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
  console.log(
    `input to paint: median ${ms[50]!.toFixed(1)} ms, 95th percentile ${ms[95]!.toFixed(1)} ms, budget 32 ms`
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
