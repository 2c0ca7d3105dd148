import { BlobReader, configure, ZipReader, type FileEntry } from '@zip.js/zip.js/lib/zip-core-native.js';
import { Zip, ZipPassThrough } from 'fflate';
import { InputError } from '$core/units/input-error';
import { canBeShown } from './picture';
import type { Told } from './vecino-file';

/** The log's name in an archive, and where the pictures lie. */
const LOG = 'cellar.vecino.json';
const PHOTOS = 'photos/';
/** More than this is no archive of ours. */
const MOST_ENTRIES = 30_000;
const MOST_LOG = 700_000_000;

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

// What reads it is on a thread of its own already.
configure({ useWebWorkers: false });

/** The largest picture that Vecino writes is well below this, bytes; and no file of it unpacks to more than this many times its packed size. */
const MOST_PICTURE = 12_000_000;
const MOST_TIMES = 80;
/** A file of the archive may always unpack to this many bytes, however small it is packed. */
const ALWAYS = 1_000_000;

const isBomb = (e: FileEntry, most: number): boolean =>
  e.uncompressedSize > most || e.uncompressedSize > ALWAYS + MOST_TIMES * e.compressedSize;

/** The bytes of an entry, whose sum is checked. @throws when they are more than it says, or not what was packed */
async function bytesOf(e: FileEntry, told?: Told): Promise<Blob> {
  const out = gathering();
  let bytes = 0;
  const sink = new WritableStream<Uint8Array<ArrayBuffer>>({
    write(chunk) {
      bytes += chunk.length;
      if (bytes > e.uncompressedSize) throw new Error('longer than it says');
      out.add(chunk.slice());
      told?.(bytes / Math.max(1, e.uncompressedSize));
    }
  });
  await e.getData(sink, { checkSignature: true });
  return out.done(e.filename === LOG ? 'application/json' : 'image/jpeg');
}

/** The log of an archive, and its pictures, which are unpacked once they are asked for. */
export type Opened = {
  log: string;
  /**
   * @param ids of the pictures that are wanted
   * @returns those that are in it and whole, and how many are damaged
   */
  pictures: (ids: Iterable<string>) => Promise<{ photos: Map<string, Blob>; damaged: number }>;
};

/** The log and pictures of an archive, by the list at its end. @throws InputError when it is no archive, or holds more than Vecino writes */
async function entriesOf(file: Blob): Promise<Map<string, FileEntry>> {
  const found = new Map<string, FileEntry>();
  let [n, packed] = [0, 0];
  try {
    for await (const e of new ZipReader(new BlobReader(file)).getEntriesGenerator()) {
      n += 1;
      packed += e.compressedSize;
      if (n > MOST_ENTRIES) throw wrong('This archive holds more files than Vecino writes.');
      // Parts that lie in one another are no files.
      if (packed > file.size) throw wrong('This archive says that it holds more than it does.');
      if (e.directory || (e.filename !== LOG && !e.filename.startsWith(PHOTOS))) continue;
      if (found.has(e.filename)) throw wrong(`This archive holds ${e.filename.slice(0, 80)} twice.`);
      found.set(e.filename, e);
    }
  } catch (e) {
    throw e instanceof InputError ? e : wrong('The archive is damaged, or cut off.');
  }
  return found;
}

/**
 * Opens an archive. Nothing of it is unpacked but its log, until pictures are asked for.
 * @throws InputError when Vecino did not write it, when it is damaged, or when it unpacks to more than Vecino writes
 */
export async function openArchive(file: Blob, told: Told = () => undefined): Promise<Opened> {
  const entries = await entriesOf(file);
  const log = entries.get(LOG);
  if (!log) throw wrong(`This archive holds no ${LOG}.`);
  if (isBomb(log, MOST_LOG)) throw wrong('The log of this archive unpacks to more than Vecino writes.');
  const text = await bytesOf(log, told)
    .then((b) => b.text())
    .catch(() => {
      throw wrong(`The archive is damaged within ${LOG}.`);
    });
  return {
    log: text,
    async pictures(ids) {
      const photos = new Map<string, Blob>();
      let damaged = 0;
      for (const id of ids) {
        const e = entries.get(`${PHOTOS}${id}.jpg`);
        if (!e) continue;
        const blob = isBomb(e, MOST_PICTURE) ? null : await bytesOf(e).catch(() => null);
        if (blob && (await canBeShown(blob))) photos.set(id, blob);
        else damaged += 1;
      }
      return { photos, damaged };
    }
  };
}
