import { inL } from '../units/say';
import { findPoisonous, unsafePart } from '../tables/plants';
import type { Ingredient } from './plan';
import { SWEETENERS, type Sweetener, type SweetenerId } from '../tables/sweeteners';
import { ACID_ADDITIONS, ADDITIVES, type AcidAdditionId, type AdditiveId } from '../tables/substances';
import type { AmountUnit, Country } from '../units/words';
import { HOW, reckon } from '../units/reckon';
import { mayHoldFigure, plainText } from '../units/number';
import { tryAmount, type Amount, type Said } from '../units/amount';
import { explain, InputError } from '../units/input-error';
import type { Produce } from '../tables/produce';
import { findProduce } from '../tables/table';
import { POWDER_WORDS, thingOf, withRead } from './thing';

/**
 * What a typed line may mean: an ingredient with the amount that was said, or none yet. Where an amount was said that
 * is none for it, `ask` says what to say instead.
 */
export type Choice = {
  label: string;
  hint: string;
  item: Ingredient;
  unit: AmountUnit | null;
  amount: Amount | null;
  ask: string | null;
};

export type Choices =
  | { kind: 'refused'; why: string }
  | {
      kind: 'choices';
      choices: Choice[];
      /** what of the text is no amount */
      name: string;
      /** the name, when it is not known; null when something was found */
      unknown: string | null;
      /** why the amount cannot be read, where it stands before a name */
      ask: string | null;
    };

/** Words of an amount that is none. */
const NO_AMOUNT = /\b(?:some|several|few|lots?|about|nearly)\b/i;
/** Whether a text is the name of something, with nothing in it that could be an amount. */
const isBareName = (text: string) => !mayHoldFigure(plainText(text)) && !NO_AMOUNT.test(text);

/** `juice of two lemons`: the amount first. */
const PART_OF = /^\s*(?:the\s+)?(juice|zest|rind|peel)\s+(?:of|from)\s+(.+)$/i;

/** The amount a line begins with, or why it is none, and the name that is left. */
function split(typed: string, country: Country): { said: Said | null; name: string; ask: string | null } {
  const text = typed.replace(PART_OF, '$2 $1');
  if (isBareName(text)) return { said: null, name: text.trim().toLowerCase(), ask: null };
  const said = tryAmount(text, country);
  if (!(said instanceof InputError)) return { said, name: said.of, ask: null };
  const bare = text.trim().toLowerCase();
  // Words that are no amount at all are a name.
  if (!/\d|^(?:an?|some|several|few|half|one|two|lots?|about|nearly)\s/.test(bare))
    return { said: null, name: bare, ask: null };
  const name =
    /(?:^|\s)of\s+(.+)$/.exec(bare)?.[1] ?? bare.replace(/^(?:[^a-z]|\b(?:some|several|a|few|lots?)\b)+/, '');
  return { said: null, name: /^[a-z]/.test(name) && !/\d/.test(name) ? name : '', ask: explain(said) };
}

/** A name, and then with less and less of what only says how the thing is. */
function namesOf(name: string): string[] {
  const words = name.split(/\s+/).filter(Boolean);
  const plain = words.filter((w) => !FORM_WORDS.has(w));
  const bare = plain.filter((w) => !HOW.has(w));
  return [...new Set([plain.join(' '), bare.join(' ')])].filter(Boolean);
}
const FORM_WORDS = new Set(
  'fresh frozen thawed dried canned tinned ripe trimmed chopped juice concentrate'.split(' ')
);

/**
 * What can be added for a typed line such as `rhubarb`, `3 lb rhubarb`, `4 cups sugar` or `apple juice`.
 * Poisonous plants and parts are refused before anything is offered.
 * @param text what was typed; empty offers nothing
 * @param own the user's own entries, which come before the table's
 */
