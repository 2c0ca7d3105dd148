import type { Command } from './command';
import { ask, type Context, type Piece, type Read } from './context';
import { isOfSize } from '../vessels/vessels';
import { fluid, litresIn, VOLUME } from './phrases/volume';

type Vessel = Context['vessels'][number];

/** A vessel as it is called by its size or its shape: `in 3 gal`, `in the 5 l jar`, `from the carboy`. */
const SAID = new RegExp(
  `\\b(in|into|to|from|out\\s+of)\\s+(?:(?:the|my|our)\\s+)?(?:(${VOLUME}|\\d+(?:\\.\\d+)?[\\s-]*oz(?=[\\s-]*bottle))(?:[\\s-]*(jar|carboy|demijohn|jug|bucket|barrel|bottle))?|(jar|carboy|demijohn|jug|bucket|barrel))(?!\\w)`
);
/** Whether a piece may speak of a vessel so. */
export const maySayVessel = (text: string): boolean => SAID.test(text);

/** What large glass is called, and what bears a name that says it is none. */
const GLASS = /^(?:jar|carboy|demijohn|jug)$/;
const OTHER = /\b(?:bottle|bucket|barrel|keg|tank)\b/;

/** As near to its name a size has to be. */
const SAME = 0.02;

/** Whether it is called by so many litres in its own name; where that says none, by what it holds. */
function isCalled(v: Vessel, litres: number, ctx: Pick<Context, 'volume' | 'country'>): boolean {
  const size = new RegExp(`^${VOLUME}`).exec(v.name.toLowerCase())?.[0];
  const named = size ? litresIn(size, ctx) : null;
  if (named !== null) return Math.abs(named - litres) <= SAME * litres;
  return isOfSize(v, litres);
}

/** A size without a word for the vessel may be of anything that goes in: it is a vessel's where something is read there. */
const READ_THERE: ReadonlySet<string> = new Set(['reading', 'observation']);
/** What goes into a vessel, and does not leave it. */
export const GOES_IN: ReadonlySet<string> = new Set(['addition', 'make-up', 'pitch', 'steep', 'top-up']);

/** Vessels that can be meant, the words that name them, and whether something of a kind can be said of one in these words. */
export type Loose = { vessels: Vessel[]; words: string; fits: (kind: Command['kind']) => boolean };

/** Takes out of a piece a vessel in which wine stands, called by its size or its shape; undefined where none is. */
export function takeLoosely(
  p: Piece,
  ctx: Pick<Context, 'vessels' | 'volume' | 'country'>
): Loose | undefined {
  const m = SAID.exec(p.text);
  if (!m) return undefined;
  const [whole, where, size, sized, alone] = m;
  const litres = size ? litresIn(fluid(size).replace(/-/g, ' '), ctx) : null;
  if (size && litres === null) return undefined;
  const shape = sized ?? alone;
  const full = ctx.vessels.filter((v) => v.wineId !== undefined);
  const bears = (v: Vessel) => v.name.toLowerCase().includes(shape!);
  // One house's carboy is another's jar, where no vessel is called so.
  const isGlass = shape !== undefined && GLASS.test(shape) && !full.some(bears);
  const isSuch = (v: Vessel) => (isGlass ? !v.isOpen && !OTHER.test(v.name.toLowerCase()) : bears(v));
  const those = full.filter((v) => (litres === null || isCalled(v, litres, ctx)) && (!shape || isSuch(v)));
  if (those.length === 0) return undefined;
  p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(m.index + whole.length)}`;
  const isInto = /^(?:into|to)$/.test(where!);
  return {
    vessels: those,
    words: whole.slice(where!.length).trim(),
    fits: (kind) =>
      isInto ? GOES_IN.has(kind) && shape !== undefined : shape !== undefined || READ_THERE.has(kind)
  };
}

/** Of vessels that can be meant those of one wine, where it stands in any of them. */
export function ofWine(vessels: readonly Vessel[], wineId: string | null): Vessel[] {
  const own = vessels.filter((v) => v.wineId === wineId);
  return own.length > 0 ? own : [...vessels];
}

/** Asks which of several vessels is meant by some words of a line. */
export const whichOf = (vessels: readonly Vessel[], words: string, line: string): Read =>
  ask(
    'vessel',
    'Which one is meant?',
    vessels.map((v) => ({ label: v.name, line: line.replace(words, `the ${v.name.toLowerCase()}`) }))
  );
