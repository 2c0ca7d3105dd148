import { plain } from './say';

/**
 * Bad input: says what was wrong, what is allowed and what to do. Nothing is clamped in silence.
 * `path` names the place in a file or a form, such as `ingredients[2].massKg`.
 */
export class InputError extends Error {
  /** what to do, in metric measures as the message is */
  readonly todo: string;
  /** both with their figures marked, for an interface that says them in its own measures */
  readonly marked: { text: string; todo: string };
  constructor(
    text: string,
    todo: string,
    readonly path = ''
  ) {
    // What a person is told needs no trace of where the code stood; a line that is read makes dozens of these.
    const { stackTraceLimit } = Error;
    Error.stackTraceLimit = 0;
    super(plain(text));
    Error.stackTraceLimit = stackTraceLimit;
    this.name = 'InputError';
    this.todo = plain(todo);
    this.marked = { text, todo };
  }
}

/** Something that may well be meant: asked about once, and written when it is said to be so. */
export class AskError extends InputError {}

/** Whether a store had no more room. */
export const isFull = (error: unknown): boolean => {
  const e = error as { name?: string; inner?: unknown } | null;
  return e?.name === 'QuotaExceededError' || (e?.inner !== undefined && e.inner !== null && isFull(e.inner));
};

/**
 * The message with its remedy, as one line for a person.
 * @param say turns marked figures into a household's measures
 */
export const explain = (error: unknown, say: (text: string) => string = plain): string =>
  isFull(error)
    ? 'The disk is full, or the share of it that this browser may use. What was written before is safe; this was not written. Save everything to a file in Settings, make room, and try again.'
    : error instanceof InputError
      ? say(`${error.marked.text} ${error.marked.todo}`)
      : error instanceof Error
        ? error.message
        : String(error);
