import { imageSize } from 'image-size';

/** More dots than this are no photo, and would take a browser all the room there is to show. */
const MOST_DOTS = 120_000_000;
/** The width and height of a picture stand within its first bytes: this many. */
const HEAD = 300_000;

/** Whether a picture is of a size that can be shown, by what its head says; one that says nothing of it is not. */
export async function canBeShown(file: Blob): Promise<boolean> {
  try {
    const { width, height } = imageSize(new Uint8Array(await file.slice(0, HEAD).arrayBuffer()));
    return width > 0 && height > 0 && width * height <= MOST_DOTS;
  } catch {
    return false;
  }
}
