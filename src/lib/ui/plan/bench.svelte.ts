import { readItem } from '$core/plan/read-item';
import type { MustEstimate } from '$core/must/balance';
import { evaluate } from '$core/must/evaluate';
import { amountOf, withAmount, type Ingredient, type Plan, type Goals, type Yeast } from '$core/plan/plan';
import { ingredientSchema, planSchema } from '$core/plan/plan-schema';
import type { SweetenerId } from '$core/tables/sweeteners';
import type { YeastId } from '$core/tables/yeasts';
import { mainName } from '$core/plan/main-produce';
import { sugarBrought } from '$core/must/ribbon';
import type { Choice } from '$core/plan/choose';
import { amountIn, typedUnit, unitsFor } from '$core/plan/thing';
import type { AmountUnit } from '$core/units/words';
import { methodOf, withMethod, type NamedMethod } from '$core/plan/methods';
import { choiceOf, withChoice, type ChoiceOf, type SchoolId } from '$core/tables/schools';
import { solvePlan, type Solved } from '$core/solve/solve';
import { amountText, entryFigure, significant, unitOfLittle } from '$core/units/format';
import { InputError } from '$core/units/input-error';
import { explain } from '$lib/ui/words/own-units';
import { firstProblem } from '$core/units/problem';
import { isMassUnit, isVolumeUnit, type Unit } from '$core/units/measure';
import { keepDraft, readDraft } from '$lib/store/draft';
import { planKey } from '$lib/store/plan-draft';
import { newId } from '$lib/store/here';
import { countryOf, USUAL_ROOM_C, type Settings } from '$core/units/settings';

/** One line of the slip: an ingredient, what was typed for its amount, and what is wrong with that. */
export type Row = {
  id: string;
  item: Ingredient;
  text: string;
  unit: AmountUnit;
  held: boolean;
  error: string | null;
};

const isVolumeItem = (item: Ingredient): item is Extract<Ingredient, { volumeL: number }> =>
  'volumeL' in item;
/** Whether a row is usually worked out: a sweetener, or water. Fruit, juice and acid can be, when they are let. */
export const canFollow = (item: Ingredient): boolean =>
  item.kind === 'sugar' || item.kind === 'honey' || item.kind === 'water';
/** What the solver can work out at all. */
export const canBeFree = (item: Ingredient): boolean =>
  canFollow(item) ||
  item.kind === 'produce' ||
  item.kind === 'juice' ||
  item.kind === 'acid' ||
  (item.kind === 'additive' && (item.additiveId === 'dap' || item.additiveId === 'nutrient'));

/** The amount to type back in: short, with no loss that could be weighed. */
const entryText = (item: Ingredient, base: number, unit: AmountUnit): string =>
  entryFigure(amountIn(item, base, unit), unit);

/** The amount a row shows when it was worked out. */
export const rowAmountText = (item: Ingredient, base: number, unit: AmountUnit): string =>
  item.kind === 'produce' ||
  !(isMassUnit(unit) || isVolumeUnit(unit)) ||
  'massKg' in item !== isMassUnit(unit)
    ? significant(amountIn(item, base, unit), 3)
    : amountText(base, unit);

/** Whether two items are one thing on the slip: the same sugar, or water. */
const sameKind = (a: Ingredient, b: Ingredient): boolean =>
  a.kind === b.kind && (a.kind !== 'sugar' || b.kind !== 'sugar' || a.sugarId === b.sugarId);

/** Sugar in an off-dry wine, g/L: where sweetness starts. Common practice. */
const USUAL_SWEET_GL = 20;

const NO_GARDEN = { withGarden: (item: Ingredient) => item, pace: () => null };
/** As brisk as everybody's, to a tenth or so. Ours. */
const USUAL_PACE = 0.12;

