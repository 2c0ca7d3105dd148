import { readFileSync } from 'node:fs';
import { demo, logOf, startRhubarb, openWine } from './kitchen';
import { expect, test, type Page } from './test';

const HOUR = 3_600_000;

/** Saves a file by a button, and reads it. */
async function saved(page: Page, name: string): Promise<string> {
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name, exact: true }).click()
  ]);
  return readFileSync(await file.path(), 'utf8');
}

test('a logger’s hundred thousand rows come in by their columns, thinned, once, and are taken back as one', async ({
  page
}) => {
  await startRhubarb(page);
  const url = page.url();
  const start = Date.now();
  await page.clock.setSystemTime(start + 30 * 24 * HOUR);
  const rows = Array.from({ length: 100_000 }, (_, i) => {
    const at = start + HOUR + (i * 28 * 24 * HOUR) / 100_000;
    const share = Math.min(1, Math.max(0, (i - 8000) / 40_000));
    const sg = (1080 - 84 * (1 - (1 - share) ** 2)).toFixed(1).replace('.', ',');
    return `${Math.floor(at / 1000)};${sg};${(20 + share).toFixed(1).replace('.', ',')};ok`;
  });
  await page.goto(url);
  await page.getByRole('link', { name: 'Readings of a logger' }).click();
  const file = {
    name: 'float.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['epoch;Dichte;Temp °C;state', ...rows].join('\n'))
  };
  await page.getByLabel('Choose a file').setInputFiles(file);
  await expect(page.getByLabel('What column 1 is')).toHaveValue('time');
  await expect(page.getByLabel('What column 2 is')).toHaveValue('points');
  await expect(page.getByLabel('What column 3 is')).toHaveValue('tempC');
  await expect(page.getByLabel('Times are written')).toHaveValue('epoch');
  await expect(page.getByLabel('Decimals')).toHaveValue(',');
  await page.getByRole('button', { name: 'Read all of it' }).click();
  const held = page.getByRole('region', { name: 'What the file holds' });
  await expect(held).toContainText(/\d+ readings of 100000 rows/);
  await held.getByRole('button', { name: 'Write them down' }).click();
  await expect(page.getByRole('status')).toContainText(/\d+ readings of float\.csv written down/);
  // Taken back as one, and brought in again: what was taken back is no hindrance.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status')).toContainText('Taken back');
  await page.getByLabel('Choose a file').setInputFiles(file);
  await page.getByRole('button', { name: 'Read all of it' }).click();
  await held.getByRole('button', { name: 'Write them down' }).click();
  await expect(page.getByRole('status')).toContainText(/[1-9]\d* readings of float\.csv written down/);
  const standing = async () => {
    const log = await logOf(page);
    const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
    return log.filter((e) => e.type === 'reading' && !gone.has(e.id));
  };
  const readings = await standing();
  expect(readings.length).toBeGreaterThan(40);
  expect(readings.length).toBeLessThan(300);
  expect(readings[0]!.data).toMatchObject({ by: 'logger' });
  // The same file again adds nothing; its columns are known.
  await page.getByLabel('Choose a file').setInputFiles(file);
  await expect(page.getByText('The columns are as you named them')).toBeVisible();
  await page.getByRole('button', { name: 'Read all of it' }).click();
  await held.getByRole('button', { name: 'Write them down' }).click();
  await expect(page.getByRole('status')).toContainText('0 readings of float.csv written down');
  expect(await standing()).toHaveLength(readings.length);
  // On its page it is told by what was read.
  await page.goto(url);
  await expect(page.getByTestId('batch-sentence')).toContainText('0.996');
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('by logger');
});

test('what is no file of readings says so, rows that cannot be read are told, and nothing is written', async ({
  page
}) => {
  await startRhubarb(page);
  await page.getByRole('link', { name: 'Readings of a logger' }).click();
  const give = (text: string) =>
    page
      .getByLabel('Choose a file')
      .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give('');
  await expect(page.getByRole('alert')).toContainText('no row');
  await give('name,colour\nplum,red\n');
  await expect(page.getByRole('alert')).toContainText('No column is named as the time');
  const day = new Date(Date.now() + HOUR).toISOString();
  await give(`time,gravity\n${day},1.070\nnever,1.069\n${day.replace('T', ' ')},n/a\n`);
  await page.getByRole('button', { name: 'Read all of it' }).click();
  await page.getByText('2 rows cannot be read').click();
  await expect(page.getByRole('region', { name: 'What the file holds' })).toContainText(
    'row 3: “never” is no time'
  );
  expect((await logOf(page)).filter((e) => e.type === 'reading')).toHaveLength(0);
});

test('tables for a spreadsheet, and a wine as text', async ({ page }) => {
  await demo(page);
  await page.goto('/settings');
  const cellar = await saved(page, 'Cellar');
  expect(cellar.split('\r\n')[0]).toContain('wine,year,filled,bottles left');
  expect(cellar).toMatch(/\r\nDamson,\d{4},\d{4}-\d\d-\d\d,8,0\.75,"Still, corked",Under the stairs \(8\)/);
  expect((await saved(page, 'Readings')).split('\r\n').length).toBeGreaterThan(40);
  expect(await saved(page, 'Batches')).toContain('\r\nQuince,');
  expect(await saved(page, 'Harvest')).toContain('\r\nQuinces,');
  await openWine(page, /^Damson/);
  const text = await saved(page, 'Save it as text');
  expect(text).toMatch(/^# Damson\n/);
  // It says of the wine what its page says.
  const says = await page.getByTestId('batch-sentence').innerText();
  expect(says).toContain('Damson, day');
  expect(text).toContain(says.replace(/\s+/g, ' ').trim());
  expect(text).toContain('## What happened');
  expect(text).toMatch(/\| Given away \| 1 bottle to the choir \|/);
});

test('bubbles are counted by tapping, with the space key, and the middle interval counts', async ({
  page
}) => {
  await page.clock.install();
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Look, taste' }).click();
  // The time stands still but for what is told to pass: a slow machine counts no slower.
  await page.clock.pauseAt(new Date((await page.evaluate(() => Date.now())) + 3000));
  await page.getByRole('button', { name: 'Count them by tapping' }).click();
  const group = page.getByRole('group', { name: 'Bubbles by tapping' });
  // Every four seconds, and one of them missed.
  for (let i = 0; i < 8; i++) {
    if (i > 0) await page.clock.runFor(i === 4 ? 8000 : 4000);
    await page.keyboard.press('Space');
  }
  await expect(group).toContainText(/8 in 3[12] s, about 15 a minute/);
  await page.clock.runFor(30_000);
  await expect(group).toBeHidden();
  await expect(page.getByLabel('Bubbles', { exact: true })).toHaveValue('7');
  await expect(page.getByLabel('in seconds')).toHaveValue('28');
  await page.clock.resume();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText(/7 bubbles in 28/);
});
