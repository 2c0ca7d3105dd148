import './belief';
import './safety';
import './figure';
import { foldBatch } from '../src/lib/core/ledger/run';
import type { LedgerEvent } from '../src/lib/core/ledger/log';
import { estimateMust } from '../src/lib/core/must/balance';
import { amountOf, type Plan } from '../src/lib/core/plan/plan';
import { randomProblem } from '../src/lib/core/solve/problems.fixture';
import { solvePlan } from '../src/lib/core/solve/solve';
import { swapsFor } from '../src/lib/core/solve/swaps';
import { PRODUCE } from '../src/lib/core/tables/table';

/** Milliseconds a call, median and 95th percentile of many, after warming up. */
function time(name: string, budgetMs: number, call: () => unknown, runs = 300): void {
  for (let i = 0; i < 20; i++) call();
  const ms = Array.from({ length: runs }, () => {
    const t = performance.now();
    call();
    return performance.now() - t;
  }).sort((a, b) => a - b);
  const [median, p95] = [ms[Math.floor(runs / 2)]!, ms[Math.floor(runs * 0.95)]!];
  console.log(
    `${name}: median ${median.toFixed(2)} ms, 95th percentile ${p95.toFixed(2)} ms, budget ${budgetMs} ms`
  );
}

const twelve: Plan = {
  ingredients: [
    ...PRODUCE.slice(0, 9).map((p) => ({ kind: 'produce' as const, produceId: p.id, massKg: 0.5 })),
    { kind: 'honey', massKg: 0.4 },
    { kind: 'sugar', sugarId: 'white', massKg: 1.8, held: false },
    { kind: 'water', volumeL: 8, held: false }
  ],
  target: { abv: 12, volumeL: 12 }
};

time('estimate with ranges, 12 ingredients', 2, () => estimateMust(twelve));

time('solver, 12 ingredients', 10, () => solvePlan(twelve));

{
  // Ten thousand problems of every kind, many of which cannot be met: no throw, no hang, every amount a number.
  const ms: number[] = [];
  let clashes = 0;
  let most = 0;
  for (let seed = 1; seed <= 10_000; seed++) {
    const problem = randomProblem(seed);
    const t = performance.now();
    const { plan, gaveWay } = solvePlan(problem);
    ms.push(performance.now() - t);
    if (plan.ingredients.some((i) => !Number.isFinite(amountOf(i)) || amountOf(i) < 0))
      throw new Error(`problem ${seed} has no amounts`);
    if (gaveWay.length > 0) {
      clashes++;
      if (seed % 20 === 0) {
        const t1 = performance.now();
        swapsFor(problem, gaveWay);
        most = Math.max(most, performance.now() - t1);
      }
    }
  }
  ms.sort((a, b) => a - b);
  console.log(
    `solver, 10,000 random problems (${clashes} with a clash): median ${ms[5000]!.toFixed(2)} ms, 99th percentile ${ms[9900]!.toFixed(2)} ms, longest ${ms.at(-1)!.toFixed(1)} ms, budget 10 ms; longest search for ways out ${most.toFixed(0)} ms`
  );
}

{
  const batchId = '01890000-0000-7000-8000-000000000001';
  const at = (i: number) => new Date(1.7e12 + i * 60_000).toISOString();
  const event = (i: number, type: string, data: unknown) =>
    ({
      id: `01890000-0000-7000-8000-${String(i).padStart(12, '0')}`,
      batchId,
      v: 1,
      at: at(i),
      zone: 'UTC',
      recordedAt: at(i),
      device: 'bench',
      type,
      data
    }) as LedgerEvent;
  const events = [
    event(0, 'planned', { name: 'Bench', plan: twelve, vesselId: 'b' }),
    event(1, 'addition', { ingredients: twelve.ingredients }),
    event(2, 'pitch', { yeast: { yeastId: 'wine' } }),
    ...Array.from({ length: 9997 }, (_, i) =>
      i % 10 === 0 ? event(i + 3, 'reading', { sg: 1.08 - i * 8e-6 }) : event(i + 3, 'stir', {})
    )
  ];
  time('fold of 10,000 events', 20, () => foldBatch(events, 1.8e12), 30);
}
