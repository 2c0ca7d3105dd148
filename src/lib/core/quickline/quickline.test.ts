import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountOf, type Ingredient } from '../plan/plan';
import { commandSchema, type Command, type CommandKind } from './command';
import type { Context } from './context';
import { parse } from './parse';
import { say } from './say';
import { ROWS, type Meant, type Row } from './phrases.fixture';
import { tries } from '../../tries.fixture';

const WINES = ['Quince', 'Elderberry', 'Old plum', 'Young plum'];
const STIRRED = ['Elderberry', 'Old plum'];
const idOf = (name: string) => `w-${name}`;
export const contextOf = (row: Pick<Row, 'country' | 'nowhere'>): Context => ({
  now: Date.parse('2026-11-26T14:00:00Z'),
  zone: 'Europe/Lisbon',
  mass: 'kg',
  volume: 'L',
  temp: row.country === 'metric' ? 'C' : 'F',
  country: row.country ?? 'us',
  wines: WINES.map((name) => ({
    id: idOf(name),
    name,
    startedAt: Date.parse('2026-11-12T20:00:00Z'),
    fits: (kind) => kind !== 'stir' || STIRRED.includes(name)
  })),
  hereId: row.nowhere ? null : idOf('Quince'),
  vessels: [
    { id: 'green', name: 'green jar', capacityL: 5 },
    { id: 'bucket', name: 'white bucket', capacityL: 15 }
  ],
  own: []
});

const idOfItem = (i: Ingredient): string =>
  'produceId' in i
    ? `produce:${i.produceId}`
    : 'sugarId' in i
      ? `sugar:${i.sugarId}`
      : 'acidId' in i
        ? `acid:${i.acidId}`
        : 'additiveId' in i
          ? `additive:${i.additiveId}`
          : i.kind;
const near = (a: number, b: unknown): boolean =>
  b === 't' || (typeof b === 'number' && Math.abs(a - b) <= Math.max(1e-9, 1e-3 * b));

/** Whether a command is what a row means; null, or what is otherwise. */
function differs(c: Command | undefined, meant: Meant, row: Row): string | null {
  if (!c) return 'nothing';
  const { batch, items, item, lots, to, bottles, type, from, page, form, ...plain } = meant as Record<
    string,
    unknown
  > & {
    items?: [string, unknown][];
  };
  const cc = c as Record<string, unknown>;
  for (const [k, v] of Object.entries(plain)) {
    const is = cc[k];
    const same =
      typeof v === 'number'
        ? typeof is === 'number' && near(is, v)
        : JSON.stringify(is) === JSON.stringify(v);
    if (!same) return `${k}: ${JSON.stringify(is)}`;
  }
  if (batch !== undefined && cc.batchId !== idOf(batch as string)) return `batch: ${String(cc.batchId)}`;
  if (batch === undefined && !row.nowhere && 'batchId' in cc && cc.batchId !== idOf('Quince'))
    return `batch: ${String(cc.batchId)}`;
  const list = (found: unknown, want: unknown) => {
    const [f, w] = [found as Ingredient[], want as [string, unknown?][]];
    return f?.length === w.length &&
      w.every(
        ([id, n], i) =>
          (idOfItem(f[i]!) === id || idOfItem(f[i]!) === `produce:${id}`) &&
          (n === undefined || near(amountOf(f[i]!), n))
      )
      ? null
      : JSON.stringify(f?.map((i) => [idOfItem(i), amountOf(i)]));
  };
  if (items) {
    const wrong = list(cc.items, items);
    if (wrong) return `items: ${wrong}`;
  }
  if (lots) {
    const wrong = list(cc.lots, lots);
    if (wrong) return `lots: ${wrong}`;
  }
  if (item !== undefined && Array.isArray(item)) {
    const wrong = list([cc.item], [item]);
    if (wrong) return `item: ${wrong}`;
  } else if (typeof item === 'string' && idOfItem(cc.item as Ingredient) !== item)
    return `item: ${JSON.stringify(cc.item)}`;
  if (to !== undefined) {
    if (typeof to === 'string') {
      if (cc.to !== to) return `to: ${String(cc.to)}`;
    } else {
      const want = (to as (string | number)[][]).map(([a, b, out]) =>
        typeof a === 'number'
          ? { sizeL: b, ...(out === undefined ? {} : { volumeL: out }) }
          : { vesselId: 'green', ...(b === undefined ? {} : { volumeL: b }) }
      );
      const found = cc.to as Record<string, unknown>[];
      const ok =
        found?.length === want.length &&
        want.every(
          (w, i) =>
            Object.entries(w).every(([k, v]) =>
              typeof v === 'number' ? near(found[i]![k] as number, v) : found[i]![k] === v
            ) && Object.keys(found[i]!).length === Object.keys(w).length
        );
      if (!ok) return `to: ${JSON.stringify(found)}`;
    }
  }
  if (bottles) {
    const want = (bottles as number[][]).map(([count, sizeL]) => ({ count, sizeL, type: type ?? 'still' }));
    if (JSON.stringify(cc.bottles) !== JSON.stringify(want)) return `bottles: ${JSON.stringify(cc.bottles)}`;
  }
  if (from !== undefined && (c.kind === 'blend' ? cc.fromBatchId !== idOf(from as string) : cc.from !== from))
    return `from: ${JSON.stringify(cc)}`;
  if (page !== undefined && cc.page !== page) return `page: ${String(cc.page)}`;
  if (
    form !== undefined &&
    cc.form !== form &&
    (cc.lots as { form?: string }[] | undefined)?.[0]?.form !== form
  )
    return `form: ${JSON.stringify(cc)}`;
  // Nothing that was not meant is in it.
  const known = new Set([
    ...Object.keys(meant),
    'batchId',
    'items',
    'item',
    'lots',
    'to',
    'bottles',
    'fromBatchId',
    'primingGL',
    'form'
  ]);
  const more = Object.keys(cc).filter((k) => !known.has(k));
  return more.length > 0 ? `more: ${more.map((k) => `${k} ${JSON.stringify(cc[k])}`).join()}` : null;
}

