import { expect, test as base, type Page } from '@playwright/test';

/** Errors that a test brings about itself, by what they say. */
type Expected = { expectErrors: (pattern: RegExp) => void };

/** Every test fails on an error that no page caught, in whichever tab it happened. */
export const test = base.extend<Expected>({
  expectErrors: [
    async ({ context }, use) => {
      const seen: string[] = [];
      const expected: RegExp[] = [];
      const watch = (page: Page) => {
        page.on('pageerror', (e) => seen.push(`${page.url()}: ${e.stack ?? e.message}`));
        // What a page's own boundary caught is a fault all the same.
        page.on('console', (m) => {
          if (m.type() === 'error' && m.text().startsWith('page fault'))
            seen.push(`${page.url()}: ${m.text()}`);
        });
      };
      context.pages().forEach(watch);
      context.on('page', watch);
      await use((pattern) => void expected.push(pattern));
      const odd = seen.filter((e) => !expected.some((x) => x.test(e)));
      expect(odd, 'no page error').toEqual([]);
    },
    { auto: true }
  ]
});

export { expect, type Page };
