import { demo, logOf, measureIn, openWine } from './kitchen';
import { expect, test, type Page } from './test';

const DAY = 86_400_000;
const wine = (page: Page, name: string) => page.locator(`li[data-wine="${name}"]`);
const cell = (page: Page, rack: string, name: string | RegExp) =>
  page.getByRole('grid', { name: rack }).getByRole('button', { name });
const bottles = async (page: Page) =>
  Number(/(\d+) bottles/.exec(await page.getByRole('heading', { level: 1 }).innerText())![1]);

async function openCellar(page: Page) {
  await page.goto('/cellar');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('bottles');
}

test('bottles leave the cellar as they do in life, and every screen counts the same', async ({ page }) => {
  await demo(page);
  await openCellar(page);
  const before = await bottles(page);
  const damson = wine(page, 'Damson');
  await damson.getByRole('button').first().click();
  const leaving = damson.getByRole('group', { name: /bottles that leave/ });
  await leaving.getByLabel('How many').fill('2');
  await leaving.getByLabel('To whom').fill('Ada next door');
  await leaving.getByRole('button', { name: 'Given' }).click();
  await expect(page.getByRole('status')).toContainText('Damson: 2 bottles given away to Ada next door');
  await expect(damson).toContainText('2 to Ada next door');
  await expect.poll(() => bottles(page)).toBe(before - 2);
  // More than there are is refused, and nothing is lost of what was typed.
  await leaving.getByLabel('How many').fill('40');
  await leaving.getByRole('button', { name: 'Opened' }).click();
  await expect(page.getByText('only 6 left')).toBeVisible();
  await leaving.getByLabel('How many').fill('1');
  await leaving.getByRole('button', { name: 'Broken' }).click();
  await expect(page.getByRole('status')).toContainText('Damson: 1 bottle broken');
  // Given in a line, and undone.
  await page.keyboard.press('Escape');
  await page.goto('/');
  await expect(page.locator('article').first()).toBeVisible();
  await page.keyboard.press('/');
  const line = page.getByLabel('Say it in one line');
  await line.fill('gave 1 bottle of old damson to the choir');
  await expect(page.getByTestId('means')).toContainText('1 bottle to the choir');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText(/Given away/i);
  await openCellar(page);
  await expect.poll(() => bottles(page)).toBe(before - 4);
  await page.goto('/batches');
  const row = page.getByRole('main').getByRole('link', { name: /^Damson/ });
  await expect(row).toContainText('5 bottles');
  await row.click();
  await expect(page.getByTestId('batch-sentence')).toContainText('5 of 11 bottles');
});

test('a bottle finds its place by tap, by drag and by keys, and no place holds two', async ({ page }) => {
  await demo(page);
  await openCellar(page);
  const stairs = 'Under the stairs';
  // Those in no rack are laid from a place on; a filled place is passed over.
  const rhubarb = wine(page, 'Rhubarb');
  await rhubarb.getByRole('button').first().click();
  await rhubarb.getByRole('button', { name: /^Lay \d+ in a rack/ }).click();
  await cell(page, stairs, 'row 2, place 3: free').click();
  await expect(rhubarb).not.toContainText('in no rack');
  await expect(cell(page, stairs, /^row 2, place 3: Rhubarb/)).toBeVisible();
  // Tapped, then its new place.
  await cell(page, stairs, /^row 1, place 1: Rhubarb/).click();
  await expect(page.getByRole('region', { name: 'In hand' })).toContainText('row 1, place 1');
  await cell(page, stairs, 'row 4, place 8: free').click();
  await expect(cell(page, stairs, /^row 4, place 8: Rhubarb/)).toBeVisible();
  await expect(cell(page, stairs, 'row 1, place 1: free')).toBeVisible();
  // Dragged to the other rack.
  await cell(page, stairs, /^row 4, place 8: Rhubarb/).dragTo(
    cell(page, 'Shed, north wall', 'row 3, place 1: free')
  );
  await expect(cell(page, 'Shed, north wall', /^row 3, place 1: Rhubarb/)).toBeVisible();
  // By keys alone: take, walk, lay.
  await cell(page, stairs, /^row 1, place 2: Rhubarb/).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(cell(page, stairs, /^row 1, place 1: Rhubarb/)).toBeVisible();
  await expect(cell(page, stairs, 'row 1, place 2: free')).toBeVisible();
  // One that is opened out of its place leaves that place free.
  await cell(page, stairs, /^row 1, place 1: Rhubarb/).click();
  await page.getByText('It leaves the rack').click();
  await page.getByRole('region', { name: 'In hand' }).getByRole('button', { name: 'Opened' }).click();
  await expect(cell(page, stairs, 'row 1, place 1: free')).toBeVisible();
  // A rack with bottles in it cannot be taken off; an empty one of one's own can.
  await page.getByRole('button', { name: 'Add a rack' }).click();
  await page.getByLabel('Its name').fill('Crate');
  await page.getByLabel('Rows').fill('2');
  await page.getByLabel('Places a row').fill('3');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('grid', { name: 'Crate' }).getByRole('gridcell')).toHaveCount(6);
  await page.getByRole('button', { name: 'remove' }).click();
  await expect(page.getByRole('grid', { name: 'Crate' })).toBeHidden();
});

