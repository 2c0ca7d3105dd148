import { live, sayLine } from './kitchen';
import { expect, test } from './test';

test('blackberries in two jars of which one stands still, in UK units: each is told by itself, on the day it is read and after', async ({
  page
}) => {
  const { sentence, go } = await live(page, 'uk', '2026-06-01T18:00:00+01:00', [
    '6 lb blackberries',
    '5 lb sugar',
    '1.3 uk gal water'
  ]);
  await expect(sentence).toContainText('Blackberry, day 1');
  const history = page.getByRole('region', { name: 'What happened' });

  await sayLine(page, 'ph 3.2', /pH 3\.2/);
  await go(1);
  await sayLine(page, 'pitched wine yeast', /Yeast in/);
  await go(6);
  await sayLine(page, 'squeezed the fruit', /Fruit out/);
  await go(9);
  await sayLine(page, 'sg 1.018', /1\.018/);
  // Into the jars in the order in which they are said.
  await sayLine(page, 'racked into the 5 l jar and the 1 uk gal jar', /to 5 L jar.*to 1 UK gal jar/);

  await go(20);
  await sayLine(page, '5 l jar sg 0.996', /0\.996.*5 L jar/);
  await sayLine(page, '1 uk gal jar sg 1.010', /1\.010.*1 UK gal jar/);
  await go(40);
  // What was read three weeks ago is told with its day.
  await expect(sentence).toContainText('0.996 in the 5 L jar on 21 Jun');
  await sayLine(page, '5 l jar sg 0.992', /0\.992/);
  await sayLine(page, '1 uk gal jar sg 1.009', /1\.009/);
  await expect(sentence).toContainText('The 1 UK gal jar is behind: almost certainly stuck with sugar left');
  await expect(sentence).not.toContainText('The 5 L jar is behind');
  await expect(sentence).not.toContainText('On course');
  await expect(history.getByRole('listitem').filter({ hasText: '1.009' })).toContainText('1 UK gal jar');

  // Acid of one jar: its own, and it moves with what goes in.
  await sayLine(page, '5 l jar ph 3.6', /pH 3\.6.*5 L jar/);
  await sayLine(page, 'ta 5.2 in the 5 l jar', /TA 5\.2.*5 L jar/);
  const acid = page.getByText(/Acid in the 5 L jar:/);
  await expect(acid).toContainText('5.2 g/L, pH 3.60 measured');
  await expect(page.getByText(/Acid in the 1 UK gal jar:/)).toContainText('by the sums');
  await sayLine(page, '10 g tartaric in the 5 l jar', /tartaric.*5 L jar/);
  await expect(acid).toContainText('as measured, and what went in since');
  await expect(acid).not.toContainText('5.2 g/L');

  // Far on, the lists and the answers say the same.
  await go(100);
  await expect(sentence).toContainText('1.009 in the 1 UK gal jar on 11 Jul');
  await page.keyboard.press('/');
  await page.getByLabel('Say it in one line').fill('is it safe to bottle');
  await expect(page.getByTestId('means')).toContainText(/No\. In the 1 UK gal jar: Do not bottle this\./);
  await page.goto('/batches');
  await expect(
    page
      .getByRole('main')
      .getByRole('link', { name: /^Blackberry/ })
      .first()
  ).toContainText(/0\.99\d, 1\.009/);
});
