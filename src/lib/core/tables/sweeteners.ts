import { inML } from '../units/say';
import { SUCROSE_TO_HEXOSE } from '../liquid/sugar';
import type { Acid } from '../liquid/acid';

/** A sugar or sweetener by what 1 kg of it holds. */
export type Sweetener = {
  name: string;
  /** what people type for it */
  words: string;
  kind: 'sugar' | 'honey' | 'syrup' | 'concentrate' | 'malt' | 'non-fermenting';
  /** share by mass that is water, or takes room as water does */
  water: number;
  /**
   * soluble solids as sucrose would weigh. What is less dense in water than sucrose (0.62 mL/g) counts as so much
   * sucrose and so much water that mass and room are both right: (1 − v) / 0.38 for v mL/g.
   */
  solids: number;
  /** fermentable sugar as it weighs, share of the whole */
  fermentable: number;
  /** hexose a kg of that sugar becomes: sucrose 1.0526, maltose 1.0526, hexoses 1 */
  toHexose: number;
  /** sweetness of the whole against sucrose = 1 */
  sweetness: number;
  /** acids, g/kg, free and as salts; with the pH they show in a juice of it */
  acids?: Partial<Record<Acid, number>>;
  ph?: number;
  /** nitrogen that yeast can take, mg/kg */
  nitrogenMgKg?: number;
  note: string;
};

/**
 * What is no sugar, as sucrose and water that weigh and take room as it does.
 * @param mlPerG apparent volume in water: erythritol 0.71, xylitol 0.66, glycerol 0.77. @source handbook values (from memory)
 */
const weighsAs = (mlPerG: number) => {
  const solids = (1 - mlPerG) / (1 - 0.62);
  return { solids, water: 1 - solids };
};

/**
 * Sugars and sweeteners. Honey: 82 % solids, about 95 % of them fermentable.
 * @source Handbook of Chemistry for the pure sugars; honey and syrups common practice (from memory)
 */
