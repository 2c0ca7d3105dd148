import type { Design } from '../ledger/events/label';
import { artMarks, codeMarks, codeSide, rowOf, type Art, type Code } from './art-marks';
import { column, type Drawn, type Part } from './column';
import type { Measure } from './fit';
import { INKS } from '../tables/inks';
import { LAYOUTS } from './layouts';
import type { Box } from './mark';

/** What stands on a label, worded. What is empty is left away. */
export type Content = {
  name: string;
  year: string;
  /** strength, sweetness, volume */
  facts: string[];
  /** what has to be told: allergens */
  must: string;
  /** what may be left away where room is short, least needed last */
  may: string[];
  code: Code | null;
  art: Art;
};

/** The parts of a label's text, from its name to what may be left away. `big` is the name's largest size, mm. */
const partsOf = (c: Content, big: number): Part[] =>
  [
    { id: 'name', text: c.name, face: 'display', max: big, lines: 3, share: 6, isNeeded: true },
    {
      id: 'year',
      text: c.year,
      face: 'display',
      max: big * 0.62,
      under: 0.7,
      lines: 1,
      share: 2.2,
      isNeeded: false
    },
    {
      id: 'facts',
      text: c.facts.join('\u00a0· '),
      face: 'bold',
      max: big * 0.42,
      lines: 2,
      share: 2.4,
      isNeeded: true
    },
    { id: 'allergens', text: c.must, face: 'text', max: big * 0.34, lines: 3, share: 2, isNeeded: true },
    ...c.may.map((text, i) => ({
      id: ['date', 'note'][i] ?? 'note',
      text,
      face: 'text' as const,
      max: big * 0.34,
      lines: 2,
      share: 1.4,
      isNeeded: false
    }))
  ].filter((p) => p.text !== '') as Part[];

/**
 * A label of one size.
 * @param size width and height, mm
 * @returns marks in mm from its upper left corner, none of them outside it; and what did not go on
 */
export function drawLabel(
  { layout, ink }: Pick<Design, 'layout' | 'ink'>,
  content: Content,
  size: Pick<Box, 'w' | 'h'>,
  measure: Measure
): Drawn {
  const all: Box = { x: 0, y: 0, ...size };
  const { tone, under, art, text, align, codeMost } = LAYOUTS[layout].places(all, INKS[ink]);
  const side = codeSide(content.code, codeMost);
  const gap = Math.min(size.w, size.h) * 0.04;
  const parts = partsOf(content, Math.min(size.w * 0.16, size.h * 0.28, 16));
  // The name goes across; the code stands at the right of what is under it.
  const footH = Math.min(text.h, Math.max(side, text.h * 0.5));
  const foot = { ...text, y: text.y + text.h - footH, w: text.w - side - gap, h: footH };
  const head = { ...text, h: text.h - footH };
  const isHead = (p: Part) => p.id === 'name' || p.id === 'year';
  const isApart = side > 0 && head.h > text.h * 0.3;
  const words = isApart
    ? [
        column(head, parts.filter(isHead), align, tone.ink, measure),
        column(
          foot,
          parts.filter((p) => !isHead(p)),
          align,
          tone.ink,
          measure
        )
      ]
    : [column({ ...text, w: text.w - (side > 0 ? side + gap : 0) }, parts, align, tone.ink, measure)];
  return {
    marks: [
      ...under,
      ...(art ? (layout === 'hedge' ? rowOf(content.art, art, tone) : artMarks(content.art, art, tone)) : []),
      ...words.flatMap((w) => w.marks),
      ...(side > 0 && content.code
        ? codeMarks(content.code, text.x + text.w - side, text.y + text.h - side, side)
        : [])
    ],
    lost: [...words.flatMap((w) => w.lost), ...(content.code && side === 0 ? ['code'] : [])]
  };
}
