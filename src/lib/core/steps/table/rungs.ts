import { pitch, stir } from '../../commands/put';
import { isReadingAside, placeC, type BatchState } from '../../ledger/state';
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
    [...s.felt, placeC(s)].filter((f) => f !== null && is(f.tempC)).map((f) => f!.at),
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
    chore: {
      minutes: 5,
      takes: ['hydrometer and its jar'],
      isClean: true,
      ifLate: 'A guess takes the place of a figure.',
      lookFor: 'Spin the stem; twice the same is once right.'
    },

    doneAt: (s, since = 0) =>
      first(
        (isReadingAside(s) ? s.looks : s.readings).map((r) => r.at),
        since
      ),
    form: 'read',
    otherwise: read.otherwise!
  }),
  // A temperature taken is what shows that it was done.
  warm: defineStep({
    chore: {
      minutes: 5,
      takes: ['thermometer', 'blanket or a warmer place'],
      ifLate: 'Cold yeast falls asleep, and is harder to wake.',
      lookFor: 'Bubbles again within a day or two of warmth.'
    },
    doneAt: (s, since = 0) => feltAt(s, since, (c) => c >= WARM_C),
    form: 'warmth'
  }),
  cool: defineStep({
    chore: {
      minutes: 5,
      takes: ['thermometer', 'wet cloth or a cooler place'],
      ifLate: 'Hot yeast tires, and tastes of it.',
      lookFor: 'Slower, steadier bubbles by tomorrow.'
    },
    doneAt: (s, since = 0) => feltAt(s, since, () => true),
    form: 'warmth'
  }),
  air: defineStep({
    chore: {
      minutes: 3,
      takes: ['long spoon'],
      isClean: true,
      ifLate: 'After the first third of the sugar air does harm.',
      lookFor: 'A livelier hiss within hours.'
    },

    doneAt: (s, since = 0) => first(s.stirs, since),
    deed: (s) => stir(s.id),
    tap: 'Stirred'
  }),
  food: defineStep({
    chore: {
      minutes: 5,
      takes: ['nutrient', 'cup'],
      isClean: true,
      ifLate: 'Hungry yeast makes a smell of eggs, then stops.',
      lookFor: 'Foam at once, faster bubbles by tomorrow.'
    },

    doneAt: (s) => powderAt(s, 'nutrient', 'dap', 'energizer'),
    isPut: true,
    puts: (s) => intoAll(s, [['nutrient', DOSES.nutrient.perL[1] / 2]]),
    tap: 'Nutrient in'
  }),
  hulls: defineStep({
    chore: {
      minutes: 5,
      takes: ['yeast hulls', 'cup'],
      isClean: true,
      ifLate: 'What poisons the yeast stays in the wine.',
      lookFor: 'No more than a cloud; fresh yeast lives longer after it.'
    },

    doneAt: (s) => powderAt(s, 'yeast-hulls'),
    isPut: true,
    puts: (s) => intoAll(s, [['yeast-hulls', DOSES['yeast-hulls'].perL[1]]]),
    tap: 'Hulls in'
  }),
  // A starter stands beside the wine: nothing is in it yet.
  'build-up': defineStep({
    chore: {
      minutes: 20,
      takes: ['jar', 'yeast', 'sugar', 'some of the wine'],
      isClean: true,
      ifLate: 'Yeast thrown into strong wine dies within the hour.',
      lookFor: 'Froth on the jar before more of the wine goes in.'
    },
    doneAt: () => null,
    tap: 'It foams'
  }),
  'fresh-yeast': defineStep({
    chore: {
      minutes: 10,
      takes: ['the working starter'],
      isClean: true,
      ifLate: 'The longer it stands, the less it will take.',
      lookFor: 'Bubbles within two days.'
    },

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
    chore: {
      minutes: 20,
      takes: ['second vessel', 'siphon'],
      isClean: true,
      ifLate: 'Foam finds its way through the airlock to the ceiling.',
      lookFor: 'A third of the vessel free.'
    },

    doneAt: (s, since = 0) => first([...s.splits, ...rackedAt(s)], since),
    form: 'split'
  }),
  splash: defineStep({
    chore: {
      minutes: 25,
      takes: ['siphon', 'clean jar'],
      isClean: true,
      ifLate: 'The smell settles in, and then nothing takes it out.',
      lookFor: 'The smell of eggs is fainter at once.'
    },

    doneAt: (s, since = 0) => first(rackedAt(s), since),
    form: 'rack'
  }),
  cover: defineStep({
    chore: {
      minutes: 15,
      takes: ['like wine or boiled water', 'bung'],
      isClean: true,
      ifLate: 'A film lives on air; vinegar follows.',
      lookFor: 'Wine up to the neck, and no film a week later.'
    },

    doneAt: (s, since = 0) => first([...Object.values(s.toppedAt), ...rackedAt(s)], since),
    form: 'top-up'
  }),
  sulphite: defineStep({
    chore: {
      minutes: 5,
      takes: ['Campden tablets'],
      isClean: true,
      ifLate: 'What lives on the wine goes on.',
      lookFor: 'No film, no new haze within a week.'
    },

    doneAt: (s) => powderAt(s, 'campden', 'metabisulphite'),
    isPut: true,
    puts: (s) => intoAll(s, [['campden', TABLET_GL]]),
    tap: 'Sulphite in'
  }),
  'spirit-test': defineStep({
    chore: {
      minutes: 10,
      takes: ['a spoonful of wine', 'four of spirit', 'a glass'],
      ifLate: 'Without it you fine against the wrong haze.',
      lookFor: 'Strings or jelly mean pectin.'
    },
    doneAt: () => null,
    tap: 'Strings or jelly'
  }),
  'late-enzyme': defineStep({
    chore: {
      minutes: 5,
      takes: ['pectic enzyme'],
      isClean: true,
      ifLate: 'A pectin haze never falls by itself.',
      lookFor: 'Clearer within a week or two.'
    },

    doneAt: (s) => powderAt(s, 'pectic-enzyme'),
    isPut: true,
    puts: (s) => intoAll(s, [['pectic-enzyme', DOSES['pectic-enzyme'].perL[2]]]),
    tap: 'Enzyme in'
  }),
  fine: defineStep({
    chore: {
      minutes: 20,
      takes: ['bentonite', 'hot water', 'jug'],
      isClean: true,
      ifLate: 'Protein haze comes back with every warm day.',
      lookFor: 'A clear band at the top within days.'
    },

    doneAt: (s) => powderAt(s, 'bentonite'),
    isPut: true,
    puts: (s) => intoAll(s, [['bentonite', DOSES.bentonite.perL[1]]]),
    tap: 'Bentonite in'
  })
};
