import { listText } from '../units/format';
import { inKgL } from '../units/say';
import { mixOf } from '../must/mix';
import { likelyFigures } from '../must/balance';
import { shortName } from '../plan/name';
import type { Ingredient, Plan } from '../plan/plan';
import type { Family, Produce } from '../tables/produce';
import { kindWays, USUAL_TA } from '../must/adjust';
import { seasons } from '../plan/main-produce';
import { planRacking } from '../vessels/racking';
import { solvePlan } from './solve';
import { isOpenVessel, type Vessel, toTheNeck } from '../vessels/vessels';

/** What is left of a lot, to make wine of. */
export type InHand = {
  lotId: string;
  produce: Produce;
  /** whether the entry is the household's own, and so travels with the row */
  isOwn: boolean;
  massKg: number;
  form: 'fresh' | 'frozen' | 'dried';
  weighed?: 'trimmed' | 'bought' | undefined;
  ripeness?: 'under' | 'ripe' | 'over' | undefined;
  /** wants using now */
  isUrgent: boolean;
};

export type Proposal = {
  id: string;
  title: string;
  /** why this one, in short lines: body, acid, vessel, what it saves */
  why: string[];
  plan: Plan;
  volumeL: number;
  fruit: { name: string; massKg: number }[];
};

/** Kinds that go into one wine together. Common practice. */
const TOGETHER: readonly (readonly Family[])[] = [
  ['soft', 'stone', 'pome', 'tropical', 'melon'],
  ['flower', 'leaf'],
  ['root', 'citrus']
];
const goTogether = (a: Family, b: Family): boolean =>
  a === b || TOGETHER.some((g) => g.includes(a) && g.includes(b));

/** Less wine than this is not worth a bucket, L. */
export const LEAST_L = 3;
const ABV = 12;
/** Points against what is made of fruit that was proposed already. */
const REPEATED = 1.5;

const bodyWord = (p: Produce, kgL: number): string =>
  kgL >= 0.5 * (p.amountKgL[1] + p.amountKgL[2])
    ? 'full'
    : kgL <= 0.5 * (p.amountKgL[0] + p.amountKgL[1])
      ? 'light'
      : 'of common body';

type Try = { fruit: InHand[]; volumeL: number };

/** Litres of wine that so much fruit makes at one of its usual amounts: 0 light, 1 common, 2 full. */
const litresOf = (fruit: readonly InHand[], body: 0 | 1 | 2): number => {
  const main = fruit.filter((f) => !seasons(f.produce));
  return (main.length > 0 ? main : fruit).reduce((sum, f) => sum + f.massKg / f.produce.amountKgL[body], 0);
};

/** Amounts worth trying: those that fill free jars to the neck, between full and light; else the common one. */
function amountsFor(fruit: InHand[], jars: readonly Vessel[]): number[] {
  const [most, usual, least] = [litresOf(fruit, 0), litresOf(fruit, 1), litresOf(fruit, 2)];
  const sizes = new Set<number>();
  for (const a of jars) {
    sizes.add(toTheNeck(a));
    for (const b of jars) if (a !== b) sizes.add(toTheNeck(a) + toTheNeck(b));
  }
  const fitting = [...sizes].filter((l) => l >= Math.max(least, LEAST_L) && l <= most);
  // The three nearest to the common amount are enough to choose from.
  fitting.sort((a, b) => Math.abs(Math.log(a / usual)) - Math.abs(Math.log(b / usual)));
  return fitting.length > 0 ? fitting.slice(0, 3) : usual >= LEAST_L ? [usual] : [];
}

/** A lot as a row of a plan. */
export const lotRow = (f: Omit<InHand, 'isUrgent'>): Ingredient => ({
  kind: 'produce',
  produceId: f.produce.id,
  ...(f.isOwn ? { entry: f.produce } : {}),
  massKg: f.massKg,
  form: f.form,
  ...(f.weighed ? { weighed: f.weighed } : {}),
  ...(f.ripeness ? { ripeness: f.ripeness } : {}),
  lotId: f.lotId,
  held: true
});

