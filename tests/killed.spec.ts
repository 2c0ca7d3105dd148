import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { mulberry32 } from '../src/lib/core/maths/draw';
import { addToSlip, logOf } from './kitchen';
import { expect, test, type Page } from './test';

/** How often the browser is killed; `npm run bench` does it a hundred times. */
const KILLS = Number(process.env.KILLS ?? 3);

type Logged = Awaited<ReturnType<typeof logOf>>[number] & { group?: string };
type Running = { process: ChildProcess; browser: Browser; page: Page };

/** A browser of its own that keeps what it has on a disk, in a process group that can be killed as a whole. */
async function started(dir: string, flags: readonly string[]): Promise<Running> {
  // What a killed browser leaves to say that it runs.
  for (const left of ['DevToolsActivePort', 'SingletonLock', 'SingletonCookie', 'SingletonSocket'])
    rmSync(path.join(dir, left), { force: true });
  const process = spawn(
    test.info().project.use.launchOptions!.executablePath!,
    [
      ...flags,
      '--headless=new',
      '--hide-crash-restore-bubble',
      '--remote-debugging-port=0',
      `--user-data-dir=${dir}`,
      'about:blank'
    ],
    { detached: true, stdio: 'ignore' }
  );
  let port = '';
  await expect
    .poll(() => {
      try {
        port = readFileSync(path.join(dir, 'DevToolsActivePort'), 'utf8').split('\n')[0]!;
      } catch {
        port = '';
      }
      return port;
    })
    .not.toBe('');
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  return { process, browser, page: browser.contexts()[0]!.pages()[0]! };
}

/** As the power does: every process of it at once, without a word. */
async function kill({ process: p, browser }: Running): Promise<void> {
  const ended = new Promise((done) => p.once('exit', done));
  process.kill(-p.pid!, 'SIGKILL');
  await ended;
  await browser.close().catch(() => undefined);
}

/** As one closes it: what a browser keeps of a site besides its data is on the disk afterwards. */
async function closed({ process: p, browser }: Running): Promise<void> {
  const ended = new Promise((done) => p.once('exit', done));
  const session = await browser.newBrowserCDPSession();
  await session.send('Browser.close').catch(() => undefined);
  await ended;
}

/** Says a line; it is written once the line is gone. @param onEnter called as it is being written */
async function say(page: Page, line: string, onEnter: () => void = () => undefined): Promise<void> {
  await page.keyboard.press('/');
  const box = page.getByLabel('Say it in one line');
  await box.fill(line);
  await expect(page.getByTestId('means').first()).toBeVisible();
  const pressed = page.keyboard.press('Enter');
  onEnter();
  await pressed;
  await expect(box).toBeHidden();
}

test('killed in the middle of writing it loses nothing that was said to be written, and keeps nothing by halves', async ({
  baseURL
}) => {
  test.setTimeout(240_000 + KILLS * 30_000);
  const dir = mkdtempSync(path.join(tmpdir(), 'killed-'));
  const flags = test.info().project.use.launchOptions!.args!;
  const random = mulberry32(11);
  /** lines that were said to be written */
  const told: string[] = [];
  let doses = 0;
  let n = 0;
  let unsaid = 0;
  let running = await started(dir, flags);
  try {
    await running.page.goto(`${baseURL}/plan`);
    await addToSlip(running.page, '4.1 kg rhubarb');
    await running.page.getByRole('button', { name: 'Start this batch' }).click();
    await expect(running.page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
    const url = running.page.url();
    const begun: Logged[] = await logOf(running.page);
    // A browser that has been used before, as a household's has: what is tried here is our own writing.
    await closed(running);
    running = await started(dir, flags);
    await running.page.goto(url);
    await expect(running.page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
    for (let k = 0; k < KILLS; k++) {
      const mine = running;
      // Within a tenth of a second from the key: before, while and after it is on its way to the disk.
      let dead: Promise<void> | null = null;
      const soon = () =>
        (dead = new Promise((done) => setTimeout(() => void kill(mine).then(done), random() * 120)));
      const lines = 1 + Math.floor(random() * 3);
      try {
        for (let i = 0; i <= lines; i++) {
          const isLast = i === lines;
          if ((i + k) % 2 === 0) {
            await say(mine.page, `note drop ${++n}`, isLast ? soon : undefined);
            told.push(`drop ${n}`);
          } else {
            await say(mine.page, 'stirred, 4 bubbles a minute', isLast ? soon : undefined);
            doses += 1;
          }
        }
      } catch (e) {
        // It was killed under the line; anything else is a fault.
        if (!dead) throw e;
      }
      await dead;
      running = await started(dir, flags);
      await running.page.goto(url);
      await expect(running.page.getByTestId('batch-sentence')).toContainText('Rhubarb');
      const log: Logged[] = await logOf(running.page);
      const notes = new Set(log.map((e) => (e.type === 'note' ? String(e.data.text) : '')));
      expect(told.filter((x) => !notes.has(x))).toEqual([]);
      // What one line writes is there as a whole, or not at all.
      const sizes = new Map<string, number>();
      for (const e of log) if (e.group) sizes.set(e.group, (sizes.get(e.group) ?? 0) + 1);
      for (const { group } of begun) if (group) sizes.delete(group);
      expect(
        [...sizes.values()].filter((size) => size !== 2),
        `kill ${k}`
      ).toEqual([]);
      expect(sizes.size, `kill ${k}`).toBeGreaterThanOrEqual(doses);
      // The lists are of all of it: none has to be made anew.
      const kept = await running.page.evaluate(
        () =>
          new Promise<{ events: number }>((done) => {
            const open = indexedDB.open('vecino');
            open.onsuccess = () => {
              const get = open.result.transaction('settings').objectStore('settings').get('summaries');
              get.onsuccess = () => {
                open.result.close();
                done((get.result as { value: { events: number } }).value);
              };
            };
          })
      );
      expect(kept.events).toBe(log.length);
      unsaid = log.length - begun.length - told.length - 2 * doses;
    }
    expect(told.length + doses).toBeGreaterThan(KILLS / 2);
    if (KILLS > 10)
      console.log(
        `${KILLS} kills: ${told.length} notes and ${doses} lines of two were said to be written, and none is lost; ${unsaid} events more were written as it was killed`
      );
  } finally {
    await kill(running);
    rmSync(dir, { recursive: true, force: true });
  }
});
