import type { Due } from '$core/steps/schedule';
import { civilDay, inZone } from '$core/units/zone';

const DAY = 86_400_000;

/** A day in words beside today: `today`, `tomorrow`, `in 4 d`, `2 d late`. */
export function whenWord(at: number, now: number, zone: string): string {
  const days = Math.round((Date.parse(civilDay(at, zone)) - Date.parse(civilDay(now, zone))) / DAY);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  return days > 0 ? `in ${days} d` : `${-days} d late`;
}

/** A moment as people write it: `today 8:10`, `yesterday`, `22 Nov`. */
export function dayWord(at: number, now: number, zone: string): string {
  const days = Math.round((Date.parse(civilDay(now, zone)) - Date.parse(civilDay(at, zone))) / DAY);
  const time = inZone(at, zone, { hour: 'numeric', minute: '2-digit' });
  if (days === 0) return `today ${time}`;
  if (days === 1) return `yesterday ${time}`;
  const sameYear = civilDay(at, zone).slice(0, 4) === civilDay(now, zone).slice(0, 4);
  return inZone(at, zone, { day: 'numeric', month: 'short', ...(sameYear ? {} : { year: 'numeric' }) });
}

/** The same within a sentence: `on 22 Nov`, `yesterday 8:10`. */
export function onDay(at: number, now: number, zone: string): string {
  const day = dayWord(at, now, zone);
  return /^\d/.test(day) ? `on ${day}` : day;
}

/** A range of days: `4 – 9 Dec`. */
export function spanWord(from: number, to: number, zone: string): string {
  const show = (at: number) => inZone(at, zone, { day: 'numeric', month: 'short' });
  const [a, b] = [show(from), show(to)];
  if (a === b) return a;
  const [dayA, monthA] = a.split(' ');
  const [, monthB] = b.split(' ');
  return monthA === monthB ? `${dayA} – ${b}` : `${a} – ${b}`;
}

/** The same for what is printed, and read on another day: dates alone. */
export function printedWord(d: Due, now: number, zone: string): string {
  if (d.after && d.dueAt - now < 2 * DAY) return `after ${d.after.title.toLowerCase()}`;
  const from = Math.max(d.dueAt, now);
  return spanWord(from, Math.max(from, d.lateAt), zone);
}

/** When a step comes: after the one that holds it, a span when it is far, else the day in words. */
export function dueWord(d: Due, now: number, zone: string): string {
  if (d.after && d.dueAt - now < 2 * DAY) return `after ${d.after.title.toLowerCase()}`;
  if (d.status === 'coming' && d.dueAt - now > 6 * DAY) return spanWord(d.dueAt, d.lateAt, zone);
  return lateWord(d, now, zone);
}

/**
 * When a step is to be done: its first day while that is to come, the last it has time until while it is due, and how
 * late it is only after that. What comes round again is for today: a stir or a reading missed is not made up.
 */
export function lateWord(d: Pick<Due, 'step' | 'dueAt' | 'lateAt'>, now: number, zone: string): string {
  const first = whenWord(Math.max(d.dueAt, now), now, zone);
  if (first !== 'today' || d.step.everyH) return first;
  if (d.lateAt < now) return whenWord(d.lateAt, now, zone);
  const last = dayWord(d.lateAt, now, zone);
  return last.startsWith('today')
    ? 'today'
    : `by ${inZone(d.lateAt, zone, { day: 'numeric', month: 'short' })}`;
}
