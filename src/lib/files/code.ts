import { create } from 'qrcode';
import type { Code } from '$core/label/art-marks';

/** A text as the squares that phones read, with a part of it to spare for dirt. */
export function codeOf(text: string): Code {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  return { n: modules.size, dark: (x, y) => modules.get(y, x) === 1 };
}
