/** One part of a drawing in a square of 100: its outline, and what it is filled with. */
export type Stroke = { d: string; fill: 'none' | 'tint' | 'ink' };

const n = (x: number) => Math.round(10 * x) / 10;
/**
 * A point around a middle, by turns from the top.
 * @example at(50, 50, 10, 0.25) // [60, 50]
 */
export const at = (cx: number, cy: number, r: number, turn: number): [number, number] => [
  n(cx + r * Math.sin(2 * Math.PI * turn)),
  n(cy - r * Math.cos(2 * Math.PI * turn))
];
/**
 * A circle.
 * @example ring(50, 50, 10) // 'M40 50a10 10 0 1 0 20 0a10 10 0 1 0 -20 0Z'
 */
export const ring = (cx: number, cy: number, r: number): string =>
  `M${n(cx - r)} ${n(cy)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
/** Filled with the tint; only outlined; filled with the ink. */
export const tinted = (d: string): Stroke => ({ d, fill: 'tint' });
export const open = (d: string): Stroke => ({ d, fill: 'none' });
export const inked = (d: string): Stroke => ({ d, fill: 'ink' });

/**
 * A leaf from its stalk's end to its tip, with its middle vein.
 * @example leaf(0, 0, 10, 0, 2).length // 2
 */
export function leaf(x1: number, y1: number, x2: number, y2: number, width: number): Stroke[] {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const long = Math.hypot(dx, dy);
  const [nx, ny] = [(-dy / long) * width, (dx / long) * width];
  const side = (s: number) =>
    `C${n(x1 + dx * 0.25 + s * nx)} ${n(y1 + dy * 0.25 + s * ny)} ${n(x1 + dx * 0.7 + s * nx)} ${n(y1 + dy * 0.7 + s * ny)}`;
  return [
    tinted(
      `M${x1} ${y1}${side(1)} ${x2} ${y2}${side(-1).replace(/C(\S+ \S+) (\S+ \S+)/, 'C$2 $1')} ${x1} ${y1}Z`
    ),
    open(`M${x1} ${y1}L${n(x1 + dx * 0.78)} ${n(y1 + dy * 0.78)}`)
  ];
}
/**
 * Petals around a middle.
 * @example petals(50, 50, 8, 30, 0.07).length // 8
 */
export const petals = (cx: number, cy: number, count: number, long: number, wide: number): Stroke[] =>
  Array.from({ length: count }, (_, i) => {
    const turn = i / count;
    const [tx, ty] = at(cx, cy, long, turn);
    const [ax, ay] = at(cx, cy, long * 0.75, turn - wide);
    const [bx, by] = at(cx, cy, long * 0.75, turn + wide);
    return tinted(`M${cx} ${cy}C${ax} ${ay} ${ax} ${ay} ${tx} ${ty}C${bx} ${by} ${bx} ${by} ${cx} ${cy}Z`);
  });
