import { z } from 'zod';
import { A_DREG_L, fillL, keepShare, pourInto } from '../fill';
import { fillOf, takeFrom } from '../operations';
import { MUCH_RACKED, volumeIn } from '../question';
import { doubt, type Working } from '../state';
import { defineEvent, id, volumeL, type Part } from './define';

const data = z.strictObject({
  from: id,
  to: z
    .array(z.strictObject({ vesselId: id, volumeL: volumeL.positive() }))
    .min(1)
    .max(20),
  lossL: volumeL,
  /** true: that was all, the rest is sediment; false: the rest stays; left out: a little is sediment */
  emptied: z.boolean().optional()
});
type TransferData = z.infer<typeof data>;

/** Where more of it than this stays it was split, for room or for a blend: it still stands on its lees. Ours. */
const SPLIT = 0.3;

/** The composition is what was in there; what is measured stands, and what nobody poured stays where it was. */
function transfer(s: Working, data: TransferData, at: number): void {
  const source = s.fills.find((f) => f.vesselId === data.from);
  if (!source || fillL(source) <= 0) return doubt(s, 'not-there');
  const volume = fillL(source);
  const pouredL = data.to.reduce((sum, t) => sum + t.volumeL, 0);
  const outL = pouredL + data.lossL;
  const perL = takeFrom(s, source, outL, 'rack', data.emptied);
  const isEmptied = !s.fills.includes(source);
  const before = { ...source, cost: source.cost, racked: source.racked };
  // Joined again to wine that was racked no more often than it: no racking, it only stood apart.
  const isNew = (id: string) => {
    const there = s.fills.find((f) => f.vesselId === id);
    return !there || fillL(there) <= A_DREG_L || there.racked.length > before.racked.length;
  };
  const isMoved = data.to.some((t) => t.vesselId !== data.from && isNew(t.vesselId));
  // Into itself: what stays is poured back when all else is out.
  for (const to of data.to)
    if (to.vesselId !== data.from || isEmptied) pourInto(fillOf(s, to.vesselId), before, to.volumeL * perL);
  const [main] = data.to;
  const gone = isEmptied ? 1 : Math.min(1, outL / volume);
  const stays = data.to.find((t) => t.vesselId === data.from)?.volumeL ?? 0;
  const keep = (isEmptied ? 0 : 1 - gone) + stays * perL;
  s.flows.push({
    at,
    kind: 'move',
    from: data.from,
    to: data.to
      .filter((t) => t.vesselId !== data.from)
      .map((t) => ({ vesselId: t.vesselId, share: t.volumeL * perL })),
    keep
  });
  // What was spilt or left behind was paid for: the wine that is left carries it.
  if (main) fillOf(s, main.vesselId).cost += before.cost * Math.max(0, gone - pouredL * perL);
  if (!isEmptied) {
    keepShare(source, keep);
    source.cost *= 1 - gone;
  } else for (const lot of s.lots) if (lot.vesselId === data.from && main) lot.vesselId = main.vesselId;
  s.lostL += data.lossL;
  if ((isEmptied && stays > 0) || (keep < SPLIT && isMoved)) {
    s.rackings.push({ at, lossL: data.lossL });
    for (const t of data.to) fillOf(s, t.vesselId).racked = [...before.racked, at];
  } else s.splits.push(at);
  if (Math.abs(outL - volume) > Math.max(0.2, 0.04 * volume) && (isEmptied || outL > volume))
    s.corrections.push({ kind: 'volume', at, expectedL: volume, foundL: outL });
}

/** Wine goes from one vessel into others, off what has settled. */
export const transferred = defineEvent({
  type: 'transfer',
  data,
  touchesLiquid: true,
  apply: (s, e, at) => transfer(s, e.data, at),
  check({ data: { from, lossL } }, { before, words }) {
    const there = volumeIn(before, from);
    return lossL > MUCH_RACKED * there && lossL > 0.5
      ? [
          {
            level: 'ask',
            text: `${words.volume(lossL)} of ${words.volume(there)} left behind is very much.`,
            todo: 'Was it so?'
          }
        ]
      : [];
  },
  says: (e) => ({
    what: ['Racked'],
    detail: [
      ...e.data.to.flatMap((t, i): Part[] => [
        i > 0 ? ', ' : '',
        { volumeL: t.volumeL },
        ' to ',
        { vesselId: t.vesselId }
      ]),
      '; ',
      { volumeL: e.data.lossL },
      ' left behind'
    ]
  }),
  slots: (d) => [
    ...d.to.map((t, i) => ({
      path: ['to', i, 'volumeL'],
      label: ['Into the ', { vesselId: t.vesselId }],
      kind: 'volume' as const
    })),
    { path: ['lossL'], label: ['Left behind'], kind: 'volume' }
  ],
  source: (d) => d.from
});
