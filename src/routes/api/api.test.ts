import { describe, expect, it } from 'vitest';
import { estimateMust } from '$core/must/balance';
import { planSchema } from '$core/must/plan';
import { PRODUCE } from '$core/produce/table';
import { solvePlan } from '$core/scale/solve';
import { POST } from './estimate/+server';
import { POST as scale } from './scale/+server';
import { GET as schema } from './schema/+server';

const post = async (body: unknown, raw?: string) => {
  const request = new Request('http://x/api/estimate', { method: 'POST', body: raw ?? JSON.stringify(body) });
  const response = await (POST as (e: { request: Request }) => Promise<Response>)({ request });
  return { status: response.status, body: await response.json() };
};
const GOOD = {
  ingredients: [
    { kind: 'produce', produceId: 'plum', massKg: 4.08 },
    { kind: 'sugar', sugarId: 'white', massKg: 2.72 },
    { kind: 'honey', massKg: 1.7 },
    { kind: 'juice', produceId: 'orange', volumeL: 1.9 },
    { kind: 'water', volumeL: 7.95 }
  ],
  yeast: { toleranceAbv: 14 }
};

describe('POST /api/estimate', () => {
  it('answers with the same numbers as the core', async () => {
    const { status, body } = await post(GOOD);
    expect(status).toBe(200);
    const e = estimateMust(planSchema.parse(GOOD));
    expect(body.sgAllGiven).toEqual(e.sgAllGiven);
    expect(body.ph).toEqual(e.ph);
    expect(Object.keys(body)).toEqual([
      'liquidVolumeL',
      'vesselVolumeL',
      'sgNoneGiven',
      'sgAllGiven',
      'potentialAbv',
      'finalSg',
      'taGL',
      'ph',
      'yanMgL',
      'fruitPerL',
      'sgNow',
      'costPerBottle',
      'assumptions'
    ]);
    expect(body.assumptions.length).toBeGreaterThan(1);
  });

  it('takes the plan part of a file as it is', async () => {
    const rows = GOOD.ingredients.map((i, n) => ({ ...i, id: `r${n}`, unit: 'kg', held: n !== 4 }));
    const { status, body } = await post({
      ...GOOD,
      ingredients: rows,
      name: 'Plum',
      vesselId: 'b',
      wildYeast: 'heat',
      press: 'drip',
      target: { abv: 12, volumeL: null }
    });
    expect(status).toBe(200);
    expect(body.sgAllGiven).toEqual((await post(GOOD)).body.sgAllGiven);
  });

  it('tells the gravity at an age, between none given and all given', async () => {
    expect((await post(GOOD)).body.sgNow).toBeNull();
    const at = async (ageH: number) => (await post({ ...GOOD, ageH })).body;
    const [early, late] = [await at(1), await at(72)];
    expect(early.sgNow.likely).toBeLessThan(early.sgNoneGiven.likely);
    expect(late.sgNow.likely).toBeLessThan(early.sgNow.likely);
    expect(late.sgNow.likely).toBeGreaterThan(late.sgAllGiven.likely);
    expect((await post({ ...GOOD, ageH: -1 })).body.error.path).toBe('ageH');
  });

  it('takes forms, water, acid and prices, and answers nitrogen, fruit a litre and cost', async () => {
    const body = {
      ingredients: [
        { kind: 'produce', produceId: 'plum', massKg: 4, form: 'frozen', cut: 'blitzed', weighed: 'bought' },
        { kind: 'juice', produceId: 'apple', volumeL: 1, form: 'concentrate' },
        { kind: 'sugar', sugarId: 'white', massKg: 1.5 },
        { kind: 'water', volumeL: 6, alkalinityMgL: 250 },
        { kind: 'acid', acidId: 'tartaric', massKg: 0.01 },
        { kind: 'additive', additiveId: 'dap', massKg: 0.004 }
      ],
      prices: { plum: 2, white: 1.2, bottle: 0.4 }
    };
    const with_ = (await post(body)).body;
    const soft = (
      await post({
        ...body,
        ingredients: body.ingredients.map((i) => (i.kind === 'water' ? { ...i, alkalinityMgL: 0 } : i))
      })
    ).body;
    const noAcid = (await post({ ...body, ingredients: body.ingredients.filter((i) => i.kind !== 'acid') }))
      .body;
    const noDap = (
      await post({ ...body, ingredients: body.ingredients.filter((i) => i.kind !== 'additive') })
    ).body;
    expect(with_.ph.likely).toBeGreaterThan(soft.ph.likely);
    expect(with_.taGL.likely).toBeGreaterThan(noAcid.taGL.likely + 0.8);
    expect(with_.yanMgL.likely - noDap.yanMgL.likely).toBeCloseTo((4 * 212) / with_.liquidVolumeL.likely, 3);
    expect(with_.fruitPerL.likely).toBeGreaterThan(0.3);
    expect(with_.fruitPerL.likely).toBeLessThan(0.5);
    expect(with_.costPerBottle.low).toBeGreaterThan(0.4 + (4 * 2 + 1.5 * 1.2) / 20);
    expect(noDap.costPerBottle.likely).toBeCloseTo(with_.costPerBottle.likely, 6);
    expect((await post({ ...body, prices: {} })).body.costPerBottle).toBeNull();
  });

  it('refuses a poisonous entry under another name, and an entry that does not add up', async () => {
    const plum = PRODUCE.find((p) => p.id === 'plum')!;
    const row = (entry: unknown) => ({
      ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 1, entry }]
    });
    expect((await post(row({ ...plum, name: 'Foxglove' }))).body.error.reason).toMatch(/not food/);
    expect((await post(row({ ...plum, sugars: [30, 40, 50] }))).body.error.path).toBe(
      'ingredients[0].entry.sugars'
    );
    expect((await post(row({ ...plum, id: 'sloe' }))).body.error.path).toBe('ingredients[0].entry');
    expect((await post(row(plum))).status).toBe(200);
  });

  it('gives null where a figure is not defined', async () => {
    const { body } = await post({ ingredients: [{ kind: 'produce', produceId: 'strawberry', massKg: 3 }] });
    expect(body.sgNoneGiven).toBeNull();
    expect(body.sgAllGiven.likely).toBeGreaterThan(1.02);
  });

  it.each([
    [{}, 'ingredients', /./],
    [{ ingredients: [] }, 'ingredients', /at least one/],
    [{ ingredients: [{ kind: 'stone', massKg: 1 }] }, 'ingredients[0].kind', /known kinds/],
    [
      { ingredients: [{ kind: 'produce', produceId: 'moonfruit', massKg: 1 }] },
      'ingredients[0].produceId',
      /table/
    ],
    [
      { ingredients: [{ kind: 'produce', produceId: 'foxglove', massKg: 1 }] },
      'ingredients[0].produceId',
      /poisonous/
    ],
    [{ ingredients: [{ kind: 'sugar', sugarId: 'moon', massKg: 1 }] }, 'ingredients[0].sugarId', /./],
    [
      {
        ingredients: [
          { kind: 'water', volumeL: 1 },
          { kind: 'honey', massKg: -1 }
        ]
      },
      'ingredients[1].massKg',
      /negative/
    ],
    [{ ingredients: [{ kind: 'honey', massKg: 1e9 }] }, 'ingredients[0].massKg', /more than/],
    [{ ingredients: [{ kind: 'honey', massKg: '1' }] }, 'ingredients[0].massKg', /number/],
    [{ ingredients: [{ kind: 'honey', massKg: 1, colour: 'red' }] }, 'ingredients[0].colour', /not a key/],
    [{ ...GOOD, mood: 'good' }, 'mood', /not a key/],
    [{ ...GOOD, yeast: { toleranceAbv: 99 } }, 'yeast.toleranceAbv', /./],
    [
      { ingredients: [{ kind: 'juice', produceId: 'carrot', volumeL: 1 }] },
      'ingredients[0].produceId',
      /not pressed/
    ],
    [[], '', /./],
    [null, '', /./]
  ])('%j: 400 at %s', async (body, path, reason) => {
    const answer = await post(body);
    expect(answer.status).toBe(400);
    expect(answer.body.error.path).toBe(path);
    expect(answer.body.error.reason).toMatch(reason);
  });

  it('refuses what is not JSON, and infinities that JSON can spell', async () => {
    expect((await post(null, '{"ingredients":')).status).toBe(400);
    expect((await post(null, '')).status).toBe(400);
    const huge = await post(null, '{"ingredients":[{"kind":"honey","massKg":1e999}]}');
    expect(huge.status).toBe(400);
    expect(huge.body.error.path).toBe('ingredients[0].massKg');
  });

  it('over 1 MB: 413', async () => {
    const answer = await post(null, JSON.stringify({ ...GOOD, name: 'x'.repeat(1_100_000) }));
    expect(answer.status).toBe(413);
  });
});

