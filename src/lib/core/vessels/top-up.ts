import { abvOf } from '../ferment/convert';
import { acidityOf } from '../liquid/acidity';
import { withAdded } from '../must/adjust';
import { addInto, liquid, scaled, type Stock } from '../liquid/stock';
import type { Ingredient } from '../plan/plan';

/** What a wine would be once its headspace is filled. */
export type After = { abv: number; taGL: number; ph: number; sugarGL: number };

export type TopUp = {
  id: 'like-wine' | 'water' | 'juice' | 'gas';
  name: string;
  /** what goes in; null for gas, and for wine of another batch, which is a blend */
  ingredient: Ingredient | null;
  /** the batch and vessel whose wine it is */
  from: { batchId: string; vesselId: string } | null;
  after: After;
  note: string;
};

const afterOf = (stock: Stock): After => {
  const a = acidityOf(stock);
  return { abv: abvOf(stock), taGL: a.taGL, ph: a.ph, sugarGL: (1000 * stock.hexoseKg) / a.volumeL };
};

/** Other wine that could fill the gap: where it stands, what it is called, and a litre or more of it. */
export type OtherWine = { batchId: string; vesselId: string; name: string; stock: Stock };

/**
 * Every way to take the air from over a wine, with what each does to strength, acid and sweetness.
 * @param stock what stands in the vessel; `gapL` litres of air over it
 * @param others wines that stand elsewhere
 * @returns none when there is no wine or no gap
 */
export function topUps(stock: Stock, gapL: number, others: readonly OtherWine[]): TopUp[] {
  if (!liquid(stock) || gapL <= 0.01) return [];
  const with_ = (item: Ingredient) => afterOf(withAdded(stock, item));
  const water: Ingredient = { kind: 'water', volumeL: gapL };
  const juice: Ingredient = { kind: 'juice', produceId: 'apple', volumeL: gapL };
  return [
    ...others.flatMap((o): TopUp[] => {
      const there = liquid(o.stock);
      if (!there || there.volumeL < gapL) return [];
      const mixed = addInto(scaled(stock), o.stock, gapL / there.volumeL);
      return [
        {
          id: 'like-wine',
          name: o.name,
          ingredient: null,
          from: { batchId: o.batchId, vesselId: o.vesselId },
          after: afterOf(mixed),
          note: 'Like in colour and age is best.'
        }
      ];
    }),
    {
      id: 'water',
      name: 'Boiled, cooled water',
      ingredient: water,
      from: null,
      after: with_(water),
      note: 'Thins it; a little does no harm.'
    },
    {
      id: 'juice',
      name: 'Apple juice',
      ingredient: juice,
      from: null,
      after: with_(juice),
      note: 'Brings sugar: it ferments again.'
    },
    {
      id: 'gas',
      name: 'Inert gas',
      ingredient: null,
      from: null,
      after: afterOf(stock),
      note: 'Changes nothing; again whenever it was opened.'
    }
  ];
}
