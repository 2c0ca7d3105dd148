import { createRequire } from 'node:module';
import { performance } from 'node:perf_hooks';
import { beliefOf } from '../src/lib/core/belief/believe';
import { reckoning } from '../src/lib/core/belief/in-parts';
import { forecastOf, forecastPlan } from '../src/lib/core/belief/forecast';
import { goOn, rates } from '../src/lib/core/ferment/model';
import { trueWine } from '../src/lib/core/finish/true-wines.fixture';
import { foldBatch } from '../src/lib/core/ledger/run';
import type { Estimate } from '../src/lib/core/units/range';
import { usualBatch } from './usual';

/** The general solver, by what is used of it: its own sources are not written for our checks. */
const { Solver } = createRequire(import.meta.url)('odex') as {
  Solver: new (n: number) => {
    absoluteTolerance: number;
    relativeTolerance: number;
    solve: (f: (x: number, y: number[]) => number[], x0: number, y0: number[], x1: number) => { y: number[] };
  };
};

const DAY = 86_400_000;
const T0 = Date.parse('2026-05-01T10:00:00Z');
const middle = (list: number[]): number => list.sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

// A usual batch: sixty events, twenty of them readings.
{
  const events = usualBatch(T0);
  const s = foldBatch(events, T0 + 60 * DAY)!;
  const times = Array.from({ length: 60 }, (_, i) => {
    const t = performance.now();
    // Another id each time: nothing of it is known yet.
    beliefOf({ ...s, id: `${s.id}-${i}` });
    return performance.now() - t;
  });
  // As pages have it: in parts, with its course, between which the page draws.
  const parts: number[] = [];
  const whole = Array.from({ length: 20 }, (_, i) => {
    const t1 = performance.now();
    const work = reckoning({ ...s, id: `${s.id}+${i}` });
    for (let done = false, t2 = t1; !done; t2 = performance.now()) {
      done = work.next().done === true;
      if (i >= 5) parts.push(performance.now() - t2);
    }
    return performance.now() - t1;
  });
  parts.sort((a, b) => a - b);
  console.log(
    `with its course, in parts: ${middle(whole.slice(5)).toFixed(0)} ms, a part ${middle(parts).toFixed(1)} ms, of ${parts.length} parts the longest ${parts.at(-1)!.toFixed(1)} ms, a frame 50 ms`
  );
  const before = foldBatch(events.slice(0, -1), T0 + 60 * DAY)!;
  beliefOf(before);
  const t = performance.now();
  beliefOf(foldBatch(events, T0 + 60 * DAY)!);
  console.log(
    `belief of a usual batch (${events.length} events, 20 readings): median ${middle(times.slice(10)).toFixed(1)} ms, budget 15 ms; with today's reading alone new ${(performance.now() - t).toFixed(1)} ms`
  );
}

// A forecast, and the same model through a general solver at the same error.
{
  const plan = {
    ingredients: [
      { kind: 'produce' as const, produceId: 'plum', massKg: 4 },
      { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 2.4 },
      { kind: 'water' as const, volumeL: 8 }
    ],
    yeast: { yeastId: 'wine' as const }
  };
  forecastPlan(plan, T0, 60, {}, 300);
  const t = performance.now();
  forecastPlan(plan, T0, 60, {}, 4000);
  console.log(
    `forecast, 4,000 members over 60 days: ${(performance.now() - t).toFixed(0)} ms, budget 1000 ms`
  );
  const members = Array.from({ length: 400 }, (_, i) => ({
    wallGL: 100 + (i % 40),
    vigour: 0.5 + i / 400,
    nitrogenMgL: 80 + (i % 90)
  }));
  const begin = (m: (typeof members)[number]) => ({
    yeastGL: 0.15,
    nitrogenMgL: m.nitrogenMgL,
    sugarGL: 210,
    ethanolGL: 0
  });
  const ours = () =>
    members.map((m) => {
      const brew = begin(m);
      goOn(brew, { tempC: 20, coldC: 14, wallGL: m.wallGL, vigour: m.vigour }, 1440);
      return brew.sugarGL;
    });
  const look = new Float64Array(3);
  const theirs = (tolerance: number) =>
    members.map((m) => {
      const solver = new Solver(4);
      solver.absoluteTolerance = solver.relativeTolerance = tolerance;
      const b = begin(m);
      const run = (_: number, y: number[]) => {
        rates(y[0]!, Math.max(0, y[1]!), Math.max(0, y[2]!), y[3]!, m.wallGL, look);
        return [look[0]!, look[1]!, look[2]!, -0.46 * look[2]!].map((x) => x * m.vigour);
      };
      return solver.solve(run, 0, [b.yeastGL, b.nitrogenMgL, b.sugarGL, b.ethanolGL], 1440).y[2]!;
    });
  const exact = theirs(1e-9);
  const clock = (call: () => number[]) => {
    call();
    const t1 = performance.now();
    const got = call();
    const ms = performance.now() - t1;
    const worst = Math.max(...got.map((x, i) => Math.abs(Math.max(0, x) - Math.max(0, exact[i]!))));
    // A gram of sugar a litre is 0.00046 in gravity, fermented out.
    return { ms, worstSg: worst * 0.00046 };
  };
  const a = clock(ours);
  // The loosest tolerance that keeps the same error.
  const b = [1e-2, 1e-3, 1e-4, 1e-5, 1e-6]
    .map((tol) => clock(() => theirs(tol)))
    .find((x) => x.worstSg < 0.0005)!;
  console.log(
    `400 members over 60 days: ours ${a.ms.toFixed(1)} ms (off by ${a.worstSg.toFixed(5)} at most), through odex ${b.ms.toFixed(1)} ms (off by ${b.worstSg.toFixed(5)}); ${(b.ms / a.ms).toFixed(0)} times as fast, wanted 10`
  );
}

