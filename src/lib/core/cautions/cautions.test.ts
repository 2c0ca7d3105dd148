import { plain } from '../units/say';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../plan/plan';
import { findPoisonous, unsafePart } from '../tables/plants';
import { PRODUCE } from '../tables/table';
import { cautionsAt, planCautions, RULES } from './rules';

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

describe('the cautions engine', () => {
  const at = (...args: Parameters<typeof cautionsAt>) => cautionsAt(...args).map((c) => c.id);
  const powder = (additiveId: 'sorbate' | 'campden' | 'nutrient', massKg: number) =>
    ({ kind: 'additive', additiveId, massKg }) as const;

  it('has a level, a place and plain words for every caution of the trade', () => {
    for (const id of [
      'poison-plant',
      'poison-part',
      'unknown-plant',
      'foraged',
      'elder',
      'carrot-family',
      'kernels',
      'rhubarb-leaves',
      'green-potato',
      'rosehip-hairs',
      'medicines',
      'dogs',
      'low-acid',
      'mould',
      'hot-must',
      'carbon-dioxide',
      'preserved',
      'glass-jars',
      'food-grade',
      'bleach-mix',
      'sulphite',
      'sorbate',
      'finings',
      'cleaners',
      'absurd-dose',
      'pressure',
      'heat-treating',
      'screw-caps',
      'adults',
      'distilling',
      'methanol',
      'estimate'
    ])
      expect(RULES[id], id).toBeDefined();
    for (const [id, rule] of Object.entries(RULES)) {
      expect(rule.text.length, id).toBeGreaterThan(20);
      expect(rule.text.length, id).toBeLessThan(240);
      // What can hurt most says whom to ask.
      if (rule.level === 'refuse') expect(rule.ask, id).toMatch(/poison|doctor/);
    }
    for (const p of PRODUCE) for (const id of p.cautions) expect(RULES[id], `${p.id} ${id}`).toBeDefined();
  });

  it('stops an absurd dose, warns of a high one, lets a usual one pass', () => {
    expect(at('add', { adding: powder('nutrient', 0.01), volumeL: 10 })).toEqual([]);
    expect(at('add', { adding: powder('nutrient', 0.04), volumeL: 10 })).toContain('high-dose');
    const stop = cautionsAt('add', { adding: powder('nutrient', 0.3), volumeL: 10 })[0]!;
    expect(stop).toMatchObject({ id: 'absurd-dose', level: 'stop' });
    expect(plain(stop.text)).toMatch(/300 g.*more than anyone.*Usual for 10.0 L/);
  });

  it('counts what is in already', () => {
    const scene = { adding: powder('sorbate', 0.004), volumeL: 10 };
    expect(at('add', scene)).not.toContain('high-dose');
    expect(at('add', { ...scene, hadG: 4 })).toContain('high-dose');
  });

  it('speaks where the risk arises, and nowhere else', () => {
    expect(at('add', { adding: powder('sorbate', 0.002), volumeL: 10 })).toContain('sorbate');
    expect(at('ferment', { volumeL: 30 })).toContain('carbon-dioxide');
    expect(at('ferment', { volumeL: 10 })).not.toContain('carbon-dioxide');
    expect(at('rack', { intoGlass: true })).toContain('glass-jars');
    expect(at('rack', { intoGlass: false })).toEqual([]);
    expect(at('bottle', { isAlive: true })).toContain('unfinished');
    expect(at('clean', { now: 'sanitising' })).toEqual(expect.arrayContaining(['bleach-mix', 'cleaners']));
    expect(at('plan', { plan: plan0([{ kind: 'sugar', sugarId: 'lactose', massKg: 0.2 }]) })).toContain(
      'finings'
    );
    expect(at('plan', { plan: plan0([{ kind: 'sugar', sugarId: 'xylitol', massKg: 0.2 }]) })).toContain(
      'dogs'
    );
    expect(at('plan', { plan: plan0([{ kind: 'juice', produceId: 'apple', volumeL: 5 }]) })).toContain(
      'preserved'
    );
  });

  it('puts away what was read', () => {
    const scene = { plan: plan0([{ kind: 'produce', produceId: 'elderberry', massKg: 2 }]), ph: 3.6 };
    expect(at('plan', scene)).toContain('elder');
    expect(at('plan', scene, ['elder'])).not.toContain('elder');
  });

  it('judges every dose of a plan by its must', () => {
    const p = plan0([
      { kind: 'produce', produceId: 'plum', massKg: 4 },
      { kind: 'acid', acidId: 'tartaric', massKg: 1 }
    ]);
    expect(planCautions(p, 2.6, 12)[0]).toMatchObject({ id: 'absurd-dose', level: 'stop' });
    expect(planCautions(p, 3.3, 300).map((c) => c.id)).not.toContain('absurd-dose');
  });

  function plan0(ingredients: Plan['ingredients']): Plan {
    return { ingredients };
  }
});
