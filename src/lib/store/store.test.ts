import { beforeEach, describe, expect, it } from 'vitest';
import { foldBatch } from '$core/ledger/run';
import { schedule } from '$core/steps/schedule';
import { estimateMust } from '$core/must/balance';
import { AskError, InputError } from '$core/units/input-error';
import { standingOf } from '$core/belief/standing';
import type { Summary } from '$core/report/summary';
import { FILE_VERSION, previewImport, readFile, writeFile } from '$lib/files/vecino-file';
import { loadDemo } from '$lib/demo/household';
import { DEMO_NOW, demoHousehold } from '$lib/demo/household.fixture';
import { beginBatch, beginBrewDay } from '$core/commands/begin';
import { draft } from '$core/commands/deed';
import { letGo } from '$core/commands/cellar';
import { bottle, rack, takeFruitOut } from '$core/commands/move';
import { note, readGravity } from '$core/commands/observe';
import { blend, put, steep, stir, takeSteepOut } from '$core/commands/put';
import { ownsNoStem, startTimer } from '$core/commands/tick';
import { liveEvents } from '$core/ledger/log';
import type { Plan } from '$core/plan/plan';
import { brewDone } from '$core/steps/brew-done';
import { doStep } from '$core/steps/do-step';
import { db } from './db';
import { dropDraft, keepDraft, readDraft } from './draft';
import { newId } from './here';
import { eventsOfDeed, hangingOn, perform, remove, replace, restore, undo, write, type When } from './record';
import { keep, keepAll } from './things';
import { keepRecipe } from './recipes';
import { DEFAULT_SETTINGS, settingsFrom } from '$core/units/settings';
import { isSound } from '$core/report/summary';
import { areSummariesStale } from './stamp';
import { eventsOf, rebuildSummaries } from './summaries';
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
const DAY = 86_400_000;
const begin = async (
  how: typeof beginBatch,
  plan: Plan,
  name: string,
  vesselId: string,
  when: When = {},
  recipeId: string | null = null
) => {
  const batchId = newId();
  await perform(how({ batchId, plan, name, vesselId, recipeId }), when);
  return batchId;
};
const start = (plan: Plan, name: string, vesselId: string, when?: When, recipeId?: string) =>
  begin(beginBatch, plan, name, vesselId, when, recipeId);
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
    db.methods.clear(),
    db.things.clear()
  ]);
});

