import { nextVersion, type Recipe } from '$core/must/recipe';
import type { Plan } from '$core/plan/plan';
import { db } from './db';
import { newId } from './here';
import { keep } from './things';

/**
 * Keeps a plan as a version of a recipe: the next of `parent`'s, or the first of its own.
 * @param about a note to the next cook, and the batch whose doing it writes down
 */
export async function keepRecipe(
  plan: Plan,
  name: string,
  parent: Recipe | null,
  about: { note?: string; batchId?: string } = {}
): Promise<Recipe> {
  const known = parent ? await db.recipes.where('family').equals(parent.family).toArray() : [];
  const recipe = nextVersion(plan, name, parent, known, about, newId(), Date.now());
  await keep('recipes', recipe);
  return (await db.recipes.get(recipe.id))!;
}
