import { inC } from '../units/say';
import { LOWEST_PH } from '../must/adjust';
import { amountOf, entryOf, type Plan } from '../plan/plan';
import {
  type Level,
  type Place,
  type Caution,
  type Scene,
  type Rule,
  SAFE_PH,
  highPh,
  isAdding,
  isProduce,
  rows,
  hasForm,
  doseLevel,
  doseSay,
  MOST_SO2_MG_L,
  so2MgL
} from './scene';

const POISON_CENTRE = 'If someone has taken some, ask a poison-control centre or a doctor at once.';

/**
 * Every caution Vecino knows, by id. Common practice, and the usual advice of poison and food-safety
 * services (from memory). None takes the place of local law, a doctor or a licensed trade.
 */
export const RULES: Record<string, Rule> = {
  'poison-plant': {
    level: 'refuse',
    group: 'poison and plants',
    title: 'Poisonous plants',
    text: 'Foxglove, lily of the valley, oleander, yew, daffodil, laburnum, monkshood, hemlock, nightshade, laurel, privet, rhododendron and others like them are not food in any amount. Yew berries: never.',
    ask: POISON_CENTRE,
    places: []
  },
  'poison-part': {
    level: 'refuse',
    group: 'poison and plants',
    title: 'Poisonous parts',
    text: 'Leaves of rhubarb, tomato and potato, green potatoes, kernels and pips are not food.',
    ask: POISON_CENTRE,
    places: []
  },
  'unknown-plant': {
    level: 'warn',
    group: 'poison and plants',
    title: 'A plant that is not in the table',
    text: 'Identify it with someone who knows it; if in doubt, leave it out.',
    places: ['plan', 'add'],
    when: (s) => rows(s).some((i) => isProduce(i) && (i as { entry?: { latin: string } }).entry?.latin === '')
  },
  foraged: {
    level: 'warn',
    group: 'poison and plants',
    title: 'Foraging',
    text: 'Foraged: be sure what it is, pick away from roads, spray and dogs, and where picking is allowed. If in doubt, leave it out.',
    ask: 'Ask someone who knows the plants of your place; some are protected.',
    places: ['plan', 'add']
  },
  sprayed: {
    level: 'warn',
    group: 'poison and plants',
    title: 'Florist flowers',
    text: 'Never florist or garden-centre flowers: they are sprayed.',
    places: ['plan', 'add']
  },
  elder: {
    level: 'warn',
    group: 'poison and plants',
    title: 'Elder',
    text: 'Elder: flowers and ripe berries only. Strip every stalk; heat the berries; no leaves, bark or green berries. Dwarf elder, a herb without wood, is poisonous.',
    ask: POISON_CENTRE,
    places: ['plan', 'add']
  },
  'heat-berries': {
    level: 'warn',
    group: 'poison and plants',
    title: 'Raw rowan',
    text: 'Rowan berries upset the stomach raw: freeze or heat them first, ripe ones only.',
    places: ['plan', 'add']
  },
  'green-potato': {
    level: 'warn',
    group: 'poison and plants',
    title: 'Green potatoes',
    text: 'No green or sprouting potatoes: they are poisonous.',
    places: ['plan', 'add']
  },
  'carrot-family': {
    level: 'warn',
    group: 'poison and plants',
    title: 'The carrot family',
    text: 'Wild parsnip, wild carrot and elderflower have deadly look-alikes in hemlock. Garden plants only unless you know.',
    ask: POISON_CENTRE,
    places: ['plan', 'add']
  },
  'dark-berries': {
    level: 'warn',
    group: 'poison and plants',
    title: 'Dark hedge berries',
    text: 'Sloes, haws and bilberries have poisonous neighbours: nightshade, privet, buckthorn. Know leaf, thorn and stone.',
    ask: POISON_CENTRE,
    places: ['plan', 'add']
  },
  kernels: {
    level: 'warn',
    group: 'poison and plants',
    title: 'Kernels and pips',
    text: 'Do not crush stones, kernels or pips: they set cyanide free.',
    places: ['plan', 'add']
  },
  'rhubarb-leaves': {
    level: 'warn',
    group: 'poison and plants',
    title: 'Rhubarb leaves',
    text: 'Stalks only. Rhubarb leaves are poisonous.',
    places: ['plan', 'add']
  },
  oxalic: {
    level: 'warn',
    group: 'poison and plants',
    title: 'Oxalic acid',
    text: 'Rich in oxalic acid: use little of it, and none for anyone with kidney stones or gout.',
    places: ['plan', 'add']
  },
  'rosehip-hairs': {
    level: 'warn',
    group: 'poison and plants',
    title: 'Rosehip hairs',
    text: 'The hairs inside the hips irritate: strain through fine cloth.',
    places: ['plan', 'add']
  },
  medicines: {
    level: 'note',
    group: 'poison and plants',
    title: 'Herbs and medicines',
    text: 'Can act with medicines. Ask a pharmacist if you take any.',
    places: ['plan', 'drink']
  },
  dogs: {
    level: 'note',
    group: 'poison and plants',
    title: 'Dogs',
    text: 'Raisins, grapes, hops and xylitol are dangerous to dogs: bin the pulp safely.',
    places: ['plan', 'add'],
    when: (s) =>
      rows(s).some(
        (i) =>
          (i.kind === 'sugar' && i.sugarId === 'xylitol') ||
          (i.kind === 'additive' && i.additiveId === 'hops')
      )
  },
  pollen: {
    level: 'note',
    group: 'poison and plants',
    title: 'Pollen',
    text: 'Pollen: not for those who react to it.',
    places: ['plan']
  },

  'low-acid': {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Low acid',
    text: `Low in acid: bring the must below pH ${SAFE_PH} before it stands (4.6 is the outer food-safety line), and pitch within a day. Never leave it warm and waiting.`,
    places: ['plan', 'prepare', 'ferment'],
    when: (s) => (highPh(s) ?? 0) > SAFE_PH,
    say: (s) => {
      const high = highPh(s);
      if (high === null) return RULES['low-acid']!.text;
      const said =
        s.ph !== null && s.ph !== undefined && high - s.ph > 0.1
          ? `About pH ${s.ph.toFixed(1)}, and it may be ${high.toFixed(1)}`
          : `About pH ${high.toFixed(1)}`;
      return `${said}: bring it below ${SAFE_PH} with acid or lemon before it stands; pitch within a day.`;
    }
  },
  'too-sharp': {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Acid past what yeast likes',
    text: 'Under about pH 3.1 a must tastes harsh and yeast labours. Put in half the acid, and sharpen the finished wine to taste.',
    places: ['plan'],
    when: (s) =>
      (s.ph ?? 9) < LOWEST_PH - 0.05 &&
      rows(s).some(
        (i) => (i.kind === 'acid' || (i.kind === 'juice' && i.produceId === 'lemon')) && amountOf(i) > 0
      ),
    say: (s) =>
      `The acid on the slip makes it about pH ${s.ph!.toFixed(1)}: harsh, and hard on the yeast. Put in half, and sharpen the finished wine to taste.`
  },
  mould: {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Mould, rope, off smell',
    text: 'Mould on the cap, slimy threads or a foul smell: pour it away, do not rescue it.',
    places: ['ferment']
  },
  'hot-must': {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Boiling water and hot syrup',
    text: `Boiling water and syrup scald, and crack cold glass or thin plastic. Enzyme only below ${inC(40)}, yeast below ${inC(25)}.`,
    places: ['plan', 'prepare'],
    when: (s) =>
      s.plan?.wildYeast === 'heat' ||
      rows(s).some((i) => i.kind === 'produce' && (i.heat === 'poured' || i.heat === 'simmered'))
  },
  'carbon-dioxide': {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Carbon dioxide',
    text: 'A big ferment can take the air of a closed cupboard, room or cellar. Air it before you go in.',
    places: ['ferment'],
    when: (s) => (s.volumeL ?? 0) >= 25
  },
  preserved: {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Preserved fruit and juice',
    text: 'Read the label: sorbate or benzoate stops yeast, oil coats the fruit.',
    places: ['plan', 'add'],
    when: (s) => hasForm(s, 'canned', 'concentrate') || rows(s).some((i) => i.kind === 'juice')
  },
  'glass-jars': {
    level: 'warn',
    group: 'hygiene and ferment',
    title: 'Glass jars',
    text: 'Carry glass empty or in a crate, never by the neck. A full jar slips from wet hands.',
    places: ['rack'],
    when: (s) => s.intoGlass === true
  },
  'food-grade': {
    level: 'note',
    group: 'hygiene and ferment',
    title: 'What touches the wine',
    text: 'Food-grade vessels only: no lead glaze, brass, zinc or bare iron, no scented bin liners. Only edible-grade metal leaf.',
    places: ['prepare']
  },

  'bleach-mix': {
    level: 'stop',
    group: 'chemicals',
    title: 'Bleach mixed with anything',
    text: 'Bleach with acid, vinegar, ammonia or sulphite gives off toxic gas. Bleach alone, thin, then rinse until no smell is left.',
    ask: 'If you have breathed it: fresh air, and a poison-control centre.',
    places: ['clean'],
    when: (s) => s.now === 'sanitising'
  },
  'absurd-dose': {
    level: 'stop',
    group: 'chemicals',
    title: 'A dose outside any sane range',
    text: 'More than ten times what anyone gives: was a teaspoon meant, not a tablespoon? Grams, not ounces?',
    places: ['add', 'plan'],
    when: (s) => doseLevel(s) === 'absurd',
    say: doseSay
  },
  'sulphite-total': {
    level: 'stop',
    group: 'chemicals',
    title: 'Sulphite far over need',
    text: `More than ${MOST_SO2_MG_L} mg/L of sulphite in all is over every legal ceiling, and can make people ill.`,
    ask: 'Legal ceilings differ, often 150 to 250 mg/L in all: look up your own.',
    places: ['add', 'plan'],
    when: (s) => so2MgL(s) > MOST_SO2_MG_L,
    say: (s) =>
      `That makes ${so2MgL(s).toFixed(0)} mg/L of sulphite in all; the usual dose is 30 to 70, and law allows 150 to 250. Was one tablet meant, or a gram?`
  },
  'high-dose': {
    level: 'warn',
    group: 'chemicals',
    title: 'A high dose',
    text: 'More than the usual most. Check the spoon: three teaspoons make a tablespoon.',
    places: ['add', 'plan'],
    when: (s) => doseLevel(s) === 'high',
    say: doseSay
  },
  sulphite: {
    level: 'warn',
    group: 'chemicals',
    title: 'Sulphite',
    text: 'Sulphite can bring on asthma and allergy; powder and fumes irritate. Weigh it, and label the wine “contains sulphites”, as the law asks from 10 mg/L.',
    ask: 'Legal ceilings differ, often 150 to 250 mg/L in all: look up your own.',
    places: ['plan', 'add', 'clean'],
    when: (s) => (s.plan?.wildYeast === 'sulphite' && !s.adding) || isAdding(s, 'campden', 'metabisulphite')
  },
  sorbate: {
    level: 'warn',
    group: 'chemicals',
    title: 'Sorbate',
    text: 'Sorbate only with sulphite, in wine that is finished and clear. It stops no running ferment, and smells of geranium after malolactic.',
    places: ['add', 'finish'],
    when: (s) => isAdding(s, 'sorbate')
  },
  finings: {
    level: 'warn',
    group: 'chemicals',
    title: 'Finings and allergens',
    text: 'Egg, milk, fish and shellfish finings, malt (gluten) and lactose (milk) go on the label.',
    places: ['plan', 'add', 'finish'],
    when: (s) =>
      rows(s).some((i) => i.kind === 'sugar' && ['lactose', 'liquid-malt', 'dry-malt'].includes(i.sugarId))
  },
  cleaners: {
    level: 'warn',
    group: 'chemicals',
    title: 'Sanitisers and caustic cleaners',
    text: 'The maker’s label comes first. Gloves and eye protection for caustic cleaners.',
    places: ['clean'],
    when: (s) => s.now === 'sanitising'
  },

  pressure: {
    level: 'stop',
    group: 'pressure',
    title: 'Pressure over the bottle’s rating',
    text: 'Sugar that living yeast can reach, no reading, or priming in bottles not made for it: bottles burst and throw glass. Wait, stabilise with sulphite and sorbate, or use bottles made for pressure.',
    ask: 'A bottle that is suspect already: chill it, cover it, open it outdoors with eye protection.',
    places: []
  },
  unfinished: {
    level: 'warn',
    group: 'pressure',
    title: 'Not shown to be finished',
    text: 'Not shown to be finished. Under a tight stopper it can burst bottles.',
    places: ['bottle'],
    when: (s) => s.isAlive === true
  },
  'heat-treating': {
    level: 'warn',
    group: 'pressure',
    title: 'Heat-treating bottles',
    text: 'Never heat a sealed or fizzy bottle. Degas first, leave stoppers loose, warm slowly.',
    places: ['finish']
  },
  'screw-caps': {
    level: 'warn',
    group: 'pressure',
    title: 'Screw caps and corks',
    text: 'No screw cap on live wine, and a cork does not vent. New corks, never bleached; leave a thumb’s width of air.',
    places: ['bottle'],
    when: (s) => s.intoGlass === true
  },

  adults: {
    level: 'note',
    group: 'drinking and law',
    title: 'For adults, under local law',
    text: 'For adults under local law. Home-making is limited or forbidden in places, and selling needs a licence.',
    ask: 'Ask your local authority.',
    places: ['drink', 'bottle'],
    when: () => true
  },
  distilling: {
    level: 'note',
    group: 'drinking and law',
    title: 'No distilling, no freezing out',
    text: 'Distilling, and in many places freeze-concentrating, is illegal or dangerous without a licence and outside this tool.',
    places: ['drink']
  },
  methanol: {
    level: 'note',
    group: 'drinking and law',
    title: 'Pectin and methanol',
    text: 'Musts rich in pectin make a little more methanol, ordinary in amount: one more reason never to concentrate.',
    places: ['drink']
  },
  estimate: {
    level: 'note',
    group: 'drinking and law',
    title: 'Strength is an estimate',
    text: 'Not when driving, pregnant, or with medicines that forbid it. Nothing here is a health claim.',
    ask: 'Ask a doctor or pharmacist.',
    places: ['drink']
  }
};

