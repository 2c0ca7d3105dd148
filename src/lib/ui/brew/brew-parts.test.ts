import { describe, expect, it } from 'vitest';
import { DAY, eventsFrom } from '$core/ledger/events.fixture';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import { hasMust } from '$core/ledger/state';
import { schedule } from '$core/steps/schedule';
import { fileName } from '../recipe/download';
import { isBrewing } from '$core/steps/brewing';
import { leftText } from '../words/spans';

const T0 = Date.parse('2026-05-01T10:00:00Z');
const on = eventsFrom(T0);
const water = { kind: 'water' as const, volumeL: 5 };
const sugar = { kind: 'sugar' as const, sugarId: 'white' as const, massKg: 1 };
const planned = () =>
  on(0, 'planned', { name: 'Plum', plan: { ingredients: [water, sugar] }, vesselId: 'b' });
const brewing = (events: LedgerEvent[], day = 2) => isBrewing(foldBatch(events, T0 + day * DAY)!);

describe('whether a brew day is under way', () => {
  it('from its beginning until the yeast is in or the bucket is marked', () => {
    const begun = [planned()];
    expect(brewing(begun)).toBe(true);
    const weighed = [...begun, on(0.01, 'addition', { ingredients: [water] })];
    expect(brewing(weighed)).toBe(true);
    // A bucket that was filled and forgotten has jobs of its own by and by.
    expect(brewing(weighed, 9)).toBe(false);
    expect(brewing([...weighed, on(1, 'pitch', { yeast: {} })])).toBe(false);
    expect(brewing([...weighed, on(1, 'step', { step: 'tag', outcome: 'done' })])).toBe(false);
  });

  it('never for a batch that was started whole', () => {
    expect(brewing([planned(), on(0, 'addition', { ingredients: [water, sugar] })])).toBe(false);
  });

  it('a first weighing that was taken back does not count', () => {
    const first = on(0, 'addition', { ingredients: [water] });
    expect(brewing([planned(), first, on(0.1, 'void', { eventId: first.id })])).toBe(true);
  });

  it('what is only begun has no must, and crushing is its first job', () => {
    const s = foldBatch([planned()], T0 + 1000)!;
    expect(hasMust(s)).toBe(false);
    expect(schedule(s)[0]!.step.id).toBe('crush');
    const full = foldBatch([planned(), on(0.01, 'addition', { ingredients: [water, sugar] })], T0 + DAY)!;
    expect(hasMust(full)).toBe(true);
    expect(schedule(full).map((d) => d.step.id)).not.toContain('crush');
  });
});

describe('small words', () => {
  it.each([
    [0, '0 s'],
    [40_000, '40 s'],
    [60_000, '1 min'],
    [90_000, '2 min'],
    [3_600_000, '1 h'],
    [24 * 3_600_000 - 50 * 60_000, '23 h 10 min'],
    [-5, '0 s']
  ])('what is left of %d ms is %s', (ms, text) => expect(leftText(ms)).toBe(text));

  it.each([
    ['Gooseberry & elder', 'gooseberry-elder'],
    ['Süße Quitte', 'susse-quitte'],
    ['…', 'recipe']
  ])('%s is saved as %s', (name, file) => expect(fileName(name)).toBe(file));
});
