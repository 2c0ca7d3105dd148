import { beforeEach, describe, expect, it } from 'vitest';
import { foldBatch } from '$core/ledger/run';
import { schedule } from '$core/steps/schedule';
import { estimateMust } from '$core/must/balance';
import { AskError, InputError } from '$core/units/input-error';
import { standingOf } from '$core/belief/standing';
import type { Summary } from '$core/report/summary';
import { previewImport, readFile, writeFile } from '$lib/files/vecino-file';
import { loadDemo } from '$lib/demo/household';
import {
  doStep,
  keepRecipe,
  logAddition,
  logBlend,
  logFruitOut,
  logGravity,
  logNote,
  logRacking,
  logStir,
  replaceEvent,
  startBatch,
  startBrewDay,
  startTimer
} from './actions';
import { db } from './db';
import { dropDraft, keepDraft, readDraft } from './draft';
import { beginForm, hangingOn, record, restore, together, undo } from './record';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { areSummariesStale, eventsOf, isSound, rebuildSummaries } from './summaries';
import { contentHere, writeImport } from './transfer-file';

const PLAN = {
  ingredients: [
    { kind: 'produce' as const, produceId: 'rhubarb', massKg: 4 },
    { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2.3 },
    { kind: 'water' as const, volumeL: 7 }
  ],
  yeast: { yeastId: 'wine' as const }
};
const NOW = Date.parse('2026-06-01T09:00:00Z');
const summary = async (id: string) => (await db.summaries.get(id)) as Summary;
const state = async (id: string, at = NOW + 1e9) =>
  foldBatch(await db.events.where('batchId').equals(id).toArray(), at)!;

beforeEach(async () => {
  await Promise.all([
    db.events.clear(),
    db.vessels.clear(),
    db.settings.clear(),
    db.drafts.clear(),
    db.summaries.clear(),
    db.recipes.clear(),
    db.harvest.clear(),
    db.methods.clear()
  ]);
});

describe('writing down', () => {
  it('starts a batch with everything in it, in one write', async () => {
    const id = await startBatch(PLAN, ' Rhubarb ', 'bucket', { at: NOW });
    const s = await state(id);
    expect(s.name).toBe('Rhubarb');
    expect(s.produceKg).toBe(4);
    expect(await db.events.count()).toBe(2);
    await expect(startBatch(PLAN, '  ', 'bucket')).rejects.toThrow(/no name/);
    await expect(startBatch({ ingredients: [{ kind: 'water', volumeL: 0 }] }, 'x', 'b')).rejects.toThrow(
      /nothing in the plan/
    );
    expect(await db.events.count()).toBe(2);
  });

  it('corrects a gravity for temperature and for the stem', async () => {
    const id = await startBatch(PLAN, 'R', 'b', { at: NOW });
    await logGravity(id, 1.05, 30, DEFAULT_SETTINGS, { at: NOW + 1000 });
    expect((await state(id)).readings[0]!.sg).toBeCloseTo(1.0527, 4);
    const offset = { ...DEFAULT_SETTINGS, hydrometer: { calibratedC: 20, inWater: 1.002 } };
    await logGravity(id, 1.05, 20, offset, { at: NOW + 2000 });
    expect((await state(id)).readings[1]!.sg).toBeCloseTo(1.048, 6);
    expect(() => logGravity(id, 1.05, 55, DEFAULT_SETTINGS)).toThrow(/cannot be trusted/);
  });

  it('undo voids, and never erases', async () => {
    const id = await startBatch(PLAN, 'R', 'b', { at: NOW });
    const stir = await logStir(id, { at: NOW + 1000 });
    expect((await state(id)).stirs).toHaveLength(1);
    await undo(stir);
    const events = await db.events.where('batchId').equals(id).toArray();
    expect(events).toHaveLength(4);
    expect(foldBatch(events, Date.now() + 1e10)!.stirs).toHaveLength(0);
  });

  it('refuses an empty note and a senseless racking', async () => {
    const id = await startBatch(PLAN, 'R', 'b', { at: NOW });
    expect(() => logNote(id, '  ')).toThrow(/empty/);
    await expect(logRacking(id, 'b', [{ vesselId: 'x', volumeL: -1 }], 0)).rejects.toThrow();
  });

  it('does each step of the walk with the usual dose', async () => {
    const id = await startBatch(PLAN, 'R', 'b', { at: NOW });
    await doStep(await state(id), 'campden', { at: NOW + 1000 });
    await doStep(await state(id), 'enzyme', { at: NOW + 2000 });
    await doStep(await state(id), 'pitch', { at: NOW + 3000 });
    await doStep(await state(id), 'fruit-out', { at: NOW + 4000 });
    const s = await state(id);
    // For all that the must will hold once the fruit has given, to half a tablet.
    const litres = estimateMust(PLAN).liquidVolumeL!.likely;
    expect(s.powdersG.campden!.massG).toBeCloseTo(0.22 * Math.round((0.1162 * litres) / 0.22), 6);
    expect(s.powdersG['pectic-enzyme']!.massG).toBeGreaterThan(2);
    expect(s.pitches[0]!.massG).toBe(5);
    expect(s.fruitOutAt).toBe(NOW + 4000);
  });
});

