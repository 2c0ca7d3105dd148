import { z } from 'zod';
import { setRight, type Calibration } from '$core/instruments/calibrate';
import { hear, isSilent, newWatch, type Lie, type Watch } from '$core/instruments/lies';
import { sampleSchema, type At } from '$core/instruments/sample';
import { isWorth, smoothed, USUAL } from '$core/instruments/thin';
import { DEVICE_IDS, DEVICE_KINDS, type Device } from '$lib/devices/device';
import { byPost } from '$lib/devices/posted';
import { byStream } from '$lib/devices/stream';
import { db } from './db';
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

type Ear = { stop: () => void; watch: Watch; kept: At | null; buffer: At[] };
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
  'stream' in i.by ? byStream(i.by.stream) : byPost(i.id, i.by.key);

const tell = (id: string, part: Partial<Live>) =>
  void (live = { ...live, [id]: { ...instruments.live(id), ...part } });

/** What waits to be smoothed is written within this long. */
const BUFFER_MS = 10 * 60_000;
const MOST_BUFFERED = 200;

/** Writes what is worth a line of the wine it floats in. */
async function write(i: Instrument, ear: Ear): Promise<void> {
  const [one] = smoothed(ear.buffer, 24).slice(-1);
  ear.buffer = [];
  if (!one || !i.batchId || !isWorth(ear.kept, one, USUAL)) return;
  ear.kept = one;
  try {
    const { leftOut } = await bringReadings(i.batchId, [one], i.name, i.vesselId);
    // It was racked from under it, or never went in.
    if (leftOut > 0) tell(i.id, { lost: 'what it reads cannot be of that wine: say what it is in' });
  } catch (e) {
    tell(i.id, { lost: e instanceof Error ? e.message : String(e) });
  }
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
  ear.buffer = [...ear.buffer, right].slice(-MOST_BUFFERED);
  if (isWriter && (!ear.kept || now - ear.buffer[0]!.at >= BUFFER_MS)) void write(i, ear);
}

function listen(): void {
  for (const [id, ear] of ears)
    if (!list.some((i) => i.id === id)) {
      ear.stop();
      ears.delete(id);
    }
  for (const i of list) {
    if (ears.has(i.id)) continue;
    const stop = deviceOf(i).listen(
      (raw) => heard(i.id, raw),
      (lost) => tell(i.id, { lost })
    );
    ears.set(i.id, { stop, watch: newWatch(), kept: null, buffer: [] });
  }
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
  const kept = z.array(instrumentSchema).safeParse((await db.settings.get(KEY))?.value ?? []);
  list = kept.success ? kept.data : [];
  if (!('locks' in navigator)) isWriter = true;
  else
    void navigator.locks.request('instruments', () => {
      isWriter = true;
      writeHeard();
      return new Promise<never>(() => undefined);
    });
  listen();
}

export async function addInstrument(
  kind: Instrument['kind'],
  name: string,
  stream: string | null
): Promise<Instrument> {
  const id = `${kind}-${newId().slice(-8)}`;
  const key = `${newId().replace(/-/g, '')}${newId().slice(-12)}`;
  const one: Instrument = {
    id,
    kind,
    name: name.trim() || DEVICE_KINDS[kind].name,
    by: stream ? { stream } : { key },
    calibration: null
  };
  await save([...list, one]);
  return one;
}

export const removeInstrument = (id: string) => save(list.filter((i) => i.id !== id));

/** Puts it into a wine, or out of it. */
export async function pair(
  id: string,
  batchId: string | undefined,
  vesselId: string | undefined
): Promise<void> {
  const ear = ears.get(id);
  if (ear) [ear.kept, ear.buffer] = [null, []];
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
