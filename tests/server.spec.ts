import http from 'node:http';
import { expect, test } from './test';

type Answer = { status: number; ms: number; text: string };

/** Requests one after the other on one connection, as a device or a proxy makes them. */
function line(baseURL: string) {
  const { hostname, port } = new URL(baseURL);
  const agent = new http.Agent({ keepAlive: true, maxSockets: 1 });
  return (path: string, method = 'GET', headers: http.OutgoingHttpHeaders = {}, body?: Buffer) =>
    new Promise<Answer>((done, fail) => {
      const began = performance.now();
      const request = http.request({ hostname, port, path, method, agent, headers }, (res) => {
        let text = '';
        res.on('data', (d: Buffer) => (text += d.toString()));
        res.on('end', () => done({ status: res.statusCode!, ms: performance.now() - began, text }));
      });
      request.on('error', fail);
      request.end(body);
    });
}

test('a body that is refused unread holds up nothing that comes after it', async ({ baseURL }) => {
  const ask = line(baseURL!);
  const body = Buffer.alloc(900_000, 'x');
  for (const [path, headers, status] of [
    ['/api/devices/float-1/readings', { 'content-type': 'application/json' }, 401],
    ['/api/estimate', { 'content-type': 'text/plain' }, 415],
    ['/api/estimate', { origin: 'http://elsewhere.example' }, 403],
    ['/api/estimate', { host: 'elsewhere.example' }, 421],
    ['/api/plant', {}, 405]
  ] as const) {
    const answer = await ask(path, 'POST', { ...headers, 'content-length': body.length }, body);
    expect(answer.status, answer.text).toBe(status);
    const next = await ask('/api/health');
    expect(next.status).toBe(200);
    expect(next.ms).toBeLessThan(2000);
  }
});

test('a stream is asked for by its head alone, and a stranger’s flood changes nothing', async ({
  baseURL
}) => {
  const ask = line(baseURL!);
  expect((await ask('/api/devices/sim-float/stream', 'HEAD')).status).toBe(200);
  expect((await ask('/api/devices/float/stream', 'HEAD')).status).toBe(404);
  const { code } = JSON.parse((await ask('/api/pairing')).text) as { code: string };
  const json = { 'content-type': 'application/json' };
  const body = (value: object) => Buffer.from(JSON.stringify(value));
  const id = `float-${process.pid}`;
  const { key } = JSON.parse((await ask(`/api/devices/${id}/key`, 'POST', json, body({ code }))).text) as {
    key: string;
  };
  const mine = { ...json, authorization: `Bearer ${key}` };
  const sample = body({ at: new Date().toISOString(), sg: 1.03 });
  expect((await ask(`/api/devices/${id}/readings`, 'POST', mine, sample)).status).toBe(202);
  for (let i = 0; i < 300; i++)
    expect(
      (
        await ask(
          `/api/devices/x${i}/readings`,
          'POST',
          { ...json, authorization: `Bearer made-up-key-number-${i}` },
          sample
        )
      ).status
    ).toBe(401);
  const lent = JSON.parse((await ask(`/api/devices/${id}/readings`, 'GET', mine)).text) as {
    samples: unknown[];
    lease: string;
  };
  expect(lent.samples).toHaveLength(1);
  expect((await ask(`/api/devices/${id}/readings?lease=${lent.lease}`, 'DELETE', mine)).text).toContain('1');
});
