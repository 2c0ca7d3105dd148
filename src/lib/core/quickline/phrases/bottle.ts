import type { LeftBy } from '../../ledger/events/open';
import { BOTTLE_L, type BottleType } from '../../tables/bottles';
import { figureAt, plainText } from '../../units/number';
import type { CommandOf } from '../command';
import { ask, read, take, type Context, type Piece, type Read } from '../context';
import { lostOf } from './move';
import { perLitre, takePriming } from './prime';
import { fluid, litresIn } from './volume';

const TYPES: [BottleType, RegExp][] = [
  ['keg', /\bkegs?\b/],
  ['swing', /\b(?:swing|flip)(?:\s*|-)tops?\b/],
  ['screw', /\bscrew(?:\s*|-)?(?:caps?|capped|tops?)\b/],
  ['plastic', /\bplastic\b/],
  ['crown', /\b(?:crown(?:s|ed)?(?:\s+cap(?:s|ped)?)?|beer)\b/],
  ['sparkling', /\b(?:champagne|sparkling|wired|fizz)\b/],
  ['still', /\b(?:still|corked|cork(?:s)?)\b/]
];
const WORD =
  'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|eighteen|twenty|thirty|a\\s+dozen|half\\s+a\\s+dozen|an?';
const FILLED = new RegExp(
  `(?<![\\w.,])(\\d+|(?:${WORD})\\b)(?!\\s*(?:ml|cl|l|g|kg|oz|lbs?|tsps?|tbsps?|teaspoons?|tablespoons?|cups?|campden|tablets?|packets?|drops?|cubes?)\\b)(?![\\d.,]*\\d)\\s*(?:(?:x|of|times)\\s*)?(?:(half|halves)(?:\\s*bottles?)?|(\\d+(?:[.,]\\d+)?\\s*(?:ml|cl|l|litres?|liters?))(?:\\s*bottles?)?|(\\d+(?:[.,]\\d+)?\\s*(?:ml|cl|l)))?(?:[\\s,]*bottles?)?`
);

/** That wine went into bottles. */
export const BOTTLED = new RegExp(
  `\\bbottled(?:\\s+it)?\\b|\\b(?:filled|corked|capped)(?=\\s+(?:\\d+|${WORD})\\b[^,]*\\bbottles?\\b)`
);

const DOZENS = /\b(\d+|one|two|three)\s+dozen\b/g;
/** `5 x 750`, `6 x 75`: what stands on a bottle, without its unit. */
const BARE_SIZE =
  /\b(x|times)\s*([1-9]\d{1,3})(?=\s*(?:$|[,;]|and\b|&|\+|bottles?\b|from\b|of\b|in\b|with\b|still\b|cork|crown|beer\b|screw|swing|champagne\b|sparkling\b|wired\b))/g;

/** The kind of bottle that a piece names, taken out of it; null where it names none. */
function takeType(p: Piece): BottleType | null {
  for (const [id, pattern] of TYPES) if (take(p, pattern)) return id;
  return null;
}

/** Wine into bottles, of several sizes. */
export function readBottle(p: Piece, ctx: Context, line: string): Read | null {
  if (!take(p, BOTTLED)) return null;
  // Before the bottles are counted: half a pint is none.
  const lossL = lostOf(p, ctx);
  p.text = fluid(p.text);
  if (/\b(?:an?|\d+|one|two|three)\s+cases?\b/.test(p.text)) {
    p.text = '';
    return ask('amount', 'How many bottles is that? Such as: bottled 12.');
  }
  p.text = p.text.replace(DOZENS, (_, n: string) => `${12 * figureAt(n)!.n}`);
  // Before the bottles are counted: a spoon in each is none.
  const primed = takePriming(p, ctx, line);
  if (primed && 'asks' in primed) {
    p.text = '';
    return primed;
  }
  p.text = p.text.replace(BARE_SIZE, (_, x: string, n: string) => `${x} ${n} ${n.length > 2 ? 'ml' : 'cl'}`);
  const bottles: CommandOf<'bottle'>['bottles'] = [];
  // Each part of a list has its own kind; a kind that is said once is of all.
  const parts = p.text.split(/,|\band\b|&|\+/).map((text): Piece => ({ text }));
  const kinds = parts.map(takeType);
  const said = kinds.filter((x) => x !== null);
  for (const [i, part] of parts.entries())
    for (;;) {
      const m = take(part, FILLED);
      const count = m && figureAt(m[1]!.replace(/\s+/g, ' '))?.n;
      if (!m || !count) break;
      const size = m[3] ?? m[4];
      const sizeL = m[2] ? BOTTLE_L / 2 : size ? sizeOf(size) : BOTTLE_L;
      if (sizeL === null || !Number.isInteger(count) || count < 1 || count > 2000)
        return ask('amount', 'How many bottles, and of what size?');
      bottles.push({ count, sizeL, type: kinds[i] ?? said[0] ?? 'still' });
    }
  p.text = parts.map((x) => x.text).join(' , ');
  // The size may stand behind the kind.
  const size = take(p, /(\d+(?:[.,]\d+)?\s*(?:ml|cl|l)\b)/);
  const sizeL = size && sizeOf(size[1]!);
  if (sizeL && bottles.length === 1) bottles[0]!.sizeL = sizeL;
  if (bottles.length === 0) return ask('amount', 'How many bottles, and of what size?');
  const primingGL = primed && perLitre(primed, bottles);
  if (primed && primingGL === null) {
    p.text = '';
    return ask(
      'amount',
      'So much sugar in each bottle, or in all of them together?',
      ['in each', 'in all'].map((how) => ({ label: how, line: `${line} ${how}` }))
    );
  }
  return read({
    kind: 'bottle',
    bottles,
    ...(primingGL === null ? {} : { primingGL }),
    ...(lossL === null ? {} : { lossL })
  });
}

