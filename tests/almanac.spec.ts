import { expect, test } from './test';
import { number, openPlan } from './kitchen';

test('a stranger finds how sharp quince is and how to bring it down, in under thirty seconds', async ({
  page
}) => {
  const began = Date.now();
  await page.goto('/');
  await page.getByRole('link', { name: 'Almanac' }).first().click();
  await page.getByRole('searchbox', { name: 'Look something up' }).fill('how sharp is quince');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('portrait')).toContainText('Quince is sharp');
  const ta = Number(/[\d.]+/.exec(await page.getByTestId('juice-ta').innerText())![0]);
  expect(ta).toBeGreaterThan(7);
  expect(ta).toBeLessThan(13);
  await page.getByRole('radio', { name: 'its juice alone' }).check();
  await expect(page.locator('[data-way="potassium-bicarbonate"]')).toContainText(/\d+ g/);
  await expect(page.locator('[data-way="water"]')).toContainText(/\d+\.\d L/);
  expect(Date.now() - began).toBeLessThan(30_000);
});

test('the same on a phone, by the words of the trouble', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/almanac');
  await page.getByRole('searchbox', { name: 'Look something up' }).fill('too sharp');
  await page.getByRole('link', { name: /Acid up or down/ }).click();
  await page.getByLabel('Titratable acid').fill('0.95');
  await expect(page.getByRole('alert')).toContainText('0.95 %, which is 9.5 g/L');
  await page.getByLabel('Titratable acid').fill('0.95 %');
  await expect(page.getByTestId('answer')).toBeInViewport();
  await expect(page.getByRole('row', { name: /Potassium bicarbonate/ })).toContainText('40 g');
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
});

test('every produce, chapter and sum opens', async ({ page }) => {
  await page.goto('/almanac');
  await expect(page.getByRole('link', { name: /^Plum, / })).toBeVisible();
  const hrefs = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLAnchorElement>('main a[href^="/almanac"]')].map((a) =>
      a.getAttribute('href')!
    )
  );
  expect(hrefs.filter((h) => h.includes('/produce/')).length).toBeGreaterThanOrEqual(90);
  for (const href of [...new Set(hrefs)].filter((h, i) => !h.includes('/produce/') || i % 12 === 0)) {
    await page.goto(href);
    await expect(page.getByRole('heading').first(), href).toBeAttached();
    await expect(page.locator('main'), href).not.toContainText(/NaN|undefined/);
  }
  await page.goto('/bench');
  await expect(page.locator('main a[href^="/bench/"]').nth(15)).toBeAttached();
  const sums = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLAnchorElement>('main a[href^="/bench/"]')].map((a) =>
      a.getAttribute('href')!
    )
  );
  expect(sums.length).toBeGreaterThanOrEqual(16);
  for (const href of sums) {
    await page.goto(href);
    await expect(page.getByTestId('answer'), href).not.toBeEmpty();
  }
});

test('one’s own figures are used from then on, and can be given back', async ({ page }) => {
  await page.goto('/almanac/produce/quince');
  await page.getByText('Use your own figures').click();
  const form = page.getByRole('form', { name: 'Your own figures' });
  await form.getByLabel(/malic acid/).fill('lots');
  await form.getByRole('button', { name: 'Use these' }).click();
  await expect(form.getByRole('alert')).toContainText('Give low, typical and high');
  await form.getByLabel(/malic acid/).fill('1.8 2 2.2');
  await form.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByTestId('portrait')).toContainText('very sharp');
  await page.getByRole('link', { name: 'Plan with it' }).click();
  await expect(page.getByLabel('Quinces: amount in kg')).toHaveValue('4');
  expect(await number(page, 'ta')).toBeGreaterThan(5);
  await page.goto('/almanac/produce/quince');
  await page.getByText('Change your figures').click();
  await page.getByRole('button', { name: 'Back to the table’s' }).click();
  await expect(page.getByTestId('portrait')).toContainText('is sharp');
});

test('a plant of one’s own is added by what it is like; a poisonous one is not', async ({ page }) => {
  await page.goto('/almanac');
  const form = page.getByRole('form', { name: 'Add your own produce' });
  await form.getByLabel('Something that is not here').fill('Foxglove');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(form.getByRole('alert')).toContainText('poisonous');
  await form.getByLabel('Something that is not here').fill('Hedge plum');
  await form.getByLabel('Most like').selectOption('plum');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByTestId('portrait')).toContainText('Hedge plum');
  await openPlan(page);
  await page.getByRole('combobox', { name: 'Add an ingredient' }).fill('2 kg hedge plum');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Identify it with someone who knows it')).toBeVisible();
  expect(await number(page, 'abv')).toBe(12);
});
