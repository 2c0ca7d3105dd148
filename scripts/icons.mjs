// Draws the icons of the home screen from static/favicon.svg: `node scripts/icons.mjs`, when that changes.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { root } from './setup.mjs';

const file = (name) => path.join(root, 'static', name);
const svg = readFileSync(file('favicon.svg'), 'utf8');
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu']
});
/** What may be cut to a circle keeps its drawing within four fifths. */
for (const [name, size, share] of [
  ['icon-192.png', 192, 1],
  ['icon-512.png', 512, 1],
  ['icon-maskable-512.png', 512, 0.7]
]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(
    `<body style="margin:0;background:#f4eddc;display:grid;place-content:center;height:100vh">${svg.replace('<svg', `<svg width="${size * share}" height="${size * share}"`)}</body>`
  );
  writeFileSync(file(name), await page.screenshot());
  await page.close();
}
await browser.close();
