import { solve } from 'yalps';
import { InputError } from '../units/input-error';

/** A wine, or water, that can give to a blend: what it holds, and how many litres of it there are. */
export type BlendWine = {
  name: string;
  volumeL: number;
  abv: number;
  taGL: number;
  hexoseGL: number;
  /** how deep its colour is, as `depthOf`; left away, nobody asks */
  depth?: number;
};
export type Quality = 'abv' | 'taGL' | 'hexoseGL' | 'depth';
export type BlendWant = Partial<Record<Quality | 'volumeL', number>>;
export type Blend = {
  take: { name: string; volumeL: number }[];
  volumeL: number;
  abv: number;
  taGL: number;
  hexoseGL: number;
  depth: number;
  /** what could not be met, and by how much */
  misses: { of: Quality | 'volumeL'; by: number }[];
};

/** What one tastes of each: a miss of so much counts alike. Common practice. */
const TASTED: Record<Quality, number> = { abv: 0.5, taGL: 0.4, hexoseGL: 4, depth: 0.1 };
const QUALITIES = ['abv', 'taGL', 'hexoseGL', 'depth'] as const;
const has = (w: BlendWine, q: Quality): number => w[q] ?? 0;
/** What a place further down the list costs: enough to choose between two that serve alike. */
const PER_ORDER = 1e-5;
/** What is over a goal is taken off it, what is under is put on. */
const SIDES = [
  ['over', -1],
  ['under', 1]
] as const;
/** Nearer than this is met. */
const MET = 1e-3;

/** What a mixture is: each by its litres. */
function mixed(wines: readonly BlendWine[], litres: readonly number[]) {
  const volumeL = litres.reduce((a, b) => a + b, 0);
  const of = (q: Quality) =>
    volumeL > 0 ? wines.reduce((sum, w, i) => sum + has(w, q) * litres[i]!, 0) / volumeL : 0;
  return { volumeL, abv: of('abv'), taGL: of('taGL'), hexoseGL: of('hexoseGL'), depth: of('depth') };
}

/**
 * How much of each wine to take, so that the blend misses what is wanted by least: a linear programme. Without a
 * volume, as much as there can be. Litres add up: alcohol and water shrink by less than 0.2 % here.
 * @throws InputError when there is nothing to blend, or nothing is wanted
 */
export function blend(wines: readonly BlendWine[], want: BlendWant): Blend {
  const wanted = QUALITIES.filter((q) => want[q] !== undefined);
  const thereL = wines.reduce((sum, w) => sum + w.volumeL, 0);
  if (!(thereL > 0)) throw new InputError('There is nothing to blend.', 'Give two wines or more.', 'wines');
  if (wanted.length === 0 && want.volumeL === undefined)
    throw new InputError(
      'Nothing is wanted of it.',
      'Give a strength, an acid, a sweetness, a colour or a volume.',
      'want'
    );
  return answered(wines, litresFor(wines, want, wanted, thereL), want);
}

/** What is told of so many litres of each. */
function answered(wines: readonly BlendWine[], litres: readonly number[], want: BlendWant): Blend {
  const told = mixed(wines, litres);
  const misses: Blend['misses'] = QUALITIES.filter((q) => want[q] !== undefined)
    .map((q) => ({ of: q, by: told[q] - want[q]! }))
    .filter((m) => Math.abs(m.by) > MET * TASTED[m.of]);
  const shortL = want.volumeL === undefined ? 0 : told.volumeL - want.volumeL;
  if (Math.abs(shortL) > MET) misses.push({ of: 'volumeL', by: shortL });
  return {
    take: wines.flatMap((w, i) => (litres[i]! > MET ? [{ name: w.name, volumeL: litres[i]! }] : [])),
    ...told,
    misses
  };
}

type Bounds = Record<string, { equal?: number; max?: number; min?: number }>;

function run(
  variables: Record<string, Record<string, number>>,
  constraints: Bounds,
  wines: readonly BlendWine[]
) {
  const answer = solve(
    { direction: 'minimize', objective: 'cost', constraints, variables },
    { precision: 1e-9, maxPivots: 2000 }
  );
  const found = new Map(answer.variables);
  return wines.map((_, i) => Math.max(0, found.get(`x${i}`) ?? 0));
}

/** The litres, `totalL` in all and `most` of each, that miss what is wanted by least. */
function nearest(
  wines: readonly BlendWine[],
  want: BlendWant,
  wanted: readonly Quality[],
  totalL: number,
  most: (w: BlendWine) => number
): number[] {
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Bounds = { litres: { equal: totalL } };
  wines.forEach((w, i) => {
    // Where two serve alike, the first is taken first.
    const column: Record<string, number> = { [`has${i}`]: 1, litres: 1, cost: PER_ORDER * i };
    for (const q of wanted) column[q] = has(w, q) - want[q]!;
    variables[`x${i}`] = column;
    constraints[`has${i}`] = { max: most(w) };
  });
  for (const q of wanted) {
    constraints[q] = { equal: 0 };
    for (const [side, sign] of SIDES)
      variables[`${q}-${side}`] = { [q]: sign, cost: 1 / (TASTED[q] * totalL) };
  }
  return run(variables, constraints, wines);
}

