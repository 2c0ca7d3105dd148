import { findRoot } from '../maths/root';
import { kindWays } from '../must/adjust';
import { likelyFigures } from '../must/balance';
import { mixOf } from '../must/mix';
import { choiceOf } from '../tables/schools';
import { ACID_ADDITIONS } from '../tables/substances';
import { HABITS } from '../tables/tasting';
import { YEASTS } from '../tables/yeasts';
import { nameOf } from '../plan/name';
import { amountOf, entryOf, withAmount, type Ingredient, type Plan } from '../plan/plan';
import { solvePlan } from '../solve/solve';
import { inKg, inL } from '../units/say';
import type { Stood, Wishes } from './wishes';

/** A change of the recipe that a tasting asks for. */
export type Change = {
  id: string;
  /** what changes, with its numbers, as marked data */
  text: string;
  why: string;
  /** the plan with it */
  plan: Plan;
  /** kept as the recipe's note, where no figure of the plan says it */
  isNote: boolean;
};

type Make = (plan: Plan, w: Wishes, stood: Stood) => Omit<Change, 'id'> | null;

const gl = (x: number): string => x.toFixed(1);
const litresOf = (plan: Plan): number => likelyFigures(plan).intoGlassL;
const grams = (kg: number): string => `${Math.max(1, Math.round(1000 * Math.abs(kg)))} g`;
const isBase = (i: Ingredient): boolean =>
  i.kind === 'acid' && (i.acidId === 'potassium-bicarbonate' || i.acidId === 'calcium-carbonate');
const isCitrus = (i: Ingredient): boolean =>
  (i.kind === 'juice' || i.kind === 'produce') && entryOf(i)?.family === 'citrus';

/** The rows that sharpen a must, those first that do nothing else. */
const sharpeners = (plan: Plan): number[] =>
  plan.ingredients
    .map((i, n) => [i, n] as const)
    .filter(([i]) => (i.kind === 'acid' && !isBase(i)) || isCitrus(i))
    .sort(([a], [b]) => Number(isCitrus(a)) - Number(isCitrus(b)))
    .map(([, n]) => n);

const withRow = (plan: Plan, n: number, amount: number): Plan => ({
  ...plan,
  ingredients: plan.ingredients.map((i, k) => (k === n ? { ...withAmount(i, amount), held: true } : i))
});

/** So much less of each sharpener in turn, until the must is as soft as is wanted, or none is left. */
function softened(plan: Plan, taGL: number): { plan: Plan; less: { item: Ingredient; by: number }[] } {
  const less: { item: Ingredient; by: number }[] = [];
  let now = plan;
  for (const n of sharpeners(plan)) {
    const item = now.ingredients[n]!;
    const had = amountOf(item);
    const taAt = (amount: number) => likelyFigures(withRow(now, n, amount)).taGL;
    if (had <= 0 || taAt(had) <= taGL + 0.02) continue;
    const left = taAt(0) >= taGL ? 0 : findRoot((x) => taAt(x) - taGL, 0, had, 1e-6);
    less.push({ item, by: had - left });
    now = withRow(now, n, left);
  }
  return {
    plan: { ...now, ingredients: now.ingredients.filter((i) => amountOf(i) > 1e-9 || i.held === false) },
    less
  };
}

const amountSaid = (i: Ingredient, by: number): string => {
  const what = nameOf(i).toLowerCase();
  return 'volumeL' in i
    ? `${inL(by)} less ${what}`
    : `${i.kind === 'acid' ? grams(by) : inKg(by)} less ${what}`;
};

