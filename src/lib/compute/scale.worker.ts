import { parentPort } from 'node:worker_threads';
import type { Plan } from '$core/plan/plan';
import { scaleAnswer } from './scale-answer';

/** The solver on a thread of its own, so that the server goes on answering. */
parentPort?.on('message', ({ id, plan }: { id: number; plan: Plan }) => {
  try {
    parentPort!.postMessage({ id, answer: scaleAnswer(plan) });
  } catch (e) {
    parentPort!.postMessage({ id, error: e instanceof Error ? e.message : String(e) });
  }
});
