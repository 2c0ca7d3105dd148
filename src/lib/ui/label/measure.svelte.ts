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

/** Waits until the faces hold the letters of a text; what was measured before is forgotten. */
export async function loadFaces(text: string): Promise<void> {
  const loaded = await Promise.all(
    (Object.keys(FONTS) as Face[]).map((f) => document.fonts.load(fontOf(f), text))
  );
  if (loaded.some((l) => l.length > 0)) known.clear();
}
