import { expect, test } from './test';
import { addToSlip, draftHolds, number, openPlan, TEN_ITEMS } from './kitchen';

test('poison is refused by name, unknown plants are asked about', async ({ page }) => {
  await openPlan(page);
  const line = page.getByRole('combobox', { name: 'Add an ingredient' });
  await line.fill('200 g foxglove');
  await expect(page.getByRole('alert')).toContainText('foxglove is poisonous');
  await line.fill('rhubarb leaves');
  await expect(page.getByRole('alert')).toContainText('use the stalks only');
  await line.fill('moonberry');
  await expect(page.getByText('is not in my table')).toBeVisible();
});

test('vegetables are warned of until the acid is right', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '3 kg carrots');
  await expect(page.getByText(/bring it below 4.2/)).toBeVisible();
  await addToSlip(page, '0.6 L lemon juice');
  await expect(page.getByText(/bring it below 4.2/)).toBeHidden();
  expect(await number(page, 'ph')).toBeLessThan(4.2);
});

test('what is held stays, what follows moves, and they can be swapped', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg rhubarb');
  const sugar = page.getByLabel('White sugar: amount in kg');
  await page.getByRole('button', { name: 'Hold white sugar as it is' }).click();
  const held = await sugar.inputValue();
  await page.getByLabel('Rhubarb stalks: amount in kg').fill('6');
  await expect(sugar).toHaveValue(held);
  await expect(page.getByRole('button', { name: /how strong, worked out/ })).toBeVisible();
  await page.getByRole('button', { name: 'Let white sugar follow' }).click();
  expect(Number(await sugar.inputValue())).toBeGreaterThan(Number(held));
  // Typing over a worked-out weight holds it.
  await sugar.fill('1');
  await expect(page.getByRole('button', { name: 'Let white sugar follow' })).toBeVisible();
});

test('amounts in any unit, with mistakes said where they are', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, 'rhubarb');
  const amount = page.getByLabel(/^Rhubarb stalks: amount/);
  await amount.fill('9 lb 4 oz');
  await amount.press('Tab');
  await expect(amount).toHaveValue('9.25');
  await amount.fill('9 furlongs');
  await expect(page.getByRole('alert')).toContainText('no unit');
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
});

test('a recipe goes onto the slip as it is written, and what is not understood stays to be put right', async ({
  page,
  context
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openPlan(page);
  await page.evaluate(() =>
    navigator.clipboard.writeText('3 lb honey\n1 uk gal water\njuice and zest of 2 lemons\n1 packet of flurb')
  );
  const add = page.getByRole('combobox', { name: 'Add an ingredient' });
  await add.press('ControlOrMeta+V');
  await expect(page.getByRole('listbox', { name: 'What it could be' })).toHaveText(
    /All 4: Honey .*Water.*Lemon juice.*0.09 L.* Citrus zest/
  );
  await expect(page.getByText('Left for you: “1 packet of flurb”.')).toBeVisible();
  await add.press('Enter');
  for (const row of [/^Honey: amount/, /^Water: amount/, /^Lemon juice: amount/, /^Citrus zest: amount/])
    await expect(page.getByLabel(row)).toBeVisible();
  await expect(page.getByLabel(/^Honey: amount/)).toHaveValue('3');
  await expect(add).toHaveValue('1 packet of flurb');
});

test('with twelve ingredients the numbers, the vessel and Start are seen without scrolling', async ({
  page
}) => {
  await openPlan(page);
  for (const item of TEN_ITEMS) await addToSlip(page, item);
  await expect(page.getByRole('button', { name: /^Take .* off the slip$/ })).toHaveCount(12);
  for (const place of [
    page.getByTestId('abv'),
    page.getByTestId('ph'),
    page.getByRole('button', { name: 'Start this batch' }),
    page.getByRole('img', { name: /fill to/ })
  ]) {
    await expect(place).toBeInViewport({ ratio: 0.99 });
  }
  expect(await page.evaluate(() => document.documentElement.scrollTop)).toBe(0);
});

test('a closed tab loses no more than half a second of planning', async ({ page, context }) => {
  await page.clock.install();
  await openPlan(page);
  await addToSlip(page, '4 kg rhubarb');
  await page.clock.pauseAt(Date.now() + 3_600_000);
  await page.getByLabel('Rhubarb stalks: amount in kg').fill('5.5');
  // The longest that typing may stay unsaved, by the promise this test checks; no timer runs on after it.
  await page.clock.runFor(450);
  await draftHolds(page, /"5\.5"/);
  await page.close({ runBeforeUnload: false });
  await context.clock.resume();
  const again = await context.newPage();
  await again.goto('/plan');
  await expect(again.getByLabel('Rhubarb stalks: amount in kg')).toHaveValue('5.5');
});

test('by keyboard alone', async ({ page }) => {
  await openPlan(page);
  await page.getByRole('combobox', { name: 'Add an ingredient' }).focus();
  await page.keyboard.type('4 kg rhub');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Rhubarb stalks: amount in kg')).toBeFocused();
  await page.getByRole('button', { name: /how strong/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Strength, % by volume')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('11');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('abv')).toHaveText('11.0');
  await page.getByRole('textbox', { name: 'Call it' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
});

test('the amount in bottles and in UK gallons', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '3 kg rhubarb');
  const word = page.getByRole('button', { name: /how much, into glass/ });
  await word.click();
  await page.getByLabel('Unit of the amount').selectOption('bottles');
  await page.getByLabel('How much, once the fruit is out').fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^12 bottles/ })).toBeVisible();
  await expect(page.getByText('9.0 L into glass')).toBeVisible();
  await word.click();
  await page.getByLabel('Unit of the amount').selectOption('uk-gal');
  await page.getByLabel('How much, once the fruit is out').fill('2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('9.1 L into glass')).toBeVisible();
  // And back to what the fruit gives.
  await word.click();
  await page.getByRole('button', { name: 'Work it out from the fruit' }).click();
  await expect(page.getByRole('button', { name: /^about .* worked out$/ })).toBeVisible();
});

test('every headline number says how it came about', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '3 kg rhubarb');
  for (const [id, words] of [
    ['abv', /× 0.46/],
    ['sg-all', /Once the fruit has given/],
    ['bottles', /lees at the first racking/],
    ['ta', /as tartaric/],
    ['ph', /charge balance/]
  ] as const) {
    await page.getByTestId(id).click();
    await expect(page.getByRole('dialog').filter({ hasText: words })).toBeVisible();
    await page.keyboard.press('Escape');
  }
});
