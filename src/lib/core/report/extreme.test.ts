import { describe, expect, it } from 'vitest';
import { dangersOf } from '../finish/danger';
import { checkBottling } from '../finish/judge';
import { schedule } from '../steps/schedule';
import { asMade } from '../ledger/as-made';
import { dependentsOf, questionsAbout } from '../ledger/check';
import { eventSchema } from '../ledger/log';
import { extremeHistory } from './extreme.fixture';
import { batchAt, historyOf } from '../ledger/run';
import { puzzleOf } from '../belief/puzzle';
import { reportOf } from './report';
import { standingOf, whyAbvDiffers } from '../belief/standing';
import { summaryOf } from './sum-up';
import { tries } from '../../tries.fixture';

const HISTORIES = tries(2, 5000);
const NOW = Date.parse('2026-08-01T00:00:00Z');

describe('histories at the ends of what can be written', () => {
  it(`${HISTORIES} of them: no view throws, and every figure is one`, { timeout: 900_000 }, () => {
    const wrong: string[] = [];
    for (let seed = 1; seed <= HISTORIES; seed++) {
      const events = extremeHistory(seed);
      const odd = events.find((e) => !eventSchema.safeParse(e).success);
      if (odd) wrong.push(`${seed} is no log: ${JSON.stringify(odd.data).slice(0, 80)}`);
      try {
        for (const at of [NOW - 200 * 864e5, NOW, NOW + 900 * 864e5]) {
          const s = batchAt(events, at);
          if (!s) continue;
          const now = standingOf(s);
          schedule(s);
          whyAbvDiffers(s, now);
          dangersOf(s, null);
          checkBottling(s, 'still', 0, true);
          reportOf(events, at, { type: 'crown', sizeL: 0.5, clear: false });
          for (const x of [now.volumeL, now.abv.likely, now.residualGL, s.cost, s.lostL])
            if (!Number.isFinite(x) || x < -1e-6) wrong.push(`${seed}: a figure of ${x}`);
          if (now.abv.likely > 100) wrong.push(`${seed}: ${now.abv.likely} %`);
        }
        historyOf(events, Infinity);
        summaryOf(events, events[0]!.batchId, NOW);
        const last = events.at(-1)!;
        questionsAbout(last.batchId, events.slice(0, -1), [last]);
        if (seed % 10 === 0) dependentsOf(events, [events[1]!.id]);
        puzzleOf(events, { sg: 1.02, tempC: null }, NOW, 20);
        const s = batchAt(events, NOW);
        if (s) asMade(events, s);
      } catch (e) {
        wrong.push(`${seed}: ${(e as Error).stack?.split('\n').slice(0, 3).join(' ')}`);
      }
    }
    expect(wrong.slice(0, 8)).toEqual([]);
  });
});
