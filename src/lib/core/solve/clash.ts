import { inKgL, inL } from '../units/say';
import { acidityOf } from '../liquid/acidity';
import { liquid } from '../liquid/stock';
import { toleranceOf } from '../plan/chosen';
import { amountOf, type Ingredient } from '../plan/plan';
import { glassAt, linesAt } from './lines';
import type { Goal, GoalId } from './goals';
import { bestPoint, guess, isFree, mostKgL, problemOf, type Point, type Problem } from './programme';

/**
 * Why a goal is missed. `held`: what would move it is held. `none`: nothing on the slip moves it. `least`: all that
 * would bring it down is at nought. `most`: there is no more of what would lift it. `other`: weightier goals keep
 * it there. `yeast`: the yeast stops before.
 */
export type Because = 'held' | 'none' | 'least' | 'most' | 'other' | 'yeast';

export type GaveWay = {
  goal: GoalId;
  wanted: number;
  reached: number;
  because: Because;
  /** in plain words */
  text: string;
};

export const isMet = (goal: Goal, miss: number): boolean =>
  Math.abs(miss) <= goal.within + goal.tolerance * 1.02 + 1e-9;

/** What a goal is usually brought up with. */
export const LIFTS: Record<GoalId, Ingredient['kind'][]> = {
  volumeL: ['water'],
  fillL: ['water'],
  abv: ['sugar', 'honey'],
  fruit: ['produce'],
  fruitKgL: ['produce'],
  taGL: ['acid'],
  phMax: ['acid'],
  sgMax: ['sugar', 'honey'],
  yanMgL: ['additive']
};

/** Which way each free row moves each goal at a point: per kg or litre, with everything else as it is. */
function pullsAt(p: Problem, point: Point, goal: Goal): number[] {
  const [line] = linesAt(p.plan, [goal], point.at, () => true);
  return p.unit.map((u) => line!.of(u));
}

/** Less of a miss than this share is not worth naming. */
const NOTICED = 0.05;

/** Why the goal is missed at the best point there is. Each answer can be checked against the rows. */
function becauseOf(p: Problem, point: Point, goal: Goal, miss: number): Because {
  // Acid brings a pH down; all else brings its goal up.
  const isShort = goal.id === 'phMax' ? miss > 0 : miss < 0;
  const usual = p.rows.flatMap((row, j) =>
    LIFTS[goal.id].includes(p.plan.ingredients[row]!.kind) ? [j] : []
  );
  const glassL = glassAt(p.plan, point.at)(point.at);
  const most = (j: number) => {
    const item = p.plan.ingredients[p.rows[j]!]!;
    return Math.min(item.most ?? Infinity, mostKgL(item) * glassL);
  };
  if (usual.length > 0 && isShort && usual.every((j) => point.amounts[j]! >= most(j) * (1 - 1e-4) - 1e-6))
    return 'most';
  if (usual.length > 0 && !isShort && usual.every((j) => point.amounts[j]! <= 1e-6)) return 'least';
  if (usual.length > 0) return 'other';
  const isHeld = p.plan.ingredients.some(
    (i) => !isFree(i) && LIFTS[goal.id].includes(i.kind) && amountOf(i) > 0
  );
  if (isHeld) return 'held';
  // Anything else that would help, and has room to: then it is kept from it by what goes first.
  const helps = pullsAt(p, point, goal).some((pull, j) => {
    const x = point.amounts[j]!;
    const room = pull * miss < 0 ? Math.min(most(j), 2 * x + 1) - x : x;
    return Math.abs(pull) * room > NOTICED * Math.abs(miss);
  });
  return helps ? 'other' : 'none';
}

const one = (n: number) => n.toFixed(1);
/** A goal's figure in words. */
function figureText(id: GoalId, value: number): string {
  switch (id) {
    case 'volumeL':
      return inL(value);
    case 'fillL':
      return `${inL(value)} in the vessel`;
    case 'abv':
      return `${one(value)} %`;
    case 'fruitKgL':
      return `${inKgL(value, 2)} of fruit`;
    case 'fruit':
      return `${Math.round(100 * value)} % of the usual fruit`;
    case 'taGL':
      return `${one(value)} g/L of acid`;
    case 'phMax':
      return `pH ${value.toFixed(2)}`;
    case 'sgMax':
      return value.toFixed(3);
    case 'yanMgL':
      return `${value.toFixed(0)} mg/L of nitrogen`;
  }
}

