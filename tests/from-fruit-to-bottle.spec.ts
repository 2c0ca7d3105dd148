import { expect, test } from './test';
import { addToSlip, earlier, logOf, number, openPlan, read, startRhubarb } from './kitchen';

for (const [size, viewport] of [
  ['desk', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }]
] as const) {
  test(`from a bowl of fruit to a bottled wine (${size})`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await openPlan(page);

    // Weigh the fruit in: sugar and water follow, at the strength asked for.
    await addToSlip(page, '9 lb plums');
    await expect(page.getByLabel('Plums: amount in lb')).toHaveValue('9');
    expect(await number(page, 'abv')).toBeCloseTo(12, 1);
    const sugar = page.getByLabel('White sugar: amount in kg');
    const sugarFor12 = Number(await sugar.inputValue());
    expect(sugarFor12).toBeGreaterThan(1);

    // Ask for more strength: every number moves on the keystroke.
    await page.getByRole('button', { name: /how strong/ }).click();
    await page.getByLabel('Strength, % by volume').fill('13');
    await page.getByRole('button', { name: 'Hold it there' }).click();
    expect(Number(await sugar.inputValue())).toBeGreaterThan(sugarFor12);
    await expect(page.getByTestId('abv')).toHaveText('13.0');

    // And for twelve litres.
    await page.getByRole('button', { name: /how much, into glass/ }).click();
    await page.getByLabel('How much, once the fruit is out').fill('12');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^12 litres/ })).toBeVisible();
    expect(await number(page, 'sg-none')).toBeGreaterThan(await number(page, 'sg-all'));
    expect(await number(page, 'ph')).toBeLessThan(4.2);

    await page.getByRole('button', { name: 'Start this batch' }).click();
    await expect(page.getByTestId('batch-sentence')).toContainText('Plum, day 1');

    // The weeks go by: the clock is set on, and what is due is done.
    const start = Date.now();
    const dayIs = async (day: number) => {
      await page.clock.setFixedTime(start + day * 86_400_000);
      await page.reload();
      await expect(page.getByTestId('batch-sentence')).toBeVisible();
    };
    await dayIs(1);
    await read(page, '1085', '20');
    await expect(page.getByTestId('sg-now')).toHaveText('1.085');
    await page.getByRole('button', { name: 'Yeast in', exact: true }).click();
    await page.getByRole('button', { name: 'Yeast is in' }).click();
    await dayIs(2);
    await page.getByRole('button', { name: 'Stirred', exact: true }).click();
    await expect(page.getByRole('status')).toContainText('stirred');

    await dayIs(9);
    await read(page, '1.012', '20');
    expect(await number(page, 'abv-now')).toBeGreaterThan(8.5);
    expect(await number(page, 'abv-now')).toBeLessThan(11.5);
    await page.getByRole('button', { name: 'Fruit out', exact: true }).click();
    await page.getByRole('button', { name: 'Fruit is out' }).click();
    await expect(page.getByTestId('batch-sentence')).not.toContainText('with the fruit still in');
    const rack = async (into: string, out: string, left: string) => {
      await page.getByRole('button', { name: 'Rack', exact: true }).click();
      const form = page.getByRole('form', { name: 'Rack' });
      await form.getByLabel(/^Into/).selectOption({ label: into });
      await form.getByLabel(/^Came out/).fill(out);
      await form.getByLabel(/^Left behind/).fill(left);
      await form.getByRole('button', { name: 'It is racked' }).click();
      await expect(form).toBeHidden();
    };
    await rack('10 L jar', '10', '0.8');
    await expect(page.getByTestId('volume-now')).toHaveText('10.0 L');

    await dayIs(45);
    await read(page, '0.992', '20');
    await rack('3 US gal carboy', '9.7', '0.3');

    // One reading does not show that it has finished: the pressure check stops it.
    await dayIs(110);
    await page.getByRole('button', { name: 'Bottle', exact: true }).click();
    await expect(page.getByTestId('pressure')).toContainText('Do not bottle this');
    await expect(page.getByRole('button', { name: 'Bottle it all the same' })).toBeDisabled();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await read(page, '0.992', '20');
    await page.getByRole('button', { name: 'Bottle', exact: true }).click();
    await expect(page.getByTestId('pressure')).toContainText('Still for 65 days');
    await page.getByLabel('Bottles', { exact: true }).fill('12');
    await page.getByRole('button', { name: 'It is bottled' }).click();
    await expect(page.getByTestId('batch-sentence')).toContainText('12 bottles');
    await expect(page.getByTestId('batch-sentence')).toContainText(/about\s+1[123]\.\d %/);

    const types = (await logOf(page)).map((e) => e.type);
    expect(types.filter((t) => t === 'reading')).toHaveLength(4);
    expect(types.filter((t) => t === 'transfer')).toHaveLength(2);
    expect(types.at(-1)).toBe('bottle');
  });
}

