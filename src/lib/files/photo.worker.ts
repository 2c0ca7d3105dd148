import { expose } from 'comlink';
import { canBeShown } from './picture';

/** The longer side of a kept photo, dots: enough for a screen, and some 200 kB. */
const MOST = 1600;

const api = {
  /**
   * A picture turned upright and made small. What else was in its file, where it was taken above all, is not kept.
   * @returns null where it cannot be read
   */
  async shrink(file: Blob): Promise<{ blob: Blob; width: number; height: number } | null> {
    if (!(await canBeShown(file))) return null;
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
    if (!bitmap) return null;
    const scale = Math.min(1, MOST / Math.max(bitmap.width, bitmap.height));
    const width = Math.max(1, Math.round(bitmap.width * scale));
    const height = Math.max(1, Math.round(bitmap.height * scale));
    const canvas = new OffscreenCanvas(width, height);
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = '#ffffff';
    pen.fillRect(0, 0, width, height);
    pen.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    return { blob: await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 }), width, height };
  }
};
export type PhotoApi = typeof api;

expose(api);
