import { performance } from 'node:perf_hooks';
import { beliefOf } from '../src/lib/core/belief/believe';
import { checkBottling } from '../src/lib/core/finish/judge';
import { RATING_BAR, trueWine } from '../src/lib/core/finish/true-wines.fixture';
import { foldBatch } from '../src/lib/core/ledger/run';

/** Two thousand bottlings of wines that a second model made, and ten thousand more of other seeds. */
for (const [from, to] of [
  [1, 2000],
  [2001, 12_000]
] as const) {
  const began = performance.now();
  let [jars, bombs, passed, finished, stopped] = [0, 0, 0, 0, 0];
  for (let seed = from; seed <= to; seed++) {
    const wine = trueWine(seed);
    const s = foldBatch(wine.events, wine.at)!;
    for (const jar of wine.jars) {
      jars += 1;
      const isStopped =
        checkBottling(s, jar.bottle, jar.primingGL, jar.isClear, jar.vesselId, beliefOf(s))!.verdict.level ===
        'stop';
      if (jar.bar20 > RATING_BAR[jar.bottle] + 1.5) {
        bombs += 1;
        if (!isStopped) passed += 1;
      }
      if (jar.isFinishedAndRead && jar.bottle === 'still') {
        finished += 1;
        if (isStopped) stopped += 1;
      }
    }
  }
  console.log(
    `bottlings of seeds ${from} to ${to}: ${jars} jars, ${bombs} over their rating by a bar and a half, ${passed} of them let through; ${stopped} of ${finished} finished and twice read stopped (${((performance.now() - began) / 1000).toFixed(0)} s)`
  );
}
