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

type Asked = { batch: Foreseen } | { plan: Plan; at: number };

/**
 * A forecast that comes at once, and then better.
 * @param onAnswer called with each, and with how much of the work is done, 0 to 1; null where there is nothing to foresee
 * @returns stops it: nothing more is told
 */
export function foresee(
  asked: Asked,
  days: number,
  what: WhatIf,
  onAnswer: (f: Forecast | null, share: number) => void
): () => void {
  let stopped = false;
  void (async () => {
    for (const [i, size] of SIZES.entries()) {
      if (i > 0) await new Promise((done) => setTimeout(done, QUIET_MS));
      if (stopped) return;
      const answer =
        'batch' in asked
          ? await thread().ofBatch(asked.batch, days, what, size)
          : await thread().ofPlan(asked.plan, asked.at, days, what, size);
      if (!stopped) onAnswer(answer, (i + 1) / SIZES.length);
    }
  })().catch(console.error);
  return () => {
    stopped = true;
  };
}
