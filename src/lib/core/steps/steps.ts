import type { StepId } from '../tables/step-id';
import { usesEnzyme } from '../plan/chosen';
import { amountOf, entryOf, type Plan } from '../plan/plan';
import { isStrained } from '../must/strain';
import { feedsOf } from '../must/powders';
import { choiceOf } from '../tables/schools';
import type { Wait, Step } from './step';

const DAY = 24;

const wait = (step: StepId, minH: number, maxH: number, why: string): Wait => ({ step, minH, maxH, why });

/**
 * The steps of a plan, in order: crush, treat, wait, pitch, stir, fruit out, rack, rack, bottle.
 * @param plan its produce sets the days on the fruit, its school the waits
 */
export function stepsOf(plan: Plan): Step[] {
  let steps = known.get(plan);
  if (!steps) known.set(plan, (steps = makeSteps(plan)));
  return steps;
}

/** Steps of plans, which do not change: lists ask for them at every tick. */
const known = new WeakMap<Plan, Step[]>();

function makeSteps(plan: Plan): Step[] {
  const school = plan.wildYeast ?? 'sulphite';
  const fruit = plan.ingredients
    .filter((i) => i.kind === 'produce' && i.massKg > 0 && !i.pressed && !isStrained(i))
    .map((i) => entryOf(i))
    .filter((p) => p !== undefined);
  const steepDays = Math.max(0, ...fruit.map((p) => p.steepDays[1]));
  const hasFruit = steepDays > 0;
  const isInfusion = !hasFruit && plan.ingredients.some((i) => amountOf(i) > 0 && isStrained(i));
  const hasPectin = usesEnzyme(plan);
  const isWild = school === 'wild';
  const isTogether = choiceOf(plan, 'powders') === 'together';
  const isStarter = choiceOf(plan, 'pitch') === 'starter';
  const begin: StepId = isWild ? 'crush' : 'pitch';
  const steps: Step[] = [
    {
      id: 'crush',
      title: hasFruit ? 'Crush and mix' : isInfusion ? 'Infuse, strain and mix' : 'Mix the must',
      short: 'crush',
      how: isInfusion
        ? 'Simmered or steeped in the water, strained, then the sugar dissolved in it.'
        : `${WASH_HOW[choiceOf(plan, 'wash')]}Everything into the clean bucket${hasFruit ? FRUIT_HOW[choiceOf(plan, 'fruitIn')] : ''}; ${hasFruit ? 'fruit crushed, ' : ''}sugar dissolved.`,
      waits: []
    }
  ];
  if (school === 'sulphite')
    steps.push({
      id: 'campden',
      title: 'Sulphite in',
      short: 'sulphite',
      how: 'Crushed to a powder, and stirred in.',
      waits: [wait('crush', 0, 6, 'before wild yeast wakes')]
    });
  if (hasPectin)
    steps.push({
      id: 'enzyme',
      title: 'Pectic enzyme in',
      short: 'enzyme',
      how: 'Below 40 °C; frees juice and keeps the wine from haze.',
      waits:
        school !== 'sulphite'
          ? [wait('crush', school === 'heat' ? 8 : 1, 24, 'once it is below 40 °C')]
          : isTogether
            ? [wait('campden', 0, 6, 'all powders in one evening')]
            : [wait('campden', 12, 24, 'sulphite first, it dulls the enzyme')]
    });
  if (!isWild && isStarter)
    steps.push({
      id: 'starter',
      title: 'Begin the starter',
      short: 'starter',
      how: 'Yeast in a jar of warm juice with a spoon of sugar, loosely covered, so that it works by tomorrow.',
      waits: [wait('crush', 0, 12, 'a day before it is wanted')]
    });
  if (!isWild)
    steps.push({
      id: 'pitch',
      title: 'Yeast in',
      short: 'yeast in',
      how: PITCH_HOW[choiceOf(plan, 'pitch')],
      waits: [
        ...(school === 'sulphite'
          ? [wait('campden', 24, 36, 'the sulphite must fade first')]
          : [wait('crush', 12, 30, 'once it is below 25 °C')]),
        ...(hasPectin ? [wait('enzyme', 12, 36, 'the enzyme works best before alcohol')] : []),
        ...(isStarter ? [wait('starter', 12, 36, 'the starter must be working')] : [])
      ]
    });
  const feeds = feedsOf(plan);
  feeds.forEach((feed, i) =>
    steps.push({
      id: `nutrient-${i + 1}` as StepId,
      title: feeds.length > 1 ? `Nutrient, part ${i + 1} of ${feeds.length}` : 'Nutrient in',
      short: 'nutrient',
      how:
        feed.sg === null
          ? 'Stirred into a cup of the must first: it foams.'
          : `When a third of its sugar is gone, at about ${feed.sg.toFixed(3)}; none later.`,
      waits: [
        wait(begin, feed.hours ?? 96, (feed.hours ?? 96) + DAY, 'while the yeast still grows'),
        // One part at a time, in order.
        ...(i > 0 ? [wait(`nutrient-${i}` as StepId, 12, 36, 'one part at a time')] : [])
      ]
    })
  );
  const stirring = choiceOf(plan, 'stirring');
  const airUntil = choiceOf(plan, 'air') === 'third' ? 'a third of the sugar is gone' : 'the third day';
  // What was strained leaves no cap to push down.
  if (stirring === 'daily' && !isInfusion)
    steps.push({
      id: 'stir',
      title: hasFruit ? 'Push the cap down and stir' : 'Stir air in',
      short: 'stir',
      how: `${hasFruit ? 'Keep the fruit wet. ' : ''}Stir air in until ${airUntil}, then gently.${
        choiceOf(plan, 'cover') === 'airlock' ? ' Airlock back on.' : ''
      }`,
      waits: [wait('crush', 12, 24, 'once or twice a day')],
      everyH: DAY
    });
  steps.push({
    id: 'read',
    title: 'Read the gravity',
    short: 'read',
    how: 'Strained sample, bubbles spun off, eye level, and its temperature.',
    waits: [wait('crush', 20, 44, 'before yeast hides the start')],
    everyH: 3 * DAY
  });
  const sugar = choiceOf(plan, 'sugar');
  if (sugar === 'steps')
    steps.push(
      {
        id: 'feed-1',
        title: 'Feed it: sugar, second part',
        short: 'feed',
        how: 'Dissolved in a little of the wine, stirred in. Read it before and after.',
        waits: [wait(begin, 3 * DAY, 5 * DAY, 'two thirds of the first sugar is gone by then')]
      },
      {
        id: 'feed-2',
        title: 'Feed it: sugar, last part',
        short: 'feed',
        how: 'Dissolved in a little of the wine, stirred in. Read it before and after.',
        waits: [wait('feed-1', 3 * DAY, 6 * DAY, 'the yeast must be through the last feed')]
      }
    );
  if (hasFruit)
    steps.push({
      id: 'fruit-out',
      title: 'Fruit out',
      short: 'fruit out',
      how: FRUIT_OUT_HOW[choiceOf(plan, 'press')],
      waits: [wait(begin, steepDays * DAY, (steepDays + 3) * DAY, 'colour and taste are out by then')]
    });
  if (sugar === 'strained' || sugar === 'halves')
    steps.push({
      id: 'feed-1',
      title: 'Sugar in',
      short: 'sugar',
      how: 'Dissolved in a little of the wine, stirred in.',
      waits: [
        hasFruit
          ? wait('fruit-out', 0, DAY, 'the fruit has given what it holds')
          : wait(begin, 3 * DAY, 5 * DAY, 'the first rush is over')
      ]
    });
  steps.push({
    id: 'rack-1',
    title: 'Into glass',
    short: 'into glass',
    how: 'Siphon off the sediment, no splash, fill to the neck, airlock on.',
    waits: [
      ...(hasFruit
        ? [wait('fruit-out', 0, 2 * DAY, 'the cap no longer shields it')]
        : [wait(begin, 10 * DAY, 16 * DAY, 'when the rush is over')]),
      ...(sugar === 'steps' ? [wait('feed-2', 2 * DAY, 5 * DAY, 'the last sugar foams')] : []),
      ...(sugar === 'strained' || sugar === 'halves'
        ? [wait('feed-1', 2 * DAY, 5 * DAY, 'the last sugar foams')]
        : [])
    ]
  });
  steps.push({
    id: 'rack-2',
    title: 'Rack off the lees',
    short: 'rack',
    how: `Once it has thrown its sediment; ${TOP_UP_HOW[choiceOf(plan, 'topUp')]}.`,
    waits: [wait('rack-1', 30 * DAY, 45 * DAY, 'lees turn bitter in time')]
  });
  steps.push(...finishSteps(plan));
  return steps;
}

