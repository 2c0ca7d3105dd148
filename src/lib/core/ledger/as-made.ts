import { likelyFigures } from '../must/balance';
import { nameOf } from '../plan/name';
import { withoutFigures } from '../plan/figures';
import { amountOf, isKnown, withAmount, type Ingredient, type Plan } from '../plan/plan';
import { liveEvents, type LedgerEvent } from './log';
import type { BatchState } from './state';

/** What powders are dosed anew by the plan, and so do not go into a recipe by weight. */
const isDosed = (i: Ingredient, plan: Plan): boolean =>
  i.kind === 'additive' &&
  !plan.ingredients.some((p) => p.kind === 'additive' && p.additiveId === i.additiveId && amountOf(p) > 0);

/**
 * The plan of what was really done: what went in by what was weighed, feeds and corrections with it, the yeast that
 * was pitched, the fruit as it was taken out. It can be kept as the next version of the recipe.
 * @param events of the batch; @param s the batch as it stands
 */
export function asMade(events: readonly LedgerEvent[], s: Pick<BatchState, 'id' | 'plan' | 'name'>): Plan {
  const rows = new Map<string, Ingredient>();
  let yeast = s.plan.yeast;
  let pitched = false;
  let press = s.plan.press;
  for (const e of liveEvents(events)) {
    if (e.batchId !== s.id) continue;
    if (e.type === 'pitch' && !pitched) {
      yeast = e.data.yeast;
      pitched = true;
    }
    if (e.type === 'fruit-out') press = e.data.press;
    if (e.type !== 'addition') continue;
    for (const i of e.data.ingredients) {
      if (isDosed(i, s.plan) || !isKnown(i)) continue;
      const key = keyOf(i);
      const known = rows.get(key);
      const { id: _id, lotId: _lot, most: _most, ...plain } = withoutFigures(i);
      rows.set(
        key,
        known
          ? withAmount(known, amountOf(known) + amountOf(i))
          : ({ ...plain, held: !isPoured(i) } as Ingredient)
      );
    }
  }
  const made: Plan = {
    ...s.plan,
    ingredients: [...rows.values()],
    name: s.name,
    ...(yeast ? { yeast } : {}),
    ...(press ? { press } : {})
  };
  const f = likelyFigures(made);
  if (!Number.isFinite(f.potentialAbv)) return made;
  return {
    ...made,
    target: {
      ...s.plan.target,
      abv: Number(f.potentialAbv.toFixed(1)),
      volumeL: Number(f.intoGlassL.toFixed(1)),
      fillL: null
    }
  };
}

/** Sugar and water that went in are worked out anew in the next wine. */
const isPoured = (i: Ingredient): boolean => i.kind === 'sugar' || i.kind === 'honey' || i.kind === 'water';

/** Parts of one thing go together; fruit in another form, or handled otherwise, is another thing. */
const keyOf = (i: Ingredient): string =>
  i.kind === 'produce' ? `${nameOf(i)}:${i.form ?? ''}:${i.heat ?? ''}:${i.weighed ?? ''}` : nameOf(i);

/** What people told themselves to do otherwise, oldest first. */
export const nextTimeNotes = (events: readonly LedgerEvent[]): { at: string; text: string }[] =>
  liveEvents(events).flatMap((e) =>
    e.type === 'note' && e.data.nextTime
      ? [{ at: e.at, text: e.data.text }]
      : e.type === 'tasting' && e.data.nextTime
        ? [{ at: e.at, text: e.data.nextTime }]
        : []
  );
