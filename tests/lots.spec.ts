import { expect, test } from './test';
import { addToSlip, logOf, number, openPlan, startRhubarb } from './kitchen';

test('counted, filled, and weighed in parts: all come to kilograms', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '14 heads of elderflower');
  await expect(page.getByLabel('Elderflowers: amount in heads')).toHaveValue('14');
  await addToSlip(page, '4 lemons');
  await expect(page.getByLabel('Lemons: amount in pieces')).toHaveValue('4');
  await page.getByRole('button', { name: /^Lemons: .*change/ }).click();
  await page.getByLabel('Weighed in parts, or a jar before and after').fill('1180 - 240 g');
  await page.getByLabel('Weighed in parts, or a jar before and after').blur();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByLabel('Lemons: amount in g')).toHaveValue('940');
});

test('the form, the cut and the juice of a lot move the numbers', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg plums');
  const before = await number(page, 'ta');
  await page.getByRole('button', { name: /^Plums: fresh, trimmed, change/ }).click();
  await page.getByLabel('Form').selectOption('frozen');
  await page.getByLabel('Cut').selectOption('blitzed');
  await page.getByLabel('TA, g/L').fill('32');
  await page.getByLabel('TA, g/L').blur();
  await page.getByLabel('°Bx or SG').fill('1.070');
  await page.getByLabel('°Bx or SG').blur();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(
    page.getByRole('button', { name: /^Plums: frozen, trimmed, blitzed, 17.* °Bx, 32.0 g\/L, change/ })
  ).toBeVisible();
  expect(await number(page, 'ta')).toBeGreaterThan(before + 3);
  await expect(page.getByText(/nine tenths out in \d+ hours/)).toBeVisible();
});

test('acid is added with one tap, from the number itself, and no more than does good', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg carrots');
  await page.getByTestId('ta').click();
  await expect(page.locator('[data-way="lemon"]')).toContainText(/mL of juice/);
  // Carrots hold next to none: twice the usual dose, and it says so.
  await expect(page.getByText(/twice the usual dose/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Put on the slip: tartaric acid' }).click();
  await expect(page.getByLabel('Tartaric acid: amount in g')).not.toHaveValue('');
  expect(await number(page, 'ta')).toBeGreaterThan(1.8);
  expect(await number(page, 'ta')).toBeLessThan(3);
  expect(await number(page, 'ph')).toBeLessThan(4.3);
});

test('a caution that was read is put away, and the batch remembers', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg rhubarb');
  const caution = page.getByText('Rhubarb leaves are poisonous');
  await expect(caution).toBeVisible();
  await page.getByRole('button', { name: /^I have read it: Stalks only/ }).click();
  await expect(caution).toBeHidden();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
  const log = await logOf(page);
  expect(log.filter((e) => e.type === 'caution').map((e) => e.data.cautionId)).toEqual(['rhubarb-leaves']);
});

test('an absurd dose is stopped; what is meant all the same is recorded', async ({ page }) => {
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByLabel('What', { exact: true }).fill('Nutrient mix');
  await page.getByRole('textbox', { name: 'How much', exact: true }).fill('1 lb');
  await expect(page.getByText(/450 g of nutrient mix is more than anyone puts in/)).toBeVisible();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('say that it is what you mean');
  expect((await logOf(page)).filter((e) => e.type === 'addition')).toHaveLength(1);
  await page.getByRole('checkbox', { name: /I understand/ }).check();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('form', { name: 'Add something' })).toBeHidden();
  const log = await logOf(page);
  expect(log.filter((e) => e.type === 'addition')).toHaveLength(2);
  expect(log.filter((e) => e.type === 'caution').map((e) => e.data.cautionId)).toEqual(['absurd-dose']);
});

test('a reading that makes no sense is explained as it is typed, and stays explained', async ({ page }) => {
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Read gravity' }).click();
  // Twenty on the °Bx side, written as a gravity.
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.020');
  const why = page.getByRole('region', { name: 'Why this reading' });
  await expect(why).toContainText('below');
  await expect(why.locator('[data-cause]').first()).toBeVisible();
  await expect(why.locator('[data-cause="scale"]')).toContainText('°Bx scale');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await page.getByRole('button', { name: 'Why 1.020' }).click();
  await expect(
    page.getByRole('dialog', { name: 'Why this reading' }).locator('[data-cause="scale"]')
  ).toBeVisible();
});

test('read on another scale, with its acid', async ({ page }) => {
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Read gravity' }).click();
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('19 bx');
  // What reads °Bx here is asked once.
  await page.getByRole('button', { name: 'Hydrometer', exact: true }).click();
  await expect(page.getByRole('group', { name: 'What reads °Bx here' })).toBeHidden();
  await page.getByText('Another scale, acid').click();
  await page.getByLabel('TA, g/L').fill('0.62');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('form', { name: 'Read gravity' }).getByRole('alert')).toContainText('6.2 g/L');
  await page.getByLabel('TA, g/L').fill('0.62 %');
  await page.getByLabel('pH', { exact: true }).fill('3.2');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('form', { name: 'Read gravity' })).toBeHidden();
  const reading = (await logOf(page)).find((e) => e.type === 'reading')!.data;
  expect(reading.sg).toBeCloseTo(1.0787, 3);
  expect(reading).toMatchObject({ ph: 3.2 });
  expect(reading.taGL).toBeCloseTo(6.2, 6);
});
