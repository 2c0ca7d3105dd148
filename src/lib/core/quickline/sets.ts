import { ask, read, type Context, type Read } from './context';
import { readItems } from './items';

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const SAVED = /^\s*my\s+([a-z][a-z0-9' -]{1,38}?)\s+(?:is|=|:)\s+(.+)$/;

/** What goes in together, told once: `my nutrient mix is 1 tsp nutrient and half a tsp dap`. */
export function readSet(line: string, ctx: Context): Read | null {
  const m = SAVED.exec(line);
  if (!m) return null;
  const [, name, what] = m as unknown as [string, string, string];
  const { items, wrong } = readItems(what, ctx, line);
  if (wrong.length > 0) return { commands: [], asks: wrong.flatMap((w) => w.asks) };
  if (items.length === 0) return ask('amount', `What is in your ${name}?`);
  return read({ kind: 'set', name: name.trim(), line: what.trim() });
}

/** A line with the household's own names for what goes in together in the place of what they stand for. */
export const withSets = (line: string, { sets = [] }: Pick<Context, 'sets'>): string =>
  [...sets]
    .sort((a, b) => b.name.length - a.name.length)
    .reduce(
      (text, { name, line: what }) =>
        // With an amount before it, it is a thing of that name.
        text.replace(
          new RegExp(
            `(^|\\b(?:added|add|put in|and|with|my|the|of)\\s+|[+,:]\\s*)(?:my\\s+|the\\s+)?${escaped(name.toLowerCase())}\\b`
          ),
          (_, before: string) =>
            `${/\b(?:my|the|of)\s+$/.test(before) ? before.replace(/(?:my|the|of)\s+$/, '') : before}${what}`
        ),
      line
    );
