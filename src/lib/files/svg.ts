import type { Face } from '$core/label/fit';
import { mm, type Mark } from '$core/label/mark';

/** The faces that ship with Vecino. What their letters do not hold is drawn with the reader's own. */
export const FONTS: Record<Face, { family: string; weight: 400 | 600 }> = {
  display: { family: "Besley, 'Source Sans 3', Georgia, serif", weight: 600 },
  text: { family: "'Source Sans 3', sans-serif", weight: 400 },
  bold: { family: "'Source Sans 3', sans-serif", weight: 600 }
};

const NAMES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
// Control characters are no part of any XML.
const escaped = (text: string): string =>
  text.replace(/\p{Cc}|\ufffe|\uffff/gu, '').replace(/[&<>"]/g, (c) => NAMES[c]!);

/** What an SVG calls it. */
export function attributesOf({ attrs }: Pick<Mark, 'attrs'>): Mark['attrs'] {
  const { 'data-face': face, ...rest } = attrs;
  if (face === undefined) return rest;
  const { family, weight } = FONTS[face as Face];
  return { ...rest, 'font-family': family, 'font-weight': weight };
}

const marked = (m: Mark): string => {
  const attrs = Object.entries(attributesOf(m))
    .map(([k, v]) => ` ${k}="${escaped(String(v))}"`)
    .join('');
  const inner = m.text === undefined ? (m.children ?? []).map(marked).join('') : escaped(m.text);
  return `<${m.tag}${attrs}${inner === '' ? '/>' : `>${inner}</${m.tag}>`}`;
};

type Sized = { w: number; h: number; marks: readonly Mark[] };

/**
 * A drawing as an SVG of its own, in mm.
 * @param style rules that go with it, such as the faces themselves
 */
export const svgOf = ({ w, h, marks }: Sized, style = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(w)}mm" height="${mm(h)}mm" viewBox="0 0 ${mm(w)} ${mm(h)}">` +
  `${style && `<style>${style}</style>`}${marks.map(marked).join('')}</svg>`;
