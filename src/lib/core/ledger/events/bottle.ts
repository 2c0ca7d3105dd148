import { z } from 'zod';
import { heatSchema } from '../../ferment/heat-schema';
import { BOTTLE_TYPES, sizeText } from '../../tables/bottles';
import { emptyFill, fillL, keepShare } from '../fill';
import { bottleId } from '../flow';
import { givesTo, takeFrom } from '../operations';
import { MUCH_LOST, volumeIn } from '../question';
import { doubt, type Bottling, type Working } from '../state';
import { defineEvent, id, type Of } from './define';

const data = z.strictObject({
  from: id,
  bottles: z
    .array(
      z.strictObject({
        count: z.int().min(1).max(2000),
        sizeL: z.number().finite().min(0.05).max(20),
        type: z.enum(BOTTLE_TYPES)
      })
    )
    .min(1)
    .max(20),
  primingGL: z.number().finite().min(0).max(60).optional(),
  /** pressure at 20 °C as it was judged when bottled, bar */
  bar20: z.number().finite().min(0).optional(),
  /** whether it was said to be clear, and to drop no more */
  clear: z.boolean().optional(),
  /** heated through in the bottle, stoppers loose, before it was closed: the core as it was measured */
  heat: heatSchema.optional(),
  /** as in a transfer */
  emptied: z.boolean().optional()
});
type BottleData = z.infer<typeof data>;

function bottle(s: Working, e: Of<BottleData>, at: number): void {
  const { bottles, from, primingGL, clear, bar20, heat, emptied } = e.data;
  const litres = bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  const count = bottles.reduce((sum, b) => sum + b.count, 0);
  const source = s.fills.find((f) => f.vesselId === from);
  const thereL = source ? fillL(source) : 0;
  const held = s.lots
    .filter((l) => (givesTo(s, l)?.vesselId ?? from) === from)
    .reduce((sum, l) => sum + l.held.hexoseKg, 0);
  const fill = { ...(source ?? emptyFill(from)) };
  keepShare(fill, 1);
  const filled: Bottling = {
    eventId: e.id,
    at,
    count,
    litres,
    bottles: bottles.map((b) => ({ ...b, left: b.count })),
    fill,
    primingGL: primingGL ?? 0,
    heat: heat ?? null,
    isClear: clear ?? null,
    bar20: bar20 ?? null,
    heldKg: held,
    left: count,
    opened: [],
    gone: [],
    cells: [],
    cost: 0
  };
  s.bottled.push(filled);
  if (!source || thereL <= 0) return doubt(s, 'not-there');
  const perL = takeFrom(s, source, litres, 'bottle', emptied);
  const keep = s.fills.includes(source) ? Math.max(0, 1 - litres / thereL) : 0;
  if (keep > 0) keepShare(source, keep);
  // What was paid for sediment that is thrown away is paid in the bottles.
  filled.cost = (1 - keep) * source.cost;
  source.cost *= keep;
  s.flows.push({
    at,
    kind: 'move',
    from,
    to: [{ vesselId: bottleId(e.id), share: litres * perL }],
    keep
  });
}

/** Wine of one vessel goes into bottles. */
export const bottled = defineEvent({
  type: 'bottle',
  data,
  touchesLiquid: true,
  apply: bottle,
  check({ data: { from, bottles, emptied, heat, primingGL } }, { before, words }) {
    if (heat && primingGL)
      return [
        {
          level: 'ask',
          text: 'Heat kills the yeast that was to make the bubbles, and a bottle that has any bursts in the bath.',
          todo: 'Leave the sugar out, or the heat.'
        }
      ];
    const there = volumeIn(before, from);
    const left = there - bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
    return emptied && left > MUCH_LOST * there && left > 0.75
      ? [
          {
            level: 'ask',
            text: `${words.volume(left)} of ${words.volume(there)} thrown away as sediment is very much.`,
            todo: 'Was it so?'
          }
        ]
      : [];
  },
  says: (e) => ({
    what: ['Bottled'],
    detail: [
      e.data.bottles.map((b) => `${b.count} × ${sizeText(b.sizeL)}`).join(', '),
      ...(e.data.heat ? [', heated, ', { tempC: e.data.heat.coreC }, ` for ${e.data.heat.minutes} min`] : [])
    ]
  }),
  source: (d) => d.from
});