const RANK: Record<Level, number> = { refuse: 0, stop: 1, warn: 2, note: 3 };

/**
 * The cautions of a place, gravest first, each once: those of the produce in hand, and those whose rule holds.
 * @param acknowledged ids that were put away; a refusal is never put away
 */
export function cautionsAt(place: Place, scene: Scene, acknowledged: readonly string[] = []): Caution[] {
  const ids = new Set<string>();
  for (const item of rows(scene)) for (const id of entryOf(item)?.cautions ?? []) ids.add(id);
  const high = highPh(scene);
  const isSafe = high !== null && high <= SAFE_PH;
  if (isSafe) ids.delete('low-acid');
  for (const [id, rule] of Object.entries(RULES)) if (rule.when?.(scene)) ids.add(id);
  return [...ids]
    .map((id) => ({ id, rule: RULES[id]! }))
    .filter(
      ({ id, rule }) => rule.places.includes(place) && (rule.level === 'refuse' || !acknowledged.includes(id))
    )
    .map(({ id, rule }) => ({ id, level: rule.level, text: rule.say?.(scene) ?? rule.text }))
    .sort((a, b) => RANK[a.level] - RANK[b.level]);
}

/** The cautions a whole plan raises: its produce, its methods, and every dose on the slip. */
export function planCautions(
  plan: Plan,
  ph: number | null | { likely: number; high: number },
  volumeL = 0,
  acknowledged: readonly string[] = []
): Caution[] {
  const doses = plan.ingredients
    .filter((i) => i.kind === 'acid' || i.kind === 'additive')
    .flatMap((adding) => cautionsAt('plan', { adding, volumeL }, acknowledged))
    .filter((c) => ['absurd-dose', 'high-dose', 'sulphite-total'].includes(c.id));
  const acid = ph !== null && typeof ph === 'object' ? { ph: ph.likely, phHigh: ph.high } : { ph };
  const all = [...doses, ...cautionsAt('plan', { plan, ...acid }, acknowledged)];
  return all
    .filter((c, i) => all.findIndex((o) => o.id === c.id) === i)
    .sort((a, b) => RANK[a.level] - RANK[b.level]);
}
