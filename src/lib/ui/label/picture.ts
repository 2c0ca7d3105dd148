import { InputError } from '$core/units/input-error';

/** The longer side of a kept picture, dots: enough for a label a hand wide. */
const MOST = 900;

/**
 * A chosen picture, made small, without whatever else was in its file, as a data address.
 * @throws InputError when the browser cannot read it
 */
export async function smallPicture(file: Blob): Promise<string> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new InputError(
      'This file is no picture that can be read here.',
      'Choose a JPEG or a PNG.',
      'picture'
    );
  });
  const scale = Math.min(1, MOST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const pen = canvas.getContext('2d')!;
  // What is clear in it is paper on a label.
  pen.fillStyle = '#ffffff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  for (const quality of [0.85, 0.6, 0.4]) {
    const url = canvas.toDataURL('image/jpeg', quality);
    if (url.length < 380_000) return url;
  }
  throw new InputError('This picture stays too large.', 'Choose a plainer or a smaller one.', 'picture');
}
