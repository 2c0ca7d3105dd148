import { addToSlip, demo, draftHolds, openDemo, openPlan, read, openWine } from './kitchen';
import { expect, test, type Page } from './test';

const DAY = 86_400_000;

/** The demo's gooseberry: dry, still, in two jars. */
const gooseberry = (page: Page) => openDemo(page, 'Gooseberry');
const form = (page: Page, name: string) => page.getByRole('form', { name, exact: true });
const open = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();
const history = (page: Page) => page.getByRole('region', { name: 'What happened' });

test('one jar is stabilised and sweetened by the glass one liked, blind, and the other stays as it is', async ({
  page
}) => {
  await gooseberry(page);
  await open(page, 'Sweeten');
  const sweeten = form(page, 'Sweeten');
  // A dry wine with living yeast: said before anything goes in, with the way out.
  await expect(sweeten.getByTestId('sweeten-alive')).toContainText('Its yeast lives');
  await sweeten.getByRole('button', { name: 'Stabilise first' }).click();
  const both = form(page, 'Stabilise');
  await expect(both.getByTestId('stabilise-dose')).toContainText(/g\s*potassium sorbate/);
  await expect(both.getByTestId('stabilise-stop')).toBeHidden();
  await both.getByRole('button', { name: 'Both are in' }).click();
  await expect(both).toBeHidden();
  await expect(history(page)).toContainText(/potassium metabisulphite, .* potassium sorbate/);

  await open(page, 'Sweeten');
  await expect(sweeten.getByTestId('sweeten-alive')).toBeHidden();
  await sweeten.getByRole('button', { name: 'by the glass' }).click();
  await sweeten.getByLabel(/Blind/).check();
  // Of five glasses the one that holds 12 g/L, whatever its letter.
  const pours = sweeten.getByText('For who pours');
  await pours.click();
  const letter = (await sweeten
    .getByRole('row', { name: /12 g\/L/ })
    .getByRole('rowheader')
    .textContent())!;
  await sweeten.getByRole('button', { name: letter, exact: true }).click();
  await expect(sweeten.getByTestId('liked')).toContainText('12 g/L');
  // Five litres at 12 g/L are 60 g, of which 6 stand in the glasses that go back.
  await expect(sweeten.getByTestId('sweeten-dose')).toContainText(/5[3-5] g/);
  await expect(sweeten.getByTestId('sweeten-then')).toContainText('off-dry');
  await sweeten.getByRole('button', { name: 'It is in' }).click();
  // On the evening on which the powders went in it is asked about.
  await expect(sweeten.getByRole('alert')).toContainText('less than a day ago');
  await sweeten.getByRole('button', { name: 'It is so: write it down' }).click();
  await expect(sweeten).toBeHidden();
  await expect(history(page)).toContainText('Sample, poured back');
  await expect(page.getByRole('status')).toContainText('white sugar');

  // The other jar has nothing in it, and says so.
  await open(page, 'Sweeten');
  await sweeten.getByLabel('Which').selectOption({ label: '1 UK gal jar' });
  await expect(sweeten.getByTestId('sweeten-alive')).toBeVisible();
  await sweeten.getByRole('button', { name: 'With erythritol' }).click();
  await expect(sweeten.getByTestId('sweeten-alive')).toBeHidden();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  // The stabilised one may go into bottles, sweet, once it is clear; its twin is judged by itself.
  await open(page, 'Bottle');
  await form(page, 'Bottle').getByLabel('It is clear and drops no more').check();
  await expect(page.getByTestId('pressure')).not.toContainText('Do not bottle');
});

test('who never reads is told on bottling day what is known, why that is not enough, and the ways there are', async ({
  page
}) => {
  await demo(page);
  await openWine(page, /Linden/);
  await expect(page.getByTestId('batch-sentence')).toContainText('Never read');
  const worst = /at worst it could reach ([\d.]+ bar)/.exec(
    await page.getByTestId('unsafe').innerText()
  )![1]!;
  await page.goto(`${page.url()}/bottling`);
  await page.getByRole('button', { name: /5 L jar.*Not yet/s }).click();
  await page.getByRole('button', { name: 'Count the bottles' }).click();
  const pressure = page.getByTestId('pressure');
  // The same figure as on its own page.
  await expect(pressure).toContainText(worst);
  await expect(pressure).toContainText('a guess fills no bottle; a stem settles it');
  await expect(page.getByRole('button', { name: 'These' })).toBeDisabled();
  await page.getByRole('link', { name: /Heated in the bottle/ }).click();
  const bottle = form(page, 'Bottle');
  await bottle.getByText('Heated in the bottle').click();
  await bottle.getByLabel(/^Core/).fill('64');
  await bottle.getByLabel(/^Held so long/).fill('30');
  await expect(pressure).toContainText('no yeast lives in it');
  await bottle.getByLabel(/^Held so long/).fill('3');
  await expect(pressure).toContainText('Do not bottle this');
});

