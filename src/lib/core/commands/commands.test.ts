import { describe, expect, it } from 'vitest';
import { EVENTS } from '../ledger/events/all';
import { draft } from './deed';
import { instrumentRead } from './instrument';
import { taste } from './observe';

const ID = '01890000-0000-7000-8000-000000000001';

describe('a tasting', () => {
  const text = (...args: Parameters<typeof taste>) => (taste(...args)[0]!.data as { text: string }).text;

  it('is its words; what was tapped alone stands for them; nothing at all is refused', () => {
    expect(text(ID, ' clean ', 4)).toBe('clean');
    expect(text(ID, '', null, '', { words: ['bright', 'too-sharp'] })).toBe('bright, too sharp');
    expect(text(ID, '', 3)).toBe('3 of 5');
    expect(text(ID, '', null, '', { when: 'past' })).toBe('past its best');
    expect(text(ID, '', null, '', { wanted: { sweetGL: 4, taGL: 5 } })).toBe('a place on the field');
    expect(() => taste(ID, '  ', null)).toThrow('The tasting is empty');
  });

  it('is told once, whatever of it was tapped or written; a word of another version is kept as it is', () => {
    const said = (data: Parameters<typeof EVENTS.tasting.says>[0]['data']) =>
      EVENTS.tasting.says({ data } as never, { id: ID, readings: [], steeps: [] }).detail.join('');
    expect(said({ text: 'bright, hot', words: ['bright', 'hot'], liking: 2 })).toBe('bright, hot (2 of 5)');
    expect(said({ text: 'Needs a year', words: ['harsh'], when: 'young', nextTime: 'less pressing' })).toBe(
      'harsh. Needs a year Too young. Next time: less pressing'
    );
    expect(said({ text: 'of smoke', words: ['of-smoke'] })).toBe('of-smoke. of smoke');
  });
});

describe('what an instrument read', () => {
  const deed = (samples: Parameters<typeof instrumentRead>[1]) =>
    instrumentRead(ID, samples, 'float', 'jar', (at) => `id-${at}`);

  it('is a reading each, rounded to what it can tell, by its name, in its vessel', () => {
    expect(deed([{ at: 5, sg: 1.034_56, tempC: 20.04, ph: 3.404 }])).toEqual([
      draft(
        ID,
        'reading',
        { sg: 1.0346, tempC: 20, ph: 3.4, vesselId: 'jar', by: 'float' },
        { at: 5, id: 'id-5' }
      )
    ]);
  });

  it('is nothing where only its battery spoke, or a scale, or the cellar’s air', () => {
    expect(
      deed([
        { at: 1, battery: 0.5 },
        { at: 2, massKg: 3 },
        { at: 3, roomC: 12, humidity: 70 }
      ])
    ).toEqual([]);
  });
});
