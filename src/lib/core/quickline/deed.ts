import { cautionsAt, RULES } from '../cautions/rules';
import type { Caution } from '../cautions/scene';
import { letGo } from '../commands/cellar';
import { bottle, drawSample, emptyOut, lose, takeFruitOut } from '../commands/move';
import { look, note, standAt, observe, readGravity, taste } from '../commands/observe';
import { blend, pitch, put, steep, stir, takeSteepOut, topUp } from '../commands/put';
import { stemOf } from '../commands/stem';
import { ownsNoStem, putOff, startTimer, tick } from '../commands/tick';
import type { Deed, Draft } from '../commands/deed';
import { dangersOf } from '../finish/danger';
import { checkBottling } from '../finish/judge';
import { measuredPh } from '../ledger/acid-of';
import { addedSo2MgL, fillL } from '../ledger/fill';
import { batchesOf, type LedgerEvent } from '../ledger/log';
import { isSediment } from '../ledger/operations';
import { stateAfter } from '../ledger/run';
import type { BatchState } from '../ledger/state';
import { doseL, markL } from '../ledger/will-hold';
import { asYeast, ownYeastCalled, type OwnYeast } from '../plan/own-yeast';
import type { Ingredient } from '../plan/plan';
import { doStep } from '../steps/do-step';
import { STEPS } from '../steps/table/all';
import { judgeDose, slipText } from '../tables/doses';
import { STEP_IDS, type StepId } from '../tables/step-id';
import { InputError } from '../units/input-error';
import { inL } from '../units/say';
import type { Settings } from '../units/settings';
import { inZone } from '../units/zone';
import type { CommandOf, OfWine } from './command';
import type { Home, Written } from './home';
import { rackDeed } from './rack-deed';
import { hadG, lastYeastG } from '../ledger/had';
import { vesselFor } from './which-vessel';

const only = (deed: Deed): Written => ({ deed, newVessels: [], cautions: [] });
const DAY = 86_400_000;

/**
 * What a command of a wine writes.
 * @throws InputError for what cannot be, or wants its own form, such as a bottling that could burst
 */
export function deedOf(c: OfWine, home: Home): Written {
  const wine = home.wines.find((w) => w.id === c.batchId);
  if (!wine) throw new InputError('There is no such wine.', 'Begin one from Plan first.');
  const stray = c.vesselId && c.at === undefined && c.kind !== 'transfer' && wine.state.fills.length > 0;
  if (stray) vesselFor(wine.state, c.vesselId, '');
  const written = write(c, wine, home);
  const at = c.at === undefined ? null : Date.parse(c.at);
  return at === null ? written : { ...written, deed: written.deed.map((d) => ({ ...d, at }) as Draft) };
}

/**
 * What the commands of one line write, in their order: each speaks of the wine as the ones before it left it.
 * @throws InputError as `deedOf`
 */
export function deedsOf(commands: readonly OfWine[], home: Home): Written[] {
  let now = home;
  return commands.map((c, i) => {
    const written = deedOf(c, now);
    if (i < commands.length - 1) now = homeAfter(now, written);
    return written;
  });
}

/** What changes what a wine holds: what its possible wines said of it before is not said of it now. */
const CHANGES: ReadonlySet<string> = new Set(['addition', 'top-up', 'blend', 'steep', 'pitch']);

/** A household as a deed leaves it. What happened earlier is no part of how it stands now. */
function homeAfter(home: Home, { deed, newVessels }: Written): Home {
  const events = deed
    .filter((d) => d.at === undefined)
    .map((d, n) => asEvent(d, home.now, `${home.now}-${n}`));
  const wines = home.wines.map((w) => {
    const mine = events.filter((e) => batchesOf(e).includes(w.id));
    if (mine.length === 0) return w;
    const state = stateAfter(w.state, mine);
    const isOther = mine.some((e) => CHANGES.has(e.type));
    return {
      id: w.id,
      state,
      standing: isOther ? { ...w.standing, belief: null } : w.standing,
      // Reckoned only where a step is asked for.
      get due() {
        return w.due;
      }
    };
  });
  const taken = new Set(wines.flatMap((w) => w.state.fills.map((f) => f.vesselId)));
  const vessels = [...home.vessels, ...newVessels];
  return { ...home, wines, vessels, free: vessels.filter((v) => !taken.has(v.id)) };
}

