import { z } from 'zod';
import { defineEvent, id, type Part } from './define';

const data = z
  .strictObject({
    /** the one that was moved; all of them where it is left out */
    vesselId: id.optional(),
    /** what the place is called */
    name: z.string().min(1).max(60).optional(),
    /** how warm that place is, °C */
    tempC: z.number().finite().min(-10).max(45).optional()
  })
  .refine((d) => d.name !== undefined || d.tempC !== undefined, 'holds no place');

/** Where a wine stands from now on. How warm the place is lasts until it is moved, as no sample's temperature does. */
export const place = defineEvent({
  type: 'place',
  data,
  touchesLiquid: false,
  apply(s, { data: { vesselId, name, tempC } }, at) {
    for (const f of s.fills)
      if (vesselId === undefined || f.vesselId === vesselId)
        s.places[f.vesselId] = { at, name: name ?? null, tempC: tempC ?? null };
    if (tempC !== undefined) s.flows.push({ at, kind: 'room', tempC });
  },
  says: ({ data: { vesselId, name, tempC } }) => {
    const where: Part[] = name === undefined ? [] : [name];
    const warm: Part[] = tempC === undefined ? [] : [{ tempC }];
    const which: Part[] = vesselId === undefined ? [] : [{ vesselId }];
    return {
      what: ['Stands'],
      detail: [where, warm, which].filter((p) => p.length > 0).flatMap((p, i) => (i > 0 ? [', ', ...p] : p))
    };
  },
  source: (d) => d.vesselId
});