function sizeOf(text: string): number | null {
  const litres = litresIn(plainText(text), { volume: 'L', country: 'metric' });
  return litres !== null && litres >= 0.05 && litres <= 20 ? litres : null;
}

/** How bottles leave a cellar, by the word for it. */
const LEFT: [how: LeftBy, verb: string][] = [
  ['opened', 'opened|drank|drunk'],
  ['given', 'gave\\s+away|gave|given(?:\\s+away)?|presented'],
  ['broken', 'broke|smashed|dropped|lost'],
  ['swapped', 'swapped|traded']
];
/** What stands behind the verb: so many bottles, or for what is opened or broken a bare number. */
const bottlesAfter = (verb: string, isBare: boolean): RegExp =>
  new RegExp(
    `\\b(?:${verb})\\s+(\\d+|${WORD})\\s*(?:bottles?\\b|of\\s+them\\b${isBare ? '|(?=,|\\s+(?:and|with|at|for)\\b|$)' : ''})`
  );
const GAVE_AWAY = new RegExp(
  `\\bgave\\s+(?:away\\s+(\\d+|${WORD})(?=\\s+to\\b|\\s*(?:,|$))|(\\d+|${WORD})\\s+away\\b)`
);
const LEAVING = LEFT.map(
  ([how, verb]) => [how, bottlesAfter(verb, how === 'opened' || verb.startsWith('broke'))] as const
);

/** `a bottle broke`, `two of the bottles burst`. */
const WENT = new RegExp(
  `\\b(\\d+|${WORD})\\s+(?:of\\s+(?:the|my)\\s+)?bottles?\\s+(?:has\\s+|have\\s+|got\\s+)?(broke(?:n)?|smashed|burst|exploded|blew\\s+up)\\b`
);

/** `the neighbours` stays as it is; a name gets its capital back, which the line has lost. */
const named = (text: string): string =>
  /^(?:the|my|our|a|an|some)\b/.test(text) ? text : text.replace(/(^|[\s-])\p{L}/gu, (x) => x.toUpperCase());

/** Bottles that were opened, with what was found; given, broken, swapped. */
export function readOpen(p: Piece): Read | null {
  // A cork that went by itself: there is gas in there.
  const popped = take(
    p,
    /\b(?:(\d+|an?|one|two|three)\s+)?corks?\s+(?:has\s+|have\s+)?(?:popped|blew|blown|went|come\s+out|came\s+out|pushed\s+out)(?:\s+(?:out|off))?\b/
  );
  if (popped) return read({ kind: 'open', count: figureAt(popped[1] ?? 'one')?.n ?? 1, found: 'fizzy' });
  const went = take(p, WENT);
  if (went)
    return read({
      kind: 'open',
      count: figureAt(went[1]!)?.n ?? 1,
      how: 'broken',
      // Glass that bursts by itself has gas in it.
      ...(/burst|explode|blew/.test(went[2]!) ? { found: 'gushing' as const } : {})
    });
  for (const [how, pattern] of LEAVING) {
    const m = take(p, pattern) ?? (how === 'given' ? take(p, GAVE_AWAY) : null);
    if (!m) continue;
    const count = figureAt(m[1] ?? m[2]!)?.n ?? 1;
    if (how === 'given' || how === 'swapped') {
      const to = take(p, how === 'given' ? /\b(?:away\s+)?to\s+([^,]{2,80})$/ : /\bfor\s+([^,]{2,80})$/);
      take(p, /\baway\b/);
      return read({ kind: 'open', count, how, ...(to ? { to: named(to[1]!.trim()) } : {}) });
    }
    if (how === 'broken') return read({ kind: 'open', count, how });
    const found = take(
      p,
      /\b(?:and\s+)?(?:it\s+)?(?:was\s+|were\s+)?(?:(gush(?:ed|ing)|foamed\s+out)|(fizz(?:y|ed|ing)|sparkl(?:ing|ed))|(still|flat|quiet))\b/
    );
    // With whom, or at what, is kept beside it.
    const company = take(p, /\b(?:with|at|for)\s+(?:the\s+|my\s+|our\s+|some\s+)?[a-z][a-z' -]{2,60}$/);
    const beside = company ? [{ kind: 'note' as const, text: company[0].trim() }] : [];
    return read(
      {
        kind: 'open',
        count,
        ...(found ? { found: found[1] ? 'gushing' : found[2] ? 'fizzy' : 'still' } : {})
      },
      ...beside
    );
  }
  return null;
}
