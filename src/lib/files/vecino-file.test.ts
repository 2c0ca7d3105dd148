import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { foldBatch } from '$core/ledger/run';
import { contents } from '$core/ledger/state';
import { keptAs, keptOf, sorted } from '$core/ledger/kept';
import { thingsOf } from '$core/ledger/things';
import { liquid } from '$core/liquid/stock';
import { crc32 } from '$core/maths/crc32';
import { METRIC } from '$core/units/say';
import { recipeMarkdown } from './recipe-markdown';
import { FILE_VERSION, parseJson, previewImport, readFile, readParsed, writeFile } from './vecino-file';

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
    expect(thingsOf(file.things).produce.map((p) => p.name)).toEqual(['Hedge plum']);
    const s = foldBatch(file.events, Date.parse('2026-09-09T08:00:00Z'))!;
    expect(s.plan.ingredients[0]).toMatchObject({ kind: 'produce', measured: { brix: 17 } });
    expect(liquid(contents(s))!.sg).toBeGreaterThan(1.05);
  });

  it('version 3 brings a recipe, a lot of the harvest and a method', () => {
    const has = thingsOf(readFile(fixture(3)).things);
    expect(has.recipes.map((r) => [r.name, r.version])).toEqual([['Hedge plum', 1]]);
    expect(has.harvest[0]).toMatchObject({ produceId: 'quince', form: 'frozen' });
    expect(has.methods[0]!.method).toEqual({ wildYeast: 'wild', stirring: 'daily', enzyme: false });
    expect(thingsOf(readFile(fixture(2)).things).recipes).toEqual([]);
  });

  it('version 5 brings its bottles: those opened are gone, and what was said of them is kept', () => {
    const file = readFile(fixture(5));
    expect(file.version).toBe(FILE_VERSION);
    expect(thingsOf(file.things).vessels.map((v) => v.name)).toEqual(['older jar']);
    const s = foldBatch(file.events, Date.parse('2026-11-22T08:00:00Z'))!;
    expect(s.bottled[0]).toMatchObject({ left: 4, bottles: [{ count: 6, left: 4 }], cells: [] });
    expect(s.bottled[0]!.gone.map((g) => [g.count, g.how])).toEqual([[2, 'opened']]);
    expect(s.tastings[0]).toMatchObject({ liking: 3, words: [], when: null, wanted: null });
    expect(s.doubts).toEqual([]);
  });

  it('version 6 brings its rack and what lies in it, and how it tasted', () => {
    const file = readFile(fixture(6));
    expect(file.version).toBe(FILE_VERSION);
    expect(thingsOf(file.things).racks).toMatchObject([{ name: 'under the stairs', rows: 3, cols: 6 }]);
    const s = foldBatch(file.events, Date.parse('2026-12-01T00:00:00Z'))!;
    expect(s.doubts).toEqual([]);
    expect(s.bottled[0]).toMatchObject({ left: 10, cells: [{ col: 0 }, { col: 1 }] });
    expect(s.tastings[0]).toMatchObject({ liking: 4, words: ['sharp'], when: 'ready' });
    expect(s.places).toEqual({});
  });

  it('version 4 brings its lists as logs, and a timer that was a card put off', () => {
    const file = readFile(fixture(4));
    const has = thingsOf(file.things);
    expect(has.vessels.find((v) => v.id === 'jar-glass')).toMatchObject({
      marks: [{ heightCm: 12, volumeL: 3 }]
    });
    expect(has.harvest[0]!.fates.map((f) => f.what)).toEqual(['frozen', 'trimmed']);
    expect(file.events.slice(-2).map((e) => [e.type, e.data])).toMatchObject([
      ['timer', { card: 'yeast' }],
      ['step', { step: 'read', outcome: 'snoozed' }]
    ]);
    // The same file twice is the same entries; what is here as it says is not new.
    const { vessels } = has;
    expect(previewImport(readFile(fixture(4)), file).newEntries).toEqual([]);
    const rows = { events: [], things: keptOf({ vessels }, '2026-11-26T00:00:00.000Z') };
    expect(previewImport(file, rows).newEntries.map((e) => e.kind)).not.toContain('vessels');
  });

  it('a recipe travels alone, and brings no settings', () => {
    const [recipe] = thingsOf(readFile(fixture(3)).things).recipes;
    const things = [keptAs('recipes', recipe!, recipe!.madeAt)];
    const alone = readFile(writeFile({ events: [], things }, '2026-09-10T00:00:00.000Z'));
    expect(thingsOf(alone.things).recipes).toEqual([recipe]);
    expect(alone.settings).toBeUndefined();
    expect(previewImport(alone, { events: [], things }).newEntries).toEqual([]);
    expect(previewImport(alone, { events: [] }).newThings.recipes).toBe(1);
  });

  it('is as Markdown what the sheet says, with nothing that Markdown would take for its own', () => {
    const recipe = { ...thingsOf(readFile(fixture(3)).things).recipes[0]!, name: 'Plum *and* [pear]' };
    const text = recipeMarkdown(recipe, 'bucket', METRIC);
    expect(text).toMatch(/^# Plum \\\*and\\\* \\\[pear\\\]/);
    for (const part of ['## What goes in', '## Steps', '## Note', 'Pick after the first frost.'])
      expect(text).toContain(part);
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('an older file gains what it lacks, and no more', () => {
    const file = readFile(fixture(1));
    expect(file.version).toBe(FILE_VERSION);
    expect(thingsOf(file.things).produce).toEqual([]);
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

describe('a file in pieces', () => {
  it('is what JSON would make of it in one, and its checksum that of all it holds', () => {
    for (const version of [1, 3, 4, 5]) {
      const { checksum: _, ...file } = readFile(fixture(version));
      const text = writeFile({ ...file, settings: file.settings! }, file.exportedAt);
      expect(text).toBe(JSON.stringify(JSON.parse(text), null, 1));
      expect(readFile(text).checksum).toMatch(/^[0-9a-f]{8}$/);
    }
    const empty = writeFile({ events: [] }, '2026-09-10T00:00:00.000Z');
    expect(empty).toBe(JSON.stringify(JSON.parse(empty), null, 1));
    expect(readFile(empty).events).toEqual([]);
    // As it was sealed before files were made in pieces.
    const { checksum, ...rest } = JSON.parse(empty) as Record<string, unknown>;
    expect(checksum).toBe(crc32([JSON.stringify(sorted(rest))]));
  });

  it('what a text holds is read, and used up', () => {
    const raw = parseJson(fixture(5)) as { events: unknown[] };
    const file = readParsed(raw);
    expect(file.events.length).toBe(raw.events.length);
    expect(raw.events.every((e) => e === null)).toBe(true);
  });
});
