import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { addToSlip, demo, measureIn, openPlan } from './kitchen';

const DAY = 86_400_000;

/** Amounts in units that a household does not use; concentrations such as g/L are everybody's. */
const FOREIGN = {
  us: /\d\s?(?:kg|L|mL|°C|UK \w+)(?![\w/])|\blitres?\b/i,
  uk: /\d\s?(?:kg|L|mL|°F|US \w+)(?![\w/])|\blitres?\b/i,
  mixed: /\d\s?(?:kg|°F|US \w+|UK \w+)(?![\w/])/,
  metric: /\d\s?(?:lb|oz|°F|US \w+|UK \w+|cups?|pints?|quarts?)(?![\w/])/
} as const;

/** What no scale, spoon or hydrometer shows: nothing of something, a fifth decimal, a sum that failed. */
const NO_FIGURE =
  /(?<![\d.,])-?0(?:\.0+)?\s?(?:kg|g|lb|oz|L|mL|US \w+|UK \w+|s)(?![\w/])|\d\.\d{5}|\bNaN\b|\bundefined\b|Infinity|\[object/;

/**
 * What stands on the page, less what one chooses a unit or a vessel from, whose names are the household's own, what is
 * quoted as somebody may type it, and bottles, which are told by what stands on them in every country.
 */
async function textOn(page: Page): Promise<string[]> {
  const text = await page.evaluate(() => {
    const copy = document.body.cloneNode(true) as HTMLElement;
    for (const e of copy.querySelectorAll('option, script, style, [data-own-name]')) e.remove();
    for (const e of copy.querySelectorAll('details')) e.open = true;
    // What a field proposes is said too.
    for (const e of copy.querySelectorAll('input[placeholder]'))
      e.replaceWith((e as HTMLInputElement).placeholder);
    document.body.append(copy);
    const said = copy.innerText;
    copy.remove();
    return said;
  });
  return text
    .split('\n')
    .map((line) =>
      line.replace(
        /\b(?:\d+ L|1 UK gal|1 US gal|5 US gal|6 US gal) (?:bucket|jar|bottle|carboy|demijohn|barrel)\w*|(?:×|·|each) [\d.]+ m?L\b|^[\d.]+ mL$|“[^”]*”/g,
        ''
      )
    );
}

const foreignOn = async (page: Page, system: keyof typeof FOREIGN): Promise<string[]> =>
  (await textOn(page)).filter((line) => FOREIGN[system].test(line));

for (const system of ['us', 'uk', 'mixed'] as const)
  test(`one wine in ${system} units from fruit to bottle, with no foreign unit on any screen`, async ({
    page
  }) => {
    const start = Date.now();
    const seen: string[] = [];
    const look = async (where: string) => {
      // What was just asked for has been drawn.
      await page.evaluate(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))));
      for (const line of await foreignOn(page, system)) seen.push(`${where}: ${line.trim()}`);
      for (const line of (await textOn(page)).filter((t) => NO_FIGURE.test(t)))
        seen.push(`${where}: ${line.trim()}`);
    };
    await measureIn(page, system);
    await look('settings');
    // However fast it opens, Plan opens in the household's units.
    await openPlan(page);
    const unit = system === 'us' ? 'US gal' : system === 'uk' ? 'UK gal' : 'L';
    await addToSlip(page, '4 lb peaches');
    await addToSlip(page, '1 lb honey');
    await expect(page.getByLabel(/^Water: amount/)).toHaveAccessibleName(`Water: amount in ${unit}`);
    await look('plan');
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await expect(page.getByTestId('batch-sentence')).toContainText('Peach, day 1');
    const batch = page.url();
    await look('batch, day 1');
    const dayIs = async (day: number, path = batch) => {
      await page.clock.setFixedTime(start + day * DAY);
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    };
    await page.getByRole('button', { name: 'Read gravity' }).click();
    await look('read form');
    await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill('1.040');
    await look('a reading that is odd');
    await dayIs(1.1, '/');
    await look('today, day 2');
    await dayIs(1.6);
    await page.getByRole('button', { name: 'Yeast in' }).first().click();
    await look('yeast form');
    await page.getByRole('button', { name: 'Yeast is in' }).click();
    await expect(page.getByRole('form', { name: 'Yeast in' })).toBeHidden();
    await dayIs(8, '/');
    await look('today, day 9');
    await dayIs(8);
    await page.getByRole('button', { name: 'Fruit out', exact: true }).first().click();
    await look('fruit-out form');
    await page
      .getByRole('button', { name: /^The fruit is out|It is out|Fruit is out/ })
      .first()
      .click();
    await dayIs(9);
    await page.getByRole('button', { name: 'Rack', exact: true }).click();
    await look('rack form');
    await page.getByRole('button', { name: /It is racked/ }).click();
    await expect(page.getByRole('form', { name: 'Rack' })).toBeHidden();
    await look('batch in glass');
    for (const path of ['/harvest', '/bench', '/batches', '/plan/sheet']) {
      await dayIs(30, path);
      await look(path);
    }
    await dayIs(60, '/');
    await look('today, day 61');
    await dayIs(60);
    await page.getByRole('button', { name: 'Bottle', exact: true }).click();
    await look('bottle form');
    expect(seen).toEqual([]);
  });

