import { brixFromSg } from '$core/liquid/sugar';
import { entryOf, type Ingredient } from '$core/plan/plan';
import { isStrained } from '$core/must/strain';
import { PRESSES, RIPENESS } from '$core/plan/extraction';
import { CUTS, FORM_NOTES, HEATS } from '$core/plan/handling';
import { InputError } from '$core/units/input-error';
import { parseNumber, parsePh, parseTitratable } from '$core/units/parse';

/** What is said of a row's lot, shortest first: `frozen, as bought, very ripe, 17 °Bx`. */
export function lotText(item: Ingredient): string {
  const said: string[] = [];
  if (item.kind === 'wine') return `${item.abv} %, ${item.sg.toFixed(3)}`;
  if (item.kind === 'produce') {
    const forms = entryOf(item)?.forms ?? [];
    if (forms.length > 1 || item.form !== forms[0]) said.push(FORM_NOTES[item.form ?? 'fresh'].name);
    if (item.thawJuice === 'poured-off' && item.form === 'frozen') said.push('juice poured off');
    said.push(item.weighed === 'bought' ? 'as bought' : 'trimmed');
    if (item.pressed) said.push(PRESSES[item.pressed.press].name);
    else {
      if (item.cut && item.cut !== 'crushed') said.push(CUTS[item.cut].name);
      if (item.heat && item.heat !== 'raw') said.push(HEATS[item.heat].name);
      if (isStrained(item)) said.push('strained');
    }
  }
  if (item.kind === 'produce' || item.kind === 'juice') {
    if (item.ripeness && item.ripeness !== 'ripe') said.push(RIPENESS[item.ripeness].name);
    const m = item.measured;
    if (m?.brix !== undefined) said.push(`${m.brix.toFixed(1)} °Bx`);
    if (m?.taGL !== undefined) said.push(`${m.taGL.toFixed(1)} g/L`);
    if (m?.ph !== undefined) said.push(`pH ${m.ph}`);
    if (item.entry?.garden) said.unshift(`from your own ${item.entry.garden.batches} batches`);
    if (said.length === 0) said.push('as the table has it');
  }
  return said.join(', ');
}

type Finding = 'brix' | 'taGL' | 'ph';

/**
 * What was measured in the juice, from text: sugar as °Bx or as a gravity, acid in any of its ways, pH.
 * @returns undefined for an empty field
 * @throws InputError
 */
export function readFinding(which: Finding, text: string): number | undefined {
  if (text.trim() === '') return undefined;
  if (which === 'taGL') return parseTitratable(text, 60);
  if (which === 'ph') return parsePh(text);
  const value = parseNumber(text.replace(/°?\s*(bx|brix|%)$/i, '').trim());
  if (value === null) throw new InputError(`“${text}” is no sugar reading.`, 'Write 12.5 °Bx or 1.050.');
  if (value >= 1 && value < 1.36 && text.includes('.')) return Math.max(0, brixFromSg(value));
  if (value >= 1000 && value < 1360) return Math.max(0, brixFromSg(value / 1000));
  if (value > 80) throw new InputError(`${text} is off the scale.`, 'Write 12.5 °Bx or 1.050.');
  return value;
}
