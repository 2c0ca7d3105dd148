import { expect, test as base, type Page } from '@playwright/test';

/** Errors that a test brings about itself, by what they say. */
type Expected = { expectErrors: (pattern: RegExp) => void };

/** Reports figures that no page turned into the household's measures: they bear their marks still. */
function watchMarks(): void {
  const marks = /[\uE000\uE001]/;
  const look = (text: string | null | undefined) => {
    if (text && marks.test(text)) console.error(`page fault: a figure was not said: ${text.slice(0, 200)}`);
  };
  const LABELS = ['aria-label', 'title', 'placeholder'];
  new MutationObserver((records) => {
    for (const r of records) {
      if (r.type === 'attributes') look((r.target as Element).getAttribute(r.attributeName!));
      else if (r.type === 'characterData') look(r.target.nodeValue);
      else for (const node of r.addedNodes) if (node.nodeName !== 'SCRIPT') look(node.textContent);
    }
  }).observe(document, {
    subtree: true,
    childList: true,
    characterData: true,
    attributes: true,
    attributeFilter: LABELS
  });
}

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
      await context.addInitScript(watchMarks);
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
