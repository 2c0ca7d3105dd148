import { FILE_VERSION } from '$lib/files/vecino-file';
import { describe, expect, it } from 'vitest';
import { estimateMust } from '$core/must/balance';
import { planSchema } from '$core/plan/plan-schema';
import { PRODUCE } from '$core/tables/table';
import { solvePlan } from '$core/solve/solve';
import { POST } from './estimate/+server';
import { POST as scale } from './scale/+server';
import { POST as readAmount } from './read-amount/+server';
import { GET as schema } from './schema/+server';
import { POST as batch } from './batch/+server';
import { GET as plant } from './plant/+server';
import { POST as finish } from './finish/+server';
import { finishAnswerSchema } from './finish/request';
import { POST as phrase } from './phrase/+server';
import { POST as forecast } from './forecast/+server';
import { handle } from '../../hooks.server';
import { trueWine } from '$core/finish/true-wines.fixture';
import { foldBatch } from '$core/ledger/run';
import { courseOf } from '$core/belief/course';
import { standsOf } from '$core/report/stands';
import { standingOf } from '$core/belief/standing';
import { beliefOf } from '$core/belief/believe';
import { checkBottling } from '$core/finish/judge';

type Route = (e: { request: Request }) => Promise<Response>;
const JSON_TYPE = { 'content-type': 'application/json' };
const ask = async (
  route: unknown,
  body: unknown,
  raw?: string,
  headers: Record<string, string> = JSON_TYPE
) => {
  const request = new Request('http://x/api', { method: 'POST', headers, body: raw ?? JSON.stringify(body) });
  const response = await (route as Route)({ request });
  return { status: response.status, body: await response.json() };
};
const post = (body: unknown, raw?: string) => ask(POST, body, raw);
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

describe('POST /api/read-amount', () => {
  const read = async (body: unknown) => (await ask(readAmount, body)).body;
  it('reads what it is sure of, and asks about the rest', async () => {
    expect(await read({ text: '4 cups sugar' })).toMatchObject({ massKg: expect.closeTo(0.8, 9) as number });
    expect(await read({ text: '3 tablets', for: 'campden' })).toEqual({
      massKg: expect.closeTo(0.00132, 9),
      count: 3
    });
    expect(await read({ text: '2', for: 'water', units: 'us' })).toEqual({
      volumeL: expect.closeTo(7.5708, 4)
    });
    expect(await read({ text: '2', for: 'sugar', units: 'mixed' })).toEqual({
      massKg: expect.closeTo(0.907, 3)
    });
    expect((await read({ text: '1 gal' })).asks[0]).toMatch(/US or UK/);
    expect((await read({ text: 'a bag', for: 'blackberries' })).asks).toHaveLength(1);
    expect((await read({ text: '2 kg', for: 'foxglove' })).asks[0]).toMatch(/Not in a wine/);
    expect((await read({ text: '2 kg', for: 'zorp' })).asks[0]).toMatch(/do not know/);
  });
  it('refuses what is no question', async () => {
    expect((await ask(readAmount, {})).status).toBe(400);
    expect((await ask(readAmount, { text: 5 })).status).toBe(400);
    expect((await ask(readAmount, { text: '1', units: 'roman' })).body.error.path).toBe('units');
    expect((await ask(readAmount, { text: 'x'.repeat(201) })).status).toBe(400);
  });
});

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
  const asked = {
    ingredients: [
      { kind: 'produce', produceId: 'rhubarb', massKg: 6, held: true },
      { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
      { kind: 'water', volumeL: 0, held: false }
    ],
    target: { abv: 12, volumeL: 12, taGL: 4.5 }
  };

  it('answers with the same amounts as the core, what gave way, and ways out that are plans', async () => {
    const { status, body } = await ask(scale, asked);
    expect(status).toBe(200);
    const core = solvePlan(planSchema.parse(asked));
    expect(body.plan.ingredients).toEqual(core.plan.ingredients);
    expect(body.figures.potentialAbv).toBeCloseTo(12, 3);
    expect(body.gaveWay[0]).toMatchObject({ goal: 'taGL', wanted: 4.5 });
    expect(body.swaps.length).toBeGreaterThan(0);
    for (const s of body.swaps) expect(planSchema.safeParse(s.plan).success).toBe(true);
    // A way out, posted again, is out.
    const again = await ask(scale, body.swaps[0].plan);
    expect(again.body.gaveWay).toEqual([]);
  });

  it('refuses a goal that makes no sense, saying where', async () => {
    const { status, body } = await ask(scale, { ...asked, target: { ...asked.target, phMax: 20 } });
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
    expect(all.file.properties.version.const).toBe(FILE_VERSION);
  });
});

