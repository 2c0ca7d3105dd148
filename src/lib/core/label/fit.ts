import { mm, type Box, type Mark } from './mark';

/** The faces of a label: the name's, the text's, and the text's heavier one. */
export type Face = 'display' | 'text' | 'bold';

/** How wide a text is in a face of 1 mm, mm. The page asks its canvas; a test reckons by the letter. */
export type Measure = (text: string, face: Face) => number;

/** From one line of text to the next, in sizes of the face: room for marks above and below, in any script. */
export const LEADING = 1.3;

/** The smallest letters that a label may have, mm: their x is 0.9 mm high. @source Regulation (EU) 1169/2011, article 13 (from memory) */
export const SMALLEST_MM = 1.9;

/** Scripts that put no space between words. */
const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Khmer}\p{Script=Lao}]/u;
const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });
const words = new Intl.Segmenter('en', { granularity: 'word' });
const split = (text: string, by: Intl.Segmenter): string[] => [...by.segment(text)].map((s) => s.segment);

/** A piece of text that stays together, and whether a space stands before it. */
type Piece = { text: string; spaced: boolean };

function piecesOf(text: string): Piece[] {
  // A space that does not break keeps a figure and its unit together.
  const chunks = text
    .trim()
    .split(/[^\S\u00a0]+/u)
    .filter(Boolean);
  return chunks.flatMap((chunk) =>
    (UNSPACED.test(chunk) ? split(chunk, words) : [chunk]).map((t, i) => ({ text: t, spaced: i === 0 }))
  );
}

const joined = (line: readonly Piece[]): string =>
  line.map((p, i) => (i > 0 && p.spaced ? ' ' : '') + p.text).join('');

/** The pieces in lines no wider than `w`, each as full as it can be; a piece wider than that has its own. */
function wrap(pieces: readonly Piece[], w: number, wide: (text: string) => number): string[] {
  const lines: string[] = [];
  let line: Piece[] = [];
  for (const p of pieces) {
    if (line.length > 0 && wide(joined([...line, p])) > w) {
      lines.push(joined(line));
      line = [];
    }
    line.push(p);
  }
  if (line.length > 0) lines.push(joined(line));
  return lines;
}

export type Fitted = {
  /** size of the face, mm */
  size: number;
  lines: string[];
  /** false where it did not go in, and was cut */
  isWhole: boolean;
};

type Wanted = { face: Face; max: number; min: number; lines: number };

/**
 * A text as large as goes into a box, in as few lines as make it about as large as can be. What does not go in at the smallest size is
 * broken between letters, and then cut: it never leaves its box.
 * @param box width and height, mm
 * @example fitText('Rosehip', { w: 35, h: 20 }, { face: 'text', max: 10, min: 2, lines: 1 }, (t) => t.length / 2).size // 10
 * @example fitText('Rosehip', { w: 21, h: 20 }, { face: 'text', max: 10, min: 2, lines: 1 }, (t) => t.length / 2).size // 6
 */
export function fitText(
  text: string,
  { w, h }: Pick<Box, 'w' | 'h'>,
  { face, max, min, lines: most }: Wanted,
  measure: Measure
): Fitted {
  const wide = (t: string) => measure(t, face);
  const pieces = piecesOf(text);
  if (pieces.length === 0) return { size: 0, lines: [], isWhole: true };
  const widest = (ls: readonly string[]) => Math.max(...ls.map(wide));
  let best: Fitted = { size: 0, lines: [], isWhole: true };
  const whole = wide(joined(pieces));
  for (let n = 1; n <= Math.min(most, pieces.length); n++) {
    // The narrowest that still takes n lines: they are alike in length.
    let [low, high] = [whole / n / 1.05, whole];
    for (let i = 0; i < 12; i++) {
      const mid = (low + high) / 2;
      if (wrap(pieces, mid, wide).length <= n) high = mid;
      else low = mid;
    }
    const lines = wrap(pieces, high, wide);
    const size = Math.min(max, w / widest(lines), h / (lines.length * LEADING));
    // One more line has to be worth it.
    if (size > 1.25 * best.size) best = { size, lines, isWhole: true };
  }
  return best.size >= min ? best : broken(joined(pieces), { w, h }, min, most, wide);
}

/** At the smallest size, broken between letters, and cut where even that is too much. */
function broken(
  text: string,
  { w, h }: Pick<Box, 'w' | 'h'>,
  size: number,
  most: number,
  wide: (t: string) => number
): Fitted {
  const room = Math.min(most, Math.floor(h / (size * LEADING)));
  if (room < 1) return { size: 0, lines: [], isWhole: false };
  const lines = [''];
  for (const letter of split(text, letters)) {
    const next = lines.at(-1)! + letter;
    if (wide(next.trim()) * size <= w) lines[lines.length - 1] = next;
    else lines.push(letter.trimStart());
  }
  const isWhole = lines.length <= room;
  const kept = lines.slice(0, room).map((l) => l.trim());
  if (!isWhole) {
    let last = split(kept.at(-1)!, letters);
    while (last.length > 0 && wide(`${last.join('')}…`) * size > w) last = last.slice(0, -1);
    kept[kept.length - 1] = `${last.join('')}…`;
  }
  return { size, lines: kept, isWhole };
}

/** Lines of one text, the first one's head at `y`. */
export const textMarks = (
  { size, lines }: Fitted,
  { x, y, face, anchor, fill }: { x: number; y: number; face: Face; anchor: 'start' | 'middle'; fill: string }
): Mark[] =>
  lines.map((text, i) => ({
    tag: 'text',
    text,
    attrs: {
      x: mm(x),
      // The foot of the letters stands so far under the head of the line.
      y: mm(y + size * (i * LEADING + 1)),
      'font-size': mm(size),
      'text-anchor': anchor,
      'data-face': face,
      fill
    }
  }));
