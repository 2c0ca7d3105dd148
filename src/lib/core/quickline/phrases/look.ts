import type { CommandOf } from '../command';
import { ask, read, take, type Piece, type Read } from '../context';

type Look = Omit<CommandOf<'observation'>, 'kind'>;
type Key = 'cap' | 'foam' | 'taste' | 'clarity' | 'smell' | 'surface';

const CAP = '\\b(?:the\\s+)?cap\\s+(?:is\\s+|has\\s+|was\\s+)?(?:gone\\s+)?';
const TASTES = '\\b(?:it\\s+)?(?:still\\s+)?tast(?:es?|ed|ing)\\s*:?\\s*(?:still\\s+)?';
/** Where what was tasted ends. */
const END = '(?=$|[,;.]|\\band\\b)';
const SMELLS =
  '\\b(?:it\\s+)?smell(?:s|ed)?\\s+(?:(?:a\\s+(?:bit|little|touch|hint)|slightly|faintly)\\s+)?(?:of\\s+|like\\s+)?';

/** What is said of each thing that can be seen, smelt or tasted; the first that matches stands. */
const WORDS: [Key, string, RegExp][] = [
  ['cap', 'fallen', new RegExp(`${CAP}(?:fallen|fell|sunk|sank|dropped|down|gone)\\b`)],
  ['cap', 'falling', new RegExp(`${CAP}(?:falling|sinking|dropping|going\\s+down)\\b`)],
  ['cap', 'up', new RegExp(`${CAP}(?:up|risen|rising|formed|high)\\b`)],
  [
    'foam',
    'over',
    /\b(?:foam(?:ing|ed|s)?\s+(?:over|out(?:\s+of\s+the\s+(?:airlock|jar|bucket))?|(?:up\s+)?into\s+the\s+airlock)|overflow(?:ing|ed|s)?|boil(?:ing|ed)\s+over)\b/
  ],
  ['foam', 'none', /\b(?:no\s+(?:more\s+)?foam|foam\s+(?:is\s+|has\s+)?gone|foam\s+died\s+down)\b/],
  ['foam', 'some', /\b(?:some|a\s+little|lots\s+of|much)\s+foam\b|\bfoam(?:y|ing)\b/],
  [
    'taste',
    'a-little-sweet',
    new RegExp(
      `${TASTES}(?:only\\s+)?(?:(?:a\\s+(?:little|bit|touch)|slightly|just)\\s+sweet|off[\\s-]dry|medium)\\s*${END}`
    )
  ],
  ['taste', 'sweet', new RegExp(`${TASTES}(?:very\\s+|quite\\s+)?sweet\\s*${END}`)],
  [
    'taste',
    'dry',
    new RegExp(`${TASTES}(?:bone\\s+|quite\\s+|very\\s+)?dry\\s*${END}|^\\W*bone\\s+dry\\s*${END}`)
  ],
  [
    'smell',
    'eggs',
    new RegExp(
      `${SMELLS}(?:(?:rotten\\s+|bad\\s+)?eggs?|eggy|sulph?f?ur|matches)\\b|\\b(?:rotten\\s+eggs|eggy(?:\\s+smell)?)\\b`
    )
  ],
  [
    'smell',
    'vinegar',
    new RegExp(`${SMELLS}(?:vinegar(?:y)?|nail\\s+varnish)\\b|\\bvinegary\\b|\\bvinegar\\s+smell\\b`)
  ],
  ['smell', 'flat', new RegExp(`${SMELLS}(?:flat|sherry|stale|oxidi[sz]ed)\\b`)],
  ['smell', 'clean', new RegExp(`${SMELLS}(?:clean|fine|good|nice|lovely|ok)\\b`)],
  ['surface', 'mould', /\b(?:mou?ld(?:y)?|fur)(?:\s+on\s+(?:top|it|the\s+surface))?\b/],
  [
    'surface',
    'film',
    /\b(?:white\s+|thin\s+)?film(?:\s+on\s+(?:top|it|the\s+surface))?\b|\bskin\s+on\s+top\b/
  ],
  ['surface', 'clean', /\bclean\s+on\s+top\b|\bsurface\s+(?:is\s+)?clean\b/],
  ['clarity', 'cloudy', /\b(?:looks?\s+|gone\s+|turned\s+)?(?:cloudy|murky|milky|muddy)\b/],
  ['clarity', 'hazy', /\b(?:looks?\s+|gone\s+|turned\s+)?(?:a\s+(?:bit|little)\s+|slightly\s+)?haz(?:y|e)\b/],
  [
    'clarity',
    'clear',
    /\b(?:looks?\s+|gone\s+)?(?:(?:crystal|quite|very|perfectly|star)\s+)?(?:clear(?:ed)?|bright)\b(?:\s+as\s+(?:a\s+)?(?:bell|glass|crystal|day))?/
  ]
];

