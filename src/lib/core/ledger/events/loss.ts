import { z } from 'zod';
import { WATER_20 } from '../../liquid/water';
import { fillL } from '../fill';
import { draw, named, sharesOf } from '../operations';
import { doubt, type Working } from '../state';
import { defineEvent, id, volumeL } from './define';

/** How wine leaves a vessel that goes into nothing, and what is said of it. */
export const LOST = {
  spilt: 'Spilt',
  'boiled-off': 'Boiled off',
  'poured-away': 'Poured away',
  drunk: 'Drunk from the jar'
} as const;
export type LostHow = keyof typeof LOST;
export const LOST_HOW = Object.keys(LOST) as [LostHow, ...LostHow[]];

const data = z.strictObject({
  vesselId: id.optional(),
  volumeL: volumeL.positive(),
  how: z.enum(LOST_HOW)
});
type LossData = z.infer<typeof data>;

function lose(s: Working, data: LossData): void {
  if (data.how !== 'boiled-off') return draw(s, data.vesselId, data.volumeL);
  // Boiled off: water alone goes, and what it held stays.
  const fills = named(s, data.vesselId);
  const total = fills.reduce((sum, f) => sum + fillL(f), 0);
  if (total <= 0 || data.volumeL > total) return doubt(s, total <= 0 ? 'not-there' : 'more-than-there');
  const shares = sharesOf(fills);
  fills.forEach((f, i) => {
    const waterKg = Math.min(0.95 * f.stock.waterKg, shares[i]! * data.volumeL * WATER_20);
    f.stock.waterKg -= waterKg;
    s.flows.push({ at: s.eventAt, kind: 'boil', vesselId: f.vesselId, waterKg });
  });
}

/** Spilt, poured away or drunk; or boiled off: then only water goes. */
export const loss = defineEvent({
  type: 'loss',
  data,
  touchesLiquid: true,
  apply: (s, e) => lose(s, e.data),
  says: (e) => ({
    what: [LOST[e.data.how]],
    detail: [{ volumeL: e.data.volumeL }]
  }),
  slots: () => [{ path: ['volumeL'], label: ['How much'], kind: 'volume' }],
  source: (d) => d.vesselId
});
