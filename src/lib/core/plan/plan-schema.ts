import { inKg, inL } from '../units/say';
import { z } from 'zod';
import { findPoisonous, unsafePart } from '../tables/plants';
import {
  CUT_PACE,
  HEAT_PACE,
  MILLS,
  PRESSES,
  RIPENESS,
  type Cut,
  type Heat,
  type Mill,
  type Press,
  type Ripeness
} from './extraction';
import { SCHOOLS, type ChoiceOf, type SchoolId } from '../tables/schools';
import type { Produce } from '../tables/produce';
import { ownProduceSchema, produceSchema } from '../tables/produce-schema';
import { produceById } from '../tables/table';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { YEASTS, type YeastId } from '../tables/yeasts';
import { ACID_ADDITIONS, ADDITIVES, type AcidAdditionId, type AdditiveId } from '../tables/substances';

const keys = <K extends string>(table: Record<K, unknown>) => Object.keys(table) as [K, ...K[]];

const MAX_KG = 2000;
const MAX_L = 5000;
const amount = (most: number, said: string) =>
  z.number().finite().min(0, 'must not be negative').max(most, `is more than ${said}`);
const massKg = amount(MAX_KG, inKg(MAX_KG, 'rule'));

const volumeL = amount(MAX_L, inL(MAX_L, 'rule'));
const produceId = z.string().max(64);
const id = z.string().max(64);

const findings = {
  /** degrees Brix of the strained juice */
  brix: z.number().finite().min(0).max(80).optional(),
  /** titratable acid of the juice, g/L as tartaric */
  taGL: z.number().finite().min(0).max(100).optional(),
  ph: z.number().finite().min(1.5).max(9).optional()
};

/** What was measured in the juice of a lot: it replaces the table for that lot. */
export const juiceReadingSchema = z.strictObject(findings);

/** The entry a row of produce or juice is reckoned by: its own, else what it was made with, else the table's. */
type WithEntry = { produceId: string; entry?: Produce | undefined; figures?: Produce | undefined };

type Check = <T extends WithEntry>(item: T, ctx: z.RefinementCtx<T>) => void;

/** What a row names is no poison, and an entry of one's own is for what it names. */
const soundEntry: Check = (item, ctx) => {
  const issue = (message: string, key = 'produceId') =>
    ctx.addIssue({ code: 'custom', message, path: [key], input: item });
  if (item.entry && item.entry.id !== item.produceId)
    return issue(`is for “${item.entry.id}”, not “${item.produceId}”`, 'entry');
  if (!item.entry && produceById(item.produceId)) return;
  for (const name of [item.entry?.name, item.entry?.plural, item.entry?.latin, item.produceId]) {
    const poison = name ? (findPoisonous(name) ?? unsafePart(name)) : null;
    if (poison) return issue(`“${name}” is not food: ${poison.why}`);
  }
};

/** The same, and that its figures are known. */
const knownEntry: Check = (item, ctx) => {
  soundEntry(item, ctx);
  if (!item.entry && !item.figures && !produceById(item.produceId))
    ctx.addIssue({
      code: 'custom',
      message: `“${item.produceId}” is no produce in the table; GET /api/produce lists them`,
      path: ['produceId'],
      input: item
    });
};

/** On a row of the slip: the row's own id, the unit it was typed in, and whether Vecino works it out. */
const row = {
  id: z.string().max(64).optional(),
  unit: z.string().max(12).optional(),
  /** true when the amount is held by the user; false when the solver may change it */
  held: z.boolean().optional(),
  /** the most there is of it, kg or L: the solver takes no more */
  most: z.number().finite().min(0).max(MAX_L).optional(),
  /** the lot of the harvest that it is taken from */
  lotId: id.optional()
};

const ingredients = (checkEntry: Check, isKept: boolean) =>
  z.discriminatedUnion('kind', [
    z
      .strictObject({
        ...row,
        kind: z.literal('produce'),
        produceId,
        /** the user's own entry, or their figures for the table's */
        entry: ownProduceSchema.optional(),
        /** the table's figures as they were when this went in */
        figures: produceSchema.optional(),
        massKg,
        form: z.enum(['fresh', 'frozen', 'canned', 'dried']).optional(),
        /** bought weight is converted by the usable fraction; trimmed is what goes in */
        weighed: z.enum(['trimmed', 'bought']).optional(),
        cut: z.enum(keys<Cut>(CUT_PACE)).optional(),
        heat: z.enum(keys<Heat>(HEAT_PACE)).optional(),
        simmerMin: z.number().finite().min(0).max(600).optional(),
        ripeness: z.enum(keys<Ripeness>(RIPENESS)).optional(),
        /** what became of the juice that thawing let go */
        thawJuice: z.enum(['kept', 'poured-off']).optional(),
        /** pressed for its juice, without water: only the juice goes in */
        pressed: z
          .strictObject({ press: z.enum(keys<Press>(PRESSES)), mill: z.enum(keys<Mill>(MILLS)) })
          .optional(),
        /** strained off before the sugar goes in; what is simmered is, unless said */
        strained: z.boolean().optional(),
        measured: juiceReadingSchema.optional()
      })
      .superRefine(checkEntry),
    z.strictObject({
      ...row,
      kind: z.literal('sugar'),
      sugarId: z.enum(keys<SweetenerId>(SWEETENERS)),
      massKg,
      /** left lying on the bottom, to dissolve by itself */
      layered: z.boolean().optional()
    }),
    z.strictObject({ ...row, kind: z.literal('honey'), massKg, layered: z.boolean().optional() }),
    z
      .strictObject({
        ...row,
        kind: z.literal('juice'),
        produceId,
        entry: ownProduceSchema.optional(),
        figures: produceSchema.optional(),
        form: z.enum(['juice', 'concentrate']).optional(),
        volumeL,
        ripeness: z.enum(keys<Ripeness>(RIPENESS)).optional(),
        measured: juiceReadingSchema.optional()
      })
      .superRefine((item, ctx) => {
        checkEntry(item, ctx);
        const entry = item.entry ?? produceById(item.produceId);
        if (!isKept && entry && !entry.forms.includes('juice'))
          ctx.addIssue({
            code: 'custom',
            message: 'is not pressed for juice; enter it as produce',
            path: ['produceId'],
            input: item
          });
      }),
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
      taGL: z.number().finite().min(0).max(30).optional(),
      ph: z.number().finite().min(2.5).max(5).optional()
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
      massKg: massKg.max(20, `is more than ${inKg(20, 'rule')} of a powder`)
    })
  ]);

