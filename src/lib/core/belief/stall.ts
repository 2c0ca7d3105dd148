/**
 * So many ferments stall, somewhere in the last four fifths of their sugar: evenly, but seldom just before the end,
 * where little is left to stop it. How seldom is what decides whether a wine that reads dry is dry, as gravity alone
 * cannot tell a few grams of sugar from what fruit leaves behind. Ours: the plain trial of science 12 had it even.
 */
const STALLS = 0.12;
const FROM = 0.8;
/** The last of the sugar, as a share of all, and how much less often it stalls there. */
const LAST = 0.04;
const SELDOM = 0.3;

/** How much of the chance to stall is still to come when a share `left` of the sugar is. */
const open = (left: number): number => {
  const x = Math.min(FROM, Math.max(0, left));
  return (Math.min(x, LAST) * SELDOM + Math.max(0, x - LAST)) / (LAST * SELDOM + FROM - LAST);
};

/**
 * Chance that a ferment stalls where a share `left` of its sugar is left, for each unit of that share.
 * @example stallDensity(0.5) // 0.15544
 */
export const stallDensity = (left: number): number =>
  left < 0 || left > FROM ? 0 : (STALLS * (left < LAST ? SELDOM : 1)) / (LAST * SELDOM + FROM - LAST);

/**
 * Chance that a ferment that went on at a share `from` of its sugar has not stalled before a share `to` is left.
 * @example goesThrough(1, 0) // 0.88
 */
export const goesThrough = (from: number, to: number): number =>
  (1 - STALLS * (1 - open(to))) / (1 - STALLS * (1 - open(from)));

/**
 * Where a ferment with a share `left` of its sugar still stalls, if it does; below 0 when it does not.
 * @example drawStall(1, () => 0.99) // -1
 */
export function drawStall(left: number, random: () => number): number {
  const chance = 1 - goesThrough(left, 0);
  const [a, b] = [random(), random()];
  if (a >= chance) return -1;
  const x = b * open(left) * (LAST * SELDOM + FROM - LAST);
  return x < LAST * SELDOM ? x / SELDOM : x + LAST - LAST * SELDOM;
}