const acid: Make = (plan, w, stood) => {
  if (w.acid === undefined) return null;
  const wanted = stood.taGL + w.acid;
  const must = likelyFigures(plan).taGL + w.acid;
  const said = `${gl(wanted)} for ${gl(stood.taGL)} g/L`;
  const litres = inL(litresOf(plan));
  const kept = (p: Plan): Plan =>
    p.target?.taGL ? { ...p, target: { ...p.target, taGL: Number(gl(must)) } } : p;
  if (w.acid < 0) {
    const { plan: next, less } = softened(plan, must);
    const left = likelyFigures(next).taGL - must;
    const way =
      left > 0.2
        ? kindWays(mixOf(next).all, { taGL: must }).find((x) => x.id === 'potassium-bicarbonate')
        : undefined;
    const parts = [
      ...less.map((l) => amountSaid(l.item, l.by)),
      ...(way ? [`${grams(amountOf(way.item))} potassium bicarbonate in the must`] : [])
    ];
    if (parts.length === 0)
      return {
        text: `Less acid: ${said}. The fruit itself brings it: riper fruit, or a longer wine of it`,
        why: 'nothing was put in that could be left out',
        plan,
        isNote: true
      };
    const rest = way ? [{ ...way.item, held: true } as Ingredient] : [];
    return {
      text: `Less acid: ${said}, ${parts.join(', ')} in ${litres}`,
      why: 'by where it stood when it was tasted',
      plan: kept({ ...next, ingredients: [...next.ingredients, ...rest] }),
      isNote: false
    };
  }
  const id = choiceOf(plan, 'sharpen');
  const ways = kindWays(mixOf(plan).all, { taGL: must });
  const way = ways.find((x) => x.id === id) ?? ways.find((x) => x.id === 'acid-blend') ?? ways[0];
  if (!way)
    return {
      text: `More acid: ${said}, to taste once it is wine`,
      why: 'the must is as sharp already as yeast likes it',
      plan,
      isNote: true
    };
  const { item } = way;
  const name =
    item.kind === 'acid' ? ACID_ADDITIONS[item.acidId].name.toLowerCase() : nameOf(item).toLowerCase();
  const more =
    'volumeL' in item ? `${inL(item.volumeL)} more ${name}` : `${grams(amountOf(item))} more ${name}`;
  return {
    text: `More acid: ${said}, ${more} in ${litres}`,
    why: way.stops
      ? 'as far as the must bears it; the rest by taste'
      : 'by where it stood when it was tasted',
    plan: kept(plusItem(plan, { ...item, held: true } as Ingredient)),
    isNote: false
  };
};

/** An ingredient more, with what there is of it already. */
function plusItem(plan: Plan, item: Ingredient): Plan {
  const n = plan.ingredients.findIndex(
    (i) =>
      (i.kind === 'acid' && item.kind === 'acid' && i.acidId === item.acidId) ||
      (i.kind === 'juice' && item.kind === 'juice' && i.produceId === item.produceId)
  );
  if (n < 0) return { ...plan, ingredients: [...plan.ingredients, item] };
  return withRow(plan, n, amountOf(plan.ingredients[n]!) + amountOf(item));
}

/** Under this a wine is dry whatever was wished, g/L. */
const DRY_GL = 4;

const sweet: Make = (plan, w, stood) => {
  if (w.sweetGL === undefined) return null;
  const to = w.sweetGL < DRY_GL ? 0 : Math.round(w.sweetGL);
  const more = to > stood.sweetGL;
  const finish = choiceOf(plan, 'finish');
  const next: Plan = {
    ...plan,
    ...(to === 0 ? { finish: 'dry' } : finish === 'dry' ? { finish: 'stabilise' } : {}),
    target: { abv: null, volumeL: null, ...plan.target, sweetGL: to }
  };
  const kg = ((to - stood.sweetGL) * litresOf(plan)) / 1000;
  return {
    text: `${more ? 'Sweeter' : 'Drier'}: ${to} for ${stood.sweetGL.toFixed(0)} g/L, ${inKg(Math.abs(kg))} ${more ? 'more' : 'less'} sugar in ${inL(litresOf(plan))}`,
    why: more ? 'once it is finished, and sulphite and sorbate hold it' : 'less of it at the end',
    plan: next,
    isNote: false
  };
};

const strength: Make = (plan, w, stood) => {
  if (w.abv === undefined) return null;
  const was = plan.target?.abv ?? Number(likelyFigures(plan).potentialAbv.toFixed(1));
  const abv = Math.min(18, Math.max(5, was + w.abv));
  const next = solvePlan({ ...plan, target: { volumeL: null, ...plan.target, abv } }).plan;
  const sugar = (p: Plan) => p.ingredients.reduce((kg, i) => kg + (i.kind === 'sugar' ? i.massKg : 0), 0);
  const by = sugar(next) - sugar(plan);
  const said = `${(stood.abv + w.abv).toFixed(1)} for ${stood.abv.toFixed(1)} %`;
  if (Math.abs(by) < 0.005) return null;
  return {
    text: `${by < 0 ? 'Lighter' : 'Stronger'}: ${said}, ${inKg(Math.abs(by))} ${by < 0 ? 'less' : 'more'} sugar in ${inL(litresOf(plan))}`,
    why: 'the sugar goes with the strength',
    plan: next,
    isNote: false
  };
};

