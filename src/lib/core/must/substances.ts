/** A sugar or sweetener by what 1 kg of it holds. */
export type Sweetener = {
  name: string;
  /** share by mass that is water */
  water: number;
  /** soluble solids, by how sugar-like they lift the gravity */
  solids: number;
  /** fermentable sugar as it weighs, share of the whole */
  fermentable: number;
  /** hexose a kg of that sugar becomes: sucrose 1.0526, hexoses 1 */
  toHexose: number;
  /** sweetness against sucrose = 1 */
  sweetness: number;
  note: string;
};

/** Sucrose takes up water as it splits: 360.31 / 342.30. */
export const SUCROSE_TO_HEXOSE = 1.0526;

/**
 * Sugars and sweeteners. Honey: 82 % solids, about 95 % of them fermentable.
 * @source Handbook of Chemistry for the pure sugars; honey and syrups common practice (from memory)
 */
export const SWEETENERS = {
  white: {
    name: 'White sugar',
    water: 0,
    solids: 1,
    fermentable: 1,
    toHexose: SUCROSE_TO_HEXOSE,
    sweetness: 1,
    note: 'Cane or beet, all the same to yeast; ferments right out.'
  },
  brown: {
    name: 'Brown sugar',
    water: 0.02,
    solids: 0.98,
    fermentable: 0.96,
    toHexose: 1.05,
    sweetness: 0.97,
    note: 'Molasses taste and colour.'
  },
  dextrose: {
    name: 'Dextrose',
    water: 0.09,
    solids: 0.91,
    fermentable: 0.91,
    toHexose: 1,
    sweetness: 0.7,
    note: 'The monohydrate sold for brewing; ferments right out.'
  },
  honey: {
    name: 'Honey',
    water: 0.18,
    solids: 0.82,
    fermentable: 0.78,
    toHexose: 1.003,
    sweetness: 0.95,
    note: 'Almost no nitrogen: give nutrient.'
  },
  'invert-syrup': {
    name: 'Invert syrup',
    water: 0.25,
    solids: 0.75,
    fermentable: 0.75,
    toHexose: 1,
    sweetness: 0.85,
    note: 'Half dextrose, half fructose, with water.'
  },
  'maple-syrup': {
    name: 'Maple syrup',
    water: 0.33,
    solids: 0.67,
    fermentable: 0.655,
    toHexose: 1.05,
    sweetness: 0.66,
    note: 'Mostly sucrose.'
  },
  lactose: {
    name: 'Lactose',
    water: 0.05,
    solids: 0.95,
    fermentable: 0,
    toHexose: 1,
    sweetness: 0.17,
    note: 'Milk sugar: yeast cannot take it. Allergen.'
  },
  erythritol: {
    name: 'Erythritol',
    water: 0,
    solids: 1,
    fermentable: 0,
    toHexose: 1,
    sweetness: 0.65,
    note: 'Sweetens, does not ferment.'
  }
} as const satisfies Record<string, Sweetener>;

export type SweetenerId = keyof typeof SWEETENERS;

/** Acids and salts that change acidity; `acid` by kind, or strong ion in eq per kg. */
export const ACID_ADDITIONS = {
  tartaric: { name: 'Tartaric acid', acid: 'tartaric', purity: 1, strongIonEqKg: 0 },
  malic: { name: 'Malic acid', acid: 'malic', purity: 1, strongIonEqKg: 0 },
  citric: { name: 'Citric acid', acid: 'citric', purity: 0.914, strongIonEqKg: 0 },
  'potassium-bicarbonate': { name: 'Potassium bicarbonate', acid: null, purity: 1, strongIonEqKg: 9.988 },
  'calcium-carbonate': { name: 'Calcium carbonate', acid: null, purity: 1, strongIonEqKg: 19.98 }
} as const;

/** Powders dosed for what they do; they bring no sugar and no volume worth counting. */
export const ADDITIVES = {
  campden: 'Campden tablet',
  metabisulphite: 'Potassium metabisulphite',
  sorbate: 'Potassium sorbate',
  'pectic-enzyme': 'Pectic enzyme',
  nutrient: 'Nutrient mix',
  dap: 'Diammonium phosphate',
  tannin: 'Tannin',
  'acid-blend': 'Acid blend',
  bentonite: 'Bentonite',
  oak: 'Oak chips',
  hops: 'Dry hops'
} as const;

/** Yeasts by type. `toleranceAbv` low–usual–high, % by volume. Common practice. */
export const YEASTS = {
  champagne: {
    name: 'Champagne type',
    toleranceAbv: [16, 18, 19],
    lagH: 18,
    note: 'Neutral, strong, restarts stuck wines.'
  },
  wine: {
    name: 'General wine type',
    toleranceAbv: [13, 14, 15.5],
    lagH: 24,
    note: 'For most fruit and flowers.'
  },
  'red-fruit': {
    name: 'Red-fruit type',
    toleranceAbv: [14, 15.5, 17],
    lagH: 24,
    note: 'Holds colour and fruit.'
  },
  ale: { name: 'Ale type', toleranceAbv: [8, 9.5, 11], lagH: 16, note: 'Light, fruity; leaves sweetness.' },
  wild: {
    name: 'Wild',
    toleranceAbv: [4, 10, 14],
    lagH: 72,
    note: 'What came on the fruit: anything may happen.'
  }
} as const;

export type YeastId = keyof typeof YEASTS;
export type AdditiveId = keyof typeof ADDITIVES;
export type AcidAdditionId = keyof typeof ACID_ADDITIONS;
