/**
 * Things by ids that somebody else chose: an id that this language means something by, such as `constructor`, is one like
 * any other.
 * @example byId([['jar', 5]]).constructor // undefined
 */
export const byId = <T>(entries: Iterable<readonly [string, T]> = []): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, Object.fromEntries(entries));
