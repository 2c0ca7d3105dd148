import { trueWine } from '../src/lib/core/finish/true-wines.fixture';
import { foldBatch } from '../src/lib/core/ledger/run';
for (const seed of process.argv.slice(2).map(Number)) {
  const wine = trueWine(seed); const t0 = Date.parse(wine.events[0]!.at);
  console.log('=== ', seed, 'at day', ((wine.at-t0)/864e5).toFixed(0), JSON.stringify(wine.jars));
  for (const e of wine.events) console.log(((Date.parse(e.at)-t0)/864e5).toFixed(1), e.type, JSON.stringify(e.data).slice(0,260));
  const s = foldBatch(wine.events, wine.at)!;
  for (const f of s.fills) console.log(JSON.stringify({v:f.vesselId, masked:f.maskedSg, late:f.lateKg, unshown:f.unshownKg, slack:f.slackSg, odd:f.odd, reads:f.reads.map(r=>((r.at-t0)/864e5).toFixed(0)+':'+r.sg)}), 'held', s.held.hexoseKg, s.doubts?.length);
}
