import type { Ingredient, Plan } from '$core/plan/plan';
import type { YeastId } from '$core/tables/yeasts';
import { solvePlan } from '$core/solve/solve';
import type { Vessel } from '$core/vessels/vessels';
import type { StepId } from '$core/tables/step-id';
import { beginBatch } from '$core/commands/begin';
import type { Deed } from '$core/commands/deed';
import { bottle, rack, takeFruitOut } from '$core/commands/move';
import { look, note, readGravity } from '$core/commands/observe';
import { pitch, put, stir } from '$core/commands/put';
import { setReadingAside } from '$core/commands/tick';
import { doStep } from '$core/steps/do-step';
import { keepAll } from '$lib/store/things';
import { keepRecipe } from '$lib/store/recipes';
import { db } from '$lib/store/db';
import { isNothingHere } from '$lib/store/stamp';
import type { HarvestLot } from '$core/plan/harvest';
import { newId } from '$lib/store/here';
import { eventsOfDeed, write, type When } from '$lib/store/record';
import { DEFAULT_SETTINGS } from '$core/units/settings';
import type { LedgerEvent } from '$core/ledger/log';
import { foldBatch } from '$core/ledger/run';
import type { BatchState } from '$core/ledger/state';
import { makeOldWines, RACKS } from './old-wines';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** How the demo writes things down: days before today, and deeds on them. */
export type Pen = {
  did: (when: When, deed: Deed) => Promise<void>;
  begin: (plan: Plan, name: string, vesselId: string, when: When) => Promise<string>;
  treat: (id: string, days: number, yeastId?: YeastId, massG?: number) => Promise<void>;
  read: (id: string, days: number, sg: number, tempC?: number, vesselId?: string) => Promise<void>;
  ago: (days: number, hours?: number) => { at: number };
  state: (id: string, at: number) => BatchState;
};

/** The household's own vessels. */
const VESSELS: Vessel[] = [
  { id: 'bucket-big', name: '25 L bucket', shape: 'bucket', capacityL: 27.5 },
  { id: 'bucket-green', name: 'green 25 L bucket', shape: 'bucket', capacityL: 27.5 },
  { id: 'bucket-30', name: '30 L bucket', shape: 'bucket', capacityL: 33 },
  { id: 'bucket-15', name: '15 L bucket', shape: 'bucket', capacityL: 16.5 },
  { id: 'bucket-white', name: 'white 15 L bucket', shape: 'bucket', capacityL: 16.5 },
  { id: 'bucket-small', name: '10 L bucket', shape: 'bucket', capacityL: 11 },
  { id: 'jar-10', name: '10 L jar', shape: 'jar', capacityL: 10.4 },
  { id: 'jar-10-b', name: 'old 10 L jar', shape: 'jar', capacityL: 10.4 },
  { id: 'jar-5-a', name: '5 L jar', shape: 'jar', capacityL: 5.25 },
  { id: 'jar-5-b', name: 'tall 5 L jar', shape: 'jar', capacityL: 5.25 },
  { id: 'jar-5-c', name: 'third 5 L jar', shape: 'jar', capacityL: 5.25 },
  { id: 'jar-5-d', name: 'fourth 5 L jar', shape: 'jar', capacityL: 5.25 },
  { id: 'jar-uk', name: '1 UK gal jar', shape: 'jar', capacityL: 4.75 },
  { id: 'bottle-2', name: '2 L bottle', shape: 'bottle', capacityL: 2.1 },
  { id: 'carboy-23', name: '23 L carboy', shape: 'carboy', capacityL: 23.7 }
];

export const fruit = (
  produceId: string,
  massKg: number,
  form: 'fresh' | 'frozen' | 'dried' = 'fresh'
): Ingredient => ({ kind: 'produce', produceId, massKg, form, unit: 'kg', held: true });
const SUGAR: Ingredient = { kind: 'sugar', sugarId: 'white', massKg: 0, unit: 'kg', held: false };
const WATER: Ingredient = { kind: 'water', volumeL: 0, alkalinityMgL: 120, unit: 'L', held: false };

export function plan(
  ingredients: Ingredient[],
  abv: number,
  volumeL: number | null,
  yeastId: YeastId = 'wine',
  wildYeast: Plan['wildYeast'] = 'sulphite'
): Plan {
  return solvePlan({
    ingredients: [...ingredients, SUGAR, WATER],
    target: { abv, volumeL },
    yeast: { yeastId },
    wildYeast,
    press: 'drip'
  }).plan;
}

