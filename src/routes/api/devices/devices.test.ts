import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answersTo } from '$lib/devices/hosts';
import { boxCount, emptyBoxes, lend, LIMITS, post } from '$lib/devices/mailbox';
import { newCode, pairingOf } from '$lib/devices/pairing';
import { pairing } from '$lib/devices/server-pairing';
import { tries } from '$lib/tries.fixture';
import { POST as postKey } from './[id]/key/+server';
import { GET as getCode } from '../pairing/+server';
import { DELETE, GET, POST } from './[id]/readings/+server';
import { GET as stream } from './[id]/stream/+server';

type Args = Parameters<typeof POST>[0];
const call = async (
  route: typeof POST,
  {
    id = 'float-1',
    key = pairing().keyOf(id),
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
const lent = async (id = 'float-1') =>
  (await call(GET, { id })).body as unknown as { samples: unknown[]; lease: string };

describe('what devices post', () => {
  beforeEach(emptyBoxes);
  afterEach(() => vi.useRealTimers());

  it('waits for who has the key, is lent to one at a time, and is gone once it is said to be written', async () => {
    expect(await call(POST, { body: sample(0) })).toEqual({ status: 202, body: { waiting: 1, dropped: 0 } });
    expect((await call(POST, { body: { samples: [sample(1), sample(2)] } })).body).toEqual({
      waiting: 3,
      dropped: 0
    });
    expect((await call(GET, { key: pairing().keyOf('float-2') })).status).toBe(401);
    expect((await lent('float-2')).samples).toEqual([]);
    const { samples, lease } = await lent();
    expect(samples).toEqual([sample(0), sample(1), sample(2)]);
    // A second tab is lent nothing of it, only what came since.
    await call(POST, { body: sample(3) });
    expect((await lent()).samples).toEqual([sample(3)]);
    expect((await call(DELETE, { query: `?lease=${lease}` })).body).toEqual({ written: 3 });
    expect((await call(DELETE, { query: `?lease=${lease}` })).body).toEqual({ written: 0 });
  });

  it('comes back when it is not said to be written within the minute: a tab was closed', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: Date.now() });
    await call(POST, { body: { samples: [sample(1), sample(2)] } });
    const closed = await lent();
    expect((await lent()).samples).toEqual([]);
    vi.setSystemTime(Date.now() + LIMITS.leaseMs);
    const { samples, lease } = await lent();
    expect(samples).toEqual([sample(1), sample(2)]);
    // Too late: it is another's by now.
    expect((await call(DELETE, { query: `?lease=${closed.lease}` })).body).toEqual({ written: 0 });
    expect((await call(DELETE, { query: `?lease=${lease}` })).body).toEqual({ written: 2 });
  });

  it('is lent again at once to who had it and asks anew: a page that was loaded again', async () => {
    await call(POST, { body: { samples: [sample(1), sample(2)] } });
    const by = async (reader: string) =>
      (await call(GET, { query: `?reader=${reader}` })).body as unknown as {
        samples: unknown[];
        lease: string;
      };
    expect((await by('kitchen')).samples).toHaveLength(2);
    expect((await by('cellar')).samples).toHaveLength(0);
    const again = await by('kitchen');
    expect(again.samples).toHaveLength(2);
    expect((await call(DELETE, { query: `?lease=${again.lease}` })).body).toEqual({ written: 2 });
  });

  it('is refused with the place and the reason: no key, no name, no figure, no time, no JSON of ours', async () => {
    expect(await call(POST, { key: '', body: sample(0) })).toMatchObject({ status: 401 });
    expect(await call(POST, { key: 'a-made-up-key-of-sixteen-letters', body: sample(0) })).toMatchObject({
      status: 401
    });
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
    expect((await call(DELETE)).status).toBe(400);
    expect((await lent()).samples).toEqual([]);
  });

  it('is bounded for each device, and in bytes for all: the oldest of its own go, and no other’s', () => {
    const now = Date.now();
    const many = (n: number) => Array.from({ length: n }, (_, i) => sample(i)) as never;
    post('quiet', many(3), now);
    for (let i = 0; i < LIMITS.samples / 500 + 2; i++) post('a', many(500), now);
    expect(post('a', many(1), now)).toEqual({ waiting: LIMITS.samples, dropped: 1 });
    let dropped = 0;
    for (let d = 0; d < 40; d++)
      for (let i = 0; i < 10; i++) dropped += post(`b${d}`, many(500), now).dropped;
    expect(dropped).toBeGreaterThan(50_000);
    expect(lend('quiet', 'x', 10, now).samples).toHaveLength(3);
    post('late', many(1), now + LIMITS.keepMs + 1000);
    expect(boxCount()).toBe(1);
  });

  it('a flood of strangers keeps nothing, and what the household waits for stays', async () => {
    await call(POST, { body: { samples: [sample(1), sample(2)] } });
    const before = process.memoryUsage().heapUsed;
    for (let i = 0; i < tries(2000, 100_000); i++)
      expect(
        (await call(POST, { id: `x${i}`, key: `stranger-${i}-0123456789`, body: sample(0) })).status
      ).toBe(401);
    expect(boxCount()).toBe(1);
    expect(process.memoryUsage().heapUsed - before).toBeLessThan(150e6);
    expect((await lent()).samples).toHaveLength(2);
  });
});

