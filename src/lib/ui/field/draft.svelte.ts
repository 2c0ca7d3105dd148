import { dropDraft, keepDraft, readDraft } from '$lib/store/draft';
import { newId } from '$lib/store/here';

/** Where a draft keeps the id of the form that is being filled in. */
const ID = '_form';

/**
 * The fields of a small form, kept while they are typed and brought back after a closed tab. What was typed meanwhile
 * is never overwritten by what is brought back.
 */
export function createDraft<T extends Record<string, string>>(key: string, initial: T) {
  let fields = $state<T>({ ...initial });
  let id = newId();
  const typed = new Set<keyof T>();
  void readDraft(key).then((kept) => {
    if (!kept || typeof kept !== 'object') return;
    const { [ID]: form, ...old } = kept as Record<string, string>;
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
      keepDraft(key, { ...$state.snapshot(fields), [ID]: id });
    },
    async done() {
      fields = { ...initial };
      id = newId();
      typed.clear();
      await dropDraft(key);
    }
  };
}
