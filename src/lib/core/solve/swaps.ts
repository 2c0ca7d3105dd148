import { inKg, inKgL, inL } from '../units/say';
import { likelyFigures } from '../must/balance';
import { nameOf } from '../plan/name';
import { toleranceOf } from '../plan/chosen';
import { amountOf, type Ingredient, type Plan, type Goals } from '../plan/plan';
import { YEASTS, type YeastId } from '../tables/yeasts';
import { isMet, reachedOf, type GaveWay } from './clash';
import { goalsOf, type GoalId } from './goals';
import { bestPoint, guess, isFree, problemOf, type IsOver } from './programme';
import { solvePlan } from './solve';

/** A way out of a clash: what to change in a few words, what it comes to, and the plan it makes. */
export type Swap = { id: string; label: string; note: string; plan: Plan };

type Candidate = {
  id: string;
  plan: Plan;
  label: (solved: Plan) => string;
  /** how much it changes what was asked */ change: number;
};

const round = (n: number, step: number) => Math.round(n / step) * step;
const withGoals = (plan: Plan, t: Partial<Goals>): Plan => ({
  ...plan,
  target: { abv: null, volumeL: null, ...plan.target, ...t }
});
const freed = (plan: Plan, at: number, more: Partial<Ingredient> = {}): Plan => ({
  ...plan,
  ingredients: plan.ingredients.map((i, n) => (n === at ? ({ ...i, held: false, ...more } as Ingredient) : i))
});
const added = (plan: Plan, item: Ingredient): Plan => ({
  ...plan,
  ingredients: [...plan.ingredients, { ...item, held: false }]
});

/** What an ingredient is called in running text. */
const inText = (i: Ingredient): string => nameOf(i).toLowerCase();

const amountText = (i: Ingredient): string => ('volumeL' in i ? inL(i.volumeL) : inKg(amountOf(i)));

/** The step to which a goal is rounded when it is let follow. */
const STEP: Partial<Record<GoalId, number>> = { volumeL: 0.1, fillL: 0.1, abv: 0.1 };

/** The weight of a goal that follows: under all others. */
const FAINT = 0.01;

/** Lets a goal follow: what would be reached if it were not asked for at all. */
function followed(plan: Plan, id: GoalId, isOver: IsOver): Candidate[] {
  const goals = goalsOf(plan);
  const asked = goals.find((g) => g.id === id);
  if (!asked || id === 'fruit') return [];
  // Hardly asked for any more, it still keeps what the others leave open from running away.
  const p = problemOf(
    plan,
    goals.map((g) => (g.id === id ? { ...g, weight: FAINT } : g))
  );
  const point = bestPoint(p, guess(p), isOver);
  const miss = point.misses[goals.indexOf(asked)]!;
  const reached = reachedOf(asked, miss);
  const change = Math.abs(miss) / Math.max(1e-9, asked.wanted);
  if (isMet(asked, miss) || !(reached > 0)) return [];
  const step = STEP[id];
  const value = step ? Number(round(reached, step).toFixed(3)) : null;
  if (value !== null && value <= 0) return [];
  const t: Partial<Goals> =
    id === 'volumeL' || id === 'abv' || id === 'fillL' ? { [id]: value } : { [id]: null };
  const next = withGoals(plan, t);
  const label: Record<string, (s: Plan) => string> = {
    volumeL: () => `Make ${inL(value!)} of it`,
    fillL: () => `Make ${inL(value!)} of must`,
    abv: () => `Let it be ${value!.toFixed(1)} %`,
    taGL: (s) => `Let the acid be ${likelyFigures(s).taGL.toFixed(1)} g/L`,
    phMax: (s) => `Let the pH be ${likelyFigures(s).ph.toFixed(1)}`,
    fruitKgL: (s) => `Let the fruit be ${inKgL(likelyFigures(s).fruitPerL, 2)}`,
    sgMax: (s) => `Let it start at ${likelyFigures(s).sgAllGiven.toFixed(3)}`,
    yanMgL: (s) => `Let the nitrogen be ${likelyFigures(s).yanMgL.toFixed(0)} mg/L`
  };
  return [{ id: `follow-${id}`, plan: next, label: label[id]!, change }];
}

