import { InputError } from '../units/input-error';

export const ACIDS = ['tartaric', 'malic', 'citric', 'oxalic', 'lactic', 'succinic', 'acetic'] as const;
export type Acid = (typeof ACIDS)[number];

/**
 * Dissociation constants at 25 °C and molar mass, g/mol.
 * @source CRC Handbook of Chemistry and Physics (from memory)
 */
export const ACID_DATA: Record<Acid, { pKa: readonly number[]; molarMass: number }> = {
  tartaric: { pKa: [2.98, 4.34], molarMass: 150.09 },
  malic: { pKa: [3.4, 5.11], molarMass: 134.09 },
  citric: { pKa: [3.13, 4.76, 6.4], molarMass: 192.12 },
  oxalic: { pKa: [1.25, 4.27], molarMass: 90.03 },
  lactic: { pKa: [3.86], molarMass: 90.08 },
  succinic: { pKa: [4.21, 5.64], molarMass: 118.09 },
  acetic: { pKa: [4.76], molarMass: 60.05 }
};

/** Grams of tartaric acid that neutralise one equivalent of base. */
export const TARTARIC_G_PER_EQ = 75.04;

/** The end point of a titration. */
export const TITRATION_PH = 8.2;
export const H_TITRATION = 10 ** -TITRATION_PH;

const PKA_CARBONIC = 6.35;
const PKA_BUFFER = 6.7;
const PKW = 14;

/** What a litre holds that bears on acidity, all in mol/L (or eq/L). */
export type AcidWater = {
  /** totals by kind, free and as salts */
  acids: Partial<Record<Acid, number>>;
  /** net strong ion: strong bases less strong acids, eq/L */
  strongIon: number;
  /** weak buffer near pH 6.7 */
  buffer: number;
  /** carbonic acid and its ions, from hard water */
  carbonate: number;
};

const K = ACIDS.map((acid) => ({ acid, k: ACID_DATA[acid].pKa.map((p) => 10 ** -p) }));
const CONSTANTS = Object.fromEntries(K.map(({ acid, k }) => [acid, k])) as Record<Acid, number[]>;
const K_CARBONIC = 10 ** -PKA_CARBONIC;
const K_BUFFER = 10 ** -PKA_BUFFER;
const KW = 10 ** -PKW;

/**
 * Hydrogen ion, mol/L, at a pH. Through `exp`, which is twice as fast as a power.
 * @example hydrogenAt(3) // 0.001
 */
export const hydrogenAt = (ph: number): number => Math.exp(-Math.LN10 * ph);

/** Mean negative charge of one molecule of an acid with constants `k`, at hydrogen ion `h` mol/L. */
function meanCharge(k: readonly number[], h: number): number {
  let term = 1;
  let sum = 1;
  let charge = 0;
  for (let i = 0; i < k.length; i++) {
    term *= k[i]! / h;
    sum += term;
    charge += (i + 1) * term;
  }
  return charge / sum;
}

/**
 * Mean negative charge of a molecule of `acid` at hydrogen ion `h`, mol/L.
 * @example acidCharge('tartaric', 10 ** -3.4) // 0.82249
 */
export const acidCharge = (acid: Acid, h: number): number => meanCharge(CONSTANTS[acid], h);

/**
 * Share of the weak buffer that is charged at `h`.
 * @example bufferCharge(1e-3) // 0.00019949
 */
export const bufferCharge = (h: number): number => K_BUFFER / (h + K_BUFFER);

/**
 * Charge of the weak species at `h`, in equivalents of whatever volume the amounts are of: linear in them.
 * @example weakCharge({ acids: { malic: 0.04 }, buffer: 0, carbonate: 0 }, 10 ** -3.4, false) // 0.020579
 */
export function weakCharge(
  w: Pick<AcidWater, 'acids' | 'buffer' | 'carbonate'>,
  h: number,
  withCarbonate: boolean
): number {
  let charge = w.buffer * bufferCharge(h);
  for (let i = 0; i < K.length; i++) {
    const amount = w.acids[K[i]!.acid];
    if (amount) charge += amount * meanCharge(K[i]!.k, h);
  }
  return withCarbonate ? charge + w.carbonate * (K_CARBONIC / (h + K_CARBONIC)) : charge;
}

