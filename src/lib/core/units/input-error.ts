/**
 * Bad input: says what was wrong, what is allowed and what to do. Nothing is clamped in silence.
 * `path` names the place in a file or a form, such as `ingredients[2].massKg`.
 */
export class InputError extends Error {
  constructor(
    message: string,
    readonly todo: string,
    readonly path = ''
  ) {
    super(message);
    this.name = 'InputError';
  }
}

/** Something that may well be meant: asked about once, and written when it is said to be so. */
export class AskError extends InputError {}

/** Whether a store had no more room. */
const isFull = (error: unknown): boolean => {
  const e = error as { name?: string; inner?: unknown } | null;
  return e?.name === 'QuotaExceededError' || (e?.inner !== undefined && e.inner !== null && isFull(e.inner));
};

/** The message with its remedy, as one line for a person. */
export const explain = (error: unknown): string =>
  isFull(error)
    ? 'The disk is full, or the share of it that this browser may use. What was written before is safe; this was not written. Save everything to a file in Settings, make room, and try again.'
    : error instanceof InputError
      ? `${error.message} ${error.todo}`
      : error instanceof Error
        ? error.message
        : String(error);