describe('what a server has to bear', () => {
  it('takes JSON only, said to be JSON, and no tower of brackets', async () => {
    expect((await ask(POST, GOOD, undefined, {})).status).toBe(415);
    expect((await ask(POST, GOOD, undefined, { 'content-type': 'text/plain' })).status).toBe(415);
    expect((await ask(POST, null, '['.repeat(200_000))).body.error.reason).toMatch(/brackets/);
    expect((await ask(POST, null, '{"__proto__":{"ingredients":[]}}')).status).toBe(400);
  });

  it('pages of other sites are refused what computes', async () => {
    const through = async (headers: Record<string, string>, method = 'POST') => {
      const url = new URL('http://127.0.0.1:4173/api/estimate');
      const request = new Request(url, { method, headers: { host: url.host, ...headers } });
      const event = { url, request };
      return (await handle({ event, resolve: async () => new Response('ok') } as never)).status;
    };
    expect(await through({})).toBe(200);
    expect(await through({ origin: 'http://127.0.0.1:4173' })).toBe(200);
    expect(await through({ origin: 'https://elsewhere.example' })).toBe(403);
    expect(await through({ origin: 'null' })).toBe(403);
    expect(await through({ 'sec-fetch-site': 'cross-site' })).toBe(403);
    expect(await through({ origin: 'https://elsewhere.example' }, 'GET')).toBe(200);
  });

  it('rows that are free are bounded', async () => {
    const rows = (n: number) => ({
      ingredients: [
        ...PRODUCE.slice(0, n).map((p) => ({ kind: 'produce', produceId: p.id, massKg: 0, held: false })),
        { kind: 'water', volumeL: 0, held: false }
      ],
      target: { abv: 12, volumeL: 12, taGL: 6, phMax: 3.4 }
    });
    expect((await ask(scale, rows(60))).body.error.reason).toMatch(/at most 40/);
    const { status, body } = await ask(scale, rows(30));
    expect(status).toBe(200);
    expect(body).toHaveProperty('incomplete');
  });

  it.each([
    [
      'honey with a little wine',
      [
        { kind: 'honey', massKg: 2 },
        { kind: 'wine', volumeL: 0.01, abv: 25, sg: 1.2 }
      ]
    ],
    [
      'sugar and a drop',
      [
        { kind: 'sugar', sugarId: 'white', massKg: 500 },
        { kind: 'water', volumeL: 0.001 }
      ]
    ],
    ['a wine of nothing but acid', [{ kind: 'wine', volumeL: 5, abv: 0, sg: 0.97, taGL: 30, ph: 2.5 }]],
    [
      'concentrate alone',
      [{ kind: 'juice', form: 'concentrate', produceId: 'apple', volumeL: 5, measured: { brix: 80 } }]
    ],
    [
      'chalk by the sack',
      [
        { kind: 'water', volumeL: 1 },
        { kind: 'acid', acidId: 'calcium-carbonate', massKg: 500 }
      ]
    ],
    [
      'an entry of one’s own, as juice',
      [
        {
          kind: 'juice',
          produceId: 'apple',
          volumeL: 3,
          entry: {
            ...PRODUCE.find((p) => p.id === 'apple')!,
            solids: [90, 97, 98],
            sugars: [0, 1, 2],
            insolubles: [0, 0.1, 0.2]
          }
        }
      ]
    ]
  ])('%s: an answer or a reason, never a fault', async (_, ingredients) => {
    for (const route of [POST, scale]) {
      const { status, body } = await ask(route, { ingredients, target: { abv: 12, volumeL: 10 } });
      expect([200, 400]).toContain(status);
      if (status === 400) expect(body.error.reason).toMatch(/./);
    }
  });
});

