import { chosenAbv } from '$core/belief/chosen-abv';
import { giveOrTake } from '$core/belief/how-far';
import { cellarOf } from '$core/cellar/stock';
import { checkBottling } from '$core/finish/judge';
import { bottlesLeft } from '$core/ledger/state';
import { willHoldL } from '$core/ledger/will-hold';
import { counted, listText, sgText, volumeText } from '$core/units/format';
import type { Settings } from '$core/units/settings';
import { type Batch, vesselName } from '$lib/store/household.svelte';
import { ageWords } from '../cellar/words';
import { readOnText, unlikeTexts } from '../shelf/read-words';
import { onDay } from '../shelf/when';
import { abvParts, howFarText, unreadWord } from '../words/how-far';
import { guessedAbvLines, readAbvLines } from './abv-lines';
import { gravityLines } from './gravity-lines';
import { costLines, volumeLines } from './volume-lines';

/** A piece of a sentence: words, or a figure that tells how it came about. */
export type Piece = {
  text: string;
  /** the figure's unit, behind it */
  unit?: string;
  how?: { title: string; lines: string[] };
  is?: 'name' | 'strong' | 'danger';
  testId?: string;
};

type Here = { now: number; settings: Settings };

/** A must that stood so many days without yeast is no longer what it was. */
const LONG_DAYS = 14;

/** The pieces as one plain text. */
export const plainText = (pieces: readonly Piece[]): string =>
  pieces
    .map((p) => p.text + (p.unit ?? ''))
    .join('')
    .replace(/\s+/g, ' ')
    .trim();

/** Where a wine stands, in one sentence or a few: on its page, and in the text that is saved of it. */
export function batchSentence(batch: Batch, here: Here): Piece[] {
  const { state: s, standing: now } = batch;
  const name: Piece = { text: `${s.name}, day ${now.day}.`, is: 'name' };
  if (now.stage === 'gone')
    return [name, { text: ' Nothing of it is left: none stands in a vessel, and none is in bottles.' }];
  return [name, { text: ' ' }, ...(now.stage === 'bottled' ? bottled(batch, here) : standing(batch, here))];
}

/** A wine that stands in a vessel. */
function standing(batch: Batch, here: Here): Piece[] {
  const { state: s, standing: now, says } = batch;
  const unit = here.settings.volume;
  const toComeL = willHoldL(s);
  const fruitIn =
    s.fruitInAt !== null && s.fruitOutAt === null && s.rackings.length === 0
      ? ' with the fruit still in'
      : '';
  const where = listText(s.fills.map((f) => vesselName(f.vesselId)));
  const willGive = toComeL > now.volumeL + 0.05 ? `, ${volumeText(toComeL, unit)} once it has given` : '';
  return [
    ...(says.reading === 'never' ? unread(batch) : now.sg ? read(batch, here) : []),
    {
      text: volumeText(now.volumeL, unit),
      how: { title: 'How much', lines: volumeLines(s, now, toComeL, here) },
      testId: 'volume-now'
    },
    { text: ` in the ${where}${fruitIn}${willGive}.` },
    ...remarks(batch).map((text) => ({ text: ` ${text}` })),
    ...danger(batch),
    ...filledAlready(batch),
    ...course(batch)
  ];
}

/** Nobody has read it: what is likely, by all that went in and was seen. */
function unread({ state: s, standing: now, says }: Batch): Piece[] {
  const { far } = says;
  if (far && now.belief) {
    const isNew = far.word === 'not begun';
    const guess = abvParts(now.abv);
    return [
      { text: `${isNew && s.readings.length === 0 ? 'Not read yet' : unreadWord(s)}: ${howFarText(far)}` },
      ...(isNew
        ? []
        : [
            { text: ', about ' },
            {
              text: guess.figure,
              how: { title: 'How strong', lines: guessedAbvLines(now) },
              testId: 'abv-could'
            },
            { text: `${guess.off}${far.word === 'working' ? ' so far' : ''}` }
          ]),
      { text: '. ' }
    ];
  }
  return [
    { text: `${unreadWord(s)}, so nobody knows where it stands` },
    ...(says.potentialAbv !== null && !says.isSweetened
      ? ([
          { text: ': with all its sugar gone it holds about ' },
          { text: `${says.potentialAbv.toFixed(1)} %`, is: 'strong', testId: 'abv-could' }
        ] satisfies Piece[])
      : []),
    { text: '. ' }
  ];
}