describe('pairing', () => {
  const keyFor = async (id: string, code: unknown) => {
    const request = new Request('http://localhost/', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code })
    });
    const answer = await postKey({ params: { id }, request } as never);
    return { status: answer.status, body: (await answer.json()) as { key?: string } };
  };
  const codeFor = async (address: string, headers: Record<string, string>) =>
    (
      (await (
        await getCode({
          request: new Request('http://x/', { headers }),
          getClientAddress: () => address
        } as never)
      ).json()) as { code: string | null }
    ).code;

  it('gives a device its key for the code, however it is typed; guesses are stopped', async () => {
    const { code, keyOf } = pairing();
    expect((await keyFor('float-1', code.toLowerCase().replace('-', ' '))).body.key).toBe(keyOf('float-1'));
    expect(keyOf('float-1')).not.toBe(keyOf('float-2'));
    for (let i = 0; i < 10; i++) expect((await keyFor('float-1', `GUESS${i}`)).status).toBe(401);
    expect((await keyFor('float-1', code)).status).toBe(429);
  });

  it('is handed to a page on the machine itself, and to nobody else', async () => {
    expect(await codeFor('127.0.0.1', { host: 'localhost:4173' })).toBe(pairing().code);
    expect(await codeFor('::1', { host: '[::1]:4173', 'sec-fetch-site': 'same-origin' })).toBe(
      pairing().code
    );
    for (const [address, headers] of [
      ['192.168.1.7', { host: 'localhost:4173' }],
      ['127.0.0.1', { host: 'evil.example' }],
      ['127.0.0.1', { host: 'localhost', 'sec-fetch-site': 'cross-site' }],
      ['127.0.0.1', { host: 'localhost', 'x-forwarded-for': '10.0.0.9' }]
    ] as const)
      expect(await codeFor(address, headers), JSON.stringify(headers)).toBeNull();
  });

  it('a code that is told is kept; one that is short is refused as the server starts', () => {
    expect(pairingOf('kitchen 2026').isCode('KITCHEN-2026')).toBe(true);
    expect(pairingOf('kitchen 2026').keyOf('a')).toBe(pairingOf('Kitchen2026').keyOf('a'));
    expect(() => pairingOf('abc')).toThrow(/8 at least/);
    expect(newCode()).toMatch(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/);
    expect(newCode()).not.toBe(newCode());
  });

  it('a server answers to this machine’s names, to addresses, and to the names that it was told', () => {
    for (const host of ['localhost:4173', '127.0.0.1', '[::1]:4173', '192.168.1.5:4173', 'cellar.home:80'])
      expect(answersTo(host, 'cellar.home, wine.home'), host).toBe(true);
    for (const host of [
      'evil.example',
      'localhost.evil.example',
      '127.0.0.1.evil.example',
      'cellar.home.evil'
    ])
      expect(answersTo(host, 'cellar.home'), host).toBe(false);
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
