import { inC, inL } from '../units/say';
import { KG_PER, L_PER } from '../units/measure';
import type { Spread } from '../units/range';

/** Grams in a level teaspoon (4.93 mL). @source kitchen and supplier tables (from memory) */
export const TEASPOON_G = {
  /** dry, as it comes. @source USDA food tables, active dry baker's yeast: 4.0 g a teaspoon (from memory) */
  yeast: 4,
  sugar: 4.2,
  'acid-blend': 4.7,
  citric: 4.7,
  malic: 4.7,
  tartaric: 5,
  'potassium-bicarbonate': 5,
  'calcium-carbonate': 2.7,
  'pectic-enzyme': 3,
  dap: 5,
  nutrient: 4,
  tannin: 2.7,
  metabisulphite: 6,
  sorbate: 2.8,
  bentonite: 3.4
} as const;

export const CUP_G = {
  'white-sugar': 200,
  'brown-sugar': 213,
  honey: 340,
  erythritol: 192,
  'dry-malt': 140
} as const;
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
  basis: 'must' | 'fruit' | 'yeast';
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
  'yeast-hulls': {
    name: 'Yeast hulls',
    perL: [0.2, 0.25, 0.4],
    teaspoonG: null,
    basis: 'must',
    why: 'Take out of a stuck wine what slows yeast; a day before fresh yeast.'
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
    why: `Grip and keeping; or one strong tea bag for each ${inL(4, 'rule')}.`
  },
  'pectic-enzyme': {
    name: 'Pectic enzyme',
    perL: perUsGal(TEASPOON_G['pectic-enzyme'], [0.25, 0.5, 1]),
    teaspoonG: TEASPOON_G['pectic-enzyme'],
    basis: 'must',
    why: `Frees juice and keeps the wine from haze. Below ${inC(40)}.`
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
    why: `One crushed tablet for each ${inL(3.8, 'rule')}, about 67 mg/L of sulphur dioxide; wait 24 h before the yeast.`
  },
  metabisulphite: {
    name: 'Potassium metabisulphite',
    perL: [0.04, (0.25 * TEASPOON_G.metabisulphite) / (6 * L_PER['us-gal']), 0.15],
    teaspoonG: TEASPOON_G.metabisulphite,
    basis: 'must',
    why: `At stabilising, a quarter teaspoon for ${inL(23, 'rule')}: about 38 mg/L of sulphur dioxide.`
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
    teaspoonG: TEASPOON_G.yeast,
    basis: 'must',
    why: `One 5 g packet covers up to about ${inL(20, 'rule')}.`
  },
  dap: {
    name: 'Diammonium phosphate',
    perL: [0.2, 0.5, 0.96],
    teaspoonG: TEASPOON_G.dap,
    basis: 'must',
    why: 'Plain nitrogen, a fifth by weight; no more than 0.96 g/L, none late.'
  },
  bentonite: {
    name: 'Bentonite',
    perL: [0.4, 0.75, 1.5],
    teaspoonG: TEASPOON_G.bentonite,
    basis: 'must',
    why: 'Swollen in hot water first; takes protein haze down, and some aroma.'
  },
  kieselsol: {
    name: 'Kieselsol',
    perL: [0.3, 0.6, 1.5],
    teaspoonG: null,
    basis: 'must',
    why: 'The first of two parts; the packet says for how much.'
  },
  chitosan: {
    name: 'Chitosan',
    perL: [1, 2, 4],
    teaspoonG: null,
    basis: 'must',
    why: 'The second of two parts, in water, an hour after the first.'
  },
  gelatine: {
    name: 'Gelatine',
    perL: [0.05, 0.1, 0.2],
    teaspoonG: null,
    basis: 'must',
    why: 'Takes tannin down; where there is little, as much tannin goes in a day before. Not for vegetarians.'
  },
  isinglass: {
    name: 'Isinglass',
    perL: [0.01, 0.02, 0.06],
    teaspoonG: null,
    basis: 'must',
    why: 'Of fish: polishes pale wine gently.'
  },
  'egg-white': {
    name: 'Egg white',
    perL: [0.05, 0.1, 0.15],
    teaspoonG: null,
    basis: 'must',
    why: 'Dried; softens the tannin of red wine. A fresh white holds about 3.5 g.'
  },
  casein: {
    name: 'Casein',
    perL: [0.1, 0.25, 0.5],
    teaspoonG: null,
    basis: 'must',
    why: 'Of milk: takes browning and bitterness from pale wine.'
  },
  amylase: {
    name: 'Amylase',
    perL: [0.2, 0.3, 0.6],
    teaspoonG: null,
    basis: 'must',
    why: 'Turns starch into sugar: not in a wine that is stabilised, and read it again.'
  },
  oak: {
    name: 'Oak chips',
    perL: [1, 2.5, 6],
    teaspoonG: null,
    basis: 'must',
    why: 'Taste weekly; it only gets stronger.'
  },
  hops: {
    name: 'Dry hops',
    perL: [0.5, 1, 4],
    teaspoonG: null,
    basis: 'must',
    why: 'Steeped in the jar, tasting until it is right.'
  },
  tartaric: {
    name: 'Tartaric acid',
    perL: [0.5, 1, 4],
    teaspoonG: TEASPOON_G.tartaric,
    basis: 'must',
    why: '1 g/L lifts TA by one and lowers pH by 0.1 to 0.2.'
  },
  malic: {
    name: 'Malic acid',
    perL: [0.5, 1, 4],
    teaspoonG: TEASPOON_G.malic,
    basis: 'must',
    why: '1 g/L lifts TA by about 1.1.'
  },
  citric: {
    name: 'Citric acid',
    perL: [0.5, 1, 4],
    teaspoonG: TEASPOON_G.citric,
    basis: 'must',
    why: '1 g/L lifts TA by about 1.1; the acid of lemons.'
  },
  'potassium-bicarbonate': {
    name: 'Potassium bicarbonate',
    perL: [0.5, 1.3, 3],
    teaspoonG: TEASPOON_G['potassium-bicarbonate'],
    basis: 'must',
    why: '1.33 g/L takes TA down by one. Stir in slowly: it foams.'
  },
  'calcium-carbonate': {
    name: 'Chalk',
    perL: [0.3, 0.7, 2],
    teaspoonG: TEASPOON_G['calcium-carbonate'],
    basis: 'must',
    why: '0.67 g/L takes TA down by one. In must only; wait for it to settle.'
  },
  'flowers-dried': {
    name: 'Dried flowers',
    perL: [10, 12, 15],
    teaspoonG: null,
    basis: 'must',
    why: 'About half the weight of fresh petals.'
  },
  'flowers-fresh': {
    name: 'Fresh petals',
    perL: [60, 70, 80],
    teaspoonG: null,
    basis: 'must',
    why: 'Petals only; green parts are bitter.'
  },
  'rehydration-nutrient': {
    name: 'Rehydration nutrient',
    // By the usual pitch for the must's volume; where the yeast's weight is known, by that.
    perL: [0.2, 0.31, 0.5],
    teaspoonG: null,
    basis: 'yeast',
    why: '1.25 g for each gram of dry yeast, in its warm water.'
  }
} as const satisfies Record<string, Dose>;