/** What it read, how strong that makes it, and how far it likely is by now. */
function read(batch: Batch, here: Here): Piece[] {
  const { state: s, standing: now, says } = batch;
  const sg = now.sg!;
  const pace = now.pointsPerDay === null ? 0 : Math.round(now.pointsPerDay);
  // A reading of long ago is told with its day, and how it moved then is not said of today.
  const isStale = says.lastRead !== null && !says.lastRead.isFresh;
  // It moves still: how sweet it is at the moment tells nothing of it.
  const isFalling = !isStale && !now.steady.steady && pace > 0 && now.stage !== 'must';
  const readOn = says.lastRead ? readOnText(says.lastRead, here.now, s.zone) : '';
  const moved = says.hasMovedOn ? `, about ${sgText(now.belief!.sg.likely)} by now` : '';
  const still = now.steady.steady ? `, still for ${counted(now.steady.days, 'day')}` : '';
  const falling = isStale
    ? ` ${readOn}${still && `${still} then`}`
    : still ||
      (isFalling
        ? `${moved && ` ${readOn}`} and falling ${pace === 1 ? 'a point' : `${pace} points`} a day${moved}`
        : moved && ` ${readOn}${moved}`);
  // What is amiss with the last reading, and what to do about it.
  const odd = says.isLastLayered
    ? 'too low: sugar may lie on the bottom. Stir for a full minute and read again'
    : says.isLastOdd
      ? 'which fits none of the rest: spin the stem and read again'
      : '';
  const sweetness =
    listText(says.sweetEach.map((x) => `${x.word} in the ${vesselName(x.vesselId)}`)) || now.sweetness;
  const soFar =
    (now.steady.steady || now.isDry || says.isStable || says.isSweetened
      ? ''
      : isStale
        ? ' then'
        : ' so far') +
    (now.stage === 'fermenting' || now.stage === 'must' || says.isCarriedOn || isFalling
      ? ''
      : `, ${sweetness}`);
  // A reading of long ago is carried on to today.
  const byNow =
    says.isCarriedOn && says.far && now.belief && says.behind.length === 0
      ? `By now ${howFarText(says.far)}, at about ${sgText(now.belief.sg.likely)} and `
      : '';
  const guess = abvParts(now.abv);
  const off = says.hasStrength && !byNow ? giveOrTake(now.abv) : null;
  const how = { title: 'How strong', lines: readAbvLines(s, now, here.now) };
  const unlike = unlikeTexts(batch, here.now);
  return [
    ...(sg.measured ? [] : [{ text: 'Not read yet; the sums say ' }]),
    ...(unlike.length > 0
      ? [{ text: unlike.join(', ') }]
      : [
          {
            text: sgText(sg.sg),
            how: { title: 'Gravity', lines: gravityLines(s, now, here) },
            testId: 'sg-now'
          },
          { text: odd ? `${isStale ? ` ${readOn}` : ''}, ${odd}` : falling }
        ]),
    ...(says.hasStrength && !byNow && !(says.isCarriedOn && unlike.length > 0)
      ? [
          { text: odd ? '. By all else about ' : ': about ' },
          { text: chosenAbv(s, now).toFixed(1), unit: ' %', how, testId: 'abv-now' },
          { text: `${soFar}${off === null ? '' : `, give or take ${off}`}` }
        ]
      : []),
    { text: '. ' },
    ...(byNow
      ? [{ text: byNow }, { text: guess.figure, how, testId: 'abv-now' }, { text: `${guess.off}. ` }]
      : [])
  ];
}

/** What else is to be known of where it stands. */
function remarks({ standing: now, says }: Batch): string[] {
  const each = (ids: readonly string[]) => listText(ids.map((id) => `The ${vesselName(id, 'other vessel')}`));
  return [
    ...(says.lacksYeast
      ? [
          says.lacksYeast !== 'stands'
            ? 'No yeast is written down for it.'
            : now.day > LONG_DAYS
              ? `No yeast in ${now.day} days: by now it has spoiled, or worked by itself. Look and smell before anything goes in; mould or vinegar goes out.`
              : 'No yeast is in it yet: it will spoil, or work by itself.'
        ]
      : []),
    ...(says.unreadIds.length > 0
      ? [`${each(says.unreadIds)} was never read, so nobody knows where that stands.`]
      : []),
    ...(says.changedIds.length > 0 ? [`${each(says.changedIds)} was not read since more went in.`] : []),
    ...says.behind.map(
      (b) => `The ${vesselName(b.vesselId, 'other vessel')} is behind: ${howFarText(b.far)}.`
    )
  ];
}

