import { readFileSync } from 'node:fs';
import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { codeText } from '$core/label/content';
import { codeOf } from './code';
import { svgOf } from './svg';
import { plainFont } from './woff';

describe('the code', () => {
  it('is read back as it was written, in any script', () => {
    const said = {
      name: 'Świdośliwa & Αγιόκλημα',
      year: '2026',
      strength: '12\u00a0% vol',
      taste: 'sparkling, off-dry',
      volume: '750 mL',
      bottled: '3 Nov 2026'
    };
    const text = codeText(
      said,
      { contains: ['sulphites', 'egg'], yeasts: [] },
      'https://cellar.home/',
      '/batches/abc'
    );
    expect(text.split('\n')).toEqual([
      'Świdośliwa & Αγιόκλημα 2026',
      '12\u00a0% vol, sparkling, off-dry, 750 mL',
      'Bottled 3 Nov 2026',
      'Contains sulphites, egg.',
      'https://cellar.home/batches/abc'
    ]);
    const { n, dark } = codeOf(text);
    const [dot, quiet] = [4, 4];
    const side = (n + 2 * quiet) * dot;
    const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
    for (let y = 0; y < side; y++)
      for (let x = 0; x < side; x++) {
        const [c, r] = [Math.floor(x / dot) - quiet, Math.floor(y / dot) - quiet];
        if (c >= 0 && r >= 0 && c < n && r < n && dark(c, r))
          pixels.fill(0, 4 * (y * side + x), 4 * (y * side + x) + 3);
      }
    expect(jsQR(pixels, side, side)?.data).toBe(text);
  });
});

describe('a drawing as a file', () => {
  it('holds what people type as text, and nothing else', () => {
    const svg = svgOf({
      w: 64,
      h: 33.9,
      marks: [
        {
          tag: 'text',
          text: '</text><script>alert("1 & 2")</script>\u0000',
          attrs: { x: 1, 'data-face': 'display', fill: '"/><image href="x' }
        },
        { tag: 'g', attrs: {}, children: [{ tag: 'path', attrs: { d: 'M0 0h1' } }] }
      ]
    });
    expect(svg).toBe(
      '<svg xmlns="http://www.w3.org/2000/svg" width="64mm" height="33.9mm" viewBox="0 0 64 33.9">' +
        `<text x="1" fill="&quot;/&gt;&lt;image href=&quot;x" font-family="Besley, 'Source Sans 3', Georgia, serif" font-weight="600">` +
        '&lt;/text&gt;&lt;script&gt;alert(&quot;1 &amp; 2&quot;)&lt;/script&gt;</text>' +
        '<g><path d="M0 0h1"/></g></svg>'
    );
  });
});

describe('a plain font', () => {
  it('has every table where it says, with the sum it says, as the OpenType file format has it', () => {
    const woff = readFileSync('node_modules/@fontsource/besley/files/besley-latin-600-normal.woff');
    const font = plainFont(woff);
    const view = new DataView(font.buffer);
    expect(view.getUint32(0)).toBe(0x00010000);
    const tables = view.getUint16(4);
    const tags: string[] = [];
    for (let i = 0; i < tables; i++) {
      const [at, length] = [view.getUint32(20 + 16 * i), view.getUint32(24 + 16 * i)];
      const tag = String.fromCharCode(...font.subarray(12 + 16 * i, 16 + 16 * i));
      tags.push(tag);
      let sum = 0;
      for (let k = 0; k < length; k += 4) {
        // The sum of the whole stands in the head, and does not count itself.
        if (tag === 'head' && k === 8) continue;
        let word = 0;
        for (let b = 0; b < 4; b++) word = word * 256 + (k + b < length ? font[at + k + b]! : 0);
        sum = (sum + word) % 2 ** 32;
      }
      expect(sum, tag).toBe(view.getUint32(16 + 16 * i));
    }
    expect(tags).toEqual(expect.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'loca']));
    expect(() => plainFont(font)).toThrow('no WOFF');
  });
});
