import { entryOf, type Ingredient } from './plan';

const PALE = { must: '#e6d9ae', fruit: '#c9b878' };

/** Colours of a must for the drawings: those of the produce that weighs most; pale straw without any. */
export function mustColour(ingredients: readonly Ingredient[]): { must: string; fruit: string } {
  let best = PALE;
  let most = 0;
  for (const i of ingredients) {
    if (i.kind !== 'produce' && i.kind !== 'juice') continue;
    const produce = entryOf(i);
    const weight = i.kind === 'produce' ? i.massKg : i.volumeL;
    if (produce && weight > most) [most, best] = [weight, produce.colour];
  }
  return best;
}

const linear = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const coded = (v: number): number => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/**
 * How deep a colour is: the light that it takes, as an absorbance, the mean of its three parts. Poured together, depths
 * go by the litres (Beer and Lambert).
 * @param colour as #rrggbb
 * @example depthOf('#ffffff') // 0
 */
export const depthOf = (colour: string): number =>
  [1, 3, 5].reduce(
    (sum, at) => sum - Math.log10(Math.max(1e-3, linear(parseInt(colour.slice(at, at + 2), 16) / 255))) / 3,
    0
  );

/** Depths that people name. Ours, by the colours of the table. */
export const DEPTHS = { pale: 0.2, gold: 0.35, pink: 0.55, red: 0.9, deep: 1.3 } as const;

/**
 * About the colour of liquids poured together: what each lets through, by its share. An honest guess for a drawing.
 * @param parts colours as #rrggbb, and how much of each
 * @throws nothing; white where there is nothing
 * @example mixColour([{ colour: '#ffffff', volumeL: 1 }]) // '#ffffff'
 */
export function mixColour(parts: readonly { colour: string; volumeL: number }[]): string {
  const all = parts.reduce((sum, p) => sum + p.volumeL, 0);
  const channel = (at: number): string => {
    const through = parts.reduce(
      (sum, p) =>
        sum +
        (p.volumeL / all) * Math.log(Math.max(1e-3, linear(parseInt(p.colour.slice(at, at + 2), 16) / 255))),
      0
    );
    return Math.round(255 * coded(all > 0 ? Math.exp(through) : 1))
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(1)}${channel(3)}${channel(5)}`;
}

/** A colour as three shares of light, 0 to 255, as a camera gives them. */
export type Rgb = readonly [number, number, number];

/** Paper darker than this says little of the light. */
const DARK = 60;

/**
 * The colour of a wine as it would be in the light in which a sheet beside it is white; null where the sheet is too dark,
 * or what was taken for wine is lighter than it.
 * @example colourByWhite([120, 20, 40], [240, 240, 240]) // '#80162b'
 */
export function colourByWhite(wine: Rgb, sheet: Rgb): string | null {
  if (Math.max(...sheet) < DARK) return null;
  const share = wine.map((c, i) => linear(c / 255) / Math.max(1e-4, linear(sheet[i]! / 255)));
  if (share.every((x) => x > 1.02)) return null;
  const dot = (x: number) => Math.round(255 * Math.min(1, Math.max(0, coded(x))));
  return `#${share.map((x) => dot(x).toString(16).padStart(2, '0')).join('')}`;
}