/** From clear to bottle, by how it is cleared and how it is finished. */
function finishSteps(plan: Plan): Step[] {
  const steps: Step[] = [];
  const clearing = choiceOf(plan, 'clearing');
  const finish = choiceOf(plan, 'finish');
  let last: StepId = 'rack-2';
  let clear: [number, number] = [60 * DAY, 120 * DAY];
  if (clearing === 'cold') clear = [21 * DAY, 60 * DAY];
  if (clearing === 'finings' || clearing === 'bentonite') {
    steps.push({
      id: 'finings',
      title: clearing === 'finings' ? 'Finings in' : 'Bentonite in',
      short: 'finings',
      how:
        clearing === 'finings'
          ? 'Gas stirred out first. First part, an hour, second part; then leave it a week.'
          : 'Swollen in hot water the day before, stirred in; again after an hour.',
      waits: [wait('rack-2', 7 * DAY, 21 * DAY, 'only finished wine clears')]
    });
    last = 'finings';
    clear = [10 * DAY, 30 * DAY];
  }
  const sweetened = finish === 'stabilise' || finish === 'non-fermenting' || finish === 'heat';
  if (finish === 'stabilise') {
    steps.push({
      id: 'stabilise',
      title: 'Stabilise',
      short: 'stabilise',
      how: 'Sulphite and sorbate together, in finished, clear wine, by weight.',
      waits: [wait(last, clear[0], clear[1], 'sorbate stops no ferment that is under way')]
    });
    last = 'stabilise';
    clear = [DAY, 7 * DAY];
  }
  if (sweetened) {
    steps.push({
      id: 'sweeten',
      title: 'Sweeten',
      short: 'sweeten',
      how:
        finish === 'heat'
          ? 'Sweeten to taste, then heat it through in open bottles; never a sealed, fizzy one.'
          : finish === 'non-fermenting'
            ? 'With what yeast cannot take, a little at a time, to taste.'
            : 'A glass first, then the batch, to the gravity you liked.',
      waits: [wait(last, clear[0], clear[1], finish === 'stabilise' ? 'let it bind first' : 'clear first')]
    });
    last = 'sweeten';
    clear = finish === 'heat' ? [0, 3 * DAY] : [7 * DAY, 30 * DAY];
  }
  steps.push({
    id: 'bottle',
    title: 'Bottle',
    short: 'bottle',
    how: 'Clear, and the gravity still for three days or more.',
    waits: [
      wait(
        last,
        clear[0],
        clear[1],
        last === 'sweeten' ? 'to see that it stays still' : 'until it is clear and drops no more'
      )
    ]
  });
  return steps;
}