export function chooseIngredient(
  text: string,
  country: Country = 'us',
  own: readonly Produce[] = []
): Choices {
  const nothing: Choices = { kind: 'choices', choices: [], name: '', unknown: null, ask: null };
  if (!text.trim()) return nothing;
  const poisonIn = (name: string) => findPoisonous(name) ?? unsafePart(name);
  const { said, name: written, ask } = split(text, country);
  const name = written.replace(COOKERS, 'cooking apple');
  const whole = text.toLowerCase();
  const poison = poisonIn(name) ?? (name === whole.trim() ? null : poisonIn(whole));
  if (poison) return { kind: 'refused', why: poison.why };
  if (name.length < 2) return { ...nothing, name, ask };

  const choices: Choice[] = [];
  const offer = (label: string, hint: string, item: Ingredient) =>
    choices.push({ label, hint, item, unit: null, amount: null, ask });
  /** With the amount that was said, where it is one of it. */
  const reckoned = (choice: Choice): Choice => {
    if (!said) return choice;
    try {
      const thing = thingOf(choice.item, country);
      // Named with a number alone, it is counted.
      const bare = thing.each?.piece ? 'piece' : thing.each?.tablet ? 'tablet' : null;
      const amount = reckon({ parts: said.parts, of: '' }, text, thing, bare);
      return { ...choice, amount, item: withRead(choice.item, amount), unit: amount.unit };
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      return { ...choice, ask: explain(e) };
    }
  };

  const wantsConcentrate = /\bconcentrate\b/.test(name);
  const wantsJuice = /\bjuice\b/.test(name) || wantsConcentrate;
  const form = FORMS.find(([, said]) => said.test(name))?.[0] ?? 'fresh';
  // `elderberries` and `elderberry` are one: the stem is enough.
  const lookUp = (n: string) => {
    const whole = findProduce(n, own);
    const stem = n.replace(/(ies|es|s)$/, '');
    return whole.length > 0 || stem === n ? whole : findProduce(stem, own);
  };
  const names = namesOf(name);
  // `rose petals` is one kind, `elderflower petals` are elderflower.
  const found = names.map(lookUp).find((f) => f.length > 0) ?? [];
  const saidMass = said?.parts.some(
    (p) => p.measure?.kind === 'unit' && ['kg', 'g', 'lb', 'oz'].includes(p.measure.unit)
  );
  const saidVolume = said?.parts.some((p) => p.measure?.kind === 'unit') && !saidMass;
  const isCounted = said !== null && !saidMass && !saidVolume;
  for (const p of found) {
    const entry = own.includes(p) ? { entry: p } : {};
    const canJuice = p.forms.includes('juice');
    const asJuice = wantsJuice || (saidVolume && p.litreG === null && canJuice);
    if (!asJuice) {
      const usedForm = p.forms.includes(form) ? form : p.forms.includes('fresh') ? 'fresh' : p.forms[0]!;
      offer(p.name, p.latin, {
        kind: 'produce',
        produceId: p.id,
        ...entry,
        massKg: 0,
        form: usedForm as 'fresh' | 'frozen' | 'dried' | 'canned'
      });
    }
    const juice = { kind: 'juice' as const, produceId: p.id, ...entry, volumeL: 0 };
    const isSqueezed = wantsJuice && thingOf(juice, country).each?.piece !== undefined;
    if (canJuice && !saidMass && (!isCounted || isSqueezed) && !wantsConcentrate)
      offer(`${p.name} juice`, 'pressed, nothing added', juice);
    if (p.forms.includes('concentrate') && wantsConcentrate && !saidMass)
      offer(`${p.name} concentrate`, 'about 68 °Bx', {
        kind: 'juice',
        form: 'concentrate',
        produceId: p.id,
        ...entry,
        volumeL: 0
      });
  }
  if (wantsJuice) choices.sort((a, b) => Number(b.item.kind === 'juice') - Number(a.item.kind === 'juice'));
  const nameWords = name.split(/\s+/);
  for (const [id, words] of SWEETENER_WORDS) {
    if (!nameWords.every((w) => words.some((x) => x.startsWith(w)))) continue;
    offer(
      SWEETENERS[id].name,
      SWEETENERS[id].note,
      id === 'honey' ? { kind: 'honey', massKg: 0 } : { kind: 'sugar', sugarId: id, massKg: 0 }
    );
  }
  // Honey is called by what the bees had.
  if (
    /^[a-z -]+\shoney$/.test(name) &&
    choices.every((c) => c.item.kind !== 'honey' && c.item.kind !== 'sugar')
  )
    choices.splice(0, choices.length, {
      label: SWEETENERS.honey.name,
      hint: SWEETENERS.honey.note,
      item: { kind: 'honey', massKg: 0 },
      unit: null,
      amount: null,
      ask
    });
  if (
    'tap spring water'.includes(name) ||
    /^(?:(?:tap|spring|cold|hot|warm|boil\w*|filtered)\s+)*water$/.test(name)
  )
    offer('Water', 'tap or spring', { kind: 'water', volumeL: 0 });
  for (const [id, words] of ACID_WORDS)
    if (words.includes(name))
      offer(ACID_ADDITIONS[id].name, ACID_ADDITIONS[id].note, { kind: 'acid', acidId: id, massKg: 0 });
  if (/^(?:(?:red|white|dry|other|like)\s+)*wine$/.test(name))
    offer('Wine', 'dry, about 12 %', { kind: 'wine', volumeL: 0, abv: 12, sg: 0.994 });
  const called = name.length < 3 ? [] : [name, ...names].map((n) => n.split(/[\s-]+/).map(one));
  for (const [id, words] of POWDERS) {
    if (called.some((n) => n.every((w) => words.some((x) => x.startsWith(w)))))
      offer(ADDITIVES[id], POWDER_HINT[id] ?? 'a powder', { kind: 'additive', additiveId: id, massKg: 0 });
  }
  const exact = (c: Choice) =>
    Number(
      [name, ...names].includes(c.label.toLowerCase()) || (c.label === 'Citrus zest' && /\bzest\b/.test(name))
    );
  choices.sort((a, b) => exact(b) - exact(a));
  return {
    kind: 'choices',
    choices: choices.slice(0, MOST_OFFERED).map(reckoned),
    name,
    unknown: choices.length === 0 ? name : null,
    ask
  };
}

