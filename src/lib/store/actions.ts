import { correctReading } from '$core/liquid/hydrometer';
import { stepDoseG, stepPuts, wantsForm } from '$core/steps/puts';
import { asBlended, fillL } from '$core/ledger/fill';
import { yeastsOf, type BatchState } from '$core/ledger/state';
import type { EventData, LedgerEvent } from '$core/ledger/log';
import { withoutFigures } from '$core/plan/figures';
import { amountOf, type Ingredient, type Plan } from '$core/plan/plan';
import { sugarParts } from '$core/must/sugar-parts';
import { recipeSchema, type Recipe } from '$core/must/recipe';
import type { StepId } from '$core/tables/step-id';
import { firstProblem } from '$core/units/problem';
import { db } from './db';
import { InputError } from '$core/units/input-error';
import { makeEvent, newId, record, together, write, type When } from './record';
import type { Settings } from '$core/units/settings';

/**
 * Starts a batch from a plan: names it, and puts in everything the plan holds, in one write.
 * @returns the new batch's id
 */
export async function startBatch(
  plan: Plan,
  name: string,
  vesselId: string,
  when: When = {},
  recipeId: string | null = null
): Promise<string> {
  if (!name.trim()) throw new InputError('The batch has no name.', 'Give it one, such as Rhubarb.', 'name');
  const batchId = newId();
  const at = when.at ?? Date.now();
  // Sugar that is fed later waits: only what goes in on the first day is in the must.
  const inMust = sugarParts(plan).now.ingredients.filter((i) => amountOf(i) > 0);
  if (inMust.length === 0)
    throw new InputError('There is nothing in the plan.', 'Add fruit, sugar or water first.', 'ingredients');
  const events = [
    await makeEvent(
      batchId,
      'planned',
      { name: name.trim(), plan, vesselId, ...(recipeId ? { recipeId } : {}) },
      { ...when, at }
    ),
    await makeEvent(batchId, 'addition', { ingredients: inMust, vesselId }, { ...when, at })
  ];
  for (const cautionId of plan.acknowledged ?? [])
    events.push(await makeEvent(batchId, 'caution', { cautionId }, { ...when, at }));
  await write(events, when);
  return batchId;
}

/** Begins a brew day: the plan is written down, and what goes in as it is weighed. @returns the batch's id */
export async function startBrewDay(
  plan: Plan,
  name: string,
  vesselId: string,
  recipeId: string | null = null
): Promise<string> {
  if (!name.trim()) throw new InputError('The batch has no name.', 'Give it one, such as Rhubarb.', 'name');
  const batchId = newId();
  const at = Date.now();
  const events = [
    await makeEvent(
      batchId,
      'planned',
      { name: name.trim(), plan, vesselId, ...(recipeId ? { recipeId } : {}) },
      { at }
    )
  ];
  for (const cautionId of plan.acknowledged ?? [])
    events.push(await makeEvent(batchId, 'caution', { cautionId }, { at }));
  await write(events);
  return batchId;
}

/** A card of the brew day done or left out, by its id. */
export const logCard = (batchId: string, card: string, outcome: 'done' | 'skipped', when?: When) =>
  record(batchId, 'step', { step: card, outcome }, when);

/** A timer that runs until a moment, kept in the log so that no closed tab stops it. */
export const startTimer = (batchId: string, card: string, untilMs: number) =>
  record(batchId, 'step', { step: card, outcome: 'snoozed', until: new Date(untilMs).toISOString() });

/**
 * A stem's reading at 20 °C: less what the stem shows in plain water, corrected for the sample's temperature.
 * @throws InputError above 40 °C
 */
export function correctStem(stemSg: number, tempC: number | null, settings: Settings): number {
  const { inWater, calibratedC } = settings.hydrometer;
  return correctReading(stemSg - (inWater - 1), tempC ?? calibratedC, calibratedC);
}

/**
 * Writes a gravity down, corrected for the stem's calibration and the sample's temperature.
 * @param stemSg what the stem showed, or what a refractometer's °Bx in `also` comes to
 * @throws InputError above 40 °C
 */
