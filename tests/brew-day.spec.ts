import { expect, test, type Page } from './test';
import { addToSlip, draftHolds } from './kitchen';

const title = (page: Page) => page.getByTestId('brew-title');
const weighed = (page: Page) => page.getByLabel(/what was weighed/);
const isIn = (page: Page) => page.getByRole('button', { name: 'It is in' });

test('first run: from a line about what there is to a started batch, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  const line = page.getByLabel('What you have');
  await line.fill('3 lb rhubarb and a zorp');
  await expect(page.getByRole('alert')).toContainText('“a zorp”: I do not know it');
  await expect(page.getByRole('button', { name: 'What wine is that?' })).toBeDisabled();
  await line.fill('3 lb rhubarb and a bag of sugar');
  await expect(page.getByRole('list', { name: 'Understood' })).toContainText('Rhubarb stalks, 1.36 kg');
  await expect(page.getByText('A bag of sugar is taken as 1 kg.')).toBeVisible();
  await page.getByRole('button', { name: 'What wine is that?' }).click();
  await expect(page.getByTestId('abv')).toHaveText('12.0');
  await expect(page.getByText('This is a wine.')).toBeVisible();
  await expect(page.getByText('up to 1.00 kg')).toBeVisible();
  await page.getByRole('button', { name: 'Brew day' }).click();
  // Left and found again from the walk.
  await expect(title(page)).toHaveText('Clean and sanitise');
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A brew day is begun');
  await page.getByRole('link', { name: 'Go on with the brew day' }).click();
  await page.getByRole('button', { name: /^Go on/ }).click();
  await expect(page.getByTestId('brew-amount')).toContainText('3.00 lb');
  for (const next of ['White sugar', 'Water', 'Stir, and look at the mark']) {
    await isIn(page).click();
    await expect(title(page)).toHaveText(next);
  }
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(title(page)).not.toHaveText('Stir, and look at the mark');
  await page.goto('/batches');
  await expect(
    page
      .getByRole('main')
      .getByRole('link', { name: /Rhubarb/ })
      .first()
  ).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
});

test('a whole brew day: other weights, a slipped spoon, a reading that makes no sense, and a closed tab', async ({
  context
}) => {
  let page = await context.newPage();
  await page.clock.install({ time: new Date('2026-08-20T17:00:00Z') });
  await page.goto('/plan');
  await addToSlip(page, '4 kg plums');
  await page.getByRole('button', { name: /how much, into glass/ }).click();
  await page.getByLabel('How much, once the fruit is out').fill('10');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  const planned = Number(await page.getByLabel('White sugar: amount in kg').inputValue());
  await page.getByRole('button', { name: 'Brew day' }).click();

  // The kit: ticks outlive the tab.
  await page.getByLabel('long spoon').check();
  await draftHolds(page, /long spoon/);
  await page.reload();
  await expect(page.getByLabel('long spoon')).toBeChecked();
  await page.getByRole('button', { name: /^Go on/ }).click();

  // Less fruit than planned: the sugar makes up for it.
  await expect(page.getByTestId('brew-amount')).toContainText('4.00 kg');
  await weighed(page).fill('3.2 kg');
  await isIn(page).click();
  await expect(title(page)).toHaveText('White sugar');
  const sugar = Number((await page.getByTestId('brew-amount').textContent())!.replace(' kg', ''));
  expect(sugar).toBeGreaterThan(planned + 0.04);
  await isIn(page).click();
  await expect(title(page)).toHaveText('Water');
  await isIn(page).click();
  await expect(page.getByTestId('brew-mark')).toContainText(/1\d\.\d L/);
  await page.getByRole('button', { name: 'Done', exact: true }).click();

  // A word that is no amount is said; a tablespoon for a teaspoon is stopped.
  await expect(title(page)).toHaveText('Campden');
  await weighed(page).fill('lots');
  await expect(page.getByRole('alert')).toContainText('is no amount');
  await weighed(page).fill('30 tablets');
  await expect(page.getByRole('alert')).toContainText('is too much');
  await expect(isIn(page)).toHaveCount(0);
  await page.getByRole('button', { name: /^Take 3 tablets/ }).click();
  await isIn(page).click();

  // The yeast waits a day, and says so.
  await expect(page.getByRole('list', { name: 'Running' })).toContainText('sulphite first');

  // What is left waits; the tab may close.
  await expect(title(page)).toHaveText('Mark the bucket');
  await page.getByRole('button', { name: 'Written' }).click();
  await expect(page.getByTestId('brew-wait')).toContainText('Pectic enzyme');
  const url = page.url();
  await page.close();
  page = await context.newPage();
  await page.clock.install({ time: new Date('2026-08-21T05:30:00Z') });
  await page.goto(url);
  await expect(title(page)).toHaveText('Pectic enzyme');

  // One tablespoon where a teaspoon was meant.
  await weighed(page).fill('2 tbsp');
  await expect(page.getByRole('alert')).toContainText('Was a teaspoon meant, not a tablespoon?');
  await page.getByRole('button', { name: 'I understand, and mean it' }).click();
  await expect(isIn(page)).toBeVisible();
  await weighed(page).fill('1 tsp');
  await isIn(page).click();
  // It has its time before anything is read, and the yeast after that.
  await expect(page.getByTestId('brew-wait')).toContainText('Read, adjust, read');
  await page.clock.fastForward(13 * 3_600_000);

  // A reading that makes no sense is not acted on.
  await expect(title(page)).toHaveText('Read, adjust, read');
  const gravity = page.getByRole('textbox', { name: 'Gravity' });
  await gravity.fill('1.030');
  await page.getByLabel(/^Sample/).fill('20');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('read-odd')).toContainText('does not fit');
  await expect(page.getByRole('region', { name: 'Why this reading' })).toContainText(/lies on the bottom/);
  await page.clock.fastForward(120_000);
  await page.getByRole('button', { name: 'Read it again' }).click();
  // A day on, the fruit has given what it holds.
  await gravity.fill('1.079');
  await page.getByLabel(/^Sample/).fill('20');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('read-result')).toContainText('you want 12.0 %');
  await page.getByRole('button', { name: /Go on|Leave it as it is/ }).click();

  await expect(title(page)).toHaveText('Yeast in');
  await isIn(page).click();
  await expect(page.getByTestId('brew-over')).toBeVisible();

  // The log holds what was really done, and offers it as a recipe.
  await page.getByRole('link', { name: 'To the batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plum');
  await page.getByText('As it was made').click();
  await expect(page.getByText(/Plums down from/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep as a recipe' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Plum, version 1');
  await expect(page.getByText('3.20 kg', { exact: false }).first()).toBeVisible();
});

