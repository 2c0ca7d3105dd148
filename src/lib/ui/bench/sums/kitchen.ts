import { coolingTauH, hoursToCool, tauFromReadings, tempAfter } from '$core/steps/cooling';
import { costOf } from '$core/plan/cost';
import { BOTTLE_L } from '$core/tables/bottles';
import type { Plan } from '$core/plan/plan';
import { juiceLPerKg, MILLS, PRESSES, pressLoads, type Mill, type Press } from '$core/plan/extraction';
import { PRODUCE, produceById } from '$core/tables/table';
import { bleachMl, SANITISERS, stockMl, sulphiteG } from '$core/must/dilute';
import { CUP_G, DOSES, spoonText, SO2_SHARE } from '$core/tables/doses';
import { gramsText, greatUnit, quantityText, significant, volumeText } from '$core/units/format';
import { InputError } from '$core/units/input-error';
import { readAmount } from '$core/units/reckon';
import { fromBase, fromCelsius, KG_PER, L_PER, type Unit } from '$core/units/measure';
import { countryOf, type Settings } from '$core/units/settings';
import type { Sum } from '../sum';

const litres = (s: Settings) => (s.volume === 'L' ? '10' : '2');
const degrees = (c: number) => (s: Settings) => fromCelsius(c, s.temp).toFixed(0);

/** What a level teaspoon and a cup of it weigh, grams, and a litre of it. */
const STUFF: Record<string, { name: string; gPerL: number; pieceG?: number | null }> = {
  'white-sugar': { name: 'White sugar', gPerL: CUP_G['white-sugar'] / L_PER.cup },
  'brown-sugar': { name: 'Brown sugar, packed', gPerL: CUP_G['brown-sugar'] / L_PER.cup },
  honey: { name: 'Honey', gPerL: CUP_G.honey / L_PER.cup },
  water: { name: 'Water', gPerL: 998.2 },
  ...Object.fromEntries(
    Object.entries(DOSES)
      .filter(([, d]) => d.teaspoonG !== null)
      .map(([id, d]) => [id, { name: d.name, gPerL: d.teaspoonG! / L_PER.tsp }])
  ),
  ...Object.fromEntries(
    PRODUCE.filter((p) => p.litreG !== null).map((p) => [
      `produce:${p.id}`,
      { name: `${p.plural}, loose`, gPerL: p.litreG!, pieceG: p.pieceG }
    ])
  )
};

export const measures: Sum = {
  id: 'measures',
  title: 'Kitchen measures',
  ask: 'What is that in grams, spoons, cups or gallons?',
  words: 'convert teaspoon tablespoon cup ounce pound gram gallon pint litre units weight volume',
  fields: [
    { id: 'amount', label: 'Amount', kind: 'text', start: '2 cups' },
    {
      id: 'stuff',
      label: 'Of',
      kind: 'choice',
      start: 'white-sugar',
      options: Object.fromEntries(Object.entries(STUFF).map(([id, s]) => [id, s.name]))
    }
  ],
  run: ({ t }, s) => {
    const { gPerL, name, pieceG } = STUFF[t('stuff')]!;
    const q = readAmount(
      t('amount'),
      {
        name,
        basis: 'mass',
        words: `${name} ${t('stuff')}`.toLowerCase(),
        litreG: gPerL,
        each: pieceG ? { piece: pieceG / 1000 } : {}
      },
      'g',
      countryOf(s)
    );
    const massKg = q.base;
    const volumeL = (1000 * q.base) / gPerL;
    const show = (units: Unit[], base: number) =>
      units
        .filter((u) => fromBase(base, u) >= 0.05 && fromBase(base, u) < 5000)
        .map((u): [string, string] => [significant(fromBase(base, u), 3), u])
        .map(([n, u]): [string, string] => [quantityText(0, u as Unit).replace(/^\S+ /, ''), n]);
    return {
      big: q.saidKg !== undefined ? spoonText(massKg * 1000, gPerL * L_PER.tsp) : gramsText(massKg * 1000),
      says: `${t('amount').replace(/\s+of\s.*$/, '')} of ${name.toLowerCase()}.`,
      table: [
        ...show(['g', 'kg', 'oz', 'lb'], massKg),
        ...show(['tsp', 'tbsp', 'cup', 'mL', 'L', 'us-pt', 'uk-pt', 'us-gal', 'uk-gal'], volumeL)
      ],
      workings: [
        `A level teaspoon of it is ${significant(gPerL * L_PER.tsp, 2)} g, a US cup ${significant(gPerL * L_PER.cup, 3)} g. Spoons of powder vary by a fifth: weigh what matters.`
      ]
    };
  }
};

