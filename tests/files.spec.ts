import { readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { unzipSync } from 'fflate';
import { addToSlip, demo, draftHolds, logOf, openPlan, startRhubarb, openWine } from './kitchen';
import { expect, test, type Page } from './test';

const DAY = 86_400_000;

/** A picture as a phone makes it: lying on its side by its own account, and telling where it was taken. */
async function phonePhoto(page: Page): Promise<Buffer> {
  const base64 = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(400, 200);
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = '#e8e4d8';
    pen.fillRect(0, 0, 400, 200);
    pen.fillStyle = '#7a1030';
    pen.fillRect(200, 0, 200, 200);
    const jpeg = new Uint8Array(
      await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })).arrayBuffer()
    );
    return btoa(String.fromCharCode(...jpeg));
  });
  const jpeg = Buffer.from(base64, 'base64');
  // EXIF 2.3: orientation 6 (turn right), and a marker that stands for the place.
  const tiff = Buffer.alloc(26);
  tiff.write('MM\0*', 0, 'latin1');
  tiff.writeUInt32BE(8, 4);
  tiff.writeUInt16BE(1, 8);
  tiff.writeUInt16BE(0x0112, 10);
  tiff.writeUInt16BE(3, 12);
  tiff.writeUInt32BE(1, 14);
  tiff.writeUInt16BE(6, 18);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff, Buffer.from('GPS-51.5N')]);
  const head = Buffer.alloc(4);
  head.writeUInt16BE(0xffe1, 0);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}

async function saveAll(page: Page) {
  await page.goto('/settings');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save everything to a file' }).click()
  ]);
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
}

async function bringIn(page: Page, name: string, buffer: Buffer) {
  await page.goto('/settings');
  await page
    .getByLabel('Bring a file in')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
}

test('a photo is turned, stripped and kept; it travels in the file, is read for its colour, and comes in once', async ({
  page,
  browser,
  baseURL
}) => {
  await startRhubarb(page);
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  const form = page.getByRole('form', { name: 'Photo' });
  await form
    .getByLabel('Choose one')
    .setInputFiles({ name: 'x.txt', mimeType: 'image/jpeg', buffer: Buffer.from('no') });
  await expect(form.getByRole('alert')).toContainText('no picture');
  const photo = await phonePhoto(page);
  await form.getByLabel('Choose one').setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: photo });
  const shown = form.getByAltText('What is kept');
  // Turned upright: what lay on its side is twice as high as wide, the sheet above.
  await expect(shown).toHaveAttribute('width', '200');
  await expect(shown).toHaveAttribute('height', '400');
  await form.getByRole('button', { name: /Read its colour/ }).click();
  const box = (await shown.boundingBox())!;
  await shown.click({ position: { x: box.width / 2, y: box.height / 4 } });
  await expect(form.getByText('Now tap the wine')).toBeVisible();
  await shown.click({ position: { x: box.width / 2, y: (3 * box.height) / 4 } });
  await expect(form.getByText('Its colour in the light')).toBeVisible();
  await form.getByLabel('What it shows').fill('Third day');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form).toBeHidden();
  const history = page.getByRole('region', { name: 'What happened' });
  await expect(history.getByAltText('Third day').first()).toBeVisible();
  const told = (await logOf(page)).find((e) => e.type === 'photo')!.data;
  expect(told).toMatchObject({ width: 200, height: 400, caption: 'Third day' });
  // Under a sheet that was not quite white the wine is a little lighter than the dots of the picture.
  const [r, g, b] = [1, 3, 5].map((i) => parseInt((told.colour as string).slice(i, i + 2), 16));
  expect(r!).toBeGreaterThan(118);
  expect(r!).toBeLessThan(150);
  expect(g!).toBeLessThan(40);
  expect(b!).toBeLessThan(70);

  const { name, bytes } = await saveAll(page);
  expect(name).toMatch(/\.vecino\.zip$/);
  const inside = unzipSync(new Uint8Array(bytes));
  const picture = Object.entries(inside).find(([k]) => k.startsWith('photos/'))![1];
  const raw = Buffer.from(picture).toString('latin1');
  expect(raw).not.toContain('Exif');
  expect(raw).not.toContain('GPS');

  const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await bringIn(other, name, bytes);
  await expect(other.getByRole('region', { name: 'What the file holds' })).toContainText('1 photo.');
  await other.getByRole('button', { name: 'Bring them in' }).click();
  await expect(other.getByRole('status')).toContainText('brought in');
  await other.goto(new URL(page.url()).origin + '/batches');
  await other
    .getByRole('main')
    .getByRole('link', { name: /Rhubarb/ })
    .click();
  await expect(other.getByAltText('Third day').first()).toBeVisible();
  // Cut anywhere, it is refused with a reason, and nothing changes.
  const before = (await logOf(other)).length;
  for (const cut of [10, Math.floor(bytes.length / 2), bytes.length - 200]) {
    await bringIn(other, 'cut.zip', bytes.subarray(0, cut));
    await expect(other.getByRole('alert').or(other.getByText('0 new events')).first()).toBeVisible();
  }
  expect((await logOf(other)).length).toBe(before);
  // Taken out again it is as if it had never come.
  await other.goto('/settings');
  await other.getByRole('button', { name: 'Take it out again' }).click();
  await expect(other.getByRole('status')).toContainText('is taken back');
  expect(await logOf(other)).toEqual([]);
  await other.context().close();
});

