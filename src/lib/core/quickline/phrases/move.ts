import { BOTTLE_L } from '../../tables/bottles';
import { figureAt } from '../../units/number';
import type { Ask, CommandOf } from '../command';
import { ask, leftOf, read, take, type Context, type Piece, type Read } from '../context';
import { askedOf, fluid, JAR, litresIn, takeVolume, VOLUME } from './volume';

const PRESSED = /(?<!\d\s*(?:kg|g|lbs?|oz|pounds?|l)\s+(?:of\s+)?)\bpress(?:ed)?(?:\s+(?:it|the\s+fruit))?\b/;
const SQUEEZED = /\b(?:and\s+)?squeezed(?:\s+(?:it|the\s+(?:bag|fruit)))?\b/;
const OUT =
  /\b(?:(?:took|take|taken|lifted|fished|removed|pulled)(?:\s+out)?\s+(?:the\s+)?(?:fruit|bag|pulp|petals|flowers|roots)(?:\s+out)?|(?:fruit|bag|pulp|petals|flowers|roots)\s+(?:is\s+|are\s+)?out|strained(?:\s+(?:it|off|out|the\s+\w+))*(?:\s+(?:off|out))?(?:\s+through\s+(?:(?:a|the|my|some)\s+)?(?:fine\s+)?(?:sieve|strainer|muslin|cheesecloth|cloth|bag|net))?)\b/;

/** The fruit lifted out. */
export function readFruitOut(p: Piece, ctx: Context): Read | null {
  const pressed = take(p, PRESSED);
  const squeezed = pressed ? null : take(p, SQUEEZED);
  const out = take(p, OUT);
  if (!pressed && !squeezed && !out) return null;
  if ((pressed || squeezed) && !out)
    take(p, /\b(?:and\s+)?(?:took|taken|lifted|fished)\s+(?:it|them)\s+out\b/);
  if (out && !pressed && !squeezed) take(p, /\b(?:and\s+)?(?:let\s+(?:it|them)\s+)?drip(?:ped)?\b/);
  const volumeL = takeVolume(
    p,
    new RegExp(`(?:\\bgot\\s+)?(${VOLUME})(?:\\s+(?:left|out|came\\s+out))?`),
    ctx
  );
  return read({
    kind: 'fruit-out',
    press: pressed ? 'press' : squeezed ? 'squeeze' : 'drip',
    ...(volumeL === null ? {} : { volumeL })
  });
}

const RACKED =
  /\b(?:rack(?:ed|ing)?|siphon(?:ed)?|syphon(?:ed)?|transfer(?:red)?|moved(?=\s+(?:it|to|into|\d))|split(?=\s+(?:(?:it|the\s+wine)\s+)?(?:in|into|to|between)\b)|put(?=\s+(?:it|the\s+wine)\s+(?:in|into)\b)|(?:put|poured|joined|combined)(?=\s+(?:both|all|the\s+(?:two|three|four))\b[^,]*\b(?:together|jars?|carboys?|demijohns?)\b[^,]*\b(?:in|into)\b)|decanted)(?:\s+(?:it|over|the\s+wine))*(?:\s+off(?:\s+(?:(?:the|its|their)\s+)?(?:(?:gross|fine|heavy)\s+)?(?:lees|sediment))?)?(?:\s+(?:it|over))*\b/;
const LOST = [
  new RegExp(`\\b(?:lost|loss(?:\\s+of)?|lees(?:\\s+of)?)\\s+(${VOLUME})`),
  new RegExp(
    `\\b(?:left|leaving)\\s+(?:behind\\s+)?(${VOLUME})(?:\\s+behind|\\s+of\\s+(?:the\\s+)?(?:lees|sediment))?`
  ),
  new RegExp(`(${VOLUME})\\s+(?:was\\s+|were\\s+)?(?:lost|left\\s+behind|of\\s+lees|lees|loss)`)
];
const NOTHING_LOST =
  /\b(?:(?:lost|left|leaving|losing|loss(?:\s+of)?|lees)\s*:?\s+(?:behind\s+)?(?:about\s+)?(?:0(?![.,]?\d)(?:\s*(?:l|ml|litres?|liters?|gal|qt|pt|pints?|quarts?)\b)?|zero|nothing|none|no\s+(?:lees|sediment|wine))(?:\s+behind)?|(?:with\s+|without\s+)?(?:no|any|a)\s+(?:loss(?:es)?|waste)|nothing\s+(?:was\s+)?(?:lost|wasted)|no\s+(?:lees|sediment)(?:\s+left)?)\b|\b(?:lost|left|loss)\s+0(?![.,\d])/;
