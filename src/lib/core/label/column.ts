import { fitText, LEADING, SMALLEST_MM, textMarks, type Face, type Measure } from './fit';
import type { Box, Mark } from './mark';

/** A drawing, and what did not go on it. */
export type Drawn = { marks: Mark[]; lost: string[] };

/** One text of a label. */
export type Part = {
  id: string;
  text: string;
  face: Face;
  max: number;
  lines: number;
  /** how much of the height it may take, beside the others */
  share: number;
  /** at most this part of the size of what stands before it */
  under?: number;
  /** whether the label is no label without it */
  isNeeded: boolean;
};

/**
 * Texts one under another in a box, each as large as its share allows. What is not needed goes, the last first, while
 * anything needed does not go in whole at the smallest size.
 */
export function column(
  box: Box,
  parts: readonly Part[],
  align: 'start' | 'middle',
  fill: string,
  measure: Measure
): Drawn {
  const lost: string[] = [];
  let kept = [...parts];
  for (;;) {
    const least = (p: Part) => (p.face === 'text' ? SMALLEST_MM : SMALLEST_MM * 1.1);
    const shares = kept.reduce((sum, p) => sum + p.share, 0);
    let freeH = box.h;
    let freeShare = shares;
    // From the least to the greatest: what the small ones do not take is the name's.
    const order = [...kept].reverse();
    const fitted = new Map(
      order.map((p) => {
        const h = Math.max((freeH * p.share) / freeShare, Math.min(freeH, least(p) * LEADING * 1.001));
        const f = fitText(
          p.text,
          { w: box.w, h },
          { face: p.face, max: p.max, min: least(p), lines: p.lines },
          measure
        );
        freeH -= f.size * LEADING * f.lines.length;
        freeShare -= p.share;
        return [p, f];
      })
    );
    kept.forEach((p, i) => {
      const most = p.under && i > 0 ? p.under * fitted.get(kept[i - 1]!)!.size : Infinity;
      const f = fitted.get(p)!;
      if (f.size <= most || most < least(p)) return;
      freeH += (f.size - most) * LEADING * f.lines.length;
      fitted.set(p, { ...f, size: most });
    });
    const isTight = kept.some((p) => !fitted.get(p)!.isWhole);
    const last = kept.findLast((p) => !p.isNeeded);
    if (isTight && last) {
      lost.push(last.id);
      kept = kept.filter((p) => p !== last);
      continue;
    }
    for (const p of kept) if (!fitted.get(p)!.isWhole) lost.push(p.id);
    const gap = kept.length > 1 ? Math.max(0, Math.min(freeH / (kept.length + 1), box.h * 0.04)) : 0;
    let y = box.y + Math.max(0, (freeH - gap * (kept.length - 1)) / 2);
    const marks = kept.flatMap((p) => {
      const f = fitted.get(p)!;
      const drawn = textMarks(f, {
        x: align === 'middle' ? box.x + box.w / 2 : box.x,
        y,
        face: p.face,
        anchor: align,
        fill
      });
      y += f.size * LEADING * f.lines.length + gap;
      return drawn;
    });
    return { marks, lost };
  }
}