/** The mildest yeast that bears a strength. */
const yeastFor = (abv: number): YeastId | undefined =>
  (Object.keys(YEASTS) as YeastId[])
    .filter((id) => id !== 'wild' && YEASTS[id].toleranceAbv[1] >= abv)
    .sort((a, b) => YEASTS[a].toleranceAbv[1] - YEASTS[b].toleranceAbv[1])[0];

function candidates(plan: Plan, gaveWay: readonly GaveWay[], isOver: IsOver): Candidate[] {
  const out: Candidate[] = [];
  for (const g of goalsOf(plan)) if (!isOver()) out.push(...followed(plan, g.id, isOver));
  plan.ingredients.forEach((item, at) => {
    const amount = amountOf(item);
    if (isFree(item) || amount <= 0) return;
    if (item.kind === 'additive' || item.kind === 'wine') return;
    const change = (s: Plan) => s.ingredients[at]!;
    const isMain = item.kind === 'produce' || item.kind === 'juice';
    out.push({
      id: `free-${at}`,
      // Of what was picked there may be less in it; more would have to be found.
      plan: freed(plan, at, isMain ? { most: amount } : {}),
      label: (s) => `${isMain ? 'Use' : 'Take'} ${amountText(change(s))} of the ${inText(item)}`,
      change: NaN
    });
  });
  plan.ingredients.forEach((item, at) => {
    if (isFree(item) && item.most !== undefined)
      out.push({
        id: `more-${at}`,
        plan: { ...plan, ingredients: plan.ingredients.map((i, n) => (n === at ? withoutMost(i) : i)) },
        label: (s) => `Find ${amountText(s.ingredients[at]!)} of ${inText(item)} in all`,
        change: NaN
      });
  });
  // What is on the slip and held is better set free than written down twice.
  const has = (test: (i: Ingredient) => boolean) => plan.ingredients.some(test);
  const loose = plan.ingredients.filter((i) => !isFree(i) && amountOf(i) > 0 && isPoured(i));
  if (gaveWay.length > 1 && loose.length > 1)
    out.push({
      id: 'free-poured',
      plan: {
        ...plan,
        ingredients: plan.ingredients.map((i) => (loose.includes(i) ? { ...i, held: false } : i))
      },
      label: () => `Let the ${loose.map(inText).slice(0, 3).join(' and ')} follow`,
      change: NaN
    });
  const add = (id: string, item: Ingredient, change = 0.12) =>
    out.push({
      id,
      plan: added(plan, item),
      label: (s) => `Add ${amountText(s.ingredients.at(-1)!)} of ${inText(item)}`,
      change
    });
  for (const miss of gaveWay) {
    const over = miss.reached > miss.wanted;
    if (miss.because === 'yeast') {
      const yeastId = yeastFor(miss.wanted);
      if (yeastId)
        out.push({
          id: `yeast-${yeastId}`,
          plan: { ...plan, yeast: { yeastId } },
          label: () => `Take a ${YEASTS[yeastId].name.toLowerCase().replace(' type', '')} yeast`,
          change: 0.05
        });
      const limit = toleranceOf(plan.yeast)[1];
      out.push({
        id: 'follow-abv',
        plan: withGoals(plan, { abv: limit }),
        label: () => `Let it be ${limit.toFixed(1)} %`,
        change: Math.abs(limit - miss.wanted) / miss.wanted
      });
    }
    if (miss.goal === 'abv' && !over && !has((i) => i.kind === 'sugar' && i.most === undefined))
      add('add-sugar', { kind: 'sugar', sugarId: 'white', massKg: 0 });
    if ((miss.goal === 'volumeL' || miss.goal === 'fillL') && !over && !has((i) => i.kind === 'water'))
      add('add-water', { kind: 'water', volumeL: 0 });
    if (miss.goal === 'abv' && over && !has((i) => i.kind === 'water'))
      add('add-water', { kind: 'water', volumeL: 0 });
    const sharpen = plan.sharpen ?? 'acid-blend';
    if (((miss.goal === 'taGL' && !over) || miss.goal === 'phMax') && !has((i) => i.kind === 'acid'))
      add(
        'add-acid',
        sharpen === 'lemon'
          ? { kind: 'juice', produceId: 'lemon', volumeL: 0 }
          : { kind: 'acid', acidId: sharpen, massKg: 0 }
      );
    if (
      miss.goal === 'taGL' &&
      over &&
      !has((i) => i.kind === 'acid' && i.acidId === 'potassium-bicarbonate')
    )
      add('soften', { kind: 'acid', acidId: 'potassium-bicarbonate', massKg: 0 }, 0.2);
    if (miss.goal === 'yanMgL' && !has((i) => i.kind === 'additive' && i.additiveId === 'dap'))
      add('add-dap', { kind: 'additive', additiveId: 'dap', massKg: 0 });
    if (miss.goal === 'sgMax')
      out.push({
        id: 'steps',
        plan: { ...plan, sugar: 'steps' },
        label: () => 'Feed the sugar in steps',
        change: 0.1
      });
  }
  return out;
}

