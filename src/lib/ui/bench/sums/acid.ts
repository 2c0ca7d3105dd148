import { taFromTitration, TARTARIC_G_PER_EQ, waterIons } from '$core/liquid/acid';
import { acidityOf } from '$core/liquid/acidity';
import { mustOf, kindWays, taFromDrops, USUAL_TA, waysToReach } from '$core/must/adjust';
import { stockAt } from '$core/liquid/stock';
import { nitrogenNeed, nutrientPlan, type Appetite } from '$core/must/nitrogen';
import { ALKALINITY_UNITS, alkalinityMgL, waterWord, type AlkalinityUnit } from '$core/must/water';
import { gramsText } from '$core/units/format';
import { InputError } from '$core/units/input-error';
import { spoonText, TEASPOON_G } from '$core/tables/doses';
import { wayText } from '$lib/ui/plan/ways';
import type { Settings } from '$core/units/settings';
import type { Sum } from '../sum';

const litres = (s: Settings) => (s.volume === 'L' ? '10' : '2');

export const acid: Sum = {
  id: 'acid',
  title: 'Acid up or down',
  ask: 'How do I bring it to the acid I want, in grams, spoons or lemons?',
  words:
    'sharp sour flat deacidify acidify lower raise ta ph tartaric citric malic lemon bicarbonate chalk bring down too',
  fields: [
    { id: 'volume', label: 'Must or wine', kind: 'volume', start: litres },
    { id: 'ta', label: 'Titratable acid', kind: 'acid', start: '9.5' },
    { id: 'ph', label: 'pH', kind: 'ph', start: '3.1' },
    {
      id: 'by',
      label: 'Bring it to',
      kind: 'choice',
      start: 'ta',
      options: { ta: 'an acid, g/L', ph: 'a pH' }
    },
    {
      id: 'toTa',
      label: 'Acid wanted',
      kind: 'acid',
      start: String(USUAL_TA.fruit[1]),
      when: (t) => t.by === 'ta'
    },
    { id: 'toPh', label: 'pH wanted', kind: 'ph', start: '3.4', when: (t) => t.by === 'ph' },
    {
      id: 'main',
      label: 'Its main acid',
      kind: 'choice',
      start: 'malic',
      options: { malic: 'malic: most fruit', citric: 'citric: citrus, berries', tartaric: 'tartaric: grapes' }
    }
  ],
  run: ({ n, t }, s) => {
    const must = mustOf({
      volumeL: n('volume'),
      sg: 1.04,
      taGL: n('ta'),
      ph: n('ph'),
      acid: t('main') as 'malic'
    });
    const target = t('by') === 'ph' ? { ph: n('toPh') } : { taGL: n('toTa') };
    const ways = waysToReach(must, target, s.waterAlkalinityMgL);
    const now = acidityOf(must);
    const kind = kindWays(must, target, s.waterAlkalinityMgL);
    /** What the advice would stop at, short of this. */
    const over = (id: string): string => {
      const stops = kind.find((w) => w.id === id)?.stops ?? (kind.some((w) => w.id === id) ? null : 'ph');
      return stops === 'ph'
        ? ' Past what yeast and tongue bear: less, and to taste.'
        : stops === 'dose'
          ? ' Over twice the usual dose: in parts, tasting.'
          : '';
    };
    if (ways.length === 0)
      return {
        big: 'nothing',
        says: 'to do: it is there, or out of reach.',
        workings: [`Now ${now.taGL.toFixed(1)} g/L, pH ${now.ph.toFixed(2)}.`]
      };
    const first = wayText(ways[0]!, s);
    return {
      big: first.amount.split(',')[0]!,
      says: `of ${first.name.toLowerCase()}${first.amount.includes(',') ? ` (${first.amount.split(', ')[1]})` : ''}, or one of these.${over(ways[0]!.id)} Half first, taste, then the rest.`,
      table: ways.map((w): [string, string, string] => {
        const x = wayText(w, s);
        return [
          x.name,
          x.amount,
          `to ${w.after.taGL.toFixed(1)} g/L, pH ${w.after.ph.toFixed(2)}.${over(w.id)} ${x.note}`
        ];
      }),
      workings: [
        `A must that titrates to ${n('ta').toFixed(1)} g/L and stands at pH ${n('ph').toFixed(2)} holds acid and the base that fits both (charge balance, pH to the end point 8.2).`,
        'Each addition is put in and the balance solved anew. TA: 1 g/L as tartaric is 13.3 meq/L; 1.33 g of potassium bicarbonate or 0.67 g of chalk takes it away.'
      ]
    };
  }
};

