import { expect, it } from 'vitest';
import { courseOf } from '../belief/course';
import { standingOf } from '../belief/standing';
import { trueWine } from '../finish/true-wines.fixture';
import { stillGives } from '../ledger/state';
import { batchAt } from '../ledger/run';
import { tries } from '../../tries.fixture';
import { standsOf, type Stands } from './stands';
import { summaryOf } from './sum-up';

const DAY = 864e5;
const AFTER = [0, 0.4, 3.3, 9, 17, 33, 61, 100, 150, 400];

/** To six digits: sums of the same figures in another order differ beyond. */
const rounded = (x: unknown): unknown =>
  JSON.parse(JSON.stringify(x, (_, v: unknown) => (typeof v === 'number' ? Number(v.toPrecision(6)) : v)));

/** All that a person is told of a wine, to the digits that are shown. */
const told = ({ standing: s, due, troubles, says, dangers }: Stands) => ({
  stage: s.stage,
  day: s.day,
  abv: [s.abv.low, s.abv.likely, s.abv.high].map((x) => x.toFixed(1)),
  sugarGL: s.residualGL.toFixed(1),
  sweetness: s.sweetness,
  says: rounded(says),
  due: due.map((d) => [d.step.id, d.status, Math.round(d.dueAt / 60_000)]),
  troubles: troubles.map((t) => t.id),
  dangers: dangers.map((d) => d.bottlingId)
});

const ALIKE =
  'a wine that nobody speaks of is told alike by its page and by the lists, however long they wait';

it(ALIKE, { timeout: 300_000 }, () => {
  for (let seed = 1; seed <= tries(20, 400); seed++) {
    const { events } = trueWine(seed);
    const cut = 3 + ((seed * 7) % (events.length - 3));
    for (const some of [events, events.slice(0, cut)]) {
      const last = Math.max(...some.map((e) => Date.parse(e.at)));
      let row = summaryOf(some, some[0]!.batchId, last)!;
      for (const days of AFTER) {
        const at = last + days * DAY;
        // Lists sum up what still stands on fruit every ten minutes.
        if (stillGives(row.state)) row = summaryOf(some, row.id, at)!;
        const s = batchAt(some, at)!;
        const page = standsOf(s, standingOf(s), courseOf(s));
        const list = standsOf({ ...row.state, at }, row.standing, row.course);
        const which = `wine ${seed}, ${some.length} of ${events.length} events, ${days} days on`;
        expect(told(list), which).toEqual(told(page));
        expect(list.standing.volumeL, which).toBeCloseTo(page.standing.volumeL, 2);
      }
    }
  }
});
