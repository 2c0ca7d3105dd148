import { ACIDS } from '../liquid/acid';
import { z } from 'zod';
import { FAMILIES, FORMS } from './produce';

/** Low, typical, high: 10th, 50th and 90th percentile. */
const spread = z
  .tuple([z.number().min(0), z.number().min(0), z.number().min(0)])
  .refine(([low, typical, high]) => low <= typical && typical <= high, 'must run low, typical, high')
  .readonly();

const within = (low: number, high: number, what: string) =>
  spread.refine((s) => s.every((x) => x >= low && x <= high), `must lie within ${low} and ${high} ${what}`);

/** Where a figure comes from: a key of SOURCES in sources.ts; `own` is the user's, `garden` what their batches taught. */
const source = z.enum(['usda', 'sfk', 'fda', 'handbook', 'practice', 'estimate', 'own', 'garden']);

/**
 * One kind of produce, per 100 g of usable (trimmed) weight, fresh.
 * Water is what is left: 100 − solids − insolubles.
 */
export const produceSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(64),
  name: z.string().min(1).max(80),
  plural: z.string().min(1).max(80),
  latin: z.string().max(80),
  family: z.enum(FAMILIES),
  /** dissolved matter, g/100 g: sets the gravity */
  solids: within(0, 99, 'g/100 g'),
  /** sugars yeast can take, g/100 g as they weigh in the produce */
  sugars: within(0, 99, 'g/100 g'),
  /** share of those sugars that is sucrose and takes up water as it splits */
  sucroseShare: z.number().min(0).max(1),
  /** acids by kind, free and as salts together, g/100 g */
  acids: z.partialRecord(z.enum(ACIDS), within(0, 50, 'g/100 g')),
  ph: within(1.5, 9, 'pH'),
  /** weak buffer near pH 6.7 (phosphate, protein), mmol/kg: matters only in low-acid produce */
  bufferMmolKg: z.number().min(0).max(500),
  /** K, Na, Ca, Mg in mg/100 g */
  minerals: z.strictObject({ k: z.number(), na: z.number(), ca: z.number(), mg: z.number() }),
  /** what never dissolves: fibre, skins, seeds, starch, g/100 g */
  insolubles: within(0, 99, 'g/100 g'),
  /** share of the bought weight that is left after trimming */
  usable: within(0, 1, 'of it'),
  /** weight of one piece, and of a litre loosely filled, grams; null where nobody counts or fills that way */
  pieceG: z.number().positive().max(20_000).nullable(),
  litreG: z.number().positive().max(3000).nullable(),
  pectin: z.enum(['none', 'low', 'medium', 'high']),
  tannin: z.enum(['none', 'low', 'medium', 'high']),
  nitrogen: z.enum(['none', 'low', 'medium', 'high']),
  forms: z.array(z.enum(FORMS)).min(1),
  /** kg per litre of wine: light, common, full */
  amountKgL: within(0, 20, 'kg/L'),
  /** hours after crushing until half of what the fruit holds is in the must */
  halfGivenH: within(0, 10_000, 'h'),
  /** days on the fruit */
  steepDays: within(0, 400, 'days'),
  hoursPerKg: z.number().min(0).max(100),
  /** months of harvest in the northern hemisphere, 1–12 */
  season: z.array(z.int().min(1).max(12)),
  /** ids in cautions/rules.ts */
  cautions: z.array(z.string()),
  /** colours of must and fruit in the drawings */
  colour: z.strictObject({ must: z.string(), fruit: z.string() }),
  /** of how many batches of the household's own these figures are */
  garden: z.strictObject({ batches: z.int().min(2).max(10_000) }).optional(),
  from: z.strictObject({ composition: source, acids: source, ph: source, minerals: source, handling: source })
});

/** An entry of the user's own, or the table's with figures of their own. It travels with the plans that use it. */
export const ownProduceSchema = produceSchema
  .refine((p) => [0, 1, 2].every((i) => p.sugars[i]! <= p.solids[i]!), {
    message: 'sugars must not be more than the soluble solids',
    path: ['sugars']
  })
  .refine((p) => p.solids[2] + p.insolubles[2] < 99, {
    message: 'solids and what never dissolves must leave some water',
    path: ['solids']
  });
