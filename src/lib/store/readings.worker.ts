import { expose } from 'comlink';
import type { Mapping } from '$core/instruments/columns';
import type { Thinning } from '$core/instruments/thin';
import { lookAt, readReadings } from '$lib/files/csv-in';
import type { Told } from '$lib/files/vecino-file';

/** What is read of a file before it is shown. */
const HEAD_BYTES = 400_000;

const api = {
  look: async (file: File, here: Parameters<typeof lookAt>[1]) =>
    lookAt(await file.slice(0, HEAD_BYTES).text(), here),
  read: (file: File, delimiter: string, mapping: Mapping, rule: Thinning, told: Told) =>
    readReadings(file, delimiter, mapping, rule, told)
};
export type ReadingsApi = typeof api;

expose(api);
