import { create } from 'qrcode';
import type { Code } from '$core/label/art-marks';

/** Bytes from which squares get too fine for a small label: then less is spared for dirt. */
const LONG = 106;

/** A text as the squares that phones read, with a part of it to spare for dirt. */
export function codeOf(text: string): Code {
  const isLong = new TextEncoder().encode(text).length > LONG;
  const { modules } = create(text, { errorCorrectionLevel: isLong ? 'L' : 'M' });
  return { n: modules.size, dark: (x, y) => modules.get(y, x) === 1 };
}
