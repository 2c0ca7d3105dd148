/**
 * One thing that is drawn, named as in SVG. Lengths are mm. A drawing is data: the page shows it, a file holds it, and a
 * sheet repeats it.
 */
export type Mark = {
  tag: 'g' | 'defs' | 'path' | 'rect' | 'circle' | 'line' | 'image' | 'text' | 'use';
  attrs: Record<string, string | number>;
  children?: readonly Mark[];
  text?: string;
};

/** A part of a label: left, top, width and height, mm. */
export type Box = { x: number; y: number; w: number; h: number };

/**
 * A hundredth of a millimetre is finer than any printer.
 * @example mm(12.3456) // 12.35
 */
export const mm = (x: number): number => Math.round(100 * x) / 100;

export const group = (attrs: Mark['attrs'], children: readonly Mark[]): Mark => ({
  tag: 'g',
  attrs,
  children
});
export const path = (d: string, attrs: Mark['attrs'] = {}): Mark => ({ tag: 'path', attrs: { d, ...attrs } });
export const rect = ({ x, y, w, h }: Box, attrs: Mark['attrs']): Mark => ({
  tag: 'rect',
  attrs: { x: mm(x), y: mm(y), width: mm(w), height: mm(h), ...attrs }
});
export const line = (x1: number, y1: number, x2: number, y2: number, attrs: Mark['attrs']): Mark => ({
  tag: 'line',
  attrs: { x1: mm(x1), y1: mm(y1), x2: mm(x2), y2: mm(y2), ...attrs }
});

/** A box that is smaller by so much on every side. */
export const inset = ({ x, y, w, h }: Box, by: number): Box => ({
  x: x + by,
  y: y + by,
  w: Math.max(0, w - 2 * by),
  h: Math.max(0, h - 2 * by)
});