const fruit: Make = (plan, w) => {
  if (w.fruit === undefined) return null;
  const isMain = (i: Ingredient) => i.kind === 'produce' && !isCitrus(i);
  const kg = plan.ingredients.reduce((n, i) => n + (isMain(i) ? amountOf(i) : 0), 0);
  if (kg <= 0) return null;
  const next = {
    ...plan,
    ingredients: plan.ingredients.map((i) =>
      isMain(i) ? { ...withAmount(i, amountOf(i) * (1 + w.fruit!)), held: true } : i
    )
  };
  return {
    text: `${w.fruit > 0 ? 'More' : 'Less'} fruit: ${inKg(kg * (1 + w.fruit))} for ${inKg(kg)}`,
    why: w.fruit > 0 ? 'for body and smell' : 'for a lighter wine',
    plan: solvePlan(next).plan,
    isNote: false
  };
};

const tannin: Make = (plan, w) => {
  if (w.tannin === undefined) return null;
  const now = choiceOf(plan, 'tannin');
  if (w.tannin === 'less' && now !== 'none')
    return {
      text: 'No tannin powder',
      why: 'it was harsh',
      plan: { ...plan, tannin: 'none' },
      isNote: false
    };
  if (w.tannin === 'more' && now === 'none')
    return {
      text: 'Tannin powder',
      why: 'it had no grip',
      plan: { ...plan, tannin: 'powder' },
      isNote: false
    };
  return w.tannin === 'less'
    ? {
        text: 'Two days less on the fruit',
        why: 'its harshness came from skins and pips',
        plan: { ...plan, fruitFor: choiceOf(plan, 'fruitFor') === 'three' ? 'three' : 'five' },
        isNote: false
      }
    : {
        text: 'A little more tannin, by glasses before bottling',
        why: 'tannin was in it already',
        plan,
        isNote: true
      };
};

const yeast: Make = (plan, w) => {
  if (!w.isFaint || plan.yeast?.yeastId !== 'champagne') return null;
  return {
    text: `${YEASTS.wine.name} yeast for ${YEASTS.champagne.name.toLowerCase()}`,
    why: 'a neutral yeast leaves little of the fruit',
    plan: { ...plan, yeast: { yeastId: 'wine' } },
    isNote: false
  };
};

/** What a habit changes in the plan; nothing where a note is all it can be. */
const HABIT_PLAN: Partial<Record<keyof typeof HABITS, Partial<Plan>>> = {
  enzyme: { enzyme: true },
  feed: { nutrient: 'staggered' },
  drip: { press: 'drip' }
};

const MAKES: [id: string, make: Make][] = [
  ['fruit', fruit],
  ['yeast', yeast],
  ['strength', strength],
  ['acid', acid],
  ['sweet', sweet],
  ['tannin', tannin]
];

/**
 * What a tasting changes for next year, with its numbers; each is worked out on the plan that those before it leave.
 * @param made the plan of what was really done
 * @param left ids of changes that are not wanted
 * @returns the changes, and the plan with all that are wanted
 */
export function lessonsOf(
  made: Plan,
  wishes: Wishes,
  stood: Stood,
  left: ReadonlySet<string> = new Set()
): { changes: Omit<Change, 'plan'>[]; plan: Plan; note: string } {
  let plan = made;
  const changes: Omit<Change, 'plan'>[] = [];
  const take = ({ plan: next, ...change }: Change) => {
    changes.push(change);
    if (!left.has(change.id)) plan = next;
  };
  for (const [id, make] of MAKES) {
    const change = make(plan, wishes, stood);
    if (change) take({ id, ...change });
  }
  for (const habit of wishes.habits) {
    const does = HABIT_PLAN[habit];
    const isAlready = does && Object.entries(does).every(([k, v]) => plan[k as keyof Plan] === v);
    take({
      id: habit,
      text: HABITS[habit].change,
      why: HABITS[habit].why,
      plan: does ? { ...plan, ...does } : plan,
      isNote: !does || Boolean(isAlready)
    });
  }
  const note = changes
    .filter((c) => c.isNote && !left.has(c.id))
    .map((c) => `${c.text}.`)
    .join(' ');
  return { changes, plan: plan === made ? made : solvePlan(plan).plan, note };
}
