import { z } from 'zod';
import { findPoisonous, unsafePart } from '../cautions/plants';
import { produceById } from '../produce/table';
import {
  ACID_ADDITIONS,
  ADDITIVES,
  SWEETENERS,
  YEASTS,
  type AcidAdditionId,
  type AdditiveId,
  type SweetenerId,
  type YeastId
} from './substances';

const keys = <K extends string>(table: Record<K, unknown>) => Object.keys(table) as [K, ...K[]];
const MAX_KG = 2000;
const MAX_L = 5000;

const massKg = z.number().finite().min(0, 'must not be negative').max(MAX_KG, `is more than ${MAX_KG} kg`);
const volumeL = z.number().finite().min(0, 'must not be negative').max(MAX_L, `is more than ${MAX_L} L`);

const produceId = z.string().superRefine((id, ctx) => {
  if (produceById(id)) return;
  const poison = findPoisonous(id) ?? unsafePart(id);
  ctx.addIssue(
    poison
      ? `“${id}” is not food: ${poison.why}`
      : `“${id}” is no produce in the table; GET /api/produce lists them`
  );
});

const juiceId = produceId.refine(
  (id) => !produceById(id) || produceById(id)!.forms.includes('juice'),
  'is not pressed for juice; enter it as produce'
);

/** On a row of the slip: the row's own id, the unit it was typed in, and whether Vecino works it out. */
const row = {
  id: z.string().max(64).optional(),
  unit: z.string().max(12).optional(),
  /** true when the amount is held by the user; false when the solver may change it */
  held: z.boolean().optional()
};

export const ingredientSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...row,
    kind: z.literal('produce'),
    produceId,
    massKg,
    form: z.enum(['fresh', 'frozen', 'dried']).optional(),
    /** bought weight is converted by the usable fraction; trimmed is what goes in */
    weighed: z.enum(['trimmed', 'bought']).optional()
  }),
  z.strictObject({
    ...row,
    kind: z.literal('sugar'),
    sugarId: z.enum(keys<SweetenerId>(SWEETENERS)),
    massKg
  }),
  z.strictObject({ ...row, kind: z.literal('honey'), massKg }),
  z.strictObject({ ...row, kind: z.literal('juice'), produceId: juiceId, volumeL }),
  z.strictObject({
    ...row,
    kind: z.literal('water'),
    volumeL,
    /** mg/L as CaCO₃ */
    alkalinityMgL: z.number().finite().min(0).max(1000).optional()
  }),
  z.strictObject({
    ...row,
    kind: z.literal('wine'),
    volumeL,
    abv: z.number().finite().min(0).max(25),
    sg: z.number().finite().min(0.97).max(1.2),
    taGL: z.number().finite().min(0).max(30).optional()
  }),
  z.strictObject({
    ...row,
    kind: z.literal('acid'),
    acidId: z.enum(keys<AcidAdditionId>(ACID_ADDITIONS)),
    massKg
  }),
  z.strictObject({
    ...row,
    kind: z.literal('additive'),
    additiveId: z.enum(keys<AdditiveId>(ADDITIVES)),
    massKg: massKg.max(20, 'is more than 20 kg of a powder')
  })
]);

export const yeastSchema = z.strictObject({
  yeastId: z.enum(keys<YeastId>(YEASTS)).optional(),
  toleranceAbv: z.number().finite().min(1).max(25).optional()
});

/** What is asked of the solver: strength and amount, each held or left to follow. */
export const targetSchema = z.strictObject({
  abv: z.number().finite().min(0).max(25).nullable(),
  /** litres into glass, once the fruit is out */
  volumeL: z.number().finite().positive().max(MAX_L).nullable(),
  /** how the amount was said: litres, gallons or bottles of 0.75 L */
  volumeUnit: z.enum(['L', 'us-gal', 'uk-gal', 'bottles']).optional()
});

/** A plan: what the Plan page edits, a file holds, and `POST /api/estimate` takes. */
export const planSchema = z.strictObject({
  ingredients: z
    .array(ingredientSchema)
    .min(1, 'needs at least one ingredient')
    .max(100, 'holds more than 100 ingredients'),
  yeast: yeastSchema.optional(),
  name: z.string().max(120).optional(),
  target: targetSchema.optional(),
  vesselId: z.string().max(64).optional(),
  /** the school for wild yeast: sulphite, heat or wild */
  wildYeast: z.enum(['sulphite', 'heat', 'wild']).optional(),
  press: z.enum(['drip', 'squeeze', 'press']).optional()
});

export type Ingredient = z.infer<typeof ingredientSchema>;
export type Plan = z.infer<typeof planSchema>;
export type Target = z.infer<typeof targetSchema>;
export type Yeast = z.infer<typeof yeastSchema>;

/** Tolerance low–usual–high of a yeast; a bare figure is taken ±1 %. */
export function toleranceOf(yeast: Yeast | undefined): readonly [number, number, number] {
  if (yeast?.toleranceAbv !== undefined) {
    const t = yeast.toleranceAbv;
    return [Math.max(0.5, t - 1), t, t + 1];
  }
  return YEASTS[yeast?.yeastId ?? 'wine'].toleranceAbv;
}
