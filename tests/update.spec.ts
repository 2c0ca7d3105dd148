import { createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { logOf, startRhubarb } from './kitchen';
import { expect, test } from './test';

test.use({ serviceWorkers: 'allow' });

/** The built server, seen through a door that can show the next build: its worker is another, and so is what it keeps. */
async function door(baseURL: string): Promise<{ url: string; next: () => void; server: Server }> {
  let isNext = false;
  const to = new URL(baseURL);
  const server = createServer((req, res) => {
    const inner = ask(
      {
        host: to.hostname,
        port: to.port,
        path: req.url,
        method: req.method,
        headers: { ...req.headers, 'accept-encoding': 'identity' }
      },
      (answer) => {
        const isWorker = req.url?.startsWith('/service-worker.js');
        const headers = { ...answer.headers };
        if (isWorker) {
          delete headers['content-length'];
          headers['cache-control'] = 'no-store';
        }
        res.writeHead(answer.statusCode ?? 500, headers);
        if (!isWorker || !isNext) return void answer.pipe(res);
        let text = '';
        answer.setEncoding('utf8').on('data', (part: string) => (text += part));
        answer.on('end', () => res.end(text.replace(/vecino-/g, 'vecino-next-')));
      }
    );
    inner.on('error', () => res.destroy());
    req.pipe(inner);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    next: () => (isNext = true),
    server
  };
}

test('a newer Vecino is told, and taking it loses nothing of a half-typed form', async ({
  browser,
  baseURL
}) => {
  const { url, next, server } = await door(baseURL!);
  const context = await browser.newContext({ baseURL: url, serviceWorkers: 'allow' });
  const page = await context.newPage();
  try {
    await startRhubarb(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    const log = await logOf(page);
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByRole('textbox').first().fill('half a note, and then the');
    next();
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
    await expect(page.getByRole('status')).toContainText('A newer Vecino is ready.');
    // What the tab was built from is kept until it is taken.
    const kept = () => page.evaluate(() => caches.keys());
    expect((await kept()).some((k) => !k.includes('next'))).toBe(true);
    await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Take it' }).click()]);
    await expect(page.getByTestId('batch-sentence')).toBeVisible();
    await expect.poll(kept).toEqual([expect.stringContaining('vecino-next-')]);
    await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb');
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await expect(page.getByRole('textbox').first()).toHaveValue('half a note, and then the');
    expect(await logOf(page)).toEqual(log);
  } finally {
    await context.close();
    server.close();
  }
});
