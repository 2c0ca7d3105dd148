import type { Deed, Draft } from '$core/commands/deed';
import { leftKg } from '$core/plan/harvest';
import type { Ingredient } from '$core/plan/plan';
import { fromStock, type InStock } from '$core/plan/stock';
import { isSound } from '$core/report/summary';
import { massText } from '$core/units/format';
import { AskError } from '$core/units/input-error';
import { settingsFrom } from '$core/units/settings';
import { db } from './db';

/** Kilograms that batches took of each lot, by its id, and the batches that did. */
export async function lotsUsed(): Promise<
  Map<string, { kg: number; batches: { id: string; name: string }[] }>
> {
  const used = new Map<string, { kg: number; batches: { id: string; name: string }[] }>();
  await db.summaries
    .where('lotIds')
    .notEqual('')
    .distinct()
    .each((s) => {
      if (!isSound(s)) return;
      for (const [lotId, kg] of Object.entries(s.lotsKg)) {
        const u = used.get(lotId) ?? { kg: 0, batches: [] };
        u.kg += kg;
        u.batches.push({ id: s.id, name: s.state.name });
        used.set(lotId, u);
      }
    });
  return used;
}

/** Produce in hand, with what is left of it. */
export async function stockNow(): Promise<InStock[]> {
  const lots = await db.harvest.toArray();
  if (lots.length === 0) return [];
  const used = await lotsUsed();
  return lots.map((lot) => ({ lot, leftKg: leftKg(lot, used.get(lot.id)?.kg ?? 0) }));
}

/** What goes into a wine by an event. */
const itemsOf = (d: Draft): readonly Ingredient[] | null =>
  d.type === 'addition' || d.type === 'steep' ? d.data.ingredients : null;

/**
 * A deed whose produce comes from the stock: whatever a wine takes, by whatever form or line, is not in hand any more.
 * @param sure said to be so where it was asked about
 * @throws AskError where the stock holds less, or holds it both fresh and frozen
 */
export async function takenFromStock(deed: Deed, sure: boolean): Promise<Deed> {
  const isOpen = (i: Ingredient) => i.kind === 'produce' && i.lotId === undefined && i.massKg > 0;
  if (!deed.some((d) => itemsOf(d)?.some(isOpen))) return deed;
  let stock = await stockNow();
  if (stock.length === 0) return deed;
  const unit = settingsFrom((await db.settings.get('household'))?.value).mass;
  return deed.map((d) => {
    const items = itemsOf(d);
    if (!items?.some(isOpen)) return d;
    const found = fromStock(items, stock);
    const [short, either] = [found.short[0], found.either[0]];
    if (!sure && short)
      throw new AskError(
        `${massText(short.wantsKg, unit)} of ${short.name} goes in, and only ${massText(short.leftKg, unit)} is in hand.`,
        'Is the rest from elsewhere?'
      );
    if (!sure && either)
      throw new AskError(
        `${either.name[0]!.toUpperCase()}${either.name.slice(1)} are in hand both ${either.forms.join(' and ')}.`,
        `Say “${either.forms[1]}” if it is those; else the ${either.forms[0]} are taken, the oldest first.`
      );
    stock = stock.map((s) => ({ ...s, leftKg: s.leftKg - (found.takenKg.get(s.lot.id) ?? 0) }));
    return { ...d, data: { ...d.data, ingredients: found.items } } as Draft;
  });
}