test('everything as it was on a day, and undone; emptied only once it is in a file', async ({ page }) => {
  await demo(page);
  const before = (await logOf(page)).length;
  await page.clock.setSystemTime(Date.now() + 2 * DAY);
  await openWine(page, /^Quince/);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What you saw').fill('A slip of the pen');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('A slip of the pen');
  await page.goto('/settings');
  await page
    .getByLabel('As it was at the end of')
    .fill(await page.evaluate(() => new Date(Date.now() - 86_400_000).toLocaleDateString('en-CA')));
  await page.getByRole('button', { name: 'Look', exact: true }).click();
  const back = page.getByRole('region', { name: 'What would be taken back' });
  await expect(back).toContainText('1 event in 1 wine');
  await back.getByRole('button', { name: 'Take them back' }).click();
  await expect(page.getByRole('status')).toContainText('Everything is as it was');
  const voids = (await logOf(page)).filter((e) => e.type === 'void');
  expect((await logOf(page)).length).toBe(before + 2);
  expect(voids.length).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status')).toContainText('Taken back');
  const log = await logOf(page);
  const gone = new Set(log.flatMap((e) => (e.type === 'void' ? [e.data.eventId] : [])));
  const notes = log.filter((e) => e.type === 'note' && !gone.has(e.id));
  expect(notes.some((e) => e.data.text === 'A slip of the pen')).toBe(true);
  // Empty.
  await page.getByRole('button', { name: 'Empty this browser' }).click();
  await expect(page.getByRole('button', { name: 'It is there: empty it' })).toBeDisabled();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'First save everything to a file' }).click()
  ]);
  await page.getByRole('button', { name: 'It is there: empty it' }).click();
  await expect(page.getByRole('status')).toContainText('This browser is empty');
  expect(await logOf(page)).toEqual([]);
  await bringIn(page, 'back.vecino.json', readFileSync(await file.path()));
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await expect(page.getByRole('status')).toContainText('brought in');
  expect((await logOf(page)).length).toBe(log.length);
});

test('a folder takes a file of everything a little after each change, by itself', async ({ page }) => {
  // The browser's own private folder stands in for one on the disk.
  await page.addInitScript(() => {
    (window as never as { showDirectoryPicker: unknown }).showDirectoryPicker = () =>
      navigator.storage.getDirectory();
  });
  await startRhubarb(page);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Choose a folder' }).click();
  await expect(page.getByRole('group', { name: 'Saved by itself' })).toContainText(/last today/);
  const inFolder = () =>
    page.evaluate(async () => {
      const root = await navigator.storage.getDirectory();
      for await (const [name, handle] of root as never as AsyncIterable<[string, FileSystemFileHandle]>)
        if (name.startsWith('vecino-')) {
          // While it is written anew it is not there for a moment.
          const text = await handle.getFile().then(
            (f) => f.text(),
            () => ''
          );
          if (text) return JSON.parse(text).events.length as number;
        }
      return 0;
    });
  const first = await inFolder();
  expect(first).toBe((await logOf(page)).length);
  await expect(page.getByText('so much would be lost')).toBeHidden();
  await openWine(page, /Rhubarb/);
  await page.getByRole('button', { name: 'Stirred' }).click();
  await expect.poll(inFolder, { timeout: 40_000 }).toBe(first + 1);
});