test('the target is moved on the field, by keys, and the doses follow', async ({ page }) => {
  await gooseberry(page);
  await open(page, 'Sweeten');
  const field = page.getByRole('slider', { name: /Sweet and sharp/ });
  const dose = page.getByTestId('sweeten-dose');
  const grams = async () => parseFloat((await dose.textContent())!);
  const before = await grams();
  await field.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(grams).toBeGreaterThan(before + 40);
  // Sharper it does not get: it stands at pH 3.1. Softer it does, with what takes acid away.
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await expect(form(page, 'Sweeten')).toContainText('No further');
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowDown');
  await expect(form(page, 'Sweeten')).toContainText(/and [\d.]+ g potassium bicarbonate/);
  await form(page, 'Sweeten').getByRole('button', { name: 'It is in' }).click();
  await expect(history(page)).toContainText(/white sugar, .* potassium bicarbonate/);
});

test('a wine that still works is not stabilised without a word, and what went in too early keeps nothing', async ({
  page
}) => {
  await demo(page);
  await openWine(page, /Quince/);
  await open(page, 'Stabilise');
  const both = form(page, 'Stabilise');
  await expect(both.getByTestId('stabilise-stop')).toContainText('Not shown to be finished');
  await both.getByRole('button', { name: 'Both are in' }).click();
  await expect(both.getByRole('alert')).toContainText('do not count at bottling');
  await both.getByRole('button', { name: 'It is so: both are in' }).click();
  await expect(both).toBeHidden();
  // Given too early, it keeps nothing.
  await open(page, 'Sweeten');
  await expect(page.getByTestId('sweeten-alive')).toBeVisible();
});

test('a haze is told apart by three tests, and cleared in two parts with a timer between', async ({
  page
}) => {
  await gooseberry(page);
  await open(page, 'Clear');
  const clear = form(page, 'Clear');
  await clear.getByRole('button', { name: 'hazy', exact: true }).click();
  await clear.getByRole('button', { name: 'nothing in spirit' }).click();
  await clear.getByRole('button', { name: 'not blue with iodine' }).click();
  await clear.getByRole('button', { name: /flocks when heated/ }).click();
  await expect(clear.getByTestId('haze')).toContainText('Bentonite takes it down');
  // What helps against it, and nothing else.
  await expect(clear.getByRole('radio')).toHaveCount(3);
  await clear.getByRole('radio', { name: /Two-part finings.*On the label: crustaceans/ }).check();
  await expect(clear.getByTestId('fining-dose')).toHaveText([/3 g\s*Kieselsol/, /10 g\s*Chitosan/]);
  await clear.getByRole('button', { name: 'It is in' }).click();
  await expect(clear).toBeHidden();
  await expect(history(page)).toContainText('hazy, nothing in spirit');
  await expect(history(page)).toContainText(/g kieselsol, first part/);
  // The hour runs at the foot of every page; then the second part alone is asked for.
  await expect(page.getByText(/then chitosan/).first()).toBeVisible();
  await open(page, 'Clear');
  await clear.getByRole('radio', { name: /Two-part finings/ }).check();
  await expect(clear.getByTestId('fining-dose')).toHaveText([/10 g\s*Chitosan/]);
  await clear.getByRole('button', { name: 'It is in' }).click();
  await expect(history(page)).toContainText(/g chitosan, second part/);
  // A hazy wine is not to be stabilised.
  await open(page, 'Stabilise');
  await expect(form(page, 'Stabilise').getByTestId('stabilise-stop')).toContainText('Not clear yet');
});

