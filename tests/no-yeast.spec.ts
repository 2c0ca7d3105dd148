import { live, sayLine } from './kitchen';
import { expect, test } from './test';

test('elderflower by the kitchen spoon, whose yeast is forgotten: it is asked for until it is in, named by its flowers, sweetened and bottled as it was held', async ({
  page
}) => {
  const { sentence, go } = await live(page, 'uk', '2026-06-01T18:00:00+01:00', [
    '10 heads elderflower',
    '1 kg sugar',
    '4 l water',
    '2 lemons'
  ]);
  await expect(sentence).toContainText('Elderflower, day 1');
  const next = page.getByRole('region', { name: 'What comes next' });

  // Strained on the fifth day, with no yeast: whatever is done after, the yeast is asked for, and on every screen.
  await go(5);
  await sayLine(page, 'strained through a sieve', /Fruit out/);
  await go(8);
  await expect(sentence).toContainText('No yeast is in it yet');
  await expect(sentence).not.toContainText('On course');
  await expect(next).toContainText(/^Next\s*Yeast in, \d d late/);
  // It is three days from the yeast, were it to go in today.
  await expect(next).toContainText('Into glass, in 3 d');
  await page.goto('/');
  await expect(page.locator('article', { hasText: 'Elderflower' }).first()).toContainText('Yeast in');
  await page.goto('/batches');
  await expect(page.getByRole('main')).toContainText('Must, before the yeast');
  await expect(page.getByRole('main').getByRole('link', { name: /^Elderflower/ })).toContainText('Yeast in');

  // Half a teaspoon, and it works.
  await go(8.1);
  await sayLine(page, 'pitched half a teaspoon of wine yeast', /Yeast in · 2 g/);
  await expect(sentence).not.toContainText('No yeast');
  await go(14);
  await sayLine(page, 'a bubble every 5 seconds', /1 bubble in 5 s/);
  await expect(sentence).toContainText(/Never read:\s+(likely )?still working/);

  // Into what nobody named: the empty ones are offered, the one that takes it first.
  await page.keyboard.press('/');
  const box = page.getByLabel('Say it in one line');
  await box.fill('moved to the demijohn, left half a cup');
  await expect(page.getByTestId('asks')).toContainText('Racked into what?');
  await page.keyboard.press('Alt+1');
  await expect(box).toHaveValue(/to the 1 uk gal jar, left half a cup/);
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
  await expect(sentence).toContainText('in the 1 UK gal jar');

  // Read at its end, held by both, sweetened: it keeps its sugar, and what was read before is told so.
  await go(60);
  await sayLine(page, '0.988', /0\.988/);
  await go(70);
  await sayLine(page, '0.988', /0\.988/);
  await sayLine(page, '1.5 g sorbate and 3 campden', /potassium sorbate/);
  await go(71);
  await sayLine(page, 'added 60 g sugar', /60 g|oz/);
  await expect(sentence).toContainText('before its sugar');
  const asked = async (line: string) => {
    await page.keyboard.press('/');
    await box.fill(line);
    const answer = await page.getByTestId('means').first().innerText();
    await page.keyboard.press('Escape');
    // What is pressed while it closes is typed into it.
    await expect(box).toBeHidden();
    return answer;
  };
  await expect.poll(() => asked('is it safe to bottle?')).toContain('Once it is clear');
  await sayLine(page, 'clear', /clear/);
  await expect.poll(() => asked('is it safe to bottle?')).toContain('Yes, under cork');
  const abv = async () => (await page.getByTestId('abv-now').innerText()).trim();
  const before = await abv();
  await go(200);
  expect(await abv()).toBe(before);
  await sayLine(page, 'bottled 5 bottles, lost half a pint', /Bottled · 5 ×/);
  await expect(sentence).toContainText('5 bottles');
  await page.goto('/cellar');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('5 bottles');
});