/** As many litres as there can be of a blend that misses by no more than `like` does. */
function mostOf(
  wines: readonly BlendWine[],
  want: BlendWant,
  wanted: readonly Quality[],
  like: number[]
): number[] {
  const told = mixed(wines, like);
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Bounds = {};
  for (const q of wanted) {
    constraints[`${q}-over`] = { max: 0 };
    constraints[`${q}-under`] = { min: 0 };
  }
  wines.forEach((w, i) => {
    const column: Record<string, number> = { [`has${i}`]: 1, cost: PER_ORDER * i - 1 };
    for (const q of wanted) {
      const miss = told[q] - want[q]!;
      column[`${q}-over`] = has(w, q) - want[q]! - Math.max(0, miss);
      column[`${q}-under`] = has(w, q) - want[q]! - Math.min(0, miss);
    }
    variables[`x${i}`] = column;
    constraints[`has${i}`] = { max: w.volumeL };
  });
  return run(variables, constraints, wines);
}

function litresFor(
  wines: readonly BlendWine[],
  want: BlendWant,
  wanted: readonly Quality[],
  thereL: number
): number[] {
  if (want.volumeL !== undefined)
    return nearest(wines, want, wanted, Math.min(want.volumeL, thereL), (w) => w.volumeL);
  // The shares that taste best first, as if there were enough of each; then as much of such a blend as the jars hold.
  const giving = wines.filter((w) => w.volumeL > 0);
  const litres = mostOf(
    giving,
    want,
    wanted,
    nearest(giving, want, wanted, 1, () => 1)
  );
  return wines.map((w) => litres[giving.indexOf(w)] ?? 0);
}

/**
 * How much of other wines to pour into one that stands, all of it kept, so that the jar misses what is wanted by least;
 * where several ways serve alike, the least is poured.
 * @param mostL litres that the jar holds
 * @throws InputError as `blend`
 * @example blendInto({ name: 'a', volumeL: 4, abv: 12, taGL: 8, hexoseGL: 0 }, [{ name: 'b', volumeL: 5, abv: 12, taGL: 4, hexoseGL: 0 }], { taGL: 6 }, 10).volumeL // 8
 */
export function blendInto(
  base: BlendWine,
  others: readonly BlendWine[],
  want: Omit<BlendWant, 'volumeL'>,
  mostL: number
): Blend {
  const wanted = QUALITIES.filter((q) => want[q] !== undefined);
  if (others.length === 0)
    throw new InputError('There is nothing to blend.', 'Choose another wine.', 'wines');
  if (wanted.length === 0)
    throw new InputError(
      'Nothing is wanted of it.',
      'Give a strength, an acid, a sweetness or a colour.',
      'want'
    );
  const roomL = Math.max(0, mostL - base.volumeL);
  const least = pouredLeast(base, others, want, wanted, roomL);
  const met = answered([base, ...others], [base.volumeL, ...least], want);
  if (met.misses.length === 0) return met;
  // Out of reach: what lies on the near side of it still brings it nearer, the more of it there is.
  const totals = Array.from({ length: STEPS }, (_, i) => ((i + 1) / STEPS) * roomL);
  return totals
    .map((t) => answered([base, ...others], [base.volumeL, ...pouredOf(base, others, want, wanted, t)], want))
    .reduce((best, b) => (missOf(b) < missOf(best) - MET ? b : best), met);
}

/** So many amounts are tried where a goal is out of reach. */
const STEPS = 60;

/** How far off a blend is, as one tastes it. */
const missOf = ({ misses }: Blend): number =>
  misses.reduce((sum, m) => sum + (m.of === 'volumeL' ? 0 : Math.abs(m.by) / TASTED[m.of]), 0);

type Pour = [
  base: BlendWine,
  others: readonly BlendWine[],
  want: BlendWant,
  wanted: readonly Quality[],
  litres: number
];

/** The least that is poured to meet what is wanted, in no more than so many litres. */
const pouredLeast = (...[base, others, want, wanted, roomL]: Pour): number[] =>
  poured(base, others, want, wanted, { max: roomL });

/** So many litres in all, no more than there are, that miss it by least. */
const pouredOf = (...[base, others, want, wanted, litres]: Pour): number[] =>
  poured(base, others, want, wanted, {
    equal: Math.min(
      litres,
      others.reduce((sum, w) => sum + w.volumeL, 0)
    )
  });

function poured(
  base: BlendWine,
  others: readonly BlendWine[],
  want: BlendWant,
  wanted: readonly Quality[],
  room: Bounds[string]
): number[] {
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Bounds = { room };
  others.forEach((w, i) => {
    const column: Record<string, number> = { [`has${i}`]: 1, room: 1, cost: PER_ORDER * (10 + i) };
    for (const q of wanted) column[q] = has(w, q) - want[q]!;
    variables[`x${i}`] = column;
    constraints[`has${i}`] = { max: w.volumeL };
  });
  for (const q of wanted) {
    constraints[q] = { equal: -base.volumeL * (has(base, q) - want[q]!) };
    for (const [side, sign] of SIDES)
      variables[`${q}-${side}`] = { [q]: sign, cost: 1 / (TASTED[q] * base.volumeL) };
  }
  return run(variables, constraints, others);
}
