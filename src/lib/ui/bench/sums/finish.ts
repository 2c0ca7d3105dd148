import { SORBIC_CEILING_MG_L, SORBIC_SHARE, sorbateDoseGL } from '$core/finish/sorbate';
import { blend } from '$core/finish/blend';
import { CO2_PER_HEXOSE, CO2_PER_SUCROSE, residualCo2 } from '$core/finish/carbonation';
import {
  coolingMin,
  HEAT_C,
  minutesFor,
  minutesInBath,
  pasteurUnits,
  WANTED_UNITS
} from '$core/ferment/heat';
import { GL_PER_VOLUME, prime as primed } from '$core/finish/prime';
import { molecularOf } from '$core/liquid/preservers';
import { MOLECULAR_MG_L, sulphiteDose, type WineStyle } from '$core/finish/sulphite';
import { sweeten as sweetened, sweetenWith } from '$core/finish/sweeten';
import { wineOf } from '$core/finish/wine';
import { BOTTLE_L, BOTTLES, type BottleType } from '$core/tables/bottles';
import { CAMPDEN_TABLET_G, DOSES, spoonText, TEASPOON_G } from '$core/tables/doses';
import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';
import { gramsText, sweetnessWord, temperatureText, volumeText } from '$core/units/format';
import { fromCelsius } from '$core/units/measure';
import type { Settings } from '$core/units/settings';
import { inC } from '$core/units/say';
import type { Field, Sum } from '../sum';

const litres = (s: Settings) => (s.volume === 'L' ? '10' : '2');
const temp = (c: number) => (s: Settings) => fromCelsius(c, s.temp).toFixed(0);
const spooned = (g: number, teaspoonG: number) => `${gramsText(g)} (${spoonText(g, teaspoonG)})`;

export const stabilise: Sum = {
  id: 'stabilise',
  title: 'Sulphite and sorbate',
  ask: 'How much of each keeps this wine, at its pH?',
  words: 'stabilise stabilize so2 free molecular metabisulphite campden sorbate keep preserve dose',
  place: 'finish',
  fields: [
    { id: 'volume', label: 'Wine', kind: 'volume', start: litres },
    { id: 'ph', label: 'pH', kind: 'ph', start: '3.4' },
    { id: 'abv', label: 'Strength, %', kind: 'number', start: '12' },
    {
      id: 'style',
      label: 'Colour',
      kind: 'choice',
      start: 'white',
      options: { white: 'white or pink', red: 'red: tannin helps' }
    },
    { id: 'free', label: 'Free SO₂ measured, mg/L', kind: 'number', start: '', optional: true }
  ],
  run: ({ n, maybe, t }, s) => {
    const volumeL = n('volume');
    const style = t('style') as WineStyle;
    const d = sulphiteDose({ volumeL, ph: n('ph'), style, freeMgL: maybe('free') ?? 0 });
    const sorbateGL = sorbateDoseGL(n('abv'), n('ph'));
    const { low, high } = d.withBoundG;
    // Where nobody measured, a third of it binds; what was measured is past that.
    const massG = maybe('free') === null ? low : d.metabisulphiteG;
    return {
      big: gramsText(massG),
      says: `of potassium metabisulphite (${spoonText(massG, TEASPOON_G.metabisulphite)}), with the sorbate, in finished, clear wine.${massG > DOSES.metabisulphite.perL[2] * volumeL ? ' More than anyone gives: sharpen it first.' : ''}`,
      table: [
        ...(maybe('free') === null
          ? ([
              [
                'Of it free',
                `${gramsText(d.metabisulphiteG)}`,
                `a third to a half of a first dose binds: up to ${gramsText(high)}`
              ]
            ] as [string, string, string][])
          : []),
        [
          'As Campden',
          `${(massG / CAMPDEN_TABLET_G).toFixed(1)} tablets`,
          `of ${gramsText(CAMPDEN_TABLET_G)}, crushed`
        ],
        [
          'Sorbate',
          spooned(sorbateGL * volumeL, TEASPOON_G.sorbate),
          1000 * sorbateGL * SORBIC_SHARE > SORBIC_CEILING_MG_L
            ? `over the ${SORBIC_CEILING_MG_L} mg/L of sorbic acid allowed in wine for sale in the European Union`
            : 'never alone; never after malolactic'
        ],
        ['Free SO₂ wanted', `${d.freeTargetMgL.toFixed(0)} mg/L`, `${MOLECULAR_MG_L[style]} of it molecular`],
        ...(maybe('free') === null
          ? []
          : ([['Molecular now', `${molecularOf(maybe('free')!, n('ph')).toFixed(2)} mg/L`, '']] as [
              string,
              string,
              string
            ][]))
      ],
      workings: [
        `${MOLECULAR_MG_L[style]} × (1 + 10^(${n('ph').toFixed(2)} − 1.81)) = ${d.freeTargetMgL.toFixed(1)} mg/L free.`,
        `${d.addMgL.toFixed(1)} mg/L × ${volumeText(volumeL, s.volume)} ÷ 57.6 % = ${gramsText(d.metabisulphiteG)}.`,
        'Sulphite can bring on asthma and allergy: weigh it, and label the wine “contains sulphites”.',
        `Sorbate ${sorbateGL.toFixed(2)} g/L: more in weak wine, and in wine that is less sharp.`
      ]
    };
  }
};

