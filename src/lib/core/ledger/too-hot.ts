import { inC } from '../units/say';
import type { Question } from './question';
import type { BatchState, Felt } from './state';

/** The card of the brew day on which one says that it is cool enough. */
export const COOL_CARD = 'cool';

/** Where a thermometer last stood in it; null where it never did, or somebody said since that it is cool enough. */
export function lastFelt(s: BatchState): Felt | null {
  const last = s.felt.at(-1);
  const isSaidCool = (felt: Felt) =>
    s.steps.some((x) => x.step === COOL_CARD && x.outcome === 'done' && x.at >= felt.at);
  return last && !isSaidCool(last) ? last : null;
}

/** What a must so hot undoes, °C. Common practice. */
const UNDONE_OVER_C = { yeast: 38, enzyme: 60 } as const;
const SAYS = { yeast: 'yeast dies in that', enzyme: 'the enzyme is undone by that' } as const;
/** What was felt longer ago says little of how hot it is. */
const FELT_FOR_MS = 3 * 3_600_000;

/** Whether something is to go into a must that kills it, by where a thermometer stood in it within three hours. */
export function tooHotAsked(what: keyof typeof SAYS, s: BatchState | null, at: number): Question[] {
  const felt = s && lastFelt(s);
  if (!felt || felt.tempC < UNDONE_OVER_C[what] || at - felt.at > FELT_FOR_MS) return [];
  return [
    {
      level: 'ask',
      text: `It was ${inC(felt.tempC)} when it was last felt: ${SAYS[what]}.`,
      todo: 'Let it cool, and say how warm it is; or is it cool by now?'
    }
  ];
}
