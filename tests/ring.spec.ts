import { chromium } from '@playwright/test';
import { CHROMIUM } from '../scripts/setup.mjs';
import { startRhubarb } from './kitchen';
import { expect, test } from './test';

type Waiting = { body: string; data: unknown; showTrigger?: { timestamp: number } };
type Asked = { getNotifications: (filter?: object) => Promise<Waiting[]> };

test('a wait that is over is told though no tab is open any more, where the browser can', async ({
  baseURL
}) => {
  const { launchOptions } = test.info().project.use;
  // A browser that can: the whole of it, and what is an experiment to it is on.
  const browser = await chromium.launch({
    ...launchOptions,
    executablePath: CHROMIUM,
    args: [...launchOptions!.args!, '--enable-blink-features=NotificationTriggers']
  });
  try {
    const context = await browser.newContext({
      baseURL: baseURL!,
      serviceWorkers: 'allow',
      permissions: ['notifications']
    });
    const page = await context.newPage();
    await startRhubarb(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // The page's clock is behind that of the browser, so that a minute of it is over in a few seconds.
    await page.clock.setSystemTime(Date.now() - 50_000);
    await page.keyboard.press('/');
    await page.getByLabel('Say it in one line').fill('timer 1 min');
    await expect(page.getByTestId('means').first()).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('timer')).toBeVisible();
    const waiting = (filter?: object) =>
      other.evaluate(async (f) => {
        const by = (await navigator.serviceWorker.getRegistration('/')) as unknown as Asked | undefined;
        return ((await by?.getNotifications(f)) ?? []).map((n) => ({
          body: n.body,
          page: (n.data as { page: string }).page,
          at: n.showTrigger?.timestamp ?? null
        }));
      }, filter);
    const other = await context.newPage();
    // A page of the same place that is none of Vecino's.
    await other.goto('/api/health');
    await expect.poll(() => waiting({ includeTriggered: true })).toHaveLength(1);
    const [ringing] = await waiting({ includeTriggered: true });
    expect(ringing!.body).toBe('Rhubarb: the timer is over.');
    expect(ringing!.page).toMatch(/^\/batches\/[\w-]+$/);
    expect(Math.abs(ringing!.at! - Date.now())).toBeLessThan(60_000);
    // It is the browser's own by now: it stands though the tab is gone.
    await page.close();
    expect(await waiting({ includeTriggered: true })).toEqual([ringing]);
  } finally {
    await browser.close();
  }
});
