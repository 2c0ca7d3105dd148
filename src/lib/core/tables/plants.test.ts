import { describe, expect, it } from 'vitest';
import { PRODUCE } from './table';
import { SWEETENERS } from './sweeteners';
import { chooseIngredient } from '../plan/choose';
import { FOODS, POISONS } from './plant-list';
import { findPoisonous, unsafePart } from './plants';

/** Poison-centre lists of garden and hedge plants, from memory. */
describe('the list of poisonous plants', () => {
  const names = Object.entries(POISONS).flatMap(([n, { also = [], latin }]) => [n, ...also, ...latin]);
  it('holds well over a hundred common names, with kin', () => {
    const common = Object.entries(POISONS).flatMap(([n, { also = [] }]) => [n, ...also]);
    expect(common.length).toBeGreaterThan(200);
  });
  it('finds each, in the plural, within a phrase, in any case, and by a part of it', () => {
    const missed = names.flatMap((n) =>
      [
        n,
        /[siu]$/.test(n) ? n : `${n}s`,
        `wild ${n}`,
        `2 kg of ${n} flowers`,
        n.toUpperCase(),
        `dried ${n} berries, frozen`,
        `${n} pods`
      ].filter((text) => !findPoisonous(text))
    );
    expect(missed.join('; ')).toBe('');
  });
  it('finds each however its words are spaced, and refuses no food for it', () => {
    const spaced = (name: string) => {
      const words = name.split(' ');
      const [one] = words;
      const cuts =
        words.length > 1
          ? []
          : Array.from({ length: Math.max(0, one!.length - 3) }, (_, i) => [
              one!.slice(0, i + 2),
              one!.slice(i + 2)
            ]);
      return [words.join(''), words.join('-'), ...cuts.flatMap((c) => [c.join(' '), c.join('-')])];
    };
    const missed = names.flatMap((n) =>
      spaced(n).flatMap((s) => [s, `2 kg of ${s}`, ...(/[siux]$/.test(n) ? [] : [`${s}s`])])
    );
    expect(missed.filter((text) => !findPoisonous(text))).toEqual([]);
    const food = [...FOODS, ...PRODUCE.flatMap((p) => [p.name, p.plural])];
    expect(
      food.flatMap((n) => [n.replace(/ /g, ''), n.replace(/ /g, '-')]).filter((n) => findPoisonous(n))
    ).toEqual([]);
    expect(['rhubarbleaves', 'plumstones', 'potato-leaves'].filter((n) => !unsafePart(n))).toEqual([]);
  });
  it('finds a slip of one letter in a long name', () => {
    for (const slip of [
      'foxglve',
      'foxgloves',
      'oleandr',
      'laburnam',
      'monkshod',
      'daffodill',
      'rhododendrun',
      'hemlcok',
      'privit',
      'euphorbea'
    ])
      expect(findPoisonous(slip), slip).not.toBeNull();
  });
  it('passes every food of the table and every sweetener, by each of its names', () => {
    const food = [
      ...PRODUCE.flatMap((p) => [p.name, p.plural, p.latin, p.id.replaceAll('-', ' ')]),
      ...Object.values(SWEETENERS).map((s) => s.name)
    ];
    expect(food.filter((n) => findPoisonous(n) ?? unsafePart(n))).toEqual([]);
  });
  it.each([
    'garden peas',
    'sweet cicely',
    'daylily',
    'day lily flowers',
    'elderflower',
    'elder flowers',
    'bay laurel leaves',
    'sea buckthorn',
    'sweet chestnuts',
    'pot marigold petals',
    'ground ivy',
    'buttercup squash',
    'jasmine flowers',
    'lilac blossom',
    'spruce tips',
    'hollyhock',
    'sweet green peas',
    'juniper berries',
    'rosebay willowherb'
  ])('%s passes', (name) => expect(findPoisonous(name) ?? unsafePart(name)).toBeNull());
  it.each([
    'euphorbia',
    'clematis',
    'pokeweed berries',
    'baneberries',
    'thornapple',
    'giant hogweed',
    'lupins',
    'iris',
    'tulips',
    'morning glory',
    'yellow foxglove',
    'purple sweet pea pods',
    'my lily of the valley',
    'Taxus',
    'Aconitum carmichaelii',
    'sweet wild pea',
    'horse chestnuts',
    'monkshood and honey'
  ])('%s is refused', (name) => expect(findPoisonous(name)).not.toBeNull());
  it.each([
    'leaves of rhubarb',
    'rhubarb leaves',
    'peach pits',
    'stones of plums',
    'plum stones',
    'bitter almonds',
    'apple pips',
    'green elderberries',
    'elderberry stalks',
    'potato berries',
    'cherry leaf',
    'kernels',
    'honeysuckle berries'
  ])('%s is refused by part', (name) => expect(unsafePart(name)).not.toBeNull());
  it.each([
    'sweetcorn kernels',
    'pomegranate pips',
    'plums without stones',
    'stoned cherries',
    '2 stone apples',
    'peaches, stones out',
    'pitted damsons',
    'elderberries',
    'honeysuckle flowers',
    'potatoes',
    'apples'
  ])('%s is no unsafe part', (name) => expect(unsafePart(name)).toBeNull());
  it('is asked wherever a name is typed', () => {
    expect(chooseIngredient('3 lb foxglove leaves').kind).toBe('refused');
    expect(chooseIngredient('leaves of rhubarb').kind).toBe('refused');
    expect(chooseIngredient('2 stone plums').kind).toBe('choices');
  });
});
