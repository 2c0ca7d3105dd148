import { ethanolWaterDensity } from '../liquid/ethanol';
import { mulberry32 } from '../maths/draw';
import type { Ingredient, Plan } from '../plan/plan';
import type { EventData, EventType, LedgerEvent } from '../ledger/log';

/**
 * Wines as they might truly be, and what their maker wrote down: a second model, of another form than the ledger's,
 * kept in plain kilograms. Logistic ferments, stalls, several yeasts, splits, blends, late fruit and feeds, sulphite
 * early and late, sweeteners, odd readings, gross slips of weight. All spreads are ours, after common practice.
 */
type Tank = { water: number; hexose: number; other: number; alcohol: number };
type Jar = {
  id: string;
  tank: Tank;
  /** alcohol at which its yeast stops, % vol */
  limit: number;
  /** what is left when it stalls, kg; 0 when it does not */
  stallAt: number;
  rate: number;
  beginsDay: number;
  isStable: boolean;
  reads: { day: number; isSlip: boolean; sugarGL: number }[];
  /** the day sugar last went in, or other wine */
  fedDay: number;
};

export type TrueJar = {
  vesselId: string;
  bottle: 'still' | 'crown' | 'sparkling';
  primingGL: number;
  isClear: boolean;
  /** gauge pressure that it would truly come to at 20 °C, bar */
  bar20: number;
  /** strength, % vol */
  abv: number;
  /** sugar as hexose, and what of it its yeast could still take, g/L */
  sugarGL: number;
  reachGL: number;
  volumeL: number;
  /** its sugar is gone, and two honest readings three days apart have been taken since */
  isFinishedAndRead: boolean;
};
/** What truly stood in the bucket in the middle of its first ferment. */
export type TrueLook = {
  at: number;
  vesselId: string;
  abv: number;
  sugarGL: number;
  volumeL: number;
  /** days from then until no more than 3 g/L is left to take, if nothing is done to it; null where it stalls before */
  doneInDays: number | null;
};
export type TrueWine = {
  events: LedgerEvent[];
  at: number;
  fruitId: string;
  mid: TrueLook;
  jars: TrueJar[];
  /** readings that were grossly wrong, and by how much */
  slips: { eventId: string; offSg: number }[];
};

const DAY = 86_400_000;
const T0 = Date.parse('2026-01-01T08:00:00Z');
export const RATING_BAR = { still: 0.5, crown: 3, sparkling: 6.5 } as const;

const spirit = (t: Tank) => t.water + t.alcohol;
const litresOf = (t: Tank): number =>
  spirit(t) / ethanolWaterDensity(t.alcohol / spirit(t)) + 0.62 * (t.hexose + t.other);
const gravityOf = (t: Tank): number => (t.water + t.alcohol + t.hexose + t.other) / litresOf(t) / 0.99821;
const abvOfTank = (t: Tank): number => (100 * t.alcohol) / 0.78924 / litresOf(t);

/** Fruit by what a kilogram of it truly holds: hexose, other solids, water, kg; and the spread of each. */
const FRUIT = {
  apple: { hexose: 0.113, other: 0.015, water: 0.86 },
  grape: { hexose: 0.168, other: 0.014, water: 0.81 },
  plum: { hexose: 0.1, other: 0.023, water: 0.86 },
  blackcurrant: { hexose: 0.084, other: 0.048, water: 0.82 },
  strawberry: { hexose: 0.051, other: 0.026, water: 0.9 },
  rhubarb: { hexose: 0.011, other: 0.03, water: 0.94 }
} as const;
type FruitId = keyof typeof FRUIT;

/** Tolerance by yeast, 10th, 50th, 90th percentile, % vol. */
const YEAST = {
  ale: [8, 9.5, 11],
  wine: [13, 14, 15.5],
  champagne: [16, 18, 19],
  wild: [4, 10, 14]
} as const;
type YeastId = keyof typeof YEAST;

