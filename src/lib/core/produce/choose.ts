import { findPoisonous, unsafePart } from '../cautions/plants';
import type { Ingredient } from '../must/plan';
import {
  ACID_ADDITIONS,
  SWEETENERS,
  type AcidAdditionId,
  type Sweetener,
  type SweetenerId
} from '../must/substances';
import { parseNumber, parseQuantity, type Quantity } from '../units/parse';
import { isMassUnit } from '../units/measure';
import type { Produce } from './schema';
import { findProduce } from './table';
import type { ProduceUnit } from './weigh';

/** What a typed line may mean: an ingredient with the amount that was said, or none yet. */
export type Choice = { label: string; hint: string; item: Ingredient; unit: ProduceUnit | null };

export type Choices =
  | { kind: 'refused'; why: string }
  | {
      kind: 'choices';
      choices: Choice[];
      quantity: Quantity | null;
      /** how many were said, when they were counted: `6 lemons` */
      count: number | null;
      unknown: string | null;
    };

/**
 * Splits `3 lb rhubarb` into its amount and the rest. The longest leading piece that reads as an amount wins.
 * @returns the amount, or null, and what is left of the text
 */
export function splitAmount(
  text: string,
  country: 'us' | 'uk' = 'us'
): { quantity: Quantity | null; rest: string } {
  const words = text.trim().split(/\s+/);
  for (let n = Math.min(words.length - 1, 6); n > 0; n--) {
    const lead = words.slice(0, n).join(' ');
    if (!/^[\d.,½¼¾⅓⅔⅛⅒]/.test(lead) || !/[a-z]/i.test(lead)) continue;
    try {
      const quantity = parseQuantity(lead, 'kg', country);
      return {
        quantity,
        rest: words
          .slice(n)
          .join(' ')
          .replace(/^of\s+/i, '')
      };
    } catch {
      // Not an amount this long; try one word fewer.
    }
  }
  return { quantity: null, rest: text.trim() };
}

/** `6 lemons`, `14 heads of elderflower`, `a dozen`: a number with no unit of weight or volume. */
function splitCount(text: string): { count: number | null; rest: string } {
  const match = /^(\d+(?:[.,]\d+)?|[½¼¾])\s+(?:(?:heads?|pieces?)\s+)?(?:of\s+)?([a-z].*)$/i.exec(
    text.trim()
  );
  const count = match ? parseNumber(match[1]!) : null;
  return count === null ? { count: null, rest: text } : { count, rest: match![2]! };
}

/**
 * What can be added for a typed line such as `rhubarb`, `3 lb rhubarb` or `apple juice`.
 * Poisonous plants and parts are refused before anything is offered.
 * @param text what was typed; empty offers nothing
 * @param own the user's own entries, which come before the table's
 */
