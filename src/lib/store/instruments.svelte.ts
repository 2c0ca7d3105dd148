import { z } from 'zod';
import { setRight, type Calibration } from '$core/instruments/calibrate';
import { hear, isSilent, newWatch, type Lie, type Watch } from '$core/instruments/lies';
import { sampleSchema, type At } from '$core/instruments/sample';
import { isWorth, smoothed, USUAL } from '$core/instruments/thin';
import { DEVICE_IDS, DEVICE_KINDS, type Device } from '$lib/devices/device';
import { byPost } from '$lib/devices/posted';
import { byStream } from '$lib/devices/stream';
import { InputError } from '$core/units/input-error';
import { db } from './db';
import { deviceId } from './device';
import { newId } from './here';
import { bringReadings } from './readings-in';

const calibrationSchema = z.strictObject({
  sg: z.number().optional(),
  tempC: z.number().optional(),
  ph: z.strictObject({ slope: z.number(), offset: z.number() }).optional(),
  at: z.number()
});

/** An instrument of the household: what it is, how it is heard, where it floats. */
export const instrumentSchema = z.strictObject({
  id: z.string().min(1).max(64),
  kind: z.enum(DEVICE_IDS),
  name: z.string().min(1).max(60),
  /** a simulated one by its address; a real one by the key it posts with */
  by: z.union([
    z.strictObject({ stream: z.string().max(400) }),
    z.strictObject({ key: z.string().min(16).max(200) })
  ]),
  batchId: z.string().max(64).optional(),
  vesselId: z.string().max(64).optional(),
  calibration: calibrationSchema.nullable()
});
export type Instrument = z.infer<typeof instrumentSchema>;

/** What is heard of one just now. */
export type Live = {
  last: At | null;
  heardAt: number | null;
  lie: Lie | null;
  /** why its line is broken; empty while it is not */
  lost: string;
};

const KEY = 'instruments';
const NOTHING: Live = { last: null, heardAt: null, lie: null, lost: '' };

let list = $state.raw<Instrument[]>([]);
let live = $state.raw<Record<string, Live>>({});
let isWriter = false;
/** This browser, by the name it has in its logs: a page opened anew goes on where the one before it was. */
let reader = '';

type Ear = { stop: () => void; watch: Watch; kept: At | null; buffer: At[]; isWriting: boolean };
const ears = new Map<string, Ear>();

export const instruments = {
  get list() {
    return list;
  },
  live: (id: string): Live => live[id] ?? NOTHING
};

/** What is wrong with an instrument at a moment; null while it is well. */
export function lieOf(i: Instrument, now: number): Lie | null {
  const l = instruments.live(i.id);
  return l.lie ?? (isSilent(l.heardAt, now, DEVICE_KINDS[i.kind].gapMs) ? 'silent' : null);
}

const deviceOf = (i: Instrument): Device =>
  'stream' in i.by ? byStream(i.by.stream) : byPost(i.id, i.by.key, reader);

/** What the tab that writes hears, for the others. */
const others = 'BroadcastChannel' in globalThis ? new BroadcastChannel('instruments') : null;
const show = (id: string, part: Partial<Live>) =>
  void (live = { ...live, [id]: { ...instruments.live(id), ...part } });
function tell(id: string, part: Partial<Live>): void {
  show(id, part);
  if (isWriter) others?.postMessage({ id, part });
}

/** What waits to be smoothed is written within this long. */
const BUFFER_MS = 10 * 60_000;
const MOST_BUFFERED = 200;

const bufferKey = (id: string) => `heard:${id}`;
type Heard = { buffer: At[]; live: Live };
/**
 * What was posted is kept on the disk until it is written, and what it last said: the server has it no more, and a page
 * that is opened anew shows it.
 */
