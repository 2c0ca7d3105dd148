import { jsPDF } from 'jspdf';
import { svg2pdf } from 'svg2pdf.js';
import type { Face } from '$core/label/fit';
import type { Mark } from '$core/label/mark';
import type { Page } from '$core/label/sheet';
import { plainFont } from '$lib/files/woff';
import { FONTS, svgOf } from '$lib/files/svg';
import { base64, bytesOf, FILES } from './fonts';
import { measure } from './measure.svelte';

/** Letters without a file of ours are drawn at so many dots to the millimetre: 600 to the inch. */
const DOTS_MM = 24;

const nameOf = (url: string): string => /([^/]+?)\.[^/]*$/.exec(url)?.[1] ?? url;

/** Which of a document's fonts holds a letter. */
type Held = (letter: string, face: Face) => string | null;

async function withFonts(doc: jsPDF): Promise<Held> {
  const urls = [...new Set(Object.values(FILES).flat())];
  await Promise.all(
    urls.map(async (url) => {
      doc.addFileToVFS(`${nameOf(url)}.ttf`, base64(plainFont(await bytesOf(url))));
      doc.addFont(`${nameOf(url)}.ttf`, nameOf(url), 'normal');
    })
  );
  const maps = new Map(
    urls.map((url) => {
      doc.setFont(nameOf(url), 'normal');
      const { metadata } = doc.getFont() as unknown as {
        metadata: { characterToGlyph: (code: number) => number };
      };
      return [nameOf(url), metadata];
    })
  );
  return (letter, face) =>
    FILES[face]
      .map(nameOf)
      .find((f) => [...letter].every((c) => maps.get(f)!.characterToGlyph(c.codePointAt(0)!) > 0)) ?? null;
}

/** A line of letters that no font of ours holds, as the browser draws it. */
function pictured({ attrs, text }: Mark, face: Face): Mark {
  const size = Number(attrs['font-size']);
  const width = measure(text!, face) * size;
  const [up, down] = [1.1 * size, 0.45 * size];
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil((width + size) * DOTS_MM);
  canvas.height = Math.ceil((up + down) * DOTS_MM);
  const pen = canvas.getContext('2d')!;
  pen.font = `${FONTS[face].weight} ${size * DOTS_MM}px ${FONTS[face].family}`;
  pen.fillStyle = String(attrs.fill);
  pen.fillText(text!, (size / 2) * DOTS_MM, up * DOTS_MM);
  const x = Number(attrs.x) - (attrs['text-anchor'] === 'middle' ? width / 2 : 0);
  return {
    tag: 'image',
    attrs: {
      x: x - size / 2,
      y: Number(attrs.y) - up,
      width: canvas.width / DOTS_MM,
      height: canvas.height / DOTS_MM,
      href: canvas.toDataURL('image/png')
    }
  };
}

/** A text in runs of one font each, where it stands; a PDF has no fallback of its own. */
function inRuns(mark: Mark, held: Held): Mark[] {
  const { 'data-face': named, ...attrs } = mark.attrs;
  const face = named as Face;
  const runs: { font: string; text: string }[] = [];
  for (const letter of mark.text!) {
    const last = runs.at(-1);
    // A space goes with what stands before it.
    const font = last && /\s/.test(letter) ? last.font : held(letter, face);
    if (font === null) return [pictured(mark, face)];
    if (last?.font === font) last.text += letter;
    else runs.push({ font, text: letter });
  }
  const size = Number(attrs['font-size']);
  let x = Number(attrs.x) - (attrs['text-anchor'] === 'middle' ? (measure(mark.text!, face) * size) / 2 : 0);
  return runs.map(({ font, text }) => {
    const run: Mark = {
      tag: 'text',
      text,
      attrs: { ...attrs, x, 'text-anchor': 'start', 'font-family': font }
    };
    x += measure(text, face) * size;
    return run;
  });
}

const forPdf = (marks: readonly Mark[], held: Held): Mark[] =>
  marks.flatMap((m) =>
    m.tag === 'text' ? inRuns(m, held) : [m.children ? { ...m, children: forPdf(m.children, held) } : m]
  );

/** Pages as a PDF with its letters in it: they can be searched, and look alike everywhere. */
export async function pdfOf(pages: readonly Page[], title: string): Promise<Blob> {
  const { w, h } = pages[0]!;
  const doc = new jsPDF({ unit: 'mm', format: [w, h], compress: true, putOnlyUsedFonts: true });
  doc.setProperties({ title, creator: 'Vecino' });
  const held = await withFonts(doc);
  for (const [i, page] of pages.entries()) {
    if (i > 0) doc.addPage([w, h]);
    const svg = new DOMParser().parseFromString(
      svgOf({ ...page, marks: forPdf(page.marks, held) }),
      'image/svg+xml'
    ).documentElement;
    await svg2pdf(svg, doc, { x: 0, y: 0, width: w, height: h });
  }
  return doc.output('blob');
}