const NUM = '\\d+(?:\\.\\d+)?';
const SECONDS = '(?:s|secs?|seconds?)';
const MINUTES = '(?:m|mins?|minutes?)';
const COUNT = '(\\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|no)';
const NUMBERS = 'no one two three four five six seven eight nine ten'.split(' ');
const ONCE: Record<string, string> = { once: 'one', twice: 'two' };
const number = (said: string | undefined): number => {
  const word = ONCE[said ?? 'once'] ?? said!;
  return /^an?$/.test(word) ? 1 : NUMBERS.includes(word) ? NUMBERS.indexOf(word) : Number(word);
};

const STILL = new RegExp(
  `\\b(?:nothing(?:\\s+(?:has\\s+)?moved|\\s+happen(?:s|ed|ing))?|no\\s+bubbles?|no\\s+(?:movement|activity)|still|quiet)\\s+(?:for|in|since)\\s+${COUNT}\\s+(days?|weeks?)`
);
const EVERY = new RegExp(
  `\\b(?:(?:the\\s+)?(?:airlock|lock)\\s+(?:is\\s+)?)?(?:an?\\s+|one\\s+)?(?:bubbl(?:es?|ing)|blips?|pops?|popping|glugs?|glugging|plops?|going)(?:\\s+once)?\\s+every\\s+(?:(\\d+)\\s*)?(${SECONDS}|${MINUTES})\\b|(\\d+)\\s*${SECONDS}\\s+(?:between|apart)(?:\\s+bubbles)?|\\bbubbles?\\s+(\\d+)\\s*${SECONDS}\\s+apart`
);
const TIMES = '(once|twice|(?:two|three|four|five)(?=\\s+times))(?:\\s+times)?';
const IN = `(?:in|per|every|a|an|\\/)\\s*(?:(${NUM}|an?|one|two|three|five|ten)\\s*)?(${SECONDS}|${MINUTES})\\b`;
const COUNTED = new RegExp(
  `(?:\\bcounted\\s+)?${COUNT}\\s+bubbles?\\s*${IN}|\\bbubbles?\\s*:?\\s*(\\d+)\\s*${IN}|\\bbubbl(?:e|es|ing)\\s+${TIMES}\\s*${IN}`
);

/** What was seen, heard, smelt or tasted in words that the belief can weigh. */
export function readLook(p: Piece): Read | null {
  const out: Look = {};
  const still = take(p, STILL);
  if (still) out.stillDays = number(still[1]) * (still[2]!.startsWith('week') ? 7 : 1);
  else if (take(p, /\bceasing\b/)) out.stillDays = 0;
  const every = take(p, EVERY);
  if (every) {
    const seconds = Number(every[1] ?? every[3] ?? every[4] ?? 1) * (every[2]?.startsWith('m') ? 60 : 1);
    if (seconds > 0) out.bubbles = { count: 1, seconds };
  } else {
    const m = take(p, COUNTED);
    if (m) {
      const [count, of, unit] = [m[1] ?? m[4] ?? m[7], m[2] ?? m[5] ?? m[8], (m[3] ?? m[6] ?? m[9])!];
      const seconds = number(of) * (unit.startsWith('m') ? 60 : 1);
      if (seconds > 0) out.bubbles = { count: number(count), seconds };
    }
  }
  for (const [key, value, pattern] of WORDS)
    if (out[key] === undefined && take(p, pattern)) (out as Record<string, string>)[key] = value;
  if (Object.keys(out).length > 0) return read({ kind: 'observation', ...out });
  // How long it has stood is what tells, and nobody makes that up.
  const nothing =
    /\b(?:nothing(?:\s+(?:is|has))?(?:\s+(?:moved|moving|happen(?:s|ed|ing)?))?|no\s+(?:bubbles?|movement|activity)|(?:stood|stands|standing)\s+still)\s*$/;
  if (take(p, nothing))
    return ask(
      'amount',
      'For how long has nothing moved?',
      ['a day', 'two days', 'three days', 'a week'].map((x) => ({ label: x, line: `nothing moved for ${x}` }))
    );
  if (
    take(
      p,
      /\b(?:bubbl(?:e|es|ing)|fizz(?:es|ing))\b(?:\s*:?\s*\d+)?(?:\s+(?:like\s+mad|away|well|hard|fast|slowly|a\s+lot))?/
    )
  )
    return ask('amount', 'How many bubbles in how many seconds? Such as: 5 bubbles in 12 s.');
  return null;
}