const WASH_HOW = {
  rinsed: '',
  washed: 'Wash and drain the fruit. ',
  unwashed: 'No washing: only clean, unsprayed fruit. '
} as const;

const FRUIT_HOW = { bag: ', the fruit in a bag', free: ', the fruit loose' } as const;

const PITCH_HOW = {
  dry: 'Sprinkle it; must and yeast within 5 °C.',
  rehydrated: 'A quarter of an hour in water at 35–40 °C, cooled to within 5 °C of the must.',
  starter: 'The whole starter, while it works; within 5 °C of the must.'
} as const;

const FRUIT_OUT_HOW = {
  drip: 'Lift it and let it drip: clear wine.',
  squeeze: 'Lift it and squeeze: more wine, more sediment.',
  press: 'Press it gently: most wine, longest to clear.'
} as const;

const TOP_UP_HOW = {
  wine: 'top up to the neck with like wine',
  must: 'top up to the neck with must kept frozen',
  water: 'top up to the neck with boiled, cooled water',
  gas: 'gas over what air is left'
} as const;

/** Hours from the first day until each step can be, when every one before it is done in time. */
export function soonestH(steps: readonly Step[]): Map<StepId, number> {
  const at = new Map<StepId, number>();
  for (const s of steps) at.set(s.id, Math.max(0, ...s.waits.map((w) => (at.get(w.step) ?? 0) + w.minH)));
  return at;
}