/** null where a phrase is read as it is meant; else how it is read. */
export function verdict(text: string, row: Row): { right: boolean; silent: boolean; how: string } {
  const got = parse(text, contextOf(row));
  const meant = Array.isArray(row.meant) ? row.meant : [row.meant];
  const asked = meant.length === 1 && 'ask' in meant[0]! ? meant[0] : null;
  const how = JSON.stringify(
    got.asks.length > 0
      ? { asks: got.asks.map((a) => `${a.about}: ${a.text}`), commands: got.commands }
      : got.commands
  );
  if (asked)
    return { right: got.asks.some((a) => a.about === asked.ask), silent: got.asks.length === 0, how };
  if (got.asks.length > 0) return { right: false, silent: false, how };
  if (got.commands.length !== meant.length) return { right: false, silent: true, how };
  const wrong = meant.map((m, i) => differs(got.commands[i], m, row)).filter(Boolean);
  return { right: wrong.length === 0, silent: true, how: `${wrong.join(' ')} ${how}` };
}

describe('a vessel as it is called', () => {
  const base = contextOf({});
  const ctx: Context = {
    ...base,
    volume: 'us-gal',
    wines: [
      { id: 'apple', name: 'Apple' },
      { id: 'quince', name: 'Quince' }
    ],
    hereId: 'apple',
    vessels: [
      { id: 'carboy', name: '3 US gal carboy', capacityL: 11.9, wineId: 'apple' },
      { id: 'jar', name: '2 US gal jar', capacityL: 7.8, wineId: 'apple' },
      { id: 'green', name: 'green jar', capacityL: 5, wineId: 'quince' },
      { id: 'empty', name: '5 US gal carboy', capacityL: 19 }
    ]
  };
  const where = (line: string) => {
    const { commands, asks } = parse(line, ctx);
    return asks.length > 0
      ? 'asks'
      : commands.map((c) => `${c.kind} ${(c as { vesselId?: string }).vesselId}`);
  };

  it('asks which of two that are called alike, and each answer is that one', () => {
    const two = {
      ...ctx,
      vessels: [
        { id: 'one', name: '1 US gal jar', capacityL: 3.94, wineId: 'apple' },
        { id: 'two', name: '1 US gal jar 2', capacityL: 3.94, wineId: 'apple' },
        { id: 'small', name: '12 US fl oz bottle', capacityL: 0.37, wineId: 'apple' },
        { id: 'other', name: '1 US gal carboy', capacityL: 3.94, wineId: 'quince' }
      ]
    };
    for (const line of [
      '1.000 in the 1 gal jar',
      'bottled 5 x 750 from the 1 gal jar',
      '2 campden in the 1 gal jar',
      '2 campden in the jar',
      'topped up the 1 gal jar from the 12 oz bottle'
    ]) {
      const { asks } = parse(line, two);
      expect(
        asks.map((x) => x.about),
        line
      ).toEqual(['vessel']);
      expect(
        asks[0]!.choices.map((x) => x.label),
        line
      ).toEqual(['1 US gal jar', '1 US gal jar 2']);
      for (const [i, choice] of asks[0]!.choices.entries()) {
        const [command, ...more] = parse(choice.line, two).commands as { vesselId?: string; to?: unknown }[];
        const at = command!.to ?? command!.vesselId;
        const id = ['one', 'two'][i];
        expect([at, more], choice.line).toEqual([command!.to ? [{ vesselId: id }] : id, []]);
      }
    }
    expect(parse('1.000 in the jar', two)).toMatchObject({ asks: [], commands: [{ sg: 1 }] });
    // The wine of the page, where it has one that is called so.
    expect(parse('2 campden in the 12 oz bottle', two).commands).toMatchObject([{ vesselId: 'small' }]);
  });

  it.each([
    ['1.012 in 3 gal', ['reading carboy']],
    ['1.012 in the 3 gal carboy', ['reading carboy']],
    ['1012 in the carboy', ['reading carboy']],
    ['pH 3.4 in 2 gal', ['reading jar']],
    ['1.012 at 60 F in the 2 gal jar', ['reading jar']],
    ['2 campden into the carboy', ['addition carboy']],
    ['5 bubbles a minute in the carboy', ['observation carboy']],
    ['bottled 10 from the 2 gal jar', ['bottle jar']],
    ['1.012 in 3 gal and 1.010 in 2 gal', ['reading carboy', 'reading jar']],
    // Where nothing of that name or size stands, or two could be meant, nothing is guessed.
    ['1.012 in 4 gal', 'asks'],
    ['1.012 in the 3 gal jar', 'asks'],
    ['1.012 in the 3 gal demijohn', ['reading carboy']],
    ['topped up the 3 gal demijohn from the 2 gal jug', ['transfer jar']],
    ['1.012 in the jar', ['reading undefined']],
    ['1.012 and 1.010 in 2 gal', 'asks'],
    // What goes in by volume is a plan or an amount, and no vessel.
    ['9 lb plums in 3 gal', 'asks'],
    ['2 campden in 3 gal', 'asks'],
    // `2 US gal jar` is no part of `1.2 us gal jar`.
    ['1.012 in the 1.2 us gal jar', 'asks']
  ])('%s', (line, meant) => expect(where(line)).toEqual(meant));

  it('a jar of another size is a new one, though its last figures are those of a known one', () => {
    expect(parse('racked into the 1.5 us gal carboy', ctx)).toMatchObject({
      asks: [],
      commands: [{ kind: 'transfer', to: [{ sizeL: 1.5 * 3.785411784 }] }]
    });
  });

  it.each([
    'moved to the demijohn, left 200 ml',
    'racked it into a clean jar, lost 200 ml',
    'racked, lost 200 ml'
  ])(
    'a racking into what nobody named names the empty ones, and each of them is a whole line: %s',
    (line) => {
      const { asks } = parse(line, ctx);
      expect(asks.map((a) => a.choices.map((c) => c.label))).toEqual([['5 US gal carboy']]);
      expect(parse(asks[0]!.choices[0]!.line, ctx)).toMatchObject({
        asks: [],
        commands: [{ kind: 'transfer', to: [{ vesselId: 'empty' }], lossL: 0.2 }]
      });
    }
  );

  it.each([
    ['strained through a sieve', 'fruit-out'],
    ['strained it through the fine muslin', 'fruit-out'],
    ['fed it 200 g honey', 'addition'],
    ['gave it 200 g of sugar', 'addition'],
    ['put it in the 5 gallon carboy', 'transfer'],
    ['gave 3 bottles to the neighbours', 'open']
  ])('as it is said in a kitchen: %s', (line, kind) => {
    expect(parse(line, ctx)).toMatchObject({ asks: [], commands: [{ kind }] });
  });

  it.each([
    ['pitched half a teaspoon of wine yeast', 0.5],
    ['pitched ½ tsp yeast', 0.5],
    ['a teaspoon of yeast in', 1],
    ['pitched one and a half teaspoons of dry yeast', 1.5],
    ['1 1/2 tsp champagne yeast pitched', 1.5],
    ['pitched a quarter of a teaspoon of ale yeast', 0.25]
  ])('yeast by the spoon: %s', (line, spoons) => {
    const { commands, asks } = parse(line, ctx);
    const one = parse('pitched 1 tsp yeast', ctx).commands[0] as { massG: number };
    expect(asks).toEqual([]);
    expect(commands).toMatchObject([
      { kind: 'pitch', massG: expect.closeTo(spoons * one.massG, 6) as number }
    ]);
  });

  it.each([
    ['bottled 20 12oz crown caps', [20, 0.355, 'crown']],
    ['bottled 12 x 22 oz swing tops', [12, 0.651, 'swing']],
    ['bottled 6 25.4 fl oz', [6, 0.751, 'still']],
    ['bottled 20 12-ounce crown caps from the 2 gal jar', [20, 0.355, 'crown']]
  ])('bottles by the ounce are fluid ounces: %s', (line, [count, sizeL, type]) => {
    const { commands, asks } = parse(line, ctx);
    expect(asks).toEqual([]);
    expect(commands).toMatchObject([{ kind: 'bottle', bottles: [{ count, sizeL, type }] }]);
  });

  it('on a wine’s page its own jar may be meant, though another wine’s is called just so: it is asked', () => {
    const twin: Context = {
      ...ctx,
      volume: 'L',
      vessels: [
        { id: 'tall', name: 'tall 5 L jar', capacityL: 5.2, wineId: 'apple' },
        { id: 'plain', name: '5 L jar', capacityL: 5.2, wineId: 'quince' }
      ]
    };
    const { asks } = parse('0.993 in the 5 l jar', twin);
    expect(asks).toMatchObject([{ about: 'vessel' }]);
    const meant = asks[0]!.choices.map(({ line }) => {
      const read = parse(line, twin);
      expect(read.asks).toEqual([]);
      return read.commands;
    });
    expect(meant).toMatchObject([
      [{ kind: 'reading', sg: 0.993, batchId: 'apple', vesselId: 'tall' }],
      [{ kind: 'reading', sg: 0.993, batchId: 'quince', vesselId: 'plain' }]
    ]);
    // On no wine's page, and on that wine's own, the name is enough.
    for (const hereId of [null, 'quince'])
      expect(parse('0.993 in the 5 l jar', { ...twin, hereId })).toMatchObject({
        commands: [{ batchId: 'quince', vesselId: 'plain' }],
        asks: []
      });
  });

  it.each(['old 5 l jar sg 1.008', '5 l old', '2 kg little', '1 l dark'])(
    'a word inside another, or one that only says how a thing is, names nothing: %s',
    (line) => {
      const { commands, asks } = parse(line, { ...ctx, vessels: [] });
      expect(commands.filter((c) => c.kind === 'addition')).toEqual([]);
      expect(asks).not.toEqual([]);
    }
  );
  it.each([
    ['racked both jars into the 5 us gal carboy', { each: true }],
    ['racked everything into the 5 us gal carboy', { each: true }],
    ['put both jars together in the 5 us gal carboy', { each: true }],
    ['racked all of it to the 5 us gal carboy', { each: true }],
    ['put both jugs back together in the 5 us gal carboy', { each: true }],
    [
      'racked the 2 us gal jar and the 3 us gal carboy into the 5 us gal carboy',
      { vesselIds: ['carboy', 'jar'] }
    ],
    ['racked the 2 us gal jar into the 5 us gal carboy', { vesselId: 'jar' }]
  ])('%s', (line, out) => {
    const { commands, asks } = parse(line, ctx);
    expect(asks).toEqual([]);
    expect(commands).toEqual([{ kind: 'transfer', batchId: 'apple', to: [{ vesselId: 'empty' }], ...out }]);
    expect(parse(say(commands[0]!, ctx), ctx).commands).toEqual(commands);
  });
  it('what went in without its amount is asked for, with the usual dose to take', () => {
    const wines = [{ id: 'apple', name: 'Apple', usualG: (id: string) => (id === 'campden' ? 1.32 : 3) }];
    const line = (text: string) =>
      parse(text, { ...ctx, wines }).asks.flatMap((a) => a.choices.map((c) => c.line));
    expect(line('campden in')).toEqual(['3 tablets campden in']);
    expect(line('added the enzyme')).toEqual(['added the 1 tsp enzyme']);
    for (const text of [...line('campden in'), ...line('added the enzyme'), ...line('enzyme')])
      expect(parse(text, { ...ctx, wines }), text).toMatchObject({
        commands: [{ kind: 'addition' }],
        asks: []
      });
  });
  it('boiling water is water', () => {
    expect(parse('5 lb sugar in 1.5 uk gal boiling water', ctx).commands).toMatchObject([
      { kind: 'addition', items: [{ kind: 'sugar' }, { kind: 'water' }] }
    ]);
  });
  it('a scrap of a word names no fruit', () => {
    for (const line of ['1.012 in', '2 in 3 gal', 'it 3 gal', '3 in', '1 lb in'])
      for (const c of parse(line, ctx).commands) expect(JSON.stringify(c)).not.toContain('produceId');
  });
});

