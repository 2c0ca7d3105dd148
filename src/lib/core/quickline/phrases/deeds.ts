import type { StepId } from '../../tables/step-id';
import { civilDay } from '../../units/zone';
import { ask, read, take, type Context, type Piece, type Read } from '../context';
import { daysOf, momentOf } from '../when';
import { eachOnce } from '../who';

const STIRRED =
  /\b(?:(?:stirred|shook|whisked)\s+(?:out\s+(?:the\s+)?gas|(?:the\s+)?gas\s+out(?:\s+of\s+it)?)|(?:gave\s+(?:it|them)\s+a\s+(?:good\s+|quick\s+)?)?stir(?:red|ring)?(?:\s+(?:it|down|well|up|them|twice|again))*|(?:push|punch)(?:ed|ing)?\s+(?:down\s+)?(?:the\s+)?(?:cap|fruit|pulp|petals|bag)(?:\s+(?:down|under))?|(?:shook|shaken|swirled)(?:\s+(?:it|them|the\s+(?:jars?|buckets?|must|wine)))?(?:\s+up)?|(?:degassed|de-gassed)(?:\s+(?:it|them|the\s+wine))?(?:\s+for\s+(?:\d+|an?|half\s+an)\s*(?:min(?:ute)?s?|h(?:ou)?rs?|h))?|(?:pushed|punched)\s+(?:it\s+|them\s+)?down\b|cap\s+(?:was\s+)?(?:pushed|punched)\s+down)\b/;
const ALL = /\b(?:all|everything|each|every\s*one|both|them)\b/;

/** Stirred: this one, or all that want it. */
export function readStir(p: Piece, ctx: Context): Read | null {
  if (/\bstir(?:red)?\s+in\b/.test(p.text) || !STIRRED.test(p.text)) return null;
  const isAll = ALL.test(p.text);
  take(p, STIRRED);
  if (!isAll) return read({ kind: 'stir' });
  take(p, ALL);
  take(p, ALL);
  const those = eachOnce(ctx.wines).filter((w) => w.fits?.('stir') ?? true);
  return those.length === 0
    ? ask('batch', 'No wine wants stirring now.')
    : read(...those.map((w) => ({ kind: 'stir' as const, batchId: w.id })));
}

/** What people call the steps of a batch. */
const STEPS: [StepId, RegExp][] = [
  ['crush', /\b(?:crush(?:ing)?|mash(?:ing)?|preparing)\b/],
  ['campden', /\b(?:campden|sulph?f?it(?:e|ing))\b/],
  ['enzyme', /\b(?:pectic\s+)?enzyme\b/],
  ['nutrient-1', /\b(?:first\s+)?nutrient\b/],
  ['stir', /\bstir(?:ring)?\b/],
  ['read', /\b(?:take\s+a\s+)?read(?:ing)?\b/],
  ['fruit-out', /\b(?:take\s+(?:the\s+)?)?fruit\s+out\b|\bstrain(?:ing)?\b|\bpress(?:ing)?\b/],
  ['rack-2', /\bsecond\s+racking\b|\boff\s+the\s+lees\b/],
  ['rack-1', /\b(?:first\s+)?rack(?:ing)?\b|\binto\s+glass\b/],
  ['finings', /\bfin(?:ings|ing)\b/],
  ['stabilise', /\bstabili[sz](?:e|ing)\b/],
  ['sweeten', /\bsweeten(?:ing)?\b/],
  ['bottle', /\bbottl(?:ing|e)\b/],
  ['pitch', /\b(?:the\s+)?yeast\b|\bpitching\b/]
];
const SKIP = /^[\s,]*(?:skip(?:ped|ping)?|leave\s+out|left\s+out|no)\b/;
const PUT_OFF =
  /\b(?:put\s+off|postpone(?:d)?|delay(?:ed)?|can\s+wait|snooze|remind\s+me\s+(?:to|of|about))\b/;
const DONE =
  /^[\s,]*(?:(?:crush|mash)(?:ed|ing)(?:\s+(?:the\s+)?fruit)?(?=\W*$)|done\b(?:\s+(?:the\s+)?(?:crushing|mashing))?)/;
const WAIT =
  /\b(?:(?:(?:for|in)\s+)?(\d+|an?|one|two|three|four|five|six|seven)\s+(days?|weeks?)|(?:till|until|to|on)\s+([a-z0-9 -]+?)|(tomorrow))\s*$/;
const NUMBER: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7
};
const DAY = 86_400_000;
/** Something that is put off to a day is asked for from its morning on. */
const MORNING_H = 9;

function takeStep(p: Piece): StepId | null {
  for (const [id, pattern] of STEPS) if (take(p, pattern)) return id;
  return null;
}