/** What was lost, or stayed behind, L; null where nobody says. */
export function lostOf(p: Piece, ctx: Context): number | null {
  if (take(p, NOTHING_LOST)) return 0;
  let lossL: number | null = null;
  for (const pattern of LOST) lossL ??= takeVolume(p, pattern, ctx);
  return lossL;
}
const COUNT = '(\\d+|one|two|three|four|five|six)';
const SIZED = new RegExp(
  `(?:${COUNT}\\s*(?:x|times|of)\\s*|${COUNT}\\s+(?=(?:${VOLUME})\\s*${JAR}))?(?:\\b(?:an?|the)\\s+)?(${VOLUME})(?:\\s*(${JAR}))?`
);
/** What is open at the top by its name: nothing else stands in for it. */
const openShape = (word: string | undefined): Pick<To, 'shape'> =>
  word?.startsWith('bucket') ? { shape: 'bucket' } : word?.startsWith('barrel') ? { shape: 'barrel' } : {};
/** Nothing of it is left where it stood, or what is left stays there. */
const THAT_WAS_ALL =
  /\b(?:(?:that|it)(?:\s+(?:was|is)|'s)\s+(?:all(?:\s+(?:of\s+it|there\s+was))?|it|the\s+lot|everything)|(?:was\s+)?all\s+of\s+it(?!\s+(?:in)?to\b)|all\s+there\s+was|(?:the\s+)?(?:bucket|jar|carboy|demijohn|fermenter|it)\s+(?:is|was)\s+(?:now\s+)?empty|emptied\s+it)\b/;
const REST_STAYS =
  /\b(?:(?:and\s+)?(?:the\s+)?(?:rest|remainder|others?)\s+(?:stays|stayed|is\s+still|is\s+left|remains|left)(?:\s+(?:where\s+it\s+(?:is|was)|there|behind|in\s+(?:the\s+)?(?:it|bucket|jar|carboy|demijohn)))?|(?:leaving|left|kept)\s+the\s+(?:rest|remainder)(?:\s+(?:there|in\s+(?:the\s+)?(?:it|bucket|jar|carboy|demijohn)))?)\b/;
/** Out of a vessel, and into the same one once it was washed. */
const BACK = new RegExp(
  `(?:\\b(${VOLUME})\\s+)?\\b(?:back\\s+)?(?:in)?to\\s+(?:the\\s+|its\\s+)?(?:same|own|old)(?:\\s+(?:washed|cleaned|clean|rinsed|glass|saniti[sz]ed))*(?:\\s+${JAR})?(?:\\s*,?\\s*(?:washed|cleaned|rinsed)(?:\\s+out)?)?|(?:\\b(${VOLUME})\\s+)?\\bback\\s+(?:in)?to\\s+(?:it|(?:the\\s+)?(?:(?:washed|cleaned|clean|rinsed)\\s+)+${JAR})(?:\\s+(?:washed|cleaned))?`
);
/** The volume that came out, said behind the vessel. */
const OUT_OF_IT = new RegExp(
  `^[\\s,:(]*(${VOLUME})(?:\\s+(?:of\\s+it|in\\s+all|came\\s+out|of\\s+wine))?[\\s,)]*$`
);
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const POURED = new RegExp(`(${VOLUME})\\s+(?:to|into|in)\\s+(?:the\\s+)?([^,]*)`);
type To = CommandOf<'transfer'>['to'][number];

const ONE_JAR = new RegExp(`^[\\s,]*(?:in)?to\\s+(?:an?\\s+|the\\s+|my\\s+)?(${VOLUME})\\s*(${JAR})(?!\\w)`);

/** So many empty vessels are named where one has to choose. */
const NAMED = 5;
/** What takes so much of it, as a share, takes all that is clear. */
const MOST_OF_IT = 0.95;
const SUCH = 'another|clean|empty|fresh|new|saniti[sz]ed|second|sterili[sz]ed';
/** A vessel without its size or its name. */
const SOME_JAR = new RegExp(`\\s*\\b(?:in)?to\\s+(?:(?:the|an?|my|${SUCH})\\s+)*(?:${JAR}|glass)\\b`);

/** What may stand before a size, and says no more of it. */
const OF_A_JAR = new RegExp(
  `\\b(?:(?:glass|${SUCH})\\s+)+(?=\\d|(?:gal(?:lon)?|quart|pint|lit(?:re|er))\\b)`,
  'g'
);

/** The line once for each empty vessel that it could mean: closed ones that take the wine first, the smallest first. */
function emptyOnes(ctx: Context, line: string): Ask['choices'] {
  const here = ctx.wines.find((w) => w.id === ctx.hereId) ?? ctx.wines[0];
  const rank = (v: Context['vessels'][number]) =>
    (v.isOpen ? 2 : 0) + (v.capacityL < MOST_OF_IT * (here?.volumeL ?? 0) ? 1 : 0);
  return ctx.vessels
    .filter((v) => v.wineId === undefined)
    .sort((a, b) => rank(a) - rank(b) || a.capacityL - b.capacityL)
    .slice(0, NAMED)
    .map((v) => ({
      label: v.name,
      line: line.replace(RACKED, (x) => `${x} to the ${v.name.toLowerCase()}`).replace(SOME_JAR, '')
    }));
}

/** All of it, in whatever it stands. */
const EVERYTHING = new RegExp(
  `\\b(?:everything|(?:both|all|every|each|the\\s+(?:two|three|four))(?:\\s+(?:of|the|my|it|them|two|three|four|${JAR}))*)(?:\\s+back)?(?:\\s+together)?(?:\\s+again)?(?=\\s+(?:to|into|in)\\b)`
);

/** The vessels that are named before where it goes: `jar 1 and jar 2 into the bucket`. */
function takeSources(p: Piece, ctx: Context, named: (v: Context['vessels'][number]) => string): string[] {
  const into = /\b(?:to|into|in)\b/.exec(p.text);
  if (!into) return [];
  const before: Piece = { text: p.text.slice(0, into.index) };
  const found = [...ctx.vessels]
    .sort((a, b) => b.name.length - a.name.length)
    .filter((v) => take(before, new RegExp(`\\b(?:and\\s+)?(?:the\\s+)?${named(v)}\\b`)));
  if (found.length > 0) p.text = `${before.text} ${p.text.slice(into.index)}`;
  return found.map((v) => v.id);
}

/** So many bottles, of what size there are. */
const INTO_BOTTLES = new RegExp(
  `\\b(?:in)?to\\s+(?=(?:\\d+|[a-z]+)\\s+(?:x\\s+|of\\s+)?(?:(${VOLUME})\\s*)?bottles(?!\\w))`
);
/** Larger ones are jars with a narrow neck. */
const LARGEST_BOTTLE_L = 1.5;

/** Wine from one vessel into others, or from several. */
export function readRack(p: Piece, ctx: Context, line: string): Read | null {
  if (!take(p, RACKED)) return null;
  p.text = fluid(p.text.replace(OF_A_JAR, ''));
  const bottles = INTO_BOTTLES.exec(p.text);
  const bottleL = bottles?.[1] ? litresIn(bottles[1].replace(/-/g, ' '), ctx) : BOTTLE_L;
  if (bottles && (bottleL ?? 0) <= LARGEST_BOTTLE_L) {
    p.text = '';
    return ask('what', 'Into bottles for good, or into jars?', [
      { label: 'bottled', line: line.replace(RACKED, 'bottled').replace(INTO_BOTTLES, '') }
    ]);
  }
  const lossL = lostOf(p, ctx);
  const rest = take(p, THAT_WAS_ALL) ? 'none' : take(p, REST_STAYS) ? 'stays' : undefined;
  const same = take(p, BACK);
  if (same) {
    const said = same[1] ?? same[2];
    const outL = said ? litresIn(said.replace(/-/g, ' '), ctx) : takeVolume(p, OUT_OF_IT, ctx);
    return read({
      kind: 'transfer',
      to: [],
      back: outL ? { volumeL: outL } : {},
      ...(lossL === null ? {} : { lossL }),
      ...(rest ? { rest } : {})
    });
  }
  const to: To[] = [];
  // `5 l jar` is no part of `4.5 l jar`.
  const named = (v: Context['vessels'][number]) => `(?<![\\d.,])${escaped(v.name.toLowerCase())}`;
  const from = ctx.vessels.find(
    (v) =>
      take(p, new RegExp(`\\b(?:from|out\\s+of)\\s+(?:the\\s+)?${named(v)}\\b`)) ??
      take(p, new RegExp(`^[\\s,]*(?:the\\s+)?${named(v)}\\s+(?=(?:to|into|in)\\b)`))
  );
  const each = !from && take(p, EVERYTHING) !== null;
  const out = from || each ? [] : takeSources(p, ctx, named);
  const isInto = /\b(?:to|into|in)\b/.test(p.text);
  // How much came out in each: `4 l to the green jar and 3 l to a 5 l jar`.
  for (;;) {
    const m = POURED.exec(p.text);
    const volumeL = m && litresIn(m[1]!.replace(/-/g, ' '), ctx);
    if (!m || volumeL === null) break;
    const named = ctx.vessels.find((v) => m[2]!.trim().startsWith(v.name.toLowerCase()));
    const size = new RegExp(`^\\s*(?:an?\\s+)?(${VOLUME})(?:\\s*${JAR})?`).exec(m[2]!);
    const sizeL = size && litresIn(size[1]!.replace(/-/g, ' '), ctx);
    if (!named && !sizeL) break;
    const used = named ? m[2]!.indexOf(named.name.toLowerCase()) + named.name.length : size![0].length;
    const end = m.index + m[0].length - m[2]!.length + used;
    p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(end)}`;
    to.push(named ? { vesselId: named.id, volumeL } : { sizeL: sizeL!, volumeL });
  }
  // The longest name is looked for first; they are filled in the order in which they are said.
  const said = p.text;
  const into = [...ctx.vessels]
    .sort((a, b) => b.name.length - a.name.length)
    .filter((v) => take(p, new RegExp(`\\b(?:(?:to|into|in)\\s+)?(?:the\\s+)?${named(v)}\\b`)))
    .map((v) => ({ vesselId: v.id, at: said.search(new RegExp(`\\b${named(v)}\\b`)) }));
  to.push(...into.sort((a, b) => a.at - b.at).map(({ vesselId }) => ({ vesselId })));
  // A jar by its size and its word, then how much of it came out.
  const jar = to.length === 0 ? ONE_JAR.exec(p.text) : null;
  const jarL = jar && litresIn(jar[1]!.replace(/-/g, ' '), ctx);
  if (jar && jarL && OUT_OF_IT.test(p.text.slice(jar[0].length))) {
    to.push({ sizeL: jarL, ...openShape(jar[2]) });
    p.text = p.text.slice(jar[0].length);
  }
  if (to.length === 1 && to[0]!.volumeL === undefined) {
    const outL = takeVolume(p, OUT_OF_IT, ctx);
    if (outL !== null) to[0]!.volumeL = outL;
  }
  for (;;) {
    const m = SIZED.exec(p.text);
    const sizeL = m && litresIn(m[3]!.replace(/-/g, ' '), ctx);
    if (!m || sizeL === null) break;
    take(p, SIZED);
    const times = figureAt(m[1] ?? m[2] ?? '1')?.n ?? 1;
    for (let i = 0; i < Math.min(20, times); i++) to.push({ sizeL, ...openShape(m[4]) });
  }
  if (to.length === 0) take(p, SOME_JAR);
  const left = leftOf(p);
  if (to.length === 0 || (!isInto && to.every((t) => !t.vesselId) && to.length === 1)) {
    const asked = askedOf(p.text, ctx);
    p.text = '';
    if (asked) return ask('amount', asked);
    return ask(
      'vessel',
      left && isInto ? `Which vessel is “${left}”?` : 'Racked into what? Name the jar, or its size.',
      left && isInto ? [{ label: 'keep it as a note', line: `note: ${line}` }] : emptyOnes(ctx, line)
    );
  }
  return read({
    kind: 'transfer',
    to,
    ...(from ? { vesselId: from.id } : out.length === 1 ? { vesselId: out[0]! } : {}),
    ...(out.length > 1 ? { vesselIds: out } : {}),
    ...(each ? { each } : {}),
    ...(rest ? { rest } : {}),
    ...(lossL === null ? {} : { lossL })
  });
}

const ALL_OF_IT =
  '(?:it\\s+all|all\\s+of\\s+it|all(?:\\s+the\\s+wine)?|everything|the\\s+(?:whole\\s+)?(?:lot|rest|wine))';
const AWAY = '(?:away|out|down\\s+the\\s+(?:sink|drain|toilet)|on(?:to)?\\s+the\\s+compost)';
const THROWN = new RegExp(
  `\\b(?:poured|tipped|threw|thrown|chucked)\\s+${AWAY}(?:\\s+(?:${ALL_OF_IT}|it)\\b)?|\\b(?:poured|tipped|threw|thrown|chucked)\\s+(?=.*\\b${AWAY}\\b)(?:(?:${ALL_OF_IT}|it)\\b)?|\\bdumped\\b(?:\\s+(?:${ALL_OF_IT}|it)\\b)?`
);
const ALL_DRUNK = new RegExp(`\\b(?:drank|drunk)\\s+${ALL_OF_IT}\\b|\\ball\\s+drunk\\b`);
const ALL_LOST = new RegExp(
  `\\b(?:spil(?:t|led)|lost)\\s+${ALL_OF_IT}\\b|\\b${ALL_OF_IT}\\s+leaked(?:\\s+out)?\\b`
);

/** Wine that is gone: spilt, boiled off, drawn for a glass. */
export function readGone(p: Piece, ctx: Context): Read | null {
  if (take(p, ALL_DRUNK)) return read({ kind: 'loss', how: 'drunk' });
  if (take(p, ALL_LOST)) return read({ kind: 'loss', how: 'spilt' });
  if (take(p, THROWN)) {
    take(p, new RegExp(`\\b${AWAY}\\b`));
    const volumeL = takeVolume(p, new RegExp(`(${VOLUME})(?:\\s+of(?:\\s+it)?\\b)?`), ctx);
    return read({ kind: 'loss', how: 'poured-away', ...(volumeL === null ? {} : { volumeL }) });
  }
  const boiled = /\bboil(?:ed|ing)?\s+(?:off|away)\b/.test(p.text);
  const spilt = /\b(?:spil(?:t|led)|lost|leaked)\b/.test(p.text);
  if (boiled || spilt) {
    take(p, /\b(?:boil(?:ed|ing)?\s+(?:off|away)|spil(?:t|led)|lost|leaked)\b/);
    const volumeL = takeVolume(p, new RegExp(`(${VOLUME})`), ctx);
    take(p, /\bof\s+(?:the\s+)?(?:lees|sediment|wine|it)\b/);
    return volumeL === null
      ? ask('amount', `How much was ${boiled ? 'boiled off' : 'spilt'}?`)
      : read({ kind: 'loss', volumeL, how: boiled ? 'boiled-off' : 'spilt' });
  }
  if (
    !take(
      p,
      /\b(?:(?:took|drew)\s+out\b|(?:took(?!\s+(?:its|the|a)\s+temp)|drew)\s+(?:off\s+)?(?:a\s+sample(?:\s+of)?)?|sampled?(?:\s+of)?|drank|drew)\b/
    )
  )
    return null;
  const volumeL = takeVolume(p, new RegExp(`(${VOLUME})`), ctx);
  take(p, /\bout\b|\bsample\b/);
  const returned = take(p, /\b(?:and\s+)?(?:poured|put|gave)(?:\s+it)?\s+back\b|\breturned\b/) !== null;
  return volumeL === null
    ? ask('amount', 'How much was drawn?')
    : read({ kind: 'sample', volumeL, returned });
}
