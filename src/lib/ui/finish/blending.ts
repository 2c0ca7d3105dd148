import { blendInto, type Blend, type BlendWine, type Quality } from '$core/finish/blend';
import { likelyStock } from '$core/belief/likely-stock';
import { isStable } from '$core/finish/stabilise';
import { blend as pourOf } from '$core/commands/put';
import { rack } from '$core/commands/move';
import type { Deed } from '$core/commands/deed';
import { abvOf } from '$core/ferment/convert';
import { acidityOf } from '$core/must/adjust';
import { fillL, type Fill } from '$core/ledger/fill';
import type { BatchState } from '$core/ledger/state';
import type { Batch } from '$lib/store/household.svelte';

/** A wine that can give to a blend, and where it stands. */
type Of = Pick<Batch, 'id' | 'state' | 'standing'>;
export type Giver = { key: string; batch: Of; fill: Fill; wine: BlendWine };

/** A vessel's wine by what is believed of it: one that nobody read has fermented all the same. */
function wineOf(name: string, batch: Of, f: Fill): BlendWine {
  const told = batch.standing.belief?.vessels[f.vesselId];
  const stock = likelyStock(f, batch.standing.belief);
  return {
    name,
    volumeL: fillL(f),
    abv: told?.abv.likely ?? abvOf(stock),
    taGL: told?.taGL.likely ?? acidityOf(stock).taGL,
    hexoseGL: (1000 * stock.hexoseKg) / Math.max(0.01, fillL(f))
  };
}

/** Wines of other batches that are out of their bucket: a running must would start this one again. */
export const giversTo = (batchId: string, batches: readonly Of[]): Giver[] =>
  batches.flatMap((b) =>
    b.id === batchId || b.state.rackings.length === 0
      ? []
      : b.state.fills
          .filter((f) => fillL(f) > 0.05)
          .map((f) => {
            const key = `${b.id}/${f.vesselId}`;
            return { key, batch: b, fill: f, wine: wineOf(key, b, f) };
          })
  );

export type Blended = { blend: Blend; from: { giver: Giver; litres: number }[]; isKept: boolean };

/**
 * What is poured of each into a vessel of a batch.
 * @param mostL litres that it, or the larger one it goes into, takes
 */
export function blending(
  batch: Of,
  fill: Fill,
  givers: readonly Giver[],
  want: Partial<Record<Quality, number>>,
  mostL: number
): Blended {
  const blend = blendInto(
    wineOf('it', batch, fill),
    givers.map((g) => g.wine),
    want,
    mostL
  );
  const from = blend.take.flatMap((t) => {
    const giver = givers.find((g) => g.key === t.name);
    return giver ? [{ giver, litres: t.volumeL }] : [];
  });
  // Sugar stays sugar only where every wine in it was finished and holds both.
  return { blend, from, isKept: isStable(fill) && from.every((x) => isStable(x.giver.fill)) };
}

/** The wine into a larger vessel first, where one is named; then each of the others to it: one deed. */
export function blendDeed(s: Pick<BatchState, 'id'>, fill: Fill, into: string, from: Blended['from']): Deed {
  const moved =
    into === fill.vesselId
      ? []
      : rack(s.id, fill.vesselId, [{ vesselId: into, volumeL: fillL(fill) }], 0, true);
  return [
    ...moved,
    ...from.flatMap(({ giver, litres }) => pourOf(s.id, into, giver.batch.state, giver.fill.vesselId, litres))
  ];
}