// How often the ranges hold, for wines that another model made.
{
  const WINES = 2000;
  const holds = (e: Estimate, x: number, by = 0) => Number(x >= e.low - by && x <= e.high + by);
  const rows = { mid: [0, 0, 0, 0, 0, 0], read: [0, 0, 0, 0, 0, 0], never: [0, 0, 0, 0, 0, 0] };
  const off = { mid: [] as number[], read: [] as number[], never: [] as number[] };
  let [readings, accused] = [0, 0];
  let [ends, within] = [0, 0];
  for (let seed = 1; seed <= WINES; seed++) {
    const { events, at, mid, jars } = trueWine(seed);
    const note = (
      kind: keyof typeof rows,
      is: { abv: Estimate; sugarGL: Estimate; volumeL: Estimate },
      x: Omit<typeof mid, 'doneInDays'>
    ) => {
      const row = rows[kind];
      row[0]! += 1;
      row[1]! += holds(is.abv, x.abv);
      row[2]! += holds(is.sugarGL, x.sugarGL, 0.5);
      row[3]! += holds(is.volumeL, x.volumeL);
      // Where all but nothing is left by all accounts there is no range that could miss one in five.
      if (is.sugarGL.high > 1) {
        row[4]! += 1;
        row[5]! += holds(is.sugarGL, x.sugarGL, 0.5);
      }
      off[kind].push(Math.abs(is.abv.likely - x.abv));
    };
    note('mid', beliefOf(foldBatch(events, mid.at)!)!.vessels.v0!, mid);
    // Left to itself from there: every fourth of them, for each is run on for a hundred days.
    if (seed % 4 === 0) {
      const ahead = forecastOf(foldBatch(events, mid.at)!, 100, {}, 300)!;
      if (mid.doneInDays !== null) {
        ends += 1;
        within += holds(ahead.dry.inDays, mid.doneInDays, 0.5);
      }
    }
    const belief = beliefOf(foldBatch(events, at)!)!;
    const kind = events.some((e) => e.type === 'reading') ? 'read' : 'never';
    for (const jar of jars) note(kind, belief.vessels[jar.vesselId]!, { ...jar, at });
    readings += belief.seen.length;
    accused += belief.seen.filter((x) => x.slip + x.notAsWritten > 0.5).length;
  }
  for (const [kind, [n, abv, sugar, volume, left, leftHeld]] of Object.entries(rows))
    console.log(
      `ranges (${kind}, ${n}): strength ${(abv! / n!).toFixed(2)}, sugar ${(sugar! / n!).toFixed(2)} (${(leftHeld! / left!).toFixed(2)} of the ${left} where more than a gram may be left), volume ${(volume! / n!).toFixed(2)}; strength off by ${middle(off[kind as keyof typeof off]).toFixed(2)} % vol in the median`
    );
  console.log(
    `the day it is done, told on day six: within its range ${(within / ends).toFixed(2)} of ${ends}`
  );
  console.log(
    `${accused} of ${readings} readings doubted; 4 % of them are slips, 1 % of the amounts plainly wrong`
  );
}