export function chooseIngredient(
  text: string,
  country: 'us' | 'uk' = 'us',
  own: readonly Produce[] = []
): Choices {
  const { quantity, rest: said } = splitAmount(text, country);
  const { count, rest } = quantity ? { count: null, rest: said } : splitCount(said);
  const name = rest.toLowerCase();
  if (name.length < 2) return { kind: 'choices', choices: [], quantity, count, unknown: null };
  const poison = findPoisonous(name) ?? unsafePart(name);
  if (poison) return { kind: 'refused', why: poison.why };

  const massKg = quantity && isMassUnit(quantity.unit) ? quantity.base : 0;
  const volumeL = quantity && !isMassUnit(quantity.unit) ? quantity.base : 0;
  const unit = quantity?.unit ?? null;
  const choices: Choice[] = [];
  const wantsConcentrate = /\bconcentrate\b/.test(name);
  const wantsJuice = /\bjuice\b/.test(name) || wantsConcentrate;
  const bare = name
    .replace(/\b(juice|concentrate|fresh|frozen|thawed|dried|canned|tinned|ripe|trimmed|chopped)\b/g, '')
    .trim();
  const form =
    (['frozen', 'dried', 'canned'] as const).find((f) =>
      new RegExp(`\\b${f}\\b`).test(name.replace('tinned', 'canned').replace('thawed', 'frozen'))
    ) ?? 'fresh';
  // `elderberries` and `elderberry` are one: the stem is enough.
  const stem = bare.replace(/(ies|es|s)$/, '');
  const whole = bare ? findProduce(bare, own) : [];
  const found = whole.length > 0 || !bare ? whole : findProduce(stem, own);
  for (const p of found) {
    const entry = own.includes(p) ? { entry: p } : {};
    if (!wantsJuice && unit !== null && !isMassUnit(unit) && p.litreG === null && !p.forms.includes('juice'))
      continue;
    const asJuice = wantsJuice || (unit !== null && !isMassUnit(unit) && p.litreG === null);
    if (!asJuice) {
      const usedForm = p.forms.includes(form) ? form : p.forms.includes('fresh') ? 'fresh' : p.forms[0]!;
      const counted = count !== null && p.pieceG !== null ? count : null;
      // A bowl of fruit by volume is weighed by its loose litre.
      const kg = massKg || (volumeL * (p.litreG ?? 0)) / 1000 || ((counted ?? 0) * (p.pieceG ?? 0)) / 1000;
      choices.push({
        label: p.name,
        hint: p.latin,
        item: {
          kind: 'produce',
          produceId: p.id,
          ...entry,
          massKg: kg,
          form: usedForm as 'fresh' | 'frozen' | 'dried' | 'canned',
          // A counted piece is whole, with its peel and stone.
          ...(counted === null ? {} : { weighed: 'bought' as const })
        },
        unit: counted === null ? (unit && (isMassUnit(unit) || p.litreG) ? unit : null) : 'piece'
      });
    }
    if (p.forms.includes('juice') && massKg === 0 && count === null && !wantsConcentrate)
      choices.push({
        label: `${p.name} juice`,
        hint: 'pressed, nothing added',
        item: { kind: 'juice', produceId: p.id, ...entry, volumeL },
        unit: unit && !isMassUnit(unit) ? unit : null
      });
    if (p.forms.includes('concentrate') && wantsConcentrate && massKg === 0)
      choices.push({
        label: `${p.name} concentrate`,
        hint: 'about 68 °Bx',
        item: { kind: 'juice', form: 'concentrate', produceId: p.id, ...entry, volumeL },
        unit: unit && !isMassUnit(unit) ? unit : null
      });
  }
  if (wantsJuice) choices.sort((a, b) => Number(b.item.kind === 'juice') - Number(a.item.kind === 'juice'));
  for (const [id, sweetener] of Object.entries(SWEETENERS) as [SweetenerId, Sweetener][]) {
    const words = `${sweetener.words} ${sweetener.name.toLowerCase()}`;
    if (!name.split(/\s+/).every((w) => words.includes(w))) continue;
    choices.push({
      label: SWEETENERS[id].name,
      hint: SWEETENERS[id].note,
      item: id === 'honey' ? { kind: 'honey', massKg } : { kind: 'sugar', sugarId: id, massKg },
      unit: unit && isMassUnit(unit) ? unit : null
    });
  }
  if ('tap spring water'.includes(name) || name === 'water')
    choices.push({
      label: 'Water',
      hint: 'tap or spring',
      item: { kind: 'water', volumeL },
      unit: volumeL ? unit : null
    });
  for (const [id, acid] of Object.entries(ACID_ADDITIONS) as [
    AcidAdditionId,
    { name: string; note: string }
  ][])
    if (
      `${acid.name} ${id} ${id === 'potassium-bicarbonate' || id === 'calcium-carbonate' ? 'deacidify' : 'acid'}`
        .toLowerCase()
        .includes(name)
    )
      choices.push({
        label: acid.name,
        hint: acid.note,
        item: { kind: 'acid', acidId: id, massKg },
        unit: unit && isMassUnit(unit) ? unit : null
      });
  if ('red white wine'.includes(name))
    choices.push({
      label: 'Wine',
      hint: 'dry, about 12 %',
      item: { kind: 'wine', volumeL, abv: 12, sg: 0.994 },
      unit: volumeL ? unit : null
    });
  const exact = (c: Choice) => Number(c.label.toLowerCase() === bare || c.label.toLowerCase() === name);
  choices.sort((a, b) => exact(b) - exact(a));
  return {
    kind: 'choices',
    choices: choices.slice(0, 8),
    quantity,
    count,
    unknown: choices.length === 0 ? rest : null
  };
}
