/**
 * A sum of a text, kept for the texts that were asked last; of more than `most` all are forgotten.
 * @example
 * let n = 0;
 * const long = remembered((text) => (n++, text.length), 100);
 * [long('plum'), long('plum'), n] // [4, 4, 1]
 */
export function remembered<V>(sum: (of: string) => V, most: number): (of: string) => V {
  const known = new Map<string, V>();
  return (of) => {
    const kept = known.get(of);
    if (kept !== undefined || known.has(of)) return kept as V;
    if (known.size >= most) known.clear();
    const value = sum(of);
    known.set(of, value);
    return value;
  };
}
