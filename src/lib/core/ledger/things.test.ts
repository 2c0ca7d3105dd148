import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { HarvestLot } from '../plan/harvest';
import type { Vessel } from '../vessels/vessels';
import { changesTo, entrySchema, mergeEntries, thingsOf, type Entry, type EntryDraft } from './things';

const BUCKET: Vessel = { id: 'bucket', name: 'blue bucket', shape: 'bucket', capacityL: 27.5 };
const LOT: HarvestLot = {
  id: '01980000-0000-7000-8000-0000000000bb',
  produceId: 'quince',
  massKg: 5,
  form: 'fresh',
  at: '2026-09-01T10:00:00.000Z',
  fates: []
};
let n = 0;
const written = (drafts: readonly EntryDraft[], day: number, device = 'phone'): Entry[] =>
  drafts.map((d) => ({
    ...d,
    id: `e${++n}`,
    at: new Date(Date.UTC(2026, 8, day)).toISOString(),
    device
  })) as Entry[];

describe('what a household has, as a log', () => {
  it('holds what was kept, as it was put right since', () => {
    const bought = written(changesTo('vessels', null, BUCKET), 1);
    const marked = { ...BUCKET, marks: [{ heightCm: 20, volumeL: 15 }] };
    const log = [...bought, ...written(changesTo('vessels', BUCKET, marked), 2)];
    expect(log[1]).toMatchObject({ what: 'changed', fields: { marks: marked.marks } });
    expect(thingsOf(log).vessels).toEqual([marked]);
    const plain = [...log, ...written(changesTo('vessels', marked, BUCKET), 3)];
    expect(thingsOf(plain).vessels).toEqual([BUCKET]);
    expect(changesTo('vessels', BUCKET, { ...BUCKET })).toEqual([]);
  });

  it('two devices that put different things right of one vessel are both heard', () => {
    const bought = written(changesTo('vessels', null, BUCKET), 1);
    const onPhone = written(changesTo('vessels', BUCKET, { ...BUCKET, name: 'old bucket' }), 2);
    const onTablet = written(
      changesTo('vessels', BUCKET, { ...BUCKET, marks: [{ heightCm: 20, volumeL: 15 }] }),
      3,
      'tablet'
    );
    const one = mergeEntries([...bought, ...onPhone], [...bought, ...onTablet]);
    expect(thingsOf(one).vessels).toEqual([
      { ...BUCKET, name: 'old bucket', marks: [{ heightCm: 20, volumeL: 15 }] }
    ]);
  });

  it('what became of parts of a lot adds up from both', () => {
    const weighed = written(changesTo('harvest', null, LOT), 1);
    const fate = (day: number, massKg: number) => ({
      ...LOT,
      fates: [{ at: new Date(Date.UTC(2026, 8, day)).toISOString(), what: 'eaten' as const, massKg }]
    });
    const one = mergeEntries(
      [...weighed, ...written(changesTo('harvest', LOT, fate(2, 1)), 2)],
      [...weighed, ...written(changesTo('harvest', LOT, fate(3, 0.5)), 3, 'tablet')]
    );
    expect(thingsOf(one).harvest[0]!.fates.map((f) => f.massKg)).toEqual([1, 0.5]);
  });

  it('what is gone is gone, comes back when that is taken back, and when it is kept again', () => {
    const bought = written(changesTo('vessels', null, BUCKET), 1);
    const [gone] = written([{ kind: 'vessels', of: 'bucket', what: 'gone' }], 2);
    const log = [...bought, gone!];
    expect(thingsOf(log).vessels).toEqual([]);
    const back = written([{ kind: 'vessels', of: 'bucket', what: 'void', entryId: gone!.id }], 3);
    expect(thingsOf([...log, ...back]).vessels).toEqual([BUCKET]);
    expect(thingsOf([...log, ...written(changesTo('vessels', null, BUCKET), 4)]).vessels).toEqual([BUCKET]);
  });

  it('a change that would leave it unsound is passed over, and an unsound thing is refused', () => {
    const log = [
      ...written(changesTo('vessels', null, BUCKET), 1),
      ...written([{ kind: 'vessels', of: 'bucket', what: 'changed', fields: { capacityL: -3 } }], 2)
    ];
    expect(thingsOf(log).vessels).toEqual([BUCKET]);
    const bad = { ...log[0]!, thing: { ...BUCKET, capacityL: -3 } };
    expect(entrySchema.safeParse(bad).error?.issues[0]?.path).toEqual(['thing', 'capacityL']);
    expect(entrySchema.safeParse(log[0]).success).toBe(true);
  });

  it('is the same in whatever order it is read, and merging twice adds nothing', () => {
    const draft: fc.Arbitrary<EntryDraft> = fc.oneof(
      fc.record({ name: fc.constantFrom('a', 'b'), capacityL: fc.constantFrom(5, 10) }).map((x) => ({
        kind: 'vessels' as const,
        of: 'bucket',
        what: 'kept' as const,
        thing: { ...BUCKET, ...x }
      })),
      fc.constantFrom('a', 'b', 'c').map((name) => ({
        kind: 'vessels' as const,
        of: 'bucket',
        what: 'changed' as const,
        fields: { name }
      })),
      fc.constant({ kind: 'vessels' as const, of: 'bucket', what: 'gone' as const })
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(draft, fc.integer({ min: 1, max: 28 })), { maxLength: 12 }), (list) => {
        const log = list.flatMap(([d, day]) => written([d], day));
        const there = thingsOf(log);
        expect(thingsOf(log.toReversed())).toEqual(there);
        expect(thingsOf(mergeEntries(log.slice(4), log))).toEqual(there);
        expect(mergeEntries(log, log)).toHaveLength(log.length);
      })
    );
  });
});