test('a wine that has been still for a week is bottled, and told by how much it may press', async ({
  page
}) => {
  await openPlan(page);
  await addToSlip(page, '2 kg white sugar');
  await addToSlip(page, '8 L water');
  await page.getByRole('textbox', { name: 'Call it' }).fill('Plain');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plain');
  // It happened long ago: shift the start by rewriting nothing, but waiting with the clock.
  const start = Date.now();
  await page.clock.setFixedTime(start + 1.5 * 86_400_000);
  await page.getByRole('button', { name: 'Yeast in' }).first().click();
  await page.getByRole('button', { name: 'Yeast is in' }).click();
  await page.clock.setFixedTime(start + 60 * 86_400_000);
  await read(page, '0.986', '20', 8);
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  // One jar for all of it, though two would leave less air.
  await page.getByLabel(/^Into/).selectOption({ label: '10 L jar' });
  await earlier(page, 5);
  await page.getByRole('button', { name: 'It is racked' }).click();
  // Written down late: on that day it still stood in the bucket.
  await read(page, '0.986', '20', 6);
  await read(page, '0.986', '20');
  await expect(page.getByTestId('batch-sentence')).toContainText('still for 8 days');
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  await expect(page.getByTestId('pressure')).toContainText('Still for 8 days');
  await page.getByLabel('Bottles', { exact: true }).fill('10');
  // What is left stays in the jar, unless that was all.
  await page.getByLabel(/That was all/).check();
  await page.getByRole('button', { name: 'It is bottled' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('10 bottles');
  await expect(page.getByText('Taste it, 6 months old')).toBeVisible();
});

test('undo by voiding: the number goes back, the log keeps both', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg rhubarb');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb');
  await read(page, '1.095', '20');
  await expect(page.getByTestId('sg-now')).toHaveText('1.095');
  await page.getByRole('button', { name: 'Take back: 1.095' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Not read yet');
  expect((await logOf(page)).map((e) => e.type).sort()).toEqual(['addition', 'planned', 'reading', 'void']);
});

test('bad readings are asked about and nothing is lost', async ({ page }) => {
  await openPlan(page);
  await addToSlip(page, '4 kg rhubarb');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.getByRole('button', { name: 'Read gravity' }).click();
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.64');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('Did you mean 1.064?');
  await expect(page.getByRole('textbox', { name: 'Gravity', exact: true })).toHaveValue('1.64');
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.064');
  await page.getByLabel(/^Sample/).fill('45');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('Cool the sample');
  expect((await logOf(page)).filter((e) => e.type === 'reading')).toHaveLength(0);
});

test('what is no amount, and a dose past all sense, are asked about', async ({ page }) => {
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const add = async (what: string, amount: string) => {
    await page.getByLabel('What', { exact: true }).fill(what);
    await page.getByRole('textbox', { name: 'How much', exact: true }).fill(amount);
    await page.getByRole('button', { name: 'Write it down' }).click();
  };
  await add('water', '2 furlongs');
  await expect(page.getByRole('alert')).toContainText('no unit, and not water');
  await add('Pectic enzyme', '400 g');
  await expect(page.getByRole('alert')).toContainText('more than anyone puts in');
  await add('foxglove', '1 g');
  await expect(page.getByRole('alert').first()).toContainText('poisonous');
  expect((await logOf(page)).filter((e) => e.type === 'addition')).toHaveLength(1);
  await add('honey', '1 lb');
  await expect(page.getByRole('status')).toContainText('0.45 kg honey in.');
});
