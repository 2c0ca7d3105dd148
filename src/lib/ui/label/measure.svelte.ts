import '@fontsource/besley/latin-ext-600.css';
import '@fontsource/source-sans-3/latin-ext-400.css';
import '@fontsource/source-sans-3/latin-ext-600.css';
import '@fontsource/source-sans-3/cyrillic-400.css';
import '@fontsource/source-sans-3/cyrillic-600.css';
import '@fontsource/source-sans-3/greek-400.css';
import '@fontsource/source-sans-3/greek-600.css';
import type { Face, Measure } from '$core/label/fit';
import { FONTS } from '$lib/files/svg';

let pen: CanvasRenderingContext2D | null = null;
const known = new Map<string, number>();
const SIZE = 100;
const fontOf = (face: Face) => `${FONTS[face].weight} ${SIZE}px ${FONTS[face].family}`;

/** How wide a text is, asked of the browser's own canvas, mm for a face of 1 mm. */
export const measure: Measure = (text, face) => {
  const key = `${face} ${text}`;
  let width = known.get(key);
  if (width === undefined) {
    pen ??= document.createElement('canvas').getContext('2d')!;
    pen.font = fontOf(face);
    const m = pen.measureText(text);
    // Slanted and tailed letters reach past where the next would begin.
    width = Math.max(m.width, m.actualBoundingBoxRight + Math.max(0, m.actualBoundingBoxLeft)) / SIZE;
    if (known.size > 20_000) known.clear();
    known.set(key, width);
  }
  return width;
};

/**
 * Waits until the faces hold the letters of a text.
 * @returns whether any came: then what was measured before is forgotten, and to be drawn anew
 */
export async function loadFaces(text: string): Promise<boolean> {
  const missing = (Object.keys(FONTS) as Face[]).filter((f) => !document.fonts.check(fontOf(f), text));
  if (missing.length === 0) return false;
  await Promise.all(missing.map((f) => document.fonts.load(fontOf(f), text)));
  known.clear();
  return true;
}