describe('POST /api/scale', () => {
  const ask = async (body: unknown) => {
    const request = new Request('http://x/api/scale', { method: 'POST', body: JSON.stringify(body) });
    const response = await (scale as (e: { request: Request }) => Promise<Response>)({ request });
    return { status: response.status, body: await response.json() };
  };
  const asked = {
    ingredients: [
      { kind: 'produce', produceId: 'rhubarb', massKg: 6, held: true },
      { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
      { kind: 'water', volumeL: 0, held: false }
    ],
    target: { abv: 12, volumeL: 12, taGL: 4.5 }
  };

  it('answers with the same amounts as the core, what gave way, and ways out that are plans', async () => {
    const { status, body } = await ask(asked);
    expect(status).toBe(200);
    const core = solvePlan(planSchema.parse(asked));
    expect(body.plan.ingredients).toEqual(core.plan.ingredients);
    expect(body.figures.potentialAbv).toBeCloseTo(12, 3);
    expect(body.gaveWay[0]).toMatchObject({ goal: 'taGL', wanted: 4.5 });
    expect(body.swaps.length).toBeGreaterThan(0);
    for (const s of body.swaps) expect(planSchema.safeParse(s.plan).success).toBe(true);
    // A way out, posted again, is out.
    const again = await ask(body.swaps[0].plan);
    expect(again.body.gaveWay).toEqual([]);
  });

  it('refuses a wish that makes no sense, saying where', async () => {
    const { status, body } = await ask({ ...asked, target: { ...asked.target, phMax: 20 } });
    expect(status).toBe(400);
    expect(body.error.path).toBe('target.phMax');
  });
});

describe('GET /api/schema', () => {
  it('is JSON Schema of all that is stored and sent, made from what checks it', async () => {
    const response = await (schema as () => Response)();
    const all = await response.json();
    expect(Object.keys(all)).toEqual(
      expect.arrayContaining(['plan', 'event', 'file', 'recipe', 'harvestLot', 'settings'])
    );
    expect(all.plan.$schema).toMatch(/2020-12/);
    expect(all.plan.properties.target.properties.phMax).toBeDefined();
    expect(all.plan.properties.stirring.enum).toEqual(['daily', 'shut']);
    expect(all.file.properties.version.const).toBe(3);
  });
});
