import { inC } from '$core/units/say';
import { classroomAbv, ledgerAbv, hexoseGone } from '$core/ferment/alcohol';
import { ferment, finish } from '$core/ferment/convert';
import { whyThisReading } from '$core/belief/detective';
import { correctReading } from '$core/liquid/hydrometer';
import { onAllScales, potentialAbv, printedPotential } from '$core/ferment/scales';
import { spiritIndication } from '$core/liquid/spirit';
import { abvOfDensity, densityOfAbv } from '$core/liquid/ethanol';
import { waterDensity, WATER_20 } from '$core/liquid/water';
import { stockAt, liquid } from '$core/liquid/stock';
import { sugarToReach, sweetenerEffect, waterToLower } from '$core/must/reach';
import { SWEETENERS, type SweetenerId } from '$core/tables/sweeteners';
import { gramsText, massText, quantityText, temperatureText, volumeText } from '$core/units/format';
import { fromCelsius } from '$core/units/measure';
import type { Settings } from '$core/units/settings';
import type { Sum } from '../sum';

const sg = (n: number) => n.toFixed(3);
const roomTemp = (s: Settings) => fromCelsius(20, s.temp).toFixed(0);
const litres = (s: Settings) => (s.volume === 'L' ? '10' : '2');
const SUGARS = Object.fromEntries(Object.entries(SWEETENERS).map(([id, s]) => [id, s.name]));

export const hydrometer: Sum = {
  id: 'hydrometer',
  title: 'Read the hydrometer',
  ask: 'What does the stem say, on every scale, corrected for temperature?',
  words: 'gravity brix potential alcohol scale convert correction temperature oechsle sugar',
  fields: [
    { id: 'reading', label: 'The stem shows', kind: 'stem', start: '1.050' },
    { id: 'temp', label: 'Sample', kind: 'temp', start: roomTemp },
    {
      id: 'marked',
      label: 'Stem marked for',
      kind: 'temp',
      start: (s) => fromCelsius(s.hydrometer.calibratedC, s.temp).toFixed(0)
    }
  ],
  run: ({ n }, s) => {
    const true_ = correctReading(n('reading') - (s.hydrometer.inWater - 1), n('temp'), n('marked'));
    const all = onAllScales(true_);
    return {
      big: sg(true_),
      says: `at ${inC(20)}. Type 22 bx or 12 pa to read another scale of the stem.`,
      table: [
        ['°Bx', all.brix.toFixed(1), 'per cent sugar by weight'],
        ['Strength', `${all.potential.toFixed(1)} %`, 'if all of it ferments'],
        [
          'On your stem',
          `${printedPotential(true_, s.hydrometer.potentialAt1100).toFixed(1)} %`,
          'potential, as it is printed'
        ],
        ['Sugar', `${all.sugarGL.toFixed(0)} g/L`, 'as if all of it were sugar']
      ],
      workings: [
        `${sg(n('reading'))} × density of water at ${temperatureText(n('temp'), s.temp)} (${waterDensity(n('temp')).toFixed(5)}) ÷ at ${temperatureText(n('marked'), s.temp)} (${waterDensity(n('marked')).toFixed(5)}) = ${true_.toFixed(4)}.`,
        ...(s.hydrometer.inWater === 1
          ? []
          : [
              `First less ${((s.hydrometer.inWater - 1) * 1000).toFixed(1)} points: your stem reads ${sg(s.hydrometer.inWater)} in water.`
            ]),
        'Density of water by Kell 1975; °Bx by the ASBC polynomial.'
      ]
    };
  }
};

export const addSugar: Sum = {
  id: 'sugar',
  title: 'Sugar to a gravity',
  ask: 'How much sugar or honey takes this must to that gravity?',
  words: 'raise chaptalise honey syrup add sugar strength',
  fields: [
    { id: 'volume', label: 'Free liquid', kind: 'volume', start: litres },
    { id: 'from', label: 'Stands at', kind: 'stem', start: '1.042' },
    { id: 'to', label: 'Wanted', kind: 'stem', start: '1.080' },
    { id: 'sugar', label: 'With', kind: 'choice', start: 'white', options: SUGARS }
  ],
  run: ({ n, t }, s) => {
    const id = t('sugar') as SweetenerId;
    const kg = sugarToReach(n('volume'), n('from'), n('to'), id);
    const e = sweetenerEffect(id, kg, n('volume'), n('from'));
    return {
      big: quantityText(kg, s.mass),
      says: `of ${SWEETENERS[id].name.toLowerCase()}. Put half in, stir, read again, then the rest.`,
      table: [
        ['Strength', `+${e.abv.toFixed(1)} %`, `to ${potentialAbv(n('to')).toFixed(1)} % if dry`],
        ['Volume', `+${volumeText(e.volumeL, s.volume)}`, 'sugar takes room'],
        ['Half of it', gramsText(kg * 500)]
      ],
      workings: [
        `${volumeText(n('volume'), s.volume)} at ${sg(n('from'))} weighs ${massText(n('volume') * n('from') * WATER_20, s.mass)} and holds ${massText(onAllScales(n('from')).sugarGL * n('volume') * 0.001, s.mass)} of sugar.`,
        `With ${massText(kg, s.mass)} of ${SWEETENERS[id].name.toLowerCase()} (${(100 * SWEETENERS[id].solids).toFixed(0)} % solids, ${(100 * SWEETENERS[id].water).toFixed(0)} % water) masses add up, and the density of the mixture is ${sg(n('to'))}.`,
        SWEETENERS[id].note
      ]
    };
  }
};