describe('asked before it is written', () => {
  const begin = () => startBatch(PLAN, 'R', 'bucket-15', { at: NOW });

  it('what cannot have been is refused, and nothing is written', async () => {
    const id = await begin();
    const count = await db.events.count();
    const at = NOW + 3_600_000;
    await expect(logRacking(id, 'nowhere', [{ vesselId: 'x', volumeL: 2 }], 0, { at })).rejects.toThrow(
      /nothing/
    );
    await expect(record(id, 'loss', { volumeL: 90, how: 'spilt' }, { at })).rejects.toThrow(/only/);
    await expect(record(id, 'reading', { sg: 0.99, residueSg: 1.22 }, { at, sure: true })).rejects.toThrow(
      InputError
    );
    expect(await db.events.count()).toBe(count);
  });

  it('what may have been is asked once, and written when it is said to be so', async () => {
    const id = await begin();
    const much = () => [{ kind: 'sugar' as const, sugarId: 'white' as const, massKg: 250 }];
    await expect(logAddition(id, much(), { at: NOW + 1000 })).rejects.toThrow(AskError);
    await expect(logAddition(id, much(), { at: NOW + 1000, sure: true })).resolves.toBeDefined();
  });

  it('one form writes once, and one jar is racked once', async () => {
    const id = await begin();
    const form = '01900000-0000-7000-8000-00000000f001';
    const at = NOW + 3_600_000;
    const press = async () => {
      beginForm(form);
      await together({ at, form }, async (w) => {
        await logNote(id, 'Smells of bread.', w);
        await logStir(id, w);
      });
    };
    await Promise.all([press()]);
    await press();
    const s = await state(id);
    expect(s.stirs).toHaveLength(1);
    const litres = standingOf(s).volumeL;
    const rack = () =>
      logRacking(
        id,
        'bucket-15',
        [{ vesselId: 'jar-10', volumeL: litres - 1 }],
        1,
        { at: NOW + 8 * 864e5, sure: true },
        true
      );
    const tries = await Promise.allSettled([rack(), rack(), rack()]);
    expect(tries.map((x) => x.status).sort()).toEqual(['fulfilled', 'rejected', 'rejected']);
  });

  it('a group is taken back as one, named with what hangs on it, and can be brought back', async () => {
    const id = await begin();
    const pitched = await doStep(await state(id), 'pitch', { at: NOW + 3_600_000 });
    const litres = standingOf(await state(id)).volumeL;
    const racked = await logRacking(
      id,
      'bucket-15',
      [{ vesselId: 'jar-10', volumeL: litres - 1 }],
      1,
      { at: NOW + 8 * 864e5 },
      true
    );
    await record(
      id,
      'bottle',
      { from: 'jar-10', bottles: [{ count: 8, sizeL: 0.75, type: 'still' }] },
      { at: NOW + 90 * 864e5 }
    );
    expect((await hangingOn([racked])).map((e) => e.type)).toEqual(['bottle']);
    expect(await hangingOn(pitched)).toEqual([]);
    const planned = (await eventsOf(id)).filter((e) => e.type === 'planned');
    await undo(planned);
    expect(await db.summaries.get(id)).toBeUndefined();
    await restore(planned);
    expect((await summary(id)).state.name).toBe('R');
  });

  it('an addition carries the figures it was made with', async () => {
    const id = await begin();
    const addition = (await eventsOf(id)).find((e) => e.type === 'addition')!;
    const row = addition.data.ingredients[0]!;
    expect(row.kind === 'produce' && row.figures?.id).toBe('rhubarb');
  });
});