test('three wines are blended to an acid, in a larger jar, and each batch knows what it gave', async ({
  page
}) => {
  await gooseberry(page);
  await open(page, 'Blend');
  const blend = form(page, 'Blend');
  await blend.getByLabel('Acid, g/L').fill('5');
  // A wine that nobody read has fermented all the same: it is told as on its own page.
  await expect(blend).toContainText(/Linden blossom.*1[01]\.\d %/s);
  // The jar is full: as near as it gets is not near.
  await expect(blend.getByTestId('blended')).toContainText('As near as it gets');
  await blend.getByLabel(/^Into/).selectOption({ label: 'the 10 L jar, empty' });
  await expect(blend.getByTestId('blended')).not.toContainText('As near as it gets');
  await expect(blend.getByTestId('blended')).toContainText('5.0 g/L acid');
  await expect(blend).toContainText('Yeast of one can take the sugar of another');
  const makes = /Makes ([\d.]+) L/.exec((await blend.getByTestId('blended').innerText())!)![1];
  await blend.getByRole('button', { name: 'They are together' }).click();
  await expect(blend).toBeHidden();
  await expect(history(page)).toContainText('Blended in');
  await expect(page.getByTestId('batch-sentence')).toContainText('L in the');
  // One deed: the racking and the wines are taken back together.
  expect(Number(makes)).toBeGreaterThan(5.5);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(history(page)).not.toContainText('Blended in');
});

/** A plain wine, ten litres or more, dry and still for a fortnight, in one jar; the clock stands at its bottling. */
async function plainWine(
  page: Page,
  { sugar, water, jar } = { sugar: '2.2 kg', water: '9 L', jar: '10 L jar' }
): Promise<number> {
  const start = Date.parse('2026-03-02T10:00:00Z');
  await page.clock.setSystemTime(start);
  await openPlan(page);
  await addToSlip(page, `${sugar} white sugar`);
  await addToSlip(page, `${water} water`);
  await page.getByRole('textbox', { name: 'Call it' }).fill('Plain');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('Plain');
  await page.clock.setSystemTime(start + 1.5 * DAY);
  await page.getByRole('button', { name: 'Yeast in' }).first().click();
  await page.getByRole('button', { name: 'Yeast is in' }).click();
  await page.clock.setSystemTime(start + 40 * DAY);
  await page.getByRole('button', { name: 'Rack', exact: true }).click();
  await page.getByLabel(/^Into/).selectOption({ label: jar });
  await page.getByRole('button', { name: 'It is racked' }).click();
  await page.clock.setSystemTime(start + 60 * DAY);
  await read(page, '0.986', '20');
  await page.clock.setSystemTime(start + 75 * DAY);
  await read(page, '0.986', '20');
  return start + 75 * DAY;
}

test('eighteen bottles are primed; a test bottle is a job a fortnight later, and what it shows is heeded', async ({
  page
}) => {
  const day = await plainWine(page);
  await page.goto(`${page.url()}/bottling`);
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true }).first();
  await button(/10 L jar/).click();
  await button('Yes, clear').click();
  await button('Count the bottles').click();
  await page.getByLabel('And also').selectOption('0.5 crown');
  await button('None of 750 mL Still, corked').click();
  await expect(page.getByTestId('bottle-count')).toHaveText(/^1[89]$/);
  await button('fizzy').click();
  await expect(page.getByTestId('priming')).toContainText('of white sugar');
  await expect(page.getByTestId('pressure')).not.toContainText('Do not bottle this');
  await button('These').click();
  await button(/^(Go on|All clean)/).click();
  await button(/^all 1\d/).click();
  await button('The jar is empty').click();
  await expect(page.getByTestId('all-bottled')).toBeVisible();
  await page.getByRole('link', { name: 'To the batch' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText(/1[89] bottles/);

  // Nothing for a fortnight; then one bottle is to be opened.
  await page.clock.setSystemTime(day + 5 * DAY);
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Plain' })).toBeHidden();
  await page.clock.setSystemTime(day + 15 * DAY);
  await page.goto('/');
  const card = page.getByRole('article', { name: 'Plain' });
  await expect(card).toContainText('Open a test bottle');
  await card.getByRole('button', { name: 'it gushed' }).click();
  const danger = page.getByRole('region', { name: 'Danger: Plain' });
  await expect(danger).toContainText(/1[78] bottles that could burst/);
  await expect(danger).toContainText('gushed');
  // It was another wine's: taken back, and what was found is fizz, as it should be.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(danger).toBeHidden();
  await card.getByRole('button', { name: 'fizzy' }).click();
  await expect(card).toBeHidden();
  await expect(danger).toBeHidden();

  // Months later a still one is no surprise, and a gushing one is.
  await openWine(page, /Plain/);
  await expect(page.getByTestId('batch-sentence')).toContainText(/1[89] bottles/);
  await page.clock.setSystemTime(day + 90 * DAY);
  await open(page, 'Open a bottle');
  await page
    .getByRole('group', { name: /opened/ })
    .getByRole('button', { name: 'it gushed' })
    .click();
  await expect(page.getByTestId('batch-sentence')).toContainText('They could burst');
});