export const addWater: Sum = {
  id: 'water',
  title: 'Water to a gravity',
  ask: 'How much water brings this must down?',
  words: 'dilute lower thin weaken',
  fields: [
    { id: 'volume', label: 'Free liquid', kind: 'volume', start: litres },
    { id: 'from', label: 'Stands at', kind: 'stem', start: '1.100' },
    { id: 'to', label: 'Wanted', kind: 'stem', start: '1.085' }
  ],
  run: ({ n }, s) => {
    const l = waterToLower(n('volume'), n('from'), n('to'));
    return {
      big: volumeText(l, s.volume),
      says: `of water. In small lots, stirring and reading between.`,
      table: [
        ['Then', volumeText(n('volume') + l, s.volume), 'in all'],
        ['Strength', `${potentialAbv(n('to')).toFixed(1)} %`, `from ${potentialAbv(n('from')).toFixed(1)} %`]
      ],
      workings: [
        `The sugar stays, ${massText(onAllScales(n('from')).sugarGL * n('volume') * 0.001, s.mass)}; the water grows until the mixture reads ${sg(n('to'))}.`
      ]
    };
  }
};

export const mixSugar: Sum = {
  id: 'mix',
  title: 'Sugar in water',
  ask: 'What will so much sugar in so much water read, and how strong is it?',
  words: 'must gravity dissolve syrup potential volume',
  fields: [
    { id: 'sugar', label: 'Sugar or honey', kind: 'mass', start: (s) => (s.mass === 'kg' ? '2' : '5') },
    { id: 'kind', label: 'Which', kind: 'choice', start: 'white', options: SUGARS },
    { id: 'volume', label: 'Into water', kind: 'volume', start: litres }
  ],
  run: ({ n, t }, s) => {
    const e = sweetenerEffect(t('kind') as SweetenerId, n('sugar'), n('volume'), 1);
    const to = 1 + e.points / 1000;
    return {
      big: sg(to),
      says: `and ${volumeText(n('volume') + e.volumeL, s.volume)} in all: sugar takes room too.`,
      table: [
        ['Potential', `${e.abv.toFixed(1)} %`, 'if all of it ferments'],
        ['°Bx', onAllScales(to).brix.toFixed(1)],
        ['Sweetness', `${e.sweetGL.toFixed(0)} g/L`, 'as table sugar, unfermented']
      ],
      workings: [
        `${massText(n('volume') * WATER_20, s.mass)} of water and ${massText(n('sugar'), s.mass)} of ${SWEETENERS[t('kind') as SweetenerId].name.toLowerCase()}: masses add, and the density gives the volume.`,
        'Dividing the sugar by the water alone makes it read too high: a frequent slip.'
      ]
    };
  }
};

export const strength: Sum = {
  id: 'strength',
  title: 'Strength from two readings',
  ask: 'How strong is it, by each way of reckoning, and why do they differ?',
  words: 'alcohol abv original final gravity og fg classroom',
  fields: [
    { id: 'from', label: 'At the start', kind: 'stem', start: '1.085' },
    { id: 'to', label: 'Now', kind: 'stem', start: '0.996' }
  ],
  run: ({ n }) => {
    const must = stockAt(1, n('from'));
    const { hexoseKg, met } = hexoseGone(must, 0, n('to'));
    const wine = ferment(must, hexoseKg).stock;
    const abv = ledgerAbv(wine);
    const left = (1000 * wine.hexoseKg) / liquid(wine)!.volumeL;
    const end = liquid(finish(must, 25).stock)!.sg;
    return {
      big: `${abv.likely.toFixed(1)} %`,
      says: met
        ? `by the sugar gone; ${left.toFixed(0)} g/L of it left.${left > 9 ? ' Not dry, and alive.' : ''}`
        : `all the sugar is gone; pure sugar and water would end at ${sg(end)}.`,
      table: [
        ['Times 131.25', `${classroomAbv(n('from'), n('to')).toFixed(1)} %`, 'the classroom sum'],
        ['Times 135', `${classroomAbv(n('from'), n('to'), 135).toFixed(1)} %`, 'its other habit'],
        [
          'Potential scale',
          `${Math.max(0, potentialAbv(n('from')) - potentialAbv(n('to'))).toFixed(1)} %`,
          'difference on the stem; it stops at 1.000'
        ]
      ],
      workings: [
        `Sugar fermented until the liquid reads ${sg(n('to'))}: ${(1000 * hexoseKg).toFixed(0)} g/L of hexose × 0.46.`,
        'The short sums take one factor for every strength. They do not know of sugar fed later, of water added, or of fruit that gave sugar after the first reading.'
      ]
    };
  }
};

