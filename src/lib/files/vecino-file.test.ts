import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { foldBatch } from '$core/ledger/run';
import { contents } from '$core/ledger/state';
import { liquid } from '$core/liquid/stock';
import { recipeMarkdown } from './recipe-markdown';
import { FILE_VERSION, previewImport, readFile, writeFile } from './vecino-file';

const fixture = (version: number) =>
  readFileSync(new URL(`./fixtures/v${version}.vecino.json`, import.meta.url), 'utf8');

describe('files of every version', () => {
  it('version 1 is read, and gives the wine it always gave', () => {
    const file = readFile(fixture(1));
    expect(file.events).toHaveLength(5);
    expect(file.settings!.hydrometer.inWater).toBe(1.001);
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

  it('version 2 brings an entry of one\u2019s own, and what a lot of it was measured at', () => {
    const file = readFile(fixture(2));
    expect(file.version).toBe(FILE_VERSION);
    expect(file.produce.map((p) => p.name)).toEqual(['Hedge plum']);
    const s = foldBatch(file.events, Date.parse('2026-09-09T08:00:00Z'))!;
    expect(s.plan.ingredients[0]).toMatchObject({ kind: 'produce', measured: { brix: 17 } });
    expect(liquid(contents(s))!.sg).toBeGreaterThan(1.05);
  });

  it('version 3 brings a recipe, a lot of the harvest and a method', () => {
    const file = readFile(fixture(3));
    expect(file.recipes.map((r) => [r.name, r.version])).toEqual([['Hedge plum', 1]]);
    expect(file.harvest[0]).toMatchObject({ produceId: 'quince', form: 'frozen' });
    expect(file.methods[0]!.method).toEqual({ wildYeast: 'wild', stirring: 'daily', enzyme: false });
    expect(readFile(fixture(2)).recipes).toEqual([]);
  });

  it('a recipe travels alone, and brings no settings', () => {
    const { recipes } = readFile(fixture(3));
    const alone = readFile(writeFile({ events: [], recipes }, '2026-09-10T00:00:00.000Z'));
    expect(alone.recipes).toEqual(recipes);
    expect(alone.settings).toBeUndefined();
    expect(previewImport(alone, { events: [], recipes }).newThings.recipes).toEqual([]);
    expect(previewImport(alone, { events: [] }).newThings.recipes).toEqual(recipes);
  });

  it('is as Markdown what the sheet says, with nothing that Markdown would take for its own', () => {
    const recipe = { ...readFile(fixture(3)).recipes[0]!, name: 'Plum *and* [pear]' };
    const text = recipeMarkdown(recipe, 'bucket', { mass: 'kg', volume: 'L' });
    expect(text).toMatch(/^# Plum \\\*and\\\* \\\[pear\\\]/);
    for (const part of ['## What goes in', '## Steps', '## Note', 'Pick after the first frost.'])
      expect(text).toContain(part);
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('an older file gains what it lacks, and no more', () => {
    const file = readFile(fixture(1));
    expect(file.version).toBe(FILE_VERSION);
    expect(file.produce).toEqual([]);
    expect(file.settings!.hemisphere).toBe('north');
    expect(file.settings!.prices).toEqual({});
  });

  it('is written as it was read', () => {
    const file = readFile(fixture(1));
    const again = readFile(writeFile({ ...file, settings: file.settings! }, file.exportedAt));
    expect({ ...again, checksum: undefined }).toEqual({ ...file, checksum: undefined });
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
