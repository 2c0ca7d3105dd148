import { fillL } from '../../ledger/fill';
import type { BatchState } from '../../ledger/state';
import { doseL } from '../../ledger/will-hold';
import type { Ingredient } from '../../plan/plan';
import { usualG, type DoseId } from '../../tables/doses';
import type { AdditiveId } from '../../tables/substances';
import type { Put } from './define';

/** Usual grams of what goes into a must, for the batch as it will be once its fruit has given. */
export const usualDoseG = (what: DoseId, s: BatchState): number =>
  usualG(what, Math.max(0.2, doseL(s)), s.produceKg);

/** A powder on the slip, from grams. */
export const powder = (additiveId: AdditiveId, massG: number): Ingredient => ({
  kind: 'additive',
  additiveId,
  massKg: massG / 1000
});

/** So many grams a litre into every vessel, by what each holds. */
export const intoAll = (s: BatchState, perL: readonly (readonly [AdditiveId, number])[]): Put[] =>
  s.fills.map((f) => ({
    vesselId: f.vesselId,
    ingredients: perL.map(([id, g]) => powder(id, g * fillL(f)))
  }));
