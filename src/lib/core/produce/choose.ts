import { findPoisonous, unsafePart } from '../cautions/plants';
import type { Ingredient } from '../must/plan';
import { SWEETENERS, type SweetenerId } from '../must/substances';
import { parseQuantity, type Quantity } from '../units/parse';
import { isMassUnit, type Unit } from '../units/measure';
import { findProduce } from './table';

/** What a typed line may mean: an ingredient with the amount that was said, or none yet. */
export type Choice = { label: string; hint: string; item: Ingredient; unit: Unit | null };

export type Choices =
  | { kind: 'refused'; why: string }
  | { kind: 'choices'; choices: Choice[]; quantity: Quantity | null; unknown: string | null };

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

const SWEET_WORDS: Record<SweetenerId, string> = {
  white: 'white sugar table cane beet granulated',
  brown: 'brown sugar demerara',
  dextrose: 'dextrose corn sugar glucose brewing',
  honey: 'honey',
  'invert-syrup': 'invert syrup golden sugar',
  'maple-syrup': 'maple syrup',
  lactose: 'lactose milk sugar',
  erythritol: 'erythritol sweetener'
};

/**
 * What can be added for a typed line such as `rhubarb`, `3 lb rhubarb` or `apple juice`.
 * Poisonous plants and parts are refused before anything is offered.
 * @param text what was typed; empty offers nothing
 */
export function chooseIngredient(text: string, country: 'us' | 'uk' = 'us'): Choices {
  const { quantity, rest } = splitAmount(text, country);
  const name = rest.toLowerCase();
  if (name.length < 2) return { kind: 'choices', choices: [], quantity, unknown: null };
  const poison = findPoisonous(name) ?? unsafePart(name);
  if (poison) return { kind: 'refused', why: poison.why };

  const massKg = quantity && isMassUnit(quantity.unit) ? quantity.base : 0;
  const volumeL = quantity && !isMassUnit(quantity.unit) ? quantity.base : 0;
  const unit = quantity?.unit ?? null;
  const choices: Choice[] = [];
  const wantsJuice = /\bjuice\b/.test(name);
  const bare = name.replace(/\b(juice|fresh|frozen|dried|ripe|trimmed|chopped)\b/g, '').trim();
  const form = /\bfrozen\b/.test(name) ? 'frozen' : /\bdried\b/.test(name) ? 'dried' : 'fresh';
  // `elderberries` and `elderberry` are one: the stem is enough.
  const stem = bare.replace(/(ies|es|s)$/, '');
  const found = bare ? (findProduce(bare).length > 0 ? findProduce(bare) : findProduce(stem)) : [];
  for (const p of found) {
    if (!wantsJuice && unit !== null && !isMassUnit(unit) && p.litreG === null && !p.forms.includes('juice'))
      continue;
    const asJuice = wantsJuice || (unit !== null && !isMassUnit(unit) && p.litreG === null);
    if (!asJuice) {
      const usedForm = p.forms.includes(form) ? form : p.forms[0] === 'juice' ? 'fresh' : p.forms[0]!;
      // A bowl of fruit by volume is weighed by its loose litre.
      const kg = massKg || (volumeL * (p.litreG ?? 0)) / 1000;
      choices.push({
        label: p.name,
        hint: p.latin,
        item: {
          kind: 'produce',
          produceId: p.id,
          massKg: kg,
          form: usedForm as 'fresh' | 'frozen' | 'dried'
        },
        unit: unit && isMassUnit(unit) ? unit : null
      });
    }
    if (p.forms.includes('juice') && massKg === 0)
      choices.push({
        label: `${p.name} juice`,
        hint: 'pressed, nothing added',
        item: { kind: 'juice', produceId: p.id, volumeL },
        unit: unit && !isMassUnit(unit) ? unit : null
      });
  }
  if (wantsJuice) choices.sort((a, b) => Number(b.item.kind === 'juice') - Number(a.item.kind === 'juice'));
  for (const [id, words] of Object.entries(SWEET_WORDS) as [SweetenerId, string][]) {
    if (!name.split(/\s+/).every((w) => words.includes(w) || SWEETENERS[id].name.toLowerCase().includes(w)))
      continue;
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
    unknown: choices.length === 0 ? rest : null
  };
}
