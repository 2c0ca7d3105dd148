/**
 * What was not done, is still to be done, or was nearly done: none of it is a deed. `forgot to stir`, `did not rack`,
 * `must bottle soon`, `almost bottled it`.
 */
const PRONOUN = '(?:(?:i|we|she|he|they|you)\\s+)?';
const NOT = [
  '(?:i\\s+)?(?:forgot(?:ten)?|neglected|failed|meant|meaning|intend(?:ed|ing)?|refused|hope|hoping|tried|trying|about|unable|yet|ready|time)\\s+to',
  'forgot(?:ten)?\\s+(?:about\\s+)?(?:the\\s+)?(?=stir|rack|nutrient|campden|sulph|yeast|enzyme|acid|read)',
  "(?:did|do|does|have|has|had|could|can|was|were|is|are|should|would|will)(?:\\s*n['o]?t|\\s+not|\\s+never)",
  "(?:cannot|won't|wont|didnt|havent|hasnt|wasnt|couldnt|isnt|dont)",
  '(?:not|never)(?!\\s+(?:sure|bad|much)\\b)',
  'no\\s+(?:need|time|chance)\\s+to',
  '(?:still\\s+)?(?:have|has|need|needs|needing|got|want|wants|wanted|ought|going|gonna|planning|plan)\\s+(?:to\\s+)?(?:be\\s+)?(?=(?:stir|rack|bottl|pitch|add|top|feed|strain|press|fine|sweeten|stabil|read|check|move|taste|transfer|siphon|degas|put|pour|blend|skim|punch|push|take)\\w*\\b)',
  '(?:will|shall|should|ought\\s+to|might|may|could|would|must)\\s+(?:soon\\s+|probably\\s+|really\\s+|maybe\\s+)?(?:have\\s+)?(?=(?:stir|rack|bottle|pitch|add|top|feed|strain|press|fine|sweeten|stabili[sz]e|read|check|move|taste|transfer|siphon|degas|put|pour|blend|punch|push|take|have|go|be)(?:red|ed|ned|led)?\\b)',
  "(?:i|we)'ll",
  '(?:almost|nearly|hardly|barely)(?=\\s+(?:\\w+ed|forgot)\\b)',
  '(?:instead\\s+of|rather\\s+than|before)\\s+(?=\\w+ing\\b)',
  'too\\s+(?:late|early|soon|busy|tired)\\s+to'
].join('|');

/** Where a part of a line begins that tells of what was not done. */
export const NOT_DONE = `${PRONOUN}(?:${NOT})(?<=\\s|\\b(?=\\W|$))`;
const BEGINS = new RegExp(`\\b${NOT_DONE}`);

/** Whether a piece tells of what was not done. */
export const saysNotDone = (text: string): boolean => BEGINS.test(text);

/** What changes the meaning of what stands beside it, so that nobody may write the rest without being asked. */
const DOUBTFUL =
  /\b(?:not|never|no|nor|without|unless|if|maybe|perhaps|might|should|would|could|nearly|almost|hardly|instead|except|but|only|cancel|wrong|mistake|wait|undo|or|tomorrow|soon|later|going|want|need|plan|plans|will|wish|forgot|meant|tried|trying|failed|before|until|didn|doesn|isn|wasn|won|don|t)\b/;
export const isDoubtful = (words: string): boolean => DOUBTFUL.test(words);

const CLEAR = '(?:clear(?:ing|ed)?|bright)';
const BUBBLES =
  '(?:bubbl(?:es?|ing)|fizz(?:ing)?|airlock(?:\\s+bubbles?)?|lock|blips?|glug(?:s|ging)|pops?|popping|activity|ferment(?:ing|ation)?|it|everything)';
const STOPPED = '(?:stopped|ceased|quit|died(?:\\s+down|\\s+away)?|dead|gone\\s+(?:quiet|still|dead)|quiet)';
const FOR = '(?!\\s+(?:for|in|since)\\s+(?:\\d|an?\\b|one|two|three|four|five|six|seven|the))';

/** What has ceased, or is not so yet, in the words by which a look is read. */
const CEASED: [RegExp, string][] = [
  [
    new RegExp(
      `\\b(?:it\\s+)?(?:is\\s+|has\\s+)?(?:not\\s+(?:yet\\s+)?(?:quite|really|very|fully|completely)?\\s*${CLEAR}(?:\\s+yet)?|(?:nearly|almost|hardly|partly|half|fairly|mostly)\\s+${CLEAR}|(?:is\\s+)?(?:starting|beginning|begun|started|just\\s+starting)\\s+to\\s+clear|(?:slowly\\s+)?clearing(?:\\s+(?:up|slowly|nicely|well))?)\\b(?!\\s+finings?)`,
      'g'
    ),
    ' hazy '
  ],
  [/\b(?:is\s+)?(?:not\s+(?:quite\s+|yet\s+|completely\s+)?dry(?:\s+yet)?)\b/g, ' tastes a little sweet '],
  [
    /\b(?:no\s+longer\s+foam(?:ing|y)|not\s+foaming(?:\s+any\s*more)?|foam(?:ing)?\s+(?:has\s+|is\s+)?(?:all\s+)?(?:stopped|gone|died(?:\s+down)?)|stopped\s+foaming)\b/g,
    ' no foam '
  ],
  [
    new RegExp(
      `\\b(?:no\\s+more\\s+(?:bubbles?|bubbling|blips?|fizz(?:ing)?|activity)|(?:the\\s+)?${BUBBLES}\\s+(?:has\\s+|have\\s+|is\\s+|are\\s+)?(?:all\\s+|now\\s+)?${STOPPED}(?:\\s+(?:bubbling|moving|working|fizzing|going))?|stopped\\s+(?:bubbling|fizzing|working|moving|fermenting)|(?:not|no\\s+longer)\\s+(?:bubbling|fizzing|working|moving|fermenting)(?:\\s+any\\s*more)?|(?:the\\s+)?airlock\\s+(?:is\\s+)?not\\s+(?:moving|bubbling|going|working))\\b${FOR}`,
      'g'
    ),
    ' ceasing '
  ],
  [
    new RegExp(
      `\\b(?:no\\s+more\\s+bubbles|(?:the\\s+)?${BUBBLES}\\s+(?:has\\s+|have\\s+)?(?:all\\s+)?${STOPPED}|not\\s+bubbling|no\\s+longer\\s+bubbling|not\\s+moved)(?=\\s+(?:for|in|since)\\s+\\S)`,
      'g'
    ),
    ' nothing moved '
  ]
];

/** Without one of these nothing has ceased. */
const MAY_CEASE = /clear|bright|\bnot\b|no (?:more|longer)|stop|ceas|quit|quiet|died|dead|gone|foam/;

/** What is still to be done, with the day for which it is meant: that is no day on which something happened. */
const AHEAD =
  /\b(?:need|needs|must|will|shall|should|going|gonna|plan|planning|want|wants|ought|hope|hoping|intend|intending|ready|about|'ll|have|has|got)\b/;
export const isStillToDo = (text: string): boolean => AHEAD.test(text);

/** A line with what has ceased, or is not so yet, in the words for it. */
export const ceased = (line: string): string =>
  MAY_CEASE.test(line)
    ? CEASED.reduce((text, [pattern, words]) => text.replace(pattern, words), line)
        .replace(/\s+/g, ' ')
        .trim()
    : line;
