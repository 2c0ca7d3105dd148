import { describe, expect, it } from 'vitest';
import { amountOf, type Ingredient } from '../plan/plan';
import { tries } from '../../tries.fixture';
import { mulberry32 } from '../maths/draw';
import { isOfWine, type Command } from './command';
import type { Context } from './context';
import { parse } from './parse';
import { SAID } from './said.fixture';

const NOW = Date.parse('2026-11-26T14:00:00Z');
const ctx: Context = {
  now: NOW,
  zone: 'Europe/Lisbon',
  mass: 'kg',
  volume: 'L',
  temp: 'F',
  country: 'us',
  wines: ['Quince', 'Elderberry', 'Parsnip', 'Plum'].map((name) => ({
    id: name,
    name,
    startedAt: NOW - 14 * 86_400_000
  })),
  hereId: 'Quince',
  vessels: [
    { id: 'green', name: 'green jar', capacityL: 5 },
    { id: 'bucket', name: 'white bucket', capacityL: 15, isOpen: true }
  ],
  own: []
};

const n = (x: number, digits = 3): string => String(Number(x.toPrecision(digits)));
const itemText = (i: Ingredient): string =>
  `${'produceId' in i ? i.produceId : 'sugarId' in i ? i.sugarId : 'acidId' in i ? i.acidId : 'additiveId' in i ? i.additiveId : i.kind} ${n(amountOf(i))}`;
const list = (items: readonly Ingredient[]) => items.map(itemText).join(',');

/** A command in the words of the fixture. */
function told(c: Command): string {
  const some = (...parts: (string | false | undefined)[]) => parts.filter(Boolean).join(' ');
  switch (c.kind) {
    case 'reading':
      return some(
        'read',
        c.sg !== undefined && c.sg.toFixed(3),
        c.tempC !== undefined &&
          (Number.isInteger(c.tempC) && c.tempC !== 20
            ? `${c.tempC}C`
            : c.tempC === 20
              ? '20C'
              : `${n((c.tempC * 9) / 5 + 32)}F`),
        c.ph !== undefined && `ph${c.ph}`,
        c.taGL !== undefined && `ta${c.taGL}`,
        c.volumeL !== undefined && `vol${c.volumeL}`
      );
    case 'observation': {
      const { kind: _k, batchId: _b, at: _a, vesselId: _v, ...seen } = c;
      return `see ${Object.entries(seen)
        .map(
          ([k, v]) =>
            `${k}=${k === 'bubbles' ? `${c.bubbles!.count}/${c.bubbles!.seconds}` : k === 'tempC' ? c.tempC!.toFixed(1) : String(v)}`
        )
        .join(' ')}`;
    }
    case 'addition':
      return `add ${list(c.items)}`;
    case 'top-up':
      return `top-up ${c.item ? itemText(c.item) : 'gas'}`;
    case 'pitch':
      return some('pitch', c.yeastId, c.massG !== undefined && `${n(c.massG)}g`, c.how, c.name);
    case 'place':
      return some('stands', c.name, c.tempC !== undefined && `${n(c.tempC)}C`);
    case 'fruit-out':
      return `fruit-out ${c.press}`;
    case 'transfer': {
      const poured = (volumeL: number | undefined) => (volumeL === undefined ? '' : `(${n(volumeL)})`);
      const to = c.back
        ? `back${poured(c.back.volumeL)}`
        : c.to
            .map(
              (t) =>
                `${t.vesselId ?? `${n(t.sizeL!, 4)}L${t.shape ? `-${t.shape}` : ''}`}${poured(t.volumeL)}`
            )
            .join(',');
      const rest = c.rest === 'none' ? 'all' : c.rest;
      return some('rack', to, c.lossL !== undefined && `lost ${n(c.lossL)}`, rest);
    }
    case 'bottle':
      return some(
        'bottle',
        c.bottles.map((b) => b.count).join('+'),
        c.bottles[0]!.type,
        c.primingGL !== undefined && `${c.primingGL.toFixed(1)}g/L`
      );
    case 'open':
      return some('open', String(c.count), c.found);
    case 'loss':
      return some('lost', c.volumeL === undefined ? 'all' : n(c.volumeL), c.how);
    case 'sample':
      return `sample ${n(c.volumeL)}`;
    case 'note':
      return `note ${c.text}`;
    case 'tasting':
      return `taste ${c.text}`;
    case 'step':
      return `${c.outcome === 'skipped' ? 'skip' : c.outcome} ${c.step}`;
    case 'weigh-in':
      return `${c.isMove ? `freeze ${list(c.lots)}` : some('weigh', list(c.lots), c.form)}${c.note ? ` + note ${c.note}` : ''}`;
    case 'plan':
      return some(
        'plan',
        list(c.items),
        c.volumeL !== undefined && `for ${n(c.volumeL, 4)}L`,
        c.abv !== undefined && `at ${c.abv}%`
      );
    default:
      return c.kind;
  }
}

/** With its wine where it is another, and how many days ago. */
function whole(c: Command): string {
  const of = c as { batchId?: string; at?: string };
  const days = of.at ? Math.round((NOW - Date.parse(of.at)) / 86_400_000) : 0;
  const where = isOfWine(c) && of.batchId !== 'Quince' ? ` @${of.batchId}` : '';
  return `${told(c)}${days > 0 ? ` ~${days}` : ''}${where}`;
}

