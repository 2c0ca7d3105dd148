import { PRODUCE } from '../tables/table';
import type { Ingredient, Plan, Goals } from '../plan/plan';

/** A generator of numbers between 0 and 1 that gives the same ones for the same seed (mulberry32). */
function numbers(seed: number): () => number {
  let a = seed * 2_654_435_761;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A plan with goals of every kind, held and free rows, and short supplies; many cannot be met. */
export function randomProblem(seed: number): Plan {
  const random = numbers(seed);
  const chance = (share: number) => random() < share;
  const between = (lo: number, hi: number) => lo + random() * (hi - lo);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const short = (hi: number) => (chance(0.2) ? { most: between(0, hi) } : {});
  const ingredients: Ingredient[] = [];
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) {
    const produce = pick(PRODUCE);
    const isOpen = chance(0.2);
    ingredients.push({
      kind: 'produce',
      produceId: produce.id,
      massKg: isOpen ? 0 : between(0.05, 8),
      held: !isOpen,
      ...(isOpen ? short(6) : {}),
      ...(produce.family === 'dried' ? { form: 'dried' as const } : {})
    });
  }
  const isHeld = chance(0.15);
  ingredients.push({
    kind: 'sugar',
    sugarId: pick(['white', 'brown', 'dextrose'] as const),
    massKg: isHeld ? between(0.1, 4) : 0,
    held: isHeld,
    ...(isHeld ? {} : short(3))
  });
  if (chance(0.2)) ingredients.push({ kind: 'honey', massKg: 0, held: false, ...short(2) });
  const isPoured = chance(0.15);
  ingredients.push({
    kind: 'water',
    volumeL: isPoured ? between(1, 12) : 0,
    held: isPoured,
    alkalinityMgL: between(0, 300)
  });
  if (chance(0.5)) ingredients.push({ kind: 'acid', acidId: 'acid-blend', massKg: 0, held: false });
  if (chance(0.2)) ingredients.push({ kind: 'additive', additiveId: 'dap', massKg: 0, held: false });
  const target: Goals = {
    abv: chance(0.85) ? between(4, 18) : null,
    volumeL: chance(0.6) ? between(2, 40) : null,
    ...(chance(0.15) ? { fillL: between(3, 30) } : {}),
    ...(chance(0.4) ? { taGL: between(3, 10) } : {}),
    ...(chance(0.2) ? { phMax: between(3, 4.2) } : {}),
    ...(chance(0.2) ? { fruitKgL: between(0.1, 0.8) } : {}),
    ...(chance(0.2) ? { sgMax: between(1.05, 1.12) } : {}),
    ...(chance(0.15) ? { yanMgL: between(50, 250) } : {})
  };
  return { ingredients, target, yeast: { toleranceAbv: between(8, 18) } };
}