/** A step of the schedule left out, put off, or done by hand. */
export function readStep(p: Piece, ctx: Context): Read | null {
  if (take(p, PUT_OFF)) {
    const wait = take(p, WAIT);
    const step = takeStep(p);
    if (!step) {
      p.text = '';
      return ask('step', 'Which step of the wine is that? Such as: put off racking 3 days.');
    }
    if (!wait) return ask('when', 'Put off for how long? Such as: 3 days, or till sunday.');
    const until = wait[3] ?? wait[4];
    const day = until
      ? momentOf(until, ctx, true)?.at
      : ctx.now + (NUMBER[wait[1]!] ?? Number(wait[1])) * (wait[2]!.startsWith('w') ? 7 : 1) * DAY;
    if (!day || day <= ctx.now) return ask('when', `“${until ?? ''}” is no day to come.`);
    return read({ kind: 'step', step, outcome: 'snoozed', until: morningOf(day, ctx.zone) });
  }
  if (SKIP.test(p.text)) {
    const rest: Piece = { text: p.text };
    const isNo = /^[\s,]*no\b/.test(p.text);
    take(rest, SKIP);
    const step = takeStep(rest);
    if (step) {
      p.text = rest.text;
      return read({ kind: 'step', step, outcome: 'skipped' });
    }
    if (isNo) return null;
    p.text = '';
    return ask('step', 'Which step is left out? Such as: skip finings.');
  }
  if (!DONE.test(p.text)) return null;
  const m = take(p, DONE)!;
  if (/crush|mash/.test(m[0])) return read({ kind: 'step', step: 'crush', outcome: 'done' });
  const step = takeStep(p);
  p.text = step ? p.text : '';
  return step ? read({ kind: 'step', step, outcome: 'done' }) : ask('step', 'Which step is done?');
}

/** The morning of a day that is to come, as ISO. */
function morningOf(at: number, zone: string): string {
  const morning = momentOf(`${civilDay(at, zone)} ${MORNING_H}:00`, { now: at, zone })!;
  return new Date(morning.at).toISOString();
}

const PAGES: Record<string, string> = {
  today: 'today',
  walk: 'today',
  harvest: 'harvest',
  plan: 'plan',
  batches: 'batches',
  wines: 'batches',
  cellar: 'batches',
  bench: 'bench',
  sums: 'bench',
  almanac: 'almanac',
  settings: 'settings',
  files: 'settings'
};

/** What stands alone: a page, an undo, a timer, a household without a stem. @param bare whether that is all of the line */
export function readOdd(p: Piece, bare: boolean, ctx: Context): Read | null {
  if (
    bare &&
    take(
      p,
      /^\W*(?:undo(?:\s+(?:that|it))?|(?:take|took)\s+(?:that|it)\s+back|(?:remove|delete|cancel)(?:\s+(?:that|it|last|the\s+last))?)\W*$/
    )
  )
    return read({ kind: 'undo' });
  const away =
    bare &&
    /^\W*(?:(?:going\s+|i\s+am\s+|we\s+are\s+)?away|gone(?!\s+(?:down|to|cloudy|clear|hazy|off|bad|dry|flat)\b))\b\s*(?:from\s+)?(.*)$/.exec(
      p.text
    );
  if (away) {
    p.text = '';
    if (!away[1]!.trim()) return read({ kind: 'away' });
    const days = daysOf(away[1]!, ctx);
    return days
      ? read({ kind: 'away', ...days })
      : ask('when', 'Away from when to when? Such as: away 3-10 june.');
  }
  if (take(p, /\b(?:(?:i\s+)?(?:have|own|got)\s+)?no\s+(?:hydrometer|stem)\b/))
    return read({ kind: 'no-stem' });
  const timer = take(
    p,
    /\b(?:set\s+)?(?:an?\s+)?(?:timer|remind\s+me)(?:\s+(?:for|in|of))?\s+(\d+)\s*(m|mins?|minutes?|h|hrs?|hours?)\b|(\d+)\s*(m|mins?|minutes?|h|hrs?|hours?)\s+timer\b/
  );
  if (timer) {
    const minutes = Number(timer[1] ?? timer[3]) * ((timer[2] ?? timer[4])!.startsWith('h') ? 60 : 1);
    return minutes > 0 && minutes <= 2880
      ? read({ kind: 'timer', minutes })
      : ask('when', 'A timer runs from a minute to two days.');
  }
  const page = bare && /^\W*(?:(?:go\s+to|open|show)\s+(?:the\s+)?)?([a-z]+)\W*$/.exec(p.text);
  if (page && PAGES[page[1]!]) {
    p.text = '';
    return read({ kind: 'go', page: PAGES[page[1]!]! });
  }
  return null;
}
