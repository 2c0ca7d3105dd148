import type { Recipe } from '$core/must/recipe';
import { household, type OpenBatch } from '$lib/store/household.svelte';

/** The version of a recipe that a wine was begun from; null where it was none, or is not here. */
export function recipeOf({ events }: Pick<OpenBatch, 'events'>): Recipe | null {
  const planned = events.find((e) => e.type === 'planned');
  const id = planned?.type === 'planned' ? planned.data.recipeId : undefined;
  return household.recipes.find((r) => r.id === id) ?? null;
}
