import { expect, test } from './test';
import { demo } from './kitchen';

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
