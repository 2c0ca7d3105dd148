import type { Batch } from '$lib/store/household.svelte';
import { vesselById } from '$lib/store/household.svelte';
import { INSOLUBLE_DENSITY, liquid } from '$core/must/stock';
import { FOAM_ROOM } from '$core/scale/vessels';
import { volumeText } from '$core/units/format';
import type { VolumeUnit } from '$core/units/measure';

const HOUR = 3_600_000;

export type Warning = { text: string; tone: 'danger' | 'caution' };

/** What is wrong with a batch, gravest first. */
export function warningsOf(b: Batch, now: number, unit: VolumeUnit): Warning[] {
  const out: Warning[] = [];
  const s = b.state;
  const last = s.readings.at(-1);
  const pitched = s.pitches.at(-1);
  if (b.standing.stage === 'bottled') return out;
  const hoursSince = pitched ? (now - pitched.at) / HOUR : 0;
  const start = s.startSg?.sg ?? 0;
  const hasMoved = last !== undefined && start - last.sg > 0.003;
  if (pitched && s.rackings.length === 0 && !hasMoved && hoursSince > 48)
    out.push({ text: `still asleep, ${Math.round(hoursSince)} h after the yeast`, tone: 'danger' });
  const bottling = b.due.find((d) => d.step.id === 'bottle');
  if (bottling && bottling.status !== 'coming' && !b.standing.steady.steady)
    out.push({ text: 'not shown to be finished: two readings three days apart first', tone: 'caution' });
  for (const f of s.fills) {
    const v = vesselById(f.vesselId);
    const litres = liquid(f.stock)?.volumeL ?? 0;
    if (!v) continue;
    if (v.shape !== 'bucket' && litres > 0 && v.capacityL - litres > 0.12 * v.capacityL)
      out.push({
        text: `${volumeText(v.capacityL - litres, unit)} of air over it: smaller glass, or top up`,
        tone: 'caution'
      });
    if (
      v.shape === 'bucket' &&
      s.fruitInAt !== null &&
      s.fruitOutAt === null &&
      litres + s.insolublesKg / INSOLUBLE_DENSITY > (1 - FOAM_ROOM.usual) * v.capacityL
    )
      out.push({ text: 'little room left for foam', tone: 'caution' });
  }
  return out;
}
