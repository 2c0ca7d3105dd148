import type { Ingredient } from '../plan/plan';
import type { EventData } from '../ledger/log';
import type { Fining } from '../tables/finings';
import type { AdditiveId } from '../tables/substances';
import type { Design } from '../ledger/events/label';
import { draft, type Deed } from './deed';
import { drawSample } from './move';
import { look } from './observe';
import { put } from './put';
import { startTimer } from './tick';

/** Sulphite and sorbate into one vessel, in one evening: only both together keep a wine. */
export const stabilise = (
  batchId: string,
  vesselId: string,
  dose: { metabisulphiteG: number; sorbateG: number }
): Deed =>
  put(
    batchId,
    [
      { kind: 'additive', additiveId: 'metabisulphite', massKg: dose.metabisulphiteG / 1000 },
      { kind: 'additive', additiveId: 'sorbate', massKg: dose.sorbateG / 1000 }
    ],
    vesselId
  );

/**
 * A wine sweetened, and sharpened where it was, after the glasses that were tried.
 * @param tried litres that stood in glasses, and whether they were poured back
 */
export const sweetenVessel = (
  batchId: string,
  vesselId: string,
  items: Ingredient[],
  tried: { volumeL: number; returned: boolean } | null
): Deed => [
  ...(tried && tried.volumeL > 0 ? drawSample(batchId, vesselId, tried.volumeL, tried.returned) : []),
  ...put(batchId, items, vesselId)
];

/**
 * How clear a wine was seen to be, what its tests said, and what went in to clear it; what goes in second has its timer.
 * @param at when the first part went in, ms
 * @returns nothing when nothing was said
 */
export function clearWith(
  batchId: string,
  vesselId: string,
  seen: Omit<EventData<'observation'>, 'vesselId'>,
  parts: readonly { id: string; massG: number }[],
  way: Fining | null,
  at: number
): Deed {
  return [
    ...(Object.keys(seen).length > 0 ? look(batchId, { vesselId, ...seen }) : []),
    ...parts
      .slice(0, way?.thenH === undefined ? undefined : 1)
      .flatMap((p) => put(batchId, [powderOf(p)], vesselId)),
    ...parts
      .slice(1)
      .flatMap((p) =>
        way?.thenH === undefined ? [] : startTimer(batchId, `then ${p.id}`, at + way.thenH * 3_600_000)
      )
  ];
}

const powderOf = (p: { id: string; massG: number }): Ingredient => ({
  kind: 'additive',
  additiveId: p.id as AdditiveId,
  massKg: p.massG / 1000
});

/** Labels were printed, or saved to be printed. */
export const labelsMade = (batchId: string, count: number, design: Design): Deed => [
  draft(batchId, 'label', { count, design })
];
