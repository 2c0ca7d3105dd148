import { readFileSync } from 'node:fs';
import { faultsOf } from './faults';
import { demo, openWine, sayLine, startRhubarb } from './kitchen';
import { expect, test } from './test';

test('the walk: all stirred in one tap, in the order of the shelf, its progress seen, the tab counts it', async ({
  page
}) => {
  await demo(page);
  await expect(page).toHaveTitle(/^\(\d+\) Today/);
  const count = async () => Number(/^\((\d+)\)/.exec(await page.title())![1]);
  const before = await count();
  await page.getByRole('button', { name: /^All stirred/ }).click();
  await expect(page.getByRole('status')).toContainText('stirred');
  await expect(page.getByTestId('progress')).toContainText(/done/);
  await expect.poll(count).toBeLessThan(before);
  const stirred = before - (await count());
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(count).toBe(before);
  expect(stirred).toBeGreaterThan(1);

  // The last vessel is put first, by the keys: the walk begins with it, after what is dangerous.
  await page.getByRole('button', { name: 'put in order' }).click();
  const places = page.getByRole('list', { name: /Order of the walk/ }).getByRole('button');
  const elder = places.filter({ hasText: 'Elderberry' });
  // It is fetched when it is asked for: only what stands there is counted.
  await expect(elder).toBeVisible();
  const n = await places.count();
  // As fast as a held key: each press finds the button where the last one put it.
  await elder.evaluate((button: HTMLElement, times) => {
    button.focus();
    for (let i = 0; i < times; i++)
      document.activeElement!.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true })
      );
  }, n);
  await expect(elder).toHaveAccessibleName(/place 1 of/);
  await page.getByRole('button', { name: 'In order' }).click();
  await page.reload();
  const cards = page.getByRole('main').getByRole('article');
  await expect(cards.filter({ hasText: 'Elderberry' })).toBeVisible();
  const names = await cards.evaluateAll((all) => all.map((a) => a.getAttribute('aria-label')));
  // Only what is dangerous stands before it.
  expect(names.indexOf('Elderberry')).toBeLessThanOrEqual(2);
  await expect(page.getByRole('link', { name: /^Elderberry, / }).first()).toBeVisible();

  await page.getByRole('link', { name: 'Walk sheet' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The walk');
  await expect(page.getByLabel('hydrometer and its jar')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
});

test('away: what can wait is put off, what hangs on it follows, and what cannot is named', async ({
  page
}) => {
  await page.clock.setSystemTime(Date.parse('2026-06-01T08:00:00Z'));
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Sulphite in' }).first().click();
  await page.clock.setSystemTime(Date.parse('2026-06-02T09:00:00Z'));
  await page.goto('/walk/away?from=2026-06-03&to=2026-06-10');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/needs? somebody/);
  const others = page.getByRole('region', { name: 'Cannot wait: for somebody else' });
  await expect(others).toContainText('daily');
  await expect(page.getByRole('region', { name: 'Can wait until you are back' })).toContainText(
    'read the gravity'
  );
  await page.getByRole('button', { name: /^Put off what can wait/ }).click();
  await expect(page.getByRole('status')).toContainText('put off to 10 Jun');
  expect(await faultsOf(page)).toEqual([]);
  await page.clock.setSystemTime(Date.parse('2026-06-06T09:00:00Z'));
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Rhubarb' })).not.toContainText('Read the gravity');
  await page.clock.setSystemTime(Date.parse('2026-06-10T12:00:00Z'));
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Rhubarb' })).toContainText('Read the gravity');
  // Put off once more, with what it costs.
  await page.getByRole('article', { name: 'Rhubarb' }).getByRole('button', { name: 'later' }).first().click();
  await page.getByRole('button', { name: 'for a week' }).click();
  await expect(page.getByRole('status')).toContainText('put off for a week');
});

