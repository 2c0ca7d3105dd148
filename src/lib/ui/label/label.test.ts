import { expect, it } from 'vitest';
import { designSchema, FIRST_DESIGN, type Design } from '$core/ledger/events/label';
import type { BatchState } from '$core/ledger/state';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import { beginning, choicesOf, designOf, LABEL, lostText } from './label';

const LAST: Design = {
  layout: 'night',
  ink: 'sloe',
  art: 'none',
  name: 'Grandmother’s best',
  strength: '13 % vol',
  note: '',
  hasCode: false
};

it('begins as the last labels looked, and is told by the wine again where a field is emptied', () => {
  expect(designOf(beginning(LAST), {})).toEqual(LAST);
  expect(designOf({ ...beginning(LAST), name: '', strength: '' }, {})).not.toHaveProperty('strength');
  expect(designOf(beginning(null), {})).toEqual(FIRST_DESIGN);
  // A new wine’s labels look as the household’s did last; what nobody knows any more is left.
  expect(designOf(LABEL, { layout: 'slip', ink: 'straw' })).toMatchObject({ layout: 'slip', ink: 'straw' });
  expect(designOf(LABEL, { layout: 'of old', ink: 'gone' })).toEqual(FIRST_DESIGN);
  expect(designSchema.safeParse(designOf(beginning(LAST), {})).success).toBe(true);
});

it('with the note, without it, or with one of its own', () => {
  expect(designOf({ ...LABEL, noNote: 'yes', note: 'kept' }, {}).note).toBe('');
  expect(designOf({ ...LABEL, noNote: 'no', note: ' Keep it ' }, {}).note).toBe('Keep it');
  expect(designOf({ ...beginning(LAST), noNote: 'no' }, {})).not.toHaveProperty('note');
});

it('offers each size of each filling, the latest first, then what still stands', () => {
  const filling = (
    eventId: string,
    day: number,
    bottles: { count: number; sizeL: number }[],
    left: number
  ) => ({
    eventId,
    at: Date.UTC(2026, 5, day),
    bottles,
    left
  });
  const s = {
    zone: 'UTC',
    bottled: [
      filling('a', 1, [{ count: 6, sizeL: 0.75 }], 4),
      filling(
        'b',
        9,
        [
          { count: 3, sizeL: 0.75 },
          { count: 5, sizeL: 0.33 }
        ],
        8
      )
    ],
    fills: []
  } as unknown as BatchState;
  const all = choicesOf(s, DEFAULT_SETTINGS, (id) => id);
  expect(all.map((c) => [c.id, c.count])).toEqual([
    ['b 0.75', 3],
    ['b 0.33', 5],
    // Two of them were opened.
    ['a 0.75', 4]
  ]);
  expect(all[0]!.text).toBe('3 × 750 mL, bottled 9 Jun');
});

it('says once what did not go on', () => {
  expect(lostText(['code', 'note', 'next 1', 'next 2'])).toBe('the code, the note, some of what comes next');
});
