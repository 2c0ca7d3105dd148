import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { contents, foldBatch } from '$core/ledger/fold';
import { liquid } from '$core/must/stock';
import { readFile, writeFile } from './vecino-file';

const fixture = (version: number) =>
  readFileSync(new URL(`./fixtures/v${version}.vecino.json`, import.meta.url), 'utf8');

describe('files of every version', () => {
  it('version 1 is read, and gives the wine it always gave', () => {
    const file = readFile(fixture(1));
    expect(file.events).toHaveLength(5);
    expect(file.settings.hydrometer.inWater).toBe(1.001);
    const s = foldBatch(file.events, Date.parse('2026-06-09T08:00:00Z'))!;
    expect(s.name).toBe('Gooseberry');
    expect(s.readings).toEqual([]);
    expect(s.powdersG.campden!.massG).toBeCloseTo(0.88, 6);
    const now = liquid(contents(s))!;
    expect(now.volumeL).toBeGreaterThan(9.5);
    expect(now.volumeL).toBeLessThan(10.5);
    expect(now.sg).toBeGreaterThan(1.07);
    expect(now.sg).toBeLessThan(1.09);
  });

  it('is written as it was read', () => {
    const file = readFile(fixture(1));
    const again = readFile(writeFile(file.events, file.vessels, file.settings, file.exportedAt));
    expect(again).toEqual(file);
  });

  it('a file with a byte-order mark is read too', () => {
    expect(readFile(`\uFEFF${fixture(1)}`).events).toHaveLength(5);
  });

  it('the place of damage is given by line and column', () => {
    const text = fixture(1).replace('"type": "pitch",', '"type": pitch,');
    try {
      readFile(text);
      expect.unreachable();
    } catch (e) {
      const line = text.slice(0, text.indexOf('pitch,')).split('\n').length;
      expect((e as Error).message).toContain(`line ${line}, column`);
    }
  });
});
