import { acidOf, measuredPh } from '../ledger/acid-of';
import { cellarOf } from '../cellar/stock';
import { whereOf } from '../cellar/racks';
import { bottlesLeft, volumeOf } from '../ledger/state';
import { liveTimed, type LedgerEvent } from '../ledger/log';
import type { HarvestLot } from '../plan/harvest';
import { BOTTLES } from '../tables/bottles';
import { produceById } from '../tables/table';
import { civilDay, inZone } from '../units/zone';
import type { Rack } from '../vessels/rack';
import type { InBottle, Stands } from './stands';

/** A table to be saved: its head, with units, and rows of text and figures. */
export type Table = { head: string[]; rows: (string | number | null)[][] };

const round = (x: number | null | undefined, digits: number): number | null =>
  x === null || x === undefined || !Number.isFinite(x) ? null : Number(x.toFixed(digits));

/** A moment as a spreadsheet reads it, in its own zone: `2026-05-31 18:30`. */
export const stampOf = (at: number, zone: string): string =>
  `${civilDay(at, zone)} ${inZone(at, zone, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })}`;

type Named = (vesselId: string | undefined | null) => string;

export const READINGS_HEAD = [
  'wine',
  'time',
  'zone',
  'vessel',
  'gravity',
  'stem showed',
  'temperature °C',
  'pH',
  'acid g/L',
  'free SO2 mg/L',
  'volume L',
  'bubbles a minute',
  'read by'
];

/** Everything that was measured in one wine, oldest first. */
export const readingRows = (
  events: readonly LedgerEvent[],
  id: string,
  name: string,
  vessel: Named
): Table['rows'] =>
  liveTimed(events).flatMap(({ e, at }) => {
    if (e.batchId !== id || (e.type !== 'reading' && e.type !== 'observation')) return [];
    const d = e.data;
    const seen = e.type === 'reading' ? e.data : {};
    const bubbles = 'bubbles' in d && d.bubbles ? (60 * d.bubbles.count) / d.bubbles.seconds : null;
    if (e.type === 'observation' && bubbles === null && d.tempC === undefined) return [];
    return [
      [
        name,
        stampOf(at, e.zone),
        e.zone,
        d.vesselId ? vessel(d.vesselId) : '',
        round(seen.sg, 4),
        round(seen.stemSg, 4),
        round(d.tempC, 1),
        round(seen.ph, 2),
        round(seen.taGL, 2),
        round(seen.freeSo2MgL, 1),
        round(seen.volumeL, 3),
        round(bubbles, 1),
        seen.by ?? ''
      ]
    ];
  });

/** Every wine, a row each. */
export const batchTable = (batches: readonly Stands[], vessel: Named): Table => ({
  head: [
    'wine',
    'begun',
    'stage',
    'in',
    'litres',
    'start gravity',
    'gravity now',
    'alcohol % vol',
    'sugar g/L',
    'acid g/L',
    'pH',
    'bottles filled',
    'bottles left',
    'cost',
    'lost L'
  ],
  rows: batches.map(({ state: s, standing }) => {
    return [
      s.name,
      civilDay(s.startedAt, s.zone),
      standing.stage,
      s.fills.map((f) => vessel(f.vesselId)).join(', '),
      round(volumeOf(s), 2),
      round(s.startSg?.sg, 4),
      round(standing.sg?.sg, 4),
      round(standing.abv.likely, 1),
      round(standing.residualGL, 0),
      round(acidOf(s).taGL, 1),
      round(measuredPh(s), 2),
      s.bottled.reduce((n, b) => n + b.count, 0),
      bottlesLeft(s),
      round(s.cost + s.bottled.reduce((n, b) => n + b.cost, 0), 2),
      round(s.lostL, 2)
    ];
  })
});

/** Every filling of which bottles are left, a row for each kind. */
export const cellarTable = (batches: readonly InBottle[], racks: readonly Rack[], at: number): Table => ({
  head: [
    'wine',
    'year',
    'filled',
    'bottles left',
    'size L',
    'kind',
    'where',
    'drink from',
    'best from',
    'best to',
    'last',
    'could burst',
    'contains',
    'liked of 5',
    'cost each'
  ],
  rows: batches.flatMap((b) =>
    cellarOf({ state: b.state, belief: b.standing.belief, dangers: b.dangers }, at).flatMap((w) =>
      w.bottling.bottles.flatMap((k) => {
        if (k.left === 0) return [];
        const day = (t: number) => civilDay(t, w.zone);
        return [
          [
            w.name,
            Number(day(w.startedAt).slice(0, 4)),
            day(w.bottling.at),
            k.left,
            k.sizeL,
            BOTTLES[k.type].name,
            whereOf(w, racks)
              .map((x) => `${x.name} (${x.count})`)
              .join(', '),
            day(w.drink.first),
            day(w.drink.bestFrom),
            day(w.drink.bestTo),
            day(w.drink.last),
            w.danger ? 'yes' : '',
            w.facts.contains.join(', '),
            w.liking,
            round(w.costEach, 2)
          ]
        ];
      })
    )
  )
});

/** Every lot of the harvest, with what wines took of it. */
export const harvestTable = (
  lots: readonly HarvestLot[],
  used: ReadonlyMap<string, { kg: number; batches: { name: string }[] }>,
  zone: string
): Table => ({
  head: ['produce', 'weighed in', 'kg', 'form', 'weighed', 'place', 'kg used', 'in', 'what became of it'],
  rows: lots.map((l) => [
    l.entry?.plural ?? produceById(l.produceId)?.plural ?? l.produceId,
    civilDay(Date.parse(l.at), zone),
    round(l.massKg, 3),
    l.form ?? 'fresh',
    l.weighed ?? '',
    l.place ?? '',
    round(used.get(l.id)?.kg ?? 0, 3),
    (used.get(l.id)?.batches ?? []).map((b) => b.name).join(', '),
    l.fates.map((f) => `${f.what} ${round(f.massKg, 3)} kg ${civilDay(Date.parse(f.at), zone)}`).join('; ')
  ])
});