/** What a line comes to, with what is left over kept as it is offered; `ask` where something has to be settled. */
function meaning(line: string): string {
  const got = parse(line, ctx);
  const [ask, ...more] = got.asks;
  if (ask?.keeps && more.length === 0) return meaning(ask.keeps);
  return got.asks.length > 0 ? 'ask' : got.commands.map(whole).join(' + ');
}
/** The parts of a meaning, in whatever order they were said. */
const parts = (m: string): string => m.split(' + ').sort().join(' + ');

const ALL = SAID.flatMap(([meant, ...lines]) => lines.map((line) => ({ meant, line })));

describe('what is said', () => {
  it('is what is written: 95 in a hundred are right, the rest is asked back, none is wrong in silence', () => {
    const wrong = ALL.filter(({ meant, line }) => parts(meaning(line)) !== parts(meant)).map((x) => ({
      ...x,
      got: meaning(x.line)
    }));
    const silent = wrong.filter((x) => x.got !== 'ask');
    console.log(
      `${ALL.length} lines, ${wrong.length} not right, ${silent.length} in silence\n${wrong.map((x) => `${x.line}\n   means ${x.meant}\n   got   ${x.got}`).join('\n')}`
    );
    expect(silent).toEqual([]);
    expect(wrong.length / ALL.length).toBeLessThan(0.05);
  });

  it('is written with an unknown word beside it, and the word is kept', () => {
    const GOOD = ALL.filter(
      ({ meant, line }) => meant !== 'ask' && !meant.includes('note') && parts(meaning(line)) === parts(meant)
    );
    const random = mulberry32(Number(process.env.SEED ?? 1));
    const lost = GOOD.filter(() => random() < tries(50, 100) / 100).flatMap(({ line, meant }) => {
      if (/^(?:undo|skip|taste)/.test(meant) || meant.includes('taste ')) return [];
      const got = meaning(`${line}, zibblewick`);
      const want = parts(meant);
      const kept = got.split(' + ').filter((x) => /zibblewick/.test(x));
      const rest = parts(
        got
          .split(' + ')
          .filter((x) => !/zibblewick/.test(x))
          .join(' + ')
      );
      return got === 'ask' || (kept.length === 1 && rest === want) ? [] : [`${line}: ${got}`];
    });
    expect(lost).toEqual([]);
  });

  it('is each of two things that are said in one line, or asked back', () => {
    const SINGLE = ALL.filter(
      ({ meant, line }) =>
        !/^(?:ask|plan|weigh|freeze|undo|note|taste|skip)|@|~/.test(meant) &&
        !meant.includes(' + ') &&
        parts(meaning(line)) === parts(meant)
    );
    const random = mulberry32(Number(process.env.SEED ?? 1));
    const pick = () => SINGLE[Math.floor(random() * SINGLE.length)]!;
    const lost: string[] = [];
    let [right, all] = [0, 0];
    for (let i = 0; i < tries(700, 20_000); i++) {
      const [a, b] = [pick(), pick()];
      // Two of one kind at one moment are one, or are asked about; sugar behind a bottling is for the bottles.
      const kind = (m: string) => m.split(' ')[0]!;
      const isWarmth =
        [a, b].some((x) => x.meant.startsWith('see tempC')) && [a, b].some((x) => x.meant.startsWith('read'));
      if (
        isWarmth ||
        kind(a.meant) === kind(b.meant) ||
        (kind(a.meant) === 'bottle' && /white|honey|sugar/.test(b.meant))
      )
        continue;
      all++;
      const got = meaning(`${a.line}; ${b.line}`);
      if (parts(got) === parts(`${a.meant} + ${b.meant}`)) right++;
      else if (got !== 'ask') lost.push(`${a.line}; ${b.line}: ${got}`);
    }
    console.log(`${right} of ${all} pairs are both written, the rest asked back`);
    expect(lost.slice(0, 20)).toEqual([]);
    expect(right / all).toBeGreaterThan(0.9);
  });

  it('a number in the name of a wine is no amount', () => {
    const numbered = {
      ...ctx,
      wines: ['Plum 1', 'Plum 2', 'Pear 2025', 'Quince'].map((name) => ({
        id: name,
        name,
        startedAt: NOW - 14 * 86_400_000
      }))
    };
    const of = (line: string) => {
      const { commands, asks } = parse(line, numbered);
      return asks.length > 0 ? `ask ${asks[0]!.text}` : commands.map(whole).join(' + ');
    };
    for (const [meant, ...lines] of [
      ['read 1.012 @Plum 2', 'plum 2 sg 1.012', 'sg 1.012 plum 2', 'Plum 2: 1.012', '1.012 in the plum 2'],
      ['read 1.040 @Pear 2025 + stir @Pear 2025', 'pear 2025 1.040, stirred', 'Pear 2025: 1.040 and stirred'],
      ['stir @Plum 1 + stir @Plum 2', 'stirred plum 1 and plum 2'],
      ['add plum 2', 'added 2 kg plums', 'plum 2 kg'],
      ['note the Pear 2025 smells of roses', 'note: the Pear 2025 smells of roses']
    ])
      for (const line of lines) expect(of(line), line).toBe(meant);
    // Which of two is asked with their names as they are; said of all, it is said of each once.
    expect(of('plum sg 1.012')).toMatch(/^ask .*(?:which|mean)/i);
    expect(of('stirred all')).toBe('stir @Plum 1 + stir @Plum 2 + stir @Pear 2025 + stir');
  });
});