const SUGARS = Object.fromEntries(Object.entries(SWEETENERS).map(([id, s]) => [id, s.name]));

export const sweeten: Sum = {
  id: 'sweeten',
  title: 'Sweeten a wine',
  ask: 'How much of which sweetener, to a gravity or by the glass?',
  words: 'back sweeten sweetening off-dry honey erythritol bench trial glass drops scale up sweetness',
  place: 'finish',
  fields: [
    { id: 'volume', label: 'Wine', kind: 'volume', start: litres },
    { id: 'sg', label: 'It reads', kind: 'stem', start: '0.994' },
    { id: 'abv', label: 'Strength, %', kind: 'number', start: '12' },
    { id: 'with', label: 'With', kind: 'choice', start: 'white', options: SUGARS },
    {
      id: 'by',
      label: 'To',
      kind: 'choice',
      start: 'sg',
      options: { sg: 'a gravity', gl: 'grams a litre', glass: 'the glass I liked' }
    },
    { id: 'toSg', label: 'Gravity wanted', kind: 'stem', start: '1.004', when: (t) => t.by === 'sg' },
    { id: 'gl', label: 'Grams a litre', kind: 'number', start: '20', when: (t) => t.by === 'gl' },
    { id: 'glassG', label: 'In the glass, g', kind: 'number', start: '2', when: (t) => t.by === 'glass' },
    {
      id: 'glassMl',
      label: 'The glass, mL',
      kind: 'volume',
      unit: 'mL',
      start: '100',
      when: (t) => t.by === 'glass'
    }
  ],
  run: ({ n, t }, s) => {
    const wine = wineOf({ volumeL: n('volume'), sg: n('sg'), abv: n('abv') });
    const goal =
      t('by') === 'sg'
        ? { toSg: n('toSg') }
        : { addGL: t('by') === 'gl' ? n('gl') : n('glassG') / n('glassMl') };
    const id = t('with') as SweetenerId;
    const to = sweetened(wine, goal, sweetenWith(id));
    const isLive = SWEETENERS[id].fermentable > 0;
    return {
      big: gramsText(1000 * to.amount),
      says: `of ${SWEETENERS[id].name.toLowerCase()}: as sweet as ${to.sweetGL.toFixed(0)} g/L of sugar more.${isLive ? ' Stabilise first: living yeast takes it.' : ''}`,
      table: [
        ['Then it reads', to.sg.toFixed(3)],
        ['Strength', `${to.abv.toFixed(1)} %`, 'thinned, not lost'],
        ['And fills', volumeText(to.volumeL, s.volume)],
        ['In words', sweetnessWord(to.sweetGL), 'if it was dry']
      ],
      workings: [
        `${volumeText(n('volume'), s.volume)} at ${n('sg').toFixed(3)} and ${n('abv')} %: its water, alcohol and dissolved matter by weight, and the sweetener's own beside them.`,
        'Half of it first; stir, taste and read; then the rest.'
      ]
    };
  }
};

/** The fields of one wine of a blend. */
const wineFields = (i: number, start: [string, string, string, string]): Field[] => [
  {
    id: `v${i}`,
    label: `Wine ${i}`,
    kind: 'volume',
    start: start[0],
    ...(i > 2 ? { optional: true as const } : {})
  },
  { id: `a${i}`, label: 'its strength, %', kind: 'number', start: start[1], optional: true },
  { id: `t${i}`, label: 'its acid, g/L', kind: 'number', start: start[2], optional: true },
  { id: `h${i}`, label: 'its sugar, g/L', kind: 'number', start: start[3], optional: true }
];

