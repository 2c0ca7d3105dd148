/** First dissociation of sulphurous acid in water at 25 °C. @source handbook value, as wine tables use it (from memory) */
const PK_SO2 = 1.81;

/**
 * Free sulphur dioxide, mg/L, of which `molecularMgL` is molecular at this pH.
 * @example freeFor(0.8, 3.4) // 31.92
 */
export const freeFor = (molecularMgL: number, ph: number): number => molecularMgL * (1 + 10 ** (ph - PK_SO2));

/**
 * Molecular sulphur dioxide, mg/L, among so much free.
 * @example molecularOf(32, 3.4) // 0.8019
 */
export const molecularOf = (freeMgL: number, ph: number): number => freeMgL / (1 + 10 ** (ph - PK_SO2));

/** Dissociation of sorbic acid at 25 °C: only what is undissociated holds yeast. @source handbook value (from memory) */
const PK_SORBIC = 4.76;

/** Share of sorbic acid that is undissociated, and works. @example activeShare(3.5) // 0.9479 */
export const activeShare = (ph: number): number => 1 / (1 + 10 ** (ph - PK_SORBIC));
