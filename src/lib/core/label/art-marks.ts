import { ART, type ArtId } from '../tables/art';
import { group, mm, path, rect, type Box, type Mark } from './mark';

/** What a drawing is printed in. */
export type Tone = { ink: string; paper: string; tint: string };

/** One of our drawings, or the household's own picture. */
export type Art = { id: ArtId } | { picture: string } | null;

/** Squares of a code that phones read: `n` a side, dark ones by row. */
export type Code = { n: number; dark: (x: number, y: number) => boolean };

/** The smallest square of a code that a printer and a phone still tell apart, mm. Common practice. */
const SMALLEST_SQUARE_MM = 0.33;
/** Light squares around a code. @source ISO/IEC 18004: four */
const QUIET = 4;

/** A drawing, or the household's picture, in the middle of a box. */
export function artMarks(art: Art, box: Box, tone: Tone): Mark[] {
  const side = Math.min(box.w, box.h);
  if (!art || side < 4) return [];
  if ('picture' in art)
    return [
      {
        tag: 'image',
        attrs: {
          x: mm(box.x),
          y: mm(box.y),
          width: mm(box.w),
          height: mm(box.h),
          href: art.picture,
          preserveAspectRatio: 'xMidYMid meet'
        }
      }
    ];
  const [x, y] = [box.x + (box.w - side) / 2, box.y + (box.h - side) / 2];
  const fills = { none: 'none', tint: tone.tint, ink: tone.ink };
  return [
    group(
      {
        transform: `translate(${mm(x)} ${mm(y)}) scale(${(side / 100).toFixed(4)})`,
        stroke: tone.ink,
        'stroke-width': 2.2,
        'stroke-linejoin': 'round',
        'stroke-linecap': 'round'
      },
      ART[art.id].strokes.map(({ d, fill }) => path(d, { fill: fills[fill] }))
    )
  ];
}

/** The drawings of a row: as many as stand side by side. */
export function rowOf(art: Art, box: Box, tone: Tone): Mark[] {
  const step = box.h * 1.25;
  const many = Math.max(1, Math.floor(box.w / step));
  const from = box.x + (box.w - many * step) / 2 + (step - box.h) / 2;
  return Array.from({ length: many }, (_, i) =>
    artMarks(art, { ...box, x: from + i * step, w: box.h }, tone)
  ).flat();
}

/** How large a code is with its quiet border, mm; 0 where it would be too fine to read. */
export const codeSide = (code: Code | null, most: number): number => {
  if (!code) return 0;
  const squares = code.n + 2 * QUIET;
  const square = Math.min(0.5, most / squares);
  return square < SMALLEST_SQUARE_MM ? 0 : square * squares;
};

export function codeMarks(code: Code, x: number, y: number, side: number): Mark[] {
  const square = side / (code.n + 2 * QUIET);
  let d = '';
  for (let r = 0; r < code.n; r++)
    for (let c = 0; c < code.n; c++) {
      if (!code.dark(c, r)) continue;
      let run = 1;
      while (c + run < code.n && code.dark(c + run, r)) run++;
      d += `M${c + QUIET} ${r + QUIET}h${run}v1h-${run}z`;
      c += run;
    }
  return [
    rect({ x, y, w: side, h: side }, { fill: '#ffffff' }),
    // Squares that touch leave no hair between them.
    group({ transform: `translate(${mm(x)} ${mm(y)}) scale(${square.toFixed(5)})` }, [
      path(d, { fill: '#000000', 'shape-rendering': 'crispEdges' })
    ])
  ];
}