describe('the quick line', () => {
  it('reads what people say, asks what it does not, and gets none wrong in silence', () => {
    const all = ROWS.flatMap((row) => row.says.map((text) => ({ text, row, ...verdict(text, row) })));
    const wrong = all.filter((x) => !x.right);
    const silent = wrong.filter((x) => x.silent);
    const list = (xs: typeof all) => xs.map((x) => `${x.text} → ${x.how}`).join('\n');
    console.log(
      `${all.length} phrases, ${all.length - wrong.length} right, ${silent.length} wrong in silence\n${list(wrong)}`
    );
    expect(list(silent)).toBe('');
    expect(wrong.length / all.length).toBeLessThan(0.05);
  });
});

const ctx = contextOf({ nowhere: true, country: 'metric' });
const item = (i: object) => i as Ingredient;
const fig = (min: number, max: number, digits: number) =>
  fc
    .integer({ min: Math.ceil(min * 10 ** digits), max: Math.floor(max * 10 ** digits) })
    .map((x) => x / 10 ** digits);
const kg = fig(0.002, 90, 3);
const litres = fig(0.05, 90, 2);
const ITEMS = fc.oneof(
  fc
    .tuple(
      fc.constantFrom('plum', 'gooseberry', 'rhubarb', 'elderberry'),
      kg,
      fc.constantFrom('kg', 'g', 'lb')
    )
    .map(([produceId, massKg, unit]) => item({ kind: 'produce', produceId, form: 'fresh', massKg, unit })),
  fc
    .tuple(fc.constantFrom('white', 'brown'), kg)
    .map(([sugarId, massKg]) => item({ kind: 'sugar', sugarId, massKg, unit: 'kg' })),
  kg.map((massKg) => item({ kind: 'honey', massKg, unit: 'kg' })),
  litres.map((volumeL) => item({ kind: 'water', volumeL, unit: 'L' })),
  fc
    .tuple(fc.constantFrom('tartaric', 'citric', 'acid-blend'), fig(0.001, 0.09, 4))
    .map(([acidId, massKg]) => item({ kind: 'acid', acidId, massKg, unit: 'g' })),
  fc
    .tuple(fc.constantFrom('nutrient', 'bentonite', 'sorbate', 'tannin'), fig(0.001, 0.09, 4))
    .map(([additiveId, massKg]) => item({ kind: 'additive', additiveId, massKg, unit: 'g' })),
  fc
    .integer({ min: 1, max: 20 })
    .map((count) =>
      item({ kind: 'additive', additiveId: 'campden', massKg: count * 0.00044, unit: 'tablets' })
    )
);
const LISTED = fc.array(ITEMS, { minLength: 1, maxLength: 4 });
const WHERE = { batchId: fc.constantFrom(...WINES.map(idOf)) };
const WHEN = {
  at: fc.integer({ min: 1, max: 60 * 24 * 90 }).map((m) => new Date(ctx.now - m * 60_000).toISOString())
};
const WORDY = fc
  .array(fc.constantFrom('sharp', 'thin', 'Moved', '3 kg', 'next', 'door,', 'to', 'Plum', '(old)'), {
    minLength: 1,
    maxLength: 6
  })
  .map((w) => w.join(' '));
