import type { Ingredient } from '../../plan/plan';
import { ask, leftOf, read, some, take, type Context, type Piece, type Read } from '../context';
import { readItem, readItems } from '../items';
import { ofWine, takeLoosely, whichOf } from '../loose-vessel';
import { takeVessel, takeWho } from '../who';
import { fluid, JAR, litresIn, takeVolume, VOLUME } from './volume';

const ADDED =
  /\b(?:add(?:ed|ing)?|put\s+in|stirred\s+in|pour(?:ed)?(?:\s+(?:in|over|on))?(?!\s+(?:it\s+)?back)|threw\s+in|mixed\s+in|in\s+went|went\s+in|(?:fed|dosed)(?:\s+it)?(?:\s+with)?|gave\s+it|(?:fined|stabili[sz]ed|(?:back[\s-]*)?sweetened|sulph?f?ited|acidified)\s+with|dilut(?:ed|e)(?:\s+with)?|watered\s+down(?:\s+with)?)\b|^[\s,]*\+/;

/** What it goes over, said beside what goes in. */
const OVER =
  /\b(?:over|on(?:to)?)\s+(?:it|them|(?:(?:the|my)\s+)?(?:fruit|petals|flowers|flower\s+heads|heads|roots|pulp|must|berries|leaves|peel|lot))\b/g;

/** What goes in. */
export function readAddition(p: Piece, ctx: Context, line: string): Read | null {
  const lead = take(p, ADDED);
  const text = p.text
    .replace(/\b(?:in|into|to)\s+(?:it|the\s+(?:must|wine|jar|bucket))\b/g, ' ')
    .replace(OVER, ' ')
    .replace(/\b(\d+)\s*x\s+(?=[a-z])/g, '$1 ')
    .replace(/\b([a-z]+)\s+x\s*(\d+)(?=\s*(?:,|and\b|$))/g, '$2 $1')
    .replace(/^[\s,]*put\s+(?:in\s+)?(.*?)(?:\bin\b)?(?=\s*(?:,|$))/, '$1')
    .replace(/\s+in\s*(?=,|:)/, '')
    .replace(/\b(?:in|it|then|also)\s*$/, ' ')
    .replace(/^[\s,+]*(?:and|then|also)?\s+/, '')
    .replace(/^[\s,;:+]+|[\s,;:.]+$/g, '');
  if (!text) return lead ? ask('amount', 'What went in, and how much?') : null;
  const { items, wrong } = readItems(text, ctx, line);
  // Without a verb and without an amount of anything it is no addition.
  const isOne =
    lead !== null ||
    items.length > 0 ||
    wrong.some((w) => w.asks[0]!.about !== 'word') ||
    /^(?:[.,]?\d|[½¼¾]|an?\s|some\s)/.test(text);
  if (!isOne) return null;
  p.text = '';
  return some(items.length > 0 ? [{ kind: 'addition', items }] : [], wrong);
}

const WATER = '(?:(?:cold|cool|boiled|cooled|hot|boiling|warm|tap|spring|plain)\\s+)*water';
const MADE_UP = new RegExp(
  `\\b(?:(?:topp?(?:ed)?|made|make|filled|brought)(?:\\s+it)?(?:\\s+up)?(?:\\s+with\\s+${WATER})?|(?:added\\s+)?${WATER}(?:\\s+(?:in|up))?)\\s+to\\s+(?:the\\s+)?(${VOLUME})(?!\\s*${JAR})(?:\\s+(?:mark|line|level))?(?:\\s+with\\s+(${WATER})?)?`
);

/** Water up to a mark. With anything else it is none: how much went in has to be said. */
export function readMakeUp(p: Piece, ctx: Context, line: string): Read | null {
  const own: Piece = { text: p.text };
  const m = take(own, MADE_UP);
  const toL = m && litresIn(m[1]!.replace(/-/g, ' '), ctx);
  if (!m || toL === null) return null;
  if (/with\s+$/.test(m[0]) && !m[2]) {
    p.text = '';
    return ask('amount', 'How much of it went in? Say it with its unit: the mark tells it of water alone.');
  }
  p.text = own.text;
  const said = m[0].trim();
  // A jar of wine may be filled up with wine.
  if (/^(?:top|filled)/.test(said) && !/water/.test(said))
    return ask('amount', 'Filled up with what, and how much?', [
      { label: 'water, up to that mark', line: line.replace(said, `${said} with water`) }
    ]);
  return read({ kind: 'make-up', toL });
}

const GAS =
  /\b(?:gas(?:\s+over\s+(?:it|the\s+\w+))?|flushed(?:\s+with)?(?:\s+(?:co2|carbon\s+dioxide|gas|argon|nitrogen))?)\b/;

/** Another wine that is poured in, by its name: it is no fruit, though it is called so. */
function wineIn(text: string, ctx: Context): Read | null {
  const own: Piece = { text };
  const volumeL = takeVolume(own, new RegExp(`(${VOLUME})`), ctx);
  const from = takeWho(own, ctx).filter((w) => w.id !== ctx.hereId);
  if (from.length === 0 || leftOf(own)) return null;
  if (from.length > 1) return ask('batch', 'Which wine was it topped up with?');
  if (volumeL === null) return ask('amount', `How much of the ${from[0]!.name} went in?`);
  return read({ kind: 'blend', fromBatchId: from[0]!.id, volumeL });
}

