import { addToSlip, demo, logOf, openPlan, openWine } from './kitchen';
import { expect, test } from './test';

test('a float is heard, put into a wine, lies no more once it is told, is set right by hand, and writes little', async ({
  page,
  request
}) => {
  await demo(page);
  await page.goto('/settings');
  const section = page.getByRole('region', { name: 'Instruments' });
  await section.getByLabel('Its name').fill('Cork float');
  await section.getByRole('button', { name: 'Add one that posts' }).click();
  const float = section.locator('[data-instrument="float"]');
  const told = await float.innerText();
  const address = /https?:\/\/\S+\/readings/.exec(told)![0];
  const key = /key (\S+?);/.exec(told)![1]!;
  await float.getByLabel('Cork float is in').selectOption({ label: 'Elderberry, 25 L bucket' });
  await expect(page.getByRole('status')).toContainText('Cork float is in it');
  const post = (minutesAgo: number, figures: object) =>
    request.post(new URL(address).pathname, {
      headers: { authorization: `Bearer ${key}` },
      data: { at: new Date(Date.now() - minutesAgo * 60_000).toISOString(), ...figures }
    });
  // Points and Fahrenheit: turned into ours, and told.
  expect((await post(4, { sg: 1022.5, tempC: 70.5 })).status()).toBe(202);
  await page.reload();
  await expect(float).toContainText('1.022', { timeout: 45_000 });
  await expect(float).toContainText('It speaks in other units');
  await expect(float).toContainText('21 °C');
  await float.getByRole('button', { name: 'Set it right' }).click();
  await page.getByLabel('By hand it is now').fill('0.980');
  await page.locator('form').filter({ hasText: 'By hand it is now' }).getByRole('button').click();
  await expect(page.getByText('points apart')).toBeVisible();
  await page.getByLabel('By hand it is now').fill('1.026');
  await page.locator('form').filter({ hasText: 'By hand it is now' }).getByRole('button').click();
  await expect(page.getByRole('status')).toContainText('is set right');
  await post(1, { sg: 1.021, tempC: 21.5 });
  await page.reload();
  await expect(float).toContainText('1.024', { timeout: 45_000 });
  // Written once, as read by it, in its vessel; and told on the wine's own page.
  await expect
    .poll(async () => (await logOf(page)).filter((e) => e.data.by === 'Cork float').length)
    .toBeGreaterThan(0);
  const written = (await logOf(page)).filter((e) => e.data.by === 'Cork float');
  expect(written.length).toBeLessThan(3);
  expect(written[0]!.data).toMatchObject({ vesselId: 'bucket-big' });
  await openWine(page, /^Elderberry/);
  await expect(page.getByText('Cork float:')).toContainText('Cork float');
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('by Cork float');
});

test('a made-up scale weighs on the brew day: tared, in parts, by difference', async ({ page }) => {
  await demo(page);
  await page.goto('/settings');
  const section = page.getByRole('region', { name: 'Instruments' });
  await section.getByLabel('Kind').selectOption({ label: 'Kitchen scale' });
  await section.getByRole('button', { name: 'Add a made-up one' }).click();
  await expect(section.locator('[data-instrument="scale"]')).toContainText(/\d\.\d{3} kg/, {
    timeout: 30_000
  });
  await openPlan(page);
  await addToSlip(page, '2 kg plums');
  await page.getByRole('button', { name: 'Brew day' }).click();
  await page.getByRole('button', { name: /^Go on/ }).click();
  const scale = page.getByRole('group', { name: 'The scale' });
  const field = page.getByLabel(/what was weighed/);
  await expect(field).toBeVisible();
  await expect(scale).toBeVisible({ timeout: 30_000 });
  await scale.getByRole('button', { name: 'Tare' }).click();
  await expect(scale.getByRole('button', { name: 'Take it' })).toBeEnabled({ timeout: 60_000 });
  await scale.getByRole('button', { name: 'Take it' }).click();
  await expect(field).toHaveValue(/^\d+ g$/);
  await expect(scale.getByRole('button', { name: 'Take it' })).toBeEnabled({ timeout: 60_000 });
  await scale.getByRole('button', { name: 'Take it' }).click();
  await expect(field).toHaveValue(/^\d+ g \+ \d+ g$/);
});
