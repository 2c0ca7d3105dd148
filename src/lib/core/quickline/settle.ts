import type { Ingredient } from '../plan/plan';
import { civilDay } from '../units/zone';
import { OF_NO_WINE, type Ask, type Command } from './command';
import { ask, read, type Context, type Read, type Wine } from './context';
import { unknown, type Part } from './pieces';
import { atDay, type When } from './when';
import { eachOnce } from './who';

/** A moment so little ahead is now: clocks differ. */
export const AHEAD_MS = 60_000;

/** Pieces that only name a wine or a time give it to what follows, else to what stands before. */
export function joined(parts: Part[]): Part[] {
  const out: Part[] = [];
  let [who, when]: [Wine[], When | null] = [[], null];
  for (const part of parts) {
    if (part.who.length > 0) who = part.who;
    if (part.when) when = part.when;
    out.push({ ...part, who: part.who.length > 0 ? part.who : who, when: part.when ?? when });
  }
  return out;
}

type Some = { batchId?: string; at?: string; vesselId?: string };
const isEmpty = ({ found }: Part): boolean => found.commands.length === 0 && found.asks.length === 0;

/** A command at the moment that was said of it, which has been, or is asked about. */
function atTime(command: Command, when: When, ctx: Context): Read {
  if ('day' in when && when.day < 1) return ask('when', 'The day it was begun is day 1.');
  const begun = ctx.wines.find((w) => w.id === (command as Some).batchId)?.startedAt;
  if ('day' in when && begun === undefined) return ask('when', 'Which date was that?');
  const said = 'day' in when ? atDay(when.day, begun!, ctx.zone) : when;
  // Said of a part of today that is still to come, it is now.
  const isAhead = said.at > ctx.now + AHEAD_MS && !OF_NO_WINE.has(command.kind);
  const isToday = said.isDay && civilDay(said.at, ctx.zone) === civilDay(ctx.now, ctx.zone);
  if (isAhead && !isToday) return ask('when', 'That is still to come: write down what has happened.');
  const isNow = (isToday && (isAhead || 'day' in when)) || said.at === ctx.now;
  return read(isNow ? command : ({ ...command, at: new Date(said.at).toISOString() } as Command));
}

/** Gives each command its wine and its moment, or asks for them; what is of one moment is one. */
export function settle(parts: readonly Part[], line: string, ctx: Context): Read {
  if (parts.every(isEmpty)) {
    const who = parts.find((x) => x.who.length > 0)?.who;
    if (who?.length === 1) return read({ kind: 'go', batchId: who[0]!.id });
    if (who) return which(who, line);
    return parts.some((x) => x.when) ? ask('what', 'What happened then?') : unknown(line);
  }
  const whose = nameBehind(parts, line, ctx);
  if (whose) return whose;
  const out: Read = { commands: [], asks: parts.flatMap((x) => x.found.asks) };
  const last = parts.findLast((x) => x.who.length > 0)?.who ?? [];
  for (const { found, who: own, when } of parts)
    for (const command of found.commands) {
      const placed = place(command, own.length > 0 ? own : last, line, ctx);
      const dated = placed.commands.map((c) => (when === null ? read(c) : atTime(c, when, ctx)));
      out.commands.push(...dated.flatMap((x) => x.commands));
      out.asks.push(...placed.asks, ...dated.flatMap((x) => x.asks));
    }
  const commands = together(out.commands);
  const twice = commands.find((c, i) =>
    commands.slice(0, i).some((x) => x.kind === 'reading' && c.kind === 'reading' && isSameMoment(x, c))
  );
  if (twice) out.asks.push(...ask('gravity', 'Two readings of one wine at one moment: which is it?').asks);
  return { commands, asks: distinct(out.asks) };
}

/**
 * On a wine's page: what is said before another wine is named, `1.012, plum stirred`, may be of either, and is asked
 * about. Null where nothing is in doubt.
 */
function nameBehind(parts: readonly Part[], line: string, ctx: Context): Read | null {
  const here = ctx.wines.find((w) => w.id === ctx.hereId);
  const named = parts.findIndex((x) => x.who.length > 0);
  const [other, ...more] = parts[named]?.who ?? [];
  if (!here || !other || more.length > 0 || other.id === here.id) return null;
  const isOfSome = (c: Command) => !OF_NO_WINE.has(c.kind) && !(c as Some).batchId;
  if (!parts.slice(0, named).some((x) => x.found.commands.some(isOfSome))) return null;
  return which([here, other], line);
}

