import { measureAt } from '../units/words';
import type { OwnYeast } from '../plan/own-yeast';
import type { Produce } from '../tables/produce';
import type { MassUnit, VolumeUnit } from '../units/measure';
import type { Country } from '../units/words';
import type { Ask, Command, CommandKind } from './command';

/** A wine that a line may speak of. */
export type Wine = {
  id: string;
  name: string;
  /** when it was begun, ms, by which `day 5` is counted */
  startedAt?: number;
  /** what of it stands in vessels, L */
  volumeL?: number;
  /** the usual dose for it, g, of what one tap of a step puts in; null for anything else */
  usualG?: (additiveId: string) => number | null;
  /** how it is told from another of its name, where one has to choose */
  label?: string;
  /** whether such a thing can happen to it as it stands; left out, anything can */
  fits?: (kind: CommandKind) => boolean;
};

/** What a line is read by. */
export type Context = {
  /** ms */
  now: number;
  /** IANA */
  zone: string;
  mass: MassUnit;
  volume: VolumeUnit;
  temp: 'C' | 'F';
  country: Country;
  wines: readonly Wine[];
  /** the wine of the page */
  hereId: string | null;
  /** vessels of the household, and the wine that stands in each */
  vessels: readonly { id: string; name: string; capacityL: number; wineId?: string; isOpen?: boolean }[];
  own: readonly Produce[];
  /** yeasts as the household's packets call them */
  yeasts?: readonly OwnYeast[];
  /** the line as it was written, with its capitals */
  plain?: string;
  /** what goes in together, by the household's own name for it */
  sets?: readonly { name: string; line: string }[];
};

/** What has to be asked; `left` is what was not understood, where the rest of the line was. */
export type Asked = Ask & { left?: string };

/** What was made of a piece of a line: nothing of either is nothing at all. */
export type Read = { commands: Command[]; asks: Asked[] };

export const ask = (about: Ask['about'], text: string, choices: Ask['choices'] = []): Read => ({
  commands: [],
  asks: [{ about, text, choices }]
});
/** What was read of several things: those that are known, and what has to be asked of the others. */
export const some = (commands: Command[], wrong: readonly Read[]): Read => ({
  commands,
  asks: wrong.flatMap((w) => w.asks)
});
export const read = (...commands: Command[]): Read => ({ commands, asks: [] });

/**
 * A piece of a line: what is still to be understood of it, in small letters. What is understood is taken out, so that
 * nothing is dropped.
 */
export type Piece = { text: string };

/** Finds something in a text as a pattern does. */
export type Finder = { exec: (text: string) => RegExpExecArray | null };

/** Takes what matches out of a piece; null when nothing does. */
export function take(p: Piece, pattern: Finder): RegExpExecArray | null {
  const m = pattern.exec(p.text);
  if (m) p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(m.index + m[0].length)}`;
  return m;
}

/**
 * Whether a text begins with a unit of weight or volume.
 * @example startsWithUnit(' kg sugar') // true
 */
export function startsWithUnit(text: string): boolean {
  try {
    return measureAt(text, text, 'us')?.measure.kind === 'unit';
  } catch {
    return false;
  }
}

/** What is read of the same words in the same line once, however often they are tried. A line has a context of its own. */
export function oncePerLine<T>(): (ctx: Context, key: string, make: () => T) => T {
  const lines = new WeakMap<Context, Map<string, T>>();
  return (ctx, key, make) => {
    let known = lines.get(ctx);
    if (!known) lines.set(ctx, (known = new Map()));
    const found = known.get(key) ?? make();
    known.set(key, found);
    return found;
  };
}

/** Words that say nothing more. */
const FILLER = new Set(
  "a an the it its is was are were be been has have had i we me my our this that of in into to at on for with and then now just again still so also by about roughly around approximately nearly tested from as here there please today got some more wine must batch jar bucket demijohn carboy stuff thing well ok okay yes all right it's i've down checked fermenting finally".split(
    ' '
  )
);

export const isFiller = (word: string): boolean => FILLER.has(word);

/** What is left of a piece that says something, or nothing. */
export const leftOf = (p: Piece): string => wordsLeft(p.text);

/** The words of a text that say something. */
export const wordsLeft = (text: string): string =>
  text
    .split(/[\s,;:.!/@()+&-]+/)
    .filter((w) => w && !FILLER.has(w))
    .join(' ');
