import { expect, test } from './test';
import { addToSlip } from './kitchen';

test('a clash says which gave way and why, and a tap takes the way out', async ({ page }) => {
  await page.goto('/plan');
  await addToSlip(page, '6 kg rhubarb');
  await page.getByRole('button', { name: /how much, into glass/ }).click();
  await page.getByLabel('How much, once the fruit is out').fill('12');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  await page.getByRole('button', { name: /how sharp/ }).click();
  await page.getByLabel('Acid, g/L as tartaric').fill('4.5');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  const advice = page.getByRole('group', { name: 'Advice and cautions' });
  await expect(advice).toContainText(/The fruit alone brings 7\.\d g\/L of acid, above 4\.5\./);
  const ways = page.getByRole('list', { name: 'Ways out' }).getByRole('button');
  await expect(ways.nth(1)).toBeVisible();
  // Each has its numbers; one softens, one makes more.
  await expect(ways.filter({ hasText: 'potassium bicarbonate' })).toContainText('4.5 g/L of acid');
  await ways.filter({ hasText: /^Make / }).click();
  await expect(page.getByRole('list', { name: 'Ways out' })).toHaveCount(0);
  await expect(page.getByTestId('ta')).toHaveText('4.5');
  await expect(page.getByRole('button', { name: /^1[89](\.\d)? litres/ })).toBeVisible();
});

test('strength past the yeast, and a start too heavy, each with its way out', async ({ page }) => {
  await page.goto('/plan');
  await addToSlip(page, '5 kg plums');
  await page.getByRole('button', { name: /how strong/ }).click();
  await page.getByLabel('Strength, % by volume').fill('15');
  await page.getByLabel('Start no higher than').fill('1.090');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  const advice = page.getByRole('group', { name: 'Advice and cautions' });
  await expect(advice).toContainText('This yeast stops near 14 %');
  await page
    .getByRole('list', { name: 'Ways out' })
    .getByRole('button', { name: /red-fruit yeast/ })
    .click();
  await expect(advice).not.toContainText('This yeast stops near');
  await page
    .getByRole('list', { name: 'Ways out' })
    .getByRole('button', { name: /Feed the sugar in steps/ })
    .click();
  await expect(page.getByRole('list', { name: 'Ways out' })).toHaveCount(0);
  await expect(page.getByTestId('sg-all')).toHaveText('1.090');
  await expect(page.getByText('before it is fed')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Powders' })).toContainText(
    /\d+ g of white sugar when two thirds/
  );
});

test('sweet, by the vessel, with so much fruit: every word is a goal', async ({ page }) => {
  await page.goto('/plan');
  await addToSlip(page, '5 kg plums');
  await page.getByRole('button', { name: /how sweet it ends/ }).click();
  await page.getByRole('button', { name: /^medium 25/ }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('abv')).toHaveText('12.0');
  await expect(page.getByText(/sweetened to 25 g\/L, from 12\.\d %/)).toBeVisible();
  await expect(page.getByText(/Later: .*potassium sorbate/)).toBeVisible();
  await page.getByRole('button', { name: /how much, into glass/ }).click();
  await page.getByRole('button', { name: /^Fill the / }).click();
  await expect(page.getByRole('button', { name: /to the mark/ })).toBeVisible();
  await page.getByRole('button', { name: /how much, into glass/ }).click();
  await page.getByRole('button', { name: 'Work it out from the fruit' }).click();
  await page.getByRole('button', { name: /my plum: fruit/ }).click();
  await page.getByRole('button', { name: /^full/ }).click();
  // 5 kg at 0.55 kg a litre.
  await expect(page.getByText('9.1 L into glass')).toBeVisible();
});

test('flowers get the nitrogen that is asked for, to the most one gives', async ({ page }) => {
  await page.goto('/plan');
  await addToSlip(page, '500 g elderflowers');
  await page.getByRole('button', { name: /how much, into glass/ }).click();
  await page.getByLabel('How much, once the fruit is out').fill('10');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  await page.getByRole('button', { name: /^Other ways/ }).click();
  const nitrogen = page.getByLabel(/^Nitrogen for the yeast/);
  await nitrogen.fill('150');
  await nitrogen.press('Tab');
  await page.keyboard.press('Escape');
  const dap = page.getByLabel(/^Diammonium phosphate: amount/);
  await expect.poll(async () => Number(await dap.inputValue())).toBeGreaterThan(6);
  await page.getByRole('button', { name: /^Other ways/ }).click();
  await nitrogen.fill('400');
  await nitrogen.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Advice and cautions' })).toContainText(
    'More than the most one gives would bring it to 400 mg/L of nitrogen'
  );
});

