import { solve } from 'yalps';
import { SATURATION_BRIX } from '../liquid/mix';
import { amountOf, entryOf, type Ingredient, type Plan } from '../plan/plan';
import { seasons } from '../plan/main-produce';
import { DOSES, doseOf } from '../tables/doses';
import { glassAt, linesAt, missesAt } from './lines';
import { addTotals, costOfMisses, EASE, goalsOf, noTotals, totalsOf, type Goal, type Totals } from './goals';

export const isFree = (i: Ingredient): boolean => i.held === false;

/**
 * Litres the fruit is usually made into, when nobody says how much: its common amount per litre.
 * @example usualVolumeL({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }] }) // 11.111
 */
export function usualVolumeL(plan: Plan): number | null {
  const litres = plan.ingredients.reduce((sum, i) => sum + totalsOf(plan, i, amountOf(i)).usualL, 0);
  return litres > 0 ? litres : null;
}

/** Amounts of the free rows, and how well they meet the goals. */
export type Point = { amounts: number[]; at: Totals; misses: number[]; cost: number };

/** The rows that are worked out, as the solver sees them: what one kg or litre of each brings. */
export type Problem = { plan: Plan; goals: Goal[]; rows: number[]; held: Totals; unit: Totals[] };

/** Goals without which a kind of row is not worked out, and stays as it is. */
const FOR: Partial<Record<Ingredient['kind'], readonly Goal['id'][]>> = {
  sugar: ['abv'],
  honey: ['abv'],
  acid: ['taGL', 'phMax'],
  additive: ['yanMgL']
};

export function problemOf(plan: Plan, goals = goalsOf(plan)): Problem {
  const isWorkedOut = (i: Ingredient) =>
    isFree(i) && (FOR[i.kind]?.some((id) => goals.some((g) => g.id === id)) ?? true);
  const rows = plan.ingredients.flatMap((item, i) => (isWorkedOut(item) ? [i] : []));
  const held = noTotals();
  plan.ingredients.forEach((item, i) => {
    if (!rows.includes(i) && amountOf(item) > 0) addTotals(held, totalsOf(plan, item, amountOf(item)));
  });
  return { plan, goals, rows, held, unit: rows.map((i) => totalsOf(plan, plan.ingredients[i]!, 1)) };
}

/** Solids beyond what the water can dissolve, kg; below nought while it can. */
const syrupKg = (t: Totals): number =>
  t.stock.solidsKg - ((SATURATION_BRIX - 0.5) / 100) * (t.stock.waterKg + t.stock.solidsKg);
/** What a kilogram of it costs: more than any miss. */
const UNDISSOLVED = 1e7;

/** How well some amounts of the free rows meet the goals. */
export function pointAt(p: Problem, amounts: number[]): Point {
  const at = addTotals(noTotals(), p.held);
  amounts.forEach((x, j) => addTotals(at, p.unit[j]!, x));
  const misses = missesAt(p.plan, p.goals, at);
  return {
    amounts,
    at,
    misses,
    cost: costOfMisses(p.goals, misses) + UNDISSOLVED * Math.max(0, syrupKg(at))
  };
}

/** What each kg or litre of a row costs beside any goal: enough to choose between two that serve alike. */
const CHEAP = 1e-4;
const THRIFT: Partial<Record<Ingredient['kind'], number>> = { water: 1, acid: 40, additive: 20, juice: 4 };
/** Between rows of one kind the first is taken first. */
const thriftOf = (item: Ingredient, order: number): number =>
  CHEAP * ((THRIFT[item.kind] ?? 2) + 0.3 * order);

/** The most acid that is given, g/L of wine: past it the wine is of acid, not of fruit. Common practice. */
const MOST_ACID_GL = 8;

/**
 * The most of a powder that the solver gives, kg a litre of wine; no bound for what is food.
 * @example mostKgL({ kind: 'acid', acidId: 'citric', massKg: 0.01 }) // 0.008
 */
export function mostKgL(item: Ingredient): number {
  if (item.kind === 'acid') return MOST_ACID_GL / 1000;
  if (item.kind !== 'additive') return Infinity;
  const id = doseOf(item);
  return id ? DOSES[id].perL[2] / 1000 : Infinity;
}

const PRECISIONS = [1e-9, 1e-7, 1e-11];
/** A programme that turns for longer than this has lost its way. */
const MOST_PIVOTS = 2000;

