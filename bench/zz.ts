import { beliefOf } from '../src/lib/core/belief/believe';
import { checkBottling } from '../src/lib/core/finish/judge';
import { RATING_BAR, trueWine } from '../src/lib/core/finish/true-wines.fixture';
import { foldBatch } from '../src/lib/core/ledger/run';
const [from,to]=[Number(process.argv[2]),Number(process.argv[3])];
let [n,b,st]=[0,0,0];
for (let seed=from; seed<=to; seed++){
  const wine = trueWine(seed);
  const s = foldBatch(wine.events, wine.at)!;
  for (const jar of wine.jars) {
    const check = checkBottling(s, jar.bottle, jar.primingGL, jar.isClear, jar.vesselId, beliefOf(s))!;
    const isStopped = check.verdict.level==='stop';
    if (jar.bar20 > RATING_BAR[jar.bottle] + 1.5) { b++; if(!isStopped) console.log('BOMB', seed, jar.vesselId); }
    if (jar.isFinishedAndRead && jar.bottle==='still') { n++; if (isStopped) { st++;
      const f = s.fills.find(f=>f.vesselId===jar.vesselId)!;
      const bel = beliefOf(s)!.vessels[jar.vesselId];
      console.log(JSON.stringify({seed, jar: jar.vesselId, bar: check.verdict.bar20.toFixed(2), why: check.reachable.why.slice(0,160), reach: check.reachable.hexoseGL.toFixed(1), could: bel?.couldReachGL?.toFixed(1), yeast: s.pitches.map(p=>p.yeast.yeastId).join('+'), abv: bel?.abv?.likely?.toFixed?.(1), reads: s.readings.filter(r=>!r.vesselId||r.vesselId===jar.vesselId).map(r=>`${((r.at-s.readings[0]!.at)/864e5).toFixed(0)}:${r.sg.toFixed(4)}`).join(' '), clears: check.reachable.clearsAtSg})); } }
  }
}
console.log(JSON.stringify({from,to,bombs:b,finished:n,stopped:st}));