test('a wine nobody writes of is asked after; poured away it is gone from every list, and a tap brings it back', async ({
  page
}) => {
  const begun = Date.parse('2026-03-05T19:00:00Z');
  const on = (day: number) => page.clock.setSystemTime(begun + day * 86_400_000);
  await on(0);
  await startRhubarb(page);
  await sayLine(page, 'pitched yeast');
  await on(8);
  await page.reload();
  await sayLine(page, '1.020');
  await on(40);
  await page.goto('/');
  const card = page.getByRole('article', { name: 'Rhubarb' });
  await expect(card).toContainText('Fruit out');
  await expect(card.getByTestId('silent')).toHaveCount(0);
  // What it read in March it reads no more: one tap does not say so.
  await expect(card.getByRole('button', { name: /^Same/ })).toHaveCount(0);
  await on(150);
  await page.goto('/');
  await expect(card.getByTestId('silent')).toContainText('since 13 Mar. Is it still there?');
  await card.getByRole('button', { name: 'It is', exact: true }).click();
  await expect(card.getByTestId('silent')).toHaveCount(0);
  await on(260);
  await page.goto('/');
  await expect(card.getByTestId('silent')).toContainText('since 2 Aug');
  await card.getByRole('link', { name: 'It is gone' }).click();
  await page.getByRole('combobox', { name: 'What' }).selectOption('all poured-away');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Nothing of it is left');
  await page.goto('/batches');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('0 wines on the way, 1 gone.');
  await expect(page.getByRole('region', { name: 'Gone' })).toContainText('none left');
  await page.goto('/');
  await expect(card).toHaveCount(0);
  await openWine(page, /Rhubarb/);
  await page
    .getByRole('region', { name: 'What happened' })
    .getByRole('button', { name: /^Take back: Poured away/ })
    .first()
    .click();
  await expect(page.getByTestId('batch-sentence')).toContainText('in the 15 L bucket');
});

test('the steps go into a calendar, and the first wine is told what to look for', async ({ page }) => {
  await page.clock.setSystemTime(Date.parse('2026-06-01T08:00:00Z'));
  await startRhubarb(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Calendar file' }).click()
  ]);
  expect(file.suggestedFilename()).toBe('rhubarb.ics');
  const text = readFileSync(await file.path(), 'utf8');
  expect(text).toContain('SUMMARY:Rhubarb: yeast in');
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(8);
  await page.goto('/');
  await expect(page.getByTestId('look-for').first()).toContainText('Look for:');
  await startRhubarb(page);
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Rhubarb' }).first()).toBeVisible();
  await expect(page.getByTestId('look-for')).toHaveCount(0);
});

test('a timer is seen on every page, and what goes in together is kept under a name', async ({ page }) => {
  await startRhubarb(page);
  await page.keyboard.press('/');
  const line = page.getByLabel('Say it in one line');
  await line.fill('timer 20 min');
  await page.keyboard.press('Enter');
  // Written, and only then closed.
  await expect(line).toBeHidden();
  await page.goto('/almanac');
  await expect(page.getByTestId('timer')).toContainText(/^(20:00|19:\d\d)$/);
  // The shelf stands above it, all of it to be seen.
  const timers = page.getByRole('region', { name: 'Timers' });
  await expect
    .poll(async () => {
      const shelf = (await page.getByRole('region', { name: /^The shelf/ }).boundingBox())!;
      return (await timers.boundingBox())!.y - (shelf.y + shelf.height);
    })
    .toBeGreaterThan(-1);
  expect(await faultsOf(page)).toEqual([]);
  await page.keyboard.press('/');
  await line.fill('my five powders is 2 campden, 1 tsp nutrient and 4 g acid blend');
  await expect(page.getByTestId('means')).toContainText('My five powders');
  await page.keyboard.press('Enter');
  await expect(line).toBeHidden();
  await expect(page.getByRole('status')).toContainText('Kept');
  await page.keyboard.press('/');
  await line.fill('added my five powders');
  await expect(page.getByTestId('means')).toContainText(
    '2 Campden tablets, 4 g nutrient mix, 4 g acid blend'
  );
});
