import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { addToSlip, measureIn, openPlan } from './kitchen';

const DAY = 86_400_000;

/** Amounts in units that a household does not use; concentrations such as g/L are everybody's. */
const FOREIGN = {
  us: /\d\s?(?:kg|L|mL|°C|UK \w+)(?![\w/])|\blitres?\b/i,
  uk: /\d\s?(?:kg|L|mL|°F|US \w+)(?![\w/])|\blitres?\b/i,
  mixed: /\d\s?(?:kg|°F|US \w+|UK \w+)(?![\w/])/
} as const;

/**
 * What stands on the page, less what one chooses a unit or a vessel from, whose names are the household's own, and
 * bottles, which are told by what stands on them in every country.
 */
async function foreignOn(page: Page, system: keyof typeof FOREIGN): Promise<string[]> {
  const text = await page.evaluate(() => {
    const copy = document.body.cloneNode(true) as HTMLElement;
    for (const e of copy.querySelectorAll('option, script, style, [data-own-name]')) e.remove();
    document.body.append(copy);
    const said = copy.innerText;
    copy.remove();
    return said;
  });
  return text
    .split('\n')
    .map((line) =>
      line.replace(
        /\b(?:\d+ L|1 UK gal|1 US gal|5 US gal|6 US gal) (?:bucket|jar|bottle|carboy|demijohn|barrel)\w*|× [\d.]+ m?L\b/g,
        ''
      )
    )
    .filter((line) => FOREIGN[system].test(line));
}

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