const of = (
  kind: string,
  fields: Record<string, fc.Arbitrary<unknown>>,
  needs: string[]
): fc.Arbitrary<Command> =>
  fc.record(
    { kind: fc.constant(kind), ...WHERE, ...WHEN, ...fields },
    { requiredKeys: ['kind', 'batchId', ...needs] as never }
  ) as never;
/** Of each kind, all that it can hold. */
const EVERY: Record<CommandKind, fc.Arbitrary<Command>> = {
  reading: of(
    'reading',
    {
      sg: fig(0.98, 1.16, 4),
      tempC: fig(4, 39, 1),
      ph: fig(2.5, 5, 2),
      taGL: fig(2, 14, 2),
      freeSo2MgL: fig(1, 80, 0),
      sugarGL: fig(0, 30, 1),
      residueSg: fig(0.99, 1.05, 3),
      volumeL: litres
    },
    ['sg']
  ),
  place: of(
    'place',
    { name: fc.constantFrom('shed', 'cellar', 'airing cupboard', 'under the stairs'), tempC: fig(2, 30, 1) },
    ['name']
  ),
  observation: of(
    'observation',
    {
      bubbles: fc.record({ count: fc.integer({ min: 1, max: 90 }), seconds: fig(1, 300, 1) }),
      cap: fc.constantFrom('up', 'falling', 'fallen'),
      foam: fc.constantFrom('none', 'some', 'over'),
      taste: fc.constantFrom('dry', 'a-little-sweet', 'sweet'),
      clarity: fc.constantFrom('cloudy', 'hazy', 'clear'),
      smell: fc.constantFrom('clean', 'eggs', 'vinegar', 'flat'),
      surface: fc.constantFrom('film', 'mould', 'clean'),
      tempC: fig(5, 40, 1),
      stillDays: fc.integer({ min: 1, max: 60 })
    },
    ['clarity']
  ),
  addition: of('addition', { items: LISTED }, ['items']),
  'top-up': of('top-up', { item: litres.map((volumeL) => item({ kind: 'water', volumeL, unit: 'L' })) }, []),
  'make-up': of('make-up', { toL: litres }, ['toL']),
  steep: of(
    'steep',
    {
      items: fc.constant([item({ kind: 'additive', additiveId: 'oak', massKg: 0.02, unit: 'g' })]),
      days: fc.integer({ min: 1, max: 90 })
    },
    ['items']
  ),
  'steep-out': of('steep-out', {}, []),
  pitch: of(
    'pitch',
    {
      yeastId: fc.constantFrom('champagne', 'red-fruit', 'ale', 'wine', 'wild'),
      massG: fig(0.5, 40, 1),
      how: fc.constantFrom('dry', 'rehydrated', 'starter')
    },
    []
  ),
  blend: fc.record({
    kind: fc.constant('blend' as const),
    batchId: fc.constant(idOf('Quince')),
    fromBatchId: fc.constantFrom(idOf('Elderberry'), idOf('Old plum')),
    volumeL: litres
  }),
  stir: of('stir', {}, []),
  'fruit-out': of('fruit-out', { press: fc.constantFrom('drip', 'squeeze', 'press'), volumeL: litres }, [
    'press'
  ]),
  transfer: of(
    'transfer',
    {
      to: fc.oneof(
        fc.array(
          litres.map((sizeL) => ({ sizeL })),
          { minLength: 1, maxLength: 4 }
        ),
        fc.tuple(
          fc.constant({ vesselId: 'green' }),
          litres.map((sizeL) => ({ sizeL }))
        ),
        fc.tuple(
          litres.map((volumeL) => ({ vesselId: 'bucket', volumeL })),
          fc.tuple(litres, litres).map(([sizeL, volumeL]) => ({ sizeL, volumeL }))
        )
      ),
      lossL: litres
    },
    ['to']
  ),
  loss: fc.oneof(
    of('loss', { volumeL: litres, how: fc.constantFrom('spilt', 'boiled-off', 'poured-away') }, [
      'volumeL',
      'how'
    ]),
    of('loss', { how: fc.constantFrom('spilt', 'poured-away', 'drunk') }, ['how'])
  ),
  sample: of('sample', { volumeL: litres, returned: fc.boolean() }, ['volumeL', 'returned']),
  bottle: of(
    'bottle',
    {
      bottles: fc
        .tuple(
          fc.constantFrom('still', 'crown', 'sparkling'),
          fc.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.constantFrom(0.375, 0.5, 0.75, 1.5)), {
            minLength: 1,
            maxLength: 3
          })
        )
        .map(([type, list]) => list.map(([count, sizeL]) => ({ count, sizeL, type }))),
      primingGL: fig(1, 25, 1)
    },
    ['bottles']
  ),
  open: fc.oneof(
    of(
      'open',
      { count: fc.integer({ min: 1, max: 20 }), found: fc.constantFrom('still', 'fizzy', 'gushing') },
      ['count']
    ),
    of(
      'open',
      {
        count: fc.integer({ min: 1, max: 20 }),
        how: fc.constant('given'),
        to: fc.constantFrom('the neighbours', 'Ada', 'my aunt')
      },
      ['count', 'how']
    )
  ),
  note: of('note', { text: WORDY, nextTime: fc.constant(true) }, ['text']),
  tasting: of(
    'tasting',
    { text: WORDY.map((t) => `${t} and so on`), liking: fc.integer({ min: 1, max: 5 }) },
    ['text']
  ),
  step: of(
    'step',
    {
      step: fc.constantFrom(
        'crush',
        'finings',
        'rack-1',
        'rack-2',
        'stabilise',
        'sweeten',
        'bottle',
        'fruit-out'
      ),
      outcome: fc.constantFrom('skipped')
    },
    ['step', 'outcome']
  ),
  'no-stem': of('no-stem', {}, []),
  timer: fc.record({
    kind: fc.constant('timer' as const),
    ...WHERE,
    minutes: fc.integer({ min: 1, max: 600 })
  }),
  'weigh-in': fc.record(
    {
      kind: fc.constant('weigh-in' as const),
      lots: fc.array(
        fc
          .tuple(fc.constantFrom('plum', 'gooseberry', 'rhubarb'), kg)
          .map(([produceId, massKg]) =>
            item({ kind: 'produce', produceId, form: 'fresh', massKg, unit: 'kg' })
          ),
        { minLength: 1, maxLength: 3 }
      ),
      ...WHEN
    },
    { requiredKeys: ['kind', 'lots'] }
  ),
  plan: fc.record(
    { kind: fc.constant('plan' as const), items: LISTED, volumeL: litres, abv: fig(5, 18, 1) },
    { requiredKeys: ['kind', 'items'] }
  ),
  go: fc.oneof(
    fc.record({ kind: fc.constant('go' as const), ...WHERE }),
    fc.record({
      kind: fc.constant('go' as const),
      page: fc.constantFrom('today', 'harvest', 'bench', 'almanac', 'settings')
    })
  ),
  undo: fc.constant({ kind: 'undo' as const }),
  away: fc.integer({ min: 2, max: 200 }).map((n) => {
    const day = (d: number) => new Date(ctx.now + d * 86_400_000).toISOString().slice(0, 10);
    return { kind: 'away' as const, from: day(n), to: day(n + 7) };
  }),
  set: fc.record({
    kind: fc.constant('set' as const),
    name: fc.constantFrom('nutrient mix', 'five powders', 'finish'),
    line: fc.constantFrom('1 tsp nutrient and 2 tsp acid blend', '3 campden')
  }),
  question: fc.oneof(
    fc.record({
      kind: fc.constant('question' as const),
      ...WHERE,
      about: fc.constantFrom('strength', 'safe', 'next', 'done', 'volume', 'gravity')
    }),
    fc.record({
      kind: fc.constant('question' as const),
      about: fc.constant('sugar' as const),
      volumeL: litres,
      abv: fig(5, 18, 1)
    }),
    fc.record({
      kind: fc.constant('question' as const),
      about: fc.constant('dose' as const),
      item: fc.constant(item({ kind: 'additive', additiveId: 'nutrient', massKg: 0 })),
      volumeL: litres
    })
  )
};

