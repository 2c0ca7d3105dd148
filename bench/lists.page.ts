import { expect, test, type Page } from '@playwright/test';
import { fill, onDisk } from './many';

const middle = (ms: number[]): number => ms.sort((a, b) => a - b)[Math.floor(ms.length / 2)]!;

/** Milliseconds from asking for a page to its heading, the middle of five. */
async function opening(page: Page, path: string): Promise<number> {
  const ms: number[] = [];
  for (let i = 0; i < 5; i++) {
    const t = Date.now();
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/wines|jobs|Nothing|job|bottles/);
    ms.push(Date.now() - t);
  }
  return middle(ms);
}

async function measured(page: Page, many: number): Promise<Record<string, number>> {
  await page.goto('/settings');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await fill(page, many);
  const t = Date.now();
  await page.goto('/batches');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('10 wines on the way', {
    timeout: 600_000
  });
  const rebuilt = Date.now() - t;
  const found: Record<string, number> = {
    'lists made anew': rebuilt,
    '/batches': await opening(page, '/batches'),
    '/': await opening(page, '/'),
    '/cellar': await opening(page, '/cellar')
  };
  // What is looked for is found by its name, and in words that were written of it.
  const looks: number[] = [];
  const words: number[] = [];
  for (let i = 0; i < 3; i++) {
    await page.goto('/batches');
    const field = page.getByRole('searchbox').first();
    await expect(field).toBeVisible();
    let t0 = Date.now();
    await field.fill('plum 7');
    await expect(
      page
        .getByRole('main')
        .getByRole('link', { name: /^Plum 7/ })
        .first()
    ).toBeVisible();
    looks.push(Date.now() - t0);
    // Typed as one types; from the last letter on.
    await field.fill('');
    await field.pressSequentially('jar 7 by the windo', { delay: 40 });
    t0 = Date.now();
    await field.press('w');
    await expect(page.getByText('Jar 7 by the window').first()).toBeVisible();
    words.push(Date.now() - t0);
  }
  found['a name'] = middle(looks);
  found['words in notes'] = middle(words);
  // A stir, from the tap to its being told.
  await page.goto('/batches');
  await page
    .getByRole('main')
    .getByRole('link', { name: /^Plum 3,|^Plum 3 / })
    .first()
    .click();
  const stirs: number[] = [];
  for (let i = 0; i < 5; i++) {
    await expect(page.getByRole('button', { name: 'Stirred', exact: true })).toBeVisible();
    const t0 = Date.now();
    await page.getByRole('button', { name: 'Stirred', exact: true }).click();
    await expect(page.getByRole('status')).toContainText('stirred');
    stirs.push(Date.now() - t0);
    await page.reload();
  }
  found['a stir'] = middle(stirs);
  return found;
}

test('lists open as fast with 2,000 batches, 400,000 events and 5,000 photos as with 20', async () => {
  test.setTimeout(1_200_000);
  const found: Record<string, number>[] = [];
  for (const many of [20, 2000]) await onDisk(async (page) => void found.push(await measured(page, many)));
  const [few, all] = found as [Record<string, number>, Record<string, number>];
  for (const what of Object.keys(few))
    console.log(
      `${what}: ${few[what]} ms with 20 batches, ${all[what]} ms with 2,000, ratio ${(all[what]! / few[what]!).toFixed(2)}${what === 'lists made anew' ? '' : ', budget 2'}`
    );
});
