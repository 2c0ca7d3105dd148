import { sgFromBrix } from '../liquid/sugar';
import { WATER_20 } from '../liquid/water';
import { BOTTLE_L } from '../tables/bottles';
import { nameOf } from './name';
import { entryOf, withAmount, type Ingredient } from './plan';
import { SWEETENERS } from '../tables/sweeteners';
import { ADDITIVES, type AdditiveId } from '../tables/substances';
import { CAMPDEN_TABLET_G, CUP_G, doseG, DOSES, PACKET_G, TEASPOON_G, type DoseId } from '../tables/doses';
import type { AmountUnit, Counted, Country } from '../units/words';
import { eachOf } from '../units/each';
import type { Amount, Thing } from '../units/amount';
import { isMassUnit, isVolumeUnit, KG_PER, UNIT_LABEL } from '../units/measure';
import type { Produce } from '../tables/produce';

/**
 * A bag of sugar. Common practice: 4 lb in the United States, 1 kg elsewhere.
 * @example bagKgIn('us') // 1.8144
 */
export const bagKgIn = (country: Country): number => (country === 'us' ? 4 * KG_PER.lb : 1);
/** The leaf in a tea bag and the zest of a lemon, kg. Common practice. */
const TEA_BAG_KG = 0.002;
const ZEST_KG = 0.006;
/** Juice of one, squeezed by hand, L: portions as food tables give them, from memory. */
const SQUEEZED_L: Record<string, number> = {
  lemon: 0.045,
  lime: 0.03,
  mandarin: 0.035,
  orange: 0.08,
  grapefruit: 0.18
};
const BOTH_OF =
  /\b(juice|zest|rind|peel)\s*(?:and|&|\+|,)\s*(?:the\s+)?(juice|zest|rind|peel)\s+of\s+([^,;+&]+?)(?=\s*(?:[,;+&]|\band\b|$))/gi;
/**
 * Two things of one fruit as two.
 * @example apart('juice and zest of 2 lemons') // 'juice of 2 lemons, zest of 2 lemons'
 */
export const apart = (text: string): string => text.replace(BOTH_OF, '$1 of $3, $2 of $3');
/** Finings that are sold as liquids, about as heavy as water, and the wine that one packet clears, L. Common practice. */
const LIQUID_FININGS: ReadonlySet<string> = new Set(['kieselsol', 'chitosan', 'gelatine', 'isinglass']);
const PACKET_FOR_L = 23;
/** Fruit this heavy is counted, or weighed: a bare number of it is asked about. Grams. */
const COUNTED_G = 30;

/** What else people call a powder. */
export const POWDER_WORDS: Record<AdditiveId, string> = {
  campden: 'campden tablet sulphite sulfite',
  metabisulphite: 'potassium metabisulphite metabisulfite k-meta sulphite sulfite',
  sorbate: 'potassium sorbate stabiliser stabilizer',
  'pectic-enzyme': 'pectic enzyme pectinase pectolase pectolytic',
  nutrient: 'yeast nutrient mix food',
  dap: 'dap diammonium phosphate',
  energizer: 'yeast energizer energiser',
  'rehydration-nutrient': 'rehydration nutrient',
  'yeast-hulls': 'yeast hulls ghosts cell walls',
  tannin: 'grape tannin powder',
  tea: 'tea bag black strong cold',
  zest: 'zest of citrus lemon orange lime grapefruit peel rind',
  'acid-blend': 'acid blend',
  bentonite: 'bentonite clay',
  kieselsol: 'kieselsol first part finings',
  chitosan: 'chitosan second part finings',
  gelatine: 'gelatine gelatin finings',
  isinglass: 'isinglass fish finings',
  'egg-white': 'egg white dried albumen finings',
  casein: 'casein caseinate milk finings',
  amylase: 'amylase diastase starch enzyme',
  malolactic: 'malolactic bacteria culture mlf lactic',
  oak: 'oak chips cubes',
  hops: 'dry hops'
};

/** Everything an entry of the produce table is called. */
const produceWords = (p: Produce): string => `${p.name} ${p.plural} ${p.latin} ${p.id}`.toLowerCase();

/** Grams in a cup of the sugars that people measure so. */
const CUPS: Record<string, number> = {
  white: CUP_G['white-sugar'],
  brown: CUP_G['brown-sugar'],
  honey: CUP_G.honey,
  erythritol: CUP_G.erythritol,
  'dry-malt': CUP_G['dry-malt']
};

