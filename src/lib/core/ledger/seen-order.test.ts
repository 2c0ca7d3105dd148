import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tries } from '../../tries.fixture';
import { mulberry32 } from '../maths/draw';
import { inSeenOrder, lastSeen } from './seen-order';
import { entrySchema, thingsOf, type Entry, type EntryDraft } from './things';

const DAY = 86_400_000;
const T0 = Date.parse('2026-09-01T10:00:00Z');
const VESSEL = { id: 'v', name: 'jar', shape: 'jar', capacityL: 5 };
const LOT = '01980000-0000-7000-8000-0000000000bb';

/** Things of three kinds, each as it is kept, and two changes of it; `n` tells one deed from another. */
const KINDS_TRIED = {
  vessels: {
    ids: ['v', 'w'],
    kept: (id: string, n: number) => ({ ...VESSEL, id, name: `jar ${n}` }),
    changes: (n: number) => [{ name: `n${n}` }, { capacityL: 1 + (n % 20) }]
  },
  racks: {
    ids: ['r'],
    kept: (id: string, n: number) => ({ id, name: `rack ${n}`, rows: 3, cols: 4 }),
    changes: (n: number) => [{ name: `n${n}` }, { rows: 1 + (n % 20) }]
  },
  harvest: {
    ids: [LOT],
    kept: (id: string, n: number) => ({
      id,
      produceId: 'plum',
      massKg: 1 + (n % 7),
      form: 'fresh',
      at: new Date(T0).toISOString(),
      fates: []
    }),
    changes: (n: number) => [{ form: n % 2 ? 'frozen' : 'fresh' }, { massKg: 1 + (n % 9) }]
  }
} as const;
type Tried = keyof typeof KINDS_TRIED;
const THINGS_TRIED = (Object.keys(KINDS_TRIED) as Tried[]).flatMap((kind) =>
  KINDS_TRIED[kind].ids.map((of) => ({ kind, of }))
);

/** A device with its own clock and its own log, which may have been brought to another. */
function device(name: string, offMs: number) {
  let n = 0;
  const log: Entry[] = [];
  return {
    log,
    write(now: number, draft: Partial<EntryDraft> & { of: string }): Entry {
      const mine = log.filter((e) => e.of === draft.of);
      const after = lastSeen(mine);
      const entry = {
        kind: 'vessels',
        ...draft,
        id: `${name}${++n}`,
        at: new Date(now + offMs).toISOString(),
        device: name,
        ...(after.length > 0 ? { after } : {})
      } as Entry;
      log.push(entrySchema.parse(entry));
      return entry;
    },
    bring(from: readonly Entry[]) {
      const known = new Set(log.map((e) => e.id));
      log.push(...from.filter((e) => !known.has(e.id)));
    }
  };
}

const shuffled = <T>(list: readonly T[], random: () => number): T[] =>
  list
    .map((x) => [random(), x] as const)
    .sort(([a], [b]) => a - b)
    .map(([, x]) => x);

const DEEDS = ['one', 'other', 'fate', 'gone', 'kept', 'bring'] as const;