test('a sweet wine is heated in its bottles, and only then closed', async ({ page }) => {
  await plainWine(page);
  await open(page, 'Sweeten');
  const sweeten = form(page, 'Sweeten');
  await expect(sweeten.getByTestId('sweeten-alive')).toContainText('heat it in its bottles');
  await sweeten.getByRole('button', { name: 'medium', exact: true }).click();
  await sweeten.getByRole('button', { name: /It is in/ }).click();
  await expect(sweeten).toBeHidden();
  await open(page, 'Bottle');
  const pressure = page.getByTestId('pressure');
  await expect(pressure).toContainText('Do not bottle this');
  await page.getByText('Heated in the bottle', { exact: true }).click();
  await page.getByLabel(/^Core/).fill('63');
  await expect(page.getByTestId('hold')).toContainText('19 min');
  await page.getByTestId('hold').getByRole('button', { name: 'Start its timer' }).click();
  await expect(page.getByRole('region', { name: 'Timers' })).toContainText('bath');
  await page.getByLabel('Held so long, min').fill('5');
  await expect(pressure).toContainText('Do not bottle this');
  await page.getByLabel('Held so long, min').fill('25');
  await expect(pressure).not.toContainText('Do not bottle this');
  await page.getByLabel('Bottles', { exact: true }).fill('12');
  await page.getByRole('button', { name: 'It is bottled' }).click();
  await expect(page.getByTestId('batch-sentence')).toContainText('12 bottles');
  await expect(page.getByTestId('batch-sentence')).not.toContainText('could burst');
  await expect(history(page)).toContainText(/heated, 63.*for 25 min/);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('thirty mixed bottles in one evening: no more than forty taps, and nothing typed', async ({
    page
  }) => {
    await plainWine(page, { sugar: '3.8 kg', water: '16 L', jar: '6 US gal carboy' });
    const url = page.url();
    await page.goto(`${url}/bottling`);
    let taps = 0;
    const tap = async (name: string | RegExp) => {
      await page.getByRole('button', { name, exact: true }).first().tap();
      taps++;
    };
    await tap(/6 US gal carboy/);
    await tap('Yes, clear');
    await tap('Count the bottles');
    for (const kind of ['0.5 crown', '0.375 still']) {
      await page.getByLabel('And also').selectOption(kind);
      taps += 2;
    }
    await tap('None of 750 mL Still, corked');
    for (let i = 0; i < 3; i++) await tap('One more of 375 mL Still, corked');
    const counts = (await page.getByTestId('bottle-count').allInnerTexts()).map(Number);
    const all = counts.reduce((a, b) => a + b, 0);
    expect(all).toBeGreaterThanOrEqual(30);
    await tap('These');
    await tap(/^(Go on|All clean)/);
    // One tap a bottle, and one for those that were filled in a row.
    for (let i = 1; i <= 20; i++) {
      await tap(/full: one more of 500 mL/);
      await expect(page.getByTestId('filled')).toHaveText(String(i));
    }
    await tap(/^all \d+/);
    await tap(/^all 3/);
    await expect(page.getByTestId('filled')).toHaveText(String(all));
    await tap('The jar is empty');
    await expect(page.getByTestId('all-bottled')).toBeVisible();
    expect(taps).toBeLessThanOrEqual(40);
    await page.goto(url);
    await expect(page.getByTestId('batch-sentence')).toContainText(`${all} bottles`);
  });

  test('bottling day: two evenings, two sizes, by taps alone, over a closed tab', async ({ page }) => {
    await gooseberry(page);
    await page.getByRole('link', { name: 'Bottling day' }).tap();
    await expect(page.getByRole('heading', { name: 'Which jar?' })).toBeVisible();
    let taps = 1;
    let bottles = 0;
    const tap = async (name: string | RegExp) => {
      await page.getByRole('button', { name, exact: true }).first().tap();
      taps++;
    };
    const fill = async (count: number) => {
      for (let i = 0; i < count; i++) {
        await page.getByRole('button', { name: /full: one more/ }).tap();
        bottles++;
        await expect(page.getByTestId('filled')).toHaveText(String(i + 1));
      }
    };
    await tap(/tall 5 L jar/);
    await tap('Yes, clear');
    await tap('Count the bottles');
    await page.getByLabel('And also').selectOption('0.33 crown');
    taps += 2;
    // Five litres, less what the siphon leaves: six of 750 mL, one of 330; three of the first, and eight of the other.
    const counts = page.getByTestId('bottle-count');
    await expect(counts).toHaveText(['6', '1']);
    for (let i = 0; i < 3; i++) await tap(/One less of 750 mL/);
    await expect(counts).toHaveText(['3', '8']);
    // Fizz in corked bottles is stopped, with the bottles that are made for it; still it is let through.
    await tap('fizzy');
    await expect(page.getByTestId('priming')).toContainText('of white sugar');
    await expect(page.getByTestId('pressure')).toContainText('Do not bottle this');
    await expect(page.getByRole('button', { name: 'These' })).toBeDisabled();
    await tap('still');
    await tap('These');
    await expect(page.getByText('3 bottles of 750 mL, still, corked')).toBeVisible();
    await tap(/^Go on/);
    await fill(3);
    // The tab dies; what was counted stands.
    await draftHolds(page, /0.75 still:3/);
    await page.reload();
    await expect(page.getByTestId('filled')).toHaveText('3');
    for (let i = 3; i < 8; i++) {
      await page.getByRole('button', { name: /full: one more of 330 mL/ }).tap();
      bottles++;
    }
    await expect(page.getByTestId('filled')).toHaveText('8');
    await tap(/8 bottles tonight, the rest stays/);
    await expect(page.getByRole('status')).toContainText('8 bottles of Gooseberry');
    // Five litres less three of 750 mL and five of 330: what is left is the jar's, with its air.
    await expect(page.getByRole('button', { name: /tall 5 L jar/ })).toContainText(/1\.\d L.*of air over it/);
    expect(taps - 1).toBeLessThanOrEqual(14);
    expect(bottles).toBe(8);

    // The second evening: the rest of it, all at once, and the jar is empty.
    await tap(/tall 5 L jar/);
    await tap('Count the bottles');
    await tap('These');
    await tap(/^(Go on|All clean)/);
    await page
      .getByRole('button', { name: /^all \d/ })
      .first()
      .tap();
    await tap('The jar is empty');
    await expect(page.getByRole('button', { name: /tall 5 L jar/ })).toBeHidden();
    await expect(page.getByRole('button', { name: /1 UK gal jar/ })).toContainText('4.3 L');
    await page.getByRole('link', { name: 'Gooseberry' }).first().tap();
    await expect(history(page)).toContainText('3 × 750 mL, 5 × 330 mL');
  });
});

