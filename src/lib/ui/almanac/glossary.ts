import { inC, inL } from '$core/units/say';
/** Words of the trade, with what else people call them, each in one plain line. Common practice. */
export const WORDS: Record<string, { name: string; also: string; says: string }> = {
  must: {
    name: 'Must',
    also: 'juice mash unfermented',
    says: 'Fruit, sugar and water before and while they turn to wine.'
  },
  cap: {
    name: 'Cap',
    also: 'crust floating fruit',
    says: 'Fruit that gas lifts to the top: push it down once or twice a day, so that it stays wet.'
  },
  lees: {
    name: 'Lees',
    also: 'sediment dregs deposit',
    says: 'What settles on the bottom: yeast, pulp, tartar. Wine is racked off it.'
  },
  racking: {
    name: 'Racking',
    also: 'siphon transfer move',
    says: 'Moving wine off its lees into a clean vessel, without splashing.'
  },
  'first-ferment': {
    name: 'First ferment',
    also: 'primary primary fermentation infusion bucket',
    says: 'The lively days in the bucket, with the fruit: three to fourteen of them.'
  },
  'second-ferment': {
    name: 'Second ferment',
    also: 'secondary secondary fermentation glass',
    says: 'The quiet weeks in glass under an airlock, until nothing moves.'
  },
  demijohn: {
    name: 'Glass jar',
    also: 'demijohn carboy damejeanne gallon jar jug',
    says: `A narrow-necked glass vessel for the second ferment, ${inL(4.5, 'rule')} to ${inL(25, 'rule')}. Never lifted by the neck.`
  },
  airlock: {
    name: 'Airlock',
    also: 'bubbler trap bung',
    says: 'Lets gas out and no air in. Half full, with water or sulphite solution.'
  },
  headspace: {
    name: 'Headspace',
    also: 'ullage air gap neck',
    says: 'Air over the wine. In the bucket it is room for foam; in glass as little as can be.'
  },
  gravity: {
    name: 'Gravity',
    also: 'specific gravity sg density hydrometer',
    says: 'How heavy the must is against water. It falls as sugar turns to alcohol.'
  },
  pitch: { name: 'Pitching', also: 'yeast in inoculate add yeast', says: 'Putting the yeast in.' },
  degas: {
    name: 'Degassing',
    also: 'degas stir out gas',
    says: 'Stirring out dissolved gas before clearing or bottling, without whipping air in.'
  },
  fining: {
    name: 'Fining',
    also: 'finings clear clarify bentonite',
    says: 'Adding something that takes haze down with it.'
  },
  stabilise: {
    name: 'Stabilising',
    also: 'stabilize stabilise sorbate sulphite sulfite stop',
    says: 'Sulphite and sorbate together, in finished, clear wine, so that sweetening does not wake it.'
  },
  sulphite: {
    name: 'Sulphite',
    also: 'sulfite sulphur dioxide so2 campden metabisulphite metabisulfite',
    says: 'Holds off wild yeast and air. By weight and by pH; some people must avoid it, so it goes on the label.'
  },
  pasteurise: {
    name: 'Heat-treating',
    also: 'pasteurise pasteurize pasteurisation heat treat',
    says: 'Warming sweet, degassed wine through so that no yeast lives. Never in a sealed, fizzy bottle.'
  },
  stuck: {
    name: 'Stuck',
    also: 'stalled stopped stuck ferment restart',
    says: 'Stopped short of its end, with sugar left: warm it, stir, feed it, pitch a vigorous yeast.'
  },
  dry: {
    name: 'Dry',
    also: 'finished fermented out',
    says: 'No sugar left to taste: under about 9 g/L. A stem near 1.000 does not prove it.'
  },
  ta: {
    name: 'Titratable acid',
    also: 'ta total acid acidity tartaric',
    says: 'What the tongue calls sharp, g/L as tartaric: 5.5 to 7.5 in fruit wine.'
  },
  ph: {
    name: 'pH',
    also: 'ph acidity strength of acid',
    says: 'How strong the acid is: what keeps a wine safe and sulphite at work. 3.2 to 3.6 keeps best.'
  },
  potential: {
    name: 'Potential',
    also: 'potential alcohol pa scale',
    says: 'The strength a must would make if all its sugar went. Two kinds of scale are printed on stems.'
  },
  brix: {
    name: '°Bx',
    also: 'brix balling sugar per cent',
    says: 'Sugar by weight in a hundred, as a hydrometer or a refractometer shows it.'
  },
  nutrient: {
    name: 'Nutrient',
    also: 'nutrient energizer energiser dap yeast food nitrogen',
    says: 'Food for yeast. A must for flowers and honey; none late.'
  },
  pectin: {
    name: 'Pectin',
    also: 'pectin haze jelly enzyme',
    says: `What sets jam, and hazes wine that was boiled. Enzyme breaks it, below ${inC(40)}.`
  },
  tannin: {
    name: 'Tannin',
    also: 'tea grip bitter astringent',
    says: 'Grip and keeping: from skins, oak, a tea bag or a quarter teaspoon of powder.'
  }
};