describe('the order of what was seen', () => {
  it('what is done now counts, whatever an earlier clock said', () => {
    const phone = device('p', 0);
    const ahead = device('a', 365 * DAY);
    ahead.write(T0, { of: 'v', what: 'kept', thing: VESSEL });
    ahead.write(T0 + DAY, { of: 'v', what: 'changed', fields: { name: 'blue jar' } });
    phone.bring(ahead.log);
    expect(thingsOf(phone.log).vessels).toMatchObject([{ name: 'blue jar' }]);
    phone.write(T0 + 2 * DAY, { of: 'v', what: 'gone' });
    expect(thingsOf(phone.log).vessels).toEqual([]);
    ahead.bring(phone.log);
    expect(thingsOf(ahead.log).vessels).toEqual([]);
  });

  it('an older log that says nothing of what was seen comes before what is written now', () => {
    const phone = device('p', 0);
    phone.bring([
      {
        ...VESSEL,
        id: 'old1',
        kind: 'vessels',
        of: 'v',
        at: new Date(T0 + 300 * DAY).toISOString(),
        device: 'x',
        what: 'kept',
        thing: VESSEL
      } as unknown as Entry
    ]);
    phone.write(T0, { of: 'v', what: 'changed', fields: { name: 'now' } });
    expect(thingsOf(phone.log).vessels).toMatchObject([{ name: 'now' }]);
  });

  it('unseen of each other, the later counts; a clock that is known to have run ahead does not', () => {
    const [right, ahead] = [device('r', 0), device('a', 200 * DAY)];
    right.write(T0, { of: 'v', what: 'kept', thing: VESSEL });
    ahead.bring(right.log);
    ahead.write(T0 + DAY, { of: 'v', what: 'changed', fields: { name: 'ahead' } });
    const third = device('t', 0);
    third.bring(right.log);
    third.write(T0 + 3 * DAY, { of: 'v', what: 'changed', fields: { name: 'third' } });
    // The right one sees what the clock ahead wrote, and writes: that clock is no later than this.
    right.bring(ahead.log);
    right.write(T0 + 2 * DAY, { of: 'v', what: 'changed', fields: { capacityL: 6 } });
    right.bring(third.log);
    expect(thingsOf(right.log).vessels).toMatchObject([{ name: 'third', capacityL: 6 }]);
  });

  it('of pairs of devices with wrong clocks: equal in whatever order, and the newest deed of who saw all shows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -30, max: 400 }),
        fc.integer({ min: -30, max: 400 }),
        fc.array(fc.tuple(fc.boolean(), fc.constantFrom(...DEEDS), fc.constantFrom(...THINGS_TRIED)), {
          minLength: 3,
          maxLength: 25
        }),
        fc.nat(),
        (offA, offB, deeds, seed) => {
          const random = mulberry32(seed);
          const two = [device('a', offA * DAY), device('b', offB * DAY)] as const;
          let [now, n] = [T0, 0];
          for (const [isFirst, what, { kind, of }] of deeds) {
            const [me, other] = isFirst ? two : [two[1], two[0]];
            now += DAY / 3;
            n += 1;
            const { kept, changes } = KINDS_TRIED[kind];
            if (what === 'bring') me.bring(shuffled(other.log, random));
            else if (what === 'gone') me.write(now, { kind, of, what });
            else if (what === 'kept') me.write(now, { kind, of, what, thing: kept(of, n) });
            else if (what === 'fate') {
              if (kind !== 'harvest') continue;
              const fate = { at: new Date(now).toISOString(), what: 'eaten' as const, massKg: 0.1 };
              me.write(now, { kind, of, what, fate });
            } else me.write(now, { kind, of, what: 'changed', fields: changes(n)[what === 'one' ? 0 : 1]! });
          }
          const [a, b] = two;
          a.bring(b.log);
          b.bring(shuffled(a.log, random));
          expect(thingsOf(b.log)).toEqual(thingsOf(a.log));
          b.write(now, { of: 'v', what: 'kept', thing: { ...VESSEL, name: 'newest' } });
          a.bring(b.log);
          expect(thingsOf(shuffled(a.log, random)).vessels.find((v) => v.id === 'v')?.name).toBe('newest');
          a.write(now, { of: 'v', what: 'gone' });
          expect(thingsOf(a.log).vessels.map((v) => v.id)).not.toContain('v');
        }
      ),
      { numRuns: tries(200, 2000) }
    );
  });

  it('a forged log that goes in a circle, or names what is not there, is read all the same, and soon', () => {
    const at = new Date(T0).toISOString();
    const circle = ['a', 'b', 'c'].map((id, i, all) => ({
      id,
      at,
      after: [all[(i + 1) % 3]!, id, 'nobody']
    }));
    expect(inSeenOrder(circle).map((e) => e.id)).toEqual(['a', 'b', 'c']);
    // Each after the next one, and all of them at odds with their clocks.
    const many = Array.from({ length: 20_000 }, (_, i) => ({
      id: `e${i}`,
      at: new Date(T0 + i).toISOString(),
      after: i < 19_999 ? [`e${i + 1}`] : []
    }));
    const began = performance.now();
    expect(inSeenOrder(many)[0]!.id).toBe('e19999');
    expect(performance.now() - began).toBeLessThan(5000);
  });

  it('an entry that would turn a thing into another, or of a year that no clock says, is refused', () => {
    const head = { id: 'e', kind: 'vessels', of: 'v', at: new Date(T0).toISOString(), device: 'd' };
    const reason = (e: object) => entrySchema.safeParse(e).error?.issues[0]?.path.join('.');
    expect(reason({ ...head, what: 'changed', fields: { id: 'w' } })).toBe('fields.id');
    expect(reason({ ...head, what: 'kept', thing: { ...VESSEL, id: 'w' } })).toBe('thing.id');
    expect(reason({ ...head, at: '9999-01-01T00:00:00.000Z', what: 'gone' })).toBe('at');
    expect(reason({ ...head, what: 'gone' })).toBeUndefined();
  });
});