export function logGravity(
  batchId: string,
  stemSg: number,
  tempC: number | null,
  settings: Settings,
  when?: When,
  also: { ph?: number; taGL?: number; residueSg?: number; vesselId?: string; refractometerBx?: number } = {}
): Promise<LedgerEvent> {
  const seen =
    also.refractometerBx === undefined
      ? { sg: correctStem(stemSg, tempC, settings), stemSg }
      : { sg: stemSg };
  return record(batchId, 'reading', { ...seen, ...(tempC === null ? {} : { tempC }), ...also }, when);
}

export const logStir = (batchId: string, when?: When) => record(batchId, 'stir', {}, when);

export const logNote = (batchId: string, text: string, when?: When, isForNextTime = false) => {
  if (!text.trim()) throw new InputError('The note is empty.', 'Write a word or two.', 'text');
  return record(batchId, 'note', { text: text.trim(), ...(isForNextTime ? { nextTime: true } : {}) }, when);
};

/** A tasting: what it was like, how well it was liked, and what to do otherwise next time. */
export const logTasting = (
  batchId: string,
  text: string,
  liking: number | null,
  nextTime = '',
  when?: When
) => {
  if (!text.trim()) throw new InputError('The tasting is empty.', 'Write a word or two.', 'text');
  return record(
    batchId,
    'tasting',
    {
      text: text.trim(),
      ...(liking ? { liking } : {}),
      ...(nextTime.trim() ? { nextTime: nextTime.trim() } : {})
    },
    when
  );
};

export const logPitch = (batchId: string, data: EventData<'pitch'>, when?: When) =>
  record(batchId, 'pitch', data, when);

export const logAddition = (
  batchId: string,
  ingredients: EventData<'addition'>['ingredients'],
  when?: When,
  vesselId?: string
) => record(batchId, 'addition', { ingredients, ...(vesselId ? { vesselId } : {}) }, when);

export const logFruitOut = (
  batchId: string,
  press: EventData<'fruit-out'>['press'],
  volumeL?: number,
  when?: When
) => record(batchId, 'fruit-out', { press, ...(volumeL === undefined ? {} : { volumeL }) }, when);

/**
 * Racks everything in one vessel into others.
 * @param to where it went and how much came out in each, L
 */
export const logRacking = (
  batchId: string,
  from: string,
  to: EventData<'transfer'>['to'],
  lossL: number,
  when?: When,
  emptied?: boolean
) => record(batchId, 'transfer', { from, to, lossL, ...(emptied === undefined ? {} : { emptied }) }, when);

/** Air taken from over a wine: by a liquid, or by gas when there is none. */
export const logTopUp = (batchId: string, vesselId: string, ingredient: Ingredient | null, when?: When) =>
  record(batchId, 'top-up', { vesselId, ...(ingredient ? { ingredient } : {}) }, when);

/** A glass drawn off; poured back when `returned`. */
export const logSample = (
  batchId: string,
  vesselId: string | undefined,
  volumeL: number,
  returned: boolean,
  when?: When
) => record(batchId, 'sample', { volumeL, returned, ...(vesselId ? { vesselId } : {}) }, when);

export const logLoss = (
  batchId: string,
  vesselId: string | undefined,
  volumeL: number,
  how: EventData<'loss'>['how'],
  when?: When
) => record(batchId, 'loss', { volumeL, how, ...(vesselId ? { vesselId } : {}) }, when);

/** Fruit, oak or hops hung in a wine, to be tasted by a day. */
export const logSteep = (batchId: string, data: EventData<'steep'>, when?: When) =>
  record(batchId, 'steep', data, when);

export const logSteepOut = (batchId: string, steepId: string, when?: When) =>
  record(batchId, 'steep-out', { steepId }, when);

/**
 * Wine of one batch into a vessel of another: one event that names both sides and keeps what the wine was.
 * @param source the batch it comes from, as it stands
 * @throws InputError when there is not so much in that vessel
 */
export function logBlend(
  batchId: string,
  to: string,
  source: BatchState,
  fromVessel: string,
  volumeL: number,
  when?: When
): Promise<LedgerEvent> {
  const fill = source.fills.find((f) => f.vesselId === fromVessel);
  const there = fill ? fillL(fill) : 0;
  if (!fill || volumeL > there * 1.02)
    throw new InputError(
      `There are only ${there.toFixed(1)} L of ${source.name}.`,
      'Take less, or from another vessel.'
    );
  const wine = asBlended(fill, Math.min(1, volumeL / there), yeastsOf(source));
  return record(
    batchId,
    'blend',
    {
      from: { batchId: source.id, vesselId: fromVessel, name: source.name },
      to,
      volumeL,
      wine: { ...wine, allergens: source.allergens }
    },
    when
  );
}