/** The same to a part in a thousand million: pounds do not divide evenly. */
const alike = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number'
    ? Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a))
    : typeof a === 'object' && a !== null && typeof b === 'object' && b !== null
      ? Object.keys(a).sort().join() === Object.keys(b).sort().join() &&
        Object.keys(a).every((k) => alike(a[k as never], b[k as never]))
      : a === b;

describe('a command said and read again', () => {
  for (const kind of Object.keys(EVERY) as CommandKind[])
    it(`is the same: ${kind}`, () => {
      fc.assert(
        fc.property(EVERY[kind], (command) => {
          const line = say(command, ctx);
          const { commands, asks } = parse(line, ctx);
          if (asks.length > 0 || commands.length !== 1 || !alike(commands[0], command))
            throw new Error(
              `${line}\n${JSON.stringify(command)}\n${JSON.stringify(commands)} ${JSON.stringify(asks)}`
            );
        }),
        { numRuns: tries(25, 600) }
      );
    });

  it('is of its schema', () => {
    for (const row of ROWS)
      for (const text of row.says)
        for (const c of parse(text, contextOf(row)).commands) commandSchema.parse(c);
  });
});

describe('the clock on the wall', () => {
  it('takes a part of today that is to come for now, of its wine, and asks of any other day to come', () => {
    const evening = parse('stirred this evening', contextOf({}));
    expect(evening).toEqual({ commands: [{ kind: 'stir', batchId: idOf('Quince') }], asks: [] });
    expect(parse('stirred tomorrow evening', contextOf({})).asks[0]!.about).toBe('when');
  });
  it('is that of the zone, over midnight and a change of the clocks', () => {
    const in_ = (zone: string, now: string): Context => ({ ...contextOf({}), zone, now: Date.parse(now) });
    // Half past nine in the morning of the 27th in Auckland, still the 26th in Greenwich.
    const [off] = parse('put off racking 3 days', in_('Pacific/Auckland', '2026-11-26T20:30:00Z')).commands;
    expect(off).toMatchObject({ until: '2026-11-29T20:00:00.000Z' });
    // Clocks go back in Lisbon on 25 October 2026: eight in the evening of the day before is summer time.
    const [read] = parse('yesterday 8pm sg 1.040', in_('Europe/Lisbon', '2026-10-25T14:00:00Z')).commands;
    expect(read).toMatchObject({ at: '2026-10-24T19:00:00.000Z' });
    const [ago] = parse('30 hours ago 1.040', in_('Europe/Lisbon', '2026-10-25T14:00:00Z')).commands;
    expect((ago as { at?: string }).at ?? '').toMatch(/^2026-10-24/);
  });
});

