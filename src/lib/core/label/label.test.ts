import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INKS } from '../tables/inks';
import { ART, ART_IDS } from '../tables/art';
import { LAYOUT_IDS } from '../ledger/events/label';
import { PAPERS } from '../units/paper';
import { artOf } from './art-of';
import { drawLabel, type Content } from './draw-label';
import { drawTag } from './draw-tag';
import { strengthText } from './facts';
import { fitText, LEADING, SMALLEST_MM, type Measure } from './fit';
import type { Mark } from './mark';
import { pagesOf } from './sheet';
import { cellsOf, countOf, GRIDS, sheetsOf } from './sheets';

/** Letters of many scripts by their usual width; a real face is asked in the browser's tests. */
const measure: Measure = (text, face) =>
  [...text].reduce((w, c) => w + (/\p{Script=Han}|\p{Script=Katakana}/u.test(c) ? 1 : 0.55), 0) *
  (face === 'text' ? 0.9 : 1.05);

const CONTENT: Content = {
  name: 'Gooseberry and elderflower',
  year: '2026',
  facts: ['11.5\u00a0% vol', 'off-dry', '750 mL'],
  must: 'Contains sulphites, egg.',
  may: ['Bottled 3 Nov 2026', 'Made at home, not for sale'],
  code: { n: 41, dark: (x, y) => (x + y) % 2 === 0 },
  art: { id: 'gooseberry' }
};
const SIZES = Object.values(GRIDS).map((g) => ({ w: g.wMm, h: g.hMm }));

const textsOf = (marks: readonly Mark[]): Mark[] =>
  marks.flatMap((m) => (m.tag === 'text' ? [m] : textsOf(m.children ?? [])));

/** Where a line of text stands, mm. */
function boxOf({ attrs, text }: Mark) {
  const size = Number(attrs['font-size']);
  const w = measure(text!, attrs['data-face'] as 'text') * size;
  const x = Number(attrs.x) - (attrs['text-anchor'] === 'middle' ? w / 2 : 0);
  return { x, w, top: Number(attrs.y) - size, foot: Number(attrs.y) + (LEADING - 1) * size, size };
}

describe('text that fits', () => {
  const wanted = { face: 'text', max: 8, min: 2, lines: 3 } as const;

  it('never leaves its box, loses no letter that went in, and is never under the smallest size', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }),
        fc.double({ min: 5, max: 90, noNaN: true }),
        fc.double({ min: 3, max: 40, noNaN: true }),
        (text, w, h) => {
          const f = fitText(text, { w, h }, wanted, measure);
          for (const line of f.lines) expect(measure(line, 'text') * f.size).toBeLessThanOrEqual(w + 1e-6);
          expect(f.lines.length * f.size * LEADING).toBeLessThanOrEqual(h + 1e-6);
          if (f.lines.length > 0) expect(f.size).toBeGreaterThanOrEqual(wanted.min - 1e-9);
          const bare = (t: string) => t.replace(/\s/gu, '');
          if (f.isWhole) expect(bare(f.lines.join(''))).toBe(bare(text));
          else if (f.lines.length > 0) expect(f.lines.at(-1)).toMatch(/…$/);
        }
      )
    );
  });

  it('breaks between words, at even lengths, and where a script has no spaces', () => {
    const lines = (text: string, w = 20, h = 30) => fitText(text, { w, h }, wanted, measure).lines;
    expect(lines('Gooseberry and elderflower')).toEqual(['Gooseberry', 'and', 'elderflower']);
    expect(lines('11.5\u00a0% vol', 12)).toEqual(['11.5\u00a0%', 'vol']);
    expect(lines('自家製の梅の実のお酒です').length).toBeGreaterThan(1);
    expect(lines('Donaudampfschifffahrtswein', 6, 9).join('').replace('…', '')).toMatch(/^Donau/);
  });
});

