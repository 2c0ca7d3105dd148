import { produceById } from '../produce/table';
import type { Plan } from '../must/plan';

export type Level = 'refuse' | 'stop' | 'warn' | 'note';
export type Caution = { id: string; level: Level; text: string };

/** The cautions an entry of the produce table can carry. All common practice; the last line of each says what to do. */
export const CAUTIONS: Record<string, Caution> = {
  foraged: {
    id: 'foraged',
    level: 'warn',
    text: 'Foraged: be sure what it is, pick away from roads, spray and dogs, and where picking is allowed. If in doubt, leave it out.'
  },
  sprayed: {
    id: 'sprayed',
    level: 'warn',
    text: 'Never florist or garden-centre flowers: they are sprayed.'
  },
  elder: {
    id: 'elder',
    level: 'warn',
    text: 'Elder: flowers and ripe berries only. Strip every stalk; heat the berries; no leaves, bark or green berries.'
  },
  'heat-berries': {
    id: 'heat-berries',
    level: 'warn',
    text: 'Rowan berries upset the stomach raw: freeze or heat them first, ripe ones only.'
  },
  'green-potato': {
    id: 'green-potato',
    level: 'warn',
    text: 'No green or sprouting potatoes: they are poisonous.'
  },
  'carrot-family': {
    id: 'carrot-family',
    level: 'warn',
    text: 'Wild parsnip, wild carrot and elderflower have deadly look-alikes in hemlock. Garden plants only unless you know.'
  },
  kernels: {
    id: 'kernels',
    level: 'warn',
    text: 'Do not crush stones, kernels or pips: they set cyanide free.'
  },
  'rhubarb-leaves': {
    id: 'rhubarb-leaves',
    level: 'warn',
    text: 'Stalks only. Rhubarb leaves are poisonous.'
  },
  'rosehip-hairs': {
    id: 'rosehip-hairs',
    level: 'warn',
    text: 'The hairs inside the hips irritate: strain through fine cloth.'
  },
  'low-acid': {
    id: 'low-acid',
    level: 'warn',
    text: 'Low in acid: bring the must below pH 4.2 before it stands, and pitch within a day.'
  },
  preserved: {
    id: 'preserved',
    level: 'warn',
    text: 'Read the label: sorbate or benzoate stops yeast, oil coats the fruit.'
  },
  pollen: { id: 'pollen', level: 'note', text: 'Pollen: not for those who react to it.' },
  medicines: {
    id: 'medicines',
    level: 'note',
    text: 'Can act with medicines. Ask a pharmacist if you take any.'
  },
  dogs: {
    id: 'dogs',
    level: 'note',
    text: 'Raisins, grapes and hops are dangerous to dogs: bin the pulp safely.'
  },
  'hot-must': {
    id: 'hot-must',
    level: 'warn',
    text: 'Boiling water scalds and cracks cold glass. Enzyme and yeast only once it is below 40 °C and 25 °C.'
  },
  sulphite: {
    id: 'sulphite',
    level: 'warn',
    text: 'Sulphite: can bring on asthma. Weigh it, keep clear of the fumes, label the wine “contains sulphites”.'
  },
  unfinished: {
    id: 'unfinished',
    level: 'warn',
    text: 'Not shown to be finished. Under a tight stopper it can burst bottles.'
  },
  'carbon-dioxide': {
    id: 'carbon-dioxide',
    level: 'note',
    text: 'A ferment fills a closed cupboard or cellar with carbon dioxide. Air it.'
  }
};

/** pH above which a must may not stand; the outer food-safety line is 4.6. Common practice. */
export const SAFE_PH = 4.2;

const RANK: Record<Level, number> = { refuse: 0, stop: 1, warn: 2, note: 3 };

/**
 * The cautions a plan raises, gravest first, each once.
 * @param ph the must's likely pH, or null when it is not known
 */
export function planCautions(plan: Plan, ph: number | null): Caution[] {
  const ids = new Set<string>();
  for (const item of plan.ingredients)
    if ((item.kind === 'produce' || item.kind === 'juice') && produceById(item.produceId))
      for (const id of produceById(item.produceId)!.cautions) ids.add(id);
  const isSafe = ph !== null && ph <= SAFE_PH;
  if (isSafe) ids.delete('low-acid');
  if (ph !== null && !isSafe) ids.add('low-acid');
  if (plan.wildYeast === 'sulphite') ids.add('sulphite');
  if (plan.wildYeast === 'heat') ids.add('hot-must');
  return [...ids]
    .map((id) => CAUTIONS[id]!)
    .map((c) =>
      c.id === 'low-acid' && ph !== null
        ? {
            ...c,
            text: `About pH ${ph.toFixed(1)}: bring it below ${SAFE_PH} with acid or lemon before it stands; pitch within a day.`
          }
        : c
    )
    .sort((a, b) => RANK[a.level] - RANK[b.level]);
}
