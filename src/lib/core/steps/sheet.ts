import { evaluate } from '../must/evaluate';
import { nameOf } from '../plan/name';
import { amountOf, entryOf, type Ingredient, type Plan } from '../plan/plan';
import { yeastName } from '../plan/chosen';
import { CUTS, HEATS } from '../plan/handling';
import { feedText, isForMust } from '../must/powders';
import { sweetenKg } from '../solve/solve';
import { gramsText, massUnitFor, quantityText, volumeUnitFor } from '../units/format';
import { spoken, type SayUnits } from '../units/say';
import { kitOf, shoppingOf } from './kit';
import { choiceOf, optionsOf, SCHOOL_IDS, SCHOOLS } from '../tables/schools';
import { soonestH, stepsOf } from './steps';

/** A plan as one reads it from paper. */
export type Sheet = {
  name: string;
  /** what it makes: `12.0 L at 12.0 %, from 1.108 to 1.078, 6.5 g/L of acid` */
  makes: string[];
  ingredients: { name: string; amount: string; note: string }[];
  powders: { name: string; amount: string }[];
  kit: string[];
  shopping: { name: string; amount: string }[];
  steps: { title: string; how: string; when: string }[];
  /** choices of school that are not the usual ones */
  schools: string[];
};

/** Units that a sheet is written in. */
export type SheetUnits = SayUnits;

/** An amount as it is measured out: small weights in grams, counts by the piece where they were counted. */
export function measured(i: Ingredient, units: SheetUnits): string {
  const x = amountOf(i);
  if ('volumeL' in i) return quantityText(x, volumeUnitFor(x, units.volume));
  if (i.kind === 'acid' || i.kind === 'additive') return gramsText(1000 * x);
  return quantityText(x, massUnitFor(x, units.mass));
}

const dayText = (hours: number): string => {
  if (hours < 1) return 'day 1';
  if (hours < 24) return `after ${Math.round(hours)} h`;
  const day = Math.floor(hours / 24) + 1;
  return day < 22 ? `day ${day}` : `week ${Math.round(hours / 168)}`;
};

/** All that a brew sheet, a recipe card or a Markdown file says of a plan. */
export function sheetOf(plan: Plan, vesselName: string, units: SheetUnits): Sheet {
  const { likely: f, parts, start, nutrient, powders } = evaluate(plan);
  const sweet = sweetenKg(plan);
  const steps = stepsOf(plan);
  const at = soonestH(steps);
  return {
    name: plan.name ?? 'Wine',
    makes: [
      `${quantityText(f.intoGlassL, units.volume)} into glass, about ${Math.floor(f.bottles)} bottles`,
      `${f.finalAbv.toFixed(1)} %, ${yeastName(plan.yeast)} yeast`,
      `${Number.isFinite(start.sgNoneGiven) && f.fruitPerL > 0 ? `${start.sgNoneGiven.toFixed(3)} at first, ` : ''}${start.sgAllGiven.toFixed(3)} once the fruit has given`,
      `${f.taGL.toFixed(1)} g/L of acid${Number.isFinite(f.ph) ? `, pH ${f.ph.toFixed(1)}` : ''}`,
      `fill the ${vesselName} to ${quantityText(f.vesselVolumeL, units.volume)}`
    ],
    ingredients: [
      ...parts.now.ingredients
        .filter((i) => amountOf(i) > 0)
        .map((i) => ({ name: nameOf(i), amount: measured(i, units), note: noteOf(i) })),
      ...parts.later.flatMap((p) =>
        p.ingredients.map((i) => ({ name: nameOf(i), amount: measured(i, units), note: p.when }))
      ),
      ...(sweet > 0
        ? [
            {
              name: 'Sugar, to sweeten',
              amount: quantityText(sweet, units.mass),
              note: 'once it is finished and clear'
            }
          ]
        : [])
    ],
    powders: [
      ...powders.map((p) => ({
        name: p.name,
        amount: isForMust(p) ? p.amount : `${p.amount}, later`
      })),
      ...(nutrient && nutrient.feeds.length > 0
        ? [
            {
              name: 'Nutrient',
              amount: `${feedText(nutrient)}${
                nutrient.feeds.length > 1
                  ? `, in ${nutrient.feeds.length} parts: ${nutrient.feeds.map((x) => (x.sg ? `at ${x.sg.toFixed(3)}` : `${x.hours} h`)).join(', ')}`
                  : ', with the yeast'
              }`
            }
          ]
        : [])
    ],
    kit: kitOf(plan, vesselName),
    shopping: shoppingOf(plan).map((s) => ({
      name: s.name,
      amount:
        s.amount === null
          ? s.text
          : quantityText(
              s.amount,
              s.unit === 'L' ? units.volume : s.amount < 0.5 && units.mass === 'kg' ? 'g' : units.mass
            )
    })),
    steps: steps
      .map((s) => ({
        title: s.title,
        how: spoken(s.how, units),
        when: s.everyH ? 'every day' : dayText(at.get(s.id) ?? 0)
      }))
      .map((s, n) => (steps[n]!.id === 'read' ? { ...s, when: 'from day 2' } : s)),
    schools: SCHOOL_IDS.flatMap((id) => {
      const choice = choiceOf(plan, id);
      return choice === SCHOOLS[id].usual
        ? []
        : [`${SCHOOLS[id].title}: ${optionsOf(id).find(([o]) => o === choice)![1].name}`];
    })
  };
}

function noteOf(i: Ingredient): string {
  if (i.kind !== 'produce') return '';
  const bits = [
    i.form && i.form !== 'fresh' ? i.form : '',
    i.weighed === 'bought' ? 'as bought' : 'trimmed',
    i.cut ? CUTS[i.cut].name : '',
    i.heat && i.heat !== 'raw' ? HEATS[i.heat].name : '',
    (entryOf(i)?.hoursPerKg ?? 0) * i.massKg >= 0.25
      ? `about ${((entryOf(i)?.hoursPerKg ?? 0) * i.massKg).toFixed(1)} h of work`
      : ''
  ];
  return bits.filter(Boolean).join(', ');
}
