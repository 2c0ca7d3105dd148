import { zipSync } from 'fflate';
import type { Page } from '$core/label/sheet';
import { svgOf } from '$lib/files/svg';
import { download, fileName } from '../recipe/download';
import { base64, bytesOf, FILES } from './fonts';

/** The faces as rules of a style: a file that is opened elsewhere brings its letters along. */
async function faces(): Promise<string> {
  const rule = async (family: string, weight: number, url: string) =>
    `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff;base64,${base64(await bytesOf(url))})}`;
  return (
    await Promise.all([
      rule('Besley', 600, FILES.display[0]!),
      rule('Source Sans 3', 400, FILES.text[0]!),
      rule('Source Sans 3', 600, FILES.bold[0]!)
    ])
  ).join('');
}

/** One sheet as an SVG file; several as a ZIP of them. */
export async function saveSvg(pages: readonly Page[], name: string): Promise<void> {
  const style = await faces();
  const files = pages.map((p) => svgOf(p, style));
  const stem = fileName(name);
  if (files.length === 1) return download(`${stem}.svg`, files[0]!, 'image/svg+xml');
  const bytes = files.map<[string, Uint8Array]>((f, i) => [
    `${stem}-${i + 1}.svg`,
    new TextEncoder().encode(f)
  ]);
  download(`${stem}.zip`, zipSync(Object.fromEntries(bytes)), 'application/zip');
}

export async function savePdf(pages: readonly Page[], name: string): Promise<void> {
  const { pdfOf } = await import('./pdf');
  download(`${fileName(name)}.pdf`, await pdfOf(pages, name), 'application/pdf');
}
