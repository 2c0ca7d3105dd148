import { greatUnit, massText, significant, volumeUnitFor } from '../units/format';
import { fromBase, toBase, UNIT_LABEL } from '../units/measure';
import { inL, METRIC, type SayUnits } from '../units/say';
import { z } from 'zod';
import { InputError } from '../units/input-error';
import { withoutFigures } from '../plan/figures';
import { nameOf } from '../plan/name';
import { amountOf, type Ingredient, type Plan } from '../plan/plan';
import { planSchema } from '../plan/plan-schema';
import { yeastName } from '../plan/chosen';
import { evaluate } from './evaluate';
import { choiceOf, optionsOf, SCHOOL_IDS, SCHOOLS } from '../tables/schools';

/** One version of a recipe: it is never changed, only followed by another. */
export const recipeSchema = z.strictObject({
  id: z.uuid(),
  /** the first version's id: what makes versions one recipe */
  family: z.uuid(),
  /** the version it came from; null for the first */
  parent: z.uuid().nullable(),
  version: z.int().min(1).max(10_000),
  name: z.string().min(1).max(120),
  plan: planSchema,
  /** what it says to the next cook */
  note: z.string().max(4000).optional(),
  madeAt: z.iso.datetime(),
  /** the batch whose doing it writes down */
  batchId: z.uuid().optional()
});
export type Recipe = z.infer<typeof recipeSchema>;

/**
 * A plan as the next version of a recipe, or the first of its own.
 * @param known the versions there are of it
 * @throws InputError without a name
 */
export function nextVersion(
  plan: Plan,
  name: string,
  parent: Recipe | null,
  known: readonly Recipe[],
  about: { note?: string; batchId?: string },
  id: string,
  at: number
): Recipe {
  if (!name.trim()) throw new InputError('The recipe has no name.', 'Give it one, such as Rhubarb.', 'name');
  return {
    id,
    family: parent?.family ?? id,
    parent: parent?.id ?? null,
    version: Math.max(0, ...known.map((r) => r.version)) + 1,
    name: name.trim(),
    // Lots belong to this year's harvest, and what was read and put away to this plan.
    plan: {
      ...plan,
      name: name.trim(),
      acknowledged: undefined,
      ingredients: plan.ingredients.map((row) => {
        const { lotId: _, ...i } = withoutFigures(row);
        return i as Ingredient;
      })
    },
    madeAt: new Date(at).toISOString(),
    ...(about.note?.trim() ? { note: about.note.trim() } : {}),
    ...(about.batchId ? { batchId: about.batchId } : {})
  };
}

/** What an ingredient is, whatever there is of it. */
const keyOf = (i: Ingredient): string =>
  i.kind === 'produce' || i.kind === 'juice'
    ? `${i.kind}:${i.produceId}:${i.form ?? ''}`
    : i.kind === 'sugar'
      ? `sugar:${i.sugarId}`
      : i.kind === 'acid'
        ? `acid:${i.acidId}`
        : i.kind === 'additive'
          ? `additive:${i.additiveId}`
          : i.kind;

/** An amount a litre of wine, so that batches of any size compare. */
type PerLitre = Map<string, { title: string; amount: number; unit: 'kg' | 'L' }>;

function perLitre(plan: Plan): PerLitre {
  const litres = evaluate(plan).likely.intoGlassL;
  const out: PerLitre = new Map();
  for (const i of plan.ingredients) {
    if (amountOf(i) <= 0) continue;
    const known = out.get(keyOf(i));
    const amount = amountOf(i) / (litres > 0 ? litres : 1);
    if (known) known.amount += amount;
    else out.set(keyOf(i), { title: nameOf(i), amount, unit: 'volumeL' in i ? 'L' : 'kg' });
  }
  return out;
}

/** Below this concentration, kg/L, an ingredient is a powder and is given in grams in every unit system. */
const A_POWDER_KG_L = 0.01;

/**
 * An ingredient's amount per litre of wine, or per gallon where the household measures in gallons.
 * @param amount kg or L of the ingredient in a litre of wine
 * @example perText(0.362, 'kg', METRIC) // '362 g a litre'
 */
export function perText(amount: number, unit: 'kg' | 'L', u: SayUnits): string {
  const each = amount * toBase(1, u.volume);
  const used = volumeUnitFor(each, u.volume);
  const text =
    unit === 'L'
      ? `${significant(fromBase(each, used), 3)} ${UNIT_LABEL[used]}`
      : u.mass === 'kg' || amount < A_POWDER_KG_L
        ? `${significant(1000 * each, 3)} g`
        : massText(each, u.mass);
  return `${text} a ${greatUnit(u.volume)}`;
}

/** Less than this share is weighing, not a change. */
const ALIKE = 0.02;

/**
 * How a plan differs from another, in lines: what is more or less a litre of wine, what is new or gone, other
 * goals, yeast and schools. Empty when they make the same wine.
 * @param u the household's units; metric if left out
 */
export function differences(from: Plan, to: Plan, u: SayUnits = METRIC): string[] {
  const lines: string[] = [];
  const [a, b] = [perLitre(from), perLitre(to)];
  for (const [key, x] of b) {
    const was = a.get(key);
    if (!was) lines.push(`${x.title} added, ${perText(x.amount, x.unit, u)}`);
    else if (Math.abs(x.amount - was.amount) > ALIKE * was.amount)
      lines.push(
        `${x.title} ${x.amount > was.amount ? 'up' : 'down'} from ${perText(was.amount, x.unit, u)} to ${perText(x.amount, x.unit, u)}`
      );
  }
  for (const [key, x] of a) if (!b.has(key)) lines.push(`no ${x.title.toLowerCase()}`);
  const [fa, fb] = [evaluate(from).likely, evaluate(to).likely];
  if (Math.abs(fa.finalAbv - fb.finalAbv) > 0.15)
    lines.push(`strength ${fb.finalAbv.toFixed(1)} % for ${fa.finalAbv.toFixed(1)} %`);
  if (Math.abs(fa.intoGlassL - fb.intoGlassL) > 0.1)
    lines.push(`${inL(fb.intoGlassL)} for ${inL(fa.intoGlassL)}`);
  const sweet = (p: Plan) => (choiceOf(p, 'finish') === 'dry' ? 0 : (p.target?.sweetGL ?? 0));
  if (sweet(from) !== sweet(to)) lines.push(`${sweet(to)} g/L of sweetness for ${sweet(from)}`);
  const yeast = (p: Plan) => yeastName(p.yeast);
  if (yeast(from) !== yeast(to)) lines.push(`${yeast(to)} yeast for ${yeast(from)}`);
  for (const s of SCHOOL_IDS) {
    const [was, is] = [choiceOf(from, s), choiceOf(to, s)];
    const name = (id: string) => optionsOf(s).find(([o]) => o === id)![1].name;
    if (was !== is) lines.push(`${SCHOOLS[s].title.toLowerCase()}: ${name(is)}, not ${name(was)}`);
  }
  return lines;
}

/** The versions of one recipe, newest first. */
export const versionsOf = (recipes: readonly Recipe[], family: string): Recipe[] =>
  recipes.filter((r) => r.family === family).sort((a, b) => b.version - a.version || (a.id < b.id ? 1 : -1));

/** The newest version of each recipe, by name. */
export function newest(recipes: readonly Recipe[]): Recipe[] {
  const last = new Map<string, Recipe>();
  for (const r of recipes) {
    const known = last.get(r.family);
    if (!known || r.version > known.version) last.set(r.family, r);
  }
  return [...last.values()].sort((a, b) => a.name.localeCompare(b.name));
}