/**
 * Fills an empty database with an allotment household of wines at every stage, dated back from `now`.
 * Built by the functions that clicks call; nothing here is written any other way.
 */
export async function loadDemo(now: number): Promise<void> {
  const log: LedgerEvent[] = [];
  const recipes = await makeWines(now, log);
  // All of it or nothing: a page that is closed meanwhile finds it empty, and is offered it again.
  await db.transaction('rw', db.tables, async () => {
    // Two tabs, or a tap while it is on its way, fill it once.
    if (!(await isNothingHere())) return;
    await keepAll('vessels', VESSELS);
    await keepAll('racks', RACKS);
    await keepAll('harvest', harvest(now));
    await write(log);
    for (const [plan, name, note] of recipes) await keepRecipe(plan, name, null, { note });
    await db.settings.put({ key: 'household', value: { ...DEFAULT_SETTINGS, onlyListed: true } });
    await db.deeds.clear();
  });
}

/** What lies in the shed and in the freezer. */
function harvest(now: number): HarvestLot[] {
  const lot = (
    produceId: string,
    massKg: number,
    daysAgo: number,
    more: Partial<HarvestLot> = {}
  ): HarvestLot => {
    const at = new Date(now - daysAgo * DAY).toISOString();
    return { id: newId(), produceId, massKg, form: 'fresh', weighed: 'trimmed', at, fates: [], ...more };
  };
  const frozen = (daysAgo: number, massKg: number): Partial<HarvestLot> => ({
    form: 'frozen',
    fates: [{ at: new Date(now - daysAgo * DAY).toISOString(), what: 'frozen', massKg }]
  });
  return [
    lot('quince', 5.2, 12, { weighed: 'bought', place: 'end plot' }),
    lot('parsnip', 4.4, 3, { place: 'row nine' }),
    lot('rosehip', 1.1, 2, { place: 'lane above the weir', weighed: 'trimmed' }),
    lot('blackcurrant', 3.1, 128, frozen(128, 3.1)),
    lot('gooseberry', 2.6, 140, { ...frozen(140, 2.6), place: 'four bushes by the water butt' }),
    lot('rhubarb', 2.2, 170, frozen(170, 2.2))
  ];
}

