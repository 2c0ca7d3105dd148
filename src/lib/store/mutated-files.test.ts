import { readFileSync } from 'node:fs';
import { beforeAll, expect, it } from 'vitest';
import { mulberry32 } from '$core/maths/draw';
import { extremeHistory } from '$core/report/extreme.fixture';
import { standsOf } from '$core/report/stands';
import { isSound } from '$core/report/summary';
import { InputError } from '$core/units/input-error';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { previewImport, readFile, writeFile } from '$lib/files/vecino-file';
import { db } from './db';
import { emptyHousehold } from './empty';
import { lastImports, takeImportOut } from './take-out';
import { contentHere, writeImport } from './transfer-file';
import { tries } from '../tries.fixture';

const NOW = Date.parse('2026-06-01T09:00:00Z');
const textHere = async () => writeFile(await contentHere(DEFAULT_SETTINGS), '2026-06-01T09:00:00.000Z');
const bring = async (text: string) =>
  writeImport(previewImport(readFile(text), await contentHere(DEFAULT_SETTINGS)));
const { things } = readFile(
  readFileSync(new URL('../files/fixtures/v5.vecino.json', import.meta.url), 'utf8')
);

type Random = () => number;
const some = (random: Random, most: number) => Math.floor(random() * most);
/** The line with the checksum is what a person may take out of a file that he has changed. */
const unsealed = (text: string) => text.replace(/,\s*"checksum": "[^"]*"/, '');

/** What a bad disk, a bad cable and a text editor do. */
const TORN: ((text: string, random: Random) => string)[] = [
  (t, r) => t.slice(0, some(r, t.length)),
  (t, r) =>
    ((i) => t.slice(0, i) + String.fromCharCode(32 + some(r, 200)) + t.slice(i + 1))(some(r, t.length)),
  (t, r) => ((i) => t.slice(0, i) + t.slice(i + 1 + some(r, 200)))(some(r, t.length)),
  (t, r) => ((i) => t.slice(0, i) + t.slice(i, i + some(r, 300)) + t.slice(i))(some(r, t.length)),
  (t, r) => t.replace(/\d(?=\d*[,\n])/g, (d) => (r() < 0.01 ? String(some(r, 10)) : d)),
  (t, r) => ((a) => a.toSpliced(some(r, a.length), 1))(t.split('\n')).join('\n')
];

const NASTY: unknown[] = [
  null,
  '',
  -1,
  0,
  1e308,
  -1e-300,
  1.5,
  'NaN',
  '2026-13-45T99:00:00Z',
  '1970-01-01T00:00:00.000Z',
  true,
  [],
  {},
  '__proto__',
  { constructor: 1 },
  [[[[]]]],
  'x'.repeat(5000),
  '\u0000\ud800',
  '<img src=x onerror=alert(1)>',
  9e15
];

/** One value anywhere in a file is another, is gone, is there twice, or changes places with one beside it. */
function wrongSomewhere(text: string, random: Random): string {
  const file = JSON.parse(text) as unknown;
  let at = file as Record<string, unknown>;
  for (;;) {
    const keys = Object.keys(at);
    const key = keys[some(random, keys.length)]!;
    const inner = at[key];
    const isDeep = typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0;
    if (isDeep && random() < 0.85) {
      at = inner as Record<string, unknown>;
      continue;
    }
    const other = keys[some(random, keys.length)]!;
    const how = some(random, 8);
    if (how === 0) delete at[key];
    else if (how === 1 && Array.isArray(at)) at.push(inner);
    else if (how === 2) [at[key], at[other]] = [at[other], at[key]];
    else if (how === 3 && typeof inner === 'number') at[key] = inner * 10 ** (some(random, 9) - 4);
    else at[key] = NASTY[some(random, NASTY.length)];
    return JSON.stringify(file);
  }
}

let before = '';
beforeAll(async () => {
  await emptyHousehold();
  // A wine of its own, that no file speaks of.
  const own = extremeHistory(400).map((e) => ({
    ...e,
    id: e.id.replace(/.{4}$/, 'aaaa'),
    batchId: '01970000-0000-7000-8000-0000000000aa'
  }));
  await bring(writeFile({ events: own }, new Date(NOW).toISOString()));
  before = await textHere();
});

it('a file that is torn or wrong anywhere is refused with its place, or comes in whole and goes out again', async () => {
  const times = tries(30, 10_000);
  const found = { refused: 0, broughtIn: 0, broken: 0 };
  for (let i = 1; i <= times; i++) {
    const random = mulberry32(i);
    const events = extremeHistory(1 + (i % 40)).slice(0, 40);
    const whole = writeFile({ events, things, settings: DEFAULT_SETTINGS }, new Date(NOW).toISOString());
    const text =
      i % 3 === 0 ? TORN[some(random, TORN.length)]!(whole, random) : wrongSomewhere(unsealed(whole), random);
    try {
      await bring(text);
      found.broughtIn += 1;
    } catch (e) {
      expect(e, `${i}: ${(e as Error).stack}`).toBeInstanceOf(InputError);
      const { message, path } = e as InputError;
      expect(path, `${i}: ${message}`).not.toBe('');
      found.refused += 1;
      expect(await db.events.count(), `${i}`).toBe(JSON.parse(before).events.length);
      expect(await db.imports.count(), `${i}`).toBe(1);
      continue;
    }
    // What came in is listed: each wine as it stands, or as one that cannot be read, beside the others.
    for (const row of await db.summaries.toArray()) {
      if (!isSound(row)) found.broken += 1;
      else {
        const stands = standsOf({ ...row.state, at: NOW }, row.standing, row.course);
        expect(stands.says, `${i}`).toBeDefined();
        expect(stands.due, `${i}`).toBeDefined();
      }
    }
    await takeImportOut((await lastImports()).sort((a, b) => b.at - a.at || 1)[0]!);
    expect(await db.imports.count(), `${i}`).toBe(1);
    if (i % 10 === 0) expect(await textHere(), `${i}`).toBe(before);
  }
  expect(await textHere()).toBe(before);
  console.log(`${times} mutated files:`, found);
  expect(found.refused).toBeGreaterThan(times / 3);
  expect(found.broughtIn).toBeGreaterThan(times / 20);
});
