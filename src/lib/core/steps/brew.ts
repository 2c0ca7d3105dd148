import { listText } from '../units/format';
import { inC, inL } from '../units/say';
import { COOL_CARD } from '../ledger/too-hot';
import { ENZYME_C, YEAST_C } from './cooling';
import { evaluate } from '../must/evaluate';
import { nameOf } from '../plan/name';
import { amountOf, entryOf, type Ingredient, type Plan } from '../plan/plan';
import { usableKg } from '../must/contribution';
import { isStrained, pulpL } from '../must/strain';
import { pulpFactor } from '../plan/extraction';
import { CUTS, HEATS } from '../plan/handling';
import { additiveOf, isForMust, powderOf, type Powder } from '../must/powders';
import { beforeSweetening, sweetenedWith } from '../solve/goals';
import { kitOf } from './kit';
import { choiceOf, isNatural } from '../tables/schools';
import type { StepId } from '../tables/step-id';
import { stepsOf } from './steps';
import { STEPS } from './table/all';

export const HOUR = 3_600_000;

export type BrewCard = {
  id: string;
  kind: 'kit' | 'weigh' | 'powder' | 'tick' | 'cool' | 'read' | 'yeast' | 'tag';
  title: string;
  how: string;
  /** weigh: the row as it should be weighed */
  row?: Ingredient;
  powder?: Powder;
  /** kit: what to tick off */
  list?: string[];
  /** minutes a timer is offered for */
  timerMin?: number;
  /** cards that must be done so long before, and why */
  waits: { id: string; hours: number; why: string }[];
};

/** Minutes that dry yeast is woken. Common practice. */
const WAKE_MIN = 15;

const TEA_MIN = 10;

/**
 * The cards of a brew day, in order: what to sanitise, fruit, water, heat, cooling, sugar, the mark, powders, the
 * enzyme, the reading, the yeast, the tag. Waits are those of the plan's steps.
 * @param plan as it is brewed now, re-dosed
 */
