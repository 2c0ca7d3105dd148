import { KG_PER, L_PER } from '../units/measure';
import type { Spread } from '../units/range';

/** Grams in a level teaspoon (4.93 mL). @source kitchen and supplier tables (from memory) */
export const TEASPOON_G = {
  sugar: 4.2,
  'acid-blend': 4.7,
  citric: 4.7,
  tartaric: 5,
  'pectic-enzyme': 3,
  dap: 5,
  nutrient: 4,
  tannin: 2.7,
  metabisulphite: 6,
  sorbate: 2.8,
  bentonite: 3.4
} as const;

export const CUP_G = { 'white-sugar': 200, 'brown-sugar': 213, honey: 340 } as const;
export const CAMPDEN_TABLET_G = 0.44;
/** Share of sulphur dioxide in the salt, by molar mass. */
export const SO2_SHARE = { potassium: 0.576, sodium: 0.674 } as const;

const perUsGal = (teaspoonG: number, [low, usual, high]: Spread): Spread => [
  (low * teaspoonG) / L_PER['us-gal'],
  (usual * teaspoonG) / L_PER['us-gal'],
  (high * teaspoonG) / L_PER['us-gal']
];

export type Dose = {
  name: string;
  perL: Spread;
  teaspoonG: number | null;
  basis: 'must' | 'fruit';
  why: string;
};

/**
 * Usual doses, grams a litre of must, low–usual–high. All common practice.
 * The pectic enzyme's other rule, a tenth of a teaspoon a pound of fruit, is `ENZYME_G_PER_KG`.
 */
export const DOSES = {
  nutrient: {
    name: 'Nutrient mix',
    perL: perUsGal(TEASPOON_G.nutrient, [0.5, 1, 1.5]),
    teaspoonG: TEASPOON_G.nutrient,
    basis: 'must',
    why: 'Yeast food; a must for flowers and honey.'
  },
  'acid-blend': {
    name: 'Acid blend',
    perL: perUsGal(TEASPOON_G['acid-blend'], [0.5, 1, 2]),
    teaspoonG: TEASPOON_G['acid-blend'],
    basis: 'must',
    why: 'Only when nothing is measured.'
  },
  tannin: {
    name: 'Tannin',
    perL: perUsGal(TEASPOON_G.tannin, [0.25, 0.5, 0.5]),
    teaspoonG: TEASPOON_G.tannin,
    basis: 'must',
    why: 'Grip and keeping; or one strong tea bag a gallon.'
  },
  'pectic-enzyme': {
    name: 'Pectic enzyme',
    perL: perUsGal(TEASPOON_G['pectic-enzyme'], [0.25, 0.5, 1]),
    teaspoonG: TEASPOON_G['pectic-enzyme'],
    basis: 'must',
    why: 'Frees juice and keeps the wine from haze. Below 40 °C.'
  },
  campden: {
    name: 'Campden',
    perL: [
      (0.5 * CAMPDEN_TABLET_G) / L_PER['us-gal'],
      CAMPDEN_TABLET_G / L_PER['us-gal'],
      (2 * CAMPDEN_TABLET_G) / L_PER['us-gal']
    ],
    teaspoonG: null,
    basis: 'must',
    why: 'One crushed tablet a US gallon, about 67 mg/L of sulphur dioxide; wait 24 h before the yeast.'
  },
  metabisulphite: {
    name: 'Potassium metabisulphite',
    perL: [0.04, (0.25 * TEASPOON_G.metabisulphite) / (6 * L_PER['us-gal']), 0.15],
    teaspoonG: TEASPOON_G.metabisulphite,
    basis: 'must',
    why: 'At stabilising, a quarter teaspoon for 6 US gal: about 38 mg/L of sulphur dioxide.'
  },
  sorbate: {
    name: 'Potassium sorbate',
    perL: [0.2, 0.3, 0.4],
    teaspoonG: TEASPOON_G.sorbate,
    basis: 'must',
    why: 'Only with sulphite, only in finished clear wine.'
  },
  yeast: {
    name: 'Dry yeast',
    perL: [0.2, 0.25, 1.3],
    teaspoonG: null,
    basis: 'must',
    why: 'One 5 g packet covers up to about 20 L.'
  },
  'dry-hops': {
    name: 'Dry hops',
    perL: [0.5, 1, 4],
    teaspoonG: null,
    basis: 'must',
    why: 'Steeped in the jar.'
  }
} as const satisfies Record<string, Dose>;

export type DoseId = keyof typeof DOSES;

/** A tenth of a level teaspoon a pound of fruit. Common practice. */
export const ENZYME_G_PER_KG = (0.1 * TEASPOON_G['pectic-enzyme']) / KG_PER.lb;

/** Grams of `id` for `volumeL` of must, low–usual–high. */
export const doseG = (id: DoseId, volumeL: number): Spread => {
  const [low, usual, high] = DOSES[id].perL;
  return [low * volumeL, usual * volumeL, high * volumeL];
};

/** Whole Campden tablets for `volumeL`, at least one. */
export const campdenTablets = (volumeL: number): number =>
  Math.max(1, Math.round(doseG('campden', volumeL)[1] / CAMPDEN_TABLET_G));

/** Grams of pectic enzyme by the more generous of its two rules: by must and by fruit. */
export const enzymeG = (volumeL: number, fruitKg: number): number =>
  Math.max(doseG('pectic-enzyme', volumeL)[1], ENZYME_G_PER_KG * fruitKg);

/** Grams of dry yeast: a 5 g packet, or more for a large must. */
export const yeastG = (volumeL: number): number => Math.max(5, doseG('yeast', volumeL)[1]);

/**
 * Whether a dose is outside any sane range: more than ten times the high one.
 * A teaspoon–tablespoon or gram–ounce slip shows here.
 */
export const isAbsurdDose = (id: DoseId, massG: number, volumeL: number): boolean =>
  massG > 10 * doseG(id, volumeL)[2];

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

/**
 * The nearest practical spoon: eighths of a teaspoon up to 1, quarters up to 3, then tablespoons.
 * @param massG grams; `teaspoonG` grams of it in a level teaspoon
 * @example spoonText(5.6, 3) // '1¾ tsp'
 */
export function spoonText(massG: number, teaspoonG: number): string {
  const spoons = massG / teaspoonG;
  if (spoons < 0.0625) return 'a pinch';
  const mixed = (amount: number, unit: string) => {
    const eighths = Math.max(1, Math.round(amount * 8));
    const whole = Math.floor(eighths / 8);
    return `${whole || ''}${EIGHTHS[eighths % 8]} ${unit}`;
  };
  if (spoons < 1) return mixed(spoons, 'tsp');
  if (spoons < 3) return mixed(Math.round(spoons * 4) / 4, 'tsp');
  return mixed(Math.round((spoons / 3) * 4) / 4, 'tbsp');
}