/** A goal as a bare number, where its unit was just said. */
const bare = (goal: Goal): string => (/^pH |^[\d.]+/.exec(figureText(goal.id, goal.wanted)) ?? [''])[0];

/** What is reached of a goal that is missed by `miss`. */
export const reachedOf = (goal: Goal, miss: number): number =>
  Math.max(0, goal.id === 'fruit' ? 1 + miss : goal.wanted + miss);

function textOf(goal: Goal, value: number, because: Because, p: Problem): string {
  const reached = figureText(goal.id, value);
  const wanted = figureText(goal.id, goal.wanted);
  const over = value > goal.wanted;
  switch (because) {
    case 'held':
      return goal.id === 'abv'
        ? `The sugar is held, so strength follows: ${reached}.`
        : goal.id === 'volumeL' || goal.id === 'fillL'
          ? `The water is held, so the amount follows: ${reached}.`
          : `What would change it is held: ${reached}, not ${wanted}.`;
    case 'none':
      return over
        ? `Nothing on the slip brings it down: ${reached}, not ${wanted}.`
        : `Nothing on the slip brings more: ${reached}, not ${wanted}.`;
    case 'least':
      return goal.id === 'volumeL' || goal.id === 'fillL'
        ? `Without any water the fruit and sugar already make ${reached}, more than ${wanted}.`
        : `The fruit alone brings ${reached}, above ${bare(goal)}.`;
    case 'most':
      return goal.id === 'fruit'
        ? `There is no more fruit: ${reached} for so much wine.`
        : goal.id === 'taGL' || goal.id === 'phMax' || goal.id === 'yanMgL'
          ? `More than the most one gives would bring it to ${wanted}: ${reached}.`
          : `There is no more of what would bring it to ${wanted}: ${reached}.`;
    default:
      return `${reached}, not ${wanted}: ${keptBy(p, goal)} goes first.`;
  }
}

const GOAL_NAME: Record<GoalId, string> = {
  volumeL: 'the amount',
  fillL: 'the vessel',
  abv: 'the strength',
  fruit: 'the usual fruit',
  fruitKgL: 'the fruit a litre',
  taGL: 'the acid',
  phMax: 'the pH',
  sgMax: 'the start gravity',
  yanMgL: 'the nitrogen'
};

/** The weightier goals that keep another from being met. */
function keptBy(p: Problem, goal: Goal): string {
  const others = p.goals.filter((g) => g.id !== goal.id && g.weight >= goal.weight);
  const holds = others.filter((g) => {
    const without = problemOf(
      p.plan,
      p.goals.filter((x) => x !== g)
    );
    const point = bestPoint(without, guess(without));
    return isMet(goal, point.misses[without.goals.findIndex((x) => x.id === goal.id)] ?? Infinity);
  });
  return (
    (holds.length > 0 ? holds : others)
      .map((g) => GOAL_NAME[g.id])
      .slice(0, 2)
      .join(' and ') || 'what is held'
  );
}

/** What was missed at a solution, with why, weightiest first; and a yeast that stops before the strength. */
export function explainMisses(p: Problem, point: Point): GaveWay[] {
  // With nothing liquid there is no wine to miss anything by.
  if (!liquid(point.at.stock)) return [];
  const out = p.goals.flatMap((goal, g): GaveWay[] => {
    const miss = point.misses[g]!;
    if (isMet(goal, miss)) return [];
    const because = becauseOf(p, point, goal, miss);
    const reached =
      goal.id === 'phMax'
        ? acidityOf(point.at.stock).ph
        : goal.id === 'sgMax'
          ? liquid(point.at.stock)!.sg
          : reachedOf(goal, miss);
    // How much fruit is usual is a default, not a goal: only fruit that runs short needs words.
    if (goal.id === 'fruit' && because !== 'most') return [];
    return [
      {
        goal: goal.id,
        wanted: goal.wanted,
        reached,
        because,
        text: textOf(goal, reached, because, p)
      }
    ];
  });
  const [, tolerance] = toleranceOf(p.plan.yeast);
  const abv = p.plan.target?.abv;
  if (abv && p.plan.finish !== 'limit' && abv > tolerance + 0.05)
    out.push({
      goal: 'abv',
      wanted: abv,
      reached: tolerance,
      because: 'yeast',
      text: `This yeast stops near ${tolerance} %: the rest stays sweet. Choose a stronger yeast for ${abv} %.`
    });
  return out;
}
