import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Plan } from '$core/plan/plan';
import { scaleAnswer } from './scale-answer';

type Answer = ReturnType<typeof scaleAnswer>;
type Reply = { id: number; answer?: Answer; error?: string };

/** A plan that takes longer than this is given up, ms. */
const GIVE_UP_MS = 900;
/** Plans that may wait their turn. */
const MOST_WAITING = 20;

let worker: Worker | null = null;
let n = 0;
const waiting = new Map<number, { done: (a: Answer) => void; fail: (e: Error) => void }>();
/** One after the other: the next is begun when the one before is answered. */
let queue: Promise<unknown> = Promise.resolve();

/** Beside the built server; there is none while developing. */
const FILE = fileURLToPath(new URL('../../worker/scale.worker.js', import.meta.url));

function start(): Worker {
  const w = new Worker(FILE);
  w.unref();
  w.on('message', ({ id, answer, error }: Reply) => {
    const job = waiting.get(id);
    waiting.delete(id);
    if (answer) job?.done(answer);
    else job?.fail(new Error(error));
  });
  const stop = (e: Error) => {
    worker = null;
    for (const [id, job] of waiting) {
      waiting.delete(id);
      job.fail(e);
    }
  };
  w.on('error', stop);
  return w;
}

export class TooBusy extends Error {}

function once(plan: Plan): Promise<Answer> {
  if (!existsSync(FILE)) return Promise.resolve(scaleAnswer(plan));
  worker ??= start();
  const id = ++n;
  return new Promise<Answer>((done, fail) => {
    const timer = setTimeout(() => {
      waiting.delete(id);
      void worker?.terminate();
      worker = null;
      fail(new TooBusy('The plan took too long to work out.'));
    }, GIVE_UP_MS);
    waiting.set(id, {
      done: (a) => {
        clearTimeout(timer);
        done(a);
      },
      fail: (e) => {
        clearTimeout(timer);
        fail(e);
      }
    });
    worker!.postMessage({ id, plan });
  });
}

let queued = 0;

/** Works a plan out on another thread. @throws TooBusy when it takes too long, or too many wait */
export async function scaleApart(plan: Plan): Promise<Answer> {
  if (queued >= MOST_WAITING)
    throw new TooBusy('Too many plans are being worked out. Try again in a moment.');
  queued += 1;
  const mine = queue.then(() => once(plan));
  queue = mine.catch(() => undefined);
  try {
    return await mine;
  } finally {
    queued -= 1;
  }
}
