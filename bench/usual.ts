import type { LedgerEvent } from '../src/lib/core/ledger/log';

const DAY = 86_400_000;

/** A usual batch: sixty events, twenty of them readings, begun at a moment, ms. */
export function usualBatch(startedAt: number): LedgerEvent[] {
  let n = 0;
  const on = (day: number, type: string, data: unknown) => {
    const at = new Date(startedAt + day * DAY).toISOString();
    const id = `01890000-0000-7000-8000-${String(++n).padStart(12, '0')}`;
    const batchId = '01890000-0000-7000-8000-00000000abcd';
    return { id, batchId, type, v: 1, at, zone: 'UTC', recordedAt: at, device: 'bench', data } as LedgerEvent;
  };
  const ingredients = [
    { kind: 'produce', produceId: 'plum', massKg: 4 },
    { kind: 'sugar', sugarId: 'white', massKg: 2 },
    { kind: 'water', volumeL: 8 }
  ];
  return [
    on(0, 'planned', { name: 'Usual', plan: { ingredients, yeast: { yeastId: 'wine' } }, vesselId: 'b' }),
    on(0, 'addition', { ingredients }),
    on(1, 'pitch', { yeast: { yeastId: 'wine' }, massG: 5 }),
    ...Array.from({ length: 37 }, (_, i) => on(1 + i / 2, 'stir', {})),
    ...Array.from({ length: 20 }, (_, i) =>
      on(2 + i * 2.5, 'reading', { sg: Math.max(0.994, 1.082 - i * 0.011), tempC: 20 })
    )
  ];
}
