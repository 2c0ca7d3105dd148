import type { HarvestLot, Keeping } from '$core/plan/harvest';
import type { Produce } from '$core/tables/produce';

/** A lot as the page shows it: what is left, how long it keeps, and what took of it. */
export type Stored = {
  lot: HarvestLot;
  produce: Produce;
  leftKg: number;
  keeping: Keeping;
  batches: { id: string; name: string }[];
};
