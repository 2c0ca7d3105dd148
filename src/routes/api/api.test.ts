import { describe, expect, it } from 'vitest';
import { estimateMust } from '$core/must/balance';
import { planSchema } from '$core/must/plan';
import { POST } from './estimate/+server';

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