/** A line without the name before its colon that did not tell which of several wines was meant. */
const withoutName = (line: string, name: string): string => {
  const [before, ...rest] = line.split(':');
  const bare = name.toLowerCase().replace(/ \d+$/, '');
  return rest.length > 0 && before!.trim().toLowerCase() === bare ? rest.join(':').trim() : line;
};

const which = (wines: readonly Wine[], line: string): Read =>
  ask(
    'batch',
    'Which wine?',
    wines.slice(0, 9).map((w) => ({
      label: w.label ?? w.name,
      line: `${w.name.toLowerCase()}: ${withoutName(line, w.name)}`
    }))
  );

/** Of whom it is: the one that is named, the page's, the only one that it fits; else it is asked. */
function place(command: Command, named: readonly Wine[], line: string, ctx: Context): Read {
  if (OF_NO_WINE.has(command.kind) || (command as Some).batchId) return read(command);
  const isNew = command.kind === 'addition' && command.items.some(isBody);
  // Where there is no wine yet, what one is made of is a plan.
  if (ctx.wines.length === 0) return isNew ? read({ kind: 'plan', items: command.items }) : read(command);
  if (command.kind === 'question' && ['sugar', 'dose', 'convert'].includes(command.about))
    return read(command);
  const of = (w: Wine): Read => read({ ...command, batchId: w.id } as Command);
  if (named.length === 1) return of(named[0]!);
  if (named.length > 1) {
    const fit = named.filter((w) => w.fits?.(command.kind) ?? true);
    return fit.length === 1 ? of(fit[0]!) : which(fit.length > 0 ? fit : named, line);
  }
  const here = ctx.wines.find((w) => w.id === ctx.hereId);
  if (here) return of(here);
  const wines = eachOnce(ctx.wines);
  const fit = wines.filter((w) => w.fits?.(command.kind) ?? true);
  if (fit.length === 1) return of(fit[0]!);
  const asked = which(fit.length > 0 ? fit : wines, line);
  return isNew
    ? {
        ...asked,
        asks: asked.asks.map((a) => ({
          ...a,
          choices: [{ label: 'plan a new wine', line: `plan ${line}` }, ...a.choices]
        }))
      }
    : asked;
}

/** What a wine is made of. */
const isBody = (i: Ingredient): boolean => i.kind === 'produce' || i.kind === 'juice' || i.kind === 'honey';

const WHERE = new Set(['kind', 'batchId', 'at']);
const said = (c: Command): string[] => Object.keys(c).filter((k) => !WHERE.has(k));
const isSameMoment = (a: Command, b: Command): boolean =>
  (a as Some).batchId === (b as Some).batchId &&
  (a as Some).at === (b as Some).at &&
  isSameVessel((a as Some).vesselId, (b as Some).vesselId);
/** Two jars are two; what names none may be of either. */
const isSameVessel = (a?: string, b?: string): boolean => a === b || a === undefined || b === undefined;

/** One command with what another adds to it; null where they are two things. */
function both(a: Command, b: Command): Command | null {
  if (!isSameMoment(a, b)) return null;
  if (a.kind === 'addition' && b.kind === 'addition') return { ...a, items: [...a.items, ...b.items] };
  const isWarmth = b.kind === 'observation' && said(b).join() === 'tempC';
  const sameKind = (a.kind === 'reading' || a.kind === 'observation') && a.kind === b.kind;
  if (!sameKind && !(a.kind === 'reading' && isWarmth)) return null;
  return said(b).some((k) => k in a) ? null : ({ ...b, ...a } as Command);
}

/** What was measured, seen or put in at one moment is one thing. */
function together(commands: readonly Command[]): Command[] {
  const out: Command[] = [];
  for (const c of commands) {
    const i = out.findIndex((x) => both(x, c) !== null);
    if (i >= 0) out[i] = both(out[i]!, c)!;
    else out.push(c);
  }
  return out;
}

const distinct = (asks: readonly Ask[]): Ask[] => [...new Map(asks.map((a) => [a.text, a])).values()];
