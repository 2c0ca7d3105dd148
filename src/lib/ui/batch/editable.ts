import { correctReading } from '$core/liquid/hydrometer';
import { amountOf, entryOf } from '$core/plan/plan';
import { amountIn, readItem, typedUnit, unitLabel, YEAST_THING } from '$core/plan/thing';
import { readAmount } from '$core/units/amount';
import { entryFigure, entryText } from '$core/units/format';
import { fromCelsius } from '$core/units/measure';
import { parseAs, parseGravity, parsePh, parseTemperature, parseTitratable } from '$core/units/parse';
import type { LedgerEvent } from '$core/ledger/log';
import { vesselById } from '$lib/store/household.svelte';
import { countryOf, type Settings } from '$core/units/settings';
import { nameOf } from '$core/plan/name';

/** One thing of an event that can be put right: what it says now, and how new text goes into a copy of its data. */
export type Slot = { key: string; label: string; text: string; put: (data: never, text: string) => void };

type Bag = Record<string, unknown>;

/** What of an event can be corrected in place; the rest is taken back and written anew. */
export function slotsOf(e: LedgerEvent, s: Settings): Slot[] {
  const country = countryOf(s);
  const volume = (
    key: string,
    label: string,
    value: number,
    put: (data: Bag, litres: number) => void
  ): Slot => ({
    key,
    label,
    text: `${entryText(value, s.volume)} ${s.volume === 'L' ? 'L' : s.volume.replace('-', ' ')}`,
    put: (data, text) => put(data as Bag, parseAs('volume', text, s.volume, country).base)
  });
  switch (e.type) {
    case 'reading': {
      const out: Slot[] = [];
      const { sg, stemSg, tempC, ph, taGL, volumeL } = e.data;
      const marked = s.hydrometer.calibratedC;
      if (sg !== undefined) {
        const offset = s.hydrometer.inWater - 1;
        const correct = (data: Bag) => {
          const stem = (data.stemSg as number | undefined) ?? (data.sg as number);
          data.sg = correctReading(stem - offset, (data.tempC as number | undefined) ?? marked, marked);
        };
        out.push({
          key: 'sg',
          label: 'The stem showed',
          text: (stemSg ?? sg).toFixed(3),
          put: (data, text) => {
            (data as Bag).stemSg = parseGravity(text);
            correct(data);
          }
        });
        out.push({
          key: 'temp',
          label: `Sample, °${s.temp}`,
          text: tempC === undefined ? '' : fromCelsius(tempC, s.temp).toFixed(1),
          put: (data, text) => {
            if (text.trim()) (data as Bag).tempC = parseTemperature(text, s.temp);
            else delete (data as Bag).tempC;
            correct(data);
          }
        });
      }
      if (ph !== undefined)
        out.push({ key: 'ph', label: 'pH', text: String(ph), put: (d, t) => ((d as Bag).ph = parsePh(t)) });
      if (taGL !== undefined)
        out.push({
          key: 'ta',
          label: 'TA, g/L',
          text: String(taGL),
          put: (d, t) => ((d as Bag).taGL = parseTitratable(t))
        });
      if (volumeL !== undefined) out.push(volume('volume', 'So much', volumeL, (d, l) => (d.volumeL = l)));
      return out;
    }
    case 'addition':
    case 'steep':
      return e.data.ingredients.map((item, i): Slot => {
        const used = typedUnit(item, 'volumeL' in item ? s.volume : item.kind === 'produce' ? s.mass : 'g');
        return {
          key: `item${i}`,
          label: nameOf(item),
          text: `${entryFigure(amountIn(item, amountOf(item), used), used)} ${unitLabel(used, entryOf(item))}`,
          put: (data, text) => {
            const row = ((data as Bag).ingredients as Bag[])[i]!;
            Object.assign(row, readItem(text, item, used, country).item);
          }
        };
      });
    case 'transfer':
      return [
        ...e.data.to.map((t, i) =>
          volume(`to${i}`, `Into the ${vesselById(t.vesselId)?.name ?? 'vessel'}`, t.volumeL, (d, l) => {
            (d.to as Bag[])[i]!.volumeL = l;
          })
        ),
        volume('loss', 'Left behind', e.data.lossL, (d, l) => (d.lossL = l))
      ];
    case 'fruit-out':
      return e.data.volumeL === undefined
        ? []
        : [volume('volume', 'Left', e.data.volumeL, (d, l) => (d.volumeL = l))];
    case 'sample':
    case 'loss':
      return [volume('volume', 'How much', e.data.volumeL, (d, l) => (d.volumeL = l))];
    case 'pitch':
      return [
        {
          key: 'mass',
          label: 'Grams',
          text: e.data.massG?.toString() ?? '',
          put: (d, t) => {
            if (t.trim()) (d as Bag).massG = readAmount(t, YEAST_THING, 'g', country).base * 1000;
            else delete (d as Bag).massG;
          }
        }
      ];
    case 'note':
      return [{ key: 'text', label: 'Note', text: e.data.text, put: (d, t) => ((d as Bag).text = t.trim()) }];
    default:
      return [];
  }
}

/** What an event did to the wine, where it did anything: `13.0 → 12.6 L, 1.078 → 1.082`. */
export function effectText(
  before: { volumeL: number; sg: number | null; abv: number },
  after: { volumeL: number; sg: number | null; abv: number },
  show: (litres: number) => string
): string {
  const said: string[] = [];
  if (before.volumeL > 0 && show(before.volumeL) !== show(after.volumeL))
    said.push(`${show(before.volumeL)} → ${show(after.volumeL)}`);
  if (before.sg !== null && after.sg !== null && Math.abs(after.sg - before.sg) > 6e-4)
    said.push(`${before.sg.toFixed(3)} → ${after.sg.toFixed(3)}`);
  if (Math.abs(after.abv - before.abv) > 0.06)
    said.push(`${before.abv.toFixed(1)} → ${after.abv.toFixed(1)} %`);
  return said.join(', ');
}
