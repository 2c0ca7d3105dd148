/** A plant or part that must never go into a wine, and why. Whole names only, common and Latin. */
export type Poison = { name: string; why: string };

const PLANTS: Record<string, readonly string[]> = {
  foxglove: ['digitalis', 'digitalis purpurea'],
  'lily of the valley': ['convallaria', 'convallaria majalis'],
  oleander: ['nerium', 'nerium oleander'],
  yew: ['taxus', 'taxus baccata', 'yew berry'],
  daffodil: ['narcissus', 'jonquil'],
  laburnum: ['golden chain', 'laburnum anagyroides'],
  monkshood: ['aconite', 'wolfsbane', 'aconitum', 'aconitum napellus'],
  hemlock: ['conium', 'conium maculatum', 'poison hemlock'],
  'water hemlock': ['cowbane', 'cicuta', 'cicuta virosa'],
  'water dropwort': ['hemlock water dropwort', 'oenanthe crocata'],
  'deadly nightshade': ['belladonna', 'atropa', 'atropa belladonna', 'nightshade'],
  'cherry laurel': ['laurel', 'prunus laurocerasus', 'laurel berry', 'mountain laurel', 'kalmia'],
  privet: ['ligustrum', 'ligustrum vulgare', 'privet berry'],
  rhododendron: ['azalea'],
  hydrangea: [],
  'sweet pea': ['lathyrus odoratus', 'sweet pea flower'],
  larkspur: ['delphinium', 'consolida'],
  lantana: ['lantana camara'],
  arum: [
    'lords and ladies',
    'cuckoo pint',
    'arum maculatum',
    'arum lily',
    'calla lily',
    'peace lily',
    'dieffenbachia'
  ],
  'dwarf elder': ['danewort', 'sambucus ebulus'],
  'black bryony': ['bryony', 'white bryony', 'bryonia', 'tamus communis'],
  'autumn crocus': ['meadow saffron', 'colchicum', 'colchicum autumnale'],
  'spindle berry': ['spindle', 'euonymus', 'euonymus europaeus'],
  henbane: ['hyoscyamus', 'hyoscyamus niger'],
  'thorn apple': ['jimsonweed', 'datura', 'angels trumpet', 'brugmansia'],
  mistletoe: ['viscum album', 'mistletoe berry'],
  holly: ['holly berry', 'ilex aquifolium'],
  ivy: ['ivy berry', 'hedera', 'hedera helix'],
  'castor bean': ['ricinus', 'ricinus communis'],
  hellebore: ['christmas rose', 'helleborus'],
  wisteria: [],
  ragwort: ['tansy ragwort', 'senecio jacobaea', 'jacobaea vulgaris'],
  bluebell: ['hyacinth', 'hyacinthoides'],
  buttercup: ['ranunculus', 'marsh marigold'],
  anemone: ['wood anemone', 'pasque flower'],
  snowdrop: ['galanthus'],
  lily: ['lilium']
};

const BY_NAME = new Map<string, string>(
  Object.entries(PLANTS).flatMap(([name, others]) => [name, ...others].map((n) => [n, name] as const))
);

const PARTS: readonly [whole: RegExp, why: string][] = [
  [/\brhubarb (leaf|leave|leaves|flower)s?\b/, 'rhubarb leaves are poisonous; use the stalks only'],
  [/\b(tomato|potato) (leaf|leave|leaves|stem|flower|vine|haulm)s?\b/, 'the green parts are poisonous'],
  [/\b(green|sprouting|sprouted) potato(es)?\b/, 'green or sprouting potatoes are poisonous'],
  [
    /\belder (leaf|leave|leaves|stem|bark|root|twig)s?\b/,
    'only the flowers and ripe berries of elder are food'
  ],
  [
    /\b(plum|cherry|peach|apricot|apple|almond|sloe|damson|loquat|quince) (kernel|pip|stone|leaf|leaves|bark)s?\b/,
    'kernels, pips and leaves of these trees set cyanide free'
  ],
  [/\b(kernel|pip)s?\b/, 'kernels and pips set cyanide free when crushed']
];

const tidy = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .replace(/[^a-z]+/g, ' ')
    .trim();

/** One whole word or name, singular: `yew berries` → `yew berry`, `privets` → `privet`. */
const singular = (name: string): string => name.replace(/ies$/, 'y').replace(/([^s])s$/, '$1');

const AFTER = new Set([
  'flower',
  'blossom',
  'petal',
  'berry',
  'leaf',
  'leave',
  'root',
  'seed',
  'bulb',
  'fruit',
  'dried',
  'fresh',
  'wild',
  'common',
  'bush',
  'plant',
  'wine',
  'bark',
  'stem',
  'frozen'
]);

/**
 * A poisonous plant of that name, common or Latin; null when the name is another plant's
 * (bay laurel, garden pea, daylily, sweet cicely and elderflower pass).
 */
export function findPoisonous(text: string): Poison | null {
  const clean = tidy(text);
  const bare = clean
    .split(' ')
    .map(singular)
    .filter((w) => !AFTER.has(w))
    .join(' ');
  const name = BY_NAME.get(clean) ?? BY_NAME.get(singular(clean)) ?? BY_NAME.get(bare);
  return name ? { name, why: `${name} is poisonous. It is not food in any amount.` } : null;
}

/** A poisonous part of a plant that is otherwise food; null when the text names none. */
export function unsafePart(text: string): Poison | null {
  const clean = tidy(text);
  const found = PARTS.find(([pattern]) => pattern.test(clean));
  return found ? { name: clean, why: `${found[1]}.` } : null;
}
