import { expect, it } from 'vitest';
import { trueWine } from '../finish/true-wines.fixture';
import { foldBatch } from '../ledger/run';
import { beliefOf } from './believe';
import { courseOf } from './course';
import { reckoning } from './in-parts';

/** A wine by another id each time, so that nothing of it is kept. */
const wine = (id: string, last?: number) => {
  const { events, at } = trueWine(11);
  return foldBatch(
    events.slice(0, last).map((e) => ({ ...e, batchId: id })),
    at
  )!;
};
// The id alone seeds the draws: the same wine is asked in turn.
const ID = '01890000-0000-7000-8000-0000000000aa';

it('in parts comes to what at once does, also where something was asked in between', () => {
  const work = reckoning(wine(ID));
  for (let i = 0; i < 6; i++) work.next();
  // Asked while it is on its way: begun anew, and nothing of the one is in the other.
  const between = [beliefOf(wine(ID)), courseOf(wine(ID))];
  let parts = 6;
  while (!work.next().done) parts += 1;
  expect(parts).toBeGreaterThan(12);
  expect([beliefOf(wine(ID)), courseOf(wine(ID))]).toEqual(between);
  // A log that is shorter again, as when its last is taken back, and then whole.
  const shorter = beliefOf(wine(ID, -2));
  expect(shorter).not.toEqual(between[0]);
  for (const part of reckoning(wine(ID, -2))) expect(part).toBeUndefined();
  expect(beliefOf(wine(ID, -2))).toEqual(shorter);
  expect(beliefOf(wine(ID))).toEqual(between[0]);
});