describe('POST /api/batch', () => {
  it('answers what the batch page shows', async () => {
    for (const seed of [3, 11, 42]) {
      const wine = trueWine(seed);
      const [jar] = wine.jars;
      const bottle = { vesselId: jar!.vesselId, type: jar!.bottle, sizeL: 0.75, clear: true };
      const at = new Date(wine.at).toISOString();
      const { status, body } = await ask(batch, { events: wine.events, at, bottle });
      expect(status, JSON.stringify(body.error)).toBe(200);
      const s = foldBatch(wine.events, wine.at)!;
      const now = standsOf(s, standingOf(s), courseOf(s)).standing;
      expect(body.stage).toBe(now.stage);
      expect(body.abv).toEqual(now.abv);
      expect(body.sg.likely).toBe(now.sg!.sg);
      expect(body.vessels.map((v: { vesselId: string }) => v.vesselId)).toEqual(
        s.fills.map((f) => f.vesselId)
      );
      const check = checkBottling(s, jar!.bottle, 0, true, jar!.vesselId, beliefOf(s))!;
      expect(body.pressure).toMatchObject({ bar20: check.verdict.bar20, level: check.verdict.level });
      for (const v of body.vessels)
        for (const f of Object.values(v).filter((x) => typeof x === 'object') as {
          low: number;
          likely: number;
          high: number;
        }[])
          expect(f.low <= f.likely && f.likely <= f.high).toBe(true);
      // Heated through in the bottle, no sugar in it can make gas; a swing-top is a bottle too.
      const heat = { coreC: 64, minutes: 30 };
      const heated = await ask(batch, {
        events: wine.events,
        at,
        bottle: { ...bottle, type: 'swing', heat }
      });
      expect(heated.body.pressure.level).not.toBe('stop');
      expect((await ask(batch, { events: wine.events, at })).body.pressure).toBeNull();
    }
  });

  it('refuses what is no log, saying where', async () => {
    const { events } = trueWine(3);
    expect((await ask(batch, { events: [], at: '2026-01-01T00:00:00Z' })).body.error.path).toBe('events');
    expect((await ask(batch, { events, at: 'soon' })).body.error.path).toBe('at');
    const noStart = events.filter((e) => e.type !== 'planned');
    expect((await ask(batch, { events: noStart, at: '2026-03-01T00:00:00Z' })).body.error.reason).toMatch(
      /begun/
    );
  });
});

