import { blendInto, type Blend, type BlendWine, type Quality } from '$core/finish/blend';
import { likelyStock } from '$core/belief/likely-stock';
import { hasBacteria } from '$core/finish/stabilise';
import { isStable } from '$core/ledger/preserved';
import { blend as pourOf, put } from '$core/commands/put';
import { rack } from '$core/commands/move';
import type { Deed } from '$core/commands/deed';
import { abvOf } from '$core/ferment/convert';
import { acidityOf } from '$core/liquid/acidity';
import { depthOf, mustColour } from '$core/plan/colour';
import { fillL, type Fill } from '$core/ledger/fill';
import type { BatchState } from '$core/ledger/state';
import type { Batch } from '$lib/store/household.svelte';

/** A wine that can give to a blend, and where it stands. */
type Of = Pick<Batch, 'id' | 'state' | 'standing'>;
export type Giver = { key: string; wine: BlendWine } & ({ batch: Of; fill: Fill } | { isWater: true });

/** Water of the tap, boiled and cooled: it thins all there is. */
export const waterFor = (fill: Fill): Giver => ({
  key: 'water',
  isWater: true,
  wine: { name: 'water', volumeL: MOST_WATER * fillL(fill), abv: 0, taGL: 0, hexoseGL: 0, depth: 0 }
});
/** More water than this part of a wine makes it thin. Ours. */
const MOST_WATER = 0.3;

/** A vessel's wine by what is believed of it: one that nobody read has fermented all the same. */
function wineOf(name: string, batch: Of, f: Fill): BlendWine {
  const told = batch.standing.belief?.vessels[f.vesselId];
  const stock = likelyStock(f, batch.standing.belief);
  return {
    name,
    volumeL: fillL(f),
    abv: told?.abv.likely ?? abvOf(stock),
    taGL: told?.taGL.likely ?? acidityOf(stock).taGL,
    hexoseGL: (1000 * stock.hexoseKg) / Math.max(0.01, fillL(f)),
    depth: depthOf(mustColour(batch.state.plan.ingredients).must)
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

export type Blended = { blend: Blend; from: { giver: Giver; litres: number }[]; kept: Kept };

/**
 * What becomes of its sugar: it stays where every wine was finished and holds both powders; water thins those; yeast of
 * one takes the sugar of another. Sorbate and malolactic bacteria from different jars spoil all of it.
 */
export type Kept = 'stays' | 'thinned' | 'wakes' | 'geranium';

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
  const own = { batch, fill };
  const wines = [own, ...from.flatMap((x) => ('fill' in x.giver ? [x.giver] : []))];
  const isThinned = from.some((x) => !('fill' in x.giver));
  const kept = keptOf(wines, isThinned);
  return { blend, from, kept };
}

function keptOf(wines: readonly { batch: Of; fill: Fill }[], isThinned: boolean): Kept {
  const fills = wines.map((w) => w.fill);
  if (fills.some(hasBacteria) && fills.some((f) => (f.powdersG.sorbate ?? 0) > 0)) return 'geranium';
  if (!wines.every((w) => isStable(w.fill))) return 'wakes';
  return isThinned ? 'thinned' : 'stays';
}

/** The wine into a larger vessel first, where one is named; then each of the others to it: one deed. */
export function blendDeed(s: Pick<BatchState, 'id'>, fill: Fill, into: string, from: Blended['from']): Deed {
  const moved =
    into === fill.vesselId
      ? []
      : rack(s.id, fill.vesselId, [{ vesselId: into, volumeL: fillL(fill) }], 0, true);
  return [
    ...moved,
    ...from.flatMap(({ giver, litres }) =>
      'fill' in giver
        ? pourOf(s.id, into, giver.batch.state, giver.fill.vesselId, litres)
        : put(s.id, [{ kind: 'water', volumeL: litres }], into)
    )
  ];
}
