import type { Acid } from '../liquid/acid';

/**
 * Acids and salts that change acidity: grams of each acid in a gram, or strong ion in eq per kg.
 * Blends differ; a third of each acid is common practice. Citric is the monohydrate.
 */
export const ACID_ADDITIONS = {
  tartaric: {
    name: 'Tartaric acid',
    acids: { tartaric: 1 },
    strongIonEqKg: 0,
    note: 'Clean and strong; part of it drops out in the cold.'
  },
  malic: {
    name: 'Malic acid',
    acids: { malic: 1 },
    strongIonEqKg: 0,
    note: 'Green-apple sharpness; bacteria can soften it later.'
  },
  citric: {
    name: 'Citric acid',
    acids: { citric: 0.914 },
    strongIonEqKg: 0,
    note: 'What lemons bring; bright.'
  },
  'acid-blend': {
    name: 'Acid blend',
    acids: { tartaric: 1 / 3, malic: 1 / 3, citric: 1 / 3 },
    strongIonEqKg: 0,
    note: 'A third of each; blends differ, read the tub.'
  },
  'potassium-bicarbonate': {
    name: 'Potassium bicarbonate',
    acids: {},
    strongIonEqKg: 9.988,
    note: 'Takes acid away, foams, tastes of little. Stir in small lots.'
  },
  'calcium-carbonate': {
    name: 'Chalk',
    acids: {},
    strongIonEqKg: 19.98,
    note: 'Calcium carbonate: takes acid away; slow to clear, chalky when overdone. In must, not in wine.'
  }
} as const satisfies Record<
  string,
  {
    name: string;
    acids: Partial<Record<Acid, number>>;
    strongIonEqKg: number;
    note: string;
  }
>;

/** Powders dosed for what they do; they bring no sugar and no volume worth counting. */
export const ADDITIVES = {
  campden: 'Campden tablet',
  metabisulphite: 'Potassium metabisulphite',
  sorbate: 'Potassium sorbate',
  'pectic-enzyme': 'Pectic enzyme',
  nutrient: 'Nutrient mix',
  dap: 'Diammonium phosphate',
  energizer: 'Yeast energizer',
  'rehydration-nutrient': 'Rehydration nutrient',
  'yeast-hulls': 'Yeast hulls',
  tannin: 'Tannin',
  tea: 'Tea',
  zest: 'Citrus zest',
  'acid-blend': 'Acid blend',
  bentonite: 'Bentonite',
  kieselsol: 'Kieselsol, first part',
  chitosan: 'Chitosan, second part',
  gelatine: 'Gelatine finings',
  isinglass: 'Isinglass',
  'egg-white': 'Egg white',
  casein: 'Casein',
  amylase: 'Amylase enzyme',
  malolactic: 'Malolactic culture',
  oak: 'Oak chips',
  hops: 'Dry hops'
} as const;

/** Nitrogen that yeast can take from a powder, mg/g. DAP by its formula; nutrient mixes differ, common practice. */
export const NITROGEN_MG_G: Partial<Record<keyof typeof ADDITIVES, number>> = {
  dap: 212,
  nutrient: 100,
  energizer: 100,
  'rehydration-nutrient': 40
};

export type AdditiveId = keyof typeof ADDITIVES;

export type AcidAdditionId = keyof typeof ACID_ADDITIONS;
