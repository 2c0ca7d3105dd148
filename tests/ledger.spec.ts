import { expect, test, type Page } from './test';
import { read, startRhubarb } from './kitchen';

const litres = async (page: Page) =>
  Number(/[\d.]+/.exec(await page.getByTestId('volume-now').first().innerText())![0]);
const history = (page: Page) => page.getByRole('region', { name: 'What happened' });

/** Writes a form of the batch page down: opens it by its button, fills it, saves it. */
async function write(
  page: Page,
  button: string,
  fill: (form: ReturnType<Page['getByRole']>) => Promise<void>,
  name = button
) {
  await page.getByRole('button', { name: button, exact: true }).click();
  const form = page.getByRole('form', { name });
  await fill(form);
  await form.getByRole('button').last().click();
  await expect(form).toBeHidden();
}

test('a feed, a split, a top-up, a reading put right and a re-joining, number by number, in two tabs', async ({
  page,
  context
}) => {
  await startRhubarb(page);
  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
  const start = await litres(page);

  // A feed: 500 g of sugar take 0.31 L.
  await write(
    page,
    'Add',
    async (form) => {
      await form.getByLabel('What', { exact: true }).fill('White sugar');
      await form.getByRole('textbox', { name: 'How much', exact: true }).fill('500 g');
    },
    'Add something'
  );
  await expect.poll(() => litres(page)).toBeCloseTo(start + 0.3, 1);
  await expect(
    history(page)
      .getByRole('listitem')
      .filter({ hasText: '500' })
      .or(history(page).getByText(/0.50 kg white sugar/))
      .first()
  ).toBeVisible();

  // A split: eight litres into two jars, the least air first offered.
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  const rack = page.getByRole('form', { name: 'Rack' });
  await expect(
    rack
      .getByText(/^Least air:/)
      .or(rack.getByLabel('Into', { exact: false }).first())
      .first()
  ).toBeVisible();
  await rack.getByLabel(/^Into/).selectOption({ label: '5 L jar' });
  await rack.getByLabel(/^Came out/).fill('5');
  await rack.getByLabel(/^and into/).selectOption({ label: '1 UK gal jar' });
  await rack
    .getByLabel(/^the rest/)
    .first()
    .fill('3');
  await rack.getByLabel(/^Left behind/).fill('0.5');
  await rack.getByRole('button', { name: 'It is racked' }).click();
  await expect(rack).toBeHidden();
  await expect.poll(() => litres(page)).toBeCloseTo(8, 1);
  await expect.poll(() => litres(second)).toBeCloseTo(8, 1);
  await expect(history(page).getByText(/L left behind/)).toBeVisible();

  // A top-up with water, in one jar of the two: it says what it does before it is done.
  await write(page, 'Top up', async (form) => {
    await form.getByLabel('Vessel').selectOption({ label: '1 UK gal jar' });
    await form.getByLabel(/^How much/).fill('1');
    await expect(form.getByText(/% of the 1 UK gal jar/)).toBeVisible();
    await form.getByRole('radio', { name: /Boiled, cooled water/ }).check();
  });
  await expect.poll(() => litres(second)).toBeCloseTo(9, 1);

  // A reading, put right where it stands: everything after follows.
  await read(page, '1.064', '20', 0, '5 L jar');
  await page.getByRole('button', { name: /^Put right: 1.064/ }).click();
  const fix = page.getByRole('form', { name: 'Put it right' });
  await fix.getByLabel('The stem showed').fill('1.054');
  await fix.getByRole('button', { name: 'Put it right' }).click();
  await expect(history(page).getByText('1.054', { exact: true })).toBeVisible();
  await expect(history(page).getByText('1.064', { exact: true })).toBeHidden();
  await expect(second.getByTestId('batch-sentence')).toContainText('1.054');
  await history(page)
    .getByRole('button', { name: /show what was taken back/ })
    .click();
  await expect(history(page).getByText('1.064', { exact: true })).toBeVisible();

  // Joined again: all of the small jar into a carboy, then the other to it.
  const join = async (from: string, to: RegExp, out: string) => {
    await page.getByRole('button', { name: 'Rack', exact: true }).click();
    await rack.getByLabel(/^From/).selectOption({ label: from });
    const option = await rack
      .getByLabel(/^Into/)
      .locator('option')
      .filter({ hasText: to })
      .first()
      .innerText();
    await rack.getByLabel(/^Into/).selectOption({ label: option });
    await rack.getByLabel(/^Came out/).fill(out);
    await rack.getByLabel(/^Left behind/).fill('0');
    await rack.getByRole('button', { name: 'It is racked' }).click();
    await expect(rack).toBeHidden();
  };
  await join('1 UK gal jar', /^3 US gal carboy/, '4');
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  await rack.getByLabel(/^From/).selectOption({ label: '5 L jar' });
  await rack.getByLabel(/^Into/).selectOption({ label: '3 US gal carboy, with the rest of it' });
  await rack.getByLabel(/^Came out/).fill('5');
  await rack.getByLabel(/^Left behind/).fill('0');
  await rack.getByRole('button', { name: 'It is racked' }).click();
  await expect(rack).toBeHidden();
  await expect.poll(() => litres(page)).toBeCloseTo(9, 1);
  await expect(page.getByTestId('batch-sentence')).toContainText('in the 3 US gal carboy');
  await expect(second.getByTestId('batch-sentence')).toContainText('in the 3 US gal carboy');
});

test('a sample, a spill and a measure leave what they should', async ({ page }) => {
  await startRhubarb(page);
  const start = await litres(page);
  const take = (what: string, amount: string) =>
    write(
      page,
      'Sample, loss',
      async (form) => {
        await form.getByLabel(/^What/).selectOption({ label: what });
        await form.getByRole('textbox', { name: 'How much' }).fill(amount);
      },
      'Sample or loss'
    );
  await take('a sample, poured back', '200');
  await expect.poll(() => litres(page)).toBeCloseTo(start, 1);
  await take('spilt', '1 L');
  await expect.poll(() => litres(page)).toBeCloseTo(start - 1, 1);
  await take('measured: so much is in it', '6');
  await expect.poll(() => litres(page)).toBeCloseTo(6, 1);
  await page.getByTestId('volume-now').first().click();
  await expect(page.getByText(/the measure stands/)).toBeVisible();
});

test('wines are found, sorted by vessel, and compared', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Look round with a made-up household' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('on the walk');
  await page.goto('/batches');
  await page.getByRole('searchbox', { name: 'Find a wine' }).fill('dam');
  await expect(page.getByRole('main').getByRole('link', { name: /Damson/ })).toBeVisible();
  await expect(page.getByRole('main').getByRole('link', { name: /Quince/ })).toBeHidden();
  await page.getByRole('searchbox', { name: 'Find a wine' }).fill('');
  await page.getByRole('button', { name: 'by vessel' }).click();
  await expect(page.getByRole('region', { name: 'Jars and carboys' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Compare Quince' }).check();
  await page.getByRole('checkbox', { name: 'Compare Elderberry' }).check();
  await page.getByRole('link', { name: 'Compare 2' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Quince beside Elderberry');
  await expect(page.getByRole('row', { name: /^Alcohol/ })).toContainText('%');
});