test('two tabs keep two plans, and what a closed one left is offered', async ({ page, context }) => {
  await openPlan(page);
  await addToSlip(page, '3 kg plums');
  const other = await context.newPage();
  await openPlan(other);
  await addToSlip(other, '2 kg quince');
  await expect(other.getByRole('region', { name: 'Slip' }).or(other.getByRole('main')).first()).toContainText(
    'Quinces'
  );
  await draftHolds(page, /plum.*quince|quince.*plum/);
  await page.reload();
  await expect(page.getByRole('main')).toContainText('Plums');
  await expect(page.getByRole('main')).not.toContainText('Quinces');
  await other.reload();
  await expect(other.getByRole('main')).toContainText('Quinces');
  await expect(other.getByRole('main')).not.toContainText('Plums');
  await other.close();
  const third = await context.newPage();
  await openPlan(third);
  await expect(third.getByRole('group', { name: 'Plans of other tabs' })).toContainText('quince');
  await third.getByRole('button', { name: 'Take it up' }).click();
  await expect(third.getByRole('main')).toContainText('Quinces');
  await expect(third.getByRole('group', { name: 'Plans of other tabs' })).toBeHidden();
});

test('storage that is cleared, or taken by a newer Vecino, is told at once, with the way out', async ({
  page,
  context,
  expectErrors
}) => {
  expectErrors(/Database|closed/i);
  await startRhubarb(page);
  const other = await context.newPage();
  await other.goto('/api/health');
  await other.evaluate(
    () =>
      new Promise<void>((done) => {
        const request = indexedDB.open('vecino', 9999);
        request.onsuccess = () => {
          request.result.close();
          done();
        };
      })
  );
  await expect(page.getByRole('alert')).toContainText('A newer Vecino is open');
  await other.evaluate(
    () =>
      new Promise<void>((done) => {
        indexedDB.deleteDatabase('vecino').onsuccess = () => done();
      })
  );
  await page.getByRole('button', { name: 'Open it anew' }).click();
  await page.goto('/');
  await expect(page.getByRole('alert')).toContainText('is not here any more');
  // What is written anew is kept, and nothing is missed any longer.
  await startRhubarb(page);
  await expect(page.getByRole('alert')).toBeHidden();
  await other.evaluate(
    () =>
      new Promise<void>((done) => {
        indexedDB.deleteDatabase('vecino').onsuccess = () => done();
      })
  );
  await expect(page.getByRole('alert')).toContainText('has been cleared');
  // Opened again, it is missed, with how much it was; until something new is written, or one begins anew.
  await page.goto('/');
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('What was written in this browser is not here any more');
  await expect(alert).toContainText(/There were \d+ entries/);
  await alert.getByRole('link', { name: 'Bring your last file in' }).click();
  await expect(page).toHaveURL(/settings/);
  await expect(alert).toBeVisible();
  await alert.getByRole('button', { name: 'begin anew' }).click();
  await expect(alert).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(alert).toBeHidden();
});

test('where nothing can be kept that is said, and every page can be looked at', async ({
  page,
  expectErrors
}) => {
  expectErrors(/./);
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('storage is turned off', 'SecurityError');
    };
  });
  await page.goto('/');
  await expect(page.getByRole('alert')).toContainText('no room to keep anything');
  // A plan can be made all the same; what shows what was kept does not say that nothing is there.
  await openPlan(page);
  await addToSlip(page, '2 kg plums');
  await expect(page.getByTestId('abv')).toBeVisible();
  for (const place of ['/harvest', '/batches', '/cellar', '/walk', '/batches/x']) {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('cannot be read here now');
  }
  await page.goto('/almanac');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('a store that never answers is told, with what to do', async ({ page }) => {
  await page.clock.install();
  await page.addInitScript(() => {
    // As a browser does whose last window still holds the disk.
    IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest;
  });
  await page.goto('/settings');
  await expect(page.getByRole('link', { name: 'Settings' }).first()).toBeVisible();
  await page.clock.runFor(11_000);
  await expect(page.getByRole('alert')).toContainText('does not answer');
  await expect(page.getByRole('alert')).toContainText('Nothing is lost by that');
});