export function brewCards(plan: Plan, vesselName: string): BrewCard[] {
  const { now } = evaluate(plan).parts;
  const rows = now.ingredients.filter((i) => i.id && amountOf(i) > 0);
  const steps = new Map(stepsOf(plan).map((s) => [s.id, s]));
  const isHot =
    choiceOf(plan, 'wildYeast') === 'heat' ||
    rows.some((i) => i.kind === 'produce' && i.heat !== undefined && i.heat !== 'raw');
  const cards: BrewCard[] = [
    {
      id: 'kit',
      kind: 'kit',
      title: 'Clean and sanitise',
      how: 'Everything that will touch the must. Sanitising is not sterilising; do not rinse it off again with tap water.',
      list: kitOf(plan, vesselName),
      waits: []
    }
  ];
  const weigh = (i: Ingredient): BrewCard => ({
    id: `row-${i.id!}`.slice(0, 40),
    kind: 'weigh',
    title: nameOf(i),
    how: handlingOf(i, plan),
    row: i,
    waits: []
  });
  const of = (...kinds: Ingredient['kind'][]) => rows.filter((i) => kinds.includes(i.kind));
  const water = of('water');
  // In the order it is done: what is infused, its water, the heat, the straining; then fruit, sugar and the rest.
  const infused = rows.filter(isStrained);
  const fruit = of('produce', 'juice', 'wine').filter((i) => !infused.includes(i));
  const isPoured = isHot && water.length > 0;
  cards.push(...infused.map(weigh));
  if (!isPoured || infused.length === 0) cards.push(...fruit.map(weigh));
  const simmer = Math.max(
    0,
    ...rows.map((i) => (i.kind === 'produce' && i.heat === 'simmered' ? (i.simmerMin ?? 20) : 0))
  );
  // What is poured boiling is in once it has boiled; what simmers in it is in before.
  const isPouredOver = isPoured && simmer === 0;
  const waterCards = isPoured || infused.length > 0 ? water.map(weigh) : [];
  if (!isPouredOver) cards.push(...waterCards);
  if (isPoured) {
    cards.push({
      id: 'boil',
      kind: 'tick',
      title: simmer > 0 ? `Simmer ${simmer} minutes` : 'Water on the boil',
      how:
        simmer > 0
          ? 'In the water, under a lid, until tender, not to a mash.'
          : `Measure it into the kettle and bring it to the boil; it goes in next, over ${fruit.length + infused.length > 0 ? 'the fruit, ' : ''}in the bucket, never into cold glass. Hot water and syrup scald: keep hands and children clear.`,
      ...(simmer > 0 ? { timerMin: simmer } : {}),
      waits: []
    });
  }
  if (isPouredOver) cards.push(...waterCards);
  if (infused.length > 0) {
    const last = waterCards.at(-1)?.id;
    cards.push({
      id: 'strain',
      kind: 'tick',
      title: 'Strain it into the bucket',
      how: `${STRAIN_HOW[choiceOf(plan, 'press')]} The ${listText(infused.map((i) => nameOf(i).toLowerCase()))} keep about ${inL(
        pulpL(
          plan.press,
          infused.reduce((sum, i) => sum + infusedPulpKg(i), 0)
        )
      )} of the water: no sugar is lost with it.`,
      // Simmered roots are strained at once; petals and leaves steep for a day.
      waits:
        simmer > 0 || last === undefined
          ? []
          : [{ id: last, hours: STEEP_H, why: 'petals and leaves give their scent in a day or two' }]
    });
    cards.push(...fruit.map(weigh));
  }
  // Hot must stands higher than it is, and a mark or a stem would say so: sugar and all that follows wait for it.
  if (isHot)
    cards.push({
      id: COOL_CARD,
      kind: 'cool',
      title: 'Cover it and let it cool',
      how: `Enzyme wants it below ${inC(ENZYME_C)}, yeast below ${inC(YEAST_C)}. A covered bucket takes longer than one thinks; a sink of cold water a sixth of the time.`,
      waits: []
    });
  cards.push(...of('sugar', 'honey').map(weigh));
  if (!isPoured && infused.length === 0) cards.push(...water.map(weigh));
  cards.push({
    id: 'mark',
    kind: 'tick',
    title: 'Stir, and look at the mark',
    how: 'Stir until nothing grates on the bottom. With all that went in, it should stand here; if it does not, something was weighed wrong.',
    waits: []
  });
  const powders = evaluate(plan).powders.filter(isForMust);
  const powder = (p: Powder, waits: BrewCard['waits'] = []): BrewCard => ({
    id: additiveOf(p) ?? p.id,
    kind: p.id === 'tea' ? 'tick' : 'powder',
    title: p.id === 'tea' ? `Strong tea, ${p.amount}` : p.name,
    how: p.why,
    ...(p.id === 'tea' ? { timerMin: TEA_MIN } : { powder: p }),
    waits
  });
  const waitsOf = (step: StepId): BrewCard['waits'] =>
    (steps.get(step)?.waits ?? []).flatMap((w) => {
      const id = w.step === 'crush' ? (isHot ? COOL_CARD : 'mark') : STEPS[w.step].card;
      // What is hot waits for its card, which knows the temperature.
      return id ? [{ id, hours: w.step === 'crush' ? 0 : w.minH, why: w.why }] : [];
    });
  for (const p of powders.filter((x) => x.step === 'crush')) cards.push(powder(p));
  cards.push(...of('acid', 'additive').map(weigh));
  for (const p of powders.filter((x) => x.step === 'campden')) cards.push(powder(p));
  const enzymes = powders.filter((x) => x.step === 'enzyme').map((p) => powder(p, waitsOf('enzyme')));
  cards.push(...enzymes);
  cards.push({
    id: 'read',
    kind: 'read',
    title: 'Read, adjust, read',
    how: 'A strained sample from below the cap, bubbles spun off, at eye level, with its temperature.',
    // The enzyme frees juice, and sugar with it: read once it has, before the yeast takes any.
    waits: waitsOf('pitch').filter((w) => enzymes.some((e) => e.id === w.id))
  });
  if (!isNatural(plan)) {
    const yeast = powders.find((p) => p.id === 'yeast')!;
    if (choiceOf(plan, 'pitch') === 'starter')
      cards.push({
        id: 'starter',
        kind: 'tick',
        title: 'Begin the starter',
        how: steps.get('starter')!.how,
        waits: []
      });
    cards.push({
      id: 'yeast',
      kind: 'yeast',
      title: 'Yeast in',
      how: steps.get('pitch')!.how,
      powder: yeast,
      ...(choiceOf(plan, 'pitch') === 'rehydrated' ? { timerMin: WAKE_MIN } : {}),
      waits: waitsOf('pitch')
    });
  }
  const feeds = evaluate(plan).feeds;
  // All at once it goes in with the yeast; in parts, each has its day on the walk.
  if (feeds.length === 1)
    for (const [id, g] of [
      ['nutrient', feeds[0]!.mixG],
      ['dap', feeds[0]!.dapG]
    ] as const)
      if (g > 0.05) cards.push(powder(powderOf(id, g, 'pitch')));
  cards.push({
    id: 'tag',
    kind: 'tag',
    title: 'Mark the bucket',
    how: 'Name, date and the next steps, and the start gravity once it is read: on tape, on the bucket.',
    waits: []
  });
  return cards;
}

