import { asYeast, type OwnYeast } from '$core/plan/own-yeast';
import { toleranceOf } from '$core/plan/chosen';
import type { Yeast } from '$core/plan/plan';
import { YEASTS, type YeastId } from '$core/tables/yeasts';

/** A yeast that can be chosen, with what tells it from the others. */
export type YeastChoice = { id: string; name: string; note: string; yeast: Yeast };

/** The household's own yeasts, by the name on their packet, and then the types. */
export const yeastChoices = (own: readonly OwnYeast[]): YeastChoice[] => [
  ...own.map((y) => ({
    id: `own:${y.id}`,
    name: `${y.name}, to about ${toleranceOf(asYeast(y))[1]} %`,
    note: `Your own: ${YEASTS[y.yeastId].name.toLowerCase()}.`,
    yeast: asYeast(y)
  })),
  ...(Object.keys(YEASTS) as YeastId[]).map((id) => ({
    id,
    name: `${YEASTS[id].name}, to about ${YEASTS[id].toleranceAbv[1]} %`,
    note: YEASTS[id].note,
    yeast: { yeastId: id }
  }))
];

/** The choice that a yeast is: its own by its name, else its type. */
export const choiceIdOf = (yeast: Yeast | undefined, own: readonly OwnYeast[]): string => {
  const mine = own.find((y) => y.name === yeast?.name);
  return mine ? `own:${mine.id}` : (yeast?.yeastId ?? 'wine');
};

/** What a sentence calls it: the name on its packet, else its type. */
export const shortName = (yeast: Yeast): string =>
  yeast.name ?? YEASTS[yeast.yeastId ?? 'wine'].name.toLowerCase().replace(' type', '');
