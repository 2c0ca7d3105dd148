import { foldBatch } from '../src/lib/core/ledger/fold';
import type { LedgerEvent } from '../src/lib/core/ledger/events';
import { estimateMust } from '../src/lib/core/must/balance';
import type { Plan } from '../src/lib/core/must/plan';
import { solvePlan } from '../src/lib/core/scale/solve';
import { PRODUCE } from '../src/lib/core/produce/table';

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