export const blending: Sum = {
  id: 'blend',
  title: 'Blend',
  ask: 'How much of each wine, for the strength, the acid and the sweetness I want?',
  words: 'mix wines cuvee water dilute thin pearson square',
  place: 'finish',
  fields: [
    { id: 'want', label: 'Make, if not all', kind: 'volume', start: '', optional: true },
    { id: 'abv', label: 'Strength wanted, %', kind: 'number', start: '', optional: true },
    { id: 'ta', label: 'Acid wanted, g/L', kind: 'number', start: '6.5', optional: true },
    { id: 'hexose', label: 'Sugar wanted, g/L', kind: 'number', start: '', optional: true },
    ...wineFields(1, ['5', '13', '5', '0']),
    ...wineFields(2, ['5', '11', '9', '0']),
    ...wineFields(3, ['', '', '', ''])
  ],
  run: ({ maybe }, s) => {
    const wines = [1, 2, 3].flatMap((i) => {
      const volumeL = maybe(`v${i}`);
      const of = (id: string) => maybe(`${id}${i}`) ?? 0;
      return volumeL ? [{ name: `Wine ${i}`, volumeL, abv: of('a'), taGL: of('t'), hexoseGL: of('h') }] : [];
    });
    const want: Parameters<typeof blend>[1] = {};
    for (const [key, id] of [
      ['volumeL', 'want'],
      ['abv', 'abv'],
      ['taGL', 'ta'],
      ['hexoseGL', 'hexose']
    ] as const) {
      const x = maybe(id);
      if (x !== null) want[key] = x;
    }
    const b = blend(wines, want);
    const missed = b.misses
      .map((m) => MISSES[m.of](Math.abs(m.by), m.by > 0 ? 'over' : 'short', s))
      .join(', ');
    return {
      big: b.take.map((x) => volumeText(x.volumeL, s.volume)).join(' + '),
      says: `of ${b.take.map((x) => x.name.toLowerCase()).join(' and ')}${missed ? `; the nearest there is: ${missed}` : ''}. A glass of it first.`,
      table: [
        ['Makes', volumeText(b.volumeL, s.volume)],
        ['Strength', `${b.abv.toFixed(1)} %`],
        ['Acid', `${b.taGL.toFixed(1)} g/L`],
        ['Sugar', `${b.hexoseGL.toFixed(0)} g/L`, b.hexoseGL > 1 ? 'yeast of either wine can take it' : '']
      ],
      workings: [
        'A linear programme: no more of each wine than its jar holds, so that the misses are least, counted by what one tastes (0.5 % of strength, 0.4 g/L of acid, 4 g/L of sugar alike).',
        'Without an amount, as much as the jars allow. Volumes add up: strength, acid and sugar are their means. What is blended cannot be parted.'
      ]
    };
  }
};
const MISSES = {
  abv: (by: number, side: string) => `${by.toFixed(1)} % ${side}`,
  taGL: (by: number, side: string) => `${by.toFixed(1)} g/L of acid ${side}`,
  hexoseGL: (by: number, side: string) => `${by.toFixed(0)} g/L of sugar ${side}`,
  depth: (by: number, side: string) => `its colour ${side} by ${by.toFixed(1)}`,
  volumeL: (by: number, side: string, s: Settings) => `${volumeText(by, s.volume)} ${side}`
};

export const priming: Sum = {
  id: 'prime',
  title: 'Sugar for bubbles',
  ask: 'How much sugar makes it sparkle, and will the bottle bear it?',
  words: 'prime priming carbonate carbonation sparkling fizz volumes bar pressure teaspoon bottle petillant',
  place: 'bottle',
  fields: [
    { id: 'volume', label: 'Wine', kind: 'volume', start: litres },
    { id: 'abv', label: 'Strength, %', kind: 'number', start: '11' },
    { id: 'temp', label: 'Warmest since it finished', kind: 'temp', start: temp(20) },
    { id: 'hexose', label: 'Sugar left, g/L', kind: 'number', start: '0' },
    {
      id: 'by',
      label: 'Gas wanted by',
      kind: 'choice',
      start: 'bar',
      options: { bar: `bar at ${20} °C`, volumes: 'volumes', gl: 'g/L' }
    },
    { id: 'want', label: 'So much', kind: 'number', start: '2.5' },
    {
      id: 'bottle',
      label: 'Bottles',
      kind: 'choice',
      start: 'crown',
      options: Object.fromEntries(Object.entries(BOTTLES).map(([id, b]) => [id, b.name]))
    }
  ],
  run: ({ n, t }, s) => {
    const want =
      t('by') === 'bar'
        ? { bar20: n('want') }
        : t('by') === 'volumes'
          ? { volumes: n('want') }
          : { gL: n('want') };
    const p = primed({ volumeL: n('volume'), abv: n('abv'), tempC: n('temp'), hexoseGL: n('hexose'), want });
    const { ratingBar, name } = BOTTLES[t('bottle') as BottleType];
    return {
      big: gramsText(p.sugarG),
      says: `of white sugar: ${spooned(p.perBottleG, TEASPOON_G.sugar)} for each ${BOTTLE_L * 1000} mL.`,
      table: [
        [
          `At ${temperatureText(20, s.temp)}`,
          `${p.bar20.toFixed(1)} bar`,
          `${name.toLowerCase()}: made for ${ratingBar}`
        ],
        [
          `At ${temperatureText(30, s.temp)}`,
          `${p.bar30.toFixed(1)} bar`,
          p.bar30 > ratingBar && p.bar20 <= ratingBar ? 'over what it is made for: keep it cool' : ''
        ],
        ['Gas', `${p.gasGL.toFixed(1)} g/L`, `${(p.gasGL / GL_PER_VOLUME).toFixed(1)} volumes`]
      ],
      workings: [
        `It kept ${residualCo2(n('temp'), n('abv')).toFixed(2)} g/L of gas from its warmest day; its own sugar makes ${(n('hexose') * CO2_PER_HEXOSE).toFixed(1)} more.`,
        `The rest by sugar: ${CO2_PER_SUCROSE} g of gas a gram, ${p.sugarGL.toFixed(1)} g/L.`,
        'Two or three weeks in the warm; one plastic bottle beside them tells by its hardness when it is done. Open one, cold, after two weeks.'
      ],
      ...(p.bar20 > ratingBar ? { stop: 'pressure' } : {})
    };
  }
};