describe('POST /api/phrase', () => {
  const said = async (body: object) => (await ask(phrase, body)).body;
  const NOW = '2026-11-26T14:00:00Z';
  it('says what a line means, and writes nothing', async () => {
    expect(await said({ text: 'sg 1064 21c', now: NOW })).toEqual({
      commands: [{ kind: 'reading', sg: 1.064, tempC: 21 }],
      asks: []
    });
    const batches = [
      { id: 'a', name: 'Quince' },
      { id: 'b', name: 'Elderberry' }
    ];
    expect(
      (await said({ text: 'yesterday 8pm elderberry 1.018', batches, now: '2026-11-26T14:00:00+02:00' }))
        .commands
    ).toEqual([{ kind: 'reading', sg: 1.018, batchId: 'b', at: '2026-11-25T18:00:00.000Z' }]);
    expect((await said({ text: 'racked to 2 x 1 gal', units: 'us' })).commands[0].to[0].sizeL).toBeCloseTo(
      3.7854,
      3
    );
  });
  it('asks where it is not sure, with lines that settle it', async () => {
    const batches = [
      { id: 'a', name: 'Quince' },
      { id: 'b', name: 'Elderberry' }
    ];
    const { asks } = await said({ text: 'sg 1.040', batches });
    expect(asks[0]).toMatchObject({
      about: 'batch',
      choices: [{ line: 'quince: sg 1.040' }, { line: 'elderberry: sg 1.040' }]
    });
    const settled = await said({ text: asks[0].choices[1].line, batches });
    expect(settled).toEqual({ commands: [{ kind: 'reading', sg: 1.04, batchId: 'b' }], asks: [] });
    expect((await said({ text: '1.64' })).asks[0]).toMatchObject({
      about: 'gravity',
      choices: [{ line: '1.064' }]
    });
    expect((await said({ text: 'a gallon of water' })).asks[0].text).toContain('not the same everywhere');
    expect((await said({ text: '3 g blorptium' })).asks[0].text).toContain('blorptium');
  });
  it('answers what is asked of no wine', async () => {
    // The same sum as a plan of sugar and water: 12 % in 18.93 L.
    const { answer } = await said({ text: 'how much sugar for 5 gal at 12 %', units: 'us' });
    expect(answer).toMatch(/^3\.6\d kg of sugar/);
    expect((await said({ text: '9 lb in kg' })).answer).toBe('9 lb is 4.082 kg.');
    expect((await said({ text: '70 f in c', units: 'us' })).answer).toBe('70 f is 21.1 °C.');
    expect((await said({ text: 'how many campden for 20 l' })).answer).toContain('5½ tablets');
  });
  it('refuses what is no request, and says where', async () => {
    expect((await ask(phrase, { text: 4 })).status).toBe(400);
    expect((await ask(phrase, { text: 'x'.repeat(501) })).body.error.path).toBe('text');
  });
});

describe('POST /api/finish', () => {
  const sum = async (body: object) => {
    const { status, body: said } = await ask(finish, body);
    if (status === 200) finishAnswerSchema.parse(said);
    return { status, ...said };
  };

  it('answers each sum, by the functions that the pages use', async () => {
    const sulphite = { ask: 'sulphite', volumeL: 10, ph: 3.4, style: 'white' };
    expect(await sum(sulphite)).toMatchObject({ status: 200, freeTargetMgL: expect.closeTo(31.92, 1) });
    expect((await sum({ ...sulphite, freeMgL: 31.9 })).metabisulphiteG).toBeLessThan(0.01);
    expect((await sum({ ask: 'sorbate', volumeL: 10, abv: 11 })).sorbateG).toBeCloseTo(2.5, 6);
    const sweet = await sum({
      ask: 'sweeten',
      volumeL: 10,
      sg: 0.994,
      abv: 12,
      sweetenerId: 'white',
      toSg: 1.004
    });
    expect(sweet.massKg).toBeGreaterThan(0.25);
    expect(sweet.massKg).toBeLessThan(0.28);
    expect(sweet.cautions.join()).toMatch(/Stabilise first/);
    const wines = [
      { name: 'plum', volumeL: 5, abv: 13, taGL: 5, hexoseGL: 0 },
      { name: 'sloe', volumeL: 5, abv: 11, taGL: 9, hexoseGL: 10 }
    ];
    const mixed = await sum({ ask: 'blend', wines, want: { volumeL: 6, taGL: 7 } });
    expect(mixed.take.map((t: { volumeL: number }) => t.volumeL)).toEqual([
      expect.closeTo(3, 6),
      expect.closeTo(3, 6)
    ]);
    expect(mixed.abv).toBeCloseTo(12, 6);
    const fizz = await sum({ ask: 'prime', volumeL: 10, abv: 11, tempC: 20, want: { bar20: 4 } });
    expect(fizz.bar20).toBeCloseTo(4, 9);
    expect(fizz.sugarG).toBeCloseTo((fizz.perBottleG * 10) / 0.75, 6);
    expect(fizz.cautions.join()).toMatch(/sparkling bottles/);
    const heat = await sum({ ask: 'heat', coreC: 60, minutes: 20 });
    expect(heat.pu).toBeCloseTo(20, 9);
    expect(heat.cautions.join()).toMatch(/Too little/);
  });

  it('refuses what it cannot answer, with the place', async () => {
    for (const [body, path] of [
      [{ ask: 'sulphite', volumeL: -1, ph: 3.4, style: 'white' }, 'volumeL'],
      [{ ask: 'sulphite', volumeL: 10, ph: 5, style: 'white' }, 'ph'],
      [{ ask: 'sorbate', volumeL: 10, abv: 12, ph: 4.6 }, 'ph'],
      [{ ask: 'sweeten', volumeL: 10, sg: 0.994, abv: 12, sweetenerId: 'white', toSg: 0.99 }, 'toSg'],
      [{ ask: 'sweeten', volumeL: 10, sg: 0.994, abv: 12, sweetenerId: 'sand', toSg: 1 }, 'sweetenerId'],
      [{ ask: 'blend', wines: [], want: { abv: 12 } }, 'wines'],
      [{ ask: 'prime', volumeL: 10, abv: 11, tempC: 20, want: {} }, 'want'],
      [{ ask: 'prime', volumeL: 10, abv: 11, tempC: 20, hexoseGL: 50, want: { gL: 5 } }, 'want'],
      [{ ask: 'heat', coreC: 200, minutes: 20 }, 'coreC'],
      [{ ask: 'brew' }, 'ask']
    ] as const) {
      const { status, error } = await sum(body);
      expect(status, JSON.stringify(body)).toBe(400);
      expect(error.path, JSON.stringify(body)).toBe(path);
      expect(error.reason.length).toBeGreaterThan(10);
    }
  });
});