test('a tasting comes as a job on its day, moves the time to drink, and becomes next year’s recipe', async ({
  page
}) => {
  await demo(page);
  await page.clock.setSystemTime(Date.now() + 40 * DAY);
  await page.goto('/');
  const card = page.getByRole('article').filter({ hasText: 'Taste it, 9 months old' }).first();
  await expect(card).toContainText('Rhubarb');
  await card.getByRole('button', { name: 'Taste it' }).click();
  const form = card.getByRole('form', { name: 'Tasting' });
  await form.getByRole('button', { name: 'thin', exact: true }).click();
  await form.getByRole('button', { name: 'of the fruit', exact: true }).click();
  // Where it would have been right, by keys: a little softer, a little sweeter.
  const field = form.getByRole('slider', { name: /would have been right/ });
  await field.focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown');
  const next = form.getByRole('region', { name: 'Next year' });
  await expect(next).toContainText(/More fruit: 5\.52 kg for 4\.60 kg/);
  await expect(next).toContainText(/Less acid: \d\.\d for \d\.\d g\/L, .* in [\d.]+ L/);
  await form.getByRole('button', { name: 'ready', exact: true }).click();
  await form.getByRole('button', { name: '4 of 5' }).click();
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('article').filter({ hasText: 'Taste it, 9 months old' })).toBeHidden();
  // Its bottle is counted, and it is at its best now.
  await openCellar(page);
  await expect(wine(page, 'Rhubarb')).toContainText('at its best');
  await expect(wine(page, 'Rhubarb').getByRole('button').first()).toContainText('11');
  await wine(page, 'Rhubarb').getByRole('button').first().click();
  await wine(page, 'Rhubarb').getByRole('link', { name: 'All of it' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('At its best');
  const lessons = page.getByRole('region', { name: 'Next year' });
  await lessons.getByRole('checkbox', { name: /Less acid/ }).uncheck();
  await lessons.getByRole('button', { name: /Keep as/ }).click();
  await expect(page).toHaveURL(/\/plan\/recipes\//);
  await expect(page.getByRole('main')).toContainText('5.52 kg');
  await page.goBack();
  await expect(page.getByText('What it taught is kept')).toBeVisible();
  const tasted = (await logOf(page)).filter((e) => e.type === 'tasting').at(-1)!;
  expect(tasted.data).toMatchObject({ words: ['thin', 'of-the-fruit'], when: 'ready', liking: 4 });
});

test('of six hundred bottles one is found on a phone in three taps', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/settings');
  const uuid = (n: number) => `01970000-0000-7000-8000-${String(n).padStart(12, '0')}`;
  const at = (day: number) => new Date(Date.now() - day * DAY).toISOString();
  const events = Array.from({ length: 50 }, (_, i) => {
    const head = { batchId: uuid(1000 + i), v: 1, zone: 'UTC', device: 'x' };
    const day = 300 + 17 * i;
    const event = (n: number, d: number, type: string, data: unknown) => ({
      ...head,
      id: uuid(10_000 + 10 * i + n),
      type,
      at: at(d),
      recordedAt: at(d),
      data
    });
    const ingredients = [{ kind: 'juice', produceId: 'grape', volumeL: 9.2 }];
    return [
      event(0, day, 'planned', { name: `Wine ${i + 1}`, plan: { ingredients }, vesselId: 'jar-10' }),
      event(1, day, 'addition', { ingredients }),
      event(2, day - 1, 'pitch', { yeast: { yeastId: 'wine' } }),
      event(3, day - 60, 'reading', { sg: 0.993 }),
      event(4, day - 90, 'reading', { sg: 0.993 }),
      event(5, day - 100, 'bottle', {
        from: 'jar-10',
        bottles: [{ count: 12, sizeL: 0.75, type: 'still' }],
        bar20: 0,
        clear: true,
        emptied: true
      })
    ];
  }).flat();
  const rack = {
    id: 'kept:r',
    kind: 'racks',
    of: 'r',
    at: at(1),
    device: 'x',
    what: 'kept',
    thing: { id: 'r', name: 'Vault', rows: 20, cols: 30 }
  };
  const lay = events
    .filter((e) => e.type === 'bottle')
    .map((e, i) => ({
      ...e,
      id: uuid(50_000 + i),
      type: 'shelve',
      at: at(2),
      recordedAt: at(2),
      data: {
        bottleId: e.id,
        kind: 0,
        taken: [],
        put: Array.from({ length: 12 }, (_, n) => ({
          rackId: 'r',
          row: Math.floor((12 * i + n) / 30),
          col: (12 * i + n) % 30
        }))
      }
    }));
  const file = {
    format: 'vecino',
    version: 5,
    exportedAt: at(0),
    things: [rack],
    events: [...events, ...lay]
  };
  await page.getByLabel('Bring a file in').setInputFiles({
    name: 'cellar.vecino.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file))
  });
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await expect(page.getByRole('status')).toContainText('brought in');
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  // One tap to the cellar, one into the search, one on the wine.
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Cellar' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('600 bottles');
  await page.getByRole('searchbox', { name: 'Find a bottle' }).click();
  await page.keyboard.type('wine 37');
  await expect(page.locator('li[data-wine]')).toHaveCount(1);
  await expect(wine(page, 'Wine 37')).toContainText('Vault: row 15, places 13–24');
});

test('a word that was written is found in any wine; years of one fruit stand side by side', async ({
  page
}) => {
  await demo(page);
  await page.goto('/batches');
  await page.getByRole('searchbox', { name: 'Find a wine' }).fill('almond');
  const written = page.getByRole('region', { name: 'In what was written' });
  await expect(written.getByRole('link')).toContainText('Dark, round, a hint of almond');
  await page.getByRole('searchbox', { name: 'Find a wine' }).fill('choir');
  await expect(written.getByRole('link')).toContainText('Damson');
  await openCellar(page);
  await wine(page, 'Damson').getByRole('button').first().click();
  await wine(page, 'Damson').getByRole('link', { name: 'Beside its other years' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Damson beside Old damson');
  const table = page.getByRole('region', { name: 'The wines side by side' });
  await expect(table.getByRole('row', { name: /^Liked/ })).toContainText('5 of 5');
  await expect(table.getByRole('row', { name: /^Bottles left/ })).toContainText('8 of 11');
});

test('two jars bottled on two days, in US units: each filling has its day, its tasting and its time', async ({
  page
}) => {
  await demo(page);
  await measureIn(page, 'us');
  const start = Date.now();
  const bottle = async (count: number, jar?: string) => {
    await openWine(page, /^Gooseberry/);
    await page.getByRole('button', { name: 'Bottle', exact: true }).click();
    const form = page.getByRole('form', { name: 'Bottle' });
    if (jar) {
      const from = form.locator('select').first();
      const option = from.locator('option').filter({ hasText: new RegExp(`^${jar}`) });
      await from.selectOption((await option.getAttribute('value'))!);
    }
    await form.getByLabel('It is clear and drops no more').check();
    await form.getByLabel('Bottles', { exact: true }).fill(String(count));
    await form.getByLabel(/That was all/).check();
    await form.getByRole('button', { name: 'It is bottled' }).click();
    await expect(form).toBeHidden();
  };
  await bottle(6, 'tall 5 L jar');
  await expect(page.getByTestId('batch-sentence')).toContainText('6 bottles of it are filled already');
  await page.clock.setSystemTime(start + 25 * DAY);
  await bottle(5);
  const day = (t: number) =>
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'Europe/Lisbon' }).format(t);
  await expect(page.getByTestId('batch-sentence')).toContainText(
    new RegExp(`11 bottles, filled on ${day(start)}.* and today`)
  );
  // The earlier one is tasted, and found ready; the later one waits as before.
  await page.clock.setSystemTime(start + 90 * DAY);
  await openCellar(page);
  const rows = wine(page, 'Gooseberry');
  await expect(rows).toHaveCount(2);
  const earlier = rows.filter({ hasText: `filled ${day(start)}` });
  const later = rows.filter({ hasNotText: `filled ${day(start)}` });
  await earlier.getByRole('button').first().click();
  await expect(earlier).toContainText('% alc. by vol. · contains sulphites');
  await earlier.getByRole('link', { name: 'Taste it' }).click();
  const form = page.getByRole('form', { name: 'Tasting' });
  await expect(form.getByLabel('Which bottles').locator('option:checked')).toContainText('6 left');
  await form.getByRole('button', { name: 'ready', exact: true }).click();
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByTestId('batch-sentence')).toContainText(
    /At its best until .*; Can be drunk; best from/
  );
  await openCellar(page);
  await expect(earlier.getByRole('button').first()).toContainText('at its best');
  await expect(earlier.getByRole('button').first()).toContainText('5');
  await expect(later.getByRole('button').first()).toContainText('can be drunk; best from');
});