export const titration: Sum = {
  id: 'titration',
  title: 'Titration and drop kits',
  ask: 'What acid is that, from millilitres of base or drops of a kit?',
  words: 'titrate naoh sodium hydroxide drops kit ta measure sulphuric per cent',
  fields: [
    {
      id: 'by',
      label: 'Measured with',
      kind: 'choice',
      start: 'base',
      options: { base: 'sodium hydroxide', drops: 'a drop kit' }
    },
    { id: 'ml', label: 'Base used, mL', kind: 'number', start: '7.2', when: (t) => t.by === 'base' },
    { id: 'strength', label: 'Its strength, N', kind: 'number', start: '0.1', when: (t) => t.by === 'base' },
    { id: 'sample', label: 'Sample, mL', kind: 'number', start: '10', when: (t) => t.by === 'base' },
    { id: 'drops', label: 'Drops', kind: 'number', start: '14', when: (t) => t.by === 'drops' },
    { id: 'each', label: 'g/L a drop', kind: 'number', start: '0.5', when: (t) => t.by === 'drops' }
  ],
  run: ({ n, t }) => {
    const byBase = t('by') === 'base';
    const ta = byBase
      ? taFromTitration(n('ml'), n('strength'), n('sample'))
      : taFromDrops(n('drops'), n('each'));
    return {
      big: `${ta.toFixed(1)} g/L`,
      says: `as tartaric.${ta > 20 || ta < 1.5 ? ' Ten times out? Check the strength of the base and the sample.' : ''}`,
      table: [
        ['Per cent', `${(ta / 10).toFixed(2)} %`],
        ['As sulphuric', `${(ta / 1.53).toFixed(1)} g/L`],
        ['As malic', `${((ta * 67.05) / TARTARIC_G_PER_EQ).toFixed(1)} g/L`],
        ['As citric', `${((ta * 64.04) / TARTARIC_G_PER_EQ).toFixed(1)} g/L`]
      ],
      workings: byBase
        ? [
            `${n('ml')} mL × ${n('strength')} N × ${TARTARIC_G_PER_EQ} ÷ ${n('sample')} mL. Drive the gas out first: it counts as acid.`
          ]
        : [`${n('drops')} drops × ${n('each')} g/L a drop, as the kit’s leaflet says.`]
    };
  }
};

export const nutrient: Sum = {
  id: 'nutrient',
  title: 'Nutrient',
  ask: 'How much nutrient, and when?',
  words: 'nitrogen yan dap yeast food feed staggered honey',
  fields: [
    { id: 'volume', label: 'Must', kind: 'volume', start: litres },
    { id: 'sg', label: 'Start, all sugar counted', kind: 'stem', start: '1.090' },
    {
      id: 'appetite',
      label: 'Yeast’s appetite',
      kind: 'choice',
      start: 'medium',
      options: { low: 'low', medium: 'medium', high: 'high' }
    },
    { id: 'has', label: 'It brings, mg/L', kind: 'number', start: '30' },
    {
      id: 'style',
      label: 'Given',
      kind: 'choice',
      start: 'staggered',
      options: { staggered: 'in four parts', 'at-once': 'at once' }
    }
  ],
  run: ({ n, t }) => {
    const must = { ...stockAt(n('volume'), n('sg')), nitrogenMg: n('has') * n('volume') };
    const plan = nutrientPlan(must, t('appetite') as Appetite, t('style') as 'staggered');
    if (!plan) throw new InputError('There is no sugar to ferment.', 'Give a gravity above 1.000.');
    const give = (mixG: number, dapG: number) =>
      [
        mixG > 0.05 ? `${gramsText(mixG)} mix (${spoonText(mixG, TEASPOON_G.nutrient)})` : '',
        dapG > 0.05 ? `${gramsText(dapG)} DAP (${spoonText(dapG, TEASPOON_G.dap)})` : ''
      ]
        .filter(Boolean)
        .join(', ') || 'nothing';
    const sugarGL = (1000 * must.hexoseKg) / n('volume');
    return {
      big: plan.shortMgL > 0 ? gramsText(plan.mixG) : 'none',
      says:
        plan.shortMgL > 0
          ? `of nutrient mix${plan.dapG > 0.05 ? ` and ${gramsText(plan.dapG)} of diammonium phosphate` : ''}${plan.missingMgL > 5 ? `; still ${plan.missingMgL.toFixed(0)} mg/L short at the most one gives` : ''}.`
          : 'wanted: it brings enough.',
      table: plan.feeds.map((f): [string, string, string] => [
        f.when,
        give(f.mixG, f.dapG),
        f.sg ? `at ${f.sg.toFixed(3)}` : ''
      ]),
      workings: [
        `${sugarGL.toFixed(0)} g/L of sugar × ${nitrogenNeed(1, t('appetite') as Appetite).toFixed(2)} mg a gram = ${plan.needMgL.toFixed(0)} mg/L wanted; ${n('has')} there.`,
        'Mix counted at 100 mg of nitrogen a gram, DAP at 212, no more than 0.96 g/L of it. None after a third of the sugar is gone.'
      ]
    };
  }
};

export const tapWater: Sum = {
  id: 'tap-water',
  title: 'Tap water',
  ask: 'How hard is my water, and what does it do to a must?',
  words: 'alkalinity hardness bicarbonate lime ph degrees chlorine',
  fields: [
    { id: 'value', label: 'Alkalinity', kind: 'number', start: (s) => String(s.waterAlkalinityMgL) },
    {
      id: 'unit',
      label: 'Given as',
      kind: 'choice',
      start: 'caco3',
      options: Object.fromEntries(Object.entries(ALKALINITY_UNITS).map(([id, u]) => [id, u.name]))
    }
  ],
  run: ({ n, t }) => {
    const mgL = alkalinityMgL(n('value'), t('unit') as AlkalinityUnit);
    const takes = waterIons(mgL).strongIon * TARTARIC_G_PER_EQ;
    return {
      big: `${mgL.toFixed(0)} mg/L`,
      says: `as CaCO₃: ${waterWord(mgL)}. It takes ${takes.toFixed(2)} g/L of acid.`,
      workings: [
        'Alkalinity matters, the water’s own pH does not.',
        `${mgL.toFixed(0)} mg/L ÷ 50.04 = ${(mgL / 50.045).toFixed(2)} meq/L, × 75.04 mg = ${takes.toFixed(2)} g/L as tartaric. Boiling drives part of it out as scale.`,
        'Chlorine goes by standing overnight, or with half a Campden tablet in a bucketful.'
      ]
    };
  }
};
