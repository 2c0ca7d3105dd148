import { describe, expect, it } from 'vitest';
import { tries } from '../../tries.fixture';
import { standingOf } from '../belief/standing';
import type { Deed } from '../commands/deed';
import { beginBatch } from '../commands/begin';
import { fillL } from '../ledger/fill';
import { batchesOf, type LedgerEvent } from '../ledger/log';
import { batchAt } from '../ledger/run';
import type { BatchState } from '../ledger/state';
import type { Stock } from '../liquid/stock';
import { mulberry32 } from '../maths/draw';
import { leftKg, lotOf, type HarvestLot } from '../plan/harvest';
import { amountOf, type Ingredient } from '../plan/plan';
import { fromStock } from '../plan/stock';
import { schedule } from '../steps/schedule';
import { quantityText } from '../units/format';
import { InputError } from '../units/input-error';
import { DEFAULT_SETTINGS, SYSTEMS, type Settings } from '../units/settings';
import { countryOf } from '../units/settings';
import { isOpenVessel, VESSEL_PRESETS, type Vessel } from '../vessels/vessels';
import { isOfWine, type OfWine } from './command';
import { asEvent, deedsOf } from './deed';
import type { Home } from './home';
import { parse } from './parse';

const T0 = Date.parse('2024-11-01T09:00:00Z');
const DAY = 86_400_000;
const FRUITS = ['plum', 'elderberry', 'blackberry', 'rhubarb', 'quince', 'gooseberry', 'pear', 'damson'];
const SYSTEM_IDS = ['metric', 'us', 'uk', 'mixed'] as const;

const massKg = (s: Stock) => s.waterKg + s.ethanolKg + s.solidsKg;
const sum = <T>(list: readonly T[], of: (x: T) => number) => list.reduce((n, x) => n + of(x), 0);
const standsL = (s: BatchState | null) => (s ? sum(s.fills, fillL) : 0);
const standsKg = (s: BatchState | null) => (s ? sum(s.fills, (f) => massKg(f.stock)) : 0);
const bottledL = (s: BatchState | null) =>
  s ? sum(s.bottled, (b) => sum(b.bottles, (x) => x.count * x.sizeL)) : 0;

/** What weighs in at once as it is: nothing of it is still held by fruit. */
const LIQUID_KINDS: ReadonlySet<string> = new Set(['sugar', 'honey', 'additive', 'acid']);

/**
 * A household of forty wines over two years, its measures changed each half year, lived by lines alone.
 * @returns what it wrote, refused and asked
 */