/** Air taken from over a wine. */
export function readTopUp(p: Piece, ctx: Context, line: string): Read | null {
  const lead = take(p, /\btop(?:ped)?(?:\s+it)?\s+up(?:\s+with)?\b/);
  if (take(p, GAS)) return read({ kind: 'top-up' });
  if (!lead) return null;
  const text = p.text
    .replace(/\b(?:boiled|cooled|like|of)\b/g, ' ')
    .replace(/[\s,;:]+/g, ' ')
    .trim();
  if (!text) return ask('amount', 'Topped up with what, and how much?');
  p.text = '';
  const wine = wineIn(text, ctx);
  if (wine) return wine;
  const found = readItem(text, ctx, line);
  return 'item' in found ? read({ kind: 'top-up', item: found.item }) : found.wrong;
}

const FROM_ONE =
  /^[\s,]*(?:i\s+)?top(?:ped)?(?:\s+up)?\s+(.+?)(?:\s+up)?\s+(?:from|out\s+of|with\s+(?:the\s+)?(?:wine|rest|wine\s+left)\s+(?:from|in|of))\s+(.+?)[\s,.]*$/;

/** One vessel of a wine filled to the neck out of another: `topped up the carboy from the 1 qt jar`. */
export function readTopUpFrom(p: Piece, ctx: Context, line: string): Read | null {
  const m = FROM_ONE.exec(p.text);
  if (!m) return null;
  const meant = m.slice(1).map((words) => {
    const own: Piece = { text: `in ${fluid(words)}` };
    const exact = takeVessel(own, ctx);
    const those = exact ? [exact] : ofWine(takeLoosely(own, ctx)?.vessels ?? [], ctx.hereId);
    return { words, vessels: leftOf(own) ? [] : those };
  });
  if (meant.some((x) => x.vessels.length === 0)) return null;
  p.text = '';
  const unclear = meant.find((x) => x.vessels.length > 1);
  if (unclear) return whichOf(unclear.vessels, unclear.words, line);
  const [to, from] = meant.map((x) => x.vessels[0]!.id);
  return read({ kind: 'transfer', vesselId: from!, to: [{ vesselId: to! }], toNeck: true });
}

const STEEPED = /\b(?:steep(?:ed|ing)?|hung\s+in|hang\s+in|hung|dry[\s-]+hopped(?:\s+with)?)\b/;
const STEEP_OUT =
  /\b(?:took|take|lifted)\s+(?:the\s+)?(?:oak|hops|chips|cubes|cocoa|spice|vanilla|steep)\s+out\b|\b(?:oak|hops|chips|cubes|cocoa|steep)\s+(?:is\s+)?out\b/;
const FOR = /\b(?:for|taste\s+in|taste\s+after)\s+(\d+|an?|one|two|three|four)\s+(days?|weeks?|months?)\b/;
const NUMBER: Record<string, number> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4 };

/** Oak, hops or fruit hung in a wine, and taken out. */
export function readSteep(p: Piece, ctx: Context, line: string): Read | null {
  if (take(p, STEEP_OUT)) return read({ kind: 'steep-out' });
  if (!take(p, STEEPED)) return null;
  const long = take(p, FOR);
  const each = long?.[2]!.startsWith('week') ? 7 : long?.[2]!.startsWith('month') ? 30 : 1;
  const text = p.text.replace(/[\s,;:]+$/g, '').replace(/^[\s,;:]+/, '');
  if (!text) return ask('amount', 'What was hung in, and how much?');
  // Of what bears one name, the one that is hung in is meant.
  const { items, wrong } = readItems(
    text.replace(/\boak\b(?!\s+(?:chips|cubes|leaves))/, 'oak chips'),
    ctx,
    line
  );
  p.text = '';
  const days = long ? { days: each * (NUMBER[long[1]!] ?? Number(long[1])) } : {};
  return some(items.length > 0 ? [{ kind: 'steep', items: items as Ingredient[], ...days }] : [], wrong);
}

/** Wine of one batch into another. @param takeWine takes a wine's name out of the piece */
export function readBlend(
  p: Piece,
  ctx: Context,
  takeWine: (p: Piece) => readonly { id: string; name: string }[]
): Read | null {
  if (!take(p, /\bblend(?:ed)?(?:\s+in)?\b/)) return null;
  const volumeL = takeVolume(p, new RegExp(`(${VOLUME})(?:\\s+of)?`), ctx);
  // `into the quince` says where it goes: what is left names where it comes from.
  const into = /\binto\b.*$/.exec(p.text);
  const rest: Piece = { text: into ? p.text.slice(0, into.index) : p.text };
  const goes: Piece = { text: into?.[0] ?? '' };
  const from = takeWine(rest);
  const to = takeWine(goes);
  p.text = goes.text;
  if (leftOf(rest)) return null;
  if (volumeL === null) return ask('amount', 'How much was blended in?');
  if (from.length !== 1) return ask('batch', 'Which wine was blended in?');
  return read({
    kind: 'blend',
    fromBatchId: from[0]!.id,
    volumeL,
    ...(to.length === 1 ? { batchId: to[0]!.id } : {})
  });
}
