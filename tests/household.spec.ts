import { readFile, writeFile } from 'node:fs/promises';
import { faultsByDayAndLamp } from './faults';
import { expect, test, type Page } from './test';
import { demo, logOf, read, startRhubarb } from './kitchen';

test('the walk: each job done in one tap or one number', async ({ page }) => {
  await demo(page);
  const before = (await logOf(page)).length;
  const parsnip = page.getByRole('article', { name: 'Parsnip' });
  await expect(parsnip).toContainText('still asleep');
  await parsnip.getByRole('button', { name: 'Nutrient in' }).click();
  await expect(page.getByRole('status')).toContainText('Parsnip');
  await expect(parsnip.getByText('Nutrient, part 1 of 4')).toHaveCount(0);
  const beetroot = page.getByRole('article', { name: 'Beetroot' });
  await beetroot.getByLabel('Gravity of Beetroot').fill('0.998');
  await beetroot.getByRole('button', { name: 'Read' }).click();
  await expect.poll(async () => (await logOf(page)).length).toBe(before + 2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await logOf(page)).length).toBe(before + 3);
  await expect(beetroot.getByLabel('Gravity of Beetroot')).toBeVisible();
});

test('export, import into an empty browser, and see the same', async ({ page, browser }, info) => {
  await startRhubarb(page);
  await read(page, '1.081', '21');
  const sentence = await page.getByTestId('batch-sentence').innerText();
  await page.goto('/settings');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything to a file' }).click();
  const file = info.outputPath('cellar.vecino.json');
  await (await download).saveAs(file);
  const log = await logOf(page);

  const other = await (await browser.newContext({ timezoneId: 'Europe/Lisbon' })).newPage();
  await other.goto('/settings');
  await other.getByLabel('Bring a file in').setInputFiles(file);
  await expect(other.getByRole('region', { name: 'What the file holds' })).toContainText(
    '3 new events, 1 new wine'
  );
  await other.getByRole('button', { name: 'Bring them in' }).click();
  await expect(other.getByRole('status')).toContainText('3 events brought in');
  expect(await logOf(other)).toEqual(log);
  await other.getByRole('link', { name: /^Rhubarb, / }).click();
  await expect(other.getByTestId('batch-sentence')).toHaveText(sentence.replace(/\s+/g, ' ').trim(), {
    useInnerText: true
  });

  // Damaged and foreign files are refused, and change nothing.
  await other.goto('/settings');
  const bad = info.outputPath('bad.vecino.json');
  for (const [text, why] of [
    [(await readFile(file, 'utf8')).slice(0, 900), /damaged at line/],
    ['{"hello": "world"}', /not a Vecino file/],
    [
      (await readFile(file, 'utf8')).replace('"massKg": 4.1', '"massKg": "lots"'),
      /wrong at events\[\d\].*massKg/
    ]
  ] as const) {
    await writeFile(bad, text);
    await other.getByLabel('Bring a file in').setInputFiles(bad);
    await expect(other.getByRole('alert')).toContainText(why);
    expect(await logOf(other)).toEqual(log);
  }
});

test.describe('offline', () => {
  test.use({ serviceWorkers: 'allow' });
  test('works offline, and writes down there', async ({ page, context }) => {
    await startRhubarb(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0);
    await page.goto('/batches');
    await context.setOffline(true);
    await page.reload();
    await page
      .getByRole('main')
      .getByRole('link', { name: /Rhubarb/ })
      .click();
    await page.getByRole('button', { name: 'Stirred', exact: true }).click();
    await expect(page.getByRole('status')).toContainText('stirred');
    // The day's work, with the server away: a line, a calendar, what waits.
    const line = page.getByLabel('Say it in one line');
    await page.keyboard.press('/');
    await line.fill('sg 1.064 21c, 1 tsp nutrient');
    await expect(page.getByTestId('means')).toHaveCount(2);
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('sg-now')).toHaveText('1.064');
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Calendar file' }).click()
    ]);
    expect(file.suggestedFilename()).toBe('rhubarb.ics');
    await page.goto('/walk/away');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Away');
    await page.goto('/plan');
    await expect(page.getByRole('combobox', { name: 'Add an ingredient' })).toBeVisible();
  });
});

