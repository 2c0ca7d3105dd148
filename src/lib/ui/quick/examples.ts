import type { Settings } from '$core/units/settings';
import type { Batch } from '$lib/store/household.svelte';

/** Lines to begin from, in the household's measures, that fit where one is. */
export function examplesFor(wine: Batch | null, s: Settings): string[] {
  const degrees = s.temp === 'C' ? '21c' : '70f';
  const sugar = s.mass === 'kg' ? '750 g sugar' : '1 lb sugar';
  const jars = s.volume === 'L' ? 'racked to 5 l and 2 l, lost 0.5 l' : 'racked to 2 x 1 gal, lost 1 pt';
  const plan = s.mass === 'kg' ? '4 kg plums, 3 kg sugar, 10 l' : '9 lb plums, 6 lb sugar, 3 gal';
  if (!wine)
    return [
      'all stirred',
      plan,
      'picked 3 lb gooseberries',
      'what next',
      'how much sugar for 5 l at 12 %'
    ].map((x) => (s.mass === 'kg' ? x.replace('3 lb', '2 kg') : x));
  const mine = s.sets.slice(-2).map((x) => `added my ${x.name}`);
  if (wine.state.fills.length === 0) return ['opened one, still', 'tasted: soft, 4/5', 'how strong is it'];
  return wine.state.rackings.length > 0
    ? [`sg 0.998 ${degrees}`, 'tastes dry', ...mine, jars, 'is it safe to bottle', 'what next']
    : [
        `sg 1.064 ${degrees}`,
        'stirred',
        `+ ${sugar}`,
        'bubbles 5 in 12 s',
        ...(mine.length > 0 ? mine : ['my nutrient mix is 1 tsp nutrient and 1 g dap']),
        '3 campden and 1 tsp nutrient',
        'what next'
      ];
}
