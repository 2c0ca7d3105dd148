import type { z } from 'zod';
import type { Produce } from '../tables/produce';
import { produceById } from '../tables/table';
import type {
  goalsSchema,
  ingredientSchema,
  juiceReadingSchema,
  planSchema,
  yeastSchema
} from './plan-schema';

export type JuiceReading = z.infer<typeof juiceReadingSchema>;
export type Ingredient = z.infer<typeof ingredientSchema>;
export type Plan = z.infer<typeof planSchema>;
export type Goals = z.infer<typeof goalsSchema>;
export type Yeast = z.infer<typeof yeastSchema>;

export type ProduceRow = Extract<Ingredient, { kind: 'produce' | 'juice' }>;

/** The entry an ingredient is reckoned by, its own or the table's; undefined for what is no produce. */
export const entryOf = (item: Ingredient): Produce | undefined =>
  'produceId' in item
    ? ((item as ProduceRow).entry ?? (item as ProduceRow).figures ?? produceById(item.produceId))
    : undefined;

/** Whether an ingredient can be reckoned with: produce needs its figures. */
export const isKnown = (item: Ingredient): boolean => !('produceId' in item) || entryOf(item) !== undefined;

/**
 * Kilograms or litres of an ingredient, as it was entered.
 * @example amountOf({ kind: 'water', volumeL: 4 }) // 4
 */
export const amountOf = (item: Ingredient): number => ('volumeL' in item ? item.volumeL : item.massKg);

/** The same ingredient, so much of it: kg or L. */
export const withAmount = (item: Ingredient, amount: number): Ingredient =>
  'volumeL' in item ? { ...item, volumeL: amount } : ({ ...item, massKg: amount } as Ingredient);
