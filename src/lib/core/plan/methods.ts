import { z } from 'zod';
import { FAMILIES, type Family } from '../tables/produce';
import type { Cut, Heat } from './extraction';
import { amountOf, entryOf, type Plan } from './plan';
import { methodShape } from './plan-schema';
import type { Method } from '../tables/schools';

/** How the fruit itself is handled, for every row of the families a method is for. */
export type Handling = { cut?: Cut; heat?: Heat; simmerMin?: number; strained?: boolean };

/** A method: a set of choices under a name. Its own, or one that ships. */
export type NamedMethod = {
  id: string;
  name: string;
  why: string;
  /** the kinds of produce it is for; empty for any */
  families: readonly Family[];
  method: Method & { enzyme?: boolean | undefined };
  handling?: Handling;
};

/** A household's own method, as it is kept and exported. */
export const ownMethodSchema = z.strictObject({
  id: z.uuid(),
  name: z.string().min(1).max(60),
  why: z.string().max(400),
  families: z.array(z.enum(FAMILIES)).max(20),
  method: z.strictObject(methodShape)
});
export type OwnMethod = z.infer<typeof ownMethodSchema>;

/** Methods that ship: several good ones for each family of produce. All common practice. */
export const METHODS: readonly NamedMethod[] = [
  {
    id: 'cold-bag',
    name: 'Cold, in a bag',
    why: 'Crushed raw, sulphite, enzyme, a bag: keeps the fresh fruit. The surest for berries and stone fruit.',
    families: ['soft', 'stone', 'pome', 'tropical', 'melon', 'citrus'],
    method: { wildYeast: 'sulphite', fruitIn: 'bag', press: 'drip', enzyme: true },
    handling: { cut: 'crushed', heat: 'raw' }
  },
  {
    id: 'hot-pour',
    name: 'Boiling water over',
    why: 'No additive against wild yeast; colour comes sooner. Let it cool before enzyme and yeast.',
    families: ['soft', 'stone', 'pome', 'tropical', 'dried'],
    method: { wildYeast: 'heat', fruitIn: 'bag', press: 'squeeze', enzyme: true },
    handling: { cut: 'crushed', heat: 'poured' }
  },
  {
    id: 'loose-cap',
    name: 'Loose, cap pushed down',
    why: 'Fruit loose under a cap, stirred twice a day, pressed at the end: deep colour, for red and black fruit.',
    families: ['soft', 'stone'],
    method: { wildYeast: 'sulphite', fruitIn: 'free', press: 'press', enzyme: true, pitch: 'rehydrated' }
  },
  {
    id: 'wild-open',
    name: 'Wild',
    why: 'Unwashed, no sulphite, its own yeast. Slower, and at your own risk.',
    families: ['soft', 'stone', 'pome'],
    method: {
      wash: 'unwashed',
      wildYeast: 'none',
      pitch: 'natural',
      fruitIn: 'free',
      nutrient: 'none',
      tannin: 'none',
      enzyme: false
    }
  },
  {
    id: 'strong-fed',
    name: 'Strong, fed in steps',
    why: 'A gentle start, two feeds, a woken yeast, nutrient in parts: the way past 14 %.',
    families: [],
    method: { sugar: 'steps', pitch: 'rehydrated', nutrient: 'staggered', air: 'third' }
  },
  {
    id: 'petal-steep',
    name: 'Petals steeped cold',
    why: 'Petals two days in the sugared, sharpened water: scent, no bitterness. Yeast from a starter.',
    families: ['flower', 'leaf'],
    method: {
      wildYeast: 'sulphite',
      fruitIn: 'bag',
      press: 'drip',
      pitch: 'starter',
      sharpen: 'lemon',
      tannin: 'tea'
    },
    handling: { cut: 'whole', heat: 'raw' }
  },
  {
    id: 'petal-pour',
    name: 'Petals infused and strained',
    why: 'Boiling water over, strained off when cool: clean, for hardy flowers and herbs; a little scent goes with the steam.',
    families: ['flower', 'leaf'],
    method: { wildYeast: 'heat', fruitIn: 'bag', press: 'squeeze', tannin: 'tea', nutrient: 'at-once' },
    handling: { cut: 'whole', heat: 'poured', strained: true }
  },
  {
    id: 'root-simmer',
    name: 'Simmered and strained',
    why: 'Sliced thin, simmered until tender, not to a mash: no raw taste, and it clears.',
    families: ['root'],
    method: {
      wildYeast: 'heat',
      fruitIn: 'bag',
      press: 'drip',
      enzyme: true,
      sharpen: 'citric',
      clearing: 'bentonite'
    },
    handling: { cut: 'sliced', heat: 'simmered', simmerMin: 20 }
  },
  {
    id: 'root-steep',
    name: 'Boiling water over, two days',
    why: 'Gentler than simmering: paler wine, less starch.',
    families: ['root'],
    method: { wildYeast: 'heat', fruitIn: 'bag', press: 'drip', enzyme: true, sharpen: 'lemon' },
    handling: { cut: 'sliced', heat: 'poured' }
  },
  {
    id: 'dried-soak',
    name: 'Soaked overnight',
    why: 'Chopped, boiling water over, left to swell; raisins and figs for body.',
    families: ['dried'],
    method: { wildYeast: 'heat', fruitIn: 'free', press: 'press', enzyme: true },
    handling: { cut: 'sliced', heat: 'poured' }
  },
  {
    id: 'zest-juice',
    name: 'Juice and a little zest',
    why: 'Pressed juice, thin zest without pith, no peel: clean and bright.',
    families: ['citrus'],
    method: { wildYeast: 'sulphite', press: 'drip', enzyme: true, tannin: 'powder' },
    handling: { cut: 'crushed', heat: 'raw' }
  },
  {
    id: 'juice-quick',
    name: 'Strained juice, the same evening',
    why: 'For juice that spoils or browns fast: powders together, a woken yeast the next day.',
    families: ['melon', 'tropical', 'pome'],
    method: {
      wildYeast: 'sulphite',
      powders: 'together',
      pitch: 'rehydrated',
      press: 'squeeze',
      enzyme: true
    },
    handling: { cut: 'blitzed', heat: 'raw' }
  },
  {
    id: 'sap-fresh',
    name: 'Straight from the tree',
    why: 'Sap keeps for a day: bring it to the boil, sugar in, cool, yeast.',
    families: ['sap'],
    method: { wildYeast: 'heat', sharpen: 'lemon', tannin: 'tea', nutrient: 'staggered', enzyme: false }
  },
  {
    id: 'sap-cold',
    name: 'Sap, cold',
    why: 'Sulphite instead of the boil: keeps its freshness.',
    families: ['sap'],
    method: {
      wildYeast: 'sulphite',
      sharpen: 'acid-blend',
      tannin: 'powder',
      nutrient: 'staggered',
      enzyme: false
    }
  },
  {
    id: 'honey-staggered',
    name: 'Honey, fed with care',
    why: 'No boil, a working starter, nutrient in four parts, air until a third is gone.',
    families: [],
    method: { wildYeast: 'heat', pitch: 'starter', nutrient: 'staggered', air: 'third', enzyme: false }
  },
  {
    id: 'soft-sweet',
    name: 'Dessert: cleared, then sweetened',
    why: 'Fermented dry, fined, stabilised, sweetened to taste.',
    families: [],
    method: { clearing: 'finings', finish: 'stabilise', pitch: 'rehydrated' }
  }
];