/** A draft as the event it becomes, for asking what it does. */
export const asEvent = (d: Draft, now: number, id: string): LedgerEvent =>
  ({
    ...d,
    id: d.id ?? id,
    v: 1,
    at: new Date(now).toISOString(),
    zone: d.zone ?? 'UTC',
    recordedAt: new Date(now).toISOString(),
    device: 'line'
  }) as unknown as LedgerEvent;

function write(c: OfWine, wine: Home['wines'][number], home: Home): Written {
  const { state: s } = wine;
  const id = s.id;
  switch (c.kind) {
    case 'reading': {
      const each = c.each && !c.vesselId ? s.fills.map((f) => f.vesselId) : [c.vesselId];
      return only(each.flatMap((vesselId) => readingDeed({ ...c, vesselId }, s, home.settings)));
    }
    case 'observation': {
      const { kind: _k, batchId: _b, at: _a, ...seen } = c;
      return only(look(id, seen));
    }
    case 'place':
      return only(standAt(id, { vesselId: c.vesselId, name: c.name, tempC: c.tempC }));
    case 'addition':
      return {
        deed: put(id, c.items, c.vesselId),
        newVessels: [],
        cautions: cautionsOf(c.items, s, c.vesselId)
      };
    case 'top-up':
      return only(topUp(id, vesselFor(s, c.vesselId, 'was topped up'), c.item ?? null));
    case 'make-up':
      return only(makeUpDeed(c, s));
    case 'steep':
      return only(
        steep(id, {
          ingredients: c.items,
          ...(s.fills.length > 1 ? { vesselId: vesselFor(s, c.vesselId, 'does it hang in') } : {}),
          ...(c.days
            ? { tasteBy: new Date((c.at ? Date.parse(c.at) : home.now) + c.days * DAY).toISOString() }
            : {})
        })
      );
    case 'steep-out': {
      const hanging = s.steeps.findLast((x) => x.outAt === null);
      if (!hanging)
        throw new InputError(`Nothing hangs in the ${s.name}.`, 'Look at its page for what went in.');
      return only(takeSteepOut(id, hanging.id));
    }
    case 'pitch':
      return pitchDeed(c, s, home);
    case 'blend':
      return only(blendDeed(c, s, home));
    case 'stir':
      return only(stir(id));
    case 'fruit-out':
      if (s.produceKg <= 0)
        throw new InputError(`There is no fruit in the ${s.name}.`, 'Is it another wine?');
      return only(takeFruitOut(id, c.press, c.volumeL));
    case 'transfer':
      return rackDeed(c, s, home);
    case 'loss':
      if (s.fills.length === 0)
        throw new InputError(
          `Nothing of the ${s.name} stands in a vessel.`,
          'Say how many bottles are gone.'
        );
      return only(
        c.volumeL === undefined ? emptyOut(s, c.how, c.vesselId) : lose(id, c.vesselId, c.volumeL, c.how)
      );
    case 'sample':
      return only(drawSample(id, c.vesselId, c.volumeL, c.returned));
    case 'bottle':
      return only(bottleDeed(c, wine));
    case 'open': {
      const filled = s.bottled.findLast((b) => b.left >= c.count) ?? s.bottled.at(-1);
      if (!filled) throw new InputError(`The ${s.name} is not in bottles.`, 'Is it another wine?');
      const danger = dangersOf(s, wine.standing.belief).find((d) => d.bottlingId === filled.eventId) ?? null;
      // What was found is only what was said: a bottle nobody spoke of proves nothing of the rest.
      return only(letGo(id, filled, danger, { count: c.count, how: c.how, found: c.found, to: c.to }));
    }
    case 'note':
      return only(note(id, c.text, c.nextTime));
    case 'tasting':
      return only(taste(id, c.text, c.liking ?? null));
    case 'step':
      return only(stepDeed(c, wine));
    case 'no-stem':
      return only(ownsNoStem(id, home.wines));
    case 'timer':
      return only(startTimer(id, 'timer', home.now + c.minutes * 60_000));
  }
}

