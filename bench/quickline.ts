import { commandSchema } from '../src/lib/core/quickline/command';
import { parse } from '../src/lib/core/quickline/parse';
import { ROWS } from '../src/lib/core/quickline/phrases.fixture';
import type { Context } from '../src/lib/core/quickline/context';

/**
 * 100,000 lines of scraps and noise: none throws, none is read as what no command may hold; and how long each takes. A
 * line that took over the budget is read again: what the machine did meanwhile is no part of its own time.
 */
const LINES = Number(process.env.LINES ?? 100_000);
const ctx: Context = {
  now: Date.parse('2026-11-26T14:00:00Z'),
  zone: 'Europe/Lisbon',
  mass: 'kg',
  volume: 'L',
  temp: 'C',
  country: 'us',
  wines: ['Quince', 'Elderberry', 'Old plum', 'Young plum'].map((name) => ({ id: name, name })),
  hereId: null,
  vessels: [{ id: 'green', name: 'green jar', capacityL: 5 }],
  own: []
};
let seed = Number(process.env.SEED ?? 1);
const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
const scraps = ROWS.flatMap((r) => r.says).flatMap((t) => t.split(' '));
const NOISE = [...'0123456789.,:;+-/%°½¼×()"\'éßж日🍇\u0000\u202e abcdefghijklmnopqrstuvwxyz'];
// What is loaded at the first time is not of a line's time.
for (let i = 0; i < 300; i++) parse(pick(ROWS).says[0]!, ctx);
const BUDGET_MS = 2;
/** What a line takes of the processor, ms: while the machine does something else no time of it goes by. */
const timed = (text: string): number => {
  const from = process.cpuUsage();
  parse(text, ctx);
  const { user, system } = process.cpuUsage(from);
  return (user + system) / 1000;
};
/**
 * The least of five tries: what else the machine does only ever adds to it. With other lines between them, so that what
 * is kept of the last words is no gift to it.
 */
const ownTime = (text: string, others: readonly string[]): number =>
  Math.min(
    ...Array.from({ length: 5 }, () => {
      for (const other of others) parse(other, ctx);
      return timed(text);
    })
  );
const lately: string[] = [];
const times: number[] = [];
let [bad, worst, read, over] = [0, ['', 0] as [string, number], 0, 0];
for (let i = 0; i < LINES; i++) {
  const text =
    random() < 0.7
      ? Array.from({ length: Math.floor(random() * 10) }, () => pick(scraps)).join(' ')
      : Array.from({ length: Math.floor(random() * 60) }, () => pick(NOISE)).join('');
  const from = performance.now();
  try {
    const { commands } = parse(text, ctx);
    let took = performance.now() - from;
    if (took > BUDGET_MS) {
      took = ownTime(text, lately);
      if (took > BUDGET_MS) over++;
    }
    times.push(took);
    if (lately.push(text) > 15) lately.shift();
    if (took > worst[1]) worst = [text, took];
    if (commands.some((c) => !commandSchema.safeParse(c).success)) {
      bad++;
      console.log(`no command: ${text}`);
    }
    if (commands.length > 0) read++;
  } catch (e) {
    bad++;
    console.log(`threw: ${JSON.stringify(text)}: ${String(e)}`);
  }
}
times.sort((a, b) => a - b);
const ms = (q: number) => times[Math.floor(q * (times.length - 1))]!.toFixed(2);
console.log(
  `quick line: ${LINES} lines, ${bad} faults, ${read} with a command; ${ms(0.5)} ms in the middle, ${ms(0.95)} ms at 95 %, ${ms(0.999)} ms at 99.9 %, slowest ${worst[1].toFixed(2)} ms (${JSON.stringify(worst[0])}); ${over} over ${BUDGET_MS} ms`
);