/** The methods that suit a plan, those for its main produce first. */
export function methodsFor(plan: Plan, own: readonly NamedMethod[] = []): NamedMethod[] {
  const families = new Set(
    plan.ingredients.flatMap((i) =>
      amountOf(i) > 0 || i.kind === 'produce' ? (entryOf(i)?.family ?? []) : []
    )
  );
  const isHoney = families.size === 0 && plan.ingredients.some((i) => i.kind === 'honey');
  const suits = (m: NamedMethod) =>
    m.families.length === 0 ? m.id !== 'honey-staggered' || isHoney : m.families.some((f) => families.has(f));
  return [...own, ...METHODS]
    .filter(suits)
    .sort((a, b) => Number(b.families.length > 0) - Number(a.families.length > 0));
}

const SCHOOL_KEYS = Object.keys(methodShape) as (keyof typeof methodShape)[];

/** A plan made by a method: its choices stand, the rest are the usual ones; its fruit is handled by it. */
export function withMethod(plan: Plan, m: NamedMethod): Plan {
  const kept = Object.fromEntries(
    Object.entries(plan).filter(([k]) => !SCHOOL_KEYS.includes(k as never))
  ) as Plan;
  const ingredients = kept.ingredients.map((i) => {
    const family = i.kind === 'produce' ? entryOf(i)?.family : undefined;
    if (i.kind !== 'produce' || !m.handling || !family || !m.families.includes(family)) return i;
    // What another method said of straining goes with it.
    const { strained: _, ...row } = i;
    return { ...row, ...m.handling };
  });
  return { ...kept, ...m.method, ingredients };
}

/** The choices a plan holds, to be kept under a name. */
export function methodOf(plan: Plan): NamedMethod['method'] {
  const method: NamedMethod['method'] = Object.fromEntries(
    SCHOOL_KEYS.flatMap((k) => (plan[k] === undefined ? [] : [[k, plan[k]]]))
  );
  // As plans of an older version have it: nothing against wild yeast, and none pitched, were one choice.
  return method.wildYeast === 'wild' ? { ...method, wildYeast: 'none', pitch: 'natural' } : method;
}
