/**
 * All of a sum that is made in parts, at once. The parts are for who cannot wait: between them a page may draw.
 * @example allOf((function* () { yield; return 7; })()) // 7
 */
export function allOf<T>(parts: Iterator<unknown, T>): T {
  for (;;) {
    const part = parts.next();
    if (part.done) return part.value;
  }
}
