import { describe, expect, it } from 'vitest';
import { puzzleOf } from '../belief/puzzle';
import { whyThisReading } from '../belief/detective';
import { RULES } from '../cautions/rules';
import { checkBottling } from '../finish/judge';
import { questionsAbout } from '../ledger/check';
import { foldBatch } from '../ledger/run';
import { evaluate } from '../must/evaluate';
import { differences } from '../must/recipe';
import { METHODS } from '../plan/methods';
import { randomProblem } from '../solve/problems.fixture';
import { solvePlan } from '../solve/solve';
import { swapsFor } from '../solve/swaps';
import { brewCards } from '../steps/brew';
import { effectOf } from '../steps/effect';
import { schedule } from '../steps/schedule';
import { sheetOf } from '../steps/sheet';
import { stagesOf } from '../steps/stages';
import { stepsOf } from '../steps/steps';
import { DOSES, slipText } from '../tables/doses';
import { optionsOf, SCHOOL_IDS } from '../tables/schools';
import { SWEETENERS } from '../tables/sweeteners';
import { InputError } from '../units/input-error';
import { METRIC, plain, spoken, type SayUnits } from '../units/say';
import { VESSEL_PRESETS } from '../vessels/vessels';
import { extremeHistory } from './extreme.fixture';
import { tries } from '../../tries.fixture';

const US: SayUnits = { mass: 'lb', volume: 'us-gal', temp: 'F' };
const UK: SayUnits = { mass: 'lb', volume: 'uk-gal', temp: 'C' };
/** Measures of the other systems, as they are said. A vessel's own name is its own. */
const FOREIGN: [SayUnits | null, RegExp][] = [
  [null, /\d\s?(lb|oz|US (gal|qt|fl oz)|UK (gal|pt|fl oz)|°F)\b/],
  [US, /\d\s?(kg|L|mL|°C|litres?)(?![\w/])|kg (of \w+ )?a litre|UK gal\b/],
  [UK, /\d\s?(kg|L|mL|°F|litres?)(?![\w/])|kg (of \w+ )?a litre|US gal\b/]
];
const VESSEL_NAMES = new RegExp(VESSEL_PRESETS.map((v) => v.name).join('|'), 'g');

/** Every string in a value. */
function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (value && typeof value === 'object') return Object.values(value).flatMap(textsIn);
  return [];
}

function foreignIn(texts: readonly string[], systems = FOREIGN): string[] {
  const wrong = new Set<string>();
  for (const text of texts)
    for (const [units, foreign] of systems) {
      const said = (units ? spoken(text, units) : plain(text)).replace(VESSEL_NAMES, '');
      if (foreign.test(said)) wrong.add(said);
      if (/[\uE000\uE001]/.test(said)) wrong.add(`a mark is left: ${said}`);
    }
  return [...wrong];
}

describe('every sentence of the core, in metric, US and UK measures', () => {
  it('of the tables', () => {
    const tables = [
      Object.values(RULES).map((r) => [r.title, r.text, r.ask]),
      SCHOOL_IDS.map((id) => optionsOf(id)),
      METHODS.map((m) => [m.name, m.why]),
      Object.values(DOSES).map((d) => d.why),
      (Object.keys(DOSES) as (keyof typeof DOSES)[]).map((id) => slipText(id, 900, 12.5)),
      Object.values(SWEETENERS).map((s) => s.note)
    ];
    expect(foreignIn(textsIn(tables))).toEqual([]);
  });

  it('of plans: what is assumed, what gave way, ways out, stages, cards, steps, what a school changes', () => {
    const said: unknown[] = [];
    let last = randomProblem(1);
    for (let seed = 1; seed <= tries(12, 200); seed++) {
      const asked = randomProblem(seed);
      const { plan, gaveWay } = solvePlan(asked);
      const { estimate, likely } = evaluate(plan);
      said.push(
        estimate.assumptions,
        gaveWay.map((g) => g.text),
        swapsFor(asked, gaveWay).map((s) => [s.label, s.note]),
        stepsOf(plan),
        brewCards(plan, 'bucket').map((c) => [c.title, c.how, c.waits]),
        effectOf(plan, 'wildYeast', 'heat'),
        effectOf(plan, 'press', 'press'),
        [VESSEL_PRESETS[0]!, VESSEL_PRESETS[3]!].flatMap((v) =>
          stagesOf(
            plan,
            likely,
            v,
            VESSEL_PRESETS.map((vessel) => ({ vessel, freeAt: null })),
            0
          ).map((s) => s.text)
        )
      );
      // Amounts per litre are given per gallon in the other systems.
      for (const of of FOREIGN) expect(foreignIn(differences(last, plan, of[0] ?? METRIC), [of])).toEqual([]);
      last = plan;
    }
    const texts = textsIn(said);
    expect(texts.length).toBeGreaterThan(1000);
    expect(foreignIn(texts)).toEqual([]);
  });

  it('of a sheet: in its own measures, with no mark left', () => {
    for (let seed = 1; seed <= tries(6, 100); seed++)
      for (const [units, foreign] of FOREIGN.slice(1)) {
        const { ingredients: _, ...sheet } = sheetOf(solvePlan(randomProblem(seed)).plan, 'bucket', units!);
        for (const text of textsIn([sheet.makes, sheet.steps, sheet.schools])) {
          expect(text).not.toMatch(foreign);
          expect(text).not.toMatch(/[\uE000\uE001]/);
        }
      }
  });

  it('of batches: what is asked, what a reading may mean, what a bottle could hold, what is to do', () => {
    const said: unknown[] = [];
    for (let seed = 1; seed <= tries(8, 200); seed++) {
      const log = extremeHistory(seed);
      const at = Date.parse(log.at(-1)!.at);
      for (let n = 2; n < log.length; n += 3)
        try {
          said.push(questionsAbout(log[0]!.batchId, log.slice(0, n), [log[n]!]));
        } catch (e) {
          if (e instanceof InputError) said.push(e.marked);
        }
      const s = foldBatch(log, at);
      if (!s) continue;
      said.push(schedule(s).map((d) => d.why));
      for (const type of ['still', 'crown'] as const) {
        const check = checkBottling(s, type, 6, false);
        said.push(check?.verdict.text, check?.reachable.why);
      }
      for (const sg of [0.99, 1.04, 1.12]) {
        const puzzle = puzzleOf(log, { sg, tempC: 31 }, at, 20);
        if (puzzle) said.push(whyThisReading(puzzle).suspects.map((x) => [x.says, x.test]));
      }
    }
    const texts = textsIn(said);
    expect(texts.length).toBeGreaterThan(150);
    expect(foreignIn(texts)).toEqual([]);
  });
});