/**
 * Puts an event right: voids it and writes it again, in one go. History keeps both.
 * @param data what it should say; `at` when it happened
 */
export async function replaceEvent(
  old: LedgerEvent,
  data: unknown,
  at: number,
  sure = false
): Promise<LedgerEvent> {
  const now = Date.now();
  const again = await makeEvent(old.batchId, old.type, data as EventData<typeof old.type>, {
    at,
    recordedAt: now
  });
  const gone = await makeEvent(old.batchId, 'void', { eventId: old.id }, { at: now, recordedAt: now });
  await write([again, gone], { sure });
  return again;
}

export const logBottling = (batchId: string, data: EventData<'bottle'>, when?: When) =>
  record(batchId, 'bottle', data, when);

/** Bottles of one filling opened, and what was found. */
export const logOpened = (
  batchId: string,
  bottleId: string,
  count: number,
  found: NonNullable<EventData<'open'>['found']>,
  when?: When
) => record(batchId, 'open', { bottleId, count, found }, when);

export const logStep = (batchId: string, step: string, outcome: 'done' | 'skipped', when?: When) =>
  record(batchId, 'step', { step, outcome }, when);

export const snoozeStep = (batchId: string, step: string, until: number, when?: When) =>
  record(batchId, 'step', { step, outcome: 'snoozed', until: new Date(until).toISOString() }, when);

/** Does a step that needs no number, with the usual dose: one tap. @returns all that it wrote */
export async function doStep(s: BatchState, step: StepId, when?: When): Promise<LedgerEvent[]> {
  return together(when, async (w) => {
    const puts = stepPuts(s, step);
    if (puts) {
      for (const { vesselId, ingredients } of puts)
        await record(s.id, 'addition', { ingredients, ...(vesselId ? { vesselId } : {}) }, w);
      return;
    }
    if (wantsForm(s, step))
      throw new InputError('What went in has to be said.', 'Open the wine, and write down what you added.');
    if (step === 'stir') return logStir(s.id, w);
    if (step === 'pitch')
      return logPitch(
        s.id,
        { yeast: s.plan.yeast ?? { yeastId: 'wine' }, massG: stepDoseG('pitch', s), how: 'dry' },
        w
      );
    if (step === 'fruit-out') return logFruitOut(s.id, s.plan.press ?? 'drip', undefined, w);
    return logStep(s.id, step, 'done', w);
  });
}

/**
 * Keeps a plan as a version of a recipe: the next of `parent`'s, or the first of its own.
 * @param about a note to the next cook, and the batch whose doing it writes down
 */
export async function keepRecipe(
  plan: Plan,
  name: string,
  parent: Recipe | null,
  about: { note?: string; batchId?: string } = {}
): Promise<Recipe> {
  if (!name.trim()) throw new InputError('The recipe has no name.', 'Give it one, such as Rhubarb.', 'name');
  const id = newId();
  const latest = parent ? await db.recipes.where('family').equals(parent.family).toArray() : [];
  const recipe: Recipe = {
    id,
    family: parent?.family ?? id,
    parent: parent?.id ?? null,
    version: Math.max(0, ...latest.map((r) => r.version)) + 1,
    name: name.trim(),
    // Lots belong to this year's harvest, and what was read and put away to this plan.
    plan: {
      ...plan,
      name: name.trim(),
      acknowledged: undefined,
      ingredients: plan.ingredients.map((row) => {
        const { lotId: _, ...i } = withoutFigures(row);
        return i as Ingredient;
      })
    },
    madeAt: new Date().toISOString(),
    ...(about.note?.trim() ? { note: about.note.trim() } : {}),
    ...(about.batchId ? { batchId: about.batchId } : {})
  };
  const sound = recipeSchema.safeParse(JSON.parse(JSON.stringify(recipe)));
  if (!sound.success) {
    const { path, reason } = firstProblem(sound.error);
    throw new InputError(`${path} ${reason}.`, 'Correct it and try again.', path);
  }
  await db.recipes.add(sound.data);
  return sound.data;
}
