import { PNG } from 'pngjs';
import { logOf, startRhubarb } from './kitchen';
import { expect, test } from './test';

test.use({ serviceWorkers: 'allow' });

test('a photo that is shared to Vecino finds its wine; a text that is shared stands in the quick line', async ({
  page
}) => {
  await startRhubarb(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  const png = new PNG({ width: 60, height: 40 });
  png.data.fill(180);
  const base64 = PNG.sync.write(png).toString('base64');
  /** What a phone does when something is shared to an installed page. */
  const share = (fields: Record<string, string>, image: string | null) =>
    page.evaluate(
      ({ fields, image }) => {
        const form = document.createElement('form');
        form.method = 'POST';
        form.action = '/shared';
        form.enctype = 'multipart/form-data';
        for (const [name, value] of Object.entries(fields)) {
          const input = document.createElement('input');
          [input.name, input.value] = [name, value];
          form.append(input);
        }
        if (image) {
          const bytes = Uint8Array.from(atob(image), (c) => c.charCodeAt(0));
          const held = new DataTransfer();
          held.items.add(new File([bytes], 'p.png', { type: 'image/png' }));
          const input = document.createElement('input');
          [input.type, input.name, input.files] = ['file', 'photo', held.files];
          form.append(input);
        }
        document.body.append(form);
        form.submit();
      },
      { fields, image }
    );
  await share({ text: 'The cap on its third day' }, base64);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Of which wine');
  await page.getByRole('main').getByRole('link', { name: 'Rhubarb' }).click();
  const form = page.getByRole('form', { name: 'Photo' });
  await expect(form.getByAltText('What is kept')).toHaveAttribute('width', '60');
  await expect(form.getByLabel('What it shows')).toHaveValue('The cap on its third day');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByAltText('The cap on its third day').first()).toBeVisible();
  expect((await logOf(page)).filter((e) => e.type === 'photo')).toHaveLength(1);
  // It was taken: nothing waits any more.
  await page.goto('/shared');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Nothing was shared');
  await share({ title: '', text: 'rhubarb: stirred' }, null);
  await expect(page.getByLabel('Say it in one line')).toHaveValue('rhubarb: stirred');
});
