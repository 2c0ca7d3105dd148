import { describe, expect, it } from 'vitest';
import type { Plan } from '../must/plan';
import { findPoisonous, unsafePart } from './plants';
import { planCautions } from './rules';

/** Poison-centre lists of garden and hedge plants, from memory. */
describe('poisonous plants', () => {
  it.each([
    'foxglove',
    'Foxglove flowers',
    'Digitalis purpurea',
    'lily of the valley',
    'Lily-of-the-Valley',
    'oleander',
    'yew berries',
    'Taxus baccata',
    'daffodils',
    'laburnum',
    'monkshood',
    'wolfsbane',
    'hemlock',
    'deadly nightshade',
    'Atropa belladonna',
    'cherry laurel',
    'laurel',
    'privet berries',
    'rhododendron',
    'azalea flowers',
    'hydrangea',
    'sweet pea',
    'sweet peas',
    'larkspur',
    'lantana',
    'arum',
    'lords and ladies',
    'dwarf elder',
    'bluebells',
    'buttercups'
  ])('%s is refused', (name) => expect(findPoisonous(name), name).not.toBeNull());

  it.each([
    'elderflower',
    'elderberry',
    'bay',
    'bay laurel leaf',
    'garden peas',
    'peas',
    'sweet cicely',
    'daylily',
    'day lily',
    'parsnip',
    'hibiscus',
    'rose petals',
    'cowslip',
    'rosehip',
    'sloe',
    'cherry',
    'rhubarb',
    'hop',
    'mint',
    'plums'
  ])('%s passes', (name) => expect(findPoisonous(name), name).toBeNull());

  it.each([
    'rhubarb leaves',
    'rhubarb leaf',
    'potato leaves',
    'green potatoes',
    'sprouting potato',
    'elder leaves',
    'cherry kernels',
    'plum stones',
    'apple pips',
    'tomato leaves'
  ])('%s is refused by part', (name) => expect(unsafePart(name), name).not.toBeNull());

  it.each(['rhubarb', 'rhubarb stalks', 'potatoes', 'elder', 'cherries', 'mint leaves', 'plums'])(
    '%s is no unsafe part',
    (name) => expect(unsafePart(name), name).toBeNull()
  );
});

describe('what a plan is warned of', () => {
  const plan = (id: string, extra: Partial<Plan> = {}): Plan => ({
    ingredients: [{ kind: 'produce', produceId: id, massKg: 2 }],
    ...extra
  });
  const ids = (p: Plan, ph: number | null) => planCautions(p, ph).map((c) => c.id);

  it('low acid: by the table before pH is known, and by pH after', () => {
    expect(ids(plan('carrot'), null)).toContain('low-acid');
    expect(ids(plan('carrot'), 5.2)).toContain('low-acid');
    expect(ids(plan('carrot'), 3.9)).not.toContain('low-acid');
    expect(ids(plan('pear'), 4.4)).toContain('low-acid');
    expect(planCautions(plan('carrot'), 5.2).find((c) => c.id === 'low-acid')!.text).toContain('5.2');
  });

  it('heat and sulphite, where they are chosen', () => {
    expect(ids(plan('plum', { wildYeast: 'heat' }), 3.3)).toContain('hot-must');
    expect(ids(plan('plum', { wildYeast: 'sulphite' }), 3.3)).toContain('sulphite');
    expect(ids(plan('plum', { wildYeast: 'wild' }), 3.3)).not.toContain('sulphite');
  });

  it('each once, gravest first', () => {
    const twice: Plan = {
      ingredients: [
        ...plan('elderberry').ingredients,
        ...plan('elderflower').ingredients,
        ...plan('raisin').ingredients
      ]
    };
    const list = planCautions(twice, 3.6);
    expect(new Set(list.map((c) => c.id)).size).toBe(list.length);
    const levels = list.map((c) => c.level);
    expect(levels).toEqual(
      [...levels].sort(
        (a, b) =>
          ['refuse', 'stop', 'warn', 'note'].indexOf(a) - ['refuse', 'stop', 'warn', 'note'].indexOf(b)
      )
    );
  });
});
