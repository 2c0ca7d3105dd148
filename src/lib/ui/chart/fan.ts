import type { Ahead, Forecast } from '$core/belief/forecast';

const DAY = 86_400_000;
/** A fan shows this many days at least and at most, and ends a little after it has come to rest. */
const LEAST = 7;
const MOST = 60;
const REST_DAYS = 5;
const REST_SG = 0.0015;

/** Days that a fan is worth showing: until what is likely has all but stopped falling. */
export function spanOf({ days }: Pick<Forecast, 'days'>): number {
  const end = days.at(-1)!.sg.likely;
  const rest = days.find((d) => d.sg.likely - end < REST_SG)?.d ?? MOST;
  return Math.min(days.length - 1, MOST, Math.max(LEAST, rest + REST_DAYS));
}

const EDGE = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, tension: 0.3 };

/** The fan as lines for the chart: the 8-in-10 band, the half band within it, and the likeliest course. */
export function fanOf({ days }: Pick<Forecast, 'days'>, fromMs: number, span: number, colour: string) {
  const shown = days.slice(0, span + 1);
  const line = (pick: (d: Ahead) => number) => shown.map((d) => ({ x: fromMs + d.d * DAY, y: pick(d) }));
  const tint = (share: number) => `color-mix(in oklab, ${colour} ${share}%, transparent)`;
  return [
    { ...EDGE, label: 'eight in ten', data: line((d) => d.sg.high) },
    { ...EDGE, label: 'eight in ten', data: line((d) => d.sg.low), fill: '-1', backgroundColor: tint(16) },
    { ...EDGE, label: 'half of them', data: line((d) => d.sgHalf.high) },
    {
      ...EDGE,
      label: 'half of them',
      data: line((d) => d.sgHalf.low),
      fill: '-1',
      backgroundColor: tint(24)
    },
    likelyOf({ days }, fromMs, span, colour)
  ];
}

/** The likeliest course alone, as a line. */
export const likelyOf = ({ days }: Pick<Forecast, 'days'>, fromMs: number, span: number, colour: string) => ({
  ...EDGE,
  label: 'likely',
  data: days.slice(0, span + 1).map((d) => ({ x: fromMs + d.d * DAY, y: d.sg.likely })),
  borderWidth: 2,
  borderColor: colour,
  borderDash: [5, 4]
});