const STRAIN_HOW = {
  drip: 'Let it drain by itself.',
  squeeze: 'Let it drain, then squeeze.',
  press: 'Let it drain, then press it.'
} as const;

/** Pulp of a row that is strained off, kg counted as soft fruit. */
const infusedPulpKg = (i: Ingredient): number =>
  i.kind === 'produce' ? usableKg(i, entryOf(i)!) * pulpFactor(entryOf(i)!, i.form) : 0;

/** Petals and leaves steep so long at least, h. Common practice: one to two days. */
const STEEP_H = 24;

/** What to do with a row before it is weighed, in words. */
function handlingOf(i: Ingredient, plan: Plan): string {
  if (i.kind === 'produce') {
    const hours = (entryOf(i)?.hoursPerKg ?? 0) * i.massKg;
    const wash = { rinsed: 'Rinse', washed: 'Wash and drain', unwashed: 'Look over, do not wash' }[
      choiceOf(plan, 'wash')
    ];
    const isOff = isStrained(i);
    const isBagged = choiceOf(plan, 'fruitIn') === 'bag' && !isOff;
    const { family } = entryOf(i) ?? {};
    const long =
      hours >= 0.25
        ? [`Takes about ${hours < 1 ? `${Math.round(hours * 60)} min` : `${hours.toFixed(1)} h`}.`]
        : [];
    if (family === 'flower' && i.form !== 'dried')
      return [
        'Shake the insects out; no washing, it takes the scent.',
        `Strip them off every green stalk, which is bitter, then weigh them.${isBagged ? ' Loose in the bag.' : ''}`,
        ...(isOff ? ['Strained off later.'] : []),
        ...long
      ].join(' ');
    if (family === 'citrus')
      return `${wash}, pare the zest off thinly, then squeeze the juice. Zest and juice go in; white pith and pips make it bitter.`;
    const heat = i.heat ?? (choiceOf(plan, 'wildYeast') === 'heat' ? 'poured' : 'raw');
    return [
      `${wash}, trim, then weigh what goes in.`,
      `${cap(CUTS[i.cut ?? 'crushed'].name)}${isBagged ? ', in the bag' : ''}${heat === 'raw' ? '' : `; ${HEATS[heat].name}`}${isOff ? ', then strained off' : ''}.`,
      ...(i.form === 'frozen' ? ['The thaw juice goes in too.'] : []),
      ...long
    ].join(' ');
  }
  if (i.kind === 'sugar' || i.kind === 'honey')
    return plan.ingredients.some((x) => x.kind === 'water' && amountOf(x) > 0)
      ? 'Dissolved first in some of the plan’s own water, warmed: that water counts. Or stirred in until nothing grates.'
      : 'Stirred in until nothing grates. Water to dissolve it in would be extra: write that down too.';
  if (i.kind === 'water') return 'What brings it to strength and amount, after all that is in already.';
  if (i.kind === 'acid') return 'Stirred in; taste and read again.';
  return 'Stirred in.';
}

const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/** Specific heats, kJ/(kg K): water, fruit by its water, sugar. @source handbook values (from memory) */
const HEAT = { water: 4.18, fruit: 3.8, sugar: 1.25 };

/**
 * Temperature, °C, when a plan's water is poured boiling over what is at `roomC`, some steam lost.
 * @example pouredC({ ingredients: [{ kind: 'produce', produceId: 'plum', massKg: 4 }, { kind: 'water', volumeL: 6 }] }) // 65.943
 */
export function pouredC(plan: Plan, roomC = 18): number {
  let [held, warm] = [0, 0];
  for (const i of plan.ingredients) {
    const kg = amountOf(i);
    const c =
      i.kind === 'water' ? HEAT.water : i.kind === 'sugar' || i.kind === 'honey' ? HEAT.sugar : HEAT.fruit;
    held += c * kg;
    warm += c * kg * (i.kind === 'water' ? 95 : roomC);
  }
  return held > 0 ? warm / held : roomC;
}

/**
 * The strength that the must of the first day is to ferment to, so that the wine ends as it was asked for.
 * @example wantedAbv({ ingredients: [{ kind: 'sugar', sugarId: 'white', massKg: 1 }, { kind: 'water', volumeL: 4 }] }) // 13.509
 */
export function wantedAbv(plan: Plan): number {
  const { parts, start } = evaluate(plan);
  const abv = plan.target?.abv;
  return parts.later.length === 0 && abv != null
    ? beforeSweetening(abv, sweetenedWith(plan))
    : start.potentialAbv;
}
