import { plain } from '../units/say';
import { describe, expect, it } from 'vitest';
import { likelyFigures } from '../must/balance';
import { isStrained } from '../must/strain';
import { amountOf, type Ingredient, type Plan } from '../plan/plan';
import { planSchema } from '../plan/plan-schema';
import { FAMILIES } from '../tables/produce';
import { PRODUCE } from '../tables/table';
import { DOSES } from '../tables/doses';
import { nutrientOf, powdersOf } from '../must/powders';
import { solvePlan, sweetenKg } from '../solve/solve';
import { stagesOf, type Place } from './stages';
import { VESSEL_PRESETS, type Vessel } from '../vessels/vessels';
import { effectOf } from './effect';
import { kitOf, shoppingOf } from './kit';
import { methodOf, METHODS, methodsFor, withMethod } from '../plan/methods';
import { optionsOf, SCHOOL_IDS, SCHOOLS } from '../tables/schools';
import { sheetOf } from './sheet';
import { stepsOf } from './steps';
import { sugarParts } from '../must/sugar-parts';

const made = (
  produceId: string,
  abv: number,
  more: Partial<Plan> = {},
  volumeL: number | null = null
): Plan =>
  solvePlan({
    ingredients: [
      { kind: 'produce', produceId, massKg: 4, held: true },
      { kind: 'sugar', sugarId: 'white', massKg: 0, held: false },
      { kind: 'water', volumeL: 0, held: false }
    ],
    target: { abv, volumeL },
    ...more
  }).plan;
const sugarOf = (list: readonly Ingredient[]) =>
  list.reduce((sum, i) => (i.kind === 'sugar' ? sum + i.massKg : sum), 0);

describe('the schools', () => {
  it('each has a usual choice, a reason for every choice, and a place in the plan', () => {
    for (const id of SCHOOL_IDS) {
      expect(optionsOf(id).map(([o]) => o)).toContain(SCHOOLS[id].usual);
      expect(optionsOf(id).length).toBeGreaterThan(1);
      for (const [option, o] of optionsOf(id)) {
        expect(o.why.length).toBeGreaterThan(10);
        expect(planSchema.safeParse({ ...made('plum', 12), [id]: option }).success, `${id} ${option}`).toBe(
          true
        );
      }
    }
  });

  it('a choice changes the numbers, doses, steps or days that it says it does', () => {
    const plan = made('plum', 12);
    expect(plain(effectOf(plan, 'press', 'press').join())).toMatch(/L more wine/);
    expect(effectOf(plan, 'wildYeast', 'heat').join()).toMatch(/no campden/);
    expect(effectOf(plan, 'wildYeast', 'wild').join()).toMatch(/no yeast in/);
    expect(effectOf(plan, 'sugar', 'strained').join()).toMatch(/starts at 1\.0\d\d.*a step more: sugar in/);
    expect(effectOf(plan, 'clearing', 'bentonite').join()).toMatch(/bentonite.*sooner/);
    expect(effectOf(plan, 'finish', 'stabilise').join()).toMatch(/potassium sorbate/i);
    expect(effectOf(plan, 'fruitIn', 'free').join()).toMatch(/fruit gives .* sooner/);
    expect(effectOf(plan, 'stirring', 'shut').join()).toMatch(/no push the cap down/);
    expect(effectOf(plan, 'nutrient', 'none').join()).toMatch(/no nutrient/);
    expect(effectOf(plan, 'pitch', 'starter').join()).toMatch(/a step more: begin the starter/);
    // Its own choice changes nothing.
    for (const id of SCHOOL_IDS) expect(effectOf(plan, id, SCHOOLS[id].usual), id).toEqual([]);
  });
});

