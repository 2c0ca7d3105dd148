import { expect, test } from './test';
import { addToSlip, openPlan, read } from './kitchen';

const DAY = 86_400_000;

test('a wine that sleeps and then sticks is seen through, and every screen says the same of it', async ({
  page
}) => {
  const began = new Date('2026-05-04T09:00:00Z').getTime();
  await page.clock.setSystemTime(began);
  const on = async (day: number) => {
    await page.clock.setSystemTime(began + day * DAY);
    await page.reload();
  };
  await openPlan(page);
  await addToSlip(page, '3 kg honey');
  // Before it is begun: how long it will take, here and by yeast.
  await expect(page.getByTestId('plan-ahead')).toContainText(/is done in \d+ to \d+ (days|weeks)/);
  await page.getByTestId('plan-ahead').getByRole('button').click();
  const table = page.getByRole('dialog', { name: 'How long it takes' });
  await expect(table.getByRole('row', { name: /Champagne/ })).toContainText(/\d+ – \d+ d/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  const sentence = page.getByTestId('batch-sentence');
  const trouble = page.getByTestId('trouble');
  await expect(sentence).toContainText('day 1');
  await expect(trouble).toHaveCount(0);

  // Yeast on the second day; on the fifth it reads as it did.
  await on(1);
  await page.getByRole('button', { name: 'Yeast in', exact: true }).click();
  const yeast = page.getByRole('form', { name: 'Yeast in' });
  await yeast.getByRole('button', { name: 'Yeast is in' }).click();
  await expect(yeast).toBeHidden();
  await read(page, '1.085', '15');
  await on(4);
  await expect(trouble).toHaveCount(0);
  await read(page, '1.085', '15');
  await expect(trouble).toContainText('still asleep, 72 h after the yeast');
  await expect(trouble).toContainText('2. Warm it');
  await expect(trouble.getByTestId('effect')).toContainText('With it,');
  await page.goto('/');
  const card = page.getByRole('article').first();
  await expect(card).toContainText('still asleep, 72 h after the yeast');
  await card.getByLabel(/^How warm/).fill('22');
  await card.getByRole('button', { name: 'Write it down' }).click();
  await expect(card).toContainText('Stir air in');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card).toContainText('Warm it');
  await card.getByLabel(/^How warm/).fill('22');
  await card.getByRole('button', { name: 'Write it down' }).click();
  await expect(card).toContainText('Stir air in');
  await card.getByRole('link').first().click();
  await expect(sentence).toBeVisible();
  const batch = page.url();

  // It wakes, runs, and sticks.
  await on(6);
  await read(page, '1.070', '22');
  await expect(trouble).toHaveCount(0);
  await on(14);
  await read(page, '1.024', '18');
  await on(20);
  await read(page, '1.021', '16');
  await on(25);
  await read(page, '1.021', '16');
  await expect(trouble).toContainText(/stuck/i);
  await expect(page.getByTestId('ahead')).toContainText('stand');
  const sg = await page.getByTestId('sg-now').innerText();
  await page.goto('/batches');
  await expect(page.getByRole('main')).toContainText(sg);
  await page.goto('/');
  await expect(page.getByRole('article').first()).toContainText('stuck');
  await page.goto(batch);
  await expect(trouble).toContainText('Warm it');
  await trouble.getByRole('button', { name: 'Do it' }).click();
  await page.getByLabel(/^How warm/).fill('22');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(trouble).not.toContainText('2. Warm it, ');
  // What would help is tried out before it is done.
  await page.getByText('What if…').click();
  await page.getByLabel('fresh yeast went in').selectOption({ index: 1 });
  await expect(page.getByTestId('ahead')).toContainText('Then');
  await page.getByRole('button', { name: 'as it stands' }).click();
  await expect(page.getByTestId('ahead')).toContainText('with nothing done to it');
});
