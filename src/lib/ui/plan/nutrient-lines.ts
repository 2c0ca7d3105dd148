import type { Feed, NutrientPlan } from '$core/must/nitrogen';

/** A nutrient plan as lines to read. */
export const nutrientLines = (n: NutrientPlan, feedText: (f: Feed) => string): string[] => [
  `The must brings about ${n.hasMgL.toFixed(0)} mg/L of nitrogen; this yeast wants ${n.needMgL.toFixed(0)} for so much sugar.`,
  ...n.feeds.map((f) => `${f.when}${f.sg ? `, at ${f.sg.toFixed(3)}` : ''}: ${feedText(f)}.`),
  n.feeds.length > 0
    ? 'None later. Breaks are counted on all the sugar that is planned, fed in steps or not.'
    : 'It brings enough of its own.',
  ...(n.missingMgL > 5
    ? [
        `Still ${n.missingMgL.toFixed(0)} mg/L short at the most one gives: less sugar, or a yeast of smaller appetite.`
      ]
    : [])
];
