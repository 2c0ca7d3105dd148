import { bottlesLeft } from '$core/ledger/state';
import { cellarOf } from '$core/cellar/stock';
import { household, type OpenBatch } from '$lib/store/household.svelte';
import { ageWords } from '../cellar/words';
import { acidOf, measuredPh } from '$core/ledger/acid-of';
import { yeastName } from '$core/plan/chosen';

/** A line of the comparison: what is compared, and its figure for each wine. */
export type Line = { what: string; of: (b: OpenBatch) => string };

const none = '–';

/** The sums that wines are set beside one another by. */
export const LINES: Line[] = [
  { what: 'Started at', of: (b) => (b.state.startSg ? b.state.startSg.sg.toFixed(3) : none) },
  { what: 'Now', of: (b) => (b.standing.sg ? b.standing.sg.sg.toFixed(3) : none) },
  { what: 'Alcohol', of: (b) => `${b.standing.abv.likely.toFixed(1)} %` },
  { what: 'Sugar left', of: (b) => `${b.standing.residualGL.toFixed(0)} g/L, ${b.standing.sweetness}` },
  {
    what: 'Acid',
    of: (b) => {
      const { taGL, taFrom } = acidOf(b.state);
      return taGL === null ? none : `${taGL.toFixed(1)} g/L${taFrom === 'sums' ? '' : ', measured'}`;
    }
  },
  { what: 'pH', of: (b) => measuredPh(b.state)?.toFixed(1) ?? none },
  { what: 'Days', of: (b) => String(b.standing.day) },
  { what: 'Days on the fruit', of: (b) => daysOnFruit(b) },
  {
    what: 'Yeast',
    of: (b) => b.state.pitches.map((p) => yeastName(p.yeast)).join(', then ') || none
  },
  { what: 'Rackings', of: (b) => String(b.state.rackings.length) },
  { what: 'Lost on the way', of: (b) => `${b.state.lostL.toFixed(1)} L` },
  {
    what: 'Tasted',
    of: (b) =>
      b.state.tastings.map((t) => `${t.text}${t.liking ? ` (${t.liking} of 5)` : ''}`).join('; ') || none
  },
  {
    what: 'Liked',
    of: (b) => {
      const liked = b.state.tastings.flatMap((t) => (t.liking === null ? [] : [t.liking]));
      return liked.length === 0 ? none : `${liked.join(', then ')} of 5`;
    }
  },
  {
    what: 'Bottles left',
    of: (b) => {
      const all = b.state.bottled.reduce((n, x) => n + x.count, 0);
      return all === 0 ? none : `${bottlesLeft(b.state)} of ${all}`;
    }
  },
  {
    what: 'In its time',
    of: (b) =>
      cellarOf({ state: b.state, belief: b.standing.belief, dangers: b.dangers }, household.now)
        .map((w) => ageWords(w, household.now))
        .join('; ') || none
  },
  {
    what: 'Cost a bottle',
    of: (b) => {
      const count = b.state.bottled.reduce((n, x) => n + x.count, 0);
      const cost = b.state.bottled.reduce((n, x) => n + x.cost, 0);
      return count > 0 && cost > 0 ? (cost / count).toFixed(2) : none;
    }
  }
];

function daysOnFruit(b: OpenBatch): string {
  const { fruitInAt, fruitOutAt, at } = b.state;
  return fruitInAt === null ? none : Math.round(((fruitOutAt ?? at) - fruitInAt) / 86_400_000).toString();
}
