import { INKS } from '../tables/inks';
import { codeMarks, codeSide, type Code } from './art-marks';
import { column, type Drawn } from './column';
import type { Measure } from './fit';
import { line, mm, path, rect, type Box } from './mark';

/** What a tag on a bucket or a jar says, worded. */
export type TagContent = {
  name: string;
  /** when it began, where it stands, how much of it */
  where: string;
  /** what it began at, and when it is likely done */
  course: string;
  /** what comes next, and when */
  next: readonly { what: string; when: string }[];
  must: string;
  code: Code | null;
};

/** The same tag that stands on every screen: a notch at the left, with a hole to tie it by. Plain black: jars drip. */
export function drawTag(content: TagContent, { w, h }: Pick<Box, 'w' | 'h'>, measure: Measure): Drawn {
  const { ink, paper } = INKS.black;
  const notch = Math.min(h * 0.22, w * 0.14);
  const edge = Math.min(w, h) * 0.02;
  const pad = Math.min(w, h) * 0.08;
  const side = codeSide(content.code, Math.min(h * 0.45, w * 0.3));
  const text: Box = { x: notch + pad, y: pad, w: w - notch - 2 * pad, h: h - 2 * pad };
  const headH = text.h * (content.next.length > 0 ? 0.52 : 0.9);
  const big = Math.min(w * 0.13, h * 0.2, 14);
  const head = column(
    { ...text, h: headH },
    [
      { id: 'name', text: content.name, face: 'display', max: big, lines: 2, share: 5, isNeeded: true },
      { id: 'where', text: content.where, face: 'bold', max: big * 0.46, lines: 2, share: 3, isNeeded: true },
      {
        id: 'allergens',
        text: content.must,
        face: 'text',
        max: big * 0.4,
        lines: 2,
        share: 2,
        isNeeded: true
      },
      {
        id: 'course',
        text: content.course,
        face: 'text',
        max: big * 0.4,
        lines: 2,
        share: 2,
        isNeeded: false
      }
    ].filter((p) => p.text !== '') as Parameters<typeof column>[1],
    'start',
    ink,
    measure
  );
  const nextBox = { ...text, y: text.y + headH + pad * 0.6, h: text.h - headH - pad * 0.6 };
  const nextW = side > 0 ? nextBox.w - side - pad * 0.5 : nextBox.w;
  const rows = content.next.map(({ what, when }, i) => ({
    id: `next ${i + 1}`,
    text: `${when}: ${what}`,
    face: 'text' as const,
    max: big * 0.4,
    lines: 1,
    share: 1,
    isNeeded: false
  }));
  const next =
    rows.length > 0 ? column({ ...nextBox, w: nextW }, rows, 'start', ink, measure) : { marks: [], lost: [] };
  const outline = [
    [notch + edge, edge],
    [w - edge, edge],
    [w - edge, h - edge],
    [notch + edge, h - edge],
    [edge, h / 2]
  ];
  return {
    marks: [
      rect({ x: 0, y: 0, w, h }, { fill: paper }),
      path(`M${outline.map(([x, y]) => `${mm(x!)} ${mm(y!)}`).join('L')}Z`, {
        fill: 'none',
        stroke: ink,
        'stroke-width': 0.5
      }),
      {
        tag: 'circle',
        attrs: {
          cx: mm(notch * 0.75),
          cy: mm(h / 2),
          r: mm(Math.min(2.5, notch * 0.25)),
          fill: 'none',
          stroke: ink,
          'stroke-width': 0.4
        }
      },
      ...head.marks,
      ...(rows.length > 0
        ? [
            line(text.x, text.y + headH + pad * 0.3, text.x + nextW, text.y + headH + pad * 0.3, {
              stroke: ink,
              'stroke-width': 0.3
            })
          ]
        : []),
      ...next.marks,
      ...(side > 0 && content.code
        ? codeMarks(content.code, text.x + text.w - side, text.y + text.h - side, side)
        : [])
    ],
    lost: [...head.lost, ...next.lost, ...(content.code && side === 0 ? ['code'] : [])]
  };
}