test('a clock that is behind what was last written is told, until it is set', async ({ page }) => {
  await startRhubarb(page);
  await expect(page.getByRole('alert')).toHaveCount(0);
  const url = page.url();
  await page.clock.setSystemTime(Date.now() - 3 * DAY);
  await page.goto('/batches');
  const told = page.getByRole('alert').filter({ hasText: 'clock is behind' });
  await expect(told).toContainText('If the clock is wrong now, set it');
  await page.clock.setSystemTime(Date.now() + 60_000);
  await page.goto(url);
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb');
  await expect(told).toHaveCount(0);
  // It was wrong then: what it wrote is dated back, and counts today.
  await page.clock.setSystemTime(Date.now() - 3 * DAY);
  await page.goto('/batches');
  await told.getByRole('button', { name: 'date it back' }).click();
  await expect(page.getByRole('status')).toContainText(/Dated back: \d+ lines of the wines/);
  await expect(told).toHaveCount(0);
  await page.goto(url);
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
});

test.describe('after a journey', () => {
  test.use({ timezoneId: 'Pacific/Auckland' });
  test('what was written in another zone keeps its day, and that is said', async ({
    page,
    browser,
    baseURL
  }) => {
    const home = await browser.newContext({ baseURL: baseURL!, timezoneId: 'Europe/Lisbon' });
    const there = await home.newPage();
    // Late in the evening at home it is the next day already on the other side of the earth.
    await there.clock.setSystemTime(Date.parse('2026-06-01T21:00:00Z'));
    await startRhubarb(there);
    await expect(there.getByText('in another time zone')).toHaveCount(0);
    const { name, bytes } = await saveAll(there);
    await home.close();
    await page.clock.setSystemTime(Date.parse('2026-06-02T03:00:00Z'));
    await bringIn(page, name, bytes);
    await page.getByRole('button', { name: 'Bring them in' }).click();
    await expect(page.getByRole('status')).toContainText('brought in');
    await openWine(page, /Rhubarb/);
    const history = page.getByRole('region', { name: 'What happened' });
    await expect(history).toContainText('in another time zone');
    await page.getByRole('button', { name: 'Stirred', exact: true }).click();
    await expect(history.getByRole('listitem').first()).toContainText(/today.*Stirred/s);
    await expect(history.getByRole('listitem').last()).not.toContainText('2 Jun');
  });
});

test('two devices that put two wines in one vessel: both are kept, and it is a job on Today', async ({
  page
}) => {
  await page.goto('/settings');
  await page.getByLabel('Or your own').fill('blue jar');
  await page.getByLabel('Holds').fill('12');
  await page.getByRole('button', { name: 'Add', exact: true }).last().click();
  await expect(page.getByText('blue jar').first()).toBeVisible();
  const vesselId = await page.evaluate(
    () =>
      new Promise<string>((done) => {
        const open = indexedDB.open('vecino');
        open.onsuccess = () => {
          const all = open.result.transaction('vessels').objectStore('vessels').getAll();
          all.onsuccess = () => done((all.result as { id: string }[])[0]!.id);
        };
      })
  );
  const at = new Date(Date.now() - 20 * DAY).toISOString();
  const event = (n: number, batch: number, type: string, data: unknown) => ({
    id: `01970000-0000-7000-8000-${String(batch * 10 + n).padStart(12, '0')}`,
    batchId: `01970000-0000-7000-8000-${String(9000 + batch).padStart(12, '0')}`,
    type,
    v: 1,
    at,
    zone: 'UTC',
    recordedAt: at,
    device: `browser-${batch}`,
    data
  });
  const ingredients = [{ kind: 'juice', produceId: 'grape', volumeL: 9 }];
  for (const [n, name] of [
    [1, 'Plum'],
    [2, 'Pear']
  ] as const) {
    const events = [
      event(0, n, 'planned', { name, plan: { ingredients }, vesselId }),
      event(1, n, 'addition', { ingredients })
    ];
    const file = { format: 'vecino', version: 6, exportedAt: at, things: [], events };
    await bringIn(page, `${name}.vecino.json`, Buffer.from(JSON.stringify(file)));
    await page.getByRole('button', { name: 'Bring them in' }).click();
    await expect(page.getByRole('status')).toContainText('brought in');
  }
  await page.goto('/');
  const conflict = page.getByRole('region', { name: 'Two wines in the blue jar' });
  await expect(conflict).toContainText('at once');
  await conflict.getByRole('link', { name: 'Pear is elsewhere' }).click();
  await expect(page.getByRole('form', { name: 'Rack' })).toBeVisible();
});