export const spirit: Sum = {
  id: 'spirit',
  title: 'Spirit indication',
  ask: 'How strong is a wine, measured by boiling the alcohol off a sample?',
  words: 'alcohol boil residue ebulliometer tabarié measure strength abv',
  fields: [
    { id: 'wine', label: 'The wine reads', kind: 'gravity', start: '0.996' },
    { id: 'residue', label: 'The residue reads', kind: 'gravity', start: '1.012' }
  ],
  run: ({ n }) => {
    const abv = spiritIndication(n('wine'), n('residue'));
    const spiritSg = 1 + n('wine') - n('residue');
    return {
      big: `${abv.toFixed(1)} %`,
      says: 'by volume. Good to about half a per cent with a careful hydrometer.',
      workings: [
        `Measure a sample full to a mark; boil half of it away; fill up to the mark with water; read both at ${inC(20)}.`,
        `Spirit alone: 1 + ${sg(n('wine'))} − ${sg(n('residue'))} = ${sg(spiritSg)} (Tabarié).`,
        `A spirit of ${(spiritSg * WATER_20).toFixed(5)} kg/L is ${abvOfDensity(spiritSg * WATER_20).toFixed(2)} %; ${abv.toFixed(0)} % would be ${densityOfAbv(Math.round(abv)).toFixed(5)} (OIML R 22).`,
        'Boil in the open, away from flame: what steams off is alcohol. Never collect it.'
      ]
    };
  }
};

export const reading: Sum = {
  id: 'reading',
  title: 'Why does it read that?',
  ask: 'A reading that makes no sense: what are the likeliest causes?',
  words: 'detective wrong hydrometer strange high low gravity troubleshoot fault',
  fields: [
    { id: 'sg', label: 'It reads', kind: 'stem', start: '1.068' },
    { id: 'expected', label: 'It should read', kind: 'stem', start: '1.085' },
    { id: 'temp', label: 'Sample, if known', kind: 'temp', start: '', optional: true },
    {
      id: 'fruit',
      label: 'Fruit in it',
      kind: 'choice',
      start: 'no',
      options: { no: 'none now', fresh: 'less than a day', old: 'a day or more' }
    },
    {
      id: 'none',
      label: 'Sugar water alone',
      kind: 'stem',
      start: '',
      optional: true,
      when: (t) => t.fruit !== 'no'
    },
    { id: 'hours', label: 'Hours since it was mixed', kind: 'number', start: '12' },
    { id: 'yeast', label: 'Hours since the yeast', kind: 'number', start: '', optional: true },
    {
      id: 'heat',
      label: 'Made with hot water',
      kind: 'choice',
      start: 'no',
      options: { no: 'no', yes: 'yes' }
    },
    {
      id: 'stirred',
      label: 'Stirred well',
      kind: 'choice',
      start: '',
      options: { '': 'not said', yes: 'yes', no: 'no' }
    },
    {
      id: 'strained',
      label: 'Strained',
      kind: 'choice',
      start: '',
      options: { '': 'not said', yes: 'yes', no: 'no' }
    }
  ],
  run: ({ n, maybe, t }) => {
    const yes = (v: string) => (v === '' ? undefined : v === 'yes');
    const likely = n('expected');
    const hasFruit = t('fruit') !== 'no';
    const v = whyThisReading({
      sg: n('sg'),
      tempC: maybe('temp'),
      calibratedC: 20,
      expected: {
        low: likely - (hasFruit ? 0.004 : 0.0015),
        likely,
        high: likely + (hasFruit ? 0.004 : 0.0015)
      },
      noneGiven: hasFruit ? (maybe('none') ?? likely + 0.012) : likely,
      shareGiven: t('fruit') === 'fresh' ? 0.3 : 0.9,
      hasFruit,
      withoutSugar: Math.min(likely, 1 + (likely - 1) * 0.15),
      mixedH: n('hours'),
      pitchedH: maybe('yeast'),
      wasHeated: t('heat') === 'yes',
      stirred: yes(t('stirred')),
      strained: yes(t('strained'))
    });
    const points = Math.round(1000 * (n('sg') - likely));
    return {
      big: `${points > 0 ? '+' : '−'}${Math.abs(points)}`,
      says: v.isFine
        ? 'points: nothing out of the ordinary.'
        : `points${v.cannotBeSugar ? ', more than all the sugar in it could read' : ''}. ${v.suspects[0]!.says}`,
      table: v.suspects.map((s): [string, string, string] => [
        s.says,
        `${Math.min(99, Math.max(1, Math.round(100 * s.weight)))} %`,
        s.test
      ]),
      workings: [
        'Each cause is weighed by how often it is met and how well it fits the reading. In a batch it knows more: what went in, when, and how far the fruit has given.'
      ]
    };
  }
};