/** Writes the wines down, and gives back what is worth keeping as a recipe. */
async function makeWines(now: number, log: LedgerEvent[]): Promise<[Plan, string, string][]> {
  const midnight = new Date(now).setHours(0, 0, 0, 0);
  /** Days before today, at half past eight in the morning and `hours` later; never after now. */
  const ago = (days: number, hours = 0) => ({
    at: Math.min(midnight + 8.5 * HOUR - days * DAY + hours * HOUR, now - days * 60_000)
  });
  const did = async (when: When, deed: Deed) => void log.push(...(await eventsOfDeed(deed, when)));
  const begin = async (plan: Plan, name: string, vesselId: string, when: When) => {
    const batchId = newId();
    await did(when, beginBatch({ batchId, plan, name, vesselId, recipeId: null }));
    return batchId;
  };
  const state = (id: string, at: number) =>
    foldBatch(
      log.filter((e) => e.batchId === id),
      at
    )!;
  const read = (id: string, days: number, sg: number, tempC = 20, vesselId?: string) =>
    did(ago(days), readGravity(id, sg, tempC, DEFAULT_SETTINGS.hydrometer, { vesselId }));
  const stirred = async (id: string, from: number, to: number) => {
    for (let d = from; d >= to; d--) await did(ago(d, 11), stir(id));
  };
  const step = (id: string, days: number, what: StepId) =>
    did(ago(days), doStep(state(id, ago(days).at), what));
  /** Sulphite at once, enzyme half a day on, yeast a day and a half after the start. */
  const treat = async (id: string, days: number, yeastId: YeastId = 'wine', massG = 5) => {
    await step(id, days - 0.02, 'campden');
    await step(id, days - 0.6, 'enzyme');
    await did(ago(days - 1.5), pitch(id, { yeast: { yeastId }, massG, how: 'rehydrated' }));
  };

  /** Nutrient by its parts, so many days before today. */
  const feed = async (id: string, ...days: number[]) => {
    for (const [i, d] of days.entries()) await step(id, d, `nutrient-${i + 1}` as StepId);
  };

  const rhubarb = await begin(plan([fruit('rhubarb', 4.6)], 12, 12), 'Rhubarb', 'bucket-big', ago(268));
  await treat(rhubarb, 268);
  await read(rhubarb, 266.4, 1.081);
  await stirred(rhubarb, 265, 261);
  await did(ago(260), takeFruitOut(rhubarb, 'drip', 11.6));
  await read(rhubarb, 260, 1.012);
  await did(ago(259), rack(rhubarb, 'bucket-big', [{ vesselId: 'jar-10', volumeL: 10.3 }], 0.9));
  await read(rhubarb, 225, 0.995);
  await did(ago(224), rack(rhubarb, 'jar-10', [{ vesselId: 'jar-10-b', volumeL: 10 }], 0.2));
  await read(rhubarb, 160, 0.994);
  await read(rhubarb, 150, 0.994);
  await did(ago(150), note(rhubarb, 'Pale as straw. A little sharp: less lemon next time.'));
  await did(
    ago(149),
    bottle(rhubarb, { from: 'jar-10-b', bottles: [{ count: 13, sizeL: 0.75, type: 'still' }], bar20: 0 })
  );
  const gooseberry = await begin(
    plan([fruit('gooseberry', 3.6)], 11.5, 10),
    'Gooseberry',
    'bucket-green',
    ago(112)
  );
  await treat(gooseberry, 112);
  await read(gooseberry, 110.4, 1.08);
  await stirred(gooseberry, 110, 105);
  await did(ago(104), takeFruitOut(gooseberry, 'drip', undefined));
  await read(gooseberry, 104, 1.01);
  await did(
    ago(103),
    rack(
      gooseberry,
      'bucket-green',
      [
        { vesselId: 'jar-5-a', volumeL: 5.1 },
        { vesselId: 'jar-uk', volumeL: 4.4 }
      ],
      0.6
    )
  );
  await read(gooseberry, 75, 0.995, 20, 'jar-5-a');
  await read(gooseberry, 75, 0.996, 20, 'jar-uk');
  await did(ago(72), rack(gooseberry, 'jar-5-a', [{ vesselId: 'jar-5-b', volumeL: 5 }], 0.1));
  // The other into its own jar again, washed.
  await did(ago(72), rack(gooseberry, 'jar-uk', [{ vesselId: 'jar-uk', volumeL: 4.3 }], 0.1, true));
  for (const jar of ['jar-5-b', 'jar-uk']) {
    await read(gooseberry, 12, 0.994, 19, jar);
    await read(gooseberry, 4, 0.994, 19, jar);
  }

  const linden = await begin(
    plan(
      [
        fruit('linden-blossom', 0.18),
        { kind: 'juice', produceId: 'lemon', volumeL: 0.12, unit: 'L', held: true },
        { kind: 'honey', massKg: 0.7, unit: 'kg', held: true }
      ],
      11,
      5,
      'wine',
      'heat'
    ),
    'Linden blossom',
    'bucket-small',
    ago(88)
  );
  await did(ago(87.5), put(linden, [{ kind: 'additive', additiveId: 'nutrient', massKg: 0.006 }]));
  await did(ago(87.3), pitch(linden, { yeast: { yeastId: 'wine' }, massG: 5, how: 'dry' }));
  await stirred(linden, 86, 85);
  await did(ago(84), takeFruitOut(linden, 'squeeze', undefined));
  await did(ago(80), setReadingAside(linden));
  await did(ago(76), look(linden, { bubbles: { count: 9, seconds: 60 }, taste: 'a-little-sweet' }));
  await did(ago(75), rack(linden, 'bucket-small', [{ vesselId: 'jar-5-c', volumeL: 5 }], 0.2));
  await did(ago(30), look(linden, { bubbles: { count: 0, seconds: 120 }, taste: 'dry', clarity: 'hazy' }));
  await did(ago(28), rack(linden, 'jar-5-c', [{ vesselId: 'jar-5-a', volumeL: 4.8 }], 0.15));

  const quince = await begin(plan([fruit('quince', 3.4)], 13, 9.4), 'Quince', 'bucket-15', ago(64));
  await treat(quince, 64);
  await read(quince, 62.4, 1.09);
  await stirred(quince, 61, 56);
  await did(ago(55), takeFruitOut(quince, 'squeeze', undefined));
  await read(quince, 54, 1.034, 17);
  await did(ago(53), rack(quince, 'bucket-15', [{ vesselId: 'jar-10', volumeL: 9.2 }], 0.6));
  await read(quince, 40, 1.018, 16);
  await read(quince, 20, 1.01, 15);
  await did(ago(19), rack(quince, 'jar-10', [{ vesselId: 'jar-10-b', volumeL: 8.9 }], 0.2));
  await read(quince, 6, 1.006, 15);
  await did(ago(5), note(quince, 'Bubbles have stopped. Bottle it on Sunday?'));

  const beetroot = await begin(
    plan(
      [fruit('beetroot', 2.2), { kind: 'juice', produceId: 'lemon', volumeL: 0.15, unit: 'L', held: true }],
      12,
      5,
      'wine',
      'heat'
    ),
    'Beetroot',
    'bucket-small',
    ago(33)
  );
  await did(ago(32.3), pitch(beetroot, { yeast: { yeastId: 'wine' }, massG: 5, how: 'dry' }));
  await read(beetroot, 32.2, 1.086);
  await stirred(beetroot, 31, 27);
  await did(ago(26), takeFruitOut(beetroot, 'drip', 4.6));
  await read(beetroot, 25, 1.036);
  await did(ago(25), rack(beetroot, 'bucket-small', [{ vesselId: 'jar-5-d', volumeL: 3.6 }], 0.9));
  await read(beetroot, 17, 1.023, 17);
  await read(beetroot, 12, 1.022, 16);
  await read(beetroot, 8, 1.022, 16);
  await did(ago(7), look(beetroot, { tempC: 21, clarity: 'hazy' }));

  const elderberry = await begin(
    plan([fruit('elderberry', 4.4)], 13, 13, 'red-fruit'),
    'Elderberry',
    'bucket-big',
    ago(9)
  );
  await treat(elderberry, 9, 'red-fruit');
  await read(elderberry, 7.4, 1.083, 21);
  await feed(elderberry, 6.4, 5.4, 4.4);
  await stirred(elderberry, 7, 1);
  await read(elderberry, 5, 1.061, 22);
  await read(elderberry, 3, 1.041, 22);
  await read(elderberry, 1, 1.024, 21);

  const blackcurrant = await begin(
    plan([fruit('blackcurrant', 4.2, 'frozen')], 12.5, 12, 'red-fruit'),
    'Blackcurrant',
    'bucket-white',
    ago(3.5)
  );
  await treat(blackcurrant, 3.5, 'red-fruit', 10);
  await read(blackcurrant, 2.1, 1.084, 23);
  await feed(blackcurrant, 1, 0.02);
  await stirred(blackcurrant, 2, 1);
  await read(blackcurrant, 0.5, 1.062, 24);
  await did(ago(0.4), look(blackcurrant, { foam: 'over', cap: 'up' }));
  await did(
    ago(0.4),
    note(blackcurrant, 'Foam pushed up into the airlock overnight. Cloth and a tray under it.')
  );

  const parsnip = await begin(
    plan(
      [
        { ...fruit('parsnip', 6), cut: 'sliced', heat: 'simmered', simmerMin: 20 } as Ingredient,
        { kind: 'juice', produceId: 'orange', volumeL: 0.6, unit: 'L', held: true },
        { kind: 'juice', produceId: 'lemon', volumeL: 0.35, unit: 'L', held: true }
      ],
      13,
      14,
      'champagne',
      'heat'
    ),
    'Parsnip',
    'bucket-green',
    ago(4)
  );
  await did(ago(3.2), pitch(parsnip, { yeast: { yeastId: 'champagne' }, massG: 5, how: 'dry' }));
  await read(parsnip, 3.1, 1.092, 18);
  await read(parsnip, 1, 1.092, 14);
  await did(ago(1), note(parsnip, 'Not a bubble. The kitchen was cold.'));

  const rosehip = await begin(
    plan([fruit('rosehip', 1.3), fruit('banana', 0.3)], 12, 5.2),
    'Rosehip',
    'bucket-small',
    ago(0.8)
  );
  await step(rosehip, 0.78, 'campden');

  await makeOldWines({ did, begin, treat, read, ago, state }, { rhubarb });
  return [
    [plan([fruit('rhubarb', 4.6)], 12, 12), 'Rhubarb', 'Pull it young; frozen does as well.'],
    [plan([fruit('damson', 3)], 12.5, 9), 'Damson', 'Seven days on the fruit, no more.'],
    [plan([fruit('elderberry', 4.4)], 13, 13, 'red-fruit'), 'Elderberry', 'Stalks off with a fork.']
  ];
}
