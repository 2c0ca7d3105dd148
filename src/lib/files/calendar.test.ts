import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { courseOf } from '$core/belief/course';
import { DAY, eventsFrom } from '$core/ledger/events.fixture';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import type { Plan } from '$core/plan/plan';
import { schedule } from '$core/steps/schedule';
import { plain } from '$core/units/say';
import { civilDay } from '$core/units/zone';
import { calendarOf, type Dated } from './calendar';

const T0 = Date.parse('2026-03-24T09:00:00Z');
const on = eventsFrom(T0);
const PLAN: Plan = {
  ingredients: [
    { kind: 'produce', produceId: 'plum', massKg: 4 },
    { kind: 'sugar', sugarId: 'white', massKg: 2 },
    { kind: 'water', volumeL: 6 }
  ]
};
const NAME =
  'Plum, dark; “old” \\ tree\nby the wall, with a name that is much longer than any line of a calendar file may be';
const begun: LedgerEvent[] = [
  on(0, 'planned', { name: NAME, plan: PLAN, vesselId: 'bucket-15' }),
  on(0, 'addition', { ingredients: PLAN.ingredients, vesselId: 'bucket-15' })
];
const dated = (events: LedgerEvent[], day: number, zone?: string): Dated[] => {
  const state = foldBatch(events, T0 + day * DAY)!;
  const s = zone ? { ...state, zone } : state;
  return [{ state: s, due: schedule(s, courseOf(s)) }];
};
/** What an independent reader of calendars (ical.js) finds in a file. */
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((c) => {
    const e = new ICAL.Event(c);
    return {
      uid: e.uid,
      summary: e.summary,
      day: e.startDate.toString().slice(0, 10),
      isDay: e.startDate.isDate,
      at: e.startDate.toJSDate().getTime(),
      status: String(c.getFirstPropertyValue('status')),
      sequence: Number(c.getFirstPropertyValue('sequence')),
      alarms: c.getAllSubcomponents('valarm').length,
      rule: c.getFirstPropertyValue('rrule')?.toString() ?? ''
    };
  });
const file = (wines: Dated[], day: number) => calendarOf(wines, plain, T0 + day * DAY);

describe('a calendar file', () => {
  it('opens elsewhere with every step once, under its own day, with a reminder', () => {
    const wines = dated(begun, 0.1);
    const text = file(wines, 0.1);
    const found = read(text);
    const { due, state } = wines[0]!;
    for (const d of due) {
      const e = found.filter((x) => x.uid === `${state.id}.${d.step.id}@vecino`);
      expect(e, d.step.id).toHaveLength(1);
      expect(e[0]!.summary).toBe(`${NAME}: ${d.step.title.toLowerCase()}`);
      expect(e[0]!.alarms).toBe(1);
      if (e[0]!.isDay) expect(e[0]!.day).toBe(civilDay(Math.max(d.dueAt, T0 + 0.1 * DAY), state.zone));
      else expect(e[0]!.at).toBe(Math.max(d.dueAt, T0 + 0.1 * DAY));
    }
    // Waits under a day carry their hour: the yeast a day after the sulphite, the enzyme half a day.
    expect(found.some((x) => !x.isDay)).toBe(true);
    // No line is longer than 75 octets (RFC 5545, 3.1).
    for (const line of text.split(/\r?\n/))
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    // Written again by the other reader it says the same.
    expect(read(new ICAL.Component(ICAL.parse(text)).toString())).toEqual(found);
  });

  it('takes the place of the one before, and cancels what is done', () => {
    const first = read(file(dated(begun, 0.1), 0.1));
    const later = read(
      file(dated([...begun, on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })], 2), 2)
    );
    const of = (list: typeof first, step: string) => list.find((x) => x.uid.includes(`.${step}@`))!;
    expect(new Set(later.map((x) => x.uid))).toEqual(new Set(first.map((x) => x.uid)));
    expect(of(first, 'pitch').status).not.toBe('CANCELLED');
    expect(of(later, 'pitch').status).toBe('CANCELLED');
    expect(of(later, 'rack-1').sequence).toBeGreaterThan(of(first, 'rack-1').sequence);
  });

  it('keeps the civil day over the change of the clocks, and on the other side of the earth', () => {
    // Clocks go forward in Lisbon on 29 March 2026, and back in Auckland on 5 April.
    for (const zone of ['Europe/Lisbon', 'Pacific/Auckland', 'America/Los_Angeles', 'Asia/Kolkata'])
      for (let day = 3; day < 14; day += 0.8) {
        const wines = dated([...begun, on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })], day, zone);
        const found = read(file(wines, day));
        for (const d of wines[0]!.due) {
          const e = found.find((x) => x.uid.includes(`.${d.step.id}@`))!;
          if (e.isDay)
            expect(e.day, `${zone} ${d.step.id}`).toBe(civilDay(Math.max(d.dueAt, T0 + day * DAY), zone));
        }
      }
  });

  it('says a daily job once, with how often', () => {
    const wines = dated([...begun, on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 })], 1.1);
    const stir = read(file(wines, 1.1)).find((x) => x.uid.includes('.stir@'))!;
    expect(stir.rule).toMatch(/FREQ=DAILY;COUNT=\d+|COUNT=\d+;FREQ=DAILY/);
  });
});
