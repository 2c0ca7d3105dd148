import { InputError } from '$core/units/input-error';

/** The value of a datetime-local input in local time; empty means now. @throws InputError for the future */
export function parseWhen(value: string, now: number): number {
  if (!value) return now;
  const at = new Date(value).getTime();
  if (!Number.isFinite(at)) throw new InputError('That is not a date.', 'Choose a day and a time.', 'at');
  if (at > now + 60_000)
    throw new InputError(
      'That is still to come.',
      'Write down what has happened; the plan keeps the rest.',
      'at'
    );
  return at;
}

/** A moment as a datetime-local input wants it. */
export function toLocalInput(at: number): string {
  const d = new Date(at - new Date(at).getTimezoneOffset() * 60_000);
  return d.toISOString().slice(0, 16);
}