test('a school tells what it changes here, a method changes many, and one’s own is kept', async ({
  page
}) => {
  await page.goto('/plan');
  await addToSlip(page, '4 kg parsnips');
  await page.getByRole('button', { name: /against wild yeast/ }).click();
  await expect(page.getByRole('button', { name: /^boiling water/ })).toContainText(/Here: .*no campden/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Other ways/ }).click();
  await page.getByRole('button', { name: /^Simmered and strained/ }).click();
  await expect(page.getByTestId('boil-off')).toContainText('Simmering 20 min');
  await page.getByRole('button', { name: /^Other ways/ }).click();
  await page.getByLabel('Keep these choices as').fill('My roots');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Method “My roots” kept.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByRole('button', { name: /^Other ways/ }).click();
  await expect(page.getByRole('button', { name: /^My roots/ })).toBeVisible();
});

test('the harvest: weighed in, proposed, planned, used, and what is left', async ({ page }) => {
  await page.goto('/harvest');
  const line = page.getByLabel('What you picked');
  await line.fill('5 kg plums');
  await page.getByLabel('From where').fill('end of the lane');
  await page.getByRole('button', { name: 'Weigh in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('5.0 kg in hand');
  await line.fill('1 kg foxglove');
  await expect(page.getByRole('alert')).toContainText('Not in a wine');
  await line.fill('2 kg raspberries');
  await page.getByLabel('How it is kept').selectOption('frozen');
  await page.getByRole('button', { name: 'Weigh in' }).click();
  const raspberries = page.locator('[data-lot="raspberry"]');
  await expect(raspberries).toContainText('12 months left');
  await raspberries.getByRole('button', { name: /^More for/ }).click();
  await page.getByLabel('How much', { exact: true }).fill('500 g');
  await page.getByRole('button', { name: 'Eaten' }).click();
  await expect(raspberries).toContainText('1.50 kg');

  const first = page.getByRole('region', { name: 'What could this be?' }).getByRole('listitem').first();
  await expect(first).toContainText(/g\/L of acid/);
  await page
    .locator('[data-lot="plum"]')
    .getByRole('button', { name: /^Plan with/ })
    .click();
  await expect(page.getByLabel('Plums: amount in kg')).toHaveValue('5');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plum');
  await page.goto('/harvest');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('1.5 kg in hand');
  await page.getByText('Used up, 1').click();
  await expect(page.locator('[data-lot="plum"]').getByRole('link', { name: 'Plum' })).toBeVisible();
});

test('a recipe: kept, followed by a version, scaled, printed, saved, and made', async ({ page }) => {
  await page.goto('/plan');
  await addToSlip(page, '4 kg gooseberries');
  await page.getByRole('button', { name: 'Keep as a recipe' }).click();
  await page.getByRole('button', { name: /how strong/ }).click();
  await page.getByLabel('Strength, % by volume').fill('10');
  await page.getByRole('button', { name: 'Hold it there' }).click();
  await page.getByRole('button', { name: /Keep as the next version/ }).click();
  await page.getByRole('link', { name: 'Recipes' }).click();
  await page.getByRole('link', { name: /Gooseberry/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Gooseberry, version 2');
  await expect(page.getByRole('region', { name: 'Since the last version' })).toContainText(
    'strength 10.0 % for 12.0 %'
  );
  const size = page.getByLabel(/^How much, L/);
  await size.fill('22');
  await size.press('Enter');
  await expect(page.getByRole('region', { name: 'What goes in' })).toContainText(/Gooseberries.*7\.\d\d kg/);

  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As Markdown' }).click();
  expect((await saved).suggestedFilename()).toBe('gooseberry-2.md');
  await page.getByRole('link', { name: 'Sheet to print' }).click();
  const sheet = page.getByRole('article', { name: 'Brew sheet' });
  await expect(sheet).toContainText('Gooseberry, version 2');
  await expect(sheet).toContainText('To sanitise');
  // On paper: one page, and nothing of the app round it.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' }).first()).toBeHidden();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)!.length).toBe(1);
  await page.emulateMedia({ media: 'screen' });
  await page.goBack();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByTestId('abv')).toHaveText('10.0');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('Next time').fill('pick them riper');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Kept for next time.')).toBeVisible();
  await page.goto('/plan/recipes');
  await page
    .getByRole('main')
    .getByRole('link', { name: /Gooseberry/ })
    .click();
  await expect(page.getByRole('region', { name: 'Next time' })).toContainText('pick them riper');
  await expect(page.getByRole('region', { name: 'Made by it' })).toContainText('Gooseberry');
});