describe('sugar in parts', () => {
  it.each(['start', 'halves', 'strained', 'steps'] as const)('%s: no sugar is made or lost', (sugar) => {
    const plan = made('plum', 15, { sugar });
    const { now, later } = sugarParts(plan);
    expect(sugarOf(now.ingredients) + later.reduce((s, p) => s + sugarOf(p.ingredients), 0)).toBeCloseTo(
      sugarOf(plan.ingredients),
      9
    );
    expect(later.length).toBe({ start: 0, halves: 1, strained: 1, steps: 2 }[sugar]);
  });

  it('steps begin at the gravity that is asked for', () => {
    const plan = made('plum', 15, { sugar: 'steps', target: { abv: 15, volumeL: null, sgMax: 1.07 } });
    expect(likelyFigures(sugarParts(plan).now).sgAllGiven).toBeCloseTo(1.07, 4);
  });

  it('a must that is light enough is not fed', () => {
    expect(sugarParts(made('plum', 6, { sugar: 'steps' })).later).toEqual([]);
  });

  it('each part has its step, and bottling comes last', () => {
    for (const sugar of ['halves', 'strained', 'steps'] as const)
      for (const finish of ['dry', 'stabilise', 'non-fermenting', 'heat', 'limit'] as const)
        for (const clearing of ['time', 'cold', 'finings', 'bentonite'] as const) {
          const plan = made('plum', 14, { sugar, finish, clearing, pitch: 'starter' });
          const steps = stepsOf(plan);
          const seen = new Set<string>();
          for (const s of steps) {
            for (const w of s.waits) expect(seen.has(w.step), `${s.id} waits for ${w.step}`).toBe(true);
            seen.add(s.id);
          }
          for (const p of sugarParts(plan).later) expect(seen.has(p.step)).toBe(true);
          expect(steps.at(-1)!.id).toBe('bottle');
        }
  });
});

describe('methods', () => {
  it('at least two suit every family of produce, and each is a sound plan', () => {
    for (const family of FAMILIES) {
      const p = PRODUCE.find((x) => x.family === family)!;
      const plan = made(p.id, 11);
      const list = methodsFor(plan).filter((m) => m.families.includes(family));
      expect(list.length, family).toBeGreaterThanOrEqual(2);
      for (const m of list) {
        const next = withMethod(plan, m);
        expect(planSchema.safeParse(next).success, m.id).toBe(true);
        expect(stepsOf(next).length).toBeGreaterThan(5);
        expect(methodOf(next)).toMatchObject(m.method);
      }
    }
    expect(new Set(METHODS.map((m) => m.id)).size).toBe(METHODS.length);
  });

  it('handles the fruit it is for, and leaves the rest as it was', () => {
    const simmer = METHODS.find((m) => m.id === 'root-simmer')!;
    const next = withMethod(
      {
        ingredients: [
          { kind: 'produce', produceId: 'parsnip', massKg: 2 },
          { kind: 'produce', produceId: 'orange', massKg: 1 }
        ]
      },
      simmer
    );
    expect(next.ingredients[0]).toMatchObject({ heat: 'simmered', simmerMin: 20, cut: 'sliced' });
    expect(next.ingredients[1]).not.toHaveProperty('heat');
  });
});

describe('powders, kit and shopping', () => {
  it('every dose of every method lands between low and high', () => {
    for (const p of PRODUCE)
      for (const m of METHODS) {
        const plan = withMethod(made(p.id, 12), m);
        const litres = likelyFigures(plan).liquidVolumeL;
        if (!(litres > 3)) continue;
        for (const dose of powdersOf(plan, litres)) {
          if (dose.id === 'tea' || dose.id === 'yeast' || dose.id === 'rehydration-nutrient') continue;
          const [low, , high] = DOSES[dose.id].perL;
          // The enzyme has a second rule, by weight of fruit; tablets are whole.
          const ease = dose.id === 'campden' ? 1.3 : 1;
          expect(dose.massG / litres, `${p.id} ${dose.id}`).toBeGreaterThanOrEqual((low / ease) * 0.99);
          expect(dose.massG / litres, `${p.id} ${dose.id}`).toBeLessThanOrEqual(high * ease * 1.5);
        }
      }
  });

  it('the kit follows the method', () => {
    const kit = (more: Partial<Plan>) => kitOf(made('plum', 12, more), 'blue bucket').join();
    expect(kit({})).toMatch(/blue bucket.*straining bag/);
    expect(kit({ fruitIn: 'free' })).not.toMatch(/bag/);
    expect(kit({ wildYeast: 'heat' })).toMatch(/large pan/);
    expect(kit({ cover: 'airlock' })).toMatch(/airlock/);
    expect(kit({ pitch: 'rehydrated' })).toMatch(/cup or jar/);
  });

  it('the shopping list counts what comes later in, and leaves water out', () => {
    const plan = made('plum', 12, { finish: 'stabilise', target: { abv: 12, volumeL: 10, sweetGL: 20 } });
    const list = shoppingOf(plan);
    const sugar = list.find((s) => s.name === 'White sugar')!;
    expect(sugar.amount).toBeCloseTo(sugarOf(plan.ingredients) + sweetenKg(plan), 6);
    expect(list.some((s) => s.name === 'Water')).toBe(false);
    expect(list.map((s) => s.name)).toEqual(
      expect.arrayContaining(['Plums', 'Campden', 'Potassium sorbate'])
    );
    expect(nutrientOf(plan, { ...likely(plan) })).not.toBeNull();
  });
  const likely = (plan: Plan) => {
    const f = likelyFigures(plan);
    return {
      waterKg: f.liquidVolumeL,
      ethanolKg: 0,
      solidsKg: 2,
      fermentableKg: 2,
      hexoseKg: 2,
      acidsMol: { tartaric: 0, malic: 0, citric: 0, oxalic: 0, lactic: 0, succinic: 0, acetic: 0 },
      strongIonEq: 0,
      bufferMol: 0,
      carbonateMol: 0,
      nitrogenMg: 10
    };
  };
});

