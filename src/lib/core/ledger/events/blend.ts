import { z } from 'zod';
import { abvOf } from '../../ferment/convert';
import type { Stock } from '../../liquid/stock';
import { yeastSchema } from '../../plan/plan-schema';
import { forgetReads, seenOver } from '../evidence';
import { A_DREG_L, emptyFill, fillL, pourInto } from '../fill';
import { measureAcid } from '../measured-acid';
import { draw, fillOf } from '../operations';
import type { Working } from '../state';
import { defineEvent, id, kg, stockSchema, volumeL, type Of } from './define';

const data = z.strictObject({
  from: z.strictObject({ batchId: z.uuid(), vesselId: id, name: z.string().max(120) }),
  to: id,
  volumeL: volumeL.positive(),
  wine: z.strictObject({
    stock: stockSchema,
    fermentedKg: z.number().finite().min(0),
    powdersG: z.record(z.string().max(40), z.number().finite().min(0)),
    cost: z.number().finite().min(0),
    allergens: z.array(z.string().max(40)).max(20),
    /** living yeasts that come with it; when left out it may hold the strongest */
    yeasts: z.array(yeastSchema).max(20).optional(),
    /** dissolved matter of fruit that is no sugar, kg */
    extractKg: kg.optional(),
    /** its acid where it was measured, with what went in since: pH, and g/L as tartaric */
    acid: z
      .strictObject({ ph: z.number().min(1.5).max(9).optional(), taGL: z.number().min(0).max(40).optional() })
      .optional(),
    stable: z
      .strictObject({
        at: z.number().finite(),
        sorbateG: z.number().finite().min(0),
        sulphiteG: z.number().finite().min(0),
        wasFinished: z.boolean()
      })
      .optional()
  })
});
type BlendData = z.infer<typeof data>;

/** In the batch that takes it, and in the one that gives. */
function blend(s: Working, e: Of<BlendData>, at: number): void {
  const { from, to, volumeL, wine } = e.data;
  if (e.batchId !== s.id) {
    // What it cost goes along with it, and is counted once.
    const giver = s.fills.find((f) => f.vesselId === from.vesselId);
    const cost = Math.min(wine.cost, giver?.cost ?? 0);
    if (giver) giver.cost -= cost;
    s.cost -= cost;
    return draw(s, from.vesselId, volumeL);
  }
  // Of itself it takes what it gives, and is no more than it was.
  if (from.batchId === s.id) draw(s, from.vesselId, volumeL);
  const { yeasts: said, stable, acid, allergens: _, ...held } = wine;
  // A wine whose yeast nobody wrote down may hold the strongest.
  const yeasts = said ?? [{ yeastId: 'champagne' as const }];
  const stock = wine.stock as Stock;
  const extractKg = wine.extractKg ?? Math.max(0, 0.5 * (stock.solidsKg - stock.fermentableKg));
  s.flows.push({ at, kind: 'wine', to, stock, extractKg, yeasts });
  const into = fillOf(s, to);
  const over = fillL(into) > A_DREG_L ? seenOver(into) : null;
  const wasThere = fillL(into) > A_DREG_L;
  const comes = {
    ...emptyFill(to),
    ...held,
    stock,
    extractKg,
    peakAbv: abvOf(stock),
    yeasts,
    stable: stable ?? null
  };
  if (acid) measureAcid(comes, acid);
  pourInto(into, comes);
  if (wasThere) forgetReads(into, over, wine.stock.hexoseKg);
  s.cost += wine.cost;
  for (const a of wine.allergens) if (!s.allergens.includes(a)) s.allergens.push(a);
  if (wine.stock.hexoseKg > 1e-6) s.fedAt = Math.max(s.fedAt, at);
}

/**
 * Wine of another batch into this one. Kept with the batch that takes it; it names both sides, and holds what
 * the wine was as it came, so that neither batch need be read to know the other.
 */
export const blended = defineEvent({
  type: 'blend',
  data,
  touchesLiquid: true,
  apply: blend,
  alsoOf: (d) => [d.from.batchId],
  check: (e) =>
    e.data.from.batchId === e.batchId
      ? [
          {
            level: 'refuse',
            text: 'That is the same wine: it cannot be blended into itself.',
            todo: 'From one of its vessels into another it is racked.'
          }
        ]
      : [],
  says: (e, s) =>
    e.batchId === s.id
      ? {
          what: ['Blended in'],
          detail: [{ volumeL: e.data.volumeL }, ` of ${e.data.from.name} into `, { vesselId: e.data.to }]
        }
      : {
          what: ['Blended away'],
          detail: [{ volumeL: e.data.volumeL }, ' from ', { vesselId: e.data.from.vesselId }]
        }
});