export const cooling: Sum = {
  id: 'cooling',
  title: 'When has it cooled?',
  ask: 'How long until hot must is cool enough for enzyme or yeast?',
  words: 'hot boiling temperature wait time bucket ice bath',
  fields: [
    { id: 'volume', label: 'Must', kind: 'volume', start: litres },
    { id: 'from', label: 'It is now', kind: 'temp', start: degrees(80) },
    { id: 'to', label: 'Wanted', kind: 'temp', start: degrees(25) },
    { id: 'room', label: 'The room', kind: 'temp', start: degrees(18) },
    {
      id: 'bath',
      label: 'It stands in',
      kind: 'choice',
      start: 'air',
      options: { air: 'air, covered', water: 'a sink of cold water' }
    },
    { id: 'was', label: 'It was, if you read it', kind: 'temp', start: '', optional: true },
    { id: 'ago', label: 'Hours ago', kind: 'number', start: '1', when: (t) => (t.was ?? '') !== '' }
  ],
  run: ({ n, maybe, t }, s) => {
    const measured = maybe('was');
    const tau =
      measured !== null
        ? tauFromReadings(measured, n('from'), n('room'), n('ago'))
        : coolingTauH(n('volume'), t('bath') as 'air');
    const h = hoursToCool(n('from'), n('to'), n('room'), tau);
    const show = (hours: number) =>
      hours < 1 ? `${Math.max(0, Math.round(hours * 60))} min` : `${hours.toFixed(1)} h`;
    const at = (c: number) => `${fromCelsius(c, s.temp).toFixed(0)} °${s.temp}`;
    return {
      big: show(h),
      says: `to ${at(n('to'))}. Longer than one thinks: keep it covered.`,
      table: [40, 30, 25]
        .filter((c) => c < n('from') && c > n('room'))
        .map((c): [string, string, string] => [
          at(c),
          show(hoursToCool(n('from'), c, n('room'), tau)),
          c === 40 ? 'enzyme may go in' : c === 25 ? 'yeast may go in' : ''
        ]),
      workings: [
        `Newton’s law: the warmth over the room falls to a third in every ${(tau * 1.1).toFixed(1)} h${measured !== null ? ', from your two readings' : '; a guess by size, better from two readings'}.`,
        `In two hours it is at ${at(tempAfter(n('from'), n('room'), tau, 2))}.`
      ]
    };
  }
};

export const cost: Sum = {
  id: 'cost',
  title: 'What a bottle costs',
  ask: 'What does a bottle of it cost?',
  words: 'price money cost bottle cheap',
  fields: [
    { id: 'fruit', label: 'Fruit', kind: 'mass', start: (s) => (s.mass === 'kg' ? '4' : '9') },
    { id: 'fruitPrice', label: 'Its price a kg', kind: 'number', start: '0' },
    { id: 'sugar', label: 'Sugar', kind: 'mass', start: (s) => (s.mass === 'kg' ? '2.4' : '5') },
    {
      id: 'sugarPrice',
      label: 'Its price a kg',
      kind: 'number',
      start: (s) => String(s.prices.white ?? 1.2)
    },
    { id: 'rest', label: 'Yeast and powders, in all', kind: 'number', start: '2' },
    {
      id: 'bottle',
      label: 'A bottle and its stopper',
      kind: 'number',
      start: (s) => String(s.prices.bottle ?? 0.3)
    },
    { id: 'count', label: 'Bottles', kind: 'number', start: '14' }
  ],
  run: ({ n }, s) => {
    if (!(n('count') >= 1)) throw new InputError('A cost wants a number of bottles.', 'Give one or more.');
    // Which fruit it is makes no difference to its price.
    const plan: Plan = {
      ingredients: [
        { kind: 'produce', produceId: 'plum', massKg: n('fruit') },
        { kind: 'sugar', sugarId: 'white', massKg: n('sugar') }
      ],
      prices: { plum: n('fruitPrice'), white: n('sugarPrice') }
    };
    const inWine = costOf(plan)!.total + n('rest');
    const each = inWine / n('count') + n('bottle');
    const money = (x: number) => `${s.currency}${x.toFixed(2)}`;
    return {
      big: money(each),
      says: 'a bottle.',
      table: [
        ['Wine', money(inWine), 'in all'],
        [`A ${greatUnit(s.volume)} of it`, money((inWine / (n('count') * BOTTLE_L)) * L_PER[s.volume])],
        ['With bottles', money(each * n('count')), 'in all']
      ],
      workings: [
        `${quantityText(n('fruit'), s.mass)} × ${money(n('fruitPrice'))} a kg + ${quantityText(n('sugar'), s.mass)} × ${money(n('sugarPrice'))} a kg + ${money(n('rest'))}, by ${n('count')} bottles, and ${money(n('bottle'))} for each bottle.`,
        'On Plan the same sum is done for all that is on the slip: give prices with “This lot”.'
      ]
    };
  }
};

