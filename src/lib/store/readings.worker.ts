import { expose } from 'comlink';
import type { Mapping } from '$core/instruments/columns';
import type { Thinning } from '$core/instruments/thin';
import { lookAt, readReadings, settledBy, type Looked } from '$lib/files/csv-in';
import type { Told } from '$lib/files/vecino-file';

/** What is read of a file before it is shown. */
const HEAD_BYTES = 400_000;

const api = {
  look: async (file: File, here: Parameters<typeof lookAt>[1]) =>
    settledBy(file, lookAt(await file.slice(0, HEAD_BYTES).text(), here)),
  read: (
    file: File,
    looked: Pick<Looked, 'delimiter' | 'titles'>,
    mapping: Mapping,
    rule: Thinning,
    told: Told
  ) => readReadings(file, looked.delimiter, mapping, rule, told, looked.titles)
};
export type ReadingsApi = typeof api;

expose(api);
