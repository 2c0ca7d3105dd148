import { drawn } from '../maths/draw';
import type { Form, Produce } from '../tables/produce';

/** The half-time of each form of produce against the fresh one. Common practice. */
export const FORM_PACE: Record<Form, number> = {
  fresh: 1,
  frozen: 0.4,
  canned: 0.3,
  dried: 1,
  juice: 0,
  concentrate: 0
};

/** How fine it is cut: its half-time against crushed. Common practice. */
export const CUT_PACE = { whole: 2, crushed: 1, sliced: 0.8, blitzed: 0.5 } as const;
export type Cut = keyof typeof CUT_PACE;

/** What heat it gets: its half-time against raw. Common practice. */
export const HEAT_PACE = { raw: 1, poured: 0.6, simmered: 0.15 } as const;
export type Heat = keyof typeof HEAT_PACE;

/** Half-time with pectic enzyme against without. Common practice. */
export const ENZYME_PACE = 0.7;

export type Handling = { form?: Form; cut?: Cut; heat?: Heat };

/**
 * Hours until half of what the fruit still holds is in the must.
 * @param handling its form, cut and heat; crushed, raw and fresh unless said
 * @param z where the lot lies in the table's spread; 0 is typical
 * @example halfGivenH(produceById('plum')!, { form: 'frozen' }, true) // 7.28
 */
export const halfGivenH = (
  produce: Produce,
  handling: Handling,
  hasEnzyme: boolean,
  z = 0,
  isLoose = false
): number =>
  drawn(produce.halfGivenH, z) *
  (isLoose ? LOOSE_PACE : 1) *
  FORM_PACE[handling.form ?? 'fresh'] *
  CUT_PACE[handling.cut ?? 'crushed'] *
  HEAT_PACE[handling.heat ?? 'raw'] *
  (hasEnzyme ? ENZYME_PACE : 1);

/** How much sooner fruit gives that is not in a bag. Common practice. */
const LOOSE_PACE = 0.85;

/**
 * Share of what the fruit holds that has gone into the must after `hours`: first order.
 * @example shareGiven(24, 48) // 0.75
 */
export const shareGiven = (halfH: number, hours: number): number =>
  halfH > 0 ? 1 - 2 ** (-Math.max(0, hours) / halfH) : 1;

/** Litres an hour that simmer away from one uncovered kitchen pot; under a lid a quarter of it. Common practice. */
export const BOIL_OFF_L_H = [0.4, 0.7, 1.2] as const;
const LID = 0.25;

/**
 * Litres lost by simmering for `minutes`, low–usual–high.
 * @example boilOffL(20)[1] // 0.23333
 */
export const boilOffL = (minutes: number, isCovered = false): readonly [number, number, number] => {
  const share = (minutes / 60) * (isCovered ? LID : 1);
  return [BOIL_OFF_L_H[0] * share, BOIL_OFF_L_H[1] * share, BOIL_OFF_L_H[2] * share];
};

/** Roots with more than this of fibre and starch keep their shape, and their water with it; stalks and pulp collapse. */
const FIRM_INSOLUBLES = 1.5;

/**
 * How much liquid the spent pulp keeps, against the same weight of soft fruit. Firm roots come out of the pot nearly as
 * heavy as they went in: some 0.8 L a kilogram when they drip. Petals keep their own weight and more; dried, they soak
 * up three times theirs and dried fruit most of its own. Common practice.
 * @example pulpFactor(produceById('elderflower')!, 'dried') // 15
 */
export function pulpFactor(produce: Produce, form: Form = 'fresh'): number {
  if (produce.family === 'dried') return 4;
  if (isLeafy(produce)) return form === 'dried' ? 15 : 5;
  if (form === 'dried') return 4;
  return produce.family === 'root' && produce.insolubles[1] >= FIRM_INSOLUBLES ? 4 : 1;
}

const isLeafy = (produce: Produce): boolean => produce.family === 'flower' || produce.family === 'leaf';

/** Litres of juice from a kilogram, pressed without water, by what presses it. Common practice. */
export const PRESSES = {
  bag: { name: 'wrung in a bag', litresPerKg: [0.3, 0.42, 0.52], note: 'By hand.' },
  basket: { name: 'basket press', litresPerKg: [0.48, 0.58, 0.66], note: 'The usual garden press.' },
  hydraulic: {
    name: 'water or hydraulic press',
    litresPerKg: [0.58, 0.66, 0.74],
    note: 'Even, high pressure.'
  }
} as const;
export type Press = keyof typeof PRESSES;

/** How it was broken before the press, by the yield against milled. Common practice. */
export const MILLS = {
  chopped: { name: 'chopped', share: 0.75, note: 'By knife: leaves a good deal behind.' },
  milled: { name: 'milled', share: 1, note: 'Scratter or mill, fine.' },
  thawed: { name: 'frozen and thawed', share: 1.08, note: 'The frost has broken every cell.' }
} as const;
export type Mill = keyof typeof MILLS;

/**
 * Litres of juice pressed from a kilogram; `z` 0 is typical. Never more than the fruit holds.
 * @example juiceLPerKg('basket', 'milled') // 0.58
 */
export const juiceLPerKg = (press: Press, mill: Mill, z = 0): number =>
  drawn(PRESSES[press].litresPerKg, z) * MILLS[mill].share;

/**
 * Press loads for `massKg`, when a load takes `pressL` litres of pulp: a litre of milled pulp weighs about 0.95 kg. Common practice.
 * @example pressLoads(30, 12) // 3
 */
export const pressLoads = (massKg: number, pressL: number): number =>
  Math.ceil(massKg / 0.95 / pressL - 1e-9);

/** Share of its juice that thawing fruit lets go, lost when it is poured off. Common practice. */
export const THAW_JUICE = [0.15, 0.25, 0.35] as const;

/** Where a lot lies against the table, in its 80 % spread, by ripeness; what spread is left is three fifths. Common practice. */
export const RIPENESS = {
  under: { name: 'underripe', sugar: -1.1, acid: 1, note: 'Sharper, less sweet.' },
  ripe: { name: 'ripe', sugar: 0, acid: 0, note: 'As the table has it.' },
  over: { name: 'very ripe', sugar: 1.1, acid: -1, note: 'Sweeter, softer in acid.' }
} as const;
export type Ripeness = keyof typeof RIPENESS;

/** Soluble nitrogen that yeast can take, mg a kg, by class: low–typical–high. Our estimate from juice analyses (from memory). */
export const NITROGEN_MG_KG = {
  none: [0, 4, 12],
  low: [25, 55, 95],
  medium: [60, 110, 170],
  high: [120, 190, 280]
} as const;