function readingDeed(c: CommandOf<'reading'>, s: BatchState, settings: Settings): Deed {
  const { ph, taGL, freeSo2MgL, sugarGL, residueSg, volumeL, tempC } = c;
  const isGravity = c.sg !== undefined || c.brix !== undefined || c.potential !== undefined;
  const isVessel = isGravity || [volumeL, freeSo2MgL, sugarGL].some((x) => x !== undefined);
  // Before it was racked it stood elsewhere.
  const at = c.at === undefined ? Infinity : Date.parse(c.at);
  const hasMoved = s.rackings.some((r) => r.at > at);
  const one =
    s.fills.length < 2 || hasMoved ? undefined : isVessel ? vesselFor(s, c.vesselId, 'was read') : c.vesselId;
  const also = { ph, taGL, freeSo2MgL, sugarGL, residueSg, volumeL, vesselId: one };
  if (!isGravity) return observe(s.id, { ...also, tempC });
  const [scale, figure] =
    c.sg !== undefined
      ? (['sg', c.sg] as const)
      : c.brix !== undefined
        ? (['brix', c.brix] as const)
        : (['potential', c.potential!] as const);
  if (scale === 'potential' && settings.hydrometer.potentialAt1100 === undefined)
    throw new InputError(
      'What does your potential scale print beside 1.100?',
      'Read it once on its page: it is asked there, and kept.'
    );
  const stem = stemOf(scale, figure, settings, s);
  return readGravity(s.id, stem.sg, tempC ?? null, settings.hydrometer, {
    ...also,
    refractometerBx: stem.bx ?? undefined
  });
}

/** What is to be heeded of things that go in. @throws InputError for what is not written without being asked */
function cautionsOf(items: readonly Ingredient[], s: BatchState, vesselId: string | undefined): Caution[] {
  const fill = s.fills.find((f) => f.vesselId === vesselId);
  const all = items.flatMap((adding) => {
    return cautionsAt(
      'add',
      {
        adding,
        volumeL: fill ? fillL(fill) : doseL(s),
        hadG: hadG(s, adding, fill),
        yeastG: lastYeastG(s),
        hadSo2MgL: fill ? addedSo2MgL(fill) : Math.max(0, ...s.fills.map(addedSo2MgL)),
        ph: measuredPh(s)
      },
      s.acknowledged.filter((id) => RULES[id]?.level !== 'stop')
    );
  });
  const hard = all.find((x) => x.level === 'stop' || x.level === 'refuse');
  if (hard)
    throw new InputError(hard.text, 'If it is what you mean, write it down on its page: there it is asked.');
  return all.filter((x) => x.level === 'warn');
}

/** So near a mark it stands at it, L. */
const AT_MARK_L = 0.02;

/** Water up to a mark: what stands there now, fruit and all, is told, and how much is missing is what goes in. */
function makeUpDeed(c: CommandOf<'make-up'>, s: BatchState): Deed {
  const vesselId = vesselFor(s, c.vesselId, 'was made up');
  const at = c.at === undefined ? Infinity : Date.parse(c.at);
  if ((s.flowedAt ?? -Infinity) > at)
    throw new InputError(
      'More has happened to it since: how much stood there then is not what stands there now.',
      'Say how much water it took.'
    );
  const standsL = s.fills.length === 1 ? markL(s) : fillL(s.fills.find((f) => f.vesselId === vesselId)!);
  const volumeL = c.toL - standsL;
  if (volumeL < AT_MARK_L)
    throw new InputError(
      `By the sums it stands at ${inL(standsL)} already.`,
      'If it stands lower, say first what the mark shows: “measured”, and so much.'
    );
  return put(s.id, [{ kind: 'water', volumeL }], c.vesselId);
}

function pitchDeed(c: CommandOf<'pitch'>, s: BatchState, home: Home): Written {
  const litres = doseL(s);
  if (c.massG !== undefined && judgeDose('yeast', c.massG, litres) === 'absurd')
    throw new InputError(
      `${c.massG} g of yeast is more than ten times the most.`,
      slipText('yeast', c.massG, litres)
    );
  const known = c.name === undefined ? undefined : ownYeastCalled(c.name, home.yeasts ?? []);
  const fresh: OwnYeast | undefined =
    c.name !== undefined && !known
      ? { id: home.newId(), name: c.name, yeastId: c.yeastId ?? 'wine' }
      : undefined;
  const named = known ?? fresh;
  const deed = pitch(s.id, {
    yeast: named
      ? asYeast(named)
      : c.yeastId
        ? { yeastId: c.yeastId }
        : (s.plan.yeast ?? { yeastId: 'wine' }),
    ...(c.massG === undefined ? {} : { massG: c.massG }),
    ...(c.how === undefined ? {} : { how: c.how })
  });
  return { deed, newVessels: [], cautions: [], ...(fresh ? { newYeasts: [fresh] } : {}) };
}