/** A brew day of apple juice, up to the card that asks for a reading. */
async function upToReading(page: Page) {
  await page.clock.install({ time: new Date('2026-08-20T17:00:00Z') });
  await page.goto('/plan');
  await addToSlip(page, '5 L apple juice');
  await page.getByRole('button', { name: 'Brew day' }).click();
  await page.getByRole('button', { name: /^Go on/ }).click();
  await expect(title(page)).toHaveText('Apple juice');
  for (;;) {
    // What has to wait is waited for.
    await expect(title(page).or(page.getByTestId('brew-wait'))).toBeVisible();
    if (await page.getByTestId('brew-wait').isVisible()) {
      await page.clock.fastForward(25 * 3_600_000);
      await expect(title(page)).toBeVisible();
    }
    const card = await title(page).textContent();
    if (card === 'Read, adjust, read') break;
    if (card === 'Stir, and look at the mark')
      await page.getByRole('button', { name: 'Done', exact: true }).click();
    else if (card === 'Mark the bucket') await page.getByRole('button', { name: 'Written' }).click();
    // A bag that was half empty: 100 g instead of what was worked out.
    else {
      if (card === 'White sugar') await weighed(page).fill('100 g');
      await isIn(page).click();
    }
    await expect(title(page).filter({ hasText: card! })).toBeHidden();
  }
}

test('a reading can wait, also over a closed tab', async ({ page }) => {
  await upToReading(page);
  await page.getByRole('button', { name: 'Later', exact: true }).click();
  await expect(title(page)).not.toHaveText('Read, adjust, read');
  const next = (await title(page).textContent())!;
  await page.clock.runFor(1000);
  await page.reload();
  await expect(title(page)).toHaveText(next);
});

test('read, adjust, read: half, then the rest', async ({ page }) => {
  await upToReading(page);
  await page.clock.fastForward(60_000);
  const gravity = page.getByRole('textbox', { name: 'Gravity' });
  const read = async (sg: string) => {
    await gravity.fill(sg);
    await page.getByLabel(/^Sample/).fill('20');
    await page.getByRole('button', { name: 'Write it down' }).click();
  };
  const expected = Number(/(1\.\d{3})/.exec((await page.getByText(/I expect about/).textContent())!)![1]);
  await read(expected.toFixed(3));
  await expect(page.getByTestId('read-dose')).toContainText('of sugar');
  const dose = async () =>
    Number(/^(\d+) g/.exec((await page.getByTestId('read-dose').textContent())!.trim())![1]);
  const half = await dose();
  await page.clock.fastForward(60_000);
  await isIn(page).click();
  const again = page.getByTestId('read-again');
  await expect(again).toBeVisible();
  const next = /(1\.\d{3})/.exec((await again.textContent())!)![1]!;
  expect(Number(next)).toBeGreaterThan(expected);
  await page.clock.fastForward(60_000);
  await read(next);
  await expect(page.getByText('The rest.')).toBeVisible();
  expect(Math.abs((await dose()) - half)).toBeLessThan(25);
  await page.clock.fastForward(60_000);
  await isIn(page).click();
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
});
