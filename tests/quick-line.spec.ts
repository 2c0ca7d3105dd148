import { faultsOf } from './faults';
import { logOf, startRhubarb } from './kitchen';
import { expect, test, type Page } from './test';

const PHONE = { width: 390, height: 844 };
const box = (page: Page) => page.getByLabel('Say it in one line');
const means = (page: Page) => page.getByTestId('means');

/** Types a line, sees what it means, and writes it. */
async function say(page: Page, line: string, meaning: RegExp) {
  await page.keyboard.press('/');
  await box(page).fill(line);
  await expect(means(page).first()).toContainText(meaning);
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeHidden();
}

test('a wine is followed by lines alone, on any page, and a line is taken back', async ({ page }) => {
  await page.clock.setSystemTime(Date.parse('2026-06-01T08:00:00Z'));
  await startRhubarb(page);
  await say(
    page,
    '3 campden, 1 tsp nutrient and 2 tsp acid blend',
    /3 Campden tablets, 4 g nutrient mix, 9.4 g acid blend/
  );
  await page.clock.setSystemTime(Date.parse('2026-06-02T08:00:00Z'));
  await page.goto('/almanac');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await say(page, 'sg 1064 24c', /Rhubarb.*stem showed 1\.064/);
  await say(page, 'pitched 5 g champagne yeast', /5 g, champagne type/);
  await page.clock.setSystemTime(Date.parse('2026-06-07T18:00:00Z'));
  await say(page, 'yesterday 8pm stirred', /yesterday 20:00|yesterday 21:00/);
  await say(page, 'stirred, 1.030 at 21', /Stirred/);
  await say(page, 'fruit out, squeezed', /squeeze/);
  await say(page, 'racked to 10 l and 5 l, lost 0.5 l', /10 L jar.*5 L jar.*500 mL left behind/);
  await page.goto('/batches');
  await page
    .getByRole('link', { name: /Rhubarb/ })
    .first()
    .click();
  await expect(page.getByTestId('batch-sentence')).toContainText(/5 L jar and .*5.*L jar|5 L jar/);
  // Taken back as one, and the wine stands in its bucket again.
  await say(page, 'undo', /written last/);
  await expect(page.getByTestId('batch-sentence')).toContainText('bucket');
  await say(page, 'how strong is it', /About|likely|working/);
});

test('what may mean two things is asked back, and settled by a key', async ({ page }) => {
  await startRhubarb(page);
  await page.keyboard.press('/');
  await box(page).fill('1.64');
  await expect(page.getByTestId('asks')).toContainText('heavier than any must');
  // A digit alone is part of what is typed; with Alt it is a choice.
  await page.keyboard.press('Alt+1');
  await expect(box(page)).toHaveValue('1.064');
  await expect(means(page)).toContainText('1.064');
  await box(page).fill('a gallon of water');
  await expect(page.getByTestId('asks')).toContainText('not the same everywhere');
  await box(page).fill('sg 1.064 flurb');
  await expect(page.getByTestId('asks')).toContainText('flurb');
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeVisible();
  // Figures that no must could have are refused where they stand.
  await box(page).fill('300 g campden');
  await expect(page.getByRole('alert')).toContainText('more than anyone puts in');
  await box(page).fill('how many campden for 5 us gal');
  await expect(means(page)).toContainText('5 tablets');
  await page.keyboard.press('Escape');
  await expect(box(page)).toBeHidden();
  // What is typed in a field is no quick line.
  await page.getByRole('button', { name: 'Read gravity' }).click();
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).pressSequentially('1/');
  await expect(box(page)).toBeHidden();
});

test('two wines of one name are told apart by where they stand, and by a number', async ({ page }) => {
  await startRhubarb(page);
  await startRhubarb(page);
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Rhubarb' }).first()).toBeVisible();
  await page.keyboard.press('/');
  await box(page).fill('rhubarb: note smells of roses');
  const asks = page.getByTestId('asks');
  await expect(asks).toContainText('Which wine?');
  await expect(page.getByRole('button', { name: /Rhubarb 1: begun .*bucket/ })).toBeVisible();
  await page.keyboard.press('Alt+2');
  await expect(means(page)).toContainText('Rhubarb 2');
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeHidden();
  await expect.poll(async () => (await logOf(page)).filter((e) => e.type === 'note').length).toBe(1);
});

test('a plan, a harvest and a question are one line each, on a phone', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await page.goto('/harvest');
  await page.getByRole('button', { name: 'Quick line' }).click();
  await box(page).fill('picked 12 lemons and 3 kg gooseberries');
  await expect(means(page)).toContainText('12 lemons, 3.00 kg gooseberries');
  expect(await faultsOf(page, 'dialog')).toEqual([]);
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(page.getByRole('main')).toContainText('Gooseberr');
  await page.getByRole('button', { name: 'Quick line' }).click();
  await box(page).fill('make 1 us gal of peach with honey at 13 %');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/plan$/);
  await expect(page.getByRole('main')).toContainText('Peach');
  await expect(page.getByRole('main')).toContainText('Honey');
  await page.getByRole('button', { name: 'Quick line' }).click();
  await box(page).fill('how much sugar for 10 l at 12 %');
  await expect(means(page)).toContainText(/1\.9\d kg of sugar/);
});