/**
 * Negative less positive charge of water's own ions at `h`, eq/L.
 * @example waterCharge(1e-3) // -0.001
 */
export const waterCharge = (h: number): number => KW / h - h;

/** Negative less positive charge of the weak species at `h`: what strong ions must balance. */
const anionCharge = (water: AcidWater, h: number, withCarbonate: boolean): number =>
  waterCharge(h) + weakCharge(water, h, withCarbonate);

/** A hundredth of a pH, as a factor of the hydrogen ion. */
const STEP = 10 ** -0.01;

/**
 * pH from the charge balance: strong ions + H⁺ = acid anions + HCO₃⁻ + OH⁻.
 * Anion charge only rises with pH, so bisection on [0, 14] always converges.
 * @param water amounts a litre
 * @param near a guess to begin from; any does
 * @throws InputError when an amount is not finite
 * @example phOf({ acids: { citric: 0.03 }, buffer: 0, strongIon: 0.01, carbonate: 0 }) // 2.8945
 */
export function phOf(water: AcidWater, near = 3.5): number {
  if (!Number.isFinite(anionCharge(water, 1e-7, true) + water.strongIon))
    throw new InputError('An acid amount is not a number.', 'Check the acids.');
  let [lo, hi] = [0, 14];
  let x = near;
  for (let i = 0; i < 60 && hi - lo > 1e-7; i++) {
    const h = hydrogenAt(x);
    const f = anionCharge(water, h, true) - water.strongIon;
    if (f > 0) hi = x;
    else lo = x;
    // A secant step over ±0.01 pH, kept only while it stays inside the bracket.
    const slope = (anionCharge(water, h * STEP, true) - water.strongIon - f) / 0.01;
    const step = x - f / slope;
    const next = slope > 0 && step > lo && step < hi ? step : (lo + hi) / 2;
    if (Math.abs(next - x) < 1e-5) return next;
    x = next;
  }
  return (lo + hi) / 2;
}

/**
 * Titratable acidity: base needed to bring a degassed litre to pH 8.2, acid equivalents less net strong ion.
 * @returns g/L as tartaric, never below zero
 * @source OIV-MA-AS313-01 and AOAC 962.12 measure this (end points 7 and 8.2; from memory)
 * @example titratableAcidity({ acids: { tartaric: 0.04 }, buffer: 0, strongIon: 0, carbonate: 0 }) // 6.0029
 */
export const titratableAcidity = (water: AcidWater): number =>
  Math.max(0, (anionCharge(water, H_TITRATION, false) - water.strongIon) * TARTARIC_G_PER_EQ);

/**
 * The net strong ion that gives acids and buffer a known pH: how a produce entry is made to
 * reproduce its typical pH.
 * @param acids mol in any volume; `ph` 0 to 14
 * @returns eq in the same volume
 * @example strongIonFor({ malic: 0.05 }, 0, 3.4) // 0.025326
 */
export const strongIonFor = (acids: AcidWater['acids'], buffer: number, ph: number): number =>
  anionCharge({ acids, buffer, strongIon: 0, carbonate: 0 }, hydrogenAt(ph), false);

/**
 * Strong ion (eq/L) and carbonate (mol/L) that tap water brings, from its alkalinity.
 * @param alkalinityMgL mg/L as CaCO₃, ≥ 0
 * @example waterIons(120).strongIon // 0.0023978
 */
export const waterIons = (alkalinityMgL: number): { strongIon: number; carbonate: number } => ({
  strongIon: alkalinityMgL / 50_045,
  carbonate: (alkalinityMgL / 50_045) * 1.1
});

/**
 * TA from a titration.
 * @param baseMl mL of sodium hydroxide; `normality` eq/L; `sampleMl` mL of wine
 * @returns g/L as tartaric
 * @throws InputError when an amount is not positive
 * @example taFromTitration(8, 0.1, 10) // 6.0032
 */
export function taFromTitration(baseMl: number, normality: number, sampleMl: number): number {
  if (!(baseMl >= 0 && normality > 0 && sampleMl > 0))
    throw new InputError(
      'A titration needs positive amounts.',
      'Give mL of base, its strength and mL of sample.'
    );
  return (baseMl * normality * TARTARIC_G_PER_EQ) / sampleMl;
}
