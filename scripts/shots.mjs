// Remakes docs/screenshots/ from the demo household: `npm run shots`, or some of them by name.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { bin, CHROMIUM, installChromium, installPackages, root } from './setup.mjs';

installPackages();
installChromium();
if (!process.env.SKIP_BUILD && bin('vite', ['build', '--logLevel', 'error']) !== 0) process.exit(1);
const { chromium } = await import('@playwright/test');

const port = '4731';
const base = `http://127.0.0.1:${port}`;
const out = process.env.SHOTS_DIR ?? path.join(root, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
const server = spawn(process.execPath, [path.join(root, 'scripts', 'serve.mjs')], {
  env: { ...process.env, PORT: port, HOST: '127.0.0.1', VECINO_DEMO: '1' },
  stdio: ['ignore', 'ignore', 'inherit']
});
for (let i = 0; i < 100; i++) {
  if (
    await fetch(`${base}/api/health`).then(
      (r) => r.ok,
      () => false
    )
  )
    break;
  await new Promise((r) => setTimeout(r, 100));
}

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Types an ingredient on the slip and takes the first choice. */
async function add(page, text) {
  await page.getByRole('combobox', { name: 'Add an ingredient' }).fill(text);
  await page.getByRole('listbox').getByRole('option').first().waitFor();
  await page.keyboard.press('Enter');
}
const planRhubarb = async (page) => {
  await page.goto(`${base}/plan`);
  await add(page, '4.1 kg frozen rhubarb');
  await add(page, '240 g banana');
  await page.evaluate(() => document.activeElement?.blur());
  // As it is once its forecast has come.
  await page.getByTestId('plan-ahead').waitFor();
};
const open = (name) => async (page) => {
  await page.goto(`${base}/batches`);
  await page
    .getByRole('main')
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click();
  await page.getByTestId('batch-sentence').waitFor();
  await page.locator('canvas').first().waitFor();
};
const go = (to) => (page) => page.goto(`${base}${to}`);

const VIEWS = {
  today: [DESK, go('/')],
  'today-phone': [PHONE, go('/')],
  plan: [DESK, planRhubarb],
  clash: [
    DESK,
    async (page) => {
      await planRhubarb(page);
      await page.getByRole('button', { name: /how sharp/ }).click();
      await page.getByLabel('Acid, g/L as tartaric').fill('4');
      await page.getByRole('button', { name: 'Hold it there' }).click();
      await page.getByRole('button', { name: /how much, into glass/ }).click();
      await page.getByLabel('How much, once the fruit is out').fill('11');
      await page.getByRole('button', { name: 'Hold it there' }).click();
      await page.getByRole('list', { name: 'Ways out' }).waitFor();
    }
  ],
  brew: [
    DESK,
    async (page) => {
      await planRhubarb(page);
      await page.getByRole('button', { name: 'Brew day' }).click();
      await page.getByRole('button', { name: /^Go on/ }).click();
      await page.getByTestId('brew-amount').waitFor();
      await page.getByRole('button', { name: 'Close this message' }).click();
    }
  ],
  harvest: [DESK, go('/harvest')],
  recipe: [
    DESK,
    async (page) => {
      await planRhubarb(page);
      await page.getByRole('button', { name: 'Keep as a recipe' }).click();
      await page.getByRole('button', { name: /how sweet it ends/ }).click();
      await page.getByRole('button', { name: /^off-dry/ }).click();
      await page.getByRole('button', { name: 'Done' }).click();
      await page.getByRole('button', { name: /Keep as the next version/ }).click();
      await page.getByRole('button', { name: 'Close this message' }).click();
      await page.getByRole('link', { name: 'Recipes' }).click();
      await page
        .getByRole('main')
        .getByRole('link', { name: /Rhubarb/ })
        .first()
        .click();
    }
  ],
  sheet: [
    { width: 794, height: 1123 },
    async (page) => {
      await planRhubarb(page);
      await page.getByRole('button', { name: 'Shopping and sheet' }).click();
      await page.getByRole('article').waitFor();
      await page.emulateMedia({ media: 'print' });
    }
  ],
  batch: [DESK, open('Elderberry')],
  'batch-phone': [PHONE, open('Elderberry')],
  bottling: [
    PHONE,
    async (page) => {
      await open('Gooseberry')(page);
      await page.getByRole('link', { name: 'Bottling day' }).click();
      await page.getByRole('heading', { name: 'Which jar?' }).waitFor();
      await page.getByRole('button', { name: /tall 5 L jar/ }).click();
      await page.getByRole('button', { name: 'Yes, clear' }).click();
      await page.getByRole('button', { name: 'Count the bottles' }).click();
      await page.getByLabel('And also').selectOption('0.375 still');
      await page.getByTestId('bottle-count').nth(1).waitFor();
    }
  ],
  labels: [
    DESK,
    async (page) => {
      await open('Gooseberry')(page);
      await page.goto(`${page.url()}/labels`);
      await page.getByRole('img', { name: /^The label/ }).waitFor();
      await page.getByRole('button', { name: 'A row along its foot' }).click();
      await page.getByRole('button', { name: 'Greengage' }).click();
    }
  ],
  finish: [
    DESK,
    async (page) => {
      await open('Gooseberry')(page);
      await page.getByRole('button', { name: 'Sweeten', exact: true }).click();
      await page.getByRole('button', { name: 'medium', exact: true }).click();
      await page.getByTestId('sweeten-then').waitFor();
    }
  ],
  almanac: [DESK, go('/almanac')],
  bench: [DESK, go('/bench')],
  line: [
    DESK,
    async (page) => {
      await open('Elderberry')(page);
      await page.keyboard.press('/');
      await page.getByLabel('Say it in one line').fill('stirred, 1.024 at 21c, 3 campden and 1 tsp nutrient');
      await page.getByTestId('means').nth(2).waitFor();
    }
  ],
  batches: [DESK, go('/batches')],
  cellar: [
    DESK,
    async (page) => {
      await go('/cellar')(page);
      await page.locator('li[data-wine="Damson"]').waitFor();
    },
    'dark'
  ],
  settings: [DESK, go('/settings')]
};

const wanted = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync'
  ]
});
try {
  for (const [name, [viewport, arrange, scheme]] of Object.entries(VIEWS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const context = await browser.newContext({
      viewport,
      colorScheme: scheme ?? 'light',
      timezoneId: 'Europe/Lisbon',
      locale: 'en-GB',
      reducedMotion: 'reduce'
    });
    const page = await context.newPage();
    page.on('pageerror', (e) => console.error(`${name}: ${e.message}`));
    page.on('console', (m) => m.type() === 'error' && console.error(`${name}: ${m.text()}`));
    await page.goto(base);
    await page.getByRole('region', { name: 'The shelf: vessels in use' }).waitFor();
    await arrange(page);
    await page.evaluate(() => document.fonts.ready);
    await page.locator('main > *:not(.sr-only, .no-print)').first().waitFor();
    await page.evaluate(
      () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(r, 250))))
    );
    await page.screenshot({ path: path.join(out, `${name}.png`), fullPage: process.env.FULL === '1' });
    console.log(`${name}.png`);
    await context.close();
  }
} finally {
  await browser.close();
  server.kill();
}