describe('drafts', () => {
  it('come back, from memory at once and from the disk soon after', async () => {
    keepDraft('a', { sg: '1.0' });
    keepDraft('a', { sg: '1.06' });
    expect(await readDraft('a')).toEqual({ sg: '1.06' });
    await expect
      .poll(async () => (await db.drafts.get('a'))?.value, { timeout: 1000 })
      .toEqual({ sg: '1.06' });
    await dropDraft('a');
    expect(await readDraft('a')).toBeUndefined();
  });
});

describe('brew day, recipes and harvest', () => {
  it('a brew day begins with nothing in, and keeps its timers in the log', async () => {
    const id = await startBrewDay(PLAN, 'Rhubarb', 'bucket');
    const s = await state(id, Date.now());
    // The vessel is taken, with nothing in it yet.
    expect(s.fills.map((f) => [f.vesselId, f.stock.waterKg])).toEqual([['bucket', 0]]);
    expect(s.name).toBe('Rhubarb');
    await startTimer(id, 'yeast', NOW + 900_000);
    expect((await state(id, Date.now())).steps[0]).toMatchObject({
      outcome: 'snoozed',
      until: NOW + 900_000
    });
    await expect(startBrewDay(PLAN, ' ', 'bucket')).rejects.toThrow(/no name/);
  });

  it('sugar that is fed later is not in on the first day, and goes in by its step', async () => {
    const id = await startBatch({ ...PLAN, sugar: 'halves' }, 'R', 'b', { at: NOW });
    const sugar = async () =>
      (await db.events.where('batchId').equals(id).toArray())
        .flatMap((e) => (e.type === 'addition' ? e.data.ingredients : []))
        .reduce((sum, i) => (i.kind === 'sugar' ? sum + i.massKg : sum), 0);
    expect(await sugar()).toBeCloseTo(1.15, 9);
    await doStep(await state(id), 'feed-1', { at: NOW + 5000 });
    expect(await sugar()).toBeCloseTo(2.3, 9);
    // It is one deed: its taking back takes back the sugar, and a second tap puts nothing in.
    expect(schedule(await state(id)).map((d) => d.step.id)).not.toContain('feed-1');
    const fed = (await db.events.where('batchId').equals(id).toArray()).findLast(
      (e) => e.type === 'addition'
    )!;
    await undo(fed);
    expect(schedule(await state(id)).map((d) => d.step.id)).toContain('feed-1');
    // Sugar that was put in by hand is not asked for again.
    await logAddition(id, [{ kind: 'sugar', sugarId: 'white', massKg: 1.1 }], { at: NOW + 6000 });
    expect(schedule(await state(id)).map((d) => d.step.id)).not.toContain('feed-1');
  });

  it('versions follow one another and are never changed; a batch names the one it began from', async () => {
    const first = await keepRecipe(PLAN, 'Rhubarb', null);
    const second = await keepRecipe({ ...PLAN, press: 'squeeze' }, 'Rhubarb', first, { note: 'squeezed' });
    // Two that follow the same one do not share a number.
    const third = await keepRecipe(PLAN, 'Rhubarb', first);
    expect([first, second, third].map((r) => r.version)).toEqual([1, 2, 3]);
    expect(new Set([first, second, third].map((r) => r.family)).size).toBe(1);
    expect(second.parent).toBe(first.id);
    expect(await db.recipes.get(first.id)).toEqual(first);
    await expect(db.recipes.add(first)).rejects.toThrow();
    const id = await startBatch(PLAN, 'Rhubarb', 'b', { at: NOW }, second.id);
    expect(await db.summaries.where('recipeId').equals(second.id).primaryKeys()).toEqual([id]);
  });

  it('what a batch takes of a lot is known, and given back when it is taken back', async () => {
    const taken = {
      ...PLAN,
      ingredients: [{ ...PLAN.ingredients[0]!, lotId: 'lot-1' }, ...PLAN.ingredients.slice(1)]
    };
    const id = await startBatch(taken, 'Rhubarb', 'b', { at: NOW });
    const used = async () =>
      (await db.summaries.where('lotIds').equals('lot-1').toArray())
        .filter(isSound)
        .map((s) => [s.id, s.lotsKg['lot-1']]);
    expect(await used()).toEqual([[id, 4]]);
    const addition = (await db.events.where('batchId').equals(id).toArray()).find(
      (e) => e.type === 'addition'
    )!;
    await undo(addition);
    expect(await used()).toEqual([]);
  });
});

