import { readFile } from 'node:fs/promises';
import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { faultsOf } from './faults';
import { demo, measureIn, openDemo, openWine } from './kitchen';
import { expect, test, type Page } from './test';

/** What a phone would read off a picture of the screen. */
function codeIn(png: Buffer): string | undefined {
  const { data, width, height } = PNG.sync.read(png);
  return jsQR(new Uint8ClampedArray(data), width, height)?.data;
}

/** The text of each page of a PDF, and how many millimetres it measures. */
async function pagesOf(pdf: Uint8Array) {
  const doc = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  return Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => {
      const page = await doc.getPage(i + 1);
      const { items } = await page.getTextContent();
      const [, , w, h] = page.view;
      const mm = (points: number) => Math.round((points * 25.4) / 72);
      return {
        text: items
          .map((t) => ('str' in t ? t.str : ''))
          .join(' ')
          .replace(/\s+/g, ' '),
        w: mm(w!),
        h: mm(h!)
      };
    })
  );
}

async function save(page: Page, name: 'PDF' | 'SVG') {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name, exact: true }).click();
  const download = await coming;
  return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
}
const sheet = (page: Page) => page.getByRole('combobox', { name: /^Sheet/ });

/** The demo's gooseberry, six bottles of it filled, and the page of its labels. */
async function bottledGooseberry(page: Page) {
  await openDemo(page, 'Gooseberry');
  await page.getByRole('button', { name: 'Bottle', exact: true }).click();
  await page.getByLabel('Bottles', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'It is bottled' }).click();
  await page.getByRole('link', { name: 'Labels' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Labels for Gooseberry');
  await expect(page.getByRole('textbox', { name: 'Name' })).toBeVisible();
}

test('labels for what was bottled: worded by the wine, printed on what is left of a sheet, saved, and made again', async ({
  page
}) => {
  await bottledGooseberry(page);
  const label = page.getByRole('img', { name: /^The label/ });
  await expect(label).toContainText('Gooseberry');
  await expect(label).toContainText(/\d\s%\svol\s·\s?dry\s·\s?750 mL/);
  await expect(label).toContainText('Contains sulphites.');
  await expect(label).toContainText('Made at home, not for sale');
  await expect(page.getByRole('spinbutton', { name: 'How many' })).toHaveValue('6');

  // What a phone reads off the screen is what the label says.
  await expect.poll(async () => codeIn(await label.screenshot())).toContain('Gooseberry 20');
  const facts = codeIn(await label.screenshot())!;
  expect(facts).toMatch(/%\svol, dry, 750 mL\nBottled \d+ \w+ 20\d\d\nContains sulphites\.$/);
  await page.getByRole('textbox', { name: /^Address of this Vecino/ }).fill('https://cellar.home');
  await page.keyboard.press('Tab');
  await expect.poll(async () => codeIn(await label.screenshot())).toContain('\nhttps://cellar.home/batches/');

  await page.getByRole('button', { name: 'Light letters on dark' }).click();
  await page.getByRole('button', { name: 'Sloe' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Grandmother’s best');
  await page.getByRole('textbox', { name: 'Note' }).fill('Keep until the spring');
  await sheet(page).selectOption('a4-24');
  await page.getByRole('spinbutton', { name: 'Begin at label' }).fill('23');
  await expect(page.getByText('2 sheets, printed at full size')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);

  const { name, bytes } = await save(page, 'PDF');
  expect(name).toBe('gooseberry-labels.pdf');
  const pages = await pagesOf(bytes);
  expect(pages.map((p) => [p.w, p.h])).toEqual([
    [210, 297],
    [210, 297]
  ]);
  // Two that were left on the first sheet, four on the next.
  const times = (text: string) => pages.map((p) => p.text.split(text).length - 1);
  expect(times('Contains sulphites.')).toEqual([2, 4]);
  expect(pages[0]!.text).toContain('Grandmother’s best');
  await expect(page.getByRole('status')).toContainText('6 labels for Gooseberry');

  const svg = await save(page, 'SVG');
  expect(svg.name).toBe('gooseberry-labels.zip');
  await page.getByRole('spinbutton', { name: 'Begin at label' }).fill('1');
  const one = await save(page, 'SVG');
  const text = one.bytes.toString('utf8');
  expect(text).toContain('width="210mm" height="297mm"');
  expect(text.match(/<use /g)).toHaveLength(6);
  expect(text).toContain('@font-face');

  // On paper only the sheets are, each of them one page.
  await page.emulateMedia({ media: 'print' });
  const printed = await pagesOf(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
  await page.emulateMedia({ media: 'screen' });
  expect(printed.map((p) => [p.w, p.h])).toEqual([[210, 297]]);
  expect(printed[0]!.text.split('Contains sulphites.')).toHaveLength(7);
  expect(printed[0]!.text).not.toContain('Begin at label');

  // Later, and in another tab, the next ones begin with how these looked.
  const other = await page.context().newPage();
  await other.goto(page.url());
  await expect(other.getByRole('img', { name: /^The label/ })).toContainText('best');
  await expect(other.getByRole('button', { name: 'Light letters on dark' })).toHaveAttribute(
    'aria-pressed',
    'true'
  );
  await page.getByRole('link', { name: 'Back to Gooseberry' }).click();
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('6 made');
});

test('a sheet of 24 is light and soon made, and what has no letters of ours is drawn', async ({ page }) => {
  await bottledGooseberry(page);
  await sheet(page).selectOption('a4-24');
  await page.getByRole('spinbutton', { name: 'How many' }).fill('24');
  await page.getByRole('textbox', { name: 'Name' }).fill('Бузина i Ηδύποτο 2026');
  const plain = await save(page, 'PDF');
  expect(plain.bytes.length).toBeLessThan(300_000);
  const text = (await pagesOf(plain.bytes))[0]!.text.replace(/\s+/g, '');
  expect(text.split('Бузина')).toHaveLength(25);
  expect(text).toContain('Ηδύποτο');
  await page.getByRole('textbox', { name: 'Name' }).fill('自家製の梅酒');
  const drawn = await save(page, 'PDF');
  expect(drawn.bytes.length).toBeLessThan(300_000);
  expect((await pagesOf(drawn.bytes))[0]!.text).not.toContain('梅');

  // A picture of one’s own, made small; a file that is none is said.
  const picture = page.getByLabel('Picture');
  await picture.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('no picture that can be read')).toBeVisible();
  await picture.setInputFiles('docs/screenshots/plan.png');
  const image = page.getByRole('img', { name: /^The label/ }).locator('image');
  await expect(image).toHaveAttribute('href', /^data:image\/jpeg;base64,/);
  expect((await save(page, 'PDF')).bytes.length).toBeLessThan(300_000);
});

/** Words of a script, from its own syllables. */
function names(): string[] {
  const scripts = [
    ['Ho', 'lun', 'der', 'blü', 'ten', 'śliw', 'ka', 'ção', 'Ma', 'ri', 'enn', 'ette', 'ř', 'W', 'ill', 'j'],
    ['Бу', 'зи', 'на', 'кры', 'жо', 'вник', 'щи', 'Ря', 'би', 'но', 'вка', 'ё'],
    ['Αγ', 'ιό', 'κλη', 'μα', 'σαμ', 'πού', 'κος', 'φρά', 'ουλα', 'ής', 'ξ'],
    ['自', '家', '製', 'の', '梅', '酒', 'ぶ', 'ど', 'う', 'リ', 'ン', 'ゴ'],
    ['תות', 'שד', 'ה', 'אגס', 'ים', 'ورد', 'الـ', 'بر', 'ي', 'توت', 'ל']
  ];
  let seed = 7;
  const next = (n: number) => (seed = (seed * 48_271) % 2_147_483_647) % n;
  return Array.from({ length: 300 }, (_, i) => {
    const from = scripts[i % scripts.length]!;
    return Array.from({ length: 1 + next(6) }, () =>
      Array.from({ length: 1 + next(i % 7 === 0 ? 9 : 4) }, () => from[next(from.length)]!).join('')
    )
      .join(' ')
      .slice(0, 80);
  });
}

test('300 names in five scripts: no letter leaves its label or runs into its code', async ({ page }) => {
  await bottledGooseberry(page);
  await sheet(page).selectOption('a4-24');
  await expect(page.getByRole('img', { name: 'basket' })).toContainText('Contains');
  const out = await page.evaluate(async (all) => {
    const input = document.querySelector<HTMLInputElement>('input[placeholder="Gooseberry"]')!;
    const frame = () => new Promise((r) => requestAnimationFrame(() => setTimeout(r, 0)));
    const wrong: string[] = [];
    let seen = 0;
    for (const name of all) {
      input.value = name;
      input.dispatchEvent(new Event('input', { bubbles: true }));
      await frame();
      await document.fonts.ready;
      await frame();
      for (const svg of document.querySelectorAll<SVGSVGElement>('ul[aria-label="Layouts"] svg')) {
        const { width, height } = svg.viewBox.baseVal;
        const layout = svg.getAttribute('aria-label');
        // The light square under the code is the last one drawn.
        const code = [...svg.querySelectorAll<SVGRectElement>(':scope > rect[fill="#ffffff"]')].at(-1);
        const box = layout === 'slip' || !code ? null : code.getBBox();
        for (const text of svg.querySelectorAll<SVGTextElement>(':scope > text')) {
          const b = text.getBBox();
          const size = Number(text.getAttribute('font-size'));
          seen++;
          if (
            b.x < -0.1 ||
            b.x + b.width > width + 0.1 ||
            Number(text.getAttribute('y')) > height - 0.2 * size
          )
            wrong.push(`${layout}: ${text.textContent} leaves the label`);
          const foot = Number(text.getAttribute('y'));
          if (
            box &&
            b.x + b.width > box.x + 0.1 &&
            foot > box.y + 0.1 &&
            foot - 0.7 * size < box.y + box.height
          )
            wrong.push(`${layout}: ${text.textContent} runs into the code`);
        }
      }
    }
    return { wrong, seen };
  }, names());
  expect(out.wrong).toEqual([]);
  expect(out.seen).toBeGreaterThan(300 * 6 * 3);
});

test('tags for the jars: dates that stay true, and their code', async ({ page }) => {
  await openDemo(page, 'Gooseberry');
  await page.getByRole('link', { name: 'tags' }).click();
  const tags = page.getByRole('region', { name: 'The tags' }).getByRole('img');
  await expect(tags).toHaveCount(2);
  await expect(tags.first()).toContainText('tall 5 L jar');
  // A tag is read on other days.
  for (const tag of await tags.allTextContents()) expect(tag).not.toMatch(/today|tomorrow|late|in \d+ d/);
  await expect
    .poll(async () => codeIn(await tags.first().screenshot()))
    .toMatch(/^Gooseberry\n.*tall 5 L jar, /);
  await page.getByRole('spinbutton', { name: 'How many of each' }).fill('2');
  const { bytes } = await save(page, 'PDF');
  const [only] = await pagesOf(bytes);
  expect(only!.text.split('tall 5 L jar')).toHaveLength(3);
  expect(only!.text).toContain('1 UK gal jar');
  expect(await faultsOf(page)).toEqual([]);
});

test('on a phone, in US units: a sheet of one’s own that does not go on its paper is said, and nothing runs off', async ({
  page
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await demo(page);
  await measureIn(page, 'us');
  await openWine(page, /Gooseberry/);
  await expect(page.getByTestId('batch-sentence')).toContainText('Gooseberry');
  await page.goto(`${page.url()}/labels`);
  await expect(page.getByRole('img', { name: /^The label/ })).toContainText(/%\salc\.\sby\svol\./);
  await expect(sheet(page)).toHaveValue('letter-10');
  await sheet(page).selectOption('own');
  const own = page.getByRole('group', { name: /inches/ });
  await own.getByRole('textbox', { name: 'across', exact: true }).fill('3');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert')).toContainText('3 of these labels side by side are wider than Letter');
  // What was typed first counts as soon as the width goes with it.
  await own.getByRole('textbox', { name: 'width' }).fill('2.5');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(sheet(page)).toContainText('Letter, 15: 2.5 × 2 in');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  expect(await faultsOf(page)).toEqual([]);
});