const keepHeard = async (i: Instrument, buffer: readonly At[]) => {
  const kept: Heard = { buffer: [...buffer], live: $state.snapshot(instruments.live(i.id)) as Live };
  if ('key' in i.by) await db.settings.put({ key: bufferKey(i.id), value: kept });
};

/** Writes what is worth a line of the wine it floats in. What cannot be written yet stays heard. */
async function write(i: Instrument, ear: Ear): Promise<void> {
  if (ear.isWriting) return;
  ear.isWriting = true;
  try {
    const taken = new Set(ear.buffer);
    const [one] = smoothed([...taken], 24).slice(-1);
    if (one && i.batchId && isWorth(ear.kept, one, USUAL)) {
      const { leftOut } = await bringReadings(i.batchId, [one], i.name, i.vesselId);
      ear.kept = one;
      // It was racked from under it, or never went in.
      if (leftOut > 0) tell(i.id, { lost: 'what it reads cannot be of that wine: say what it is in' });
    }
    ear.buffer = ear.buffer.filter((x) => !taken.has(x));
    await keepHeard(i, ear.buffer);
  } catch (e) {
    tell(i.id, { lost: e instanceof Error ? e.message : String(e) });
  } finally {
    ear.isWriting = false;
  }
}

/** Takes what an instrument says; done once it is kept. */
async function heardAll(id: string, samples: readonly unknown[]): Promise<void> {
  for (const raw of samples) heard(id, raw);
  const i = list.find((x) => x.id === id);
  const ear = ears.get(id);
  if (!i || !ear) throw new Error('it was taken off');
  await keepHeard(i, ear.buffer);
  if (isWriter && ear.buffer[0] && (!ear.kept || Date.now() - ear.buffer[0].at >= BUFFER_MS))
    void write(i, ear);
}

function heard(id: string, raw: unknown): void {
  const i = list.find((x) => x.id === id);
  const ear = ears.get(id);
  const sample = sampleSchema.safeParse(raw);
  if (!i || !ear) return;
  if (!sample.success) return tell(id, { lie: 'range' });
  const now = Date.now();
  const h = hear(ear.watch, { ...sample.data, at: Date.parse(sample.data.at) }, now);
  ear.watch = h.watch;
  const right = h.sample && setRight(h.sample, i.calibration);
  tell(id, { heardAt: now, lie: h.lie, lost: '', ...(right ? { last: right } : {}) });
  if (!right || !i.batchId || i.kind === 'scale' || i.kind === 'weather') return;
  // Kept while another tab writes, or before it is known that none does.
  if (ear.buffer.some((x) => x.at === right.at)) return;
  ear.buffer = [...ear.buffer, right].slice(-MOST_BUFFERED);
}

function listen(): void {
  for (const [id, ear] of ears)
    if (!list.some((i) => i.id === id)) {
      ear.stop();
      ears.delete(id);
    }
  for (const i of list) {
    // What was posted is lent to one: the tab that writes.
    if (ears.has(i.id) || ('key' in i.by && !isWriter)) continue;
    const ear: Ear = { stop: () => undefined, watch: newWatch(), kept: null, buffer: [], isWriting: false };
    ears.set(i.id, ear);
    void begin(i, ear);
  }
}

/** Listens, once what was heard before and not yet written is here again. */
async function begin(i: Instrument, ear: Ear): Promise<void> {
  if ('key' in i.by) {
    const before = (await db.settings.get(bufferKey(i.id)))?.value as Partial<Heard> | undefined;
    if (Array.isArray(before?.buffer)) ear.buffer = before.buffer;
    if (before?.live) tell(i.id, before.live);
    if (ears.get(i.id) !== ear) return;
    if (ear.buffer.length > 0) await write(i, ear);
    if (ears.get(i.id) !== ear) return;
  }
  ear.stop = deviceOf(i).listen(
    (samples) => heardAll(i.id, samples),
    (lost) => tell(i.id, { lost })
  );
}