describe('files', () => {
  const exportAll = async () => writeFile(await contentHere(DEFAULT_SETTINGS), '2026-06-02T00:00:00.000Z');

  async function household() {
    const id = await startBatch(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    await logGravity(id, 1.08, 21, DEFAULT_SETTINGS, { at: NOW + 1000 });
    await logFruitOut(id, 'drip', 11, { at: NOW + 7 * 86_400_000 });
    await db.vessels.put({ id: 'bucket', name: 'blue bucket', shape: 'bucket', capacityL: 25 });
    return id;
  }

  it('export, import into an empty browser, and see the same', async () => {
    const id = await household();
    const before = standingOf(await state(id));
    const text = await exportAll();
    await Promise.all([db.events.clear(), db.vessels.clear()]);
    const p = previewImport(readFile(text), { events: [] });
    expect(p).toMatchObject({ known: 0, different: [], newBatches: 1 });
    await writeImport(p);
    expect(standingOf(await state(id))).toEqual(before);
    expect(await exportAll()).toBe(text);
  });

  it('importing twice adds nothing', async () => {
    await household();
    const p = previewImport(readFile(await exportAll()), await contentHere(DEFAULT_SETTINGS));
    expect(p.newEvents).toEqual([]);
    expect(p.newThings.vessels).toEqual([]);
    expect(p.known).toBe(4);
  });

  it('an event with the same id and other contents stays as it is here', async () => {
    await household();
    const changed = (await exportAll()).replace('"press": "drip"', '"press": "press"');
    expect(() => readFile(changed)).toThrow(/checksum/);
    const text = changed.replace(/,\s*"checksum": "[0-9a-f]+"/, '');
    const p = previewImport(readFile(text), await contentHere(DEFAULT_SETTINGS));
    expect(p.different).toHaveLength(1);
    expect(p.newEvents).toEqual([]);
  });

  it('refuses damaged, foreign and newer files with place and reason', async () => {
    await household();
    const text = await exportAll();
    const reason = (t: string) => {
      try {
        readFile(t);
        return null;
      } catch (e) {
        const err = e as Error & { path: string; todo: string };
        return `${err.name} ${err.message} ${err.path} ${err.todo}`;
      }
    };
    expect(reason(text.slice(0, 400))).toMatch(/InputError.*damaged.*Nothing was changed/);
    expect(reason('')).toMatch(/damaged/);
    expect(reason('{"a":1}')).toMatch(/not a Vecino file/);
    expect(reason('[]')).toMatch(/not a Vecino file/);
    expect(reason(text.replace('"version": 4', '"version": 99'))).toMatch(/version 99/);
    for (const odd of ['"constructor"', '"__proto__"', '0', '1.5', 'null', '-1'])
      expect(reason(text.replace('"version": 4', `"version": ${odd}`)), odd).toMatch(/no version of ours/);
    expect(reason('['.repeat(200_000))).toMatch(/brackets/);
    expect(reason('{"__proto__":{"format":"vecino","version":4}}')).toMatch(/not a Vecino file/);
    expect(reason(text.replace('"massKg": 2.3', '"massKg": -2.3'))).toMatch(
      /ingredients\[1\]\.massKg.*negative/
    );
    expect(reason(text.replace('"type": "fruit-out"', '"type": "sneeze"'))).toMatch(/events\[3\]/);
  });

  it('no mutation of a file gets in unnoticed or breaks anything', async () => {
    await household();
    const text = await exportAll();
    let refused = 0;
    // The bench tries ten thousand.
    const tries = Number(process.env.MUTATIONS ?? 300);
    for (let i = 0; i < tries; i++) {
      const at = (i * 7919) % text.length;
      const mutated = text.slice(0, at) + String.fromCharCode(33 + ((i * 31) % 90)) + text.slice(at + 1);
      try {
        const file = readFile(mutated);
        for (const e of file.events) foldBatch([e], NOW);
      } catch (e) {
        expect((e as Error).name, `${at}: ${(e as Error).message}`).toBe('InputError');
        refused += 1;
      }
    }
    expect(refused).toBeGreaterThan(tries / 3);
  });
});

describe('the demo household', () => {
  it('holds a dozen wines at every stage, all of them possible', async () => {
    await loadDemo(NOW);
    const events = await db.events.toArray();
    const batches = [...new Set(events.map((e) => e.batchId))].map((id) =>
      foldBatch(
        events.filter((e) => e.batchId === id),
        NOW
      )!
    );
    expect(batches.length).toBeGreaterThanOrEqual(10);
    expect(new Set(batches.map((b) => standingOf(b).stage))).toEqual(
      new Set(['must', 'fermenting', 'in glass', 'clearing', 'bottled'])
    );
    for (const b of batches) {
      for (const f of b.fills) expect(f.stock.hexoseKg, b.name).toBeGreaterThanOrEqual(-1e-6);
      const now = standingOf(b);
      expect(now.abv.likely, b.name).toBeLessThan(15);
      for (const c of b.corrections)
        if (c.kind === 'sugar')
          expect(Math.abs(c.sg - c.expectedSg), `${b.name} ${c.expectedSg} ${c.sg}`).toBeLessThan(0.008);
        else expect(Math.abs(c.foundL / c.expectedL - 1), `${b.name} ${c.expectedL} L`).toBeLessThan(0.1);
    }
    expect(events.every((e) => Date.parse(e.at) <= NOW)).toBe(true);
    const used = batches.flatMap((b) => b.fills.map((f) => f.vesselId));
    expect(new Set(used).size).toBe(used.length);
  });
});

describe('summaries', () => {
  it('follow every write, and an undone batch is gone from the lists', async () => {
    const id = await startBatch(PLAN, 'Rhubarb Extra', 'bucket', { at: NOW });
    await logGravity(id, 1.08, 20, DEFAULT_SETTINGS, { at: NOW + 1000 });
    const row = await summary(id);
    expect(row.state.readings).toHaveLength(1);
    expect(row.running).toBe(1);
    expect(await db.summaries.where('words').startsWith('ext').count()).toBe(1);
    expect(await areSummariesStale()).toBe(false);
    const planned = (await eventsOf(id)).find((e) => e.type === 'planned')!;
    await undo(planned);
    expect(await db.summaries.count()).toBe(0);
  });

  it('are made anew from the events when a tab was killed between the two', async () => {
    const id = await startBatch(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    const whole = await summary(id);
    // What a killed tab leaves: an event that no summary knows of.
    const stir = (await eventsOf(id))[0]!;
    await db.events.add({
      ...stir,
      id: '01900000-0000-7000-8000-00000000dead',
      type: 'stir',
      data: {}
    } as never);
    expect(await areSummariesStale()).toBe(true);
    await rebuildSummaries();
    expect(await areSummariesStale()).toBe(false);
    const again = await summary(id);
    expect(again.state.stirs).toHaveLength(1);
    expect(again.state.fills).toEqual(whole.state.fills);
  });

  it('a blend moves both wines, and is undone for both', async () => {
    const plum = await startBatch(PLAN, 'Plum', 'a', { at: NOW });
    const sloe = await startBatch(PLAN, 'Sloe', 'b', { at: NOW });
    const litres = async (id: string) => (await summary(id)).standing.volumeL;
    const [p, q] = [await litres(plum), await litres(sloe)];
    const source = await state(sloe, NOW + 60_000);
    const event = await logBlend(plum, 'a', source, 'b', 1, { at: NOW + 60_000 });
    expect(await litres(plum)).toBeCloseTo(p + 1, 1);
    expect(await litres(sloe)).toBeCloseTo(q - 1, 1);
    expect((await eventsOf(sloe)).map((e) => e.type)).toContain('blend');
    await undo(event);
    expect(await litres(plum)).toBeCloseTo(p, 3);
    expect(await litres(sloe)).toBeCloseTo(q, 3);
    expect(() => logBlend(plum, 'a', source, 'b', 99)).toThrow(/only .* L of Sloe/);
  });

  it('putting a reading of the past right reckons everything after it anew', async () => {
    const id = await startBatch(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    const wrong = await logGravity(id, 1.08, 20, DEFAULT_SETTINGS, { at: NOW + 3_600_000 });
    await logGravity(id, 1.04, 20, DEFAULT_SETTINGS, { at: NOW + 4 * 86_400_000 });
    const before = (await summary(id)).standing.classroom!;
    await replaceEvent(wrong, { sg: 1.09, stemSg: 1.09, tempC: 20 }, NOW + 3_600_000);
    const after = await summary(id);
    expect(after.standing.classroom! - before).toBeCloseTo(0.01 * 131.25, 6);
    expect(after.state.readings).toHaveLength(2);
    expect((await eventsOf(id)).filter((e) => e.type === 'void')).toHaveLength(1);
  });
});