/** How long a bottle cools to the warmth of a hand; slowly, or its glass cracks. */
const coolingRow = (coreC: number, volumeL: number, s: Settings): [string, string, string] => {
  const min = (inWater: boolean) => coolingMin({ coreC, toC: 30, aroundC: 20, volumeL, inWater }).toFixed(0);
  return [
    `Cools to ${temperatureText(30, s.temp)}`,
    `${min(true)} min`,
    `in water that is made cooler bit by bit; ${min(false)} min in the air`
  ];
};

export const heating: Sum = {
  id: 'heat',
  title: 'Heat-treat bottles',
  ask: 'How long in the bath, until no yeast lives?',
  words: 'pasteurise pasteurize heat treatment bath units core temperature bottles',
  place: 'finish',
  fields: [
    { id: 'size', label: 'Bottle', kind: 'volume', unit: 'mL', start: '750' },
    { id: 'start', label: 'Wine now', kind: 'temp', start: temp(18) },
    { id: 'bath', label: 'Bath held at', kind: 'temp', start: temp(65) },
    { id: 'units', label: 'Units wanted', kind: 'number', start: String(WANTED_UNITS) },
    { id: 'core', label: 'Core measured', kind: 'temp', start: '', optional: true },
    { id: 'min', label: 'and held, min', kind: 'number', start: '20', optional: true }
  ],
  run: ({ n, maybe }, s) => {
    const plan = minutesInBath({
      startC: n('start'),
      bathC: n('bath'),
      volumeL: n('size'),
      units: n('units')
    });
    const core = maybe('core');
    const held = core === null ? null : pasteurUnits(core, maybe('min') ?? 0);
    const hot = n('bath') > HEAT_C.most ? ' So hot the wine tastes cooked.' : '';
    const cold = n('bath') < HEAT_C.least ? ' So cool that yeast may live through it.' : '';
    return {
      big: plan ? `${plan.minutes} min` : 'no time',
      says: plan
        ? `in the bath, stoppers loose; by then its core is about ${temperatureText(plan.coreC, s.temp)}.${hot}${cold}`
        : `is enough at that warmth: take it to ${inC(62)} or more.`,
      table: [
        ...(held === null
          ? []
          : ([
              [
                'By your thermometer',
                `${held.toFixed(0)} units`,
                held >= n('units')
                  ? 'enough'
                  : `too little: ${minutesFor(core!, n('units')).toFixed(0)} min in all`
              ]
            ] as [string, string, string][])),
        [
          `Held at ${temperatureText(n('bath'), s.temp)}`,
          `${minutesFor(n('bath'), n('units')).toFixed(0)} min`,
          'once the core is so warm'
        ],
        ...(plan ? [coolingRow(plan.coreC, n('size'), s)] : [])
      ],
      workings: [
        `A unit is a minute at ${inC(60)}; each degree more counts 1.393 times. Beer is given 15 to 30, sweet wine ${WANTED_UNITS} and more.`,
        'The core follows the bath as a bottle of water does (a quarter of an hour for the common bottle, longer for larger glass): a thermometer in one open bottle of water is surer.'
      ]
    };
  }
};
