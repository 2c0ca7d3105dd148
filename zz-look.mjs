// usage: node zz-look.mjs file.mjs  (exports default async ({page, base, shot, add, open}))
import { spawn } from 'node:child_process';
import path from 'node:path';
const { chromium } = await import('@playwright/test');
const port = '4735', base = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, ['scripts/serve.mjs'], { env: { ...process.env, PORT: port, HOST: '127.0.0.1', VECINO_DEMO: process.env.DEMO ?? '1' }, stdio: ['ignore','ignore','inherit'] });
for (let i = 0; i < 100; i++) { if (await fetch(`${base}/api/health`).then(r=>r.ok,()=>false)) break; await new Promise(r=>setTimeout(r,100)); }
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run'] });
const DESK = { width: 1280, height: 800 }, PHONE = { width: 390, height: 844 };
const make = async (size = DESK, scheme = 'light') => {
  const context = await browser.newContext({ viewport: size, colorScheme: scheme, serviceWorkers: 'block', timezoneId: 'Europe/Berlin', locale: 'en-GB' });
  const page = await context.newPage();
  page.on('pageerror', (e) => console.log('PAGE ERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  return page;
};
const add = async (page, text) => { await page.getByRole('combobox', { name: 'Add an ingredient' }).fill(text); await page.getByRole('listbox').getByRole('option').first().waitFor(); await page.keyboard.press('Enter'); };
const open = async (page, name) => { await page.goto(`${base}/batches`); await page.getByRole('main').getByRole('link', { name: new RegExp(name) }).first().click(); await page.getByTestId('batch-sentence').waitFor(); };
const shot = (page, name, full = false) => page.screenshot({ path: `/tmp/look/${name}.png`, fullPage: full });
try { await (await import(path.resolve(process.argv[2]))).default({ make, base, add, open, shot, DESK, PHONE }); } catch (e) { console.error(e); }
await browser.close(); server.kill(); process.exit(0);