/** In glass and come to rest, or long past its ferment, one thinks of bottles: then it is said whether that is safe. */
function danger({ state: s, standing: now, says, due, dangers }: Batch): Piece[] {
  const isThoughtOf =
    now.stage === 'clearing' ||
    (now.stage === 'in glass' &&
      (now.steady.steady || due.some((d) => d.step.id === 'bottle' && d.status !== 'coming')));
  const check = isThoughtOf ? checkBottling(s, 'still', 0, true, undefined, now.belief) : null;
  const out: Piece[] = [];
  if (check?.verdict.level === 'stop') {
    const what = s.fills.length > 1 ? `what is in the ${vesselName(check.vesselId)}` : 'it';
    const until = says.reading === 'never' ? 'until it is read: at worst' : 'yet:';
    out.push(
      { text: ' ' },
      {
        text: `Not for bottles ${until} ${what} could reach ${check.verdict.bar20.toFixed(1)} bar.`,
        is: 'danger',
        testId: 'unsafe'
      }
    );
  }
  if (dangers.length > 0)
    out.push({ text: ' ' }, { text: 'Bottles of it could burst: see below.', is: 'danger' });
  return out;
}

/** Of a wine that is bottled in part. */
function filledAlready({ state: s, says: { bottledInPart: filled } }: Batch): Piece[] {
  if (filled === 0) return [];
  const left = bottlesLeft(s);
  const are = filled === 1 ? 'is' : 'are';
  return [
    {
      text: ` ${counted(filled, 'bottle')} of it ${are} filled already${left < filled ? `, ${left} left` : ''}.`
    }
  ];
}

/** Where it should end. */
function course({ standing: now, says }: Batch): Piece[] {
  if (!says.isOnCourse || says.reading === 'never' || !now.expectedSg) return [];
  const { low, high } = now.expectedSg;
  return [
    { text: ' On course for ' },
    {
      text: `${now.expectedAbv!.toFixed(1)} %`,
      how: {
        title: 'Where it should end',
        lines: [
          `All the sugar it can take: ends at ${sgText(low)} – ${sgText(high)}.`,
          'From the sugar in it, the most tolerant yeast pitched, and how much alcohol a gram makes.'
        ]
      }
    },
    { text: '.' }
  ];
}

/** A wine that is all in bottles: how many are left, how strong it is, when it is to be drunk. */
function bottled({ state: s, standing: now, says, dangers }: Batch, here: Here): Piece[] {
  const sum = (of: 'count' | 'left') => s.bottled.reduce((n, b) => n + b[of], 0);
  const [count, left] = [sum('count'), sum('left')];
  const bottles =
    left === count
      ? counted(count, 'bottle')
      : left === 0
        ? `All ${count} bottles are gone`
        : `${left} of ${counted(count, 'bottle')}`;
  // Each day on which bottles were filled, once.
  const days = [...new Set(s.bottled.map((b) => onDay(b.at, here.now, s.zone)))].join(' and ');
  const paid = costLines(s, here.settings);
  const guess = abvParts(now.abv);
  const unreadText = unreadWord(s).toLowerCase();
  const wines = cellarOf({ state: s, belief: now.belief, dangers }, here.now).filter((w) => !w.danger);
  // Each filling by its own time, where they differ.
  const ages = [...new Set(wines.map((w) => ageWords(w, here.now)))];
  const strength: Piece[] = says.hasStrength
    ? [
        { text: ', at about ' },
        {
          text: `${chosenAbv(s, now).toFixed(1)} %`,
          how: { title: 'How strong', lines: readAbvLines(s, now, here.now) }
        }
      ]
    : now.belief
      ? [
          { text: `, ${unreadText}, at about ` },
          { text: guess.figure, how: { title: 'How strong', lines: guessedAbvLines(now) } },
          { text: guess.off }
        ]
      : [{ text: `, ${unreadText}, so nobody knows how strong` }];
  return [
    paid.length > 0
      ? { text: bottles, how: { title: 'What they cost', lines: paid } }
      : { text: bottles, is: 'strong' },
    { text: `, filled ${days}` },
    ...strength,
    { text: '. ' },
    ...(dangers.length > 0
      ? ([{ text: 'They could burst: see below.', is: 'danger' }] satisfies Piece[])
      : ages.length > 0
        ? [{ text: `${ages.map((t) => t.charAt(0).toUpperCase() + t.slice(1)).join('; ')}.` }]
        : [])
  ];
}
