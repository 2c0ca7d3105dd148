import { z } from 'zod';
import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';

const figure = (min: number, max: number) => z.number().finite().min(min).max(max);
const volumeL = figure(0.01, 5000);
const abv = figure(0, 23);
const hexoseGL = figure(0, 400);
const taGL = figure(0, 40);

/** Exactly one of several, where each is another way to say the same. */
const oneOf = <T extends z.ZodRawShape>(shape: T, keys: string[]) =>
  z
    .strictObject(shape)
    .refine(
      (d) => keys.filter((k) => (d as Record<string, unknown>)[k] !== undefined).length === 1,
      `wants one of ${keys.join(', ')}`
    );

const sulphite = z.strictObject({
  ask: z.literal('sulphite'),
  volumeL,
  ph: figure(1.5, 9),
  style: z.enum(['white', 'red']),
  /** free sulphur dioxide that was measured in it */
  freeMgL: figure(0, 500).optional(),
  /** told for the record: tables of molecular sulphur dioxide do without it */
  abv: abv.optional()
});
const sorbate = z.strictObject({ ask: z.literal('sorbate'), volumeL, abv, ph: figure(1.5, 9).optional() });
const sweeten = oneOf(
  {
    ask: z.literal('sweeten'),
    volumeL,
    sg: figure(0.97, 1.2),
    abv,
    sweetenerId: z.enum(Object.keys(SWEETENERS) as [SweetenerId, ...SweetenerId[]]),
    toSg: figure(0.97, 1.2).optional(),
    /** grams of the sweetener in each litre as it stands */
    addGL: figure(0, 500).optional()
  },
  ['toSg', 'addGL']
);
const blend = z.strictObject({
  ask: z.literal('blend'),
  wines: z
    .array(z.strictObject({ name: z.string().max(120), volumeL: figure(0, 5000), abv, taGL, hexoseGL }))
    .min(1)
    .max(40),
  want: z
    .strictObject({
      volumeL: volumeL.optional(),
      abv: abv.optional(),
      taGL: taGL.optional(),
      hexoseGL: hexoseGL.optional()
    })
    .refine((w) => Object.values(w).some((x) => x !== undefined), 'wants a volume, abv, taGL or hexoseGL')
});
const prime = z.strictObject({
  ask: z.literal('prime'),
  volumeL,
  abv,
  /** the warmest it has been since it finished */
  tempC: figure(-2, 40),
  /** sugar in it that its yeast will take */
  hexoseGL: hexoseGL.optional(),
  /** gas: g/L of carbon dioxide, volumes, or bar of gauge pressure at 20 °C */
  want: oneOf(
    { gL: figure(0, 25).optional(), volumes: figure(0, 12).optional(), bar20: figure(0, 12).optional() },
    ['gL', 'volumes', 'bar20']
  )
});
const heat = z.strictObject({ ask: z.literal('heat'), coreC: figure(0, 100), minutes: figure(0, 600) });

/** One sum of finishing and bottling, told apart by what it asks. Volumes in L, temperatures in °C. */
export const finishRequestSchema = z.discriminatedUnion('ask', [
  sulphite,
  sorbate,
  sweeten,
  blend,
  prime,
  heat
]);
export type FinishRequest = z.infer<typeof finishRequestSchema>;

const n = z.number();
const cautions = z.array(z.string());
/** What each sum answers. */
export const finishAnswerSchema = z.union([
  z.strictObject({
    freeTargetMgL: n,
    metabisulphiteG: n,
    withBoundG: z.strictObject({ low: n, high: n }),
    cautions
  }),
  z.strictObject({ sorbateG: n, cautions }),
  z.strictObject({ massKg: n, volumeL: n, sg: n, abv: n, cautions }),
  z.strictObject({
    take: z.array(z.strictObject({ name: z.string(), volumeL: n })),
    volumeL: n,
    abv: n,
    taGL: n,
    hexoseGL: n,
    misses: z.array(z.strictObject({ of: z.string(), by: n })),
    cautions
  }),
  z.strictObject({ sugarG: n, perBottleG: n, bar20: n, bar30: n, cautions }),
  z.strictObject({ pu: n, cautions })
]);
export type FinishAnswer = z.infer<typeof finishAnswerSchema>;
