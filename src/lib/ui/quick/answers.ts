import { chosenAbv } from '$core/belief/chosen-abv';
import { giveOrTake } from '$core/belief/how-far';
import { bottlesLeft } from '$core/ledger/state';
import { checkBottling } from '$core/finish/judge';
import { answer, type Answer } from '$core/quickline/answer';
import type { CommandOf } from '$core/quickline/command';
import type { Context } from '$core/quickline/context';
import { doseL } from '$core/ledger/will-hold';
import { listText, sgText, volumeText } from '$core/units/format';
import { type Batch, household, vesselName } from '$lib/store/household.svelte';
import { dueWord, onDay, spanWord } from '../shelf/when';
import { unlikeTexts } from '../shelf/read-words';
import { aboutAbv, howFarText } from '../words/how-far';
import { own } from '../words/own-units';

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

/** How strong it is, as its page says it. */
function strength(b: Batch): string {
  const { says, standing: now, state: s } = b;
  const { far } = says;
  if (says.reading === 'never' && far)
    return sentence(`${howFarText(far)}${far.word === 'not begun' ? '' : `, about ${aboutAbv(now.abv)}`}`);
  if (says.isCarriedOn && far) return sentence(`${howFarText(far)} by now, about ${aboutAbv(now.abv)}`);
  if (says.hasStrength) {
    const off = giveOrTake(now.abv);
    return `About ${chosenAbv(s, now).toFixed(1)} %${off === null ? '' : `, give or take ${off}`}${now.steady.steady || says.isStable || now.stage === 'bottled' ? '' : ' so far'}.`;
  }
  return says.potentialAbv === null
    ? 'Nobody knows yet: read it once.'
    : `Nothing has fermented yet; all its sugar would make about ${says.potentialAbv.toFixed(1)} %.`;
}

/** Whether it can go into bottles, and what would change that. */
function safe(b: Batch): string {
  const { state: s, standing: now } = b;
  if (s.fills.length === 0)
    return b.dangers.length > 0
      ? 'It is in bottles, and they could burst: see its page.'
      : 'It is in bottles already.';
  const check = checkBottling(s, 'still', 0, null, undefined, now.belief);
  if (!check) return 'Nothing stands in a vessel.';
  if (check.verdict.level === 'stop' && check.reachable.needsClear)
    return 'Once it is clear: sulphite and sorbate hold only in clear wine, and nobody has written that it is.';
  const clears =
    check.verdict.level === 'stop' && check.reachable.clearsAtSg !== null
      ? ` Two readings at or under ${sgText(check.reachable.clearsAtSg)}, three days apart, would clear it.`
      : '';
  const jar = s.fills.length > 1 ? vesselName(check.vesselId) : null;
  if (check.verdict.level === 'stop' && check.reachable.needsReading)
    return `Not ${b.says.reading === 'never' ? 'until it is read' : 'yet'}: at worst ${jar ? `what is in the ${jar}` : 'it'} could reach ${check.verdict.bar20.toFixed(1)} bar.${clears}`;
  const word =
    check.verdict.level === 'stop'
      ? 'No.'
      : check.verdict.level === 'warn'
        ? 'With care.'
        : 'Yes, under cork.';
  const where = jar && check.verdict.level !== 'fine' ? `In the ${jar}: ` : '';
  return `${word} ${where}${own(check.verdict.text)}${clears}`;
}

function next(b: Batch): string {
  const words = b.due
    .slice(0, 3)
    .map((d) => `${d.step.title.toLowerCase()}, ${dueWord(d, household.now, b.state.zone)}`);
  return words.length > 0 ? sentence(words.join('; ')) : 'Nothing is due: let it rest.';
}

function done(b: Batch): string {
  const { course, state: s } = b;
  if (s.fills.length === 0) return bottlesLeft(s) > 0 ? 'It is in bottles.' : 'Nothing of it is left.';
  const { far } = b.says;
  if (b.says.behind.length > 0)
    return b.says.behind
      .map((x) => `The ${vesselName(x.vesselId, 'other vessel')} is behind: ${howFarText(x.far)}.`)
      .join(' ');
  if (far?.word === 'finished' || far?.word === 'stuck') return sentence(howFarText(far));
  if (course?.doneAt)
    return `Done fermenting about ${spanWord(course.doneAt.low, course.doneAt.high, s.zone)}.`;
  return far ? sentence(howFarText(far)) : 'Nobody knows yet: read it once.';
}

function gravity(b: Batch): string {
  const { standing: now, says, state: s } = b;
  if (!now.sg) return 'Not read yet.';
  if (says.unlike.length > 0) return `${unlikeTexts(b, household.now).join(', ')}. ${strength(b)}`;
  const last = now.sg.measured
    ? `${sgText(now.sg.sg)} ${onDay(now.sg.at, household.now, s.zone)}`
    : `Not read yet; the sums say ${sgText(now.sg.sg)}`;
  const by =
    (says.isCarriedOn || says.hasMovedOn) && now.belief
      ? `, about ${sgText(now.belief.sg.likely)} by now`
      : '';
  return `${last}${by}. ${strength(b)}`;
}

const volume = (b: Batch): string =>
  b.state.fills.length === 0
    ? `${bottlesLeft(b.state)} bottles are left.`
    : `${volumeText(b.standing.volumeL, household.settings.volume)} in the ${listText(b.state.fills.map((f) => vesselName(f.vesselId)))}.`;

const OF_A_WINE = { strength, safe, next, done, gravity, volume } as const;

/**
 * The answer to a question, there and then, in the household's measures.
 * @throws InputError that asks
 */
export function answerHere(
  q: CommandOf<'question'>,
  wines: readonly Batch[],
  ctx: Context
): (Answer & { about: string }) | null {
  const wine = wines.find((w) => w.id === (q.batchId ?? ctx.hereId));
  const s = wine?.state;
  const about = s && s.fills.length > 0 ? { volumeL: doseL(s), fruitKg: s.produceKg } : null;
  const plain = answer(q, ctx, about);
  if (plain) return { ...plain, text: own(plain.text), about: '' };
  if (!wine) return null;
  return {
    text: OF_A_WINE[q.about as keyof typeof OF_A_WINE](wine),
    href: `/batches/${wine.id}`,
    about: wine.state.name
  };
}