test('a picture that is no JPEG comes in as one', async ({ page }) => {
  await startRhubarb(page);
  const png = new PNG({ width: 3000, height: 1500 });
  png.data.fill(200);
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  const form = page.getByRole('form', { name: 'Photo' });
  await form
    .getByLabel('Choose one')
    .setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer: PNG.sync.write(png) });
  await expect(form.getByAltText('What is kept')).toHaveAttribute('width', '1600');
  await expect(form.getByAltText('What is kept')).toHaveAttribute('height', '800');
});

test('one wine, and one lot of the harvest, travel as files of their own', async ({
  page,
  browser,
  baseURL
}) => {
  await demo(page);
  const save = async (press: () => Promise<void>) => {
    const [file] = await Promise.all([page.waitForEvent('download'), press()]);
    return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
  };
  await openWine(page, /^Damson/);
  const wine = await save(() => page.getByRole('button', { name: 'Save its file' }).click());
  expect(wine.name).toBe('damson.vecino.json');
  await page.goto('/harvest');
  await page.getByRole('button', { name: 'More for quinces' }).click();
  const lot = await save(() => page.getByRole('button', { name: 'Save its file' }).click());
  const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  for (const { name, bytes } of [wine, lot]) {
    await bringIn(other, name, bytes);
    await other.getByRole('button', { name: 'Bring them in' }).click();
    await expect(other.getByRole('status')).toContainText('brought in');
  }
  await other.goto('/cellar');
  await expect(other.getByRole('heading', { level: 1 })).toContainText('8 bottles of 1 wine');
  await other.goto('/harvest');
  await expect(other.getByRole('main')).toContainText('Quinces');
  await other.context().close();
});

test('a full disk is told, what was typed stays, everything can still be saved, and with room it is written', async ({
  page,
  context,
  baseURL
}) => {
  await startRhubarb(page);
  const cdp = await context.newCDPSession(page);
  const leave = (quotaSize?: number) =>
    cdp.send('Storage.overrideQuotaForOrigin', {
      origin: baseURL!,
      ...(quotaSize === undefined ? {} : { quotaSize })
    });
  await leave(1);
  // The browser lets what it had allotted be used up, for half a minute: then a tap tells it.
  const told = page.getByRole('status').or(page.getByRole('alert')).filter({ hasText: 'The disk is full' });
  await expect(async () => {
    await page.getByRole('button', { name: 'Stirred', exact: true }).click();
    await expect(told.first()).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 120_000, intervals: [4000] });
  const before = await logOf(page);
  // A form tells it as well, and keeps what was typed.
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  const form = page.getByRole('form', { name: 'Note' });
  await form.getByLabel('What you saw').fill('The airlock stands still');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.getByRole('alert')).toContainText('The disk is full');
  await expect(form.getByLabel('What you saw')).toHaveValue('The airlock stands still');
  await expect(page.getByRole('alert').filter({ hasText: 'no more room' })).toContainText(
    'kept only while this page is open'
  );
  expect(await logOf(page)).toEqual(before);
  const other = await context.newPage();
  await other.goto('/settings');
  const [file] = await Promise.all([
    other.waitForEvent('download'),
    other.getByRole('button', { name: 'Save everything to a file' }).click()
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('"Rhubarb"');
  await other.close();
  await leave();
  await form.getByLabel('What you saw').fill('The airlock stands still.');
  await expect(page.getByText('no more room')).toBeHidden();
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('The airlock stands still');
  expect(await logOf(page)).toHaveLength(before.length + 1);
});