describe('what goes in together', () => {
  const sets = [{ name: 'nutrient mix', line: '1 tsp nutrient and 2 g dap' }];
  const items = (line: string) => {
    const { commands, asks } = parse(line, { ...contextOf({}), sets });
    expect(asks, line).toEqual([]);
    return (commands[0] as { items: Ingredient[] }).items.map((i) => idOfItem(i));
  };
  it('is kept by a line, and named in others', () => {
    const kept = parse('my nutrient mix is 1 tsp nutrient and 2 g dap', contextOf({}));
    expect(kept.commands).toEqual([{ kind: 'set', ...sets[0] }]);
    for (const line of [
      'my nutrient mix',
      'added my nutrient mix',
      '+ nutrient mix',
      'added the nutrient mix'
    ])
      expect(items(line), line).toEqual(['additive:nutrient', 'additive:dap']);
    expect(items('3 campden and my nutrient mix')).toEqual([
      'additive:campden',
      'additive:nutrient',
      'additive:dap'
    ]);
    // With an amount it is the thing of that name.
    expect(items('5 g nutrient mix')).toEqual(['additive:nutrient']);
    expect(parse('my brew is 3 g blorptium', contextOf({})).asks[0]!.text).toContain('blorptium');
  });
});

describe('any line at all', () => {
  const SCRAPS = ROWS.flatMap((r) => r.says).flatMap((t) => t.split(' '));
  it('is read without a fault, and keeps to what a command may hold', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.array(fc.constantFrom(...SCRAPS), { maxLength: 9 }).map((w) => w.join(' ')),
          fc.string({ unit: 'grapheme', maxLength: 80 })
        ),
        (text) => {
          const { commands } = parse(text, ctx);
          for (const c of commands) commandSchema.parse(c);
        }
      ),
      { numRuns: tries(400, 20_000) }
    );
  });
});

