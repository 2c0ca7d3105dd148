import { describe, expect, it } from 'vitest';
import type { Flow } from '$core/ledger/flow';
import type { Reading } from '$core/ledger/state';
import { linesOf } from './lines';

const read = (at: number, sg: number, vesselId: string | null): Reading => ({
  eventId: `${at}`,
  at,
  vesselId,
  sg,
  tempC: null,
  expectedSg: null
});
const move = (at: number, from: string, to: string[], keep = 0): Flow => ({
  at,
  kind: 'move',
  from,
  to: to.map((vesselId) => ({ vesselId, share: 1 / to.length })),
  keep
});
const shown = (readings: Reading[], flows: Flow[]) =>
  linesOf({ readings, flows }).map((line) => line.map((p) => p.y));

describe('readings as lines', () => {
  it('a wine that is racked from vessel to vessel is one line', () => {
    expect(
      shown(
        [read(1, 1.09, 'bowl'), read(5, 1.02, 'bowl'), read(9, 1, 'jar'), read(12, 0.994, 'glass')],
        [move(6, 'bowl', ['jar']), move(10, 'jar', ['glass'])]
      )
    ).toEqual([[1.09, 1.02, 1, 0.994]]);
  });

  it('jars of one wine each go on from where they were parted, and none from its twin', () => {
    expect(
      shown(
        [
          read(1, 1.09, 'bowl'),
          read(9, 0.996, 'a'),
          read(9.1, 1.01, 'b'),
          read(12, 0.992, 'a'),
          read(12, 1.008, 'b')
        ],
        [move(6, 'bowl', ['a', 'b'])]
      )
    ).toEqual([
      [1.09, 0.996, 0.992],
      [1.09, 1.01, 1.008]
    ]);
  });

  it('a part that is taken off begins where the rest stood, and joined again the rest goes on', () => {
    expect(
      shown(
        [read(1, 1.09, 'bowl'), read(3, 1.05, 'bowl'), read(5, 1.04, 'jug'), read(9, 1.01, 'bowl')],
        [move(2, 'bowl', ['jug'], 0.8), move(8, 'jug', ['bowl'])]
      )
    ).toEqual([
      [1.09, 1.05, 1.01],
      [1.09, 1.04]
    ]);
    expect(
      shown(
        [read(1, 1.09, 'bowl'), read(3, 1.05, 'bowl'), read(5, 1.04, 'jug')],
        [move(2, 'bowl', ['jug'], 0.8)]
      )
    ).toEqual([
      [1.09, 1.05],
      [1.09, 1.04]
    ]);
  });

  it('what was read of no named vessel was read of all that stand', () => {
    expect(shown([read(1, 1.09, null), read(9, 1.0, null)], [move(6, 'bowl', ['a', 'b'])])).toEqual([
      [1.09, 1.0]
    ]);
    expect(shown([], [])).toEqual([]);
  });
});