describe('a label', () => {
  it('keeps all its letters inside, in every layout and on every sheet', () => {
    for (const layout of LAYOUT_IDS)
      for (const size of SIZES) {
        const { marks } = drawLabel({ layout, ink: 'damson' }, CONTENT, size, measure);
        const all = textsOf(marks).map(boxOf);
        expect(all.length).toBeGreaterThan(0);
        for (const b of all) {
          expect(b.x).toBeGreaterThanOrEqual(-0.02);
          expect(b.x + b.w).toBeLessThanOrEqual(size.w + 0.02);
          expect(b.top).toBeGreaterThanOrEqual(-0.02);
          expect(b.foot).toBeLessThanOrEqual(size.h + 0.02);
          expect(b.size).toBeGreaterThanOrEqual(SMALLEST_MM - 0.01);
        }
        // No line runs into another.
        for (const [i, a] of all.entries())
          for (const b of all.slice(i + 1))
            if (a.x < b.x + b.w && b.x < a.x + a.w)
              expect(Math.min(a.foot, b.foot) - Math.max(a.top, b.top)).toBeLessThan(
                0.35 * Math.min(a.size, b.size)
              );
      }
  });

  it('tells what it contains before anything that may be left away, and says what was', () => {
    for (const layout of LAYOUT_IDS) {
      const { marks, lost } = drawLabel(
        { layout, ink: 'sloe' },
        { ...CONTENT, name: 'A very long name for so small a label indeed' },
        { w: 38.1, h: 21.2 },
        measure
      );
      const said = textsOf(marks)
        .map((m) => m.text)
        .join(' ');
      expect(lost, layout).toContain('code');
      if (!lost.includes('allergens')) expect(said).toContain('sulphites');
      else expect(said).not.toContain('Made at home');
    }
    const { marks, lost } = drawLabel(
      { layout: 'hedge', ink: 'sloe' },
      CONTENT,
      { w: 99.1, h: 67.7 },
      measure
    );
    expect(lost).toEqual([]);
    expect(
      textsOf(marks)
        .map((m) => m.text)
        .join(' ')
    ).toContain('Made at home, not for sale');
  });

  it('has letters that stand out from what is under them', () => {
    const linear = (v: number) => (v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
    const light = (hex: string) =>
      [1, 3, 5]
        .map((i) => linear(parseInt(hex.slice(i, i + 2), 16) / 255))
        .reduce((sum, v, i) => sum + v * [0.2126, 0.7152, 0.0722][i]!, 0);
    // WCAG 2.2, success criteria 1.4.3 and 1.4.6.
    const contrast = (a: string, b: string) => {
      const [x, y] = [light(a), light(b)].sort((p, q) => q - p);
      return (x! + 0.05) / (y! + 0.05);
    };
    expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
    for (const { name, ink, paper, tint } of Object.values(INKS)) {
      expect(contrast(ink, paper), name).toBeGreaterThan(7);
      expect(contrast(ink, tint), name).toBeGreaterThan(7);
    }
  });

  it('prints strength as labels do, and only as sure as it is', () => {
    const at = (likely: number, half: number) => ({ low: likely - half, likely, high: likely + half });
    expect(strengthText(at(11.68, 0.3), 'metric')).toBe('11.5\u00a0%\u00a0vol');
    expect(strengthText(at(11.8, 0.3), 'us')).toBe('12\u00a0%\u00a0alc.\u00a0by\u00a0vol.');
    expect(strengthText(at(11.4, 1.6), 'uk')).toBe('about 11\u00a0%\u00a0vol');
  });

  it('shows what it is made of', () => {
    const of = (produceId: string) =>
      artOf([{ kind: 'produce', produceId, form: 'fresh', massKg: 1 } as never]);
    expect(['gooseberry', 'elderberry', 'rhubarb', 'quince', 'rosehip', 'parsnip', 'plum'].map(of)).toEqual([
      'gooseberry',
      'elder',
      'rhubarb',
      'quince',
      'hip',
      'root',
      'plum'
    ]);
    expect(artOf([{ kind: 'sugar', sugarId: 'honey', massKg: 3 }])).toBe('comb');
    // Every drawing stays on its square, but for a line's breadth.
    for (const id of ART_IDS)
      for (const { d } of ART[id].strokes) {
        expect(d, id).not.toMatch(/NaN|undefined/);
        if (!/[a-z]/.test(d))
          for (const x of d.match(/-?[\d.]+/g)!) expect(Math.abs(Number(x) - 50)).toBeLessThan(60);
      }
  });
});

describe('sheets', () => {
  it('every sheet that is offered goes on its paper, and no label lies on another', () => {
    for (const [id, g] of Object.entries(GRIDS)) {
      const cells = cellsOf(g);
      expect(cells, id).toHaveLength(Number(id.split('-')[1]));
      const { w, h } = PAPERS[g.paper];
      for (const c of cells) {
        expect(c.x, id).toBeGreaterThanOrEqual(0);
        expect(c.y, id).toBeGreaterThanOrEqual(0);
        expect(c.x + c.w, id).toBeLessThanOrEqual(w + 1e-6);
        expect(c.y + c.h, id).toBeLessThanOrEqual(h + 1e-6);
      }
      expect(g.gapXMm).toBeGreaterThanOrEqual(0);
    }
  });

  it('begins at the label that is still there, and goes on with whole sheets', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(GRIDS)),
        fc.integer({ min: 1, max: 200 }),
        fc.nat(),
        (g, count, k) => {
          const all = countOf(g);
          const first = 1 + (k % all);
          const sheets = sheetsOf(g, count, first);
          expect(sheets.flat()).toHaveLength(count);
          expect(sheets[0]![0]).toEqual(cellsOf(g)[first - 1]);
          for (const s of sheets.slice(1, -1)) expect(s).toHaveLength(all);
        }
      )
    );
    expect(() => sheetsOf(GRIDS['a4-8']!, 3, 9)).toThrow('labels 1 to 8');
    expect(() => cellsOf({ ...GRIDS['a4-8']!, cols: 3 })).toThrow('side by side are wider than A4');
    expect(() => cellsOf({ ...GRIDS['a4-8']!, rows: 5 })).toThrow('higher than A4');
  });

  it('draws each label once a page, and names it where it is printed', () => {
    const lot = (name: string, count: number) => ({
      drawn: drawLabel({ layout: 'basket', ink: 'straw' }, { ...CONTENT, name }, SIZES[1]!, measure),
      count
    });
    const pages = pagesOf([lot('One', 5), lot('Two', 6)], GRIDS['a4-8']!, 2, true);
    const uses = pages.map((p) => p.marks.filter((m) => m.tag === 'use').map((m) => m.attrs.href));
    expect(uses).toEqual([
      ['#label-0', '#label-0', '#label-0', '#label-0', '#label-0', '#label-1', '#label-1'],
      ['#label-1', '#label-1', '#label-1', '#label-1']
    ]);
    expect(pages.map((p) => p.marks[0]!.children!.length)).toEqual([2, 1]);
  });

  it('a tag says where it stands and what comes next, inside its outline', () => {
    const content = {
      name: 'Gooseberry',
      where: '7 Aug 2026, tall 5 L jar, 5.0 L',
      course: 'Began at 1.080.',
      next: [
        { what: 'Bottle', when: '27 Nov – 14 Jan' },
        { what: 'Read the gravity', when: '14 Dec' }
      ],
      must: 'Contains sulphites.',
      code: null
    };
    for (const size of SIZES) {
      const { marks, lost } = drawTag(content, size, measure);
      for (const b of textsOf(marks).map(boxOf)) {
        expect(b.x + b.w).toBeLessThanOrEqual(size.w + 0.02);
        expect(b.foot).toBeLessThanOrEqual(size.h + 0.02);
      }
      if (size.h > 30) expect(lost).toEqual([]);
    }
  });
});