function planFor({ fruit, volumeL }: Try, alkalinityMgL: number, sharpenTo: number | null): Plan {
  return {
    ingredients: [
      ...fruit.map(lotRow),
      { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
      { kind: 'water', volumeL: 0, alkalinityMgL, held: false },
      ...(sharpenTo === null
        ? []
        : [{ kind: 'acid' as const, acidId: 'acid-blend' as const, massKg: 0, held: false }])
    ],
    target: {
      abv: ABV,
      volumeL: Number(volumeL.toFixed(1)),
      ...(sharpenTo === null ? {} : { taGL: sharpenTo })
    },
    name: nameFor(fruit)
  };
}

function nameFor(fruit: readonly InHand[]): string {
  const names = [
    ...new Set(
      [...fruit]
        .sort(
          (a, b) =>
            Number(seasons(a.produce)) - Number(seasons(b.produce)) || litresOf([b], 1) - litresOf([a], 1)
        )
        .map((f) => shortName(f.produce.name))
    )
  ];
  return names.length === 1
    ? names[0]!
    : names.length === 2
      ? `${names[0]} and ${names[1]!.toLowerCase()}`
      : 'Mixed fruit';
}

/** Points against a proposal: acid that must be put right, air, body off the common, fruit left to spoil. */
function pointsAgainst(
  t: Try,
  f: ReturnType<typeof likelyFigures>,
  usualTa: number,
  airL: number,
  all: readonly InHand[]
): number {
  const acid = Math.abs(f.taGL - usualTa);
  const body = Math.abs(Math.log(t.volumeL / litresOf(t.fruit, 1)));
  const urgent = all.filter((x) => x.isUrgent);
  const saved = urgent.filter((x) => t.fruit.includes(x)).length;
  const left = urgent.length > 0 ? 1 - saved / urgent.length : 0;
  return (
    0.5 * Math.min(acid, 5) +
    (3 * airL) / t.volumeL +
    1.2 * body +
    1.5 * left +
    0.15 * t.fruit.length -
    0.02 * Math.min(t.volumeL, 25)
  );
}

/**
 * Two or three wines that could be made of what is in hand: by amount, acid, body, the jars that are free, and
 * what will not keep.
 * @param inHand lots with something left; `free` vessels that are empty when it goes into glass
 * @returns best first, of different fruit; each plan is ready for the bench
 */
export function propose(
  inHand: readonly InHand[],
  free: readonly Vessel[],
  alkalinityMgL = 0,
  most = 3
): Proposal[] {
  const kinds = new Map<string, InHand[]>();
  for (const f of inHand) if (f.massKg > 0) kinds.set(f.produce.id, [...(kinds.get(f.produce.id) ?? []), f]);
  const mains = [...kinds.values()].filter((lots) => !seasons(lots[0]!.produce));
  const sets: InHand[][] = [...mains];
  mains.forEach((a, i) => {
    for (const b of mains.slice(i + 1))
      if (goTogether(a[0]!.produce.family, b[0]!.produce.family)) sets.push([...a, ...b]);
  });
  const berries = mains.filter((lots) => lots[0]!.produce.family === 'soft');
  if (berries.length > 2) sets.push(berries.flat());
  const jars = free.filter((v) => !isOpenVessel(v));
  const tries = sets.flatMap((fruit) => amountsFor(fruit, jars).map((volumeL): Try => ({ fruit, volumeL })));
  const judged = tries
    .map((t) => {
      const usual =
        USUAL_TA[t.fruit.every((f) => ['flower', 'leaf'].includes(f.produce.family)) ? 'flower' : 'fruit'];
      const asIs = solvePlan(planFor(t, alkalinityMgL, null)).plan;
      const f = likelyFigures(asIs);
      const racking = planRacking(t.volumeL, jars);
      // As far as it does no harm: acid that pH will not bear is left out.
      const way =
        f.taGL < usual[0] && Number.isFinite(f.taGL)
          ? kindWays(mixOf(asIs).all, { taGL: usual[1] }, alkalinityMgL).find((w) => w.id === 'acid-blend')
          : undefined;
      const sharpenTo = way && way.after.taGL > f.taGL + 0.3 ? Number(way.after.taGL.toFixed(1)) : null;
      return {
        t,
        f,
        usual,
        sharpenTo,
        racking,
        points: pointsAgainst(
          t,
          f,
          usual[1],
          racking.to.length > 0 ? racking.airL + 2 * racking.restL : t.volumeL * 0.3,
          inHand
        )
      };
    })
    .filter((x) => Number.isFinite(x.f.taGL) && Number.isFinite(x.points))
    .sort((a, b) => a.points - b.points);
  const out: Proposal[] = [];
  const taken = new Set<string>();
  const used = new Set<string>();
  /** What shares its fruit with a better one is less of a choice. */
  const repeats = (t: Try) => t.fruit.filter((x) => used.has(x.produce.id)).length / t.fruit.length;
  const rest = [...judged];
  while (out.length < most && rest.length > 0) {
    rest.sort((a, b) => a.points + REPEATED * repeats(a.t) - b.points - REPEATED * repeats(b.t));
    const { t, f, usual, sharpenTo, racking } = rest.shift()!;
    const key = [...new Set(t.fruit.map((x) => x.produce.id))].sort().join('+');
    if (taken.has(key)) continue;
    taken.add(key);
    t.fruit.forEach((x) => used.add(x.produce.id));
    const main = t.fruit.reduce((a, b) => (b.massKg > a.massKg ? b : a));
    const kgL = f.fruitPerL;
    const keeps = [...new Set(t.fruit.filter((x) => x.isUrgent).map((x) => x.produce.plural.toLowerCase()))];
    out.push({
      id: `${key}:${t.volumeL.toFixed(1)}`,
      title: nameFor(t.fruit),
      why: [
        ...(keeps.length > 0 ? [`saves the ${listText(keeps)}, which will not keep`] : []),
        `${bodyWord(main.produce, kgL)}, ${inKgL(kgL, 2)}`,
        f.taGL > usual[2] + 0.5
          ? `sharp, ${f.taGL.toFixed(1)} g/L of acid: sweeten it or make it longer`
          : sharpenTo !== null
            ? `brought up to ${sharpenTo} g/L of acid from ${f.taGL.toFixed(1)}`
            : f.taGL < usual[0]
              ? `${f.taGL.toFixed(1)} g/L of acid, pH ${f.ph.toFixed(1)}: sharpen to taste once it is wine`
              : `${f.taGL.toFixed(1)} g/L of acid of its own: needs none`,
        racking.to.length > 0
          ? `${racking.airL < 0.15 && racking.restL < 0.25 ? 'fills' : 'goes into'} the ${listText(racking.to.map((x) => x.vessel.name))}`
          : 'no jar is free yet'
      ],
      plan: planFor(t, alkalinityMgL, sharpenTo),
      volumeL: t.volumeL,
      fruit: [...new Set(t.fruit.map((x) => x.produce.plural))].map((name) => ({
        name,
        massKg: t.fruit.reduce((sum, x) => (x.produce.plural === name ? sum + x.massKg : sum), 0)
      }))
    });
  }
  return out;
}