function blendDeed(c: CommandOf<'blend'>, s: BatchState, home: Home): Deed {
  const from = home.wines.find((w) => w.id === c.fromBatchId)?.state;
  if (!from || from.fills.length === 0)
    throw new InputError('Nothing of that wine stands in a vessel.', 'Name another.');
  if (from.fills.length > 1)
    throw new InputError(
      `The ${from.name} stands in several vessels.`,
      'Blend it on the page of the wine it goes into.'
    );
  return blend(s.id, vesselFor(s, c.vesselId, 'takes it'), from, from.fills[0]!.vesselId, c.volumeL);
}

function bottleDeed(c: CommandOf<'bottle'>, { state: s, standing }: Home['wines'][number]): Deed {
  const from = vesselFor(s, c.vesselId, 'was bottled');
  const litres = fillL(s.fills.find((f) => f.vesselId === from)!);
  const wanted = c.bottles.reduce((sum, b) => sum + b.count * b.sizeL, 0);
  if (wanted > 1.15 * litres)
    throw new InputError(
      `These bottles want ${inL(wanted)}; there are ${inL(litres)}.`,
      'Check the number and the size.'
    );
  const checks = c.bottles.map((b) =>
    checkBottling(s, b.type, c.primingGL ?? 0, null, from, standing.belief)
  );
  const worst = checks.reduce((a, b) => (a && b && b.verdict.bar20 <= a.verdict.bar20 ? a : (b ?? a)), null);
  if (checks.some((x) => x?.verdict.level === 'stop'))
    throw new InputError(
      worst!.verdict.text,
      worst!.reachable.needsClear
        ? 'It is held by sulphite and sorbate, which hold only in clear wine: once you have looked, say “clear”.'
        : 'What would clear it, and the safe ways, stand on its page under Bottle.'
    );
  const restL = Math.max(0, litres - wanted - (c.lossL ?? 0));
  const emptied = isSediment(restL, litres, 'bottle');
  const filled = bottle(s.id, {
    from,
    bottles: c.bottles,
    ...(c.primingGL ? { primingGL: c.primingGL } : {}),
    ...(worst ? { bar20: worst.verdict.bar20 } : {}),
    emptied
  });
  // Where wine stays, what is gone of it is told by itself.
  return c.lossL && !emptied ? [...filled, ...lose(s.id, from, c.lossL, 'spilt')] : filled;
}

/** `racking` is the first or the second, as it stands in the plan. */
const kind = (step: string): string => step.replace(/-\d$/, '');

function stepDeed(c: CommandOf<'step'>, { state: s, due }: Home['wines'][number]): Deed {
  if (!(c.step in STEPS))
    throw new InputError(`There is no step “${c.step}”.`, `Steps are ${STEP_IDS.join(', ')}.`);
  const next = c.outcome === 'done' ? undefined : due.find((d) => kind(d.step.id) === kind(c.step));
  const step = next?.step.id ?? (c.step as StepId);
  if (c.outcome === 'snoozed') {
    const until = Date.parse(c.until!);
    if (!next)
      throw new InputError(`That is not to come in the ${s.name}.`, 'What comes next stands on its page.');
    if (next.dueAt > until)
      throw new InputError(
        `${next.step.title}: not before ${inZone(next.dueAt, s.zone, { day: 'numeric', month: 'long' })}.`,
        'It is asked for then. For a hand’s work before that, write a note.'
      );
    return putOff(s.id, step, until);
  }
  if (c.outcome === 'skipped') return tick(s.id, step, 'skipped');
  // What went in or was read has to be said: a tick never stands in for it.
  if (STEPS[step].isPut || STEPS[step].form)
    throw new InputError(
      'What was done has to be said.',
      'Such as: 3 campden, sg 1.012, racked to a 5 l jar.'
    );
  return doStep(s, step);
}