export type DoseId = keyof typeof DOSES;

/** A tenth of a level teaspoon a pound of fruit. Common practice. */
export const ENZYME_G_PER_KG = (0.1 * TEASPOON_G['pectic-enzyme']) / KG_PER.lb;

/** Grams of rehydration nutrient for each gram of dry yeast, low–usual–high. Common practice. */
const PER_YEAST_G: Spread = [0.8, 1.25, 2];
/** What a packet of dry yeast weighs, g. Common practice. */
export const PACKET_G = 5;

/**
 * Grams of `id` for `volumeL` of must, low–usual–high. What goes with the yeast goes by its weight.
 * @param yeastMassG the dry yeast it goes with, g; if left out, the usual pitch for the must's volume
 * @example doseG('nutrient', 10)[1] // 10.567
 */
export const doseG = (id: DoseId, volumeL: number, yeastMassG = yeastG(volumeL)): Spread => {
  const [spread, of] = DOSES[id].basis === 'yeast' ? [PER_YEAST_G, yeastMassG] : [DOSES[id].perL, volumeL];
  const [low, usual, high] = spread as Spread;
  return [low * of, usual * of, high * of];
};

/**
 * Campden tablets for `volumeL`, to the nearest half.
 * @example campdenTablets(12) // 3
 */