test('the first page is 150 kB of script at most, as it is sent; what checks a file is no part of it', async ({
  request
}) => {
  const code = new Map<string, string>();
  let bytes = 0;
  const fetched = async (path: string): Promise<void> => {
    if (code.has(path)) return;
    code.set(path, '');
    const answer = await request.get(path, { headers: { 'accept-encoding': 'br' } });
    bytes += Number(answer.headers()['content-length']);
    const text = await answer.text();
    code.set(path, text);
    for (const [, from] of text.matchAll(/(?:from|import)\s*["'](\.[^"']+\.js)["']/g))
      await fetched(new URL(from!, `http://v${path}`).pathname);
  };
  const html = await (await request.get('/')).text();
  const entries = [...html.matchAll(/import\("([^"]+)"\)/g)].map((m) => m[1]!);
  for (const path of entries) await fetched(path);
  const app = code.get(entries.find((p) => p.includes('/app.'))!)!;
  // The frame of every page, and Today.
  for (const node of [0, 2])
    await fetched(`/_app/immutable/${new RegExp(`nodes/${node}\\.[\\w-]+\\.js`).exec(app)![0]}`);
  expect(code.size).toBeGreaterThan(20);
  expect(bytes).toBeGreaterThan(100_000);
  expect(bytes).toBeLessThan(150_000);
  expect([...code.values()].join('\n')).not.toContain('ZodError');
});

test('no request leaves the machine, no script is inline, no error is thrown', async ({ page }) => {
  const outside: string[] = [];
  const errors: string[] = [];
  page.on(
    'request',
    (r) =>
      !r.url().startsWith('http://127.0.0.1') &&
      !r.url().startsWith('blob:') &&
      !r.url().startsWith('data:') &&
      outside.push(r.url())
  );
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  await demo(page);
  for (const path of [
    '/plan',
    '/harvest',
    '/plan/recipes',
    '/batches',
    '/bench/acid',
    '/almanac/produce/quince',
    '/settings',
    '/'
  ])
    await page.goto(path);
  await page.getByRole('link', { name: /^Elderberry, / }).click();
  await expect(page.locator('canvas')).toBeVisible();
  expect(outside).toEqual([]);
  expect(errors).toEqual([]);
  const answer = await page.request.get('/');
  const csp = answer.headers()['content-security-policy'] ?? '';
  expect(csp).toContain("default-src 'self'");
  expect(/script-src[^;]*unsafe/.test(csp)).toBe(false);
});

test('the routes answer scripts', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({
    ok: true,
    version: expect.stringMatching(/^\d+\.\d+\.\d+$/)
  });
  const { produce } = await (await request.get('/api/produce')).json();
  expect(produce.length).toBeGreaterThanOrEqual(30);
  const good = await request.post('/api/estimate', {
    data: {
      ingredients: [
        { kind: 'produce', produceId: 'plum', massKg: 4.08 },
        { kind: 'water', volumeL: 7.95 }
      ]
    }
  });
  expect(good.status()).toBe(200);
  // JSON only, said to be JSON; and no page of another site.
  const plain = await request.post('/api/estimate', {
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    data: '{"ingredients":[]}'
  });
  expect(plain.status()).toBe(415);
  const foreign = await request.post('/api/estimate', {
    headers: { origin: 'https://elsewhere.example' },
    data: { ingredients: [{ kind: 'water', volumeL: 1 }] }
  });
  expect(foreign.status()).toBe(403);
  for (const path of ['/', '/favicon.svg', '/api/health']) {
    const headers = (await request.get(path)).headers();
    expect(headers['x-content-type-options'], path).toBe('nosniff');
    expect(headers['referrer-policy'], path).toBe('no-referrer');
    expect(headers['cross-origin-opener-policy'], path).toBe('same-origin');
    expect(headers['permissions-policy'], path).toContain('geolocation=()');
  }
  // Forty free rows are worked out apart: the server goes on answering, and is done within a second.
  const many = produce.slice(0, 39).map((x: { id: string }) => ({
    kind: 'produce',
    produceId: x.id,
    massKg: 0,
    held: false
  }));
  const began = Date.now();
  const scaled = request.post('/api/scale', {
    data: {
      ingredients: [...many, { kind: 'water', volumeL: 0, held: false }],
      target: { abv: 12, volumeL: 12, taGL: 6, phMax: 3.3, yanMgL: 250 }
    }
  });
  expect((await request.get('/api/health')).ok()).toBe(true);
  expect([200, 503]).toContain((await scaled).status());
  expect(Date.now() - began).toBeLessThan(20_000);
  const huge = await request.post('/api/estimate', {
    headers: { 'content-type': 'application/json' },
    data: `{"name":"${'x'.repeat(1_200_000)}"}`
  });
  expect(huge.status()).toBe(413);
});