/** An ingredient of a plan that is made now. */
export const ingredientSchema = ingredients(knownEntry, false);

/** One that was written down, by whatever table there was then. */
export const keptIngredientSchema = ingredients(soundEntry, true);

export const yeastSchema = z.strictObject({
  yeastId: z.enum(keys<YeastId>(YEASTS)).optional(),
  toleranceAbv: z.number().finite().min(1).max(25).optional(),
  /** the name or the code on its packet */
  name: z.string().min(1).max(60).optional(),
  /** temperatures it works between, °C, where its packet says so */
  coldC: z.number().finite().min(0).max(35).optional(),
  warmC: z.number().finite().min(5).max(45).optional()
});

/** What is asked of the solver; what is null or left out follows. */
export const goalsSchema = z.strictObject({
  abv: z.number().finite().min(0).max(25).nullable(),
  /** litres into glass, once the fruit is out; null makes as much as the fruit usually does */
  volumeL: z.number().finite().positive().max(MAX_L).nullable(),
  /** how the amount was said: litres, gallons or bottles of 0.75 L */
  volumeUnit: z.enum(['L', 'us-gal', 'uk-gal', 'bottles']).optional(),
  /** the amount by the vessel: litres of must and fruit that it is filled with */
  fillL: z.number().finite().positive().max(MAX_L).nullish(),
  /** usable fruit, kg a litre of wine */
  fruitKgL: z.number().finite().positive().max(5).nullish(),
  /** titratable acid of the must, g/L as tartaric */
  taGL: z.number().finite().min(0).max(40).nullish(),
  /** the must's pH is to be no higher */
  phMax: z.number().finite().min(2.5).max(7).nullish(),
  /** sugar in the finished wine, g/L; 0 is dry */
  sweetGL: z.number().finite().min(0).max(200).nullish(),
  /** nitrogen that yeast can take, at least, mg/L */
  yanMgL: z.number().finite().min(0).max(1000).nullish(),
  /** the start gravity is to be no higher, once the fruit has given all */
  sgMax: z.number().finite().min(1.01).max(1.2).nullish(),
  /** how far each may be missed, in its own unit, before anything else gives way for it */
  within: z
    .partialRecord(
      z.enum(['abv', 'volumeL', 'fillL', 'fruitKgL', 'taGL', 'phMax', 'yanMgL', 'sgMax']),
      z.number().finite().min(0).max(100)
    )
    .optional()
});

/** A choice in a school; the usual one is taken when it is left out. */
const school = <S extends SchoolId>(s: S) =>
  z.enum(Object.keys(SCHOOLS[s].options) as [ChoiceOf<S>, ...ChoiceOf<S>[]]).optional();

/** The choices of method that a plan holds, one for each school. */
export const methodShape = {
  wash: school('wash'),
  wildYeast: school('wildYeast'),
  fruitIn: school('fruitIn'),
  fruitFor: school('fruitFor'),
  press: school('press'),
  cover: school('cover'),
  pitch: school('pitch'),
  sugar: school('sugar'),
  powders: school('powders'),
  stirring: school('stirring'),
  air: school('air'),
  nutrient: school('nutrient'),
  sharpen: school('sharpen'),
  tannin: school('tannin'),
  clearing: school('clearing'),
  finish: school('finish'),
  topUp: school('topUp'),
  alcohol: school('alcohol'),
  /** pectic enzyme: given unless said otherwise where the fruit holds pectin */
  enzyme: z.boolean().optional()
};

/** A plan: what the Plan page edits, a file holds, and `POST /api/estimate` takes. */
const plans = <I extends typeof ingredientSchema>(item: I) =>
  z.strictObject({
    ingredients: z
      .array(item)
      .min(1, 'needs at least one ingredient')
      .max(100, 'holds more than 100 ingredients'),
    yeast: yeastSchema.optional(),
    name: z.string().max(120).optional(),
    /** its goals: `target` is their name in files and on the routes */
    target: goalsSchema.optional(),
    vesselId: z.string().max(64).optional(),
    /** how warm it is where it will stand, °C */
    roomC: z.number().finite().min(0).max(40).optional(),
    /** how brisk ferments are there, against the usual */
    pace: z.number().finite().min(0.1).max(10).optional(),
    ...methodShape,
    /** what a kg or a litre costs, by the id of the produce, sugar, acid or powder, or water, honey, wine; `bottle` is for one bottle with its stopper */
    prices: z.record(id, z.number().finite().min(0).max(100_000)).optional(),
    /** cautions that were read and put away while planning */
    acknowledged: z.array(id).max(100).optional()
  });

export const planSchema = plans(ingredientSchema);

/** A plan that was written down. */
export const keptPlanSchema = plans(keptIngredientSchema);
