import { wrap, type Remote } from 'comlink';
import type { Forecast, Foreseen, WhatIf } from '$core/belief/forecast';
import type { Plan } from '$core/plan/plan';
import type { ForecastApi } from './forecast.worker';

/** Members of the first answer, which comes at once, and of the better ones after it. */
const SIZES = [300, 1200] as const;
/** The better one waits so long, ms: while somebody writes or slides, only the quick one is made. */
const QUIET_MS = 800;

let worker: Remote<ForecastApi> | null = null;

function thread(): Remote<ForecastApi> {
  worker ??= wrap<ForecastApi>(
    new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module', name: 'forecast' })
  );
  return worker;
}

export type Asked = { batch: Foreseen } | { plan: Plan; at: number };

/** What was asked before is waited for; what nobody waits for any more is then left out. */
let before: Promise<unknown> = Promise.resolve();

/**
 * A forecast that comes at once, and then better.
 * @param onAnswer called with each, and with how much of the work is done, 0 to 1; null where there is nothing to foresee
 * @param isQuick whether the first answer is enough
 * @returns stops it: nothing more is told, and what is not begun is not worked out
 */
export function foresee(
  asked: Asked,
  days: number,
  what: WhatIf,
  onAnswer: (f: Forecast | null, share: number) => void,
  isQuick = false
): () => void {
  let stopped = false;
  const once = (size: number): Promise<Forecast | null | undefined> => {
    const answer = before.then(() => {
      if (stopped) return undefined;
      return 'batch' in asked
        ? thread().ofBatch(asked.batch, days, what, size)
        : thread().ofPlan(asked.plan, asked.at, days, what, size);
    });
    before = answer.catch(() => undefined);
    return answer;
  };
  void (async () => {
    const sizes = isQuick ? SIZES.slice(0, 1) : SIZES;
    for (const [i, size] of sizes.entries()) {
      if (i > 0) await new Promise((done) => setTimeout(done, QUIET_MS));
      const answer = await once(size);
      if (answer === undefined || stopped) return;
      onAnswer(answer, (i + 1) / sizes.length);
    }
  })().catch(console.error);
  return () => {
    stopped = true;
  };
}
