import { describe, expect, it } from 'vitest';
import { abvRange } from '../ferment/alcohol';
import { killsYeast, type Heat } from '../ferment/heat';
import { beliefOf } from '../belief/believe';
import { foldBatch } from '../ledger/run';
import { checkBottling } from './judge';
import { RATING_BAR, trueWine } from './true-wines.fixture';
import { tries } from '../../tries.fixture';

/** How many wines a second model makes; `bench/safety.ts` makes two thousand. */
const WINES = tries(110, 1000);

describe('the strength of wines that another model made', () => {
  it(
    'lies in its range about eight times in ten, once a wine has been read to its end',
    { timeout: 60_000 },
    () => {
      const held = new Map<string, [held: number, of: number]>();
      for (let seed = 1; seed <= 2 * WINES; seed++) {
        const wine = trueWine(seed);
        const s = foldBatch(wine.events, wine.at)!;
        for (const jar of wine.jars) {
          const fill = s.fills.find((f) => f.vesselId === jar.vesselId);
          if (!fill || !jar.isFinishedAndRead) continue;
          const { low, high } = abvRange(fill.stock, fill.unsureKg);
          const count = held.get(wine.fruitId) ?? [0, 0];
          held.set(wine.fruitId, [count[0] + Number(jar.abv >= low && jar.abv <= high), count[1] + 1]);
        }
      }
      const all = [...held.values()].reduce((a, b) => [a[0] + b[0], a[1] + b[1]] as [number, number], [0, 0]);
      // Stem, floor and volume are never left out, so it is a little wide where all went well.
      expect(all[0] / all[1]).toBeGreaterThan(0.8);
      expect(all[0] / all[1]).toBeLessThan(0.985);
      for (const [fruit, [h, n]] of held) if (n > 20) expect(h / n, fruit).toBeGreaterThan(0.78);
    }
  );
});

/**
 * Whether growing yeast outlives a bath: at 60 °C a tenth is left after half a minute, and each 5 °C counts ten times
 * (handbook figures of wine yeast, from memory); the thermometer reads two degrees high. Eight tenths of tenths are enough.
 */
const outlives = ({ coreC, minutes }: Heat): boolean => 2 * minutes * 10 ** ((coreC - 2 - 60) / 5) < 8;

describe('bottlings of wines that another model made', () => {
  it('heated in the bottle: none is let through whose yeast lives and would burst it; what was heated well is', () => {
    let [alive, well] = [0, 0];
    for (let seed = 1; seed <= WINES / 2; seed++) {
      const wine = trueWine(seed);
      const s = foldBatch(wine.events, wine.at)!;
      const heat = { coreC: 50 + ((seed * 7) % 20), minutes: 2 + ((seed * 13) % 45) };
      for (const jar of wine.jars) {
        const { verdict } = checkBottling(s, 'still', 0, jar.isClear, jar.vesselId, beliefOf(s), heat)!;
        const gas = jar.bar20 + 1.013 - (0.514 * jar.primingGL) / 1.44;
        if (outlives(heat) && gas - 1.013 > RATING_BAR.still + 1.5) {
          alive += 1;
          expect(verdict.level, `${seed} ${jar.vesselId}`).toBe('stop');
        }
        if (killsYeast(heat)) {
          well += 1;
          expect(outlives(heat)).toBe(false);
          expect(verdict.level).not.toBe('stop');
        }
      }
    }
    expect(alive).toBeGreaterThan(5);
    expect(well).toBeGreaterThan(5);
  });

  it(
    `${WINES} of them: none that would go over its rating by a bar and a half is let through; few finished ones are stopped`,
    { timeout: 60_000 },
    () => {
      const unsafe: string[] = [];
      let [bombs, finished, stopped, jars] = [0, 0, 0, 0];
      for (let seed = 1; seed <= WINES; seed++) {
        const wine = trueWine(seed);
        const s = foldBatch(wine.events, wine.at)!;
        expect(s.doubts.filter((d) => d.code === 'cannot-be-read')).toEqual([]);
        for (const jar of wine.jars) {
          jars += 1;
          const check = checkBottling(s, jar.bottle, jar.primingGL, jar.isClear, jar.vesselId, beliefOf(s))!;
          const isBomb = jar.bar20 > RATING_BAR[jar.bottle] + 1.5;
          if (isBomb) bombs += 1;
          if (isBomb && check.verdict.level !== 'stop')
            unsafe.push(
              `${seed} ${jar.vesselId} ${jar.bottle}: ${jar.bar20.toFixed(1)} bar, ${check.reachable.why}`
            );
          const isStill = jar.bottle === 'still' && jar.primingGL === 0;
          if (jar.isFinishedAndRead && isStill) {
            finished += 1;
            if (check.verdict.level === 'stop') {
              stopped += 1;
            }
          }
        }
      }
      if (WINES > 200)
        console.log(
          `bottlings: ${jars} jars of ${WINES} wines, ${bombs} bombs, ${unsafe.length} let through; ${stopped} of ${finished} finished and read stopped`
        );
      expect(unsafe).toEqual([]);
      expect(bombs).toBeGreaterThan(0.1 * jars);
      // One in twenty, and of so few what chance may add.
      const wanted = 0.05 * finished;
      expect(stopped).toBeLessThanOrEqual(WINES < 2000 ? wanted + 2 * Math.sqrt(wanted) : wanted);
    }
  );
});