describe('a wine that is named behind what is said, on another wine’s page', () => {
  const here = contextOf({});
  const deeds = (line: string, ctx = here) =>
    parse(line, ctx).commands.map((c) => `${'batchId' in c ? c.batchId : ''} ${c.kind}`);
  it.each(['1.012, elderberry stirred', '1.012; elderberry: stirred', '1.012 and elderberry is clear'])(
    'is asked about: %s',
    (line) => {
      const { commands, asks } = parse(line, here);
      expect(commands).toEqual([]);
      expect(asks[0]!.choices.map((c) => c.line)).toEqual([`quince: ${line}`, `elderberry: ${line}`]);
      // Either answer leads out, and writes both.
      for (const { line: way } of asks[0]!.choices) expect(parse(way, here).commands).toHaveLength(2);
      expect(deeds(asks[0]!.choices[0]!.line)[0]).toMatch(/^w-Quince/);
      expect(deeds(asks[0]!.choices[1]!.line)[0]).toMatch(/^w-Elderberry/);
      expect(parse(line, { ...here, hereId: null }).asks).toEqual([]);
    }
  );
  it('is not asked about where it is this one, or where the name stands first', () => {
    expect(deeds('1.012, quince stirred')).toEqual(['w-Quince reading', 'w-Quince stir']);
    expect(deeds('elderberry 1.012, stirred')).toEqual(['w-Elderberry reading', 'w-Elderberry stir']);
    expect(deeds('elderberry stirred, quince 1.012')).toEqual(['w-Elderberry stir', 'w-Quince reading']);
  });
});