export const campdenTablets = (volumeL: number): number =>
  Math.max(0.5, Math.round((2 * doseG('campden', volumeL)[1]) / CAMPDEN_TABLET_G) / 2);

/**
 * Tablets as they are counted: `½ tablet`, `1½ tablets`.
 * @example tabletText(2.5) // '2½ tablets'
 */
export const tabletText = (n: number): string => {
  const whole = Math.floor(n);
  const said = n % 1 === 0.5 ? `${whole || ''}½` : String(+n.toFixed(2));
  return `${said} ${n <= 1 ? 'tablet' : 'tablets'}`;
};

/**
 * Grams of Campden as tablets, to the nearest half.
 * @example campdenText(1.32) // '3 tablets'
 */
export const campdenText = (massG: number): string =>
  tabletText(Math.round((2 * massG) / CAMPDEN_TABLET_G) / 2);

/**
 * Grams of pectic enzyme by the more generous of its two rules: by must and by fruit.
 * @example enzymeG(10, 4) // 3.9626
 */
export const enzymeG = (volumeL: number, fruitKg: number): number =>
  Math.max(doseG('pectic-enzyme', volumeL)[1], ENZYME_G_PER_KG * fruitKg);

/**
 * Grams of dry yeast: a 5 g packet, or more for a large must.
 * @example yeastG(23) // 5.75
 */
export const yeastG = (volumeL: number): number => Math.max(PACKET_G, DOSES.yeast.perL[1] * volumeL);

/**
 * The usual dose, g: in whole half tablets, by the more generous of two rules, never less than a packet.
 * @param fruitKg fruit that stands in it
 * @example usualG('pectic-enzyme', 4.5, 4) // 2.6455
 */
export function usualG(id: DoseId, volumeL: number, fruitKg = 0): number {
  if (id === 'campden') return campdenTablets(volumeL) * CAMPDEN_TABLET_G;
  if (id === 'pectic-enzyme') return enzymeG(volumeL, fruitKg);
  return id === 'yeast' ? yeastG(volumeL) : doseG(id, volumeL)[1];
}

/** Where a dose stands against what people give. */
export type DoseVerdict = 'low' | 'usual' | 'high' | 'absurd';

/**
 * A dose against its sane range. `high` is over the usual most, where a teaspoon–tablespoon slip shows;
 * `absurd` is more than ten times the most, as when ounces were meant for grams.
 * @param massG grams that go in; `hadG` grams of it that are in already; `volumeL` litres of must; `yeastMassG` the dry
 *   yeast that it goes with, g
 */
export function judgeDose(
  id: DoseId,
  massG: number,
  volumeL: number,
  hadG = 0,
  yeastMassG?: number
): DoseVerdict {
  const [low, , high] = doseG(id, volumeL, yeastMassG);
  const total = massG + hadG;
  // Half a spoon over is rounding.
  return total > 10 * high ? 'absurd' : total > 1.3 * high ? 'high' : total < 0.5 * low ? 'low' : 'usual';
}

/** What a dose that is too much most likely was: a spoon of another size, or another unit. */
export function slipText(id: DoseId, massG: number, volumeL: number, yeastMassG?: number): string {
  const [low, usual, high] = doseG(id, volumeL, yeastMassG);
  const fits = (factor: number) => massG / factor >= 0.5 * low && massG / factor <= 1.3 * high;
  const guess = fits(3)
    ? 'Was a teaspoon meant, not a tablespoon?'
    : fits(28.35)
      ? 'Were grams meant, not ounces?'
      : fits(10)
        ? 'Has the point slipped by one place?'
        : fits(1000)
          ? 'Were grams meant, not kilograms?'
          : 'Check the unit.';
  const of =
    DOSES[id].basis === 'yeast' && yeastMassG !== undefined
      ? `${yeastMassG.toPrecision(2)} g of yeast`
      : inL(volumeL);
  return `Usual for ${of}: ${usual.toPrecision(2)} g, at most ${high.toPrecision(2)} g. ${guess}`;
}

/** The dose a powder or acid on the slip is judged by; null for what has none. */
export const doseOf = (item: { additiveId?: string; acidId?: string }): DoseId | null => {
  const id = item.additiveId ?? item.acidId ?? '';
  return id in DOSES ? (id as DoseId) : null;
};

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
