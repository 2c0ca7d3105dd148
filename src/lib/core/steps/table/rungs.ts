import { pitch, stir } from '../../commands/put';
import { isReadingAside, type BatchState } from '../../ledger/state';
import { CAMPDEN_TABLET_G, DOSES, yeastG } from '../../tables/doses';
import type { RUNG_IDS } from '../../tables/step-id';
import type { AdditiveId } from '../../tables/substances';
import { L_PER } from '../../units/measure';
import { doseL } from '../../ledger/will-hold';
import { defineStep, type StepDef } from './define';
import { intoAll } from './powder';
import { read } from './read';

/** Warm enough for any yeast to work, °C. Common practice. */
const WARM_C = 19.5;

/** When a temperature was first taken after a moment, ms, and was so. */
const feltAt = (s: BatchState, since: number, is: (tempC: number) => boolean) =>
  first(
    [...s.looks, ...s.readings].flatMap((x) =>
      x.tempC !== null && x.tempC !== undefined && is(x.tempC) ? [x.at] : []
    ),
    since
  );

/** The first of some moments after another; null where none is. */
const first = (all: readonly number[], since: number): number | null =>
  all.reduce<number | null>((a, at) => (at > since && (a === null || at < a) ? at : a), null);

/** When any of some powders last went in, ms. */
const powderAt = (s: BatchState, ...ids: AdditiveId[]): number | null =>
  ids.reduce<number | null>((last, id) => {
    const at = s.powdersG[id]?.at;
    return at === undefined ? last : Math.max(last ?? 0, at);
  }, null);

const rackedAt = (s: BatchState): number[] => s.rackings.map((r) => r.at);

/** One tablet for each US gallon. Common practice. */
const TABLET_GL = CAMPDEN_TABLET_G / L_PER['us-gal'];

/** What is done about a wine in trouble: how each is written down, and seen to be done. `steps/trouble` orders them. */
export const RUNGS: Record<(typeof RUNG_IDS)[number], StepDef> = {
  'read-again': defineStep({
    doneAt: (s, since = 0) =>
      first(
        (isReadingAside(s) ? s.looks : s.readings).map((r) => r.at),
        since
      ),
    form: 'read',
    otherwise: read.otherwise!
  }),
  // A temperature taken is what shows that it was done.
  warm: defineStep({ doneAt: (s, since = 0) => feltAt(s, since, (c) => c >= WARM_C), form: 'warmth' }),
  cool: defineStep({ doneAt: (s, since = 0) => feltAt(s, since, () => true), form: 'warmth' }),
  air: defineStep({
    doneAt: (s, since = 0) => first(s.stirs, since),
    deed: (s) => stir(s.id),
    tap: 'Stirred'
  }),
  food: defineStep({
    doneAt: (s) => powderAt(s, 'nutrient', 'dap', 'energizer'),
    isPut: true,
    puts: (s) => intoAll(s, [['nutrient', DOSES.nutrient.perL[1] / 2]]),
    tap: 'Nutrient in'
  }),
  hulls: defineStep({
    doneAt: (s) => powderAt(s, 'yeast-hulls'),
    isPut: true,
    puts: (s) => intoAll(s, [['yeast-hulls', DOSES['yeast-hulls'].perL[1]]]),
    tap: 'Hulls in'
  }),
  // A starter stands beside the wine: nothing is in it yet.
  'build-up': defineStep({ doneAt: () => null, tap: 'It foams' }),
  'fresh-yeast': defineStep({
    doneAt: (s, since = 0) =>
      first(
        s.pitches.map((p) => p.at),
        since
      ),
    isPut: true,
    deed: (s) =>
      pitch(s.id, { yeast: { yeastId: 'champagne' }, massG: 2 * yeastG(doseL(s)), how: 'starter' }),
    tap: 'Yeast in',
    form: 'pitch'
  }),
  'make-room': defineStep({
    doneAt: (s, since = 0) => first([...s.splits, ...rackedAt(s)], since),
    form: 'split'
  }),
  splash: defineStep({
    doneAt: (s, since = 0) => first(rackedAt(s), since),
    form: 'rack'
  }),
  cover: defineStep({
    doneAt: (s, since = 0) => first([...Object.values(s.toppedAt), ...rackedAt(s)], since),
    form: 'top-up'
  }),
  sulphite: defineStep({
    doneAt: (s) => powderAt(s, 'campden', 'metabisulphite'),
    isPut: true,
    puts: (s) => intoAll(s, [['campden', TABLET_GL]]),
    tap: 'Sulphite in'
  }),
  'spirit-test': defineStep({ doneAt: () => null, tap: 'Strings or jelly' }),
  'late-enzyme': defineStep({
    doneAt: (s) => powderAt(s, 'pectic-enzyme'),
    isPut: true,
    puts: (s) => intoAll(s, [['pectic-enzyme', DOSES['pectic-enzyme'].perL[2]]]),
    tap: 'Enzyme in'
  }),
  fine: defineStep({
    doneAt: (s) => powderAt(s, 'bentonite'),
    isPut: true,
    puts: (s) => intoAll(s, [['bentonite', DOSES.bentonite.perL[1]]]),
    tap: 'Bentonite in'
  })
};