function live(seed: number) {
  const random = mulberry32(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const between = (low: number, high: number) => low + (high - low) * random();
  let made = 0;
  const newId = () => `01890000-0000-7000-8000-${String(++made).padStart(12, '0')}`;
  const vessels: Vessel[] = [1, 2, 3, 4, 5].flatMap((n) =>
    VESSEL_PRESETS.map((v) => (n === 1 ? v : { ...v, id: `${v.id}-${n}`, name: `${v.name} ${n}` }))
  );
  const log: LedgerEvent[] = [];
  const lots: HarvestLot[] = [];
  const names = new Map<string, string>();
  let settings: Settings = DEFAULT_SETTINGS;
  const counts = { written: 0, asked: 0, refused: 0, wines: 0 };

  const logs = new Map<string, LedgerEvent[]>();
  const of = (id: string) => logs.get(id) ?? [];
  /** As a wine stood when it was last looked at: what is asked here, the days do not change. */
  const seen = new Map<string, BatchState>();
  const look = (id: string, now: number) => {
    const s = batchAt(of(id), now)!;
    seen.set(id, s);
    return s;
  };
  const used = (lotId: string) =>
    sum(log, (e) =>
      e.type === 'addition'
        ? sum(e.data.ingredients, (i) => (i.kind === 'produce' && i.lotId === lotId ? i.massKg : 0))
        : 0
    );
  const inStock = () => lots.map((lot) => ({ lot, leftKg: leftKg(lot, used(lot.id)) }));

  /** One event, and whether it balances where and when it happened. */
  function book(e: LedgerEvent, line: string) {
    const at = Date.parse(e.at);
    const ids = batchesOf(e);
    const before = ids.map((id) => batchAt(of(id), at));
    log.push(e);
    for (const id of ids) logs.set(id, [...of(id), e]);
    const after = ids.map((id) => look(id, at));
    const moved = (of: (s: BatchState | null) => number) => sum(after, of) - sum(before, of);
    const what = `seed ${seed}: ${line} · ${e.type}`;
    if (e.type === 'blend') {
      // What one gives the other takes, to the gram.
      expect(Math.abs(moved(standsKg)), what).toBeLessThan(1e-6);
    } else if (e.type === 'addition') {
      if (e.data.ingredients.every((i) => LIQUID_KINDS.has(i.kind)))
        expect(moved(standsKg), what).toBeLessThanOrEqual(sum(e.data.ingredients, amountOf) + 1e-6);
      else expect(moved(standsKg), what).toBeGreaterThanOrEqual(-1e-9);
    } else if (e.type !== 'top-up' && e.type !== 'reading' && e.type !== 'fruit-out') {
      // To the millilitre: what does not stand there any more was bottled, lost, or drunk.
      const gone = moved(bottledL) + moved((s) => s?.lostL ?? 0);
      expect(Math.abs(moved(standsL) + gone), `${what}: ${moved(standsL)} L, ${gone} L gone`).toBeLessThan(
        0.001
      );
    }
  }

  /** All that is written, or nothing. */
  function write(deed: Deed, now: number, line: string) {
    let stock = inStock();
    for (const [i, d] of deed.entries()) {
      let bare = d;
      if (d.type === 'addition') {
        const found = fromStock(d.data.ingredients as Ingredient[], stock);
        bare = { ...d, data: { ...d.data, ingredients: found.items } } as typeof d;
        stock = stock.map((s) => ({ ...s, leftKg: s.leftKg - (found.takenKg.get(s.lot.id) ?? 0) }));
      }
      book(asEvent(bare, now, d.id ?? `${newId()}-${i}`), line);
    }
    counts.written += 1;
  }

  function balance(line: string) {
    // No vessel holds two wines, or more than it can.
    const holds = new Map<string, string>();
    for (const s of seen.values())
      for (const f of s.fills) {
        expect(holds.get(f.vesselId) ?? s.id, `seed ${seed}: ${line}: two wines in ${f.vesselId}`).toBe(s.id);
        holds.set(f.vesselId, s.id);
      }
    // Of each lot what was picked is what is left and what was used, and never more.
    for (const lot of lots) {
      const usedKg = used(lot.id);
      expect(usedKg, `seed ${seed}: ${line}`).toBeLessThanOrEqual(lot.massKg * 1.03 + 1e-9);
      if (Math.abs(leftKg(lot, usedKg) - Math.max(0, lot.massKg - usedKg)) > 1e-9)
        expect.fail(`${line}: ${lot.produceId}`);
    }
    for (const s of seen.values())
      for (const b of s.bottled) {
        expect(b.left + sum(b.gone, (g) => g.count)).toBe(b.count);
        expect(b.left).toBeGreaterThanOrEqual(0);
      }
  }

  const L = (litres: number) => quantityText(litres, settings.volume).toLowerCase();
  const kg = (x: number) => quantityText(x, settings.mass);

  /** Something that may be said of a wine as it stands. */
  function lineFor(s: BatchState): string {
    const there = standsL(s);
    const sg = between(0.992, 1.05).toFixed(3);
    return pick(
      there > 0.5
        ? [
            `sg ${sg}`,
            'stirred',
            `${kg(between(0.1, 0.6))} sugar`,
            `${kg(between(0.5, 2))} ${pick(FRUITS)}`,
            `added ${kg(between(0.3, 1.2))} ${pick(FRUITS)} and ${kg(0.3)} honey`,
            'yeast in',
            'fruit out',
            'racked to 5 l jar and 1 us gal jar',
            'racked to 10 l jar, that was all',
            `racked to 5 us gal carboy, lost ${L(between(0.05, 0.5))}`,
            'racked back into the same jar, washed',
            `spilt ${L(between(0.1, 0.8))}`,
            `drank a sample of ${L(0.1)}`,
            `sg ${sg}, spilt ${L(0.2)} and stirred`,
            `topped up with ${L(between(0.2, 0.5))} water`,
            'bottled 6',
            `bottled ${Math.max(1, Math.floor(there / 0.75))}, lost the rest`,
            `${L(between(0.3, 1))} of ${pick([...names.values()])} into the ${s.name}`,
            'poured it all away',
            'nutrient in'
          ]
        : ['opened one', 'drank two', 'gave away one', 'a bottle broke', 'tasted: round']
    );
  }

  for (let day = 0; day < 730; day += 1 + Math.floor(random() * 3)) {
    const now = T0 + day * DAY + Math.floor(random() * 3) * 3_600_000;
    settings = {
      ...DEFAULT_SETTINGS,
      ...SYSTEMS[SYSTEM_IDS[Math.floor(day / 183) % 4]!],
      system: SYSTEM_IDS[Math.floor(day / 183) % 4]!
    };
    if (random() < 0.25)
      lots.push(
        lotOf(
          newId(),
          { kind: 'produce', produceId: pick(FRUITS), massKg: between(1, 6) },
          {
            at: new Date(now).toISOString(),
            form: random() < 0.5 ? 'fresh' : 'frozen',
            weighed: 'bought'
          }
        )
      );
    const isUsed = (v: Vessel) => [...seen.values()].some((s) => s.fills.some((f) => f.vesselId === v.id));
    const free = vessels.filter((v) => !isUsed(v));
    if (counts.wines < 40 && day >= counts.wines * 17) {
      const bucket = free.find((v) => isOpenVessel(v) && v.capacityL >= 10);
      if (bucket) {
        const [batchId, fruit] = [newId(), pick(FRUITS)];
        const name = `${fruit[0]!.toUpperCase()}${fruit.slice(1)} ${++counts.wines}`;
        const ingredients: Ingredient[] = [
          { kind: 'produce', produceId: fruit, massKg: between(1, 3) },
          { kind: 'sugar', sugarId: 'white', massKg: between(0.8, 1.6) },
          { kind: 'water', volumeL: between(4, 6.5) }
        ];
        names.set(batchId, name);
        write(
          beginBatch({ batchId, plan: { ingredients }, name, vesselId: bucket.id, recipeId: null }),
          now,
          name
        );
        balance(name);
        continue;
      }
    }
    if (names.size === 0) continue;
    const wine = look(pick([...names.keys()]), now);
    const line = lineFor(wine);
    if (line.includes(' into the ')) for (const id of names.keys()) look(id, now);
    const states = [...seen.values()];
    const home: Home = {
      settings,
      vessels,
      free,
      wines: states.map((state) => ({
        id: state.id,
        state,
        get standing() {
          return standingOf(state);
        },
        get due() {
          return schedule(state);
        }
      })),
      now,
      newId
    };
    try {
      const { commands, asks } = parse(line, {
        now,
        zone: 'UTC',
        mass: settings.mass,
        volume: settings.volume,
        temp: settings.temp,
        country: countryOf(settings),
        wines: states.map((s) => ({ id: s.id, name: s.name, startedAt: s.startedAt })),
        hereId: wine.id,
        vessels: vessels.map((v) => {
          const inIt = states.find((s) => s.fills.some((f) => f.vesselId === v.id));
          return {
            id: v.id,
            name: v.name,
            capacityL: v.capacityL,
            isOpen: isOpenVessel(v),
            ...(inIt ? { wineId: inIt.id } : {})
          };
        }),
        own: []
      });
      if (asks.length > 0) {
        counts.asked += 1;
        continue;
      }
      const all = deedsOf(commands.filter(isOfWine) as OfWine[], home);
      vessels.push(...all.flatMap((w) => w.newVessels));
      for (const w of all) write(w.deed, now, line);
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      counts.refused += 1;
      continue;
    }
    balance(line);
  }
  return counts;
}

describe('the books of a household', () => {
  it('balance at every deed: what came in stands, was bottled, lost or drunk, to the millilitre and the gram', () => {
    for (let seed = 1; seed <= tries(1, 20); seed++) {
      const counts = live(seed);
      console.log(
        `seed ${seed}: ${counts.written} deeds, ${counts.asked} asked back, ${counts.refused} refused`
      );
      expect(counts.wines).toBe(40);
      expect(counts.written).toBeGreaterThan(150);
    }
  }, 120_000);
});