describe('GET /api/plant', () => {
  it.each([
    ['elderflower', 'food'],
    ['garden peas', 'food'],
    ['rhubarb', 'food'],
    ['sweetcorn kernels', 'food'],
    ['foxglove', 'refused'],
    ['Aconitum', 'refused'],
    ['leaves of rhubarb', 'refused'],
    ['moonfruit', 'unknown']
  ])('%s: %s', async (name, verdict) => {
    const url = new URL(`http://x/api/plant?name=${encodeURIComponent(name)}`);
    const body = await (await (plant as unknown as (e: { url: URL }) => Response)({ url })).json();
    expect(body.verdict).toBe(verdict);
    expect(body.why).toMatch(/./);
  });
});

describe('POST /api/forecast', () => {
  const at = '2026-05-01T10:00:00.000Z';
  const rises = (x: { low: number; likely: number; high: number }) => x.low <= x.likely && x.likely <= x.high;
  it('says of a plan what it will do, day by day, and warmer is sooner', async () => {
    const { status, body } = await ask(forecast, { plan: GOOD, at, days: 40 });
    expect(status).toBe(200);
    expect(body.days).toHaveLength(41);
    for (const d of body.days) expect(rises(d.sg) && rises(d.abv) && Number.isFinite(d.tempC)).toBe(true);
    expect(body.days[40].sg.likely).toBeLessThan(body.days[0].sg.likely - 0.06);
    expect(body.dry.chance).toBeGreaterThan(0.4);
    const cold = (await ask(forecast, { plan: GOOD, at, days: 40, tempC: 15 })).body;
    const warm = (await ask(forecast, { plan: GOOD, at, days: 40, tempC: 24 })).body;
    expect(cold.days[7].sg.likely).toBeGreaterThan(warm.days[7].sg.likely + 0.005);
  });
  it('goes on from a batch where its page does', async () => {
    const { events, at: then } = trueWine(3);
    const s = foldBatch(events, then)!;
    const { body } = await ask(forecast, { events, at: new Date(then).toISOString(), days: 5 });
    expect(body.days[0].abv.likely).toBeCloseTo(beliefOf(s)!.abv.likely, 0);
    expect(body.stuckChance).toBeGreaterThanOrEqual(0);
  });
  it('refuses what it cannot foresee, and says where', async () => {
    expect((await ask(forecast, { at, days: 5 })).status).toBe(400);
    expect((await ask(forecast, { plan: GOOD, at, days: 0 })).body.error.path).toBe('days');
    expect((await ask(forecast, { plan: { ingredients: [] }, at, days: 5 })).body.error.reason).toMatch(
      /at least one/
    );
  });
});
