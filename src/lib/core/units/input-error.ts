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

/** The message with its remedy, as one line for a person. */
export const explain = (error: unknown): string =>
  error instanceof InputError
    ? `${error.message} ${error.todo}`
    : error instanceof Error
      ? error.message
      : String(error);
