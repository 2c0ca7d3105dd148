import { InputError } from './input-error';
import { eachOf } from './each';
import { isMassUnit, isVolumeUnit, toBase } from './measure';
import { type Country, type AmountUnit, SAY } from './words';
import { type Thing, type Amount, type Part, type Said, sayAmount } from './amount';

/** Which of the two `1,500` means, in this unit. @throws InputError that asks where either could be */
function settled(p: Part, unit: AmountUnit, text: string): number {
  const { other } = p.figure;
  if (!other) return p.n;
  const small = unit === 'g' || unit === 'mL';
  if (other.mark === ',' && small) return other.n * (p.n / p.figure.n || 1);
  if (other.mark === '.' ? !small : unit === 'kg' || unit === 'L') return p.n;
  throw new InputError(
    `“${text.trim()}” can be ${p.n} or ${other.n}.`,
    `Write ${String(p.n).replace(/0+$/, '')} or ${other.n}, with its unit.`
  );
}

const LEAST_STEM = 3;

const wordsOf = (text: string): string[] => text.split(/[^a-z0-9'-]+/).filter((w) => w && !HOW.has(w));

/** Whether a name names anything: `old` and `large dark` only say how a thing is. */
export const namesAny = (name: string): boolean => wordsOf(name).length > 0;

/** Whether every word of `of` is a word of the thing, or only says how it is. */
export function isNamed(of: string, thing: Thing): boolean {
  const words = ` ${thing.words} `;
  return wordsOf(of).every((w) => {
    const stem = w.replace(/(ies|es|s)$/, '');
    // So little of a word is the beginning of many.
    return words.includes(` ${w} `) || (stem.length >= LEAST_STEM && words.includes(` ${stem}`));
  });
}

/** Words that say how a thing is, or what part of it one has in hand, and change no weight. */
export const HOW: ReadonlySet<string> = new Set(
  'of the my own blood sour sweet unripe sharp fresh frozen thawed dried tinned canned ripe trimmed chopped sliced mashed crushed wild yellow golden red green white black blue purple dark large small medium big little whole peeled stoned pitted seedless washed foraged picked home-grown garden organic loose packed mixed old young good petals petal blossoms blossom flowers flower heads head flowerheads florets stalks stalk sticks stick fruit fruits berries leaves pieces piece tablets tablet tabs packets packet sachets sachet skins skin pureed puréed puree purée pulped whizzed squashed pressed'.split(
    ' '
  )
);

/**
 * Reads an amount of a thing: `4.5 kg`, `9 lb 4 oz`, `2½ us gal`, `4 cups`, `3 tablets`, `2 x 5 L`, `1180 − 240 g`, or
 * a bare `3` in the unit that stands beside the field. Its own name may stand with it.
 * @param thing what it is of; null for a plain weight or volume
 * @param bare the unit of a number that has none; null asks
 * @param country of a bare gallon, quart, pint or fluid ounce
 * @returns the amount in the unit it was said in, and kg or L
 * @throws InputError that asks, wherever it is not sure
 * @example readAmount('9 lb 4 oz', null, 'kg').base // 4.196
 */
export function readAmount(
  text: string,
  thing: Thing | null,
  bare: AmountUnit | null,
  country: Country = 'us'
): Amount {
  return reckon(sayAmount(text, country), text, thing, bare);
}

/** The same from what was said already. @throws InputError as `readAmount` */
export function reckon(said: Said, text: string, thing: Thing | null, bare: AmountUnit | null): Amount {
  const { parts, of } = said;
  if (of && !(thing && isNamed(of, thing)))
    throw new InputError(
      thing
        ? `“${of}” is no unit, and not ${thing.name.toLowerCase()}.`
        : `“${of}” is not a unit of weight or volume.`,
      thing ? `Give an amount of ${thing.name.toLowerCase()} here.` : SAY
    );
  // In a sum, a bare number takes the unit said next, else the one before; with a name alone, it is counted.
  const counted: AmountUnit | null =
    of && thing?.each?.piece ? 'piece' : of && thing?.each?.tablet ? 'tablet' : null;
  const unitOf = (p: Part): { unit: AmountUnit; times: number } | null =>
    p.measure?.kind === 'unit'
      ? { unit: p.measure.unit, times: p.measure.times }
      : p.measure?.kind === 'count'
        ? { unit: p.measure.of, times: 1 }
        : null;
  const unitAt = (i: number) => {
    const found =
      unitOf(parts[i]!) ??
      parts
        .slice(i + 1)
        .map(unitOf)
        .find((u) => u) ??
      parts
        .slice(0, i)
        .map(unitOf)
        .findLast((u) => u) ??
      (counted || bare ? { unit: (counted ?? bare)!, times: 1 } : null);
    if (!found)
      throw new InputError(
        `“${text.trim()}” has no unit.`,
        thing?.each?.piece ? 'Are they counted, or is it a weight? Write pieces, kg or lb with it.' : SAY
      );
    if (of && !parts[i]!.measure && !counted && parts.length === 1)
      throw new InputError(
        `I do not know what a piece of ${thing!.name.toLowerCase()} weighs.`,
        'Weigh it: give kg, g, lb or oz.'
      );
    return found;
  };
  let [base, saidKg, saidL, n] = [0, 0, 0, 0];
  const kinds = new Set<string>();
  const units = parts.map((_, i) => unitAt(i));
  for (const [i, p] of parts.entries()) {
    const { unit, times } = units[i]!;
    const amount = p.sign * settled(p, unit, text) * times;
    kinds.add(isMassUnit(unit) ? 'mass' : isVolumeUnit(unit) ? 'volume' : unit);
    if (!thing && kinds.size > 1)
      throw new InputError(`“${text.trim()}” mixes weight and volume.`, 'Enter them as two lines.');
    base += amount * eachOf(unit, thing);
    if (isMassUnit(unit)) saidKg += toBase(amount, unit);
    else if (isVolumeUnit(unit)) saidL += toBase(amount, unit);
    else n += amount;
  }
  if (base < 0 || !Number.isFinite(base))
    throw new InputError(
      `“${text.trim()}” comes to less than nothing.`,
      'Give the fuller weighing first, or say which of the two it is.'
    );
  const unit = units[0]!.unit;
  return {
    amount: base / eachOf(unit, thing),
    unit,
    base,
    ...(kinds.size === 1 && n ? { count: n } : {}),
    ...(kinds.size === 1 && saidL ? { saidL } : {}),
    ...(kinds.size === 1 && saidKg ? { saidKg } : {})
  };
}
