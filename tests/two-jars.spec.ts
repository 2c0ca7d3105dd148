import { live, sayLine } from './kitchen';
import { expect, test } from './test';

test('cider in two jars, in US units, read late and one of them bottled: neither speaks for the other, on any screen', async ({
  page
}) => {
  const { sentence, go } = await live(page, 'us', '2026-06-01T18:00:00+01:00', ['5 gal apple juice']);
  await expect(sentence).toContainText('Apple, day 1');
  const row = () =>
    page
      .getByRole('main')
      .getByRole('link', { name: /^Apple/ })
      .first();

  await go(1);
  await sayLine(page, 'yeast in', /Yeast in/);
  // A must that nobody read, and then one that was: told apart.
  await go(6);
  await expect(sentence).toContainText('Never read');
  await go(14);
  await sayLine(page, '1.004', /1\.004/);
  await sayLine(page, 'racked to 3 gal and 2 gal', /3 US gal carboy.*2 US gal jar/);
  await expect(sentence).toContainText('3 US gal carboy and 2 US gal jar');

  // Read late, both in one line, each by its size; the preview says which is which.
  await go(50);
  await sayLine(page, '0.998 in 3 gal and 0.993 in 2 gal', /0\.998.*3 US gal carboy/, /0\.993.*2 US gal jar/);
  await expect(sentence).toContainText('0.998 in the 3 US gal carboy');
  await expect(sentence).toContainText('0.993 in the 2 US gal jar');
  await go(60);
  await sayLine(page, '0.993 in the 2 gal jar', /0\.993.*2 US gal jar/);
  await sayLine(page, '0.993 in the carboy', /0\.993.*3 US gal carboy/);
  await go(66);
  await sayLine(page, '0.992 in 2 gal', /0\.992.*2 US gal jar/);
  await sayLine(page, '0.994 in 3 gal', /0\.994.*3 US gal carboy/);

  // The carboy is bottled: from then on the jar's own reading is told, here and on the lists.
  await go(70);
  await sayLine(page, 'bottled 14 bottles from the carboy', /14 ×/);
  await go(71);
  await expect(sentence).toContainText('0.992');
  await expect(sentence).not.toContainText('0.994');
  await expect(sentence).not.toContainText('carboy');
  await expect(sentence).toContainText('14 bottles of it are filled already');
  await page.goto('/batches');
  await expect(row()).toContainText('0.992');
  await expect(row()).not.toContainText('0.994');
  await page.goto('/cellar');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('14 bottles of 1 wine');

  // One is drunk: both pages know how many are left.
  await go(120);
  await sayLine(page, 'opened 1 apple', /Opened · 1 bottle/);
  await expect(sentence).toContainText('14 bottles of it are filled already, 13 left');
  await page.goto('/cellar');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('13 bottles of 1 wine');
});
