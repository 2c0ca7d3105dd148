import { generateIcsCalendar, type IcsEvent } from 'ts-ics';
import type { BatchState } from '$core/ledger/state';
import type { Due } from '$core/steps/schedule';
import { stepsOf } from '$core/steps/steps';
import { STEPS } from '$core/steps/table/all';
import { civilDay } from '$core/units/zone';

/** A wine with what comes next, as a calendar is told of it. */
export type Dated = {
  state: Pick<BatchState, 'id' | 'name' | 'zone' | 'plan'> & BatchState;
  due: readonly Due[];
};

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** A wait that is this short is told with its hour; a longer one is a day's job. */
const SHORT = DAY;
/** When a day's job is reminded of, and a short wait, before it is over. */
const MORNING = { hours: 9 };
const JUST_BEFORE = { before: true, minutes: 10 };

/** The same for ever: a newer file takes the place of what an older one wrote. */
const uidOf = (batchId: string, step: string): string => `${batchId}.${step}@vecino`;

const civilDate = (at: number, zone: string): Date => new Date(`${civilDay(at, zone)}T00:00:00Z`);

/**
 * The steps of wines as a calendar file: one event a step, by its civil day in the wine's zone; a wait under a day by its
 * hour. What is done is cancelled, so that it goes from a calendar that had it.
 * @param say words a text of the core in the household's measures
 * @param now ms; each file made later counts as newer
 * @source RFC 5545 (iCalendar), RFC 7986 for names
 */
export function calendarOf(wines: readonly Dated[], say: (text: string) => string, now: number): string {
  const sequence = Math.floor(now / 60_000) - Math.floor(Date.UTC(2026, 0, 1) / 60_000);
  const stamp = { date: new Date(now) };
  const events: IcsEvent[] = [];
  for (const { state: s, due } of wines) {
    for (const d of due) {
      const { step } = d;
      const isShort =
        !step.everyH &&
        step.waits.length > 0 &&
        step.waits.every((w) => w.minH * HOUR < SHORT) &&
        d.dueAt - now < 2 * DAY;
      const at = Math.max(d.dueAt, now);
      const day = civilDate(at, s.zone);
      const last = civilDate(d.lateAt, s.zone);
      const span =
        last.getTime() > day.getTime() + DAY && !step.everyH
          ? ` Best until ${last.toISOString().slice(0, 10)}.`
          : '';
      events.push({
        uid: uidOf(s.id, step.id),
        stamp,
        lastModified: stamp,
        sequence,
        status: d.after ? 'TENTATIVE' : 'CONFIRMED',
        summary: `${s.name}: ${step.title.toLowerCase()}`,
        description: `${say(step.how)}${d.after ? ` After: ${d.after.title.toLowerCase()}.` : ''}${span} ${STEPS[step.id].chore.ifLate}`,
        ...(isShort
          ? { start: { date: new Date(at) }, end: { date: new Date(at + HOUR) } }
          : {
              start: { date: day, type: 'DATE' as const },
              end: { date: new Date(day.getTime() + DAY), type: 'DATE' as const }
            }),
        ...(step.everyH === 24
          ? { recurrenceRule: { frequency: 'DAILY' as const, count: Math.max(1, daysOf(d, due)) } }
          : {}),
        alarms: [
          {
            action: 'DISPLAY',
            description: `${s.name}: ${step.title.toLowerCase()}`,
            trigger: { type: 'relative', value: isShort ? JUST_BEFORE : MORNING }
          }
        ]
      });
    }
    const coming = new Set(due.map((d) => d.step.id));
    for (const step of stepsOf(s.plan)) {
      if (coming.has(step.id)) continue;
      const day = civilDate(Math.min(now, STEPS[step.id].doneAt(s) ?? s.startedAt), s.zone);
      events.push({
        uid: uidOf(s.id, step.id),
        stamp,
        lastModified: stamp,
        sequence,
        status: 'CANCELLED',
        summary: `${s.name}: ${step.title.toLowerCase()}`,
        start: { date: day, type: 'DATE' },
        end: { date: new Date(day.getTime() + DAY), type: 'DATE' }
      });
    }
  }
  const text = generateIcsCalendar({
    version: '2.0',
    prodId: '-//Vecino//Country wine//EN',
    method: 'PUBLISH',
    name: 'Vecino',
    events
  });
  return folded(text);
}

/** The longest line of a file, octets. @source RFC 5545, 3.1 */
const LINE = 75;

/** The same with its lines folded by octets: the package counts letters. */
function folded(text: string): string {
  const octets = new TextEncoder();
  return text
    .replace(/\r?\n[ \t]/g, '')
    .split(/\r?\n/)
    .map((line) => {
      let [out, used] = ['', 0];
      for (const letter of line) {
        const size = octets.encode(letter).length;
        if (used + size > LINE) [out, used] = [`${out}\r\n `, 1];
        out += letter;
        used += size;
      }
      return out;
    })
    .join('\r\n');
}

/** For how many days a daily job goes on: until the fruit is out, or the wine in glass. */
function daysOf(d: Due, due: readonly Due[]): number {
  const end = due.find((x) => x.step.id === 'fruit-out' || x.step.id === 'rack-1');
  return end ? Math.ceil((end.dueAt - d.dueAt) / DAY) : 7;
}