export const SWEETENERS = {
  white: {
    name: 'White sugar',
    words: 'white sugar table cane beet granulated caster',
    kind: 'sugar',
    water: 0,
    solids: 1,
    fermentable: 1,
    toHexose: SUCROSE_TO_HEXOSE,
    sweetness: 1,
    note: 'Cane or beet, all the same to yeast; ferments right out.'
  },
  brown: {
    name: 'Brown sugar',
    words: 'brown soft sugar',
    kind: 'sugar',
    water: 0.02,
    solids: 0.98,
    fermentable: 0.96,
    toHexose: 1.05,
    sweetness: 0.97,
    note: 'A little molasses taste and colour.'
  },
  demerara: {
    name: 'Raw cane sugar',
    words: 'raw cane sugar demerara turbinado',
    kind: 'sugar',
    water: 0.01,
    solids: 0.99,
    fermentable: 0.98,
    toHexose: 1.0516,
    sweetness: 0.98,
    note: 'Light toffee; ferments right out.'
  },
  palm: {
    name: 'Palm sugar',
    words: 'palm coconut sugar jaggery',
    kind: 'sugar',
    water: 0.06,
    solids: 0.94,
    fermentable: 0.88,
    toHexose: 1.047,
    sweetness: 0.9,
    note: 'Smoky caramel; minerals soften the acid a little.'
  },
  dextrose: {
    name: 'Dextrose',
    words: 'dextrose corn sugar glucose brewing',
    kind: 'sugar',
    water: 0.09,
    solids: 0.91,
    fermentable: 0.91,
    toHexose: 1,
    sweetness: 0.7,
    note: 'The monohydrate sold for brewing; ferments right out.'
  },
  fructose: {
    name: 'Fruit sugar',
    words: 'fruit sugar fructose',
    kind: 'sugar',
    water: 0,
    solids: 1,
    fermentable: 1,
    toHexose: 1,
    sweetness: 1.3,
    note: 'Pure fructose; yeast takes it last, and right out.'
  },
  honey: {
    name: 'Honey',
    words: 'honey blossom',
    kind: 'honey',
    water: 0.18,
    solids: 0.82,
    fermentable: 0.78,
    toHexose: 1.003,
    sweetness: 0.95,
    acids: { lactic: 3.15 },
    ph: 3.9,
    nitrogenMgKg: 25,
    note: 'Almost no nitrogen: give nutrient.'
  },
  'heather-honey': {
    name: 'Heather honey',
    words: 'heather honey',
    kind: 'honey',
    water: 0.21,
    solids: 0.79,
    fermentable: 0.74,
    toHexose: 1.003,
    sweetness: 0.9,
    acids: { lactic: 3.9 },
    ph: 4.1,
    nitrogenMgKg: 60,
    note: 'Wetter and stronger in taste; foams with its protein.'
  },
  'honeydew-honey': {
    name: 'Honeydew honey',
    words: 'honeydew forest honey',
    kind: 'honey',
    water: 0.165,
    solids: 0.835,
    fermentable: 0.74,
    toHexose: 1.004,
    sweetness: 0.85,
    acids: { lactic: 4.6 },
    ph: 4.5,
    nitrogenMgKg: 50,
    note: 'From the forest: dark, mineral, leaves some sweetness behind.'
  },
  'invert-syrup': {
    name: 'Invert syrup',
    words: 'invert sugar syrup',
    kind: 'syrup',
    water: 0.25,
    solids: 0.75,
    fermentable: 0.75,
    toHexose: 1,
    sweetness: 0.85,
    note: 'Half dextrose, half fructose, with water.'
  },
  'bottled-syrup': {
    name: 'Bottled syrup',
    words: 'bottled label syrup cordial squash',
    kind: 'syrup',
    water: 0.4,
    solids: 0.6,
    fermentable: 0.6,
    toHexose: SUCROSE_TO_HEXOSE,
    sweetness: 0.6,
    note: `Sugar as most labels have it, about 77 g in ${inML(100)}. Read the label: sorbate or benzoate stops yeast.`
  },
  'golden-syrup': {
    name: 'Golden syrup',
    words: 'golden light treacle syrup',
    kind: 'syrup',
    water: 0.17,
    solids: 0.83,
    fermentable: 0.8,
    toHexose: 1.02,
    sweetness: 0.8,
    note: 'Part inverted cane syrup; a toffee taste.'
  },
  molasses: {
    name: 'Molasses',
    words: 'molasses black treacle dark',
    kind: 'syrup',
    water: 0.22,
    solids: 0.78,
    fermentable: 0.56,
    toHexose: 1.035,
    sweetness: 0.55,
    note: 'Strong taste, much mineral; a spoonful, not a pound.'
  },
  'corn-syrup': {
    name: 'Corn syrup',
    words: 'corn glucose syrup',
    kind: 'syrup',
    water: 0.2,
    solids: 0.8,
    fermentable: 0.58,
    toHexose: 1.02,
    sweetness: 0.4,
    note: 'Part of it is starch that yeast cannot take: leaves body and sweetness.'
  },
  'agave-syrup': {
    name: 'Agave syrup',
    words: 'agave syrup nectar',
    kind: 'syrup',
    water: 0.24,
    solids: 0.76,
    fermentable: 0.74,
    toHexose: 1,
    sweetness: 1.05,
    note: 'Mostly fructose; ferments nearly right out.'
  },
  'maple-syrup': {
    name: 'Maple syrup',
    words: 'maple syrup',
    kind: 'syrup',
    water: 0.33,
    solids: 0.67,
    fermentable: 0.655,
    toHexose: 1.05,
    sweetness: 0.66,
    note: 'Mostly sucrose.'
  },
  'date-syrup': {
    name: 'Date syrup',
    words: 'date syrup',
    kind: 'syrup',
    water: 0.24,
    solids: 0.76,
    fermentable: 0.68,
    toHexose: 1.002,
    sweetness: 0.75,
    note: 'Dark and fruity.'
  },
  'white-grape-concentrate': {
    name: 'White grape concentrate',
    words: 'white grape concentrate',
    kind: 'concentrate',
    water: 0.32,
    solids: 0.68,
    fermentable: 0.65,
    toHexose: 1,
    sweetness: 0.75,
    acids: { tartaric: 9, malic: 9 },
    ph: 3.3,
    nitrogenMgKg: 500,
    note: 'Body and wine character; brings acid and some nitrogen.'
  },
  'red-grape-concentrate': {
    name: 'Red grape concentrate',
    words: 'red grape concentrate',
    kind: 'concentrate',
    water: 0.32,
    solids: 0.68,
    fermentable: 0.65,
    toHexose: 1,
    sweetness: 0.75,
    acids: { tartaric: 8, malic: 7 },
    ph: 3.5,
    nitrogenMgKg: 500,
    note: 'Body, colour and tannin; brings acid and some nitrogen.'
  },
  'apple-concentrate': {
    name: 'Apple concentrate',
    words: 'apple concentrate',
    kind: 'concentrate',
    water: 0.3,
    solids: 0.7,
    fermentable: 0.62,
    toHexose: 1.01,
    sweetness: 0.8,
    acids: { malic: 26 },
    ph: 3.5,
    nitrogenMgKg: 250,
    note: 'Malic acid and body for cider and root wines.'
  },
  'liquid-malt': {
    name: 'Liquid malt extract',
    words: 'liquid malt extract syrup',
    kind: 'malt',
    water: 0.2,
    solids: 0.8,
    fermentable: 0.6,
    toHexose: 1.047,
    sweetness: 0.35,
    acids: { lactic: 5 },
    ph: 5.4,
    nitrogenMgKg: 1200,
    note: 'About a quarter stays as body; ale yeast takes least. Contains gluten.'
  },
  'dry-malt': {
    name: 'Dry malt extract',
    words: 'dry dried spray malt extract',
    kind: 'malt',
    water: 0.03,
    solids: 0.97,
    fermentable: 0.73,
    toHexose: 1.047,
    sweetness: 0.42,
    acids: { lactic: 6 },
    ph: 5.4,
    nitrogenMgKg: 1450,
    note: 'About a quarter stays as body. Contains gluten.'
  },
  lactose: {
    name: 'Lactose',
    words: 'lactose milk sugar',
    kind: 'non-fermenting',
    water: 0.05,
    solids: 0.95,
    fermentable: 0,
    toHexose: 1,
    sweetness: 0.17,
    note: 'Milk sugar: yeast cannot take it. Allergen.'
  },
  maltodextrin: {
    name: 'Maltodextrin',
    words: 'maltodextrin body powder',
    kind: 'non-fermenting',
    water: 0.05,
    solids: 0.95,
    fermentable: 0.03,
    toHexose: 1.05,
    sweetness: 0.05,
    note: 'Body with hardly any sweetness; almost nothing ferments.'
  },
  erythritol: {
    name: 'Erythritol',
    words: 'erythritol sweetener',
    kind: 'non-fermenting',
    ...weighsAs(0.71),
    fermentable: 0,
    toHexose: 1,
    sweetness: 0.65,
    note: 'Sweetens, does not ferment.'
  },
  xylitol: {
    name: 'Xylitol',
    words: 'xylitol birch sugar sweetener',
    kind: 'non-fermenting',
    ...weighsAs(0.66),
    fermentable: 0,
    toHexose: 1,
    sweetness: 1,
    note: 'Sweet as sugar, does not ferment. Deadly to dogs.'
  },
  glycerol: {
    name: 'Glycerol',
    words: 'glycerol glycerine',
    kind: 'non-fermenting',
    ...weighsAs(0.77),
    fermentable: 0,
    toHexose: 1,
    sweetness: 0.6,
    note: 'Smooth and sweet; lifts the gravity less than sugar does. Food grade only.'
  }
} as const satisfies Record<string, Sweetener>;

export type SweetenerId = keyof typeof SWEETENERS;