const one = (word: string) => word.replace(/s$/, '');

/** Cooking apples by what people call them. */
const COOKERS = /\b(?:bramleys?|grenadiers?|cookers?)(?:\s+apples?)?\b/;

/** What every sweetener and powder is called, in small letters. */
const SWEETENER_WORDS = (Object.entries(SWEETENERS) as [SweetenerId, Sweetener][]).map(
  ([id, s]) => [id, `${s.words} ${s.name.toLowerCase()}`.split(' ')] as const
);
/** What every acid, and what takes some away, is called, in small letters. */
const ACID_WORDS = (Object.keys(ACID_ADDITIONS) as AcidAdditionId[]).map((id) => {
  const takesAway = id === 'potassium-bicarbonate' || id === 'calcium-carbonate';
  return [id, `${ACID_ADDITIONS[id].name} ${id} ${takesAway ? 'deacidify' : 'acid'}`.toLowerCase()] as const;
});
/** Acid blend is an acid. */
const POWDERS = (Object.keys(ADDITIVES) as AdditiveId[])
  .filter((id) => id !== 'acid-blend')
  .map((id) => [id, `${ADDITIVES[id].toLowerCase()} ${POWDER_WORDS[id]}`.split(/\W+/)] as const);

const FORMS = [
  ['frozen', /\b(?:frozen|thawed)\b/],
  ['dried', /\bdried\b/],
  ['canned', /\b(?:canned|tinned)\b/]
] as const;
const MOST_OFFERED = 8;

const POWDER_HINT: Partial<Record<AdditiveId, string>> = {
  tea: `for grip, one strong bag for each ${inL(4, 'rule')}`,
  zest: 'scent, no white pith',
  oak: 'taste weekly',
  hops: 'taste daily'
};
