import { amountOf, type Ingredient } from './plan';
import { nameOf } from './name';
import type { HarvestLot } from './harvest';

/** A lot of produce in hand, and how much of it is left, kg. */
export type InStock = { lot: HarvestLot; leftKg: number };

/** How far two weighings of one thing may differ, as a fraction. Common practice. */
const SCALE = 0.03;
/** Less than this is none, kg. */
const A_CRUMB_KG = 0.005;

export type FromStock = {
  /** the same things, each with the lot it is taken from; one that is taken from two lots is two */
  items: Ingredient[];
  /** what was taken of each lot, by its id, kg */
  takenKg: Map<string, number>;
  /** what the stock does not hold, though it holds some of it; and what lies there in two forms */
  short: { name: string; wantsKg: number; leftKg: number }[];
  either: { name: string; forms: [string, string] }[];
};

type Fruit = Extract<Ingredient, { kind: 'produce' }>;

/** The oldest first; of what was picked at one moment the first by its id. */
const byAge = (a: InStock, b: InStock): number =>
  a.lot.at < b.lot.at ? -1 : a.lot.at > b.lot.at ? 1 : a.lot.id < b.lot.id ? -1 : 1;

/**
 * Takes produce from the stock, the oldest first: lots of the form that was said, and then of any other. What the stock
 * holds nothing of came from elsewhere, and stays as it is.
 * @param stock lots with something left
 * @example fromStock([{ kind: 'produce', produceId: 'plum', massKg: 2 }], []).items.length // 1
 */
export function fromStock(items: readonly Ingredient[], stock: readonly InStock[]): FromStock {
  const out: FromStock = { items: [], takenKg: new Map(), short: [], either: [] };
  const leftOf = (s: InStock) => s.leftKg - (out.takenKg.get(s.lot.id) ?? 0);
  for (const item of items) {
    const wantsKg = amountOf(item);
    if (item.kind !== 'produce' || item.lotId !== undefined || wantsKg <= 0) {
      if (item.kind === 'produce' && item.lotId)
        out.takenKg.set(item.lotId, (out.takenKg.get(item.lotId) ?? 0) + wantsKg);
      out.items.push(item);
      continue;
    }
    const form = item.form ?? 'fresh';
    const fits = stock
      .filter((s) => s.lot.produceId === item.produceId && leftOf(s) > A_CRUMB_KG)
      .filter((s) => form === 'fresh' || s.lot.form === form)
      .sort(byAge);
    const same = fits.filter((s) => s.lot.form === form);
    const others = fits.filter((s) => s.lot.form !== form);
    const sum = (lots: readonly InStock[]) => lots.reduce((kg, s) => kg + leftOf(s), 0);
    const near = wantsKg * (1 - SCALE);
    if (fits.length === 0) {
      out.items.push(item);
      continue;
    }
    if (same.length > 0 && others.length > 0 && sum(same) >= near && sum(others) >= near)
      out.either.push({ name: nameOf(item).toLowerCase(), forms: [form, others[0]!.lot.form] });
    const leftKg = sum(fits);
    if (leftKg < near) out.short.push({ name: nameOf(item).toLowerCase(), wantsKg, leftKg });
    out.items.push(...takenFrom(item, [...same, ...others], wantsKg, leftOf, out.takenKg));
  }
  return out;
}

/** One thing out of several lots; what they do not hold stays without a lot. */
function takenFrom(
  item: Fruit,
  lots: readonly InStock[],
  wantsKg: number,
  leftOf: (s: InStock) => number,
  takenKg: Map<string, number>
): Fruit[] {
  const out: Fruit[] = [];
  let rest = wantsKg;
  for (const s of lots) {
    if (rest <= A_CRUMB_KG) break;
    const left = leftOf(s);
    // A lot that is used up but for the error of a scale is used up.
    const kg = rest <= left * (1 + SCALE) ? rest : left;
    const { lot } = s;
    out.push({
      ...item,
      massKg: kg,
      lotId: lot.id,
      form: item.form && item.form !== 'fresh' ? item.form : lot.form,
      ...(item.weighed === undefined && lot.weighed ? { weighed: lot.weighed } : {}),
      ...(item.ripeness === undefined && lot.ripeness ? { ripeness: lot.ripeness } : {}),
      ...(item.entry === undefined && lot.entry ? { entry: lot.entry } : {})
    });
    takenKg.set(lot.id, (takenKg.get(lot.id) ?? 0) + Math.min(kg, left));
    rest -= kg;
  }
  return rest > A_CRUMB_KG ? [...out, { ...item, massKg: rest }] : out;
}

/**
 * Fresh produce that goes into the freezer: it moves, and is not there twice. Of a part a new lot is made.
 * @param at when, as ISO; @param newId makes an id for each new lot
 * @returns lots as they are then, and what of it was not in stock, kg: that was picked and frozen at once
 */
export function frozenOf(
  item: Fruit,
  stock: readonly InStock[],
  at: string,
  newId: () => string
): { lots: HarvestLot[]; restKg: number } {
  const lots: HarvestLot[] = [];
  let rest = item.massKg;
  const fresh = stock
    .filter((s) => s.lot.produceId === item.produceId && s.lot.form === 'fresh' && s.leftKg > A_CRUMB_KG)
    .sort(byAge);
  for (const { lot, leftKg } of fresh) {
    if (rest <= A_CRUMB_KG) break;
    if (rest >= leftKg * (1 - SCALE)) {
      lots.push({ ...lot, form: 'frozen', fates: [...lot.fates, { at, what: 'frozen', massKg: leftKg }] });
      rest = Math.max(0, rest - leftKg);
      if (rest < item.massKg * SCALE) rest = 0;
      continue;
    }
    lots.push(
      { ...lot, fates: [...lot.fates, { at, what: 'moved', massKg: rest }] },
      { ...lot, id: newId(), massKg: rest, form: 'frozen', fates: [{ at, what: 'frozen', massKg: rest }] }
    );
    rest = 0;
  }
  return { lots, restKg: rest };
}
