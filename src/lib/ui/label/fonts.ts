import type { Face } from '$core/label/fit';
import besleyExt from '@fontsource/besley/files/besley-latin-ext-600-normal.woff?url';
import besley from '@fontsource/besley/files/besley-latin-600-normal.woff?url';
import sansExt from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-400-normal.woff?url';
import sansCyrillic from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-400-normal.woff?url';
import sansGreek from '@fontsource/source-sans-3/files/source-sans-3-greek-400-normal.woff?url';
import sans from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url';
import boldExt from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-600-normal.woff?url';
import boldCyrillic from '@fontsource/source-sans-3/files/source-sans-3-cyrillic-600-normal.woff?url';
import boldGreek from '@fontsource/source-sans-3/files/source-sans-3-greek-600-normal.woff?url';
import bold from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff?url';

/** Files of each face, as a letter is looked for in them. What the name's face lacks is taken from the text's. */
export const FILES: Record<Face, readonly string[]> = {
  display: [besley, besleyExt, boldCyrillic, boldGreek],
  text: [sans, sansExt, sansCyrillic, sansGreek],
  bold: [bold, boldExt, boldCyrillic, boldGreek]
};

export const bytesOf = async (url: string): Promise<Uint8Array> =>
  new Uint8Array(await (await fetch(url)).arrayBuffer());
export const base64 = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