/** Pages by the heading they open with, and what is done there before they are looked at. */
const PAGES: [string, ((page: Page) => Promise<void>)?][] = [
  ['/'],
  [
    '/plan',
    async (page) => {
      await page.getByRole('combobox', { name: 'Add an ingredient' }).fill('4 kg rhubarb');
      await page.keyboard.press('Enter');
      await expect(page.getByTestId('abv')).toBeVisible();
    }
  ],
  ['/batches'],
  [
    '/cellar',
    async (page) => {
      await page.locator('li[data-wine="Damson"] button').first().click();
      await page.getByRole('button', { name: /^row 3, place 1: Damson/ }).click();
      await expect(page.getByRole('region', { name: 'In hand' })).toBeVisible();
    }
  ],
  ['/settings'],
  ['/almanac'],
  ['/almanac/produce/quince'],
  ['/almanac/sugars'],
  ['/almanac/doses'],
  ['/almanac/methods'],
  ['/almanac/cautions'],
  ['/almanac/sources'],
  ['/bench'],
  ['/bench/acid'],
  ['/bench/sanitiser'],
  ['/harvest'],
  ['/walk'],
  ['/walk/away'],
  ['/plan/recipes'],
  [
    '/plan#brew-day',
    async (page) => {
      await page.getByRole('combobox', { name: 'Add an ingredient' }).fill('4 kg rhubarb');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Brew day' }).click();
      await page.getByRole('button', { name: /^Go on/ }).click();
      await expect(page.getByTestId('brew-amount')).toBeVisible();
    }
  ],
  [
    '/plan/sheet',
    async (page) => {
      await page.goto('/plan');
      await page.getByRole('combobox', { name: 'Add an ingredient' }).fill('4 kg rhubarb');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Shopping and sheet' }).click();
      await expect(page.getByRole('article', { name: 'Brew sheet' })).toBeVisible();
    }
  ]
];
/** Every form, on a wine in the bucket and on one in glass. */
const FORMS = {
  Elderberry: ['Read gravity', 'Pitch again', 'Fruit out', 'Rack', 'Add', 'Sample, loss', 'Note'],
  Quince: ['Top up', 'Steep', 'Bottle', 'Photo', 'Taste it']
};

for (const [what, places] of Object.entries({
  'The household': PAGES.filter(([p]) => !/almanac|bench|plan/.test(p)),
  'The plan': PAGES.filter(([p]) => /plan/.test(p)),
  'The almanac': PAGES.filter(([p]) => /almanac/.test(p)),
  'The bench': PAGES.filter(([p]) => /bench/.test(p))
}))
  test(`${what} is accessible, page by page`, async ({ page }) => {
    await demo(page);
    for (const [path, arrange] of places) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeAttached();
      await arrange?.(page);
      expect(await faultsByDayAndLamp(page), path).toEqual([]);
    }
  });

test('a batch and its forms are accessible, on a desk and on a phone', async ({ page }) => {
  await demo(page);
  const faultsAtBoth = async (where: string, part?: string) => {
    const found: string[] = [];
    for (const [width, height] of [
      [390, 844],
      [1280, 800]
    ] as const) {
      await page.setViewportSize({ width, height });
      found.push(...(await faultsByDayAndLamp(page, part)).map((x) => `${where} (${width}) ${x}`));
    }
    return found;
  };
  for (const [name, forms] of Object.entries(FORMS)) {
    await page.goto('/batches');
    await page.getByRole('main').getByRole('link', { name }).first().click();
    await expect(page.getByTestId('batch-sentence')).toBeVisible();
    expect(await faultsAtBoth(name)).toEqual([]);
    for (const form of forms) {
      await page.getByRole('button', { name: form, exact: true }).click();
      await expect(page.getByRole('button', { name: 'Close', exact: true })).toBeVisible();
      expect(await faultsAtBoth(`${name} ${form}`, '#actions')).toEqual([]);
      await page.getByRole('button', { name: 'Close', exact: true }).click();
    }
  }
});

