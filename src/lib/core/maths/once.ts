/**
 * A sum of something that is never changed in place, worked out once for each and kept as long as that is.
 * @example
 * let n = 0;
 * const twice = once((x: { a: number }) => (n++, 2 * x.a));
 * const x = { a: 4 };
 * [twice(x), twice(x), n] // [8, 8, 1]
 */
export function once<K extends object, V>(sum: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (of) => {
    let kept = known.get(of);
    if (!kept) known.set(of, (kept = { value: sum(of) }));
    return kept.value;
  };
}

/**
 * A record whose fields are worked out when each is first asked for, from the others.
 * @example
 * lazily<{ a: number; b: number }>({ a: () => 2, b: (self) => self.a + 1 }).b // 3
 */
export const lazily = <T extends object>(makers: { [K in keyof T]: (self: T) => T[K] }): T => {
  const self = {} as T;
  for (const key of Object.keys(makers) as (keyof T)[])
    Object.defineProperty(self, key, {
      configurable: true,
      get: () => {
        const value = makers[key](self);
        Object.defineProperty(self, key, { value });
        return value;
      }
    });
  return self;
};