/** The must bench: rows and goals in, every number out, live. One for the Plan page. */
export function createBench(
  settings: () => Settings,
  /** what the household's own batches taught */
  garden: { withGarden: (item: Ingredient) => Ingredient; pace: () => number | null } = NO_GARDEN
) {
  let rows = $state<Row[]>([]);
  let target = $state<Goals>({ abv: 12, volumeL: null, volumeUnit: settings().volume });
  let vesselId = $state('');
  /** its type, with what its packet says */
  let yeast = $state.raw<Yeast>({ yeastId: 'wine' });
  let method = $state<NamedMethod['method']>({});
  let acknowledged = $state<string[]>([]);
  let name = $state('');
  /** the recipe it was taken from */
  let recipeId = $state<string | null>(null);
  let loaded = $state(false);
  /** under which name it is kept: each tab has its own */
  let draftKey = '';

  const unitFor = (item: Ingredient): Unit =>
    isVolumeItem(item)
      ? settings().volume
      : item.kind === 'acid' || item.kind === 'additive'
        ? 'g'
        : settings().mass;
  const makeRow = (bare: Ingredient, unit: AmountUnit | null, held: boolean): Row => {
    const item = garden.withGarden(bare);
    const amount = amountOf(item);
    const little = held ? unitOfLittle(amount, unitFor(item)) : unitFor(item);
    const used = [unit, little].find((u) => u && unitsFor(item).includes(u)) ?? unitFor(item);
    return {
      id: newId(),
      item,
      text: held && amount > 0 ? entryText(item, amount, used) : '',
      unit: used,
      held,
      error: null
    };
  };
  const freeRow = (item: Ingredient) => makeRow(item, null, false);

  const plan = $derived<Plan>({
    ingredients: rows.map((r) => ({ ...r.item, id: r.id, unit: r.unit, held: r.held })),
    yeast,
    target: { ...target },
    ...(vesselId ? { vesselId } : {}),
    ...(settings().roomC === USUAL_ROOM_C ? {} : { roomC: settings().roomC }),
    ...(Math.abs(Math.log(garden.pace() ?? 1)) < USUAL_PACE ? {} : { pace: garden.pace()! }),
    ...method,
    ...(acknowledged.length > 0 ? { acknowledged } : {}),
    ...(Object.keys(settings().prices).length > 0 ? { prices: settings().prices } : {}),
    ...(name ? { name } : {})
  });
  const solved = $derived<Solved>(rows.length > 0 ? solvePlan(plan) : { plan, gaveWay: [], aimL: null });
  const estimate = $derived<MustEstimate | null>(
    solved.plan.ingredients.some((i) => amountOf(i) > 0) ? evaluate(solved.plan).estimate : null
  );
  /** What goes in on the first day, and what of the sugar waits. */
  const parts = $derived(evaluate(solved.plan).parts);
  const start = $derived<MustEstimate | null>(estimate && evaluate(solved.plan).startEstimate);
  const sugars = $derived(sugarBrought(solved.plan.ingredients));

  function keep() {
    if (loaded)
      keepDraft(
        draftKey,
        $state.snapshot({
          rows,
          target,
          vesselId,
          yeast,
          method,
          acknowledged,
          name,
          recipeId
        })
      );
  }

  function fresh() {
    rows = [
      freeRow({ kind: 'sugar', sugarId: 'white', massKg: 0 }),
      freeRow({ kind: 'water', volumeL: 0, alkalinityMgL: settings().waterAlkalinityMgL })
    ];
    target = { abv: 12, volumeL: null, volumeUnit: settings().volume };
    name = '';
    recipeId = null;
    yeast = { yeastId: yeast.yeastId ?? 'wine' };
    method = {};
    acknowledged = [];
  }

  /**
   * Brings back what was being planned, if it still makes sense.
   * @param from a plan that another tab left; else this tab's own
   */
  async function load(from?: string) {
    draftKey = await planKey();
    const kept = (await readDraft(from ?? draftKey)) as
      | {
          rows: Row[];
          target: Goals;
          vesselId: string;
          yeast?: Yeast;
          /** as drafts of an older version have it */
          yeastId?: YeastId;
          toleranceAbv?: number | null;
          method?: NamedMethod['method'];
          acknowledged?: string[];
          name: string;
          recipeId?: string | null;
        }
      | undefined;
    const isSound =
      kept?.rows &&
      planSchema.safeParse({
        ingredients: kept.rows.map((r) => r.item),
        target: kept.target,
        ...kept.method
      }).success;
    if (kept && isSound) {
      ({ rows, target, vesselId, name } = kept);
      yeast = kept.yeast ?? {
        yeastId: kept.yeastId ?? 'wine',
        ...(kept.toleranceAbv ? { toleranceAbv: kept.toleranceAbv } : {})
      };
      method = kept.method ?? {};
      recipeId = kept.recipeId ?? null;
      acknowledged = kept.acknowledged ?? [];
    } else fresh();
    loaded = true;
    if (from) keep();
  }

  function freeWater() {
    const row = rows.find((r) => r.item.kind === 'water');
    if (row?.held) {
      row.held = false;
      row.text = '';
    }
  }
  const isSharpener = (i: Ingredient) => i.kind === 'acid' || (i.kind === 'juice' && i.produceId === 'lemon');
  /** Something to sharpen with that follows, in the place of what followed before. */
  function sharpenWith(what: ChoiceOf<'sharpen'>) {
    if (target.taGL == null && target.phMax == null) return;
    const item: Ingredient =
      what === 'lemon'
        ? { kind: 'juice', produceId: 'lemon', volumeL: 0 }
        : { kind: 'acid', acidId: what, massKg: 0 };
    const at = rows.findIndex((r) => !r.held && isSharpener(r.item));
    if (at >= 0) rows[at] = freeRow(item);
    else rows.push(freeRow(item));
  }

  const find = (id: string) => rows.find((r) => r.id === id)!;

  return {
    get rows() {
      return rows;
    },
    get plan() {
      return plan;
    },
    get solved() {
      return solved;
    },
    get estimate() {
      return estimate;
    },
    get loaded() {
      return loaded;
    },
    get target() {
      return target;
    },
    get vesselId() {
      return vesselId;
    },
    set vesselId(v) {
      vesselId = v;
      keep();
    },
    get yeast() {
      return yeast;
    },
    set yeast(v) {
      yeast = v;
      keep();
    },
    get yeastId() {
      return yeast.yeastId ?? 'wine';
    },
    set yeastId(v) {
      yeast = { yeastId: v };
      keep();
    },
    /** Where this yeast stops, by its packet; null goes by its type. */
    get toleranceAbv() {
      return yeast.toleranceAbv ?? null;
    },
    set toleranceAbv(v) {
      const { toleranceAbv: _t, ...rest } = yeast;
      yeast = v === null ? rest : { ...rest, toleranceAbv: v };
      keep();
    },
    get method() {
      return method;
    },
    /** The choice in a school, its own or the usual. */
    choice: <S extends SchoolId>(school: S): ChoiceOf<S> => choiceOf(method, school),
    choose(school: SchoolId | 'enzyme', choice: string | boolean) {
      method = withChoice(method, school, choice);
      if (school === 'sharpen') sharpenWith(choice as ChoiceOf<'sharpen'>);
      if (school === 'finish') {
        if (choice === 'dry') target = { ...target, sweetGL: null };
        else target = { ...target, sweetGL: target.sweetGL || USUAL_SWEET_GL };
      }
      keep();
    },
    /** A whole method: its choices, and how it handles the fruit. */
    useMethod(m: NamedMethod) {
      const next = withMethod($state.snapshot(plan) as Plan, m);
      rows = rows.map((r, i) => {
        const { id: _i, unit: _u, held: _h, ...item } = next.ingredients[i]!;
        return { ...r, item: item as Ingredient };
      });
      method = methodOf(next);
      keep();
    },
    get parts() {
      return parts;
    },
    /** The must as it is on the first day. */
    get start() {
      return start;
    },
    get recipeId() {
      return recipeId;
    },
    set recipeId(id) {
      recipeId = id;
      keep();
    },
    /** Puts a whole plan on the bench, such as a recipe, a proposal, or a way out of a clash. */
    adopt(next: Plan, from: { recipeId?: string | null } = {}) {
      rows = next.ingredients.map((i) => {
        const { id, unit, held, ...item } = i;
        return {
          ...makeRow(item as Ingredient, (unit as AmountUnit | undefined) ?? null, held !== false),
          ...(id ? { id } : {})
        };
      });
      target = next.target ?? { abv: null, volumeL: null, volumeUnit: settings().volume };
      yeast = { yeastId: 'wine', ...next.yeast };
      vesselId = next.vesselId ?? '';
      method = methodOf(next);
      acknowledged = next.acknowledged ?? [];
      name = next.name ?? '';
      if (from.recipeId !== undefined) recipeId = from.recipeId;
      keep();
    },
    get acknowledged() {
      return acknowledged;
    },
    /** Puts a caution away; the batch will remember that it was read. */
    acknowledge(id: string) {
      acknowledged = [...acknowledged, id];
      keep();
    },
    /** Its own name, or that of the fruit that weighs most. */
    get name() {
      return name || mainName(solved.plan.ingredients);
    },
    set name(v) {
      name = v;
      keep();
    },
    load,
    clear() {
      fresh();
      keep();
    },
    /** The amount a row shows: what was typed, or what was worked out. */
    shown: (index: number) => amountOf(solved.plan.ingredients[index]!),
    sugar: (index: number) => sugars[index] ?? 0,
    add(choice: Pick<Choice, 'item' | 'unit'> & Partial<Choice>) {
      const held = amountOf(choice.item) > 0 || !canFollow(choice.item);
      const row = makeRow(choice.item, choice.unit, held);
      row.error = choice.ask ?? null;
      // A recipe typed as it stands fills the sugar and the water that are there and worked out.
      const waiting = canFollow(choice.item)
        ? rows.find((r) => !r.held && sameKind(r.item, choice.item))
        : undefined;
      if (waiting) {
        if (held) Object.assign(waiting, { ...row, id: waiting.id, item: { ...waiting.item, ...row.item } });
        keep();
        return waiting.id;
      }
      // Fruit first, then what sweetens and wets it.
      const at = canFollow(choice.item) ? rows.length : rows.findIndex((r) => canFollow(r.item));
      rows.splice(at < 0 ? rows.length : at, 0, row);
      keep();
      return row.id;
    },
    /** Puts an ingredient on the slip as it stands, such as an acid that was worked out. */
    put(item: Ingredient) {
      // Water that follows is asked for by a larger batch: one more held litre would only push it aside.
      const follows = rows.some((r) => r.item.kind === 'water' && !r.held);
      if (item.kind === 'water' && follows && solved.aimL !== null)
        return this.setVolume(solved.aimL + item.volumeL, target.volumeUnit ?? 'L');
      return this.add({ item, unit: item.kind === 'acid' ? 'g' : null });
    },
    remove(id: string) {
      rows.splice(
        rows.findIndex((r) => r.id === id),
        1
      );
      keep();
    },
    /** Takes an amount as typed; an amount that cannot be read changes nothing but says so. */
    type(id: string, text: string) {
      const row = find(id);
      row.text = text;
      if (text.trim() === '') {
        row.error = null;
        row.item = withAmount(row.item, 0);
        const isPicked = row.item.kind === 'produce' || row.item.kind === 'juice';
        row.held = isPicked ? row.item.most === undefined : !canBeFree(row.item);
        return keep();
      }
      row.held = true;
      try {
        const { item } = readItem(text, row.item, row.unit, countryOf(settings()));
        const sound = planSchema.safeParse({ ingredients: [item] });
        if (!sound.success) throw new Error(`That ${sound.error.issues[0]!.message}.`);
        row.item = item;
        row.error = null;
      } catch (e) {
        row.item = withAmount(row.item, 0);
        row.error = explain(e);
      }
      keep();
    },
    /** Once the typing is done, the amount stands in its own unit: `3 lb` is 3, with lb beside it. */
    settle(id: string) {
      const row = rows.find((r) => r.id === id);
      if (!row?.held || row.error || row.text.trim() === '') return;
      row.unit = typedUnit(row.item, row.unit);
      row.text = amountOf(row.item) > 0 ? entryText(row.item, amountOf(row.item), row.unit) : row.text;
      keep();
    },
    setUnit(id: string, unit: AmountUnit) {
      const row = find(id);
      row.unit = unit;
      if (row.held && amountOf(row.item) > 0) row.text = entryText(row.item, amountOf(row.item), unit);
      keep();
    },
    /** Holds a row where it stands, or lets it follow again. */
    toggleHeld(id: string) {
      const index = rows.findIndex((r) => r.id === id);
      const row = rows[index]!;
      if (row.held) {
        // Of what was weighed there is so much and no more.
        const there = amountOf(row.item);
        if (!canFollow(row.item) && row.item.kind !== 'acid' && there > 0)
          row.item = { ...row.item, most: there };
        row.held = false;
        row.text = '';
      } else {
        const base = amountOf(solved.plan.ingredients[index]!);
        row.held = true;
        const { most: _, ...item } = row.item;
        row.item = withAmount(item as Ingredient, base);
        row.text = base > 0 ? entryText(row.item, base, row.unit) : '0';
      }
      row.error = null;
      keep();
    },
    /** Changes what a row says of its lot; undefined takes a word back. What makes no sense is not taken. */
    change(id: string, patch: Record<string, unknown>) {
      const row = find(id);
      const item = Object.fromEntries(
        Object.entries({ ...$state.snapshot(row.item), ...patch }).filter(([, v]) => v !== undefined)
      );
      const sound = ingredientSchema.safeParse(item);
      if (!sound.success) throw new InputError(firstProblem(sound.error).reason, 'Correct it and try again.');
      row.item = sound.data;
      keep();
    },
    /** Another sugar in a row's place; what is held keeps its weight. */
    swapSugar(id: string, sugarId: SweetenerId) {
      const row = find(id);
      const massKg = amountOf(row.item);
      row.item = sugarId === 'honey' ? { kind: 'honey', massKg } : { kind: 'sugar', sugarId, massKg };
      keep();
    },
    /** Strength wanted; null lets it follow the sugar that is held. */
    setAbv(abv: number | null) {
      target = { ...target, abv };
      const row = rows.find((r) => r.item.kind === 'sugar' || r.item.kind === 'honey');
      if (abv !== null && row?.held) {
        row.held = false;
        row.text = '';
      }
      keep();
    },
    /** Any other goal; null lets it follow. A goal for acid brings something to sharpen with. */
    setGoals(patch: Partial<Goals>) {
      target = { ...target, ...patch };
      const wantsAcid = (patch.taGL ?? patch.phMax) != null;
      if (wantsAcid) sharpenWith(choiceOf(method, 'sharpen'));
      if (target.taGL == null && target.phMax == null)
        rows = rows.filter((r) => r.held || !isSharpener(r.item));
      if (patch.yanMgL === null)
        rows = rows.filter((r) => r.held || r.item.kind !== 'additive' || r.item.additiveId !== 'dap');
      if (patch.yanMgL != null && !rows.some((r) => !r.held && r.item.kind === 'additive'))
        rows.push(freeRow({ kind: 'additive', additiveId: 'dap', massKg: 0 }));
      keep();
    },
    /** How far a goal may be missed before anything else gives way for it. */
    allow(id: keyof NonNullable<Goals['within']>, by: number) {
      target = { ...target, within: { ...target.within, [id]: by } };
      keep();
    },
    /** The amount by the vessel: litres of must that fill it with room for foam. */
    fillVessel(fillL: number) {
      target = { ...target, fillL, volumeL: null };
      freeWater();
      keep();
    },
    /** Amount wanted, litres into glass; null works it out from the fruit. */
    setVolume(volumeL: number | null, volumeUnit: NonNullable<Goals['volumeUnit']>) {
      target = { ...target, volumeL, volumeUnit, fillL: null };
      freeWater();
      keep();
    }
  };
}

export type Bench = ReturnType<typeof createBench>;