/** The linear programme of weighted misses, with lines drawn at a point. @returns null when it has no answer */
function programmeAt(p: Problem, from: Point, isStuck: (goal: Goal) => boolean): Point | null {
  const { rows, goals, plan } = p;
  const lines = linesAt(plan, goals, from.at, isStuck);
  const glass = glassAt(plan, from.at);
  const constraints: Record<string, { equal?: number; max?: number }> = {};
  const variables: Record<string, Record<string, number>> = {};
  // Sugar that does not dissolve is no must, unless what is held leaves no choice.
  constraints.dissolves = { max: -syrupKg(p.held) };
  variables.undissolved = { dissolves: -1, cost: UNDISSOLVED };
  const perL = rows.map((row) => mostKgL(plan.ingredients[row]!));
  rows.forEach((row, j) => {
    const item = plan.ingredients[row]!;
    const column: Record<string, number> = { cost: thriftOf(item, j), dissolves: syrupKg(p.unit[j]!) };
    lines.forEach((l, g) => (column[`g${g}`] = l.of(p.unit[j]!)));
    perL.forEach((most, b) => {
      if (Number.isFinite(most)) column[`dose${b}`] = (b === j ? 1 : 0) - most * glass(p.unit[j]!);
    });
    if (Number.isFinite(perL[j])) constraints[`dose${j}`] = { max: perL[j]! * glass(p.held) };
    if (item.most !== undefined) {
      column[`most${j}`] = 1;
      constraints[`most${j}`] = { max: item.most };
    }
    variables[`x${j}`] = column;
  });
  lines.forEach(({ goal, of, constant }, g) => {
    constraints[`g${g}`] = { equal: -(of(p.held) + constant) };
    const dear = goal.weight / goal.tolerance;
    // A miss is taken off; on a goal's good side it costs nothing.
    const sides = [
      ['over', -1, goal.kind === 'least' ? 0 : dear],
      ['under', 1, goal.kind === 'most' ? 0 : dear]
    ] as const;
    for (const [name, sign, cost] of sides) {
      variables[`${name}${g}`] = { [`g${g}`]: sign, cost };
      if (goal.within > 0 && cost > 0) {
        variables[`${name}${g}near`] = { [`g${g}`]: sign, cost: cost * EASE, [`${name}${g}leeway`]: 1 };
        constraints[`${name}${g}leeway`] = { max: goal.within };
      }
    }
  });
  shareOut(p, constraints, variables);
  // Amounts range from milligrams to hectolitres; where one precision trips over rounding, another does not.
  const model = { direction: 'minimize', objective: 'cost', constraints, variables } as const;
  let answer = solve(model, { precision: PRECISIONS[0], maxPivots: MOST_PIVOTS });
  for (const precision of PRECISIONS.slice(1)) {
    if (answer.status === 'optimal') break;
    answer = solve(model, { precision, maxPivots: MOST_PIVOTS });
  }
  if (answer.status !== 'optimal') return null;
  const found = new Map(answer.variables);
  return pointAt(
    p,
    rows.map((_, j) => Math.max(0, found.get(`x${j}`) ?? 0))
  );
}

/** Rounds in which a must that can be had is found: each is exact but for the volume's bend. */
const ROUNDS = 6;
/** Rounds in which one that cannot is brought as near as can be, and halvings of each step. */
const NEARER = 10;
const HALVINGS = 6;
const STILL = 1e-9;

/** Whether somebody who waits has waited long enough; the clock is theirs. */
export type IsOver = () => boolean;
const never: IsOver = () => false;

const hasMoved = (a: Point, b: Point): boolean =>
  a.amounts.some((x, j) => Math.abs(x - b.amounts[j]!) > STILL * (1 + Math.abs(x)));

/**
 * The amounts that miss the goals least: a linear programme of weighted misses, drawn anew at each answer until it
 * stays. What cannot be met is then approached along its true slope, by steps that only ever make it better.
 * @param isOver whether the time is up: what was found by then is the answer
 */
export function bestPoint(p: Problem, start: number[], isOver: IsOver = never): Point {
  let best = pointAt(p, start);
  if (p.rows.length === 0 || p.goals.length === 0) return best;
  let from = best;
  for (let round = 0; round < ROUNDS && !isOver(); round++) {
    const next = programmeAt(p, from, () => false);
    if (!next) break;
    const isStill = !hasMoved(next, from);
    if (next.cost <= best.cost) best = next;
    from = next;
    if (isStill) break;
  }
  for (let round = 0; round < NEARER && !isOver(); round++) {
    const stuck = new Set(p.goals.filter((g, k) => Math.abs(best.misses[k]!) > g.tolerance));
    if (stuck.size === 0) break;
    let next = programmeAt(p, best, (g) => stuck.has(g));
    for (let half = 0; next && half < HALVINGS && !(next.cost < best.cost); half++) {
      const far = next.amounts;
      next = pointAt(
        p,
        best.amounts.map((x, j) => (x + far[j]!) / 2)
      );
    }
    if (!next || !(next.cost < best.cost * (1 - 1e-9))) break;
    best = next;
  }
  return best;
}

/** Among free fruits alike the shares are even, unless a goal such as the acid asks for other ones. */
function shareOut(
  { plan, rows, unit }: Problem,
  constraints: Record<string, { equal?: number; max?: number }>,
  variables: Record<string, Record<string, number>>
): void {
  const fruit = rows.flatMap((row, j) => {
    const p = plan.ingredients[row]!.kind === 'produce' ? entryOf(plan.ingredients[row]!) : undefined;
    return p && !seasons(p) ? [j] : [];
  });
  if (fruit.length < 2) return;
  // Each beside the next: that keeps the programme thin, however many they are.
  fruit.slice(1).forEach((j, n) => {
    const before = fruit[n]!;
    const key = `share${j}`;
    constraints[key] = { equal: 0 };
    variables[`x${j}`]![key] = unit[j]!.usualL;
    variables[`x${before}`]![key] = -unit[before]!.usualL;
    variables[`${key}over`] = { [key]: -1, cost: 0.05 };
    variables[`${key}under`] = { [key]: 1, cost: 0.05 };
  });
}

/** Amounts to begin from: a must that is certainly liquid. */
export function guess(p: Problem): number[] {
  const { plan, rows } = p;
  const litres =
    plan.target?.volumeL ?? plan.target?.fillL ?? usualVolumeL(plan) ?? Math.max(1, p.held.stock.waterKg);
  return rows.map((row) => {
    const item = plan.ingredients[row]!;
    const most = item.most ?? Infinity;
    const share = {
      water: 0.8,
      sugar: 0.15,
      honey: 0.15,
      produce: 0.2,
      juice: 0.1,
      wine: 0.1,
      acid: 0,
      additive: 0
    };
    return Math.min(most, litres * share[item.kind]);
  });
}
