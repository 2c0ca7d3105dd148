import { leftKg, lotEntry } from '$core/plan/harvest';
import type { Ingredient } from '$core/plan/plan';
import { planSchema } from '$core/plan/plan-schema';
import { evaluate } from '$core/must/evaluate';
import { lotRow } from '$core/solve/propose';
import { scalePlan } from '$core/solve/solve';
import { rowOf } from '$core/solve/portrait';
import { roomFor } from '$core/steps/stages';
import { isOpenVessel } from '$core/vessels/vessels';
import { freeVessels } from '../vessel/free-vessels';
import { db } from '$lib/store/db';
import { dropDraft, readDraft } from '$lib/store/draft';
import { allProduce, household } from '$lib/store/household.svelte';
import { lotsUsed } from '$lib/store/stock';
import type { Bench } from './bench.svelte';

/** Puts on the bench what another page asked for in the address: a produce, a lot, a proposal or a recipe. */
export async function takeAsked(bench: Bench, asked: URLSearchParams): Promise<void> {
  // “Plan with it” from the Almanac: the produce goes on the slip, once.
  const id = asked.get('add');
  const produce = allProduce().find((p) => p.id === id);
  if (produce) {
    const isOwn = household.ownProduce.some((p) => p.id === id);
    const { entry, ...row } = rowOf(produce, Number(asked.get('kg')) || 0) as {
      entry?: unknown;
    } & Ingredient;
    bench.put((isOwn ? { ...row, entry } : row) as Ingredient);
  }
  // A lot from the harvest, with all that is left of it.
  const lot = await db.harvest.get(asked.get('lot') ?? '');
  if (lot) {
    const massKg = leftKg(lot, (await lotsUsed()).get(lot.id)?.kg ?? 0);
    bench.put(
      lotRow({
        lotId: lot.id,
        produce: lotEntry(lot),
        isOwn: lot.entry !== undefined,
        massKg,
        form: lot.form,
        weighed: lot.weighed,
        ripeness: lot.ripeness
      })
    );
    // What only seasons a wine would make a sea of it: as much as the largest bucket takes, and no more.
    const most = Math.max(
      0,
      ...freeVessels()
        .filter(isOpenVessel)
        .map((v) => roomFor(bench.plan, v))
    );
    const made = bench.estimate?.vesselVolumeL?.likely ?? 0;
    if (most > 0 && made > most) bench.fillVessel(most);
  }
  // A wine that was proposed for what is in hand.
  if (asked.get('from') === 'proposed') {
    const plan = planSchema.safeParse(await readDraft('proposed'));
    if (plan.success) bench.adopt(plan.data, { recipeId: null });
    await dropDraft('proposed');
  }
  const recipe = await db.recipes.get(asked.get('recipe') ?? '');
  if (recipe) {
    const litres = Number(asked.get('litres'));
    const own = evaluate(recipe.plan).likely.intoGlassL;
    const plan = litres > 0 && own > 0 ? scalePlan(recipe.plan, litres / own) : recipe.plan;
    bench.adopt({ ...plan, name: recipe.name }, { recipeId: recipe.id });
  }
}