describe('writing down', () => {
  it('starts a batch with everything in it, in one write', async () => {
    const id = await start(PLAN, ' Rhubarb ', 'bucket', { at: NOW });
    const s = await state(id);
    expect(s.name).toBe('Rhubarb');
    expect(s.produceKg).toBe(4);
    expect(await db.events.count()).toBe(2);
    await expect(start(PLAN, '  ', 'bucket')).rejects.toThrow(/no name/);
    await expect(start({ ingredients: [{ kind: 'water', volumeL: 0 }] }, 'x', 'b')).rejects.toThrow(
      /nothing in the plan/
    );
    expect(await db.events.count()).toBe(2);
  });

  it('corrects a gravity for temperature and for the stem', async () => {
    const id = await start(PLAN, 'R', 'b', { at: NOW });
    await perform(readGravity(id, 1.05, 30, DEFAULT_SETTINGS.hydrometer), { at: NOW + 1000 });
    expect((await state(id)).readings[0]!.sg).toBeCloseTo(1.0527, 4);
    const offset = { ...DEFAULT_SETTINGS, hydrometer: { calibratedC: 20, inWater: 1.002 } };
    await perform(readGravity(id, 1.05, 20, offset.hydrometer), { at: NOW + 2000 });
    expect((await state(id)).readings[1]!.sg).toBeCloseTo(1.048, 6);
    expect(() => perform(readGravity(id, 1.05, 55, DEFAULT_SETTINGS.hydrometer))).toThrow(
      /cannot be trusted/
    );
  });

  it('undo voids, and never erases', async () => {
    const id = await start(PLAN, 'R', 'b', { at: NOW });
    const stirred = await perform(stir(id), { at: NOW + 1000 });
    expect((await state(id)).stirs).toHaveLength(1);
    await undo(stirred);
    const events = await db.events.where('batchId').equals(id).toArray();
    expect(events).toHaveLength(4);
    expect(foldBatch(events, Date.now() + 1e10)!.stirs).toHaveLength(0);
  });

  it('who owns no hydrometer says it of each wine and of the household at once, and takes it back at once', async () => {
    const ids = [await start(PLAN, 'R', 'b', { at: NOW }), await start(PLAN, 'S', 'c', { at: NOW })];
    await perform(readGravity(ids[1]!, 1.05, 20, DEFAULT_SETTINGS.hydrometer), { at: NOW + 1000 });
    const hasStem = async () =>
      settingsFrom((await db.settings.get('household'))?.value as object | undefined).hasStem;
    const aside = async () =>
      Promise.all(ids.map(async (id) => (await state(id)).steps.filter((x) => x.step === 'no-stem').length));
    const wines = await Promise.all(ids.map(async (id) => ({ state: await state(id) })));
    const said = await perform(ownsNoStem(ids[0]!, wines), { at: NOW + 2000 });
    // What was read is read by someone.
    expect([await hasStem(), await aside()]).toEqual([false, [1, 0]]);
    const back = await undo(said);
    expect([await hasStem(), await aside()]).toEqual([true, [0, 0]]);
    await undo(back);
    expect([await hasStem(), await aside()]).toEqual([false, [1, 0]]);
    // A wine that is begun in such a household, and taken back, says nothing of it.
    const batchId = newId();
    const begun = { batchId, plan: PLAN, name: 'T', vesselId: 'd', recipeId: null, hasNoStem: true };
    await undo(await perform(beginBatch(begun), { at: NOW + 3000 }));
    expect(await hasStem()).toBe(false);
  });

  it('a vessel that a deed brings along is there if the deed is, and not if it is refused', async () => {
    const id = await start(PLAN, 'R', 'b', { at: NOW });
    const jar = { id: 'brought', name: 'new jar', shape: 'jar' as const, capacityL: 5.2 };
    const along = { vessels: [jar] };
    const tooMuch = [draft(id, 'loss', { volumeL: 90, how: 'spilt' as const })];
    await expect(perform(tooMuch, { at: NOW + 1000 }, along)).rejects.toThrow(/only/);
    expect([await db.vessels.get('brought'), await db.things.where('of').equals('brought').count()]).toEqual([
      undefined,
      0
    ]);
    await perform(stir(id), { at: NOW + 2000 }, along);
    expect(await db.vessels.get('brought')).toMatchObject(jar);
    // Of several things one that is not sound keeps out all.
    const two = [
      { ...jar, id: 'second' },
      { ...jar, id: 'third', capacityL: -1 }
    ];
    await expect(keepAll('vessels', two)).rejects.toThrow();
    expect(await db.vessels.get('second')).toBeUndefined();
  });

  it('refuses an empty note and a senseless racking', async () => {
    const id = await start(PLAN, 'R', 'b', { at: NOW });
    expect(() => perform(note(id, '  '))).toThrow(/empty/);
    await expect(perform(rack(id, 'b', [{ vesselId: 'x', volumeL: -1 }], 0))).rejects.toThrow();
  });

  it('does each step of the walk with the usual dose', async () => {
    const id = await start(PLAN, 'R', 'b', { at: NOW });
    await perform(doStep(await state(id), 'campden'), { at: NOW + 1000 });
    await perform(doStep(await state(id), 'enzyme'), { at: NOW + 2000 });
    await perform(doStep(await state(id), 'pitch'), { at: NOW + 3000 });
    await perform(doStep(await state(id), 'fruit-out'), { at: NOW + 4000 });
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
  const begun = () => start(PLAN, 'R', 'bucket-15', { at: NOW });

  it('what cannot have been is refused, and nothing is written', async () => {
    const id = await begun();
    const count = await db.events.count();
    const at = NOW + 3_600_000;
    await expect(perform(rack(id, 'nowhere', [{ vesselId: 'x', volumeL: 2 }], 0), { at })).rejects.toThrow(
      /nothing/
    );
    await expect(perform([draft(id, 'loss', { volumeL: 90, how: 'spilt' })], { at })).rejects.toThrow(/only/);
    await expect(
      perform([draft(id, 'reading', { sg: 0.99, residueSg: 1.22 })], { at, sure: true })
    ).rejects.toThrow(InputError);
    expect(await db.events.count()).toBe(count);
  });

  it('what may have been is asked once, and written when it is said to be so', async () => {
    const id = await begun();
    const much = () => [{ kind: 'sugar' as const, sugarId: 'white' as const, massKg: 250 }];
    await expect(perform(put(id, much()), { at: NOW + 1000 })).rejects.toThrow(AskError);
    await expect(perform(put(id, much()), { at: NOW + 1000, sure: true })).resolves.toBeDefined();
  });

  it('one form writes once, and one jar is racked once', async () => {
    const id = await begun();
    const form = '01900000-0000-7000-8000-00000000f001';
    const at = NOW + 3_600_000;
    const press = () => perform([...note(id, 'Smells of bread.'), ...stir(id)], { at, form });
    await Promise.all([press()]);
    await press();
    const s = await state(id);
    expect(s.stirs).toHaveLength(1);
    const litres = standingOf(s).volumeL;
    const racking = () =>
      perform(rack(id, 'bucket-15', [{ vesselId: 'jar-10', volumeL: litres - 1 }], 1, true), {
        at: NOW + 8 * 864e5,
        sure: true
      });
    const tries = await Promise.allSettled([racking(), racking(), racking()]);
    expect(tries.map((x) => x.status).sort()).toEqual(['fulfilled', 'rejected', 'rejected']);
    // Also where the one that comes later has the earlier number.
    const other = await begun();
    const racked = rack(other, 'bucket-15', [{ vesselId: 'jar-10', volumeL: litres - 1 }], 1, true);
    const when = { at: NOW + 8 * 864e5, sure: true };
    const [one, two] = [await eventsOfDeed(racked, when), await eventsOfDeed(racked, when)];
    await write(two, when);
    await expect(write(one, when)).rejects.toThrow(/very moment/);
    expect((await eventsOf(other)).filter((e) => e.type === 'transfer')).toHaveLength(1);
  });

  it('a group is taken back as one, named with what hangs on it, and can be brought back', async () => {
    const id = await begun();
    const pitched = await perform(doStep(await state(id), 'pitch'), { at: NOW + 3_600_000 });
    const litres = standingOf(await state(id)).volumeL;
    const racked = await perform(
      rack(id, 'bucket-15', [{ vesselId: 'jar-10', volumeL: litres - 1 }], 1, true),
      { at: NOW + 8 * 864e5 }
    );
    await perform(
      [draft(id, 'bottle', { from: 'jar-10', bottles: [{ count: 8, sizeL: 0.75, type: 'still' }] })],
      { at: NOW + 90 * 864e5 }
    );
    expect((await hangingOn(racked)).map((e) => e.type)).toEqual(['bottle']);
    expect(await hangingOn(pitched)).toEqual([]);
    const planned = (await eventsOf(id)).filter((e) => e.type === 'planned');
    await undo(planned);
    expect(await db.summaries.get(id)).toBeUndefined();
    await restore(planned[0]!);
    expect((await summary(id)).state.name).toBe('R');
    expect((await summary(id)).state.produceKg).toBe(4);
  });

  it('an addition carries the figures it was made with', async () => {
    const id = await begun();
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
    const id = await begin(beginBrewDay, PLAN, 'Rhubarb', 'bucket');
    const s = await state(id, Date.now());
    // The vessel is taken, with nothing in it yet.
    expect(s.fills.map((f) => [f.vesselId, f.stock.waterKg])).toEqual([['bucket', 0]]);
    expect(s.name).toBe('Rhubarb');
    await perform(startTimer(id, 'yeast', NOW + 900_000));
    expect(brewDone(await eventsOf(id)).timers.get('yeast')).toBe(NOW + 900_000);
    expect((await state(id, Date.now())).steps).toEqual([]);
    await expect(begin(beginBrewDay, PLAN, ' ', 'bucket')).rejects.toThrow(/no name/);
  });

  it('sugar that is fed later is not in on the first day, and goes in by its step', async () => {
    const id = await start({ ...PLAN, sugar: 'halves' }, 'R', 'b', { at: NOW });
    const sugar = async () =>
      (await db.events.where('batchId').equals(id).toArray())
        .flatMap((e) => (e.type === 'addition' ? e.data.ingredients : []))
        .reduce((sum, i) => (i.kind === 'sugar' ? sum + i.massKg : sum), 0);
    expect(await sugar()).toBeCloseTo(1.15, 9);
    await perform(doStep(await state(id), 'feed-1'), { at: NOW + 5000 });
    expect(await sugar()).toBeCloseTo(2.3, 9);
    // It is one deed: its taking back takes back the sugar, and a second tap puts nothing in.
    expect(schedule(await state(id)).map((d) => d.step.id)).not.toContain('feed-1');
    const fed = (await db.events.where('batchId').equals(id).toArray()).findLast(
      (e) => e.type === 'addition'
    )!;
    await undo([fed]);
    expect(schedule(await state(id)).map((d) => d.step.id)).toContain('feed-1');
    // Sugar that was put in by hand is not asked for again.
    await perform(put(id, [{ kind: 'sugar', sugarId: 'white', massKg: 1.1 }]), { at: NOW + 6000 });
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
    const id = await start(PLAN, 'Rhubarb', 'b', { at: NOW }, second.id);
    expect(await db.summaries.where('recipeId').equals(second.id).primaryKeys()).toEqual([id]);
  });

  it('what a batch takes of a lot is known, and given back when it is taken back', async () => {
    const taken = {
      ...PLAN,
      ingredients: [{ ...PLAN.ingredients[0]!, lotId: 'lot-1' }, ...PLAN.ingredients.slice(1)]
    };
    const id = await start(taken, 'Rhubarb', 'b', { at: NOW });
    const used = async () =>
      (await db.summaries.where('lotIds').equals('lot-1').toArray())
        .filter(isSound)
        .map((s) => [s.id, s.lotsKg['lot-1']]);
    expect(await used()).toEqual([[id, 4]]);
    const addition = (await db.events.where('batchId').equals(id).toArray()).find(
      (e) => e.type === 'addition'
    )!;
    await undo([addition]);
    expect(await used()).toEqual([]);
  });
});

describe('files', () => {
  const exportAll = async () => writeFile(await contentHere(DEFAULT_SETTINGS), '2026-06-02T00:00:00.000Z');

  async function household() {
    const id = await start(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    await perform(readGravity(id, 1.08, 21, DEFAULT_SETTINGS.hydrometer), { at: NOW + 1000 });
    await perform(takeFruitOut(id, 'drip', 11), { at: NOW + 7 * 86_400_000 });
    await keep('vessels', { id: 'bucket', name: 'blue bucket', shape: 'bucket', capacityL: 25 });
    return id;
  }

  it('export, import into an empty browser, and see the same', async () => {
    const id = await household();
    const before = standingOf(await state(id));
    const text = await exportAll();
    await Promise.all([db.events.clear(), db.vessels.clear(), db.things.clear()]);
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
    expect(p.newEntries).toEqual([]);
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
    expect(reason(text.replace(`"version": ${FILE_VERSION}`, '"version": 99'))).toMatch(/version 99/);
    for (const odd of ['"constructor"', '"__proto__"', '0', '1.5', 'null', '-1'])
      expect(reason(text.replace(`"version": ${FILE_VERSION}`, `"version": ${odd}`)), odd).toMatch(
        /no version of ours/
      );
    expect(reason('['.repeat(200_000))).toMatch(/brackets/);
    expect(reason('{"__proto__":{"format":"vecino","version":5}}')).toMatch(/not a Vecino file/);
    expect(reason(text.replace('"massKg": 2.3', '"massKg": -2.3'))).toMatch(
      /ingredients\[1\]\.massKg.*negative/
    );
    expect(reason(text.replace('"type": "fruit-out"', '"type": "sneeze"'))).toMatch(/events\[3\]/);
  });
});

describe('the demo household', () => {
  it('holds a dozen wines at every stage, all of them possible', async () => {
    await demoHousehold(DEMO_NOW);
    const events = await db.events.toArray();
    const batches = [...new Set(events.map((e) => e.batchId))].map((id) =>
      foldBatch(
        events.filter((e) => e.batchId === id),
        DEMO_NOW
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
    expect(events.every((e) => Date.parse(e.at) <= DEMO_NOW)).toBe(true);
    const used = batches.flatMap((b) => b.fills.map((f) => f.vesselId));
    expect(new Set(used).size).toBe(used.length);
  });
});

describe('the demo household, asked for twice', () => {
  it('is there once', async () => {
    await Promise.all([loadDemo(NOW), loadDemo(NOW)]);
    const once = await db.events.count();
    await loadDemo(NOW);
    expect(await db.events.count()).toBe(once);
    expect(await db.summaries.count()).toBe(13);
  });
});

describe('summaries', () => {
  it('follow every write, and an undone batch is gone from the lists', async () => {
    const id = await start(PLAN, 'Rhubarb Extra', 'bucket', { at: NOW });
    await perform(readGravity(id, 1.08, 20, DEFAULT_SETTINGS.hydrometer), { at: NOW + 1000 });
    const row = await summary(id);
    expect(row.state.readings).toHaveLength(1);
    expect(row.running).toBe(1);
    expect(await db.summaries.where('words').startsWith('ext').count()).toBe(1);
    expect(await areSummariesStale()).toBe(false);
    const planned = (await eventsOf(id)).find((e) => e.type === 'planned')!;
    await undo([planned]);
    expect(await db.summaries.count()).toBe(0);
  });

  it('are made anew from the events when a tab was killed between the two', async () => {
    const id = await start(PLAN, 'Rhubarb', 'bucket', { at: NOW });
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

  it('two tabs that write at once leave the lists whole; what one could not sum up is not passed off as summed', async () => {
    const [a, b] = [await start(PLAN, 'A', 'a', { at: NOW }), await start(PLAN, 'B', 'b', { at: NOW })];
    const many = Array.from({ length: 12 }, (_, i) =>
      perform(stir(i % 2 ? a : b), { at: NOW + (i + 1) * 60_000 })
    );
    await Promise.all(many);
    expect(await areSummariesStale()).toBe(false);
    for (const id of [a, b]) expect((await summary(id)).state.stirs).toHaveLength(1);
    expect((await state(a)).stirs).toHaveLength(6);
    // A tab that was killed between its event and its list: a later write of another wine does not stamp over it.
    const lost = (await eventsOf(a)).find((e) => e.type === 'stir')!;
    await db.events.add({ ...lost, id: '01900000-0000-7000-8000-00000000beef' });
    await perform(stir(b), { at: NOW + 3_600_000 });
    expect(await areSummariesStale()).toBe(true);
    await rebuildSummaries();
    expect(await areSummariesStale()).toBe(false);
  });

  it('a blend moves both wines, and is undone for both', async () => {
    const plum = await start(PLAN, 'Plum', 'a', { at: NOW });
    const sloe = await start(PLAN, 'Sloe', 'b', { at: NOW });
    const litres = async (id: string) => (await summary(id)).standing.volumeL;
    const [p, q] = [await litres(plum), await litres(sloe)];
    const source = await state(sloe, NOW + 60_000);
    const event = await perform(blend(plum, 'a', source, 'b', 1), { at: NOW + 60_000 });
    expect(await litres(plum)).toBeCloseTo(p + 1, 1);
    expect(await litres(sloe)).toBeCloseTo(q - 1, 1);
    expect((await eventsOf(sloe)).map((e) => e.type)).toContain('blend');
    await undo(event);
    expect(await litres(plum)).toBeCloseTo(p, 3);
    expect(await litres(sloe)).toBeCloseTo(q, 3);
    expect(() => perform(blend(plum, 'a', source, 'b', 99))).toThrow(/only .* L of Sloe/);
  });

  it('putting a reading of the past right reckons everything after it anew', async () => {
    const id = await start(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    const wrong = await perform(readGravity(id, 1.08, 20, DEFAULT_SETTINGS.hydrometer), {
      at: NOW + 3_600_000
    });
    await perform(readGravity(id, 1.04, 20, DEFAULT_SETTINGS.hydrometer), { at: NOW + 4 * 86_400_000 });
    const before = (await summary(id)).standing.classroom!;
    const again = await replace(wrong[0]!, { sg: 1.09, stemSg: 1.09, tempC: 20 }, NOW + 3_600_000);
    const after = await summary(id);
    expect(after.standing.classroom! - before).toBeCloseTo(0.01 * 131.25, 6);
    expect(after.state.readings).toHaveLength(2);
    expect((await eventsOf(id)).filter((e) => e.type === 'void')).toHaveLength(1);
    // It is one deed: taken back, what it said before stands again.
    await undo(again);
    expect((await summary(id)).standing.classroom!).toBeCloseTo(before, 9);
    expect((await summary(id)).state.readings.map((r) => r.sg)).toEqual([1.08, 1.04]);
  });

  it('what was put right and then struck from the list is gone, and can be brought back as it was put right', async () => {
    const id = await start(PLAN, 'Rhubarb', 'bucket', { at: NOW });
    const [wrong] = await perform(readGravity(id, 1.08, 20, DEFAULT_SETTINGS.hydrometer), { at: NOW + DAY });
    await replace(wrong!, { sg: 1.09, stemSg: 1.09, tempC: 20 }, NOW + DAY);
    const sgs = async () => (await state(id)).readings.map((r) => r.sg);
    const struck = await remove((await eventsOf(id)).filter((e) => e.type === 'reading').slice(-1));
    expect(await sgs()).toEqual([]);
    await undo(struck);
    expect(await sgs()).toEqual([1.09]);
  });

  it('what speaks of an event goes along when it is put right', async () => {
    const id = await start(PLAN, 'R', 'bucket', { at: NOW });
    const oak = (massKg: number) => ({
      ingredients: [{ kind: 'additive' as const, additiveId: 'oak' as const, massKg }]
    });
    const [hung] = await perform(steep(id, oak(0.01)), { at: NOW + DAY });
    await perform(takeSteepOut(id, hung!.id), { at: NOW + 9 * DAY });
    await replace(hung!, oak(0.02), NOW + 2 * DAY);
    const s = await state(id);
    expect(s.doubts).toEqual([]);
    expect(s.steeps).toMatchObject([{ at: NOW + 2 * DAY, outAt: NOW + 9 * DAY }]);
    const litres = standingOf(await state(id)).volumeL;
    const filled = (count: number) => ({
      from: 'bucket',
      bottles: [{ count, sizeL: 0.75, type: 'still' as const }]
    });
    const [first] = await perform(bottle(id, filled(4)), { at: NOW + 60 * DAY, sure: true });
    await perform(
      letGo(
        id,
        (await state(id, NOW + 70 * DAY)).bottled.find((b) => b.eventId === first!.id)!,
        null,
        { count: 1, found: 'fizzy' }
      ),
      { at: NOW + 70 * DAY }
    );
    await replace(first!, filled(5), NOW + 60 * DAY, true);
    const bottled = (await state(id, NOW + 80 * DAY)).bottled;
    expect(bottled).toHaveLength(1);
    expect((await state(id, NOW + 80 * DAY)).doubts).toEqual([]);
    expect(litres - standingOf(await state(id, NOW + 80 * DAY)).volumeL).toBeCloseTo(3.75, 1);
  });

  it('what one tap wrote is taken back by any of it, and the taking back too; a start can lose a part', async () => {
    const id = await start({ ...PLAN, acknowledged: ['hot-water'] }, 'R', 'bucket', { at: NOW });
    const live = async () => liveEvents(await eventsOf(id)).map((e) => e.type);
    const both = await perform([...note(id, 'Sour.'), ...stir(id)], { at: NOW + DAY });
    expect(new Set(both.map((e) => e.group)).size).toBe(1);
    const back = await undo([both[1]!]);
    expect(await live()).toEqual(['planned', 'addition', 'caution']);
    await undo([back[0]!]);
    expect((await live()).sort()).toEqual(['addition', 'caution', 'note', 'planned', 'stir']);
    await undo([(await eventsOf(id)).find((e) => e.type === 'addition')!]);
    expect((await live()).sort()).toEqual(['caution', 'note', 'planned', 'stir']);
  });
});
