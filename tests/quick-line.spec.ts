import { faultsOf } from './faults';
import { draftHolds, live, logOf, sayLine, startRhubarb } from './kitchen';
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
  await say(page, 'undo', /Take back\s*Rhubarb: Racked.*written/);
  await expect(page.getByTestId('batch-sentence')).toContainText('bucket');
  await say(page, 'how strong is it', /About|likely|working/);
});

test('a line that is half typed is there again after a closed tab', async ({ page }) => {
  await startRhubarb(page);
  await page.keyboard.press('/');
  await box(page).fill('racked to 10 l, lost');
  await draftHolds(page, /racked to 10 l, lost/);
  await page.reload();
  await expect(page.getByTestId('batch-sentence')).toBeVisible();
  await page.keyboard.press('/');
  await expect(box(page)).toHaveValue('racked to 10 l, lost');
  await box(page).fill('stirred');
  await expect(means(page)).toContainText('Stirred');
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeHidden();
  await page.keyboard.press('/');
  await expect(box(page)).toHaveValue('');
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
  // What is not known is kept beside what is, by the same key.
  await box(page).fill('sg 1.064 Flurb');
  await expect(page.getByTestId('keeps')).toContainText('I do not know “flurb”. It is kept as a note.');
  await expect(means(page)).toHaveCount(2);
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeHidden();
  const written = async () =>
    (await logOf(page))
      .slice(-2)
      .map((e) => [e.type, (e.data as { text?: string }).text ?? '', (e as { group?: string }).group]);
  await expect
    .poll(async () => (await written()).map(([type, text]) => `${type} ${text}`))
    .toEqual(['reading ', 'note Flurb']);
  expect(new Set((await written()).map((e) => e[2])).size).toBe(1);
  await page.keyboard.press('/');
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

test('several jars are racked into one by a line, and it is as strong as it was; a mark is made up, a dose is offered', async ({
  page
}) => {
  const { sentence, go } = await live(page, 'mixed', '2026-08-01T18:00:00+01:00', [
    '6 lb gooseberries',
    '8 L water'
  ]);
  await page.keyboard.press('/');
  await box(page).fill('campden in');
  await expect(page.getByRole('dialog')).toContainText('tablets, the usual');
  await page.keyboard.press('Alt+1');
  await expect(means(page)).toContainText('Campden tablets');
  await page.keyboard.press('Enter');
  await expect(box(page)).toBeHidden();
  await sayLine(page, 'made up to 14 l with water', /L water/);
  await go(1);
  await sayLine(page, 'put the yeast in', /Yeast in/);
  await go(6);
  await sayLine(page, 'squeezed the bag and took it out', /Fruit out/);
  await sayLine(page, 'racked into a 10 l jar and a 5 l jar', /Racked/);
  await go(20);
  await sayLine(page, "gravity's 1.004 in each", /1\.004/, /1\.004/);
  const strength = async () => Number(/about ([\d.]+) % so far/.exec(await sentence.innerText())?.[1]);
  await expect(sentence).toContainText('% so far');
  const before = await strength();
  await sayLine(
    page,
    'racked both jars into a 15 l jar, lost half a litre',
    /Racked .* 15 L jar/,
    /Racked .* 15 L jar/
  );
  await expect(sentence).toContainText('in the 15 L jar');
  await expect(sentence).toContainText('% so far');
  expect(Math.abs((await strength()) - before)).toBeLessThan(0.3);
});