test('nothing to press is too small for a thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await demo(page);
  for (const path of [
    '/',
    '/batches',
    '/cellar',
    '/harvest',
    '/plan/recipes',
    '/settings',
    '/almanac',
    '/almanac/produce/quince',
    '/bench',
    '/bench/reading'
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('main button, nav a, main .field')]
        .filter((e) => e.offsetParent !== null)
        .map((e) => ({
          text: e.innerText || e.getAttribute('aria-label'),
          h: e.getBoundingClientRect().height
        }))
        .filter((e) => e.h < 43.5)
    );
    expect(small).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  }
});

test('a form never outlives its batch, and a batch can be taken back', async ({ page }) => {
  await demo(page);
  await page.getByRole('link', { name: /^Elderberry, / }).click();
  await page.getByRole('button', { name: 'Read gravity' }).click();
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.011');
  await page.getByRole('link', { name: /^Rosehip, / }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Rosehip');
  await expect(page.getByRole('form', { name: 'Read gravity' })).toBeHidden();
  await page.getByRole('button', { name: 'Read gravity' }).click();
  await expect(page.getByRole('textbox', { name: 'Gravity', exact: true })).toHaveValue('');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('button', { name: 'take back', exact: true }).click();
  await page.getByRole('button', { name: 'Take the batch back' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('7 wines on the way');
  await expect(page.getByRole('link', { name: /^Rosehip, / })).toHaveCount(0);
});

test('large letters on a small phone: nothing runs off the side', async ({ page }) => {
  await demo(page);
  for (const path of [
    '/',
    '/harvest',
    '/plan',
    '/batches',
    '/bench/hydrometer',
    '/almanac/produce/quince',
    '/walk',
    '/walk/away',
    '/settings'
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeAttached();
    for (const [width, percent] of [
      [360, 125],
      [360, 150],
      [390, 150]
    ] as const) {
      await page.setViewportSize({ width, height: 844 });
      const over = await page.evaluate((px) => {
        document.documentElement.style.setProperty('font-size', `${px}px`, 'important');
        return document.documentElement.scrollWidth - innerWidth;
      }, 0.16 * percent);
      expect(over, `${path} at ${width} px and ${percent} %`).toBeLessThanOrEqual(1);
    }
  }
});

test('the shelf takes no tap beside its button, and is folded on a low screen', async ({ page }) => {
  await demo(page);
  // With a timer at the foot of the page it has less room.
  await page.keyboard.press('/');
  await page.getByLabel('Say it in one line').fill('rosehip: timer 20 min');
  await expect(page.getByTestId('means')).toContainText('Rosehip');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Timers' })).toContainText('Rosehip');
  await page.getByRole('button', { name: 'Close this message' }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  // Every control on the walk can be reached, once the page has found its new size: what lies under its middle is the
  // control itself.
  const covered = () =>
    page.evaluate(() => {
      const bad: string[] = [];
      for (const b of document.querySelectorAll<HTMLElement>('main button, main a, main input')) {
        b.scrollIntoView({ block: 'nearest' });
        const r = b.getBoundingClientRect();
        if (r.width === 0) continue;
        const at = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
        if (!at || !(b.contains(at) || at.contains(b)))
          bad.push(b.innerText || b.getAttribute('aria-label') || b.tagName);
      }
      return bad;
    });
  await expect.poll(covered).toEqual([]);
  await page.setViewportSize({ width: 844, height: 390 });
  await page.goto('/');
  await expect(page.getByRole('button', { name: /show the shelf/ })).toBeAttached();
  await expect(page.getByRole('region', { name: /^The shelf/ })).toBeHidden();
});
