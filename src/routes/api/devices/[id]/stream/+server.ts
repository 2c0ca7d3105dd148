import type { RequestHandler } from '@sveltejs/kit';
import { DEVICE_IDS, type DeviceKind } from '$lib/devices/device';
import { sampleOf, type Sim } from '$lib/devices/simulate';
import { refuse } from '../../../body';

/** A simulated device says something so often, a scale sooner, ms; a listener is let go after so long, and comes again by itself. */
const EVERY = 5000;
const SCALE_EVERY = 1000;
const MOST_MS = 15 * 60_000;
/** So many listen at once; the next is asked to come later. */
const MOST_LISTENERS = 40;
let listeners = 0;

const HEADERS = {
  'content-type': 'text/event-stream',
  'cache-control': 'no-store',
  'x-accel-buffering': 'no'
};

/** The kind of a simulated device, by its name; undefined where there is none. */
const kindOf = (id: string | undefined): DeviceKind | undefined =>
  DEVICE_IDS.find((kind) => id === `sim-${kind}`);

/** A figure of the address, where it can be one. */
function figure(url: URL, name: string, usual: number, least: number, most: number): number | null {
  const text = url.searchParams.get(name);
  if (text === null) return usual;
  const n = Number(text);
  return Number.isFinite(n) && n >= least && n <= most ? n : null;
}

/**
 * A simulated device as an event stream: `sim-float`, `sim-thermometer`, `sim-ph`, `sim-scale`, `sim-weather`, in a
 * made-up wine that was pitched at `since` (ms), started at `startSg`, and stands at `roomC`.
 */
export const GET: RequestHandler = ({ params, url, request }) => {
  const kind = kindOf(params.id);
  if (!kind)
    return refuse(
      404,
      'id',
      `There is no such simulated device; there are ${DEVICE_IDS.map((k) => `sim-${k}`).join(', ')}.`
    );
  const now = Date.now();
  const given = {
    seed: figure(url, 'seed', 1, 0, 1e9),
    since: figure(url, 'since', now - 3 * 86_400_000, 0, now),
    startSg: figure(url, 'startSg', 1.082, 1.02, 1.16),
    endSg: figure(url, 'endSg', 0.995, 0.98, 1.06),
    roomC: figure(url, 'roomC', 19, 0, 35)
  };
  const wrong = Object.entries(given).find(([, v]) => v === null);
  if (wrong) return refuse(400, wrong[0], `“${url.searchParams.get(wrong[0])}” cannot be.`);
  if (listeners >= MOST_LISTENERS)
    return refuse(503, 'id', 'Too many listen at once. Come again in a minute.');
  const sim = { kind, ...given } as Sim;
  const text = new TextEncoder();
  let timer: ReturnType<typeof setInterval> | undefined;
  let end: ReturnType<typeof setTimeout> | undefined;
  let isOpen = true;
  listeners += 1;
  const close = () => {
    if (!isOpen) return;
    isOpen = false;
    listeners -= 1;
    clearInterval(timer);
    clearTimeout(end);
  };
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = () => {
        if (!isOpen) return;
        const sample = sampleOf(sim, Date.now());
        try {
          controller.enqueue(text.encode(sample ? `data: ${JSON.stringify(sample)}\n\n` : ': nothing\n\n'));
        } catch {
          close();
        }
      };
      controller.enqueue(text.encode('retry: 5000\n\n'));
      say();
      timer = setInterval(say, kind === 'scale' ? SCALE_EVERY : EVERY);
      end = setTimeout(() => {
        close();
        controller.close();
      }, MOST_MS);
      request.signal.addEventListener('abort', close);
    },
    cancel: close
  });
  return new Response(stream, { headers: HEADERS });
};

/** Whether there is such a stream; nothing is listened to. */
export const HEAD: RequestHandler = ({ params }) =>
  kindOf(params.id) ? new Response(null, { headers: HEADERS }) : new Response(null, { status: 404 });
