import { entryOf, usesEnzyme, type Plan } from '../must/plan';

export type StepId =
  'crush' | 'campden' | 'enzyme' | 'pitch' | 'stir' | 'read' | 'fruit-out' | 'rack-1' | 'rack-2' | 'bottle';

/** Waits are constraints: not before `minH` hours after `step`, best within `maxH`. */
export type Wait = { step: StepId; minH: number; maxH: number; why: string };

export type Step = {
  id: StepId;
  title: string;
  /** one or two words, for a tag on the shelf */
  short: string;
  how: string;
  waits: Wait[];
  /** hours between repeats; none for a step done once */
  everyH?: number;
};

const DAY = 24;
const wait = (step: StepId, minH: number, maxH: number, why: string): Wait => ({ step, minH, maxH, why });

/**
 * The steps of a plan, in order: crush, treat, wait, pitch, stir, fruit out, rack, rack, bottle.
 * @param plan its produce sets the days on the fruit, its school the waits
 */
export function stepsOf(plan: Plan): Step[] {
  const school = plan.wildYeast ?? 'sulphite';
  const fruit = plan.ingredients
    .filter((i) => i.kind === 'produce' && i.massKg > 0)
    .map((i) => entryOf(i))
    .filter((p) => p !== undefined);
  const steepDays = Math.max(0, ...fruit.map((p) => p.steepDays[1]));
  const hasFruit = steepDays > 0;
  const hasPectin = usesEnzyme(plan);
  const isWild = school === 'wild';
  const begin: StepId = isWild ? 'crush' : 'pitch';
  const steps: Step[] = [
    {
      id: 'crush',
      title: hasFruit ? 'Crush and mix' : 'Mix the must',
      short: 'crush',
      how: 'Everything into the clean bucket; sugar dissolved, fruit crushed.',
      waits: []
    }
  ];
  if (school === 'sulphite')
    steps.push({
      id: 'campden',
      title: 'Sulphite in',
      short: 'sulphite',
      how: 'One crushed Campden tablet a US gallon, stirred in.',
      waits: [wait('crush', 0, 6, 'before wild yeast wakes')]
    });
  if (hasPectin)
    steps.push({
      id: 'enzyme',
      title: 'Pectic enzyme in',
      short: 'enzyme',
      how: 'Below 40 °C; frees juice and keeps the wine from haze.',
      waits:
        school === 'sulphite'
          ? [wait('campden', 12, 24, 'sulphite first, it dulls the enzyme')]
          : [wait('crush', school === 'heat' ? 8 : 1, 24, 'once it is below 40 °C')]
    });
  if (!isWild)
    steps.push({
      id: 'pitch',
      title: 'Yeast in',
      short: 'yeast in',
      how: 'Sprinkle it, or wake it first in warm water; must and yeast within 5 °C.',
      waits: [
        ...(school === 'sulphite'
          ? [wait('campden', 24, 36, 'the sulphite must fade first')]
          : [wait('crush', 12, 30, 'once it is below 25 °C')]),
        ...(hasPectin ? [wait('enzyme', 12, 36, 'the enzyme works best before alcohol')] : [])
      ]
    });
  steps.push({
    id: 'stir',
    title: hasFruit ? 'Push the cap down and stir' : 'Stir air in',
    short: 'stir',
    how: 'Keep the fruit wet. Air is a friend until the wine moves to glass.',
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
  if (hasFruit)
    steps.push({
      id: 'fruit-out',
      title: 'Fruit out',
      short: 'fruit out',
      how: 'Lift and let it drip for clear wine; squeeze for more of it.',
      waits: [wait(begin, steepDays * DAY, (steepDays + 3) * DAY, 'colour and taste are out by then')]
    });
  steps.push({
    id: 'rack-1',
    title: 'Into glass',
    short: 'into glass',
    how: 'Siphon off the sediment, no splash, fill to the neck, airlock on.',
    waits: hasFruit
      ? [wait('fruit-out', 0, 2 * DAY, 'the cap no longer shields it')]
      : [wait(begin, 10 * DAY, 16 * DAY, 'when the rush is over')]
  });
  steps.push({
    id: 'rack-2',
    title: 'Rack off the lees',
    short: 'rack',
    how: 'Once it has thrown its sediment; top up to the neck.',
    waits: [wait('rack-1', 30 * DAY, 45 * DAY, 'lees turn bitter in time')]
  });
  steps.push({
    id: 'bottle',
    title: 'Bottle',
    short: 'bottle',
    how: 'Clear, and the gravity still for three days or more.',
    waits: [wait('rack-2', 60 * DAY, 120 * DAY, 'until it is clear and drops no more')]
  });
  return steps;
}
