import { wrap } from 'comlink';
import { draft, given } from '$core/commands/deed';
import type { LedgerEvent } from '$core/ledger/log';
import { InputError } from '$core/units/input-error';
import type { PhotoApi } from '$lib/files/photo.worker';
import { db, type Photo } from './db';
import { newId } from './here';
import { eventsOfDeed, write, type When } from './record';

/** A picture made ready to be kept. */
export type Ready = Pick<Photo, 'blob' | 'width' | 'height'>;

/** Turns a chosen picture upright and makes it small, on a thread of its own. @throws InputError when it is none */
export async function readyPhoto(file: Blob): Promise<Ready> {
  const worker = new Worker(new URL('../files/photo.worker.ts', import.meta.url), { type: 'module' });
  try {
    const ready = await wrap<PhotoApi>(worker).shrink(file);
    if (ready) return ready;
  } finally {
    worker.terminate();
  }
  throw new InputError(
    'This file is no picture that can be read here.',
    'Choose a JPEG, PNG or WebP.',
    'photo'
  );
}

type About = { vesselId?: string; caption?: string; colour?: string };

/** Keeps a picture and the event that tells of it, both or neither. @returns the event, which takes both back */
export async function keepPhoto(
  batchId: string,
  ready: Ready,
  about: About,
  when: When = {}
): Promise<LedgerEvent[]> {
  const { blob, width, height } = ready;
  const photo: Photo = { id: newId(), batchId, width, height, blob };
  const data = given({ photoId: photo.id, width, height, ...about });
  const events = await eventsOfDeed([draft(batchId, 'photo', data)], when);
  await db.transaction(
    'rw',
    [db.photos, db.events, db.summaries, db.lessons, db.settings, db.vessels, db.deeds],
    async () => {
      await db.photos.add(photo);
      await write(events, when);
    }
  );
  return events;
}

export const photoOf = (id: string): Promise<Photo | undefined> => db.photos.get(id);