/** Goes to a page as by a link, and waits until what it says stays the same for a moment. */
async function follow(page: Page, path: string) {
  await page.evaluate((href) => {
    const link = Object.assign(document.createElement('a'), { href });
    document.querySelector('main')!.append(link);
    link.click();
    link.remove();
  }, path);
  await expect(page).toHaveURL((url) => url.pathname === path);
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await page.waitForFunction(async () => {
    const before = document.body.innerText;
    await new Promise((r) => setTimeout(r, 150));
    return before === document.body.innerText;
  });
}

/** Pages whose measures are those of the book or of the glassware that they speak of. */
const OF_THE_TRADE = /^\/almanac\/sources|^\/bench\/(?:titration|measures)/;

/** Sums whose workings show densities from a table, which has five decimals. */
const DENSITIES = /^\/bench\/(?:hydrometer|spirit)/;

/** Of pages that are alike the first few stand for all. */
const ALIKE: readonly (readonly [RegExp, number])[] = [
  [/^\/almanac\/produce\//, 4],
  [/^\/batches\/compare/, 1]
];

for (const system of ['metric', 'us', 'uk', 'mixed'] as const)
  test(`every page of a lived household in ${system} units: no foreign unit, and no figure that nothing shows`, async ({
    page
  }) => {
    test.setTimeout(600_000);
    await demo(page);
    // The demo is metric.
    if (system !== 'metric') await measureIn(page, system);
    const seen: string[] = [];
    const known = new Set<string>(['/']);
    const waiting = ['/'];
    const counts = ALIKE.map(() => 0);
    for (let path = waiting.shift(); path !== undefined; path = waiting.shift()) {
      await follow(page, path);
      if (!OF_THE_TRADE.test(path))
        for (const line of await foreignOn(page, system)) seen.push(`${path}: ${line.trim()}`);
      for (const line of DENSITIES.test(path) ? [] : (await textOn(page)).filter((t) => NO_FIGURE.test(t)))
        seen.push(`${path}: ${line.trim()}`);
      const links = await page.evaluate(() =>
        [...document.querySelectorAll('a[href]')].map((a) => new URL((a as HTMLAnchorElement).href).pathname)
      );
      for (const link of links) {
        if (known.has(link) || link.startsWith('/api')) continue;
        known.add(link);
        const alike = ALIKE.findIndex(([of]) => of.test(link));
        if (alike >= 0 && ++counts[alike]! > ALIKE[alike]![1]) continue;
        waiting.push(link);
      }
    }
    expect(known.size).toBeGreaterThan(40);
    expect(seen).toEqual([]);
  });
