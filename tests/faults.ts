import axe from 'axe-core';
import type { Page } from './test';

/**
 * What is wrong with a page for those who cannot see it well, as `rule: elements`.
 * @param part the part of it that is looked at, by selector
 * @param rules only these; left out, all
 */
export async function faultsOf(page: Page, part = 'body', rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async ({ part, rules }) => {
      const { run } = (window as unknown as { axe: typeof axe }).axe;
      // Rows of one list are drawn alike.
      const where = { include: [part], exclude: ['li:nth-child(n + 9)'] };
      const { violations } = await run(where, {
        resultTypes: ['violations'],
        ...(rules ? { runOnly: { type: 'rule', values: rules } } : {})
      });
      return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
    },
    { part, rules }
  );
}

/** The same by day, and for its contrast by lamp: by the other light nothing else can differ. */
export async function faultsByDayAndLamp(page: Page, part?: string): Promise<string[]> {
  // Without motion: a colour on its way from one light to the other is nobody's.
  const light = (colorScheme: 'light' | 'dark') =>
    page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
  await light('light');
  const day = await faultsOf(page, part);
  await light('dark');
  const lamp = await faultsOf(page, part, ['color-contrast']);
  await light('light');
  return [...day, ...lamp];
}