async function save(next: Instrument[]): Promise<void> {
  await db.settings.put({ key: KEY, value: JSON.parse(JSON.stringify(next)) });
  list = next;
  listen();
}

/** Writes what was heard before this tab was the one that writes. */
function writeHeard(): void {
  for (const i of list) {
    const ear = ears.get(i.id);
    if (ear && ear.buffer.length > 0) void write(i, ear);
  }
}

/** Begins to listen to the instruments there are. Of several tabs one writes. */
export async function startInstruments(): Promise<void> {
  reader = await deviceId();
  const kept = z.array(instrumentSchema).safeParse((await db.settings.get(KEY))?.value ?? []);
  list = kept.success ? kept.data : [];
  others?.addEventListener('message', ({ data }: MessageEvent<{ id: string; part: Partial<Live> }>) =>
    show(data.id, data.part)
  );
  if (!('locks' in navigator)) isWriter = true;
  else
    void navigator.locks.request('instruments', () => {
      isWriter = true;
      listen();
      writeHeard();
      return new Promise<never>(() => undefined);
    });
  listen();
}

const CODE_KEY = 'pairing';

/** The pairing code as this page knows it: handed out on the server's own machine, typed in before elsewhere; else empty. */
export async function knownCode(): Promise<string> {
  const answer = await fetch('/api/pairing').catch(() => null);
  const here = answer?.ok ? ((await answer.json()) as { code: string | null }).code : null;
  const typed = (await db.settings.get(CODE_KEY))?.value;
  return here ?? (typeof typed === 'string' ? typed : '');
}

/** The key of an instrument by the pairing code. @throws InputError where the server does not take it */
async function keyOf(id: string, code: string): Promise<string> {
  const answer = await fetch(`/api/devices/${encodeURIComponent(id)}/key`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ code })
  }).catch(() => null);
  if (!answer) throw new InputError('The server cannot be reached.', 'An instrument posts to it: start it.');
  const said = (await answer.json()) as { key?: string; error?: { reason: string } };
  if (!said.key)
    throw new InputError(said.error?.reason ?? 'The server gives no key.', 'Nothing was changed.');
  await db.settings.put({ key: CODE_KEY, value: code });
  return said.key;
}

/** Gives an instrument a key of today's pairing code: the server was started with another. */
export async function pairAnew(id: string, code: string): Promise<void> {
  const key = await keyOf(id, code);
  ears.get(id)?.stop();
  ears.delete(id);
  show(id, { lost: '', heardAt: null });
  await save(list.map((i) => (i.id === id ? { ...i, by: { key } } : i)));
}

export async function addInstrument(
  kind: Instrument['kind'],
  name: string,
  stream: string | null,
  code = ''
): Promise<Instrument> {
  const id = `${kind}-${newId().slice(-8)}`;
  const one: Instrument = {
    id,
    kind,
    name: name.trim() || DEVICE_KINDS[kind].name,
    by: stream ? { stream } : { key: await keyOf(id, code) },
    calibration: null
  };
  await save([...list, one]);
  return one;
}

export async function removeInstrument(id: string): Promise<void> {
  await save(list.filter((i) => i.id !== id));
  await db.settings.delete(bufferKey(id));
}

/** Puts it into a wine, or out of it. */
export async function pair(
  id: string,
  batchId: string | undefined,
  vesselId: string | undefined
): Promise<void> {
  const ear = ears.get(id);
  if (ear) [ear.kept, ear.buffer] = [null, []];
  await db.settings.delete(bufferKey(id));
  await save(
    list.map((i) => {
      if (i.id !== id) return i;
      const { batchId: _b, vesselId: _v, ...bare } = i;
      return { ...bare, ...(batchId ? { batchId } : {}), ...(vesselId ? { vesselId } : {}) };
    })
  );
}

export const setCalibration = (id: string, calibration: Calibration | null) =>
  save(list.map((i) => (i.id === id ? { ...i, calibration } : i)));
