import { mulberry32 } from '../maths/draw';
import type { Ingredient } from '../plan/plan';
import { SWEETENERS, type SweetenerId } from '../tables/sweeteners';
import { ADDITIVES, type AdditiveId } from '../tables/substances';
import { MILLS, PRESSES, type Mill, type Press } from '../plan/extraction';
import { PRODUCE } from '../tables/table';
import { LOST_HOW } from '../ledger/events/loss';
import type { EventData, EventType, LedgerEvent } from '../ledger/log';

const T0 = Date.parse('2026-01-01T08:00:00Z');
const DAY = 86_400_000;

/** A history of anything at all, at the ends of what the schema takes, in any order, by its seed. */
export function extremeHistory(seed: number): LedgerEvent[] {
  const random = mulberry32(seed * 104_729 + 7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const size = (): number =>
    pick([0, 1e-9, 1e-3, 0.01, 0.3, 1, 2.5, 10, 23, 150, 1999]) * (random() < 0.5 ? 1 : random());
  const vessel = (): string => pick(['a', 'b', 'c', 'd', 'bucket-10', 'jar-5']);
  const batchId = '01890000-0000-7000-8000-000000000001';
  const ids: string[] = [];
  const item = (): Ingredient => {
    const kind = pick([
      'produce',
      'produce',
      'sugar',
      'honey',
      'juice',
      'water',
      'water',
      'wine',
      'acid',
      'additive'
    ] as const);
    const massKg = size();
    const volumeL = size();
    const produce = pick(PRODUCE);
    switch (kind) {
      case 'produce':
        return {
          kind,
          produceId: random() < 0.05 ? 'gone-from-the-table' : produce.id,
          massKg,
          ...(random() < 0.2 ? { form: pick(['frozen', 'dried', 'canned'] as const) } : {}),
          ...(random() < 0.1
            ? { measured: { brix: pick([0, 20, 80]), ph: pick([1.5, 3, 9]), taGL: pick([0, 100]) } }
            : {}),
          ...(random() < 0.1
            ? {
                pressed: {
                  press: pick(Object.keys(PRESSES) as Press[]),
                  mill: pick(Object.keys(MILLS) as Mill[])
                }
              }
            : {})
        };
      case 'sugar':
        return {
          kind,
          sugarId: pick(Object.keys(SWEETENERS) as SweetenerId[]),
          massKg,
          layered: random() < 0.2
        };
      case 'honey':
        return { kind, massKg };
      case 'juice':
        return {
          kind,
          produceId: pick(['apple', 'grape', 'lemon']),
          volumeL,
          ...(random() < 0.3 ? { form: 'concentrate' as const } : {})
        };
      case 'water':
        return { kind, volumeL, alkalinityMgL: pick([0, 120, 1000]) };
      case 'wine':
        return { kind, volumeL, abv: pick([0, 12, 25]), sg: pick([0.97, 1, 1.2]) };
      case 'acid':
        return {
          kind,
          acidId: pick(['tartaric', 'citric', 'potassium-bicarbonate', 'calcium-carbonate'] as const),
          massKg
        };
      case 'additive':
        return {
          kind,
          additiveId: pick(Object.keys(ADDITIVES) as AdditiveId[]),
          massKg: Math.min(20, massKg)
        };
    }
  };
  const items = (): Ingredient[] => Array.from({ length: 1 + Math.floor(random() * 4) }, item);
  const text = 'x';
  const MAKE: { [T in EventType]?: () => EventData<T> } = {
    addition: () => ({ ingredients: items(), ...(random() < 0.4 ? { vesselId: vessel() } : {}) }),
    pitch: () => ({
      yeast:
        random() < 0.3
          ? { toleranceAbv: pick([1, 12, 25]) }
          : { yeastId: pick(['ale', 'wine', 'champagne', 'wild'] as const) }
    }),
    stir: () => ({}),
    reading: () => ({
      sg: pick([0.97, 0.985, 0.99, 1, 1.02, 1.08, 1.15, 1.3]),
      ...(random() < 0.2 ? { residueSg: pick([0.97, 1, 1.03, 1.22, 1.3]) } : {}),
      ...(random() < 0.3 ? { tempC: pick([-5, 4, 20, 105]) } : {}),
      ...(random() < 0.2 ? { ph: pick([1.5, 3.3, 9]), taGL: pick([0, 6, 40]) } : {}),
      ...(random() < 0.2 ? { volumeL: size() } : {}),
      ...(random() < 0.5 ? { vesselId: vessel() } : {})
    }),
    'fruit-out': () => ({
      press: pick(['drip', 'press'] as const),
      ...(random() < 0.4 ? { volumeL: size() } : {})
    }),
    steep: () => ({ ingredients: items(), ...(random() < 0.5 ? { vesselId: vessel() } : {}) }),
    'steep-out': () => ({ steepId: pick([...ids, 'nothing']) }),
    'top-up': () => ({ vesselId: vessel(), ...(random() < 0.7 ? { ingredient: item() } : {}) }),
    sample: () => ({ volumeL: size() + 1e-6, returned: random() < 0.5 }),
    loss: () => ({ volumeL: size() + 1e-6, how: pick(LOST_HOW) }),
    transfer: () => ({
      from: vessel(),
      to: Array.from({ length: 1 + Math.floor(random() * 3) }, () => ({
        vesselId: vessel(),
        volumeL: size() + 1e-6
      })),
      lossL: size(),
      ...(random() < 0.3 ? { emptied: random() < 0.5 } : {})
    }),
    note: () => ({ text }),
    photo: () => ({
      photoId: batchId,
      width: 1,
      height: 20_000,
      ...(random() < 0.5 ? { caption: text } : {})
    }),
    tasting: () => ({
      text,
      liking: 3,
      ...(random() < 0.5
        ? { words: ['too-sharp', 'nothing-known'], when: 'past' as const, wanted: { sweetGL: 200, taGL: 0 } }
        : {})
    }),
    bottle: () => ({
      from: vessel(),
      bottles: [
        {
          count: pick([1, 6, 2000]),
          sizeL: pick([0.05, 0.75, 20]),
          type: pick(['still', 'crown', 'sparkling'] as const)
        }
      ],
      ...(random() < 0.3 ? { primingGL: pick([0, 24, 60]) } : {})
    }),
    open: () => ({
      bottleId: pick(ids.length > 0 ? ids : [batchId]),
      count: pick([1, 2000]),
      found: pick(['still', 'gushing'] as const),
      ...(random() < 0.5 ? { how: pick(['given', 'broken', 'swapped'] as const), to: text } : {}),
      ...(random() < 0.3 ? { kind: pick([0, 1, 19]), from: [{ rackId: 'r', row: 0, col: 0 }] } : {})
    }),
    shelve: () => ({
      bottleId: pick(ids.length > 0 ? ids : [batchId]),
      kind: pick([0, 1, 19]),
      taken: random() < 0.5 ? [{ rackId: 'r', row: 0, col: 0 }] : [],
      put: [
        { rackId: 'r', row: 0, col: 0 },
        { rackId: 'r', row: 99, col: 99 }
      ]
    }),
    step: () => ({
      step: pick(['stir', 'stabilise', 'nonsense']),
      outcome: pick(['done', 'skipped'] as const)
    }),
    void: () => ({ eventId: pick(ids.length > 0 ? ids : [batchId]) })
  };
  const out: LedgerEvent[] = [];
  const push = (type: EventType, data: unknown) => {
    const id = `01890000-0000-7000-8000-${String(seed * 1000 + out.length).padStart(12, '0')}`;
    const at = new Date(T0 + random() * 400 * DAY).toISOString();
    out.push({
      id,
      batchId,
      type,
      v: 1,
      at: type === 'planned' ? new Date(T0).toISOString() : at,
      zone: pick(['UTC', 'Europe/Lisbon', 'Etc/Unknown', 'Nowhere/At-All']),
      recordedAt: at,
      device: 'x',
      data
    } as LedgerEvent);
    if (type !== 'void') ids.push(id);
  };
  push('planned', {
    name: 'Extreme',
    plan: {
      ingredients: items(),
      wildYeast: pick(['wild', 'heat', 'sulphite']),
      sugar: pick(['start', 'steps', 'halves', 'strained'])
    },
    vesselId: 'a'
  });
  const types = Object.keys(MAKE) as EventType[];
  const count = 3 + Math.floor(random() * 30);
  for (let i = 0; i < count; i++) {
    const type = random() < 0.35 ? 'addition' : pick(types);
    push(type, MAKE[type]!());
  }
  return out;
}
