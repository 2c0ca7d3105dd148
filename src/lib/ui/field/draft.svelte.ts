import { dropDraft, keepDraft, readDraft } from '$lib/store/draft';

/** The fields of a small form, kept while they are typed and brought back after a closed tab. */
export function createDraft<T extends Record<string, string>>(key: string, initial: T) {
  let fields = $state<T>({ ...initial });
  void readDraft(key).then((kept) => {
    if (kept && typeof kept === 'object') fields = { ...initial, ...(kept as T) };
  });
  return {
    get fields() {
      return fields;
    },
    set(name: keyof T, value: string) {
      fields[name] = value as T[keyof T];
      keepDraft(key, $state.snapshot(fields));
    },
    async done() {
      fields = { ...initial };
      await dropDraft(key);
    }
  };
}