test('acid is tried in glasses, blind, and the glass one likes goes into the jar', async ({ page }) => {
  await gooseberry(page);
  await open(page, 'In glasses');
  const trial = form(page, 'Try it in glasses');
  await trial.getByLabel('What is tried').selectOption('Tartaric acid');
  await trial.getByLabel('Blind: somebody else pours').check();
  await trial.getByRole('group', { name: 'The glass you like' }).getByRole('button').nth(2).click();
  // Which glass it was is told once one is chosen; a plain one asks for nothing.
  await expect(trial.getByTestId('liked')).toContainText(/was \d(\.\d+)? g\/L/);
  await trial.getByLabel('Blind: somebody else pours').uncheck();
  await trial.getByRole('button', { name: 'C', exact: true }).click();
  await expect(trial.getByTestId('liked')).toContainText('1 g/L sharper');
  // Five litres at a gram a litre, less what stands in the glasses and goes back.
  await expect(trial.getByTestId('trial-dose')).toContainText(/4\.\d g/);
  await expect(trial.getByTestId('trial-then')).toContainText(/acid, pH \d\.\d\d/);
  await trial.getByRole('button', { name: 'It is in' }).click();
  await expect(trial).toBeHidden();
  await expect(history(page)).toContainText(/Tartaric acid|tartaric acid/);

  // Another wine by the glass: it comes out of its own jar.
  await open(page, 'In glasses');
  await trial.getByLabel('What is tried').selectOption('Quince');
  await trial.getByRole('button', { name: 'B', exact: true }).click();
  await expect(trial.getByTestId('trial-dose')).toContainText('of quince');
  await trial.getByRole('button', { name: 'It is in' }).click();
  await expect(trial).toBeHidden();
  await expect(history(page)).toContainText('Quince');
});

test('gas is told by a shaken bottle, with the ways to let it out', async ({ page }) => {
  await gooseberry(page);
  await open(page, 'Clear');
  const clear = form(page, 'Clear');
  await clear.getByRole('button', { name: 'still holds gas' }).click();
  await expect(clear.getByTestId('degas')).toContainText('A drill with a paddle');
  await clear.getByRole('button', { name: 'free of gas' }).click();
  await expect(clear.getByTestId('degas')).toBeHidden();
});
