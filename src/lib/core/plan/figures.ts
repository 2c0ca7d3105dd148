import { produceById } from '../tables/table';
import type { Ingredient, ProduceRow } from './plan';

/** A row with the table's figures as they are today, so that no later table rewrites what was made with it. */
const withFigure = (item: Ingredient): Ingredient => {
  if (!('produceId' in item) || item.entry || item.figures) return item;
  const figures = produceById(item.produceId);
  return figures ? ({ ...item, figures } as Ingredient) : item;
};

/** The data of an event, each row of produce in it with its figures. */
export const withFigures = <T>(data: T): T => {
  const holds = data as { ingredients?: Ingredient[]; ingredient?: Ingredient };
  return {
    ...data,
    ...(Array.isArray(holds.ingredients) ? { ingredients: holds.ingredients.map(withFigure) } : {}),
    ...(holds.ingredient ? { ingredient: withFigure(holds.ingredient) } : {})
  };
};

/** A row without them, as a new plan wants it. */
export const withoutFigures = (item: Ingredient): Ingredient => {
  if (!('produceId' in item)) return item;
  const { figures: _, ...bare } = item as ProduceRow;
  return bare as Ingredient;
};