export const sanitiser: Sum = {
  id: 'sanitiser',
  title: 'Sanitiser',
  ask: 'How much of it for a bucketful?',
  place: 'clean',
  words: 'clean sterilise sulphite bleach no-rinse percarbonate dilution',
  fields: [
    {
      id: 'kind',
      label: 'Which',
      kind: 'choice',
      start: 'sulphite',
      options: Object.fromEntries(Object.entries(SANITISERS).map(([id, x]) => [id, x.name]))
    },
    { id: 'volume', label: 'To make', kind: 'volume', start: (s) => (s.volume === 'L' ? '5' : '1') },
    {
      id: 'mgL',
      label: 'Sulphur dioxide, mg/L',
      kind: 'number',
      start: String(SANITISERS.sulphite.usual),
      when: (t) => t.kind === 'sulphite'
    },
    {
      id: 'mlL',
      label: 'mL a litre, on the label',
      kind: 'number',
      start: String(SANITISERS.acid.usual),
      when: (t) => t.kind === 'acid'
    },
    {
      id: 'gL',
      label: 'Grams a litre, on the label',
      kind: 'number',
      start: String(SANITISERS.peroxide.usual),
      when: (t) => t.kind === 'peroxide'
    },
    {
      id: 'percent',
      label: 'Bleach, % on the bottle',
      kind: 'number',
      start: '5',
      when: (t) => t.kind === 'bleach'
    },
    {
      id: 'ppm',
      label: 'Chlorine wanted, mg/L',
      kind: 'number',
      start: String(SANITISERS.bleach.usual),
      when: (t) => t.kind === 'bleach'
    }
  ],
  run: ({ n, t }, s) => {
    const kind = t('kind') as keyof typeof SANITISERS;
    const note = SANITISERS[kind].note;
    const into = `in ${volumeText(n('volume'), s.volume)} of water.`;
    if (kind === 'sulphite') {
      const g = sulphiteG(n('volume'), n('mgL'));
      return {
        big: gramsText(g),
        says: `of potassium metabisulphite (${spoonText(g, 6)}) ${into}`,
        table: [['Sodium salt', gramsText(sulphiteG(n('volume'), n('mgL'), 'sodium'))]],
        workings: [
          `${n('mgL')} mg/L × ${volumeText(n('volume'), s.volume)} ÷ ${SO2_SHARE.potassium}, the share of sulphur dioxide in it.`,
          note
        ]
      };
    }
    if (kind === 'bleach') {
      const ml = bleachMl(n('volume'), n('ppm'), n('percent'));
      return {
        big: `${significant(ml, 2)} mL`,
        says: `of plain bleach ${into}`,
        workings: [
          `${n('ppm')} mg/L ÷ ${n('percent')} % on the bottle, × ${volumeText(n('volume'), s.volume)}.`,
          note
        ],
        stop: 'bleach-mix'
      };
    }
    const perL = kind === 'acid' ? n('mlL') : n('gL');
    const amount = kind === 'acid' ? stockMl(n('volume'), perL / 1000, 1) : perL * n('volume');
    return {
      big: kind === 'acid' ? `${significant(amount, 2)} mL` : gramsText(amount),
      says: into,
      workings: [`${perL} ${kind === 'acid' ? 'mL' : 'g'}/L × ${volumeText(n('volume'), s.volume)}.`, note]
    };
  }
};

export const press: Sum = {
  id: 'press',
  title: 'Juice from a press',
  ask: 'How much juice will this fruit give, in how many loads?',
  words: 'cider perry apples pears grapes mill scratter yield litres pressing',
  fields: [
    {
      id: 'fruit',
      label: 'Fruit',
      kind: 'choice',
      start: 'apple',
      options: Object.fromEntries(
        PRODUCE.filter((p) => p.forms.includes('juice')).map((p) => [p.id, p.plural])
      )
    },
    { id: 'mass', label: 'Weighed', kind: 'mass', start: (s) => (s.mass === 'kg' ? '60' : '130') },
    {
      id: 'mill',
      label: 'Broken up',
      kind: 'choice',
      start: 'milled',
      options: Object.fromEntries(Object.entries(MILLS).map(([id, m]) => [id, m.name]))
    },
    {
      id: 'press',
      label: 'With',
      kind: 'choice',
      start: 'basket',
      options: Object.fromEntries(Object.entries(PRESSES).map(([id, p]) => [id, p.name]))
    },
    { id: 'load', label: 'The press takes', kind: 'volume', start: (s) => (s.volume === 'L' ? '12' : '3') }
  ],
  run: ({ n, t }, s) => {
    const [p, m] = [t('press') as Press, t('mill') as Mill];
    const at = (z: number) => juiceLPerKg(p, m, z) * n('mass');
    const loads = pressLoads(n('mass'), n('load'));
    const name = produceById(t('fruit'))!.plural.toLowerCase();
    return {
      big: volumeText(at(0), s.volume),
      says: `of juice from ${quantityText(n('mass'), s.mass)} of ${name}, ${loads} ${loads === 1 ? 'load' : 'loads'}.`,
      table: [
        ['8 in 10', `${volumeText(at(-1.2816), s.volume)} – ${volumeText(at(1.2816), s.volume)}`],
        ['A load', volumeText(at(0) / loads, s.volume)]
      ],
      workings: [
        `${volumeText(juiceLPerKg(p, m) * KG_PER[s.mass], s.volume)} a ${s.mass}, common practice. Press, rest a quarter of an hour, press again.`,
        'Then read the juice: its own gravity and acid are better than any table.'
      ]
    };
  }
};
