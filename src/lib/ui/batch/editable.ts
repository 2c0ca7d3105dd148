import { readItem } from '$core/plan/read-item';
import type { Slot } from '$core/ledger/events/define';
import { defOf, type LedgerEvent } from '$core/ledger/log';
import { correctReading } from '$core/liquid/hydrometer';
import { amountOf, entryOf, type Ingredient } from '$core/plan/plan';
import { amountIn, typedUnit, unitLabel, YEAST_THING } from '$core/plan/thing';
import { readAmount } from '$core/units/reckon';
import { entryFigure, entryText } from '$core/units/format';
import { fromCelsius } from '$core/units/measure';
import { parseAs, parseGravity, parsePh, parseTemperature, parseTitratable } from '$core/units/parse';
import { countryOf, type Settings } from '$core/units/settings';
import { partText } from '../words/event-words';

/** One thing of an event that can be put right: what it says now, and how new text goes into a copy of its data. */
export type Field = { key: string; label: string; text: string; put: (data: never, text: string) => void };

type Bag = Record<string | number, unknown>;
/** How a kind of slot is shown and read. */
type Reader = (value: unknown, s: Settings) => { text: string; read: (text: string) => unknown };

const isLeftOut = (text: string) => text.trim() === '';
const READERS: Record<Exclude<Slot['kind'], 'stem' | 'sample'>, Reader> = {
  volume: (litres, s) => ({
    text: `${entryText(litres as number, s.volume)} ${s.volume === 'L' ? 'L' : s.volume.replace('-', ' ')}`,
    read: (text) => parseAs('volume', text, s.volume, countryOf(s)).base
  }),
  item(value, s) {
    const item = value as Ingredient;
    const used = typedUnit(item, 'volumeL' in item ? s.volume : item.kind === 'produce' ? s.mass : 'g');
    return {
      text: `${entryFigure(amountIn(item, amountOf(item), used), used)} ${unitLabel(used, entryOf(item))}`,
      read: (text) => ({ ...item, ...readItem(text, item, used, countryOf(s)).item })
    };
  },
  ph: (ph) => ({ text: String(ph), read: parsePh }),
  ta: (ta) => ({ text: String(ta), read: parseTitratable }),
  yeast: (massG, s) => ({
    text: massG === undefined ? '' : String(massG),
    read: (text) =>
      isLeftOut(text) ? undefined : readAmount(text, YEAST_THING, 'g', countryOf(s)).base * 1000
  }),
  text: (said) => ({ text: String(said), read: (text) => text.trim() })
};

const bagAt = (data: Bag, path: Slot['path']) =>
  path.slice(0, -1).reduce<Bag>((bag, key) => bag[key] as Bag, data);

/** What the stem showed and how warm the sample was correct the gravity together. */
function stemField(kind: 'stem' | 'sample', data: Bag, s: Settings): Pick<Field, 'text' | 'put'> {
  const marked = s.hydrometer.calibratedC;
  const correct = (d: Bag) => {
    const stem = ((d.stemSg ?? d.sg) as number) - (s.hydrometer.inWater - 1);
    d.sg = correctReading(stem, (d.tempC as number | undefined) ?? marked, marked);
  };
  const put = (d: Bag, text: string) => {
    if (kind === 'stem') d.stemSg = parseGravity(text);
    else if (isLeftOut(text)) delete d.tempC;
    else d.tempC = parseTemperature(text, s.temp);
    correct(d);
  };
  const text =
    kind === 'stem'
      ? ((data.stemSg ?? data.sg) as number).toFixed(3)
      : data.tempC === undefined
        ? ''
        : fromCelsius(data.tempC as number, s.temp).toFixed(1);
  return { text, put };
}

/** What of an event can be corrected in place; the rest is taken back and written anew. */
export function fieldsOf(e: LedgerEvent, s: Settings): Field[] {
  const slots = defOf(e).slots?.(e.data) ?? [];
  return slots.map(({ path, label, kind }): Field => {
    const head = {
      key: path.join('.'),
      label: label.map((p) => partText(p, s, () => '')).join('') + (kind === 'sample' ? `, °${s.temp}` : '')
    };
    if (kind === 'stem' || kind === 'sample') return { ...head, ...stemField(kind, e.data as Bag, s) };
    const key = path.at(-1)!;
    const { text, read } = READERS[kind](bagAt(e.data as Bag, path)[key], s);
    const put = (data: Bag, typed: string) => {
      const value = read(typed);
      if (value === undefined) delete bagAt(data, path)[key];
      else bagAt(data, path)[key] = value;
    };
    return { ...head, text, put };
  });
}

/** What clings to a vessel is no wine, L. */
const A_DREG_L = 0.02;

/** What an event did to the wine, where it did anything: `13.0 → 12.6 L, 1.078 → 1.082`. */
export function effectText(
  before: { volumeL: number; sg: number | null; abv: number },
  after: { volumeL: number; sg: number | null; abv: number },
  show: (litres: number) => string
): string {
  const said: string[] = [];
  // A dreg is told as nothing: `0.08 mL → 0.0 L` says no more.
  if (before.volumeL > A_DREG_L && show(before.volumeL) !== show(after.volumeL))
    said.push(`${show(before.volumeL)} → ${after.volumeL > A_DREG_L ? show(after.volumeL) : 'nothing'}`);
  if (before.sg !== null && after.sg !== null && Math.abs(after.sg - before.sg) > 6e-4)
    said.push(`${before.sg.toFixed(3)} → ${after.sg.toFixed(3)}`);
  // Of what is there no more no strength is told.
  if (after.volumeL > 0 && Math.abs(after.abv - before.abv) > 0.06)
    said.push(`${before.abv.toFixed(1)} → ${after.abv.toFixed(1)} %`);
  return said.join(', ');
}
