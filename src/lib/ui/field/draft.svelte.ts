import { dropDraft, keepDraft, readDraft } from '$lib/store/draft';
import { newId } from '$lib/store/here';

/** Where a draft keeps the id of the form that is being filled in. */
const ID = '_form';
/** And when it was last typed in, ms. */
const AT = '_at';

/** A number that is for now is kept so long, ms. */
export const FOR_NOW_MS = 4 * 3_600_000;

/**
 * The fields of a small form, kept while they are typed and brought back after a closed tab. What was typed meanwhile
 * is never overwritten by what is brought back.
 * @param keptMs how long after it was typed it is still meant
 */
export function createDraft<T extends Record<string, string>>(key: string, initial: T, keptMs = Infinity) {
  let fields = $state<T>({ ...initial });
  let id = newId();
  const typed = new Set<keyof T>();
  void readDraft(key).then((kept) => {
    if (!kept || typeof kept !== 'object') return;
    const { [ID]: form, [AT]: at, ...old } = kept as Record<string, string>;
    // What was typed of another day is not of this one.
    if (keptMs < Infinity && !(Date.now() - Number(at) < keptMs)) return void dropDraft(key);
    if (typed.size === 0 && typeof form === 'string') id = form;
    for (const name of Object.keys(initial) as (keyof T & string)[])
      if (!typed.has(name) && typeof old[name] === 'string') fields[name] = old[name] as T[typeof name];
  });
  return {
    get fields() {
      return fields;
    },
    /** one form, however many tabs show it */
    get id() {
      return id;
    },
    set(name: keyof T, value: string) {
      typed.add(name);
      fields[name] = value as T[keyof T];
      keepDraft(key, { ...$state.snapshot(fields), [ID]: id, [AT]: String(Date.now()) });
    },
    async done() {
      fields = { ...initial };
      id = newId();
      typed.clear();
      await dropDraft(key);
    }
  };
}