describe('the sheet', () => {
  it('says everything once, in the household’s units, with nothing undefined', () => {
    for (const p of PRODUCE.slice(0, 40)) {
      const s = sheetOf(made(p.id, 12, { sugar: 'halves', finish: 'stabilise' }), 'bucket', {
        temp: 'F',
        mass: 'lb',
        volume: 'us-gal'
      });
      expect(JSON.stringify(s)).not.toMatch(/NaN|undefined|null/);
      expect(s.steps.at(-1)!.title).toBe('Bottle');
      expect(s.makes[0]).toMatch(/US gal/);
    }
  });
});

describe('a method handles the fruit', () => {
  it('petals infused are strained off, and stay in the must again by another method', () => {
    const by = (plan: Plan, id: string) =>
      withMethod(
        plan,
        METHODS.find((m) => m.id === id)!
      );
    const petals = made('elderflower', 11, {}, 5);
    const isOff = (plan: Plan) => plan.ingredients.some(isStrained);
    const infused = by(petals, 'petal-pour');
    expect(isOff(infused)).toBe(true);
    expect(stepsOf(infused).map((s) => s.id)).not.toContain('fruit-out');
    expect(isOff(by(infused, 'petal-steep'))).toBe(false);
  });
});

describe('vessels at every stage', () => {
  const stages = (plan: Plan, first: Vessel, at: Place[]) =>
    stagesOf(plan, likelyFigures(plan), first, at, 0);
  const bucket = VESSEL_PRESETS.find((v) => v.id === 'bucket-25')!;
  const places = VESSEL_PRESETS.map((vessel) => ({ vessel, freeAt: null as number | null }));

  it('says whether it fits with its foam, which jars take it, and when', () => {
    const all = stages(made('raspberry', 12, {}, 12), bucket, places);
    expect(all.map((s) => s.name)).toEqual(['First ferment', 'Into glass', 'Second racking']);
    expect(all.every((s) => s.fits)).toBe(true);
    expect(all[1]!.volumeL).toBeCloseTo(12, 1);
    expect(all[2]!.atMs).toBeGreaterThan(all[1]!.atMs);
  });

  it('a dark berry wants more room than sugar and water do', () => {
    const first = (id: string, litres: number) => stages(made(id, 12, {}, litres), bucket, places)[0]!;
    expect(first('raspberry', 19).fits).toBe(false);
    expect(first('raspberry', 19).text).toMatch(/short of room for foam/);
    expect(first('pear', 19).fits).toBe(true);
    expect(first('pear', 40).text).toMatch(/too much/);
  });

  it('a jar that is still full is not counted on, one that is free by then is', () => {
    const only = (freeAt: number | null) =>
      stages(made('plum', 12, {}, 5), bucket, [
        { vessel: bucket, freeAt: null },
        { vessel: VESSEL_PRESETS.find((v) => v.id === 'jar-5')!, freeAt }
      ])[1]!;
    expect(only(null).fits).toBe(true);
    expect(only(3 * 86_400_000).fits).toBe(true);
    expect(only(90 * 86_400_000).text).toBe('no jar is free');
  });
});

describe('amounts', () => {
  it('are what the plan says', () => {
    expect(amountOf(made('plum', 12).ingredients[0]!)).toBe(4);
  });
});

it('what the core says of its amounts is in litres and kilograms, for the interface to turn', () => {
  const said = JSON.stringify([
    METHODS,
    SCHOOLS,
    DOSES,
    PRODUCE.map((p) => [p, stepsOf(made(p.id, 12, {}, 10))]),
    METHODS.map((m) => stepsOf(withMethod(made('plum', 12, {}, 10), m)))
  ]);
  expect(said.match(/.{30}\b(gallons?|pounds?|ounces?|°F)\b/g) ?? []).toEqual([]);
});