/** One random wine, by its seed. */
export function trueWine(seed: number): TrueWine {
  const random = mulberry32(seed * 7919 + 13);
  const chance = (p: number) => random() < p;
  const between = (a: number, b: number) => a + (b - a) * random();
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const limitOf = (y: YeastId) => {
    const z = normal() / 1.2816;
    const [low, mid, high] = YEAST[y];
    return Math.max(2, mid + z * (z < 0 ? mid - low : high - mid));
  };
  let n = 0;
  const events: LedgerEvent[] = [];
  const slips: TrueWine['slips'] = [];
  const batchId = `01890000-0000-7000-8000-${String(seed).padStart(12, '0')}`;
  const write = <T extends EventType>(day: number, type: T, data: EventData<T>) => {
    const at = new Date(T0 + day * DAY + n * 1000).toISOString();
    const id = `01890000-0000-7000-9000-${String(seed * 1000 + ++n).padStart(12, '0')}`;
    events.push({
      id,
      batchId,
      type,
      v: 1,
      at,
      zone: 'UTC',
      recordedAt: at,
      device: 'sim',
      data
    } as LedgerEvent);
  };
  /** What was written for a true amount: a little off always, grossly off now and then. */
  const written = (x: number, sd: number) =>
    chance(0.01) ? x * pick([0.5, 2, 0.4536, 2.2046]) : Math.max(0, x * (1 + sd * normal()));
  const noted = (x: Ingredient): Ingredient =>
    'volumeL' in x
      ? { ...x, volumeL: written(x.volumeL, 0.02) }
      : ({ ...x, massKg: written(x.massKg, 0.012) } as Ingredient);
  // Litres at a racking are read off a jar by eye. Of their own dice: what else happens is as it was.
  const dice = mulberry32(seed * 104_729 + 7);
  const byEye = (litres: number) =>
    litres * (1 + 0.025 * Math.sqrt(-2 * Math.log(1 - dice())) * Math.cos(2 * Math.PI * dice()));
  const isJuice = chance(0.3);
  const fruitId: FruitId = isJuice
    ? pick(['apple', 'grape'])
    : pick(['plum', 'blackcurrant', 'strawberry', 'rhubarb']);
  const ripe = 1 + 0.1 * normal();
  const body = 1 + 0.14 * normal();
  const lot = FRUIT[fruitId];
  const addFruit = (t: Tank, kg: number) => {
    t.hexose += lot.hexose * ripe * kg;
    t.other += lot.other * body * kg;
    t.water += lot.water * kg;
  };
  const addSugar = (t: Tank, kg: number) => {
    t.hexose += kg * 1.0526;
    t.water -= kg * 0.0526;
  };

  // The must.
  const tank: Tank = { water: 0, hexose: 0, other: 0, alcohol: 0 };
  const inMust: Ingredient[] = [];
  if (isJuice) {
    const volumeL = between(4, 20);
    addFruit(tank, volumeL * (fruitId === 'grape' ? 1.07 : 1.05));
    inMust.push({ kind: 'juice', produceId: fruitId, volumeL });
    if (chance(0.3)) {
      const massKg = between(0.02, 0.08) * volumeL;
      addSugar(tank, massKg);
      inMust.push({ kind: 'sugar', sugarId: 'white', massKg });
    }
  } else {
    const volumeL = between(4, 20);
    const massKg = between(0.2, 0.55) * volumeL;
    const sugarKg = between(0.1, 0.27) * volumeL;
    addFruit(tank, massKg);
    addSugar(tank, sugarKg);
    tank.water += volumeL * 0.998;
    inMust.push(
      { kind: 'produce', produceId: fruitId, massKg },
      { kind: 'sugar', sugarId: 'white', massKg: sugarKg },
      { kind: 'water', volumeL }
    );
  }
  const yeast: YeastId = chance(0.12) ? 'wild' : pick(['ale', 'wine', 'wine', 'champagne']);
  const plan: Plan = {
    ingredients: inMust.map(noted),
    ...(yeast === 'wild' ? { wildYeast: 'wild' as const } : { yeast: { yeastId: yeast } })
  };
  write(0, 'planned', { name: `Wine ${seed}`, plan, vesselId: 'v0' });
  write(0, 'addition', { ingredients: plan.ingredients });
  if (chance(0.5))
    write(0, 'addition', {
      ingredients: [{ kind: 'additive', additiveId: 'campden', massKg: 0.00012 * litresOf(tank) }]
    });
  if (yeast !== 'wild') write(1, 'pitch', { yeast: { yeastId: yeast } });

  const startHexose = tank.hexose;
  const stem = 0.0005 * normal();
  const first: Jar = {
    id: 'v0',
    tank,
    limit: limitOf(yeast),
    stallAt: chance(0.14) ? tank.hexose * between(0, 0.8) : 0,
    rate: 0.35 * Math.exp(0.5 * normal()),
    beginsDay: 1 + (yeast === 'wild' ? between(2, 5) : between(0.2, 1.2)),
    isStable: false,
    reads: [],
    fedDay: 0
  };
  let jars = [first];
  let day = 0;

  /** Sugar a jar's yeast can still take, kg. */
  const within = (j: Jar): number => {
    if (j.isStable) return 0;
    const roomKg = (((j.limit - abvOfTank(j.tank)) / 100) * litresOf(j.tank) * 0.78924) / 0.46;
    return Math.max(0, Math.min(j.tank.hexose, roomKg));
  };
  const ferment = (j: Jar, kg: number) => {
    j.tank.hexose -= kg;
    j.tank.alcohol += 0.46 * kg * (1 + 0.01 * stem);
    j.tank.other += 0.045 * kg;
  };
  const goOn = (to: number) => {
    for (; day < to; day += 0.25)
      for (const j of jars) {
        if (day < j.beginsDay) continue;
        const left = Math.max(0, within(j) - j.stallAt);
        ferment(j, Math.min(left, (0.012 * litresOf(j.tank) * j.rate + 0.1 * left) * 0.25 * j.rate * 4));
      }
  };
  const read = (j: Jar) => {
    const isSlip = chance(0.04);
    const offSg = isSlip ? 0.03 * normal() : 0;
    const sg = gravityOf(j.tank) + stem + 0.001 * normal() + offSg;
    j.reads.push({ day, isSlip, sugarGL: (1000 * j.tank.hexose) / litresOf(j.tank) });
    write(day, 'reading', {
      sg: Math.min(1.29, Math.max(0.971, Math.round(sg * 1000) / 1000)),
      ...(jars.length > 1 ? { vesselId: j.id } : {})
    });
    if (isSlip) slips.push({ eventId: events.at(-1)!.id, offSg });
  };

  const never = chance(0.12);
  if (!never && chance(0.5)) {
    goOn(1);
    read(first);
  }
  if (!never && chance(0.4)) {
    goOn(between(4, 9));
    read(first);
  }
  goOn(6);
  /** A copy of it left to itself. */
  const doneInDays = (): number | null => {
    const j = { ...first, tank: { ...tank } };
    for (let d = 0; d < 200; d += 0.25) {
      const left = Math.max(0, within(j) - j.stallAt);
      if ((1000 * left) / litresOf(j.tank) < 3) return j.stallAt > 0 ? null : d;
      if (day + d >= j.beginsDay)
        ferment(j, Math.min(left, (0.012 * litresOf(j.tank) * j.rate + 0.1 * left) * j.rate));
    }
    return null;
  };
  const mid: TrueLook = {
    at: T0 + day * DAY + 3_600_000,
    vesselId: 'v0',
    abv: abvOfTank(tank),
    sugarGL: (1000 * tank.hexose) / litresOf(tank),
    volumeL: litresOf(tank),
    doneInDays: doneInDays()
  };
  goOn(10);
  if (!isJuice) write(day, 'fruit-out', { press: 'press' });
  if (chance(0.12)) {
    const massKg = between(0.01, 0.06) * litresOf(tank);
    addSugar(tank, massKg);
    first.fedDay = day;
    write(day, 'addition', { ingredients: [noted({ kind: 'sugar', sugarId: 'white', massKg })] });
  }
  goOn(day + 2);
  // Into glass, now and then into two jars of which each goes its own way.
  const volumeL = litresOf(tank);
  if (chance(0.3)) {
    const share = between(0.35, 0.65);
    const part = (id: string, s: number): Jar => ({
      ...first,
      id,
      tank: {
        water: tank.water * s,
        hexose: tank.hexose * s,
        other: tank.other * s,
        alcohol: tank.alcohol * s
      },
      // The twins part: one may stall where the other does not.
      stallAt: chance(0.3) ? (chance(0.3) ? startHexose * s * between(0, 0.8) : 0) : first.stallAt * s,
      reads: [...first.reads]
    });
    jars = [part('a', share), part('b', 0.95 - share)];
    write(day, 'transfer', {
      from: 'v0',
      to: jars.map((j, i) => ({
        vesselId: j.id,
        volumeL: byEye((i === 0 ? share : 0.95 - share) * volumeL)
      })),
      lossL: byEye(0.05 * volumeL),
      emptied: true
    });
  } else {
    for (const k of ['water', 'hexose', 'other', 'alcohol'] as const) tank[k] *= 0.94;
    first.stallAt *= 0.94;
    first.id = 'a';
    write(day, 'transfer', {
      from: 'v0',
      to: [{ vesselId: 'a', volumeL: byEye(0.94 * volumeL) }],
      lossL: byEye(0.06 * volumeL),
      emptied: true
    });
  }
  const endDay = between(35, 160);
  const readDays = never
    ? []
    : Array.from({ length: Math.floor(between(0, 5)) }, () => between(day + 1, endDay));
  // Most people who read before bottling read twice.
  if (!never && chance(0.6)) readDays.push(endDay - between(3.2, 12), endDay - 0.05);
  const acts = [
    ...readDays.map((at) => ({ at, do: 'read' as const })),
    ...(chance(0.07) ? [{ at: between(day + 5, endDay), do: 'fruit' as const }] : []),
    ...(chance(0.08) ? [{ at: between(day + 5, endDay), do: 'blend' as const }] : []),
    ...(chance(0.25) ? [{ at: between(day + 8, endDay), do: 'stabilise' as const }] : []),
    ...(chance(0.2) ? [{ at: between(day + 20, Math.max(day + 20, endDay)), do: 'sweeten' as const }] : []),
    ...(chance(0.06)
      ? [{ at: between(day + 20, Math.max(day + 20, endDay)), do: 'erythritol' as const }]
      : []),
    ...(chance(0.1) ? [{ at: between(day + 4, endDay), do: 'water' as const }] : []),
    ...(chance(0.08) ? [{ at: between(day + 4, endDay), do: 'pitch' as const }] : [])
  ].sort((a, b) => a.at - b.at);
  for (const act of acts) {
    goOn(act.at);
    if (act.do === 'read') {
      for (const j of jars) if (jars.length === 1 || chance(0.75)) read(j);
      continue;
    }
    if (act.do === 'pitch') {
      for (const j of jars) {
        j.limit = Math.max(j.limit, limitOf('champagne'));
        if (chance(0.6)) j.stallAt = 0;
        j.isStable = false;
      }
      write(day, 'pitch', { yeast: { yeastId: 'champagne' } });
      continue;
    }
    const j = pick(jars);
    const litres = litresOf(j.tank);
    const where = { vesselId: j.id };
    if (act.do === 'water') {
      const waterL = 0.06 * litres;
      j.tank.water += waterL * 0.998;
      write(day, 'addition', { ...where, ingredients: [noted({ kind: 'water', volumeL: waterL })] });
    } else if (act.do === 'erythritol') {
      const massKg = between(0.01, 0.05) * litres;
      j.tank.other += massKg * 0.763;
      j.tank.water += massKg * 0.237;
      write(day, 'addition', {
        ...where,
        ingredients: [noted({ kind: 'sugar', sugarId: 'erythritol', massKg })]
      });
    } else if (act.do === 'sweeten') {
      const massKg = between(0.006, 0.05) * litres;
      addSugar(j.tank, massKg);
      j.fedDay = day;
      // It wakes, or it sleeps on: nobody knows.
      if (chance(0.5)) j.stallAt = j.tank.hexose;
      write(day, 'addition', { ...where, ingredients: [noted({ kind: 'sugar', sugarId: 'white', massKg })] });
    } else if (act.do === 'fruit') {
      const massKg = between(0.05, 0.2) * litres;
      addFruit(j.tank, massKg);
      j.fedDay = day;
      write(day, 'addition', {
        ...where,
        ingredients: [noted({ kind: 'produce', produceId: fruitId, massKg })]
      });
      goOn(day + 6);
      write(day, 'fruit-out', { ...where, press: 'press' });
    } else if (act.do === 'stabilise') {
      const [sorbate, sulphite] = pick([
        [0.27, 0.08],
        [0.27, 0.08],
        [0.1, 0.08],
        [0.27, 0]
      ] as const);
      const isStill = within(j) - j.stallAt < 0.001 * litres;
      // Sorbate holds finished wine; of a stall, or too little of either, none can say.
      if (sorbate >= 0.2 && sulphite >= 0.05 && isStill && within(j) < 0.004 * litres) j.isStable = true;
      write(day, 'addition', {
        ...where,
        ingredients: (
          [
            ['sorbate', sorbate],
            ['metabisulphite', sulphite]
          ] as const
        )
          .filter(([, gL]) => gL > 0)
          .map(([additiveId, gL]) => ({ kind: 'additive', additiveId, massKg: (gL * litres) / 1000 }))
      });
    } else {
      // A sweet young wine with a strong yeast, which the taker's ledger is told of.
      const inL = between(0.05, 0.25) * litres;
      const wine = {
        waterKg: 0.9 * inL,
        ethanolKg: 0.05 * inL,
        solidsKg: 0.07 * inL,
        fermentableKg: 0.05 * inL,
        hexoseKg: 0.05 * inL
      };
      j.tank.water += wine.waterKg;
      j.tank.alcohol += wine.ethanolKg;
      j.tank.hexose += wine.hexoseKg;
      j.tank.other += wine.solidsKg - wine.fermentableKg;
      j.limit = Math.max(j.limit, limitOf('champagne'));
      j.fedDay = day;
      j.isStable = false;
      if (chance(0.4)) j.stallAt = j.tank.hexose;
      write(day, 'blend', {
        from: { batchId: '01890000-0000-7000-8000-ffffffffffff', vesselId: 'q', name: 'Other' },
        to: j.id,
        volumeL: inL,
        wine: {
          stock: {
            ...wine,
            acidsMol: { tartaric: 0, malic: 0, citric: 0, oxalic: 0, lactic: 0, succinic: 0, acetic: 0 },
            strongIonEq: 0,
            bufferMol: 0,
            carbonateMol: 0,
            nitrogenMg: 0
          },
          fermentedKg: wine.ethanolKg / 0.46,
          powdersG: {},
          cost: 0,
          allergens: [],
          ...(chance(0.5) ? { yeasts: [{ yeastId: 'champagne' as const }] } : {})
        }
      });
    }
  }
  goOn(endDay);
  return {
    events,
    // What was begun late is seen to its end.
    at: T0 + (Math.max(endDay, day) + 1) * DAY,
    fruitId,
    mid,
    slips,
    jars: jars.map((j) => {
      const bottle = pick(['still', 'still', 'still', 'still', 'crown', 'sparkling'] as const);
      const primingGL = bottle === 'still' ? 0 : pick([0, bottle === 'crown' ? 5 : 18]);
      const litres = litresOf(j.tank);
      const gas = 1.44 + (490 * within(j)) / litres + 0.514 * primingGL;
      // The newest readings that were all honest, and taken once the sugar was gone.
      const from = j.reads.findLastIndex((r) => r.isSlip || r.sugarGL >= 1 || r.day < j.fedDay) + 1;
      const since = j.reads.slice(from);
      return {
        vesselId: j.id,
        bottle,
        primingGL,
        isClear: chance(0.9),
        bar20: gas / 1.44 - 1.013,
        abv: abvOfTank(j.tank),
        sugarGL: (1000 * j.tank.hexose) / litres,
        reachGL: (1000 * within(j)) / litres,
        volumeL: litres,
        isFinishedAndRead: since.length >= 2 && since.at(-1)!.day - since[0]!.day >= 3.1
      };
    })
  };
}