const isPoured = (i: Ingredient): boolean => i.kind === 'sugar' || i.kind === 'honey' || i.kind === 'water';

/** Less than this share of what was picked is another wine. */
const HARDLY = 0.3;
const keepsFruit = (from: Plan, to: Plan): boolean =>
  from.ingredients.every(
    (i, n) => !('produceId' in i) || isFree(i) || amountOf(to.ingredients[n]!) >= HARDLY * amountOf(i)
  );

const withoutMost = (i: Ingredient): Ingredient => {
  const { most: _, ...rest } = i;
  return rest as Ingredient;
};

/** How much the amounts that were held differ between two plans, as a share. */
const changeOf = (from: Plan, to: Plan): number =>
  from.ingredients.reduce((sum, i, n) => {
    if (isFree(i) && i.most === undefined) return sum;
    const [was, is] = [
      i.most !== undefined && isFree(i) ? i.most : amountOf(i),
      amountOf(to.ingredients[n]!)
    ];
    return sum + Math.abs(is - was) / Math.max(was, 1e-6);
  }, 0);

/** Misses that are left, weighed: what was asked in vain. */
const weightOf = (gaveWay: readonly GaveWay[]): number =>
  gaveWay.reduce(
    (sum, g) => sum + 1 + Math.min(1, Math.abs(g.reached - g.wanted) / Math.max(1e-9, g.wanted)),
    0
  );

const MOST = 3;

/**
 * The two or three best ways out when not all that is asked can be had: one goal let follow, one held amount set
 * free, or one thing added. Each is solved and weighed by what it leaves unmet, then by how much it changes.
 * @param plan as it was asked; `gaveWay` what its solution missed; `isOver` whether the time is up
 */
export function swapsFor(plan: Plan, gaveWay: readonly GaveWay[], isOver: IsOver = () => false): Swap[] {
  if (gaveWay.length === 0) return [];
  const before = weightOf(gaveWay);
  const seen = new Set<string>();
  return candidates(plan, gaveWay, isOver)
    .flatMap((c) => {
      if (seen.has(c.id) || isOver()) return [];
      seen.add(c.id);
      const solved = solvePlan(c.plan, isOver);
      const left = weightOf(solved.gaveWay);
      if (left >= before - 0.02) return [];
      const change = Number.isNaN(c.change) ? changeOf(plan, solved.plan) : c.change;
      return [{ c, solved, left, change }];
    })
    .filter(
      ({ solved, c }) =>
        keepsFruit(plan, solved.plan) &&
        (!c.id.startsWith('add') || amountOf(solved.plan.ingredients.at(-1)!) > 1e-4)
    )
    .sort((a, b) => Math.floor(a.left) - Math.floor(b.left) || a.change - b.change)
    .slice(0, MOST)
    .map(({ c, solved }) => {
      const f = likelyFigures(solved.plan);
      return {
        id: c.id,
        label: c.label(solved.plan),
        note: `${f.finalAbv.toFixed(1)} %, ${inL(f.intoGlassL)}, ${f.taGL.toFixed(1)} g/L of acid${solved.gaveWay.length > 0 ? '; not all of it' : ''}`,
        plan: c.plan
      };
    });
}
