import { describe, expect, it } from 'vitest';
import { EVENTS } from '$core/ledger/events/all';
import { eventsFrom } from '$core/ledger/events.fixture';
import { FIRST_DESIGN } from '$core/ledger/events/label';
import { defOf, eventSchema, type LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import { extremeHistory } from '$core/report/extreme.fixture';
import { stockAt } from '$core/liquid/stock';
import { DEFAULT_SETTINGS, SYSTEMS, type Settings } from '$core/units/settings';
import type { Batch } from '$lib/store/household.svelte';
import { eventWords } from './event-words';

const NOW = Date.parse('2026-08-01T00:00:00Z');
const on = eventsFrom(Date.parse('2026-05-01T10:00:00Z'));
const settings = (id: keyof typeof SYSTEMS): Settings => {
  const { mass, volume, temp } = SYSTEMS[id];
  return { ...DEFAULT_SETTINGS, system: id, mass, volume, temp };
};
/** Histories that hold an event of every kind, each as anything that can be written. */
const HISTORIES: LedgerEvent[][] = Array.from({ length: 40 }, (_, i) => extremeHistory(i + 1));
const SINGLE = [
  on(3, 'blend', {
    from: { batchId: '01890000-0000-7000-8000-00000000b000', vesselId: 'jar', name: 'Plum' },
    to: 'other',
    volumeL: 0.5,
    wine: { stock: stockAt(0.5, 1.01), fermentedKg: 0.1, powdersG: {}, cost: 0, allergens: [] }
  }),
  on(1, 'caution', { cautionId: 'low-acid' }),
  on(1, 'step', { step: 'rack-1', outcome: 'snoozed', until: '2026-05-03T10:00:00.000Z' }),
  on(95, 'label', { count: 6, design: FIRST_DESIGN }),
  on(0, 'timer', { card: 'yeast', until: '2026-05-01T10:15:00.000Z' }),
  on(2, 'observation', {
    bubbles: { count: 5, seconds: 12 },
    cap: 'falling',
    taste: 'sweet',
    vesselId: 'jar'
  }),
  on(2, 'place', { name: 'shed', tempC: 14, vesselId: 'jar' }),
  on(2, 'reading', { sg: 1.05, stemSg: 1.048, tempC: 25, volumeL: 4.5 })
];
const events = [...SINGLE, ...HISTORIES.flat()];

/** Units of the other systems, as words. */
const FOREIGN: Record<keyof typeof SYSTEMS, RegExp> = {
  metric: /\d\s?(lb|oz|US (gal|qt|fl oz)|UK (gal|pt|fl oz)|°F)\b/,
  us: /\d\s?(kg|L|mL|°C|UK (gal|pt|fl oz))\b/,
  uk: /\d\s?(kg|L|mL|°F|US (gal|qt|fl oz))\b/,
  mixed: /\d\s?(US (gal|qt|fl oz)|UK (gal|pt|fl oz)|°F)\b/
};

describe('what is said of what happened', () => {
  it('there is an example of every kind of event, and each is a log entry', () => {
    expect([...new Set(events.map((e) => e.type))].sort()).toEqual(Object.keys(EVENTS).sort());
    expect(events.filter((e) => !eventSchema.safeParse(e).success)).toEqual([]);
  });

  it.each(Object.keys(SYSTEMS) as (keyof typeof SYSTEMS)[])('says each in %s, with no foreign unit', (id) => {
    const wrong: string[] = [];
    for (const history of [SINGLE, ...HISTORIES]) {
      const state = foldBatch(history, NOW) ?? {
        id: history[0]!.batchId,
        readings: [],
        steeps: [],
        fills: [],
        bottled: []
      };
      for (const e of history) {
        const [what, detail] = eventWords(e, { state } as unknown as Batch, settings(id), NOW);
        // A vessel's name, and the unit that an amount was typed in, are the household's own words; bottles are told
        // by what stands on them.
        const isTyped = defOf(e).brings !== undefined;
        const said = detail.replace(/\b\d+ L (jar|bucket|bottle|carboy|cube|barrel)\b|× [\d.]+ m?L\b/g, '');
        if (!what || /undefined|NaN|\[object/.test(`${what} ${detail}`))
          wrong.push(`${e.type}: ${what} ${detail}`);
        if (!isTyped && FOREIGN[id].test(said)) wrong.push(`${e.type}: ${said}`);
      }
    }
    expect(wrong.slice(0, 5)).toEqual([]);
  });

  it('what can be put right stands where the slot says', () => {
    const missing = events.flatMap((e) =>
      (defOf(e).slots?.(e.data) ?? [])
        .filter(({ path, kind }) => {
          const holder = path.slice(0, -1).reduce<unknown>((x, key) => (x as never)?.[key], e.data);
          const left = ['yeast', 'sample'].includes(kind);
          return typeof holder !== 'object' || (!left && (holder as never)[path.at(-1)!] === undefined);
        })
        .map((slot) => `${e.type} ${slot.path.join('.')}`)
    );
    expect(missing).toEqual([]);
  });
});
