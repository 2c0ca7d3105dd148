import { addToSlip, measureIn, openPlan } from './kitchen';
import { expect, test, type Page } from './test';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Says a line and sees it written. */
async function say(page: Page, line: string, meaning: RegExp) {
  await expect(page.getByTestId('batch-sentence')).toBeVisible();
  await page.keyboard.press('/');
  const box = page.getByLabel('Say it in one line');
  await box.fill(line);
  await expect(page.getByTestId('means').first()).toContainText(meaning);
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
}

/** The job that comes first on the wine's own page, as its title; every other screen must name the same. */
async function firstJob(page: Page, url: string): Promise<string> {
  await page.goto(url);
  const next = page.getByRole('region', { name: 'What comes next' });
  const title = (await next.getByRole('paragraph').nth(1).innerText()).split(',')[0]!;
  await page.goto('/');
  await expect(page.locator('article', { hasText: 'Plum' }).first()).toContainText(title);
  await page.goto('/batches');
  await expect(page.getByRole('main').getByRole('link', { name: /^Plum/ }).first()).toContainText(title);
  return title;
}

test('a boiled must in US units, by one who owns no hydrometer, in two jars: true on each day, and the same on every screen', async ({
  page
}) => {
  const start = Date.parse('2026-07-01T18:00:00+01:00');
  const at = (ms: number) => page.clock.setSystemTime(start + ms);
  await at(0);
  await measureIn(page, 'us');
  await page.getByLabel('I read gravity with a hydrometer').uncheck();
  await openPlan(page);
  await addToSlip(page, '6 lb plums');
  await page
    .getByRole('button', { name: /^sulphite/ })
    .first()
    .click();
  await page.getByText('boiling water').first().click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plum, day 1');
  const url = page.url();
  const next = page.getByRole('region', { name: 'What comes next' });

  // Boiling water was poured over it: what a thermometer shows is believed, however hot.
  await at(HOUR);
  await say(page, '160 F', /160 °F/);
  await expect(next).toContainText('It was 160 °F, and must be below 104 °F.');
  // Yeast in that is asked about, and not written.
  await page.keyboard.press('/');
  await page.getByLabel('Say it in one line').fill('yeast in');
  await expect(page.getByTestId('means').first()).toContainText('Yeast in');
  await page.keyboard.press('Enter');
  await expect(page.getByText('It was 160 °F when it was last felt: yeast dies in that.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('batch-sentence')).toContainText('day 1');

  // Next morning it has cooled by all that is known, and is felt to have.
  await at(14 * HOUR);
  await page.goto(url);
  await expect(next).not.toContainText('It was 160 °F');
  await say(page, '74 F', /74 °F/);
  await say(page, '1/2 tsp pectic enzyme', /pectic enzyme/);
  await at(26 * HOUR);
  expect(await firstJob(page, url)).toBe('Push the cap down and stir');
  await page.goto(url);
  await say(page, 'stirred', /Stirred/);
  await say(page, 'yeast in', /Yeast in/);

  await at(8 * DAY);
  expect(await firstJob(page, url)).toBe('Push the cap down and stir');
  // What to look for is what one can see without a stem.
  await page.goto(url);
  await expect(next).toContainText('a cap that falls, and sweetness that goes');
  await expect(next).not.toContainText('flat of the liquid');
  await expect(page.getByTestId('batch-sentence')).toContainText('Never read');
  await say(page, 'fruit out, pressed', /Fruit out/);
  await at(12 * DAY);
  await say(page, 'racked to 1 gal and 1 gal', /left behind/);
  await expect(page.getByTestId('batch-sentence')).toContainText('1 US gal jar and 1 US gal jar 2');

  await at(45 * DAY);
  await say(page, 'clear, no bubbles in 5 minutes, tastes dry', /tastes dry, clear, 0 bubbles/);
  expect(await firstJob(page, url)).toBe('Rack off the lees');
  await page.goto(url);
  await expect(page.getByTestId('batch-sentence')).toContainText('almost certainly finished');

  // A guess fills no bottle, however sure; two readings with a borrowed stem do.
  await at(200 * DAY);
  await page.goto(url);
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  const form = page.getByRole('form', { name: 'Bottle' });
  await expect(form).toContainText('a guess fills no bottle; a stem settles it');
  await expect(form).toContainText('Do not bottle this');
  await page.keyboard.press('Escape');
  for (const day of [201, 205]) {
    await at(day * DAY);
    await page.goto(url);
    for (const jar of ['1 US gal jar', '1 US gal jar 2'])
      await say(page, `0.991 at 68 F in ${jar}`, /0\.991/);
  }
  await page.goto(url);
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  await expect(form).not.toContainText('Do not bottle this');
  await form.getByLabel('Bottles', { exact: true }).fill('4');
  await form.getByLabel(/That was all/).check();
  await form.getByRole('button', { name: 'It is bottled' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('4 bottles of it are filled already');

  // In the cellar it is told by what was read, in the household's measures.
  await page.goto('/cellar');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4 bottles of 1 wine');
  await page.locator('li[data-wine="Plum"]').getByRole('button').first().click();
  await expect(page.locator('li[data-wine="Plum"]')).toContainText('% alc. by vol.');
});
