import { beforeEach, describe, expect, it } from 'vitest';
import { boxCount, emptyBoxes, LIMITS, post } from '$lib/devices/mailbox';
import { DELETE, GET, POST } from './[id]/readings/+server';
import { GET as stream } from './[id]/stream/+server';

const KEY = 'a-key-of-sixteen-and-more';
type Args = Parameters<typeof POST>[0];
const call = async (
  route: typeof POST,
  {
    id = 'float-1',
    key = KEY,
    body,
    query = ''
  }: { id?: string; key?: string; body?: unknown; query?: string } = {}
) => {
  const url = new URL(`http://localhost/api/devices/${id}/readings${query}`);
  const request = new Request(url, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'content-type': 'application/json', ...(key ? { authorization: `Bearer ${key}` } : {}) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) })
  });
  const answer = await route({ params: { id }, request, url } as unknown as Args);
  return { status: answer.status, body: (await answer.json()) as Record<string, never> };
};
const sample = (n: number) => ({ at: new Date(Date.UTC(2026, 4, 1, 0, n)).toISOString(), sg: 1.05 });

describe('what devices post', () => {
  beforeEach(emptyBoxes);

  it('waits for who has the key, and for nobody else, until it is said to be taken', async () => {
    expect(await call(POST, { body: sample(0) })).toEqual({ status: 202, body: { waiting: 1, dropped: 0 } });
    expect((await call(POST, { body: { samples: [sample(1), sample(2)] } })).body).toEqual({
      waiting: 3,
      dropped: 0
    });
    expect((await call(GET, { key: 'another-key-of-sixteen' })).body).toEqual({ samples: [], upTo: 0 });
    expect((await call(GET, { id: 'float-2' })).body).toEqual({ samples: [], upTo: 0 });
    expect((await call(GET)).body).toEqual({ samples: [sample(0), sample(1), sample(2)], upTo: 3 });
    // Asked again before it was taken: nothing is lost.
    expect((await call(GET)).body.samples).toHaveLength(3);
    expect((await call(DELETE, { query: '?upTo=2' })).body).toEqual({ ok: true });
    expect((await call(GET)).body).toEqual({ samples: [sample(2)], upTo: 3 });
  });

  it('is refused with the place and the reason: no key, no name, no figure, no time, no JSON of ours', async () => {
    expect(await call(POST, { key: '', body: sample(0) })).toMatchObject({ status: 401 });
    expect(await call(POST, { key: 'short', body: sample(0) })).toMatchObject({ status: 401 });
    expect(await call(POST, { id: 'a b', body: sample(0) })).toMatchObject({ status: 400 });
    for (const body of [
      {},
      { at: sample(0).at },
      { at: 'now', sg: 1.05 },
      { at: sample(0).at, sg: 'x' },
      { at: sample(0).at, sg: 1e9 },
      { at: sample(0).at, sg: 1.05, spell: 1 },
      { samples: [] },
      { samples: Array.from({ length: 501 }, (_, n) => sample(n)) }
    ]) {
      const answer = await call(POST, { body });
      expect(answer.status, JSON.stringify(body).slice(0, 80)).toBe(400);
      expect(answer.body).toHaveProperty('error.reason');
    }
    expect((await call(DELETE, { query: '?upTo=x' })).status).toBe(400);
    expect((await call(GET)).body).toEqual({ samples: [], upTo: 0 });
  });

  it('is bounded: the oldest go first, of samples and of boxes nobody came to', () => {
    const now = Date.now();
    for (let i = 0; i < LIMITS.samples / 500 + 2; i++)
      post('a', Array.from({ length: 500 }, (_, n) => sample(n)) as never, now);
    expect(post('a', [sample(0)] as never, now)).toEqual({ waiting: LIMITS.samples, dropped: 1 });
    for (let i = 0; i < LIMITS.boxes + 50; i++) post(`b${i}`, [sample(0)] as never, now + i);
    expect(boxCount()).toBe(LIMITS.boxes);
    post('late', [sample(0)] as never, now + LIMITS.keepMs + 1000);
    expect(boxCount()).toBe(1);
  });
});

describe('a simulated device', () => {
  const open = (id: string, query = '') => {
    const url = new URL(`http://localhost/api/devices/${id}/stream${query}`);
    const gone = new AbortController();
    const request = new Request(url, { signal: gone.signal });
    return { answer: stream({ params: { id }, request, url } as never) as Response, gone };
  };

  it('says at once what it reads, in JSON, as an event stream', async () => {
    for (const id of ['sim-float', 'sim-thermometer', 'sim-ph', 'sim-scale', 'sim-weather']) {
      const { answer, gone } = open(id, `?seed=3&since=${Date.now() - 20 * 3_600_000}`);
      expect(answer.headers.get('content-type')).toBe('text/event-stream');
      const reader = answer.body!.getReader();
      let text = '';
      while (!/data: |: nothing/.test(text)) text += new TextDecoder().decode((await reader.read()).value);
      if (text.includes('data: ')) {
        const said = JSON.parse(/data: (.*)\n/.exec(text)![1]!) as Record<string, unknown>;
        expect(Date.parse(said.at as string)).toBeGreaterThan(0);
        expect(Object.keys(said).length).toBeGreaterThan(1);
      }
      gone.abort();
      await reader.cancel();
    }
  });

  it('there is none of another name, and none in a wine that cannot be', async () => {
    expect(open('float').answer.status).toBe(404);
    expect(open('sim-crystal').answer.status).toBe(404);
    expect(open('sim-float', '?startSg=3').answer.status).toBe(400);
    expect(open('sim-float', '?seed=x').answer.status).toBe(400);
  });

  it('so many listen at once, and those that left make room', async () => {
    const all = Array.from({ length: 41 }, () => open('sim-scale'));
    expect(all.at(-1)!.answer.status).toBe(503);
    for (const { gone } of all) gone.abort();
    const again = open('sim-scale');
    expect(again.answer.status).toBe(200);
    again.gone.abort();
  });
});
