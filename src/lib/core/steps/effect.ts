import { inL } from '../units/say';
import { counted } from '../units/format';
import { hoursToGive } from '../must/mix';
import { evaluate } from '../must/evaluate';
import type { Plan } from '../plan/plan';
import type { StepId } from '../tables/step-id';
import { soonestH, stepsOf } from './steps';
import type { SchoolId } from '../tables/schools';

/** What a method comes to: numbers, doses and days. */
type Outcome = {
  startSg: number;
  intoGlassL: number;
  giveH: number;
  steps: Map<StepId, { title: string; short: string; atH: number }>;
  doses: Map<string, string>;
};

function outcomeOf(plan: Plan): Outcome {
  const { likely: f, start, powders, nutrient } = evaluate(plan);
  const steps = stepsOf(plan);
  const at = soonestH(steps);
  return {
    startSg: start.sgAllGiven,
    intoGlassL: f.intoGlassL,
    giveH: hoursToGive(plan),
    steps: new Map(steps.map((s) => [s.id, { title: s.title, short: s.short, atH: at.get(s.id)! }])),
    doses: new Map([
      ...powders.map((p): [string, string] => [p.name, p.amount]),
      ...(nutrient && nutrient.feeds.length > 0
        ? [['Nutrient', `in ${nutrient.feeds.length === 1 ? 'one part' : 'four parts'}`] as [string, string]]
        : [])
    ])
  };
}

/** A span of hours in the unit one would say it in. */
const spanWord = (hours: number): string => {
  const h = Math.abs(hours);
  return h < 36 ? `${Math.round(h)} h` : h < 24 * 21 ? counted(h / 24, 'day') : counted(h / 168, 'week');
};

/**
 * What another choice in a school would change in this plan, in short lines: gravity, litres, days and doses.
 * Found by making both and comparing, so that it is what the plan will say. Empty where it changes hygiene or
 * taste only, which its reason says.
 */
export function effectOf(plan: Plan, school: SchoolId, choice: string): string[] {
  const [now, then] = [outcomeOf(plan), outcomeOf({ ...plan, [school]: choice })];
  const lines: string[] = [];
  if (Math.abs(then.startSg - now.startSg) > 0.0005) lines.push(`starts at ${then.startSg.toFixed(3)}`);
  const litres = then.intoGlassL - now.intoGlassL;
  if (Math.abs(litres) > 0.04) lines.push(`${inL(Math.abs(litres))} ${litres > 0 ? 'more' : 'less'} wine`);
  const give = then.giveH - now.giveH;
  if (Math.abs(give) > 2) lines.push(`fruit gives ${spanWord(give)} ${give < 0 ? 'sooner' : 'later'}`);
  for (const [id, s] of then.steps)
    if (!now.steps.has(id)) lines.push(`a step more: ${s.title.toLowerCase()}`);
  for (const [id, s] of now.steps) if (!then.steps.has(id)) lines.push(`no ${s.title.toLowerCase()}`);
  for (const [name, amount] of then.doses)
    if (now.doses.get(name) !== amount) lines.push(`${name.toLowerCase()} ${amount}`);
  for (const name of now.doses.keys()) if (!then.doses.has(name)) lines.push(`no ${name.toLowerCase()}`);
  for (const id of ['pitch', 'rack-1', 'bottle'] as const) {
    const [a, b] = [now.steps.get(id)?.atH, then.steps.get(id)?.atH];
    if (a === undefined || b === undefined || Math.abs(b - a) < 1) continue;
    lines.push(`${now.steps.get(id)!.short} ${spanWord(b - a)} ${b < a ? 'sooner' : 'later'}`);
  }
  return lines;
}
