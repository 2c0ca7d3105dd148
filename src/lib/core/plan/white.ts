/** A colour as three shares of light, 0 to 255, as a camera gives them. */
export type Rgb = readonly [number, number, number];

/** sRGB to linear light. @source IEC 61966-2-1 */
const linear = (c: number): number => {
  const x = c / 255;
  return x <= 0.04045 ? x / 12.92 : ((x + 0.055) / 1.055) ** 2.4;
};
const display = (x: number): number => {
  const c = x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055;
  return Math.round(255 * Math.min(1, Math.max(0, c)));
};

/** Paper darker than this says little of the light. */
const DARK = 60;

/**
 * The colour of a wine as it would be in the light in which a sheet beside it is white; null where the sheet is too dark,
 * or what was taken for wine is lighter than it.
 * @example colourByWhite([120, 20, 40], [240, 240, 240]) // '#80162b'
 */
export function colourByWhite(wine: Rgb, sheet: Rgb): string | null {
  if (Math.max(...sheet) < DARK) return null;
  const share = wine.map((c, i) => linear(c) / Math.max(1e-4, linear(sheet[i]!)));
  if (share.every((x) => x > 1.02)) return null;
  return `#${share.map((x) => display(x).toString(16).padStart(2, '0')).join('')}`;
}