/** What measures of an ingredient weigh: spoons, cups, pieces, tablets, bags. */
export function thingOf(item: Ingredient, country: Country = 'us'): Thing {
  const name = nameOf(item);
  switch (item.kind) {
    case 'produce': {
      const p = entryOf(item)!;
      return {
        name: p.plural,
        basis: 'mass',
        words: produceWords(p),
        litreG: p.litreG,
        each: p.pieceG ? { piece: p.pieceG / 1000 } : {}
      };
    }
    case 'juice': {
      const p = entryOf(item);
      const brix = item.form === 'concentrate' ? 68 : (p?.solids[1] ?? 12);
      return {
        name,
        basis: 'volume',
        words: `${p ? produceWords(p) : ''} juice concentrate pressed`,
        kgPerL: sgFromBrix(brix) * WATER_20,
        each: p && item.form !== 'concentrate' && SQUEEZED_L[p.id] ? { piece: SQUEEZED_L[p.id] } : {}
      };
    }
    case 'sugar':
    case 'honey': {
      const id = item.kind === 'honey' ? 'honey' : item.sugarId;
      const s = SWEETENERS[id];
      const isBagged = id === 'white' || id === 'brown';
      // What pours is as dense as its sugar makes it; of dry sugars only the usual are known by the cup.
      const pours = ['honey', 'syrup', 'concentrate'].includes(s.kind) || id === 'liquid-malt';
      const cupG = CUPS[id] ?? null;
      return {
        name,
        basis: 'mass',
        words: `${s.words} ${s.name.toLowerCase()} sugar`,
        cupG,
        teaspoonG: id === 'white' ? TEASPOON_G.sugar : null,
        litreG: cupG === null && pours ? 1000 * sgFromBrix(Math.min(80, 100 * s.solids)) * WATER_20 : null,
        each: isBagged ? { bag: bagKgIn(country) } : {}
      };
    }
    case 'water':
      return {
        name,
        basis: 'volume',
        words: 'water tap spring boiled boiling cold hot warm filtered',
        kgPerL: WATER_20
      };
    case 'wine':
      return { name, basis: 'volume', words: 'wine red white dry', kgPerL: 0.99, each: { bottle: BOTTLE_L } };
    case 'acid':
      return {
        name,
        basis: 'mass',
        words: `${name} ${item.acidId} powder`.toLowerCase(),
        teaspoonG: TEASPOON_G[item.acidId]
      };
    case 'additive': {
      const id = item.additiveId;
      return {
        name,
        basis: 'mass',
        words: `${ADDITIVES[id].toLowerCase()} ${POWDER_WORDS[id]}`,
        teaspoonG:
          id === 'energizer'
            ? TEASPOON_G.nutrient
            : id in DOSES
              ? DOSES[id as keyof typeof DOSES].teaspoonG
              : null,
        litreG: LIQUID_FININGS.has(id) ? 1000 : null,
        each:
          id === 'campden'
            ? { tablet: CAMPDEN_TABLET_G / 1000 }
            : id === 'tea'
              ? { 'tea-bag': TEA_BAG_KG, bag: TEA_BAG_KG, piece: TEA_BAG_KG }
              : id === 'zest'
                ? { piece: ZEST_KG }
                : (LIQUID_FININGS.has(id) || id === 'bentonite') && id in DOSES
                  ? { packet: doseG(id as DoseId, PACKET_FOR_L)[1] / 1000 }
                  : {}
      };
    }
  }
}

/** Dry yeast, which is pitched and is no ingredient. */
export const YEAST_THING: Thing = {
  name: 'Dry yeast',
  basis: 'mass',
  words: 'dry dried yeast wine champagne ale red-fruit general type',
  teaspoonG: TEASPOON_G.yeast,
  each: { packet: PACKET_G / 1000 }
};

/** The unit a bare number of it is in; null where it may be a count as well as a weight, and is asked about. */
export function bareUnit(item: Ingredient, mass: AmountUnit, volume: AmountUnit): AmountUnit | null {
  if ('volumeL' in item) return volume;
  if (item.kind === 'additive')
    return item.additiveId === 'campden' ? 'tablet' : item.additiveId === 'tea' ? 'tea-bag' : 'g';
  if (item.kind === 'acid') return 'g';
  return item.kind === 'produce' && (entryOf(item)?.pieceG ?? 0) >= COUNTED_G ? null : mass;
}

const COUNT_LABEL: Record<Counted, string> = {
  piece: 'pieces',
  tablet: 'tablets',
  packet: 'packets',
  bag: 'bags',
  'tea-bag': 'tea bags',
  bottle: 'bottles'
};
/** What a unit is called beside an amount; flowers are counted in heads. */
export const unitLabel = (unit: AmountUnit, produce?: Produce): string =>
  unit === 'piece' && produce?.family === 'flower'
    ? 'heads'
    : isMassUnit(unit) || isVolumeUnit(unit)
      ? UNIT_LABEL[unit]
      : COUNT_LABEL[unit];

/** The units an ingredient can be given in: those whose weight is known. */
export function unitsFor(item: Ingredient): AmountUnit[] {
  if ('volumeL' in item) return ['L', 'mL', 'us-gal', 'uk-gal', 'us-qt', 'us-pt', 'uk-pt', 'cup'];
  const { each, litreG, cupG, teaspoonG } = thingOf(item);
  return [
    'kg',
    'g',
    'lb',
    'oz',
    ...(['piece', 'tablet', 'tea-bag'] as const).filter((c) => each?.[c] !== undefined),
    ...(item.kind === 'produce' && litreG ? (['L', 'us-qt', 'us-gal', 'uk-gal'] as const) : []),
    ...((item.kind === 'produce' && litreG) || cupG ? (['cup'] as const) : []),
    ...(teaspoonG ? (['tbsp', 'tsp'] as const) : [])
  ];
}

/**
 * How many of a unit there are in `base` kg or L of an ingredient.
 * @example amountIn({ kind: 'sugar', sugarId: 'white', massKg: 1 }, 1, 'cup') // 5
 */
export const amountIn = (item: Ingredient, base: number, unit: AmountUnit): number =>
  base / eachOf(unit, thingOf(item));

/** The unit that an item was typed in, where it is one of its units still; `fallback` else. */
export function typedUnit(item: Ingredient, fallback: AmountUnit): AmountUnit {
  const typed = (item.unit === 'tablets' ? 'tablet' : item.unit) as AmountUnit | undefined;
  return typed && unitsFor(item).includes(typed) ? typed : fallback;
}

/** The item with an amount that was read; a counted piece is whole, with its peel and stone. */
export const withRead = (item: Ingredient, a: Amount): Ingredient =>
  ({
    ...withAmount(item, a.base),
    unit: a.unit === 'tablet' ? 'tablets' : a.unit,
    ...(item.kind === 'produce' && a.unit === 'piece' ? { weighed: 'bought' as const } : {})
  }) as Ingredient;
