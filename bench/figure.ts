import { writeFileSync } from 'node:fs';
import { forecastPlan } from '../src/lib/core/belief/forecast';
import { stockAt } from '../src/lib/core/liquid/stock';
import type { Plan } from '../src/lib/core/plan/plan';

/**
 * Draws docs/ferment.svg: the 8-in-10 band from the pitch alone, and what country winemakers tell of such ferments.
 * @source common practice, as ranges: the same as in belief/forecast.test.ts
 */
const must = (sg: number, yeastId: 'wine' | 'red-fruit', nutrientG = 8): Plan => {
  const { solidsKg, waterKg } = stockAt(10, sg);
  return {
    ingredients: [
      { kind: 'sugar', sugarId: 'white', massKg: solidsKg },
      { kind: 'water', volumeL: waterKg / 0.9982 },
      { kind: 'additive', additiveId: 'nutrient', massKg: nutrientG / 1000 }
    ],
    yeast: { yeastId },
    nutrient: 'none'
  };
};
const SERIES = [
  {
    name: '1.090, general wine yeast, 22 °C',
    plan: must(1.09, 'wine'),
    tempC: 22,
    days: 30,
    told: [
      [7, 1.0, 1.02],
      [10, 0.996, 1.01],
      [28, 0.986, 0.998]
    ]
  },
  {
    name: '1.140, a yeast to 16 %, 21 °C',
    plan: must(1.14, 'red-fruit'),
    tempC: 21,
    days: 48,
    told: [
      [13, 1.028, 1.042],
      [45, 1.018, 1.034]
    ]
  }
] as const;

const [W, H, LEFT, TOP] = [360, 250, 52, 34];
const AT = Date.parse('2026-05-01T10:00:00Z');
const draw = ({ name, plan, tempC, days, told }: (typeof SERIES)[number], n: number): string => {
  const { days: ahead } = forecastPlan(plan, AT, days + 1, { tempC }, 1500)!;
  const top = plan.ingredients[0]!.kind === 'sugar' && n === 1 ? 1.15 : 1.1;
  const x = (d: number) => LEFT + (d / days) * (W - LEFT - 14);
  const y = (sg: number) => TOP + ((top - sg) / (top - 0.98)) * (H - TOP - 34);
  // Days count from the yeast, which goes in on the second day.
  const from = ahead.slice(1);
  const line = (pick: (a: (typeof from)[number]) => number) =>
    from.map((a, i) => `${x(i).toFixed(1)},${y(pick(a)).toFixed(1)}`);
  const band = (low: (a: (typeof from)[number]) => number, high: (a: (typeof from)[number]) => number) =>
    `<polygon points="${[...line(high), ...line(low).reverse()].join(' ')}"/>`;
  const ticks = [0.98, 1, 1.02, 1.04, 1.06, 1.08, 1.1, 1.12, 1.14].filter((s) => s <= top);
  return `<g transform="translate(${n * W} 0)">
<text x="${LEFT}" y="20" font-weight="bold">${name}</text>
${ticks.map((s) => `<path d="M${LEFT} ${y(s).toFixed(1)}H${W - 14}" stroke="#d9cdb4"/><text x="${LEFT - 6}" y="${(y(s) + 4).toFixed(1)}" text-anchor="end">${s.toFixed(3)}</text>`).join('\n')}
<g fill="#4b6b1c" fill-opacity=".16">${band(
    (a) => a.sg.low,
    (a) => a.sg.high
  )}${band(
    (a) => a.sgHalf.low,
    (a) => a.sgHalf.high
  )}</g>
<polyline points="${line((a) => a.sg.likely).join(' ')}" fill="none" stroke="#4b6b1c" stroke-width="2" stroke-dasharray="5 4"/>
${told.map(([d, low, high]) => `<path d="M${x(d).toFixed(1)} ${y(low).toFixed(1)}V${y(high).toFixed(1)}" stroke="#2a1a2c" stroke-width="5"/>`).join('\n')}
${[0, days / 3, (2 * days) / 3, days].map((d) => `<text x="${x(d).toFixed(1)}" y="${H - 12}" text-anchor="middle">${Math.round(d)} d</text>`).join('\n')}
</g>`;
};
writeFileSync(
  'docs/ferment.svg',
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SERIES.length * W} ${H + 22}" font-family="sans-serif" font-size="12" fill="#2a1a2c">
<rect width="100%" height="100%" fill="#f4ecda"/>
${SERIES.map(draw).join('\n')}
<text x="${LEFT}" y="${H + 12}">Green: half and eight in ten of the possible wines, from the pitch alone. Bars: what winemakers tell of such ferments.</text>
</svg>
`
);
