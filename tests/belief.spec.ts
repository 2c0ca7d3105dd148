import { expect, test } from './test';
import { addToSlip, demo, openPlan } from './kitchen';

test('a running wine shows what it will do; one that nobody reads is asked what can be seen', async ({
  page
}) => {
  await demo(page);
  await page.getByRole('link', { name: /^Elderberry, / }).click();
  // The fan, in words for who cannot see it.
  await expect(page.getByRole('img', { name: /in \d+ days likely 0\.\d{3}, between/ })).toBeVisible();

  await page.goto('/');
  const linden = page.getByRole('article', { name: 'Linden blossom' });
  await expect(linden).toContainText('Look, count bubbles, taste');
  await linden.getByLabel('Taste of Linden blossom').selectOption('tastes sweet');
  await linden.getByRole('button', { name: 'Looked' }).click();
  await expect(linden).not.toContainText('Look, count bubbles');
  await page.getByRole('link', { name: /^Linden blossom, / }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Never read');
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('tastes sweet');
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  await expect(page.getByTestId('pressure')).toContainText('a guess fills no bottle');
});

test('reading is set aside with one tap, and a look is written down', async ({ page }) => {
  await demo(page);
  await page.getByRole('link', { name: /^Beetroot, / }).click();
  await page.getByRole('button', { name: 'I own no hydrometer' }).click();
  const next = page.getByRole('region', { name: 'What comes next' });
  await expect(next).toContainText('Look, count bubbles, taste');
  await next.getByRole('button', { name: 'Do it' }).first().click();
  const form = page.getByRole('form', { name: 'Look, listen, taste' });
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.getByRole('alert')).toContainText('Nothing is said yet');
  await form.getByLabel('Bubbles').fill('4');
  await form.getByLabel('Through the glass').selectOption('clear');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('4 bubbles in 60 s');
});

test('two wines of one fruit teach its next plan, and one tap leaves them out', async ({ page }) => {
  await demo(page);
  await page.goto('/almanac/produce/damson');
  await expect(page.getByTestId('garden')).toContainText(
    /Your own 2 batches: [\d.]+ °Bx where the table has/
  );
  await openPlan(page);
  await addToSlip(page, '3 kg damson');
  const lot = page.getByRole('button', { name: /^Damsons: from your own 2 batches/ });
  const before = await page.getByTestId('sg-all').innerText();
  await lot.click();
  await page.getByRole('button', { name: 'Use the table’s figures' }).click();
  await page.keyboard.press('Escape');
  await expect(lot).toHaveCount(0);
  await page.getByRole('button', { name: /^Damsons: (?!from)/ }).click();
  await page.getByRole('button', { name: 'Use what your own batches showed' }).click();
  await page.keyboard.press('Escape');
  await expect(lot).toBeVisible();
  await expect(page.getByTestId('sg-all')).toHaveText(before);
});

test('who owns no hydrometer says it once, for this wine and all to come', async ({ page }) => {
  const began = Date.now();
  await page.clock.setSystemTime(began);
  await openPlan(page);
  await addToSlip(page, '3 kg plums');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plum');
  await page.clock.setSystemTime(began + 2 * 86_400_000);
  await page.reload();
  await page.getByRole('button', { name: 'I own no hydrometer' }).first().click();
  await expect(page.getByRole('region', { name: 'What comes next' })).toContainText('Look, count bubbles');
  await openPlan(page);
  await addToSlip(page, '3 kg pears');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('day 1');
  await page.clock.setSystemTime(began + 5 * 86_400_000);
  await page.reload();
  await expect(page.getByRole('region', { name: 'What comes next' })).toContainText('Look, count bubbles');
  await expect(page.getByText('Read the gravity')).toHaveCount(0);
  await page.goto('/settings');
  await expect(page.getByLabel('I read gravity with a hydrometer')).not.toBeChecked();
});
