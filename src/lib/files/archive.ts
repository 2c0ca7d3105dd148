import { Unzip, UnzipInflate, Zip, ZipPassThrough } from 'fflate';
import { InputError } from '$core/units/input-error';
import type { Told } from './vecino-file';

/** The log's name in an archive, and where the pictures lie. */
const LOG = 'cellar.vecino.json';
const PHOTOS = 'photos/';
/** More than this is no archive of ours. */
const MOST_ENTRIES = 100_000;
const MOST_LOG = 700_000_000;

/** Bytes as they come, and at last a blob: the browser keeps it where there is room. */
type Pieces = BlobPart[];
/** So many bytes are gathered before they are handed to the browser: it takes as long over few as over many. */
const GATHERED = 4_000_000;

/** Bytes handed to the browser a good handful at a time. */
function gathering() {
  const blobs: Blob[] = [];
  let waiting: Uint8Array<ArrayBuffer>[] = [];
  let bytes = 0;
  const flush = () => {
    if (waiting.length > 0) blobs.push(new Blob(waiting));
    [waiting, bytes] = [[], 0];
  };
  return {
    add(data: Uint8Array<ArrayBuffer>) {
      waiting.push(data);
      bytes += data.length;
      if (bytes > GATHERED) flush();
    },
    done(type: string): Blob {
      flush();
      return new Blob(blobs, { type });
    }
  };
}

/** Pieces of a text as a blob. */
export function textBlob(pieces: Iterable<string>, type: string): Blob {
  const out = gathering();
  const encoder = new TextEncoder();
  for (const piece of pieces) out.add(encoder.encode(piece));
  return out.done(type);
}

type Picture = { id: string; blob: Blob };

/** So many pictures are read at once: each alone is waited for far longer than it takes. */
const AT_ONCE = 32;

/** Pictures with their bytes, in their order, the next ones read meanwhile. */
async function* readAhead(photos: Iterable<Picture> | AsyncIterable<Picture>) {
  const waiting: { id: string; bytes: Promise<ArrayBuffer> }[] = [];
  for await (const { id, blob } of photos) {
    const bytes = blob.arrayBuffer();
    // Whoever stops half way does not wait for it.
    bytes.catch(() => undefined);
    waiting.push({ id, bytes });
    if (waiting.length < AT_ONCE) continue;
    const next = waiting.shift()!;
    yield { id: next.id, bytes: await next.bytes };
  }
  for (const { id, bytes } of waiting) yield { id, bytes: await bytes };
}

/**
 * A log and its pictures as one archive: the pictures lie in it as they are, to be looked at with anything.
 * @param log its text, in pieces
 * @param photos ids, and what each is
 */
export async function packArchive(
  log: Iterable<string>,
  photos: Iterable<Picture> | AsyncIterable<Picture>
): Promise<Blob> {
  const out = gathering();
  let failed: Error | null = null;
  const zip = new Zip((error, data) => {
    if (error) failed = error;
    else out.add(data as Uint8Array<ArrayBuffer>);
  });
  const encoder = new TextEncoder();
  const text = new ZipPassThrough(LOG);
  zip.add(text);
  for (const piece of log) text.push(encoder.encode(piece));
  text.push(new Uint8Array(0), true);
  for await (const { id, bytes } of readAhead(photos)) {
    const entry = new ZipPassThrough(`${PHOTOS}${id}.jpg`);
    zip.add(entry);
    entry.push(new Uint8Array(bytes), true);
  }
  zip.end();
  if (failed) throw failed as Error;
  return out.done('application/zip');
}

/** Whether a file is an archive, by its first bytes. */
export async function isArchive(file: Blob): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return head[0] === 0x50 && head[1] === 0x4b && (head[2] === 3 || head[2] === 5);
}

const wrong = (what: string): InputError =>
  new InputError(what, 'Choose a file that Vecino saved. Nothing was changed.', 'format');

/**
 * The log and the pictures of an archive.
 * @returns pictures by their ids
 * @throws InputError when it is none of ours, or broken
 */
export async function openArchive(
  file: Blob,
  told: Told = () => undefined
): Promise<{ log: string; photos: Map<string, Blob> }> {
  const photos = new Map<string, Blob>();
  const log: Uint8Array[] = [];
  let [entries, bytes, isWhole] = [0, 0, false];
  let error: Error | null = null;
  const unzip = new Unzip((entry) => {
    entries += 1;
    if (entries > MOST_ENTRIES) error = wrong('This archive holds more files than any of ours.');
    const photo = new RegExp(`^${PHOTOS}([0-9a-f-]{36})\\.jpg$`).exec(entry.name)?.[1];
    if (entry.name !== LOG && !photo) return;
    const pieces: Pieces = [];
    entry.ondata = (e, data, final) => {
      if (e) error = wrong(`The archive is damaged at ${entry.name}.`);
      else if (photo) {
        pieces.push(data.slice() as Uint8Array<ArrayBuffer>);
        if (final) photos.set(photo, new Blob(pieces, { type: 'image/jpeg' }));
      } else {
        log.push(data.slice());
        bytes += data.length;
        if (bytes > MOST_LOG) error = wrong('The log of this archive is larger than any of ours.');
        isWhole ||= final;
      }
    };
    entry.start();
  });
  unzip.register(UnzipInflate);
  const reader = file.stream().getReader();
  let read = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done || error) break;
      unzip.push(value, false);
      read += value.length;
      told(read / Math.max(1, file.size));
    }
    if (!error) unzip.push(new Uint8Array(0), true);
  } catch {
    error ??= wrong('The archive is damaged.');
  } finally {
    await reader.cancel().catch(() => undefined);
  }
  if (error) throw error as Error;
  if (log.length === 0) throw wrong(`This archive holds no ${LOG}.`);
  if (!isWhole) throw wrong(`The archive is cut off within ${LOG}.`);
  return { log: await new Blob(log as Uint8Array<ArrayBuffer>[]).text(), photos };
}
