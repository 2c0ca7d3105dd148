/**
 * What people say, written by shape before the reader was: each row is what is meant, and ways to say it. The wine at
 * hand is the quince; it is Thursday 26 November 2026, 14:00 in Lisbon; gallons are US ones unless the row says
 * otherwise. Things are `kind:id`, with kg or L.
 */
export type Meant = Record<string, unknown>;
export type Row = {
  meant: Meant | Meant[];
  says: string[];
  country?: 'us' | 'uk' | 'metric';
  /** whether no wine is at hand */
  nowhere?: boolean;
};

/** Asked back, about what. */
const asks = (about: string): Meant => ({ ask: about });
const sugar = (kg: number) => ({ kind: 'addition', items: [['sugar:white', kg]] });

export const ROWS: Row[] = [
  // Gravity, on every scale.
  {
    meant: { kind: 'reading', sg: 1.064 },
    says: [
      '1.064',
      '1,064',
      '1064',
      'sg 1064',
      'SG 1.064',
      'sg: 1.064',
      'sg=1.064',
      'gravity 1.064',
      'gravity is 1.064',
      'sg is now 1,064',
      'reads 1.064',
      'reading 1064',
      'read 1.064',
      'it reads 1.064',
      'hydrometer says 1.064',
      'sg 64',
      'gravity 64',
      '1.064 sg',
      '64 sg',
      'specific gravity 1.064',
      'og 1.064',
      'gravety 1.064'
    ]
  },
  { meant: { kind: 'reading', sg: 0.996 }, says: ['0.996', '996', '.996', 'sg 996', 'sg 0,996', 'fg 0.996'] },
  { meant: { kind: 'reading', sg: 1.0 }, says: ['1.000', 'sg 1000', 'sg 1', 'sg 1.000'] },
  {
    meant: { kind: 'reading', freeSo2MgL: 25 },
    says: ['free so2 25', 'free so2 is 25 mg/l', 'free SO₂ 25 ppm', '25 mg/l free so2', 'free sulphite: 25']
  },
  {
    meant: { kind: 'reading', sugarGL: 4.5 },
    says: ['sugar test 4.5', 'sugar test 4,5 g/l', 'residual sugar is 4.5 g/l', 'sugar strip shows 4.5']
  },
  { meant: { kind: 'reading', sg: 1.064 }, says: ['64'] },
  {
    meant: { kind: 'reading', sg: 1.064, tempC: 21 },
    says: [
      'sg 1064 21c',
      'sg 1.064 at 21 °C',
      '1.064 at 21',
      '1.064 @ 21c',
      '1.064, 21 C',
      '1.064 21°C',
      'sg 1.064 temp 21',
      'sg 1.064 temperature 21 degrees',
      '21c 1.064',
      'gravity 1.064 and 21 degrees celsius',
      '1.064 / 21c'
    ],
    country: 'metric'
  },
  {
    meant: { kind: 'reading', sg: 1.018, tempC: 20 },
    says: ['sg 1.018 68f', '1.018 at 68 °F', '1018 at 68', '1.018 68 degrees fahrenheit']
  },
  {
    meant: { kind: 'reading', brix: 22 },
    says: ['bx 22', '22 bx', '22 °Bx', 'brix 22', '22 brix', 'brix is 22']
  },
  { meant: { kind: 'reading', brix: 15.5 }, says: ['15.5 °Bx', '15,5 bx', 'bx 15.5', 'Brix: 15.5'] },
  { meant: { kind: 'reading', brix: -1.5 }, says: ['bx -1.5', '-1.5 bx'] },
  {
    meant: { kind: 'reading', potential: 12.5 },
    says: ['pa 12.5', 'potential 12.5 %', 'potential alcohol 12.5', '12.5 % potential', '12,5 pa', 'pa 12.5%']
  },
  { meant: asks('gravity'), says: ['1.64', 'sg 1.64', 'sg 1.60', 'reads 1.85'] },
  { meant: asks('scale'), says: ['12', '22', '7'] },
  { meant: asks('gravity'), says: ['sg 2064', 'sg 10.64', 'gravity 0.064', 'sg 400'] },
  {
    meant: { kind: 'reading', ph: 3.4 },
    says: ['ph 3.4', 'pH 3,4', 'ph is 3.4', 'ph: 3.4', '3.4 ph', 'ph of 3.4']
  },
  { meant: asks('ph'), says: ['ph 34', 'ph 12'] },
  {
    meant: { kind: 'reading', taGL: 6.2 },
    says: [
      'ta 6.2',
      'TA 6,2 g/l',
      'ta 0.62 %',
      'acid 6.2 g/l',
      'acidity 6.2',
      'titratable acidity 6.2 g/L',
      'ta is 6.2'
    ]
  },
  { meant: { kind: 'reading', taGL: 5.5 }, says: ['acid 0.55 %', 'acid 0,55%', 'ta .55 %'] },
  { meant: { kind: 'reading', taGL: 6.12 }, says: ['ta 4 g/l as sulphuric', 'acid 4 as sulphuric'] },
  { meant: asks('ta'), says: ['ta 0.62', 'ta 62'] },
  {
    meant: { kind: 'reading', sg: 1.04, ph: 3.4, taGL: 6.2 },
    says: [
      'sg 1.040, ph 3.4, ta 6.2',
      '1.040 ph 3.4 ta 6.2',
      'ph 3.4 and ta 6.2 and sg 1040',
      'ta 6.2; ph 3.4; 1.040'
    ]
  },
  {
    meant: { kind: 'reading', volumeL: 9.5 },
    says: [
      'volume 9.5 l',
      'measured 9.5 litres',
      'the mark shows 9.5 l',
      'it holds 9.5 l',
      'level 9.5 l',
      'there are 9.5 l'
    ]
  },
  {
    meant: { kind: 'reading', sg: 0.994, residueSg: 1.01 },
    says: ['sg 0.994 residue 1.010', 'sg .994, residue 1010']
  },
  // When.
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-25T20:00:00.000Z' },
    says: [
      'yesterday 8pm sg 1.040',
      'sg 1.040 yesterday 8pm',
      'sg 1.040 yesterday at 20:00',
      'yesterday at 8 pm, 1.040',
      '1.040 at 8pm yesterday'
    ]
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-23T12:00:00.000Z' },
    says: ['monday sg 1.040', 'sg 1.040 on monday', 'last monday 1.040']
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-26T12:00:00.000Z' },
    says: ['sg 1.040 2 hours ago', 'two hours ago 1.040', '1.040 at 12:00']
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-23T14:00:00.000Z' },
    says: ['3 days ago sg 1.040', 'sg 1.040 three days ago']
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-16T12:00:00.000Z' },
    says: ['day 5: 1.040', 'day 5 1.040', 'sg 1.040 on day 5', 'Day 5, SG 1.040', 'quince day 5: 1.040']
  },
  { meant: [asks('when')], says: ['day 40: 1.040', 'day 0: 1.040'] },
  { meant: { kind: 'reading', sg: 1.04 }, says: ['day 15: 1.040'] },
  { meant: { kind: 'reading', sg: 1.04, at: '2026-11-19T14:00:00.000Z' }, says: ['a week ago 1.040'] },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-12T12:00:00.000Z' },
    says: [
      '12 november sg 1.040',
      'sg 1.040 on nov 12',
      '12 Nov 1.040',
      '2026-11-12 sg 1.040',
      'on 12 november 2026, sg 1.040'
    ]
  },
  {
    meant: { kind: 'stir', at: '2026-11-26T08:00:00.000Z' },
    says: ['stirred this morning', 'stirred at 8 am', '8am stirred', 'stirred today at 8:00']
  },
  {
    meant: { kind: 'stir', at: '2026-11-25T22:00:00.000Z' },
    says: ['stirred last night', 'stirred yesterday at 10 pm']
  },
  { meant: { kind: 'reading', sg: 1.064 }, says: ['just now 1.064', 'now sg 1.064'] },
  {
    meant: asks('when'),
    says: ['sg 1.040 tomorrow', 'stirred next week', 'in 3 days sg 1.040', 'stirred at 23:00']
  },
  {
    meant: { kind: 'stir', at: '2026-11-25T20:00:00.000Z' },
    says: ['stirred yesterday evening', 'yesterday evening stirred']
  },
  // Other wines.
  {
    meant: { kind: 'reading', sg: 1.018, batch: 'Elderberry' },
    says: [
      'sg 1.018 elderberry',
      'elderberry 1.018',
      'elderberry: 1.018',
      'the elderberry reads 1.018',
      'sg 1.018 in the elderberry',
      'sg of the elderberry 1.018',
      'elderbery sg 1.018',
      'elderberry sg is 1.018'
    ]
  },
  {
    meant: { kind: 'reading', sg: 1.018, tempC: 24, batch: 'Elderberry' },
    says: ['1.018 at 24 °C in the elderberry', 'elderberry 1.018 24c', 'sg 1.018 24 c elderberry'],
    country: 'metric'
  },
  {
    meant: { kind: 'reading', sg: 1.04, batch: 'Old plum' },
    says: ['old plum 1.040', 'sg 1.040 old plum'],
    nowhere: true
  },
  { meant: asks('batch'), says: ['plum 1.040', 'sg 1.040', 'racked the plum into a 5 l jar'], nowhere: true },
  {
    meant: [
      { kind: 'reading', sg: 1.04, batch: 'Quince' },
      { kind: 'reading', sg: 1.018, batch: 'Elderberry' }
    ],
    says: [
      'quince 1.040, elderberry 1.018',
      'quince 1.040 and elderberry 1.018',
      'quince: 1.040; elderberry: 1.018'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'stir', batch: 'Elderberry' },
    says: ['stirred the elderberry', 'stir elderberry', 'elderberry stirred'],
    nowhere: true
  },
  {
    meant: { kind: 'go', batch: 'Elderberry' },
    says: ['elderberry', 'the elderberry', 'open the elderberry', 'go to elderberry', 'show elderberry'],
    nowhere: true
  },
  { meant: { kind: 'go', page: 'harvest' }, says: ['harvest', 'go to harvest', 'open harvest'] },
  { meant: { kind: 'go', page: 'today' }, says: ['today', 'go to today'] },
  { meant: { kind: 'go', page: 'settings' }, says: ['settings', 'open settings'] },
  // What goes in.
  {
    meant: sugar(0.75),
    says: [
      '+ 750 g sugar',
      '+750g sugar',
      'added 750 g sugar',
      'add 750 g of sugar',
      '750 g sugar',
      '750 grams sugar',
      'sugar 750 g',
      '0.75 kg sugar',
      '0,75 kg sugar',
      '3/4 kg sugar',
      'put in 750 g of white sugar',
      'stirred in 750 g sugar',
      'added 750 g sugar to it',
      '750 g sugar in',
      'addded 750 g sugar',
      'in went 750 g sugar',
      'poured in 750 g sugar',
      'fed 750 g sugar'
    ]
  },
  {
    meant: sugar(0.4),
    says: ['added 2 cups sugar', '2 cups of sugar', '+ two cups sugar', '2 c sugar', 'sugar 2 cups']
  },
  {
    meant: sugar(2 * 0.45359237),
    says: ['2 lb sugar', '2 lbs of sugar', 'two pounds sugar', '2 pounds of sugar', '32 oz sugar', '2# sugar']
  },
  { meant: sugar(4 * 0.45359237), says: ['a bag of sugar', 'one bag of sugar', '1 bag sugar'] },
  { meant: sugar(1), says: ['a bag of sugar', '1 kg sugar', 'a kilo of sugar'], country: 'metric' },
  {
    meant: { kind: 'addition', items: [['sugar:white', 0.75]], batch: 'Elderberry' },
    says: [
      '750 g sugar to the elderberry',
      'added 750 g sugar to elderberry',
      'elderberry + 750 g sugar',
      '+ 750 g sugar elderberry'
    ]
  },
  {
    meant: { kind: 'addition', items: [['honey', 1.2]] },
    says: ['1.2 kg honey', 'added 1200 g of honey', 'honey 1.2 kg']
  },
  {
    meant: { kind: 'addition', items: [['produce:lemon', 0.09]] },
    says: [
      'juice of 2 lemons',
      'added the juice of two lemons',
      'the juice of 2 lemons in',
      'juice from two lemons'
    ]
  },
  {
    meant: {
      kind: 'addition',
      items: [
        ['produce:lemon', 0.09],
        ['additive:zest', 0.012]
      ]
    },
    says: ['juice and zest of 2 lemons', 'added the juice and the rind of 2 lemons']
  },
  {
    meant: { kind: 'addition', items: [['water', 2]] },
    says: [
      '2 l water',
      'added 2 litres of water',
      'diluted with 2 l water',
      'water 2 l',
      '+2l water',
      'watered down with 2 l water'
    ]
  },
  {
    meant: { kind: 'addition', items: [['water', 3.785411784]] },
    says: ['a gallon of water', '1 gal water', '1 us gal water', '4 quarts water', 'one gallon water']
  },
  {
    meant: { kind: 'addition', items: [['water', 4.54609]] },
    says: ['a gallon of water', '8 pints of water', '1 gal water'],
    country: 'uk'
  },
  { meant: asks('amount'), says: ['a gallon of water', '1 gal water'], country: 'metric' },
  {
    meant: { kind: 'addition', items: [['additive:campden', 0.00132]] },
    says: [
      '3 campden',
      '3 campden tablets',
      'three campden tablets',
      '+ 3 campden',
      'added 3 campdens',
      'campden 3 tablets',
      '3 crushed campden tablets',
      '3 camden tablets'
    ]
  },
  {
    meant: { kind: 'addition', items: [['additive:nutrient', 0.005]] },
    says: ['5 g nutrient', 'nutrient 5 g', 'added 5 g yeast nutrient', '5g of yeast nutrient']
  },
  {
    meant: { kind: 'addition', items: [['additive:pectic-enzyme', 0.003]] },
    says: ['3 g pectic enzyme', 'pectic enzyme 3 g', '3 g pectinase', '3g pectolase']
  },
  {
    meant: { kind: 'addition', items: [['acid:acid-blend', 0.011]] },
    says: ['11 g acid blend', 'acid blend 11 g', 'added 11 g of acid blend']
  },
  {
    meant: { kind: 'addition', items: [['acid:citric', 0.004]] },
    says: ['4 g citric acid', '4 g citric', 'citric acid 4 g']
  },
  {
    meant: { kind: 'addition', items: [['acid:tartaric', 0.004]] },
    says: ['4 g tartaric', '4 g of tartaric acid']
  },
  {
    meant: { kind: 'addition', items: [['additive:tannin', 0.001]] },
    says: ['1 g tannin', '1 g grape tannin', 'tannin 1 g']
  },
  {
    meant: { kind: 'addition', items: [['additive:sorbate', 0.002]] },
    says: ['2 g sorbate', '2 g potassium sorbate']
  },
  {
    meant: { kind: 'addition', items: [['additive:metabisulphite', 0.0005]] },
    says: ['0.5 g metabisulphite', '½ g metabisulphite', '500 mg potassium metabisulphite', '.5 g k-meta']
  },
  {
    meant: { kind: 'addition', items: [['additive:bentonite', 0.01]] },
    says: ['10 g bentonite', 'bentonite 10 g', 'fined with 10 g bentonite']
  },
  {
    meant: { kind: 'addition', items: [['produce:banana', 0.9]] },
    says: ['900 g bananas', '0.9 kg banana', 'added 900 g of ripe bananas']
  },
  {
    meant: { kind: 'addition', items: [['produce:raisin', 0.25]] },
    says: ['250 g raisins', 'raisins 250 g', 'added 250 g of raisins']
  },
  {
    meant: {
      kind: 'addition',
      items: [
        ['additive:campden', 0.00132],
        ['additive:nutrient', 't'],
        ['acid:acid-blend', 't']
      ]
    },
    says: [
      '3 campden, 1 tsp nutrient and 2 tsp acid blend',
      '3 campden + 1 tsp nutrient + 2 tsp acid blend',
      'added 3 campden tablets, 1 tsp nutrient, 2 tsp acid blend',
      '3 campden; 1 teaspoon of nutrient; 2 teaspoons of acid blend',
      'in went 3 campden and 1 tsp yeast nutrient and 2 tsp acid blend'
    ]
  },
  {
    meant: {
      kind: 'addition',
      items: [
        ['sugar:white', 1],
        ['water', 2]
      ]
    },
    says: [
      '1 kg sugar and 2 l water',
      'added 1 kg of sugar in 2 l of water',
      '1 kg sugar, 2 l water',
      '+ 1 kg sugar + 2 l water',
      '1 kg sugar with 2 l water'
    ]
  },
  {
    meant: { kind: 'addition', items: [['sugar:white', 4.1957]] },
    says: ['9 lb 4 oz sugar', '9 lb 4oz of sugar']
  },
  {
    meant: { kind: 'addition', items: [['sugar:white', 0.5 * 0.45359237]] },
    says: ['half a pound of sugar', '½ lb sugar', '1/2 lb sugar', '0.5 lb sugar', 'half a lb of sugar']
  },
  {
    meant: { kind: 'addition', items: [['sugar:white', 2.5]] },
    says: ['2 and a half kilos of sugar', '2½ kg sugar', '2.5 kg of sugar', '2 1/2 kg sugar']
  },
  {
    meant: { kind: 'addition', items: [['sugar:white', 0.75]], at: '2026-11-25T12:00:00.000Z' },
    says: ['yesterday 750 g sugar', 'added 750 g sugar yesterday', '+ 750 g sugar yesterday']
  },
  {
    meant: asks('amount'),
    says: [
      'added sugar',
      '+ sugar',
      'some sugar',
      'a handful of raisins',
      'added a splash of water',
      'a spoon of nutrient',
      'added nutrient',
      '2 t nutrient',
      '3 heaped tsp nutrient'
    ]
  },
  { meant: asks('word'), says: ['3 g blorptium', 'added 2 kg of sprongle', '5 g flimflam'] },
  {
    meant: asks('poison'),
    says: ['added 200 g foxglove', '1 kg yew berries', '100 g rhubarb leaves', '5 monkshood flowers']
  },
  { meant: asks('what'), says: ['sg 1.064 wobbly', 'stirred flurbishly', 'ph 3.4 banjo'] },
  // Yeast.
  {
    meant: { kind: 'pitch', yeastId: 'champagne', massG: 5 },
    says: [
      'pitched 5 g champagne yeast',
      'pitch 5g champagne',
      '5 g champagne yeast',
      'added 5 g champagne yeast',
      '+ 5 g champagne yeast',
      'champagne yeast 5 g',
      '1 packet champagne yeast',
      'a packet of champagne yeast',
      'pitched 1 sachet of champagne yeast',
      'pithced 5 g champagne yeast'
    ]
  },
  {
    meant: { kind: 'pitch', massG: 5 },
    says: [
      'pitched 5 g',
      'pitched a packet',
      '5 g yeast',
      '5 g of wine yeast',
      'pitched 5 g yeast',
      '1 packet of yeast',
      'pitched the yeast, 5 g'
    ]
  },
  {
    meant: { kind: 'pitch' },
    says: ['pitched', 'pitched the yeast', 'yeast in', 'added the yeast', 'yeast pitched', 'pitched yeast']
  },
  {
    meant: { kind: 'pitch', massG: 5, how: 'rehydrated' },
    says: ['pitched 5 g rehydrated', 'rehydrated and pitched 5 g yeast', 'pitched 5 g rehydrated yeast']
  },
  {
    meant: { kind: 'pitch', how: 'starter' },
    says: ['pitched the starter', 'pitched a starter', 'starter in']
  },
  { meant: { kind: 'pitch', yeastId: 'ale', massG: 11 }, says: ['pitched 11 g ale yeast', '11 g ale yeast'] },
  {
    meant: { kind: 'pitch', yeastId: 'red-fruit', massG: 5 },
    says: ['5 g red fruit yeast', 'pitched 5 g red-fruit yeast']
  },
  // Deeds.
  {
    meant: { kind: 'stir' },
    says: [
      'stirred',
      'stir',
      'stirred it',
      'pushed the cap down',
      'punched down the cap',
      'pushed down the cap',
      'stired',
      'cap pushed down',
      'i stirred it',
      'gave it a stir',
      'degassed it',
      'stirred down'
    ]
  },
  {
    meant: [
      { kind: 'stir', batch: 'Elderberry' },
      { kind: 'stir', batch: 'Old plum' }
    ],
    says: ['all stirred', 'stirred all', 'stirred everything', 'stirred them all'],
    nowhere: true
  },
  {
    meant: [{ kind: 'stir' }, { kind: 'reading', sg: 1.04 }],
    says: [
      'stirred, sg 1.040',
      'stirred and 1.040',
      'stirred; sg 1.040',
      'stirred then sg 1.040',
      'stirred. 1.040'
    ]
  },
  {
    meant: [{ kind: 'stir' }, sugar(0.75)],
    says: ['stirred and added 750 g sugar', 'stirred, 750 g sugar', 'stirred, + 750 g sugar']
  },
  {
    meant: { kind: 'fruit-out', press: 'drip' },
    says: [
      'fruit out',
      'took the fruit out',
      'lifted the bag',
      'bag out',
      'strained',
      'strained the fruit off',
      'fruit out, dripped',
      'lifted out the fruit and let it drip'
    ]
  },
  {
    meant: { kind: 'fruit-out', press: 'squeeze' },
    says: [
      'fruit out, squeezed',
      'squeezed the bag',
      'took the fruit out and squeezed it',
      'fruit out squeezed'
    ]
  },
  {
    meant: { kind: 'fruit-out', press: 'press' },
    says: ['pressed', 'fruit out, pressed', 'pressed the fruit', 'pressed it']
  },
  {
    meant: { kind: 'fruit-out', press: 'press', volumeL: 9 },
    says: ['pressed, 9 l', 'pressed, 9 l left', 'fruit out, pressed, 9 litres left', 'pressed and got 9 l']
  },
  {
    meant: {
      kind: 'transfer',
      to: [
        [1, 3.785411784],
        [1, 3.785411784]
      ],
      lossL: 0.5
    },
    says: [
      'racked to 2 x 1 us gal, lost 0.5 l',
      'racked to two 1 gal jars, lost 500 ml',
      'racked into 2 x 1 gal lost 0.5 l',
      'rack to 2 × 1 us gal, loss 0.5 l',
      'racked to 2 1 gal jars, left 0.5 l behind',
      'raked to 2 x 1 gal, lost half a litre',
      'racked into two one-gallon jars, 0.5 l lost'
    ]
  },
  {
    meant: { kind: 'transfer', to: [[1, 5]] },
    says: [
      'racked to 5 l',
      'racked into a 5 l jar',
      'racked to a 5 litre jar',
      'siphoned into a 5 l jar',
      'moved to a 5 l jar',
      'transferred into 5 l jar',
      'racked it into the 5 l jar',
      'racked into a clean 5 l jar',
      'racked into another 5 l jar',
      'syphoned to 1 x 5 l'
    ]
  },
  {
    meant: {
      kind: 'transfer',
      to: [
        [1, 10],
        [1, 2]
      ],
      lossL: 0.3
    },
    says: [
      'racked to 10 l and 2 l, lost 0.3 l',
      'racked into a 10 l jar and a 2 l bottle, lost 300 ml',
      'racked to 10 l + 2 l, 0.3 l lost'
    ]
  },
  {
    meant: [
      { kind: 'fruit-out', press: 'drip' },
      { kind: 'transfer', to: [['green jar']] }
    ],
    says: [
      'strained into the green jar',
      'strained it into the green jar',
      'strained through muslin into the green jar',
      'strained, racked to the green jar',
      'strained and racked into the green jar',
      'took the fruit out and racked into the green jar',
      'poured it through a sieve into the green jar',
      'strained off the fruit into the green jar'
    ]
  },
  {
    meant: [
      { kind: 'fruit-out', press: 'drip' },
      { kind: 'transfer', to: [[1, 3.785]] }
    ],
    says: ['strained into a 1 gal demijohn', 'strained it into a clean 1 gal jar']
  },
  {
    meant: [
      { kind: 'fruit-out', press: 'press' },
      { kind: 'transfer', to: [['green jar', 4.5]] }
    ],
    says: ['pressed 4.5 l into the green jar', 'pressed the fruit, racked 4.5 l into the green jar']
  },
  { meant: [asks('vessel')], says: ['racked, 0.998', 'strained into glass'] },
  {
    meant: { kind: 'transfer', to: [['green jar']], vesselId: 'bucket', toNeck: true },
    says: [
      'topped up the green jar from the white bucket',
      'top the green jar up with wine from the white bucket',
      'topped the green jar up from the white bucket'
    ]
  },
  {
    meant: {
      kind: 'transfer',
      to: [
        [1, 3.785],
        [1, 0.355]
      ]
    },
    says: ['racked into a 1 gal jug and a 12 oz bottle']
  },
  { meant: [asks('amount')], says: ['fizzing like mad', 'bubbling away'] },
  {
    meant: {
      kind: 'bottle',
      bottles: [
        [5, 0.75],
        [1, 0.375]
      ]
    },
    says: ['bottled in 5 x 750 and 1 x 375', 'bottled 5 x 75 and 1 half', 'bottled 5 x 750, 1 x 375 ml']
  },
  {
    meant: { kind: 'blend', from: 'Elderberry', volumeL: 0.2 },
    says: ['topped up with 200 ml elderberry', 'topped up with 0.2 l of the elderberry wine']
  },
  {
    meant: [asks('amount')],
    says: ['topped up with the elderberry', 'how much sugar should i add', 'how much sugar to add']
  },
  {
    meant: { kind: 'transfer', to: [[1, 4.546]] },
    says: ['racked into a clean gallon demijohn'],
    country: 'uk'
  },
  {
    meant: { kind: 'observation', bubbles: { count: 1, seconds: 20 } },
    says: [
      'a blip every 20 seconds',
      'airlock going every 20 s',
      'the airlock bubbling once every 20 seconds'
    ]
  },
  {
    meant: { kind: 'reading', sg: 1.02 },
    says: ['dropped to 1.020', 'it has fallen to 1.020', 'gone down to 1020', 'hydro 1.020']
  },
  { meant: { kind: 'stir' }, says: ['punched cap', 'stirred twice', 'pushed the cap down again'] },
  { meant: { kind: 'fruit-out', press: 'drip' }, says: ['removed the bag', 'pulled the bag out'] },
  { meant: { kind: 'observation', clarity: 'cloudy' }, says: ['it has gone cloudy', 'turned cloudy'] },
  { meant: { kind: 'observation', smell: 'vinegar' }, says: ['vinegar smell'] },
  {
    meant: [
      { kind: 'reading', sg: 1.05, at: '2026-11-23T12:00:00.000Z' },
      { kind: 'reading', sg: 1.04, at: '2026-11-25T12:00:00.000Z' },
      { kind: 'reading', sg: 1.03 }
    ],
    says: ['monday 1.050, wednesday 1.040, today 1.030', '1.050 on monday, 1.040 yesterday and 1.030 today']
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-24T12:00:00.000Z' },
    says: ['tues 1.040', 'tue: 1.040']
  },
  {
    meant: { kind: 'transfer', to: [['green jar']], at: '2026-11-22T12:00:00.000Z' },
    says: ['on sunday: racked into the green jar', 'sunday racked to the green jar']
  },
  {
    meant: {
      kind: 'transfer',
      to: [
        [1, 5],
        [1, 5]
      ]
    },
    says: ['split into 2 x 5 l', 'split it into two 5 l jars']
  },
  { meant: [asks('vessel')], says: ['split into two jars', 'split it between two jars'] },
  {
    meant: { kind: 'sample', volumeL: 0.1, returned: false },
    says: ['took a 100 ml sample', 'took a sample of about 100 ml']
  },
  {
    meant: { kind: 'loss', volumeL: 0.5, how: 'spilt' },
    says: ['spilled about half a litre', 'lost 500 ml of lees', 'lost roughly 0.5 l']
  },
  {
    meant: { kind: 'transfer', to: [['green jar']], lossL: 0.4 },
    says: ['siphoned into the green jar leaving 400 ml of lees']
  },
  {
    meant: { kind: 'reading', brix: 8 },
    says: ['refractometer 8', '8 bx refractometer', 'refractometer reads 8 brix']
  },
  {
    meant: { kind: 'addition', items: [['additive:campden', 0.00088]] },
    says: ['2x campden', 'campden x2', '2 x campden tablets']
  },
  { meant: [asks('amount')], says: ['bottled a case', 'bottled 2 cases'] },
  { meant: [asks('what')], says: ['pinch of tannin'] },
  {
    meant: { kind: 'bottle', bottles: [[24, 0.75]] },
    says: ['bottled 2 dozen', 'bottled two dozen bottles']
  },
  { meant: { kind: 'question', about: 'safe' }, says: ['safe?', 'safe to bottle?'] },
  { meant: { kind: 'question', about: 'next' }, says: ['what do i do now', 'what should i do?'] },
  { meant: { kind: 'reading', taGL: 6.5 }, says: ['acid test 0.65 %', 'acid test 6.5 g/l'] },
  {
    meant: {
      kind: 'plan',
      items: [
        ['plum', 3],
        ['sugar:white', 1.5]
      ]
    },
    says: ['new batch: 3 kg plums 1.5 kg sugar', 'started a batch of 3 kg plums and 1.5 kg sugar']
  },
  {
    meant: { kind: 'transfer', to: [['green jar']] },
    says: ['racked to the green jar', 'racked into green jar', 'racked green jar']
  },
  {
    meant: { kind: 'transfer', to: [['green jar', 4.5]], lossL: 0.4 },
    says: ['racked 4.5 l to the green jar, lost 0.4 l', 'racked 4.5 l into the green jar, lost 400 ml']
  },
  {
    meant: asks('what'),
    says: ['racked into 4 bottles of 75 cl', 'racked it into 6 bottles', 'siphoned into six 75 cl bottles']
  },
  {
    meant: asks('vessel'),
    says: ['racked', 'racked it', 'racked, lost 0.5 l', 'racked to the purple thing']
  },
  {
    meant: { kind: 'transfer', to: [['green jar']], at: '2026-11-25T12:00:00.000Z' },
    says: ['racked to the green jar yesterday', 'yesterday racked into the green jar']
  },
  {
    meant: { kind: 'top-up', item: ['water', 0.3] },
    says: [
      'topped up with 300 ml water',
      'top up 300 ml water',
      'topped up 0.3 l of water',
      'topped it up with 0.3 l boiled water'
    ]
  },
  {
    meant: { kind: 'top-up', item: ['wine', 0.75] },
    says: ['topped up with a bottle of wine', 'topped up with 750 ml wine', 'topped up with 0.75 l dry wine']
  },
  { meant: { kind: 'top-up' }, says: ['topped up with gas', 'gas over it', 'flushed with co2'] },
  {
    meant: { kind: 'loss', volumeL: 0.5, how: 'spilt' },
    says: ['spilt 0.5 l', 'lost 0.5 l', 'spilled half a litre', 'lost 500 ml', 'spilt 500 ml']
  },
  {
    meant: { kind: 'loss', how: 'poured-away' },
    says: [
      'poured it away',
      'threw it out',
      'poured it all away',
      'poured it down the sink',
      'tipped the lot down the drain',
      'dumped it',
      'threw all of it away',
      'poured away'
    ]
  },
  {
    meant: { kind: 'loss', volumeL: 2, how: 'poured-away' },
    says: ['poured away 2 l', 'poured 2 l away', 'poured 2 l down the sink', 'poured 2 l of it away']
  },
  { meant: { kind: 'loss', how: 'drunk' }, says: ['drank it all', 'drank the lot', 'all drunk'] },
  { meant: { kind: 'loss', how: 'spilt' }, says: ['spilt it all', 'lost all of it', 'spilled the lot'] },
  {
    meant: { kind: 'loss', volumeL: 0.5, how: 'boiled-off' },
    says: ['boiled off 0.5 l', 'boiled away 500 ml']
  },
  {
    meant: { kind: 'sample', volumeL: 0.1, returned: false },
    says: ['sample 100 ml', 'drank 100 ml', 'took a sample of 100 ml', 'sampled 0.1 l', 'drew 100 ml']
  },
  {
    meant: { kind: 'sample', volumeL: 0.1, returned: true },
    says: ['sample 100 ml, poured back', 'sampled 100 ml and poured it back', 'sample 100 ml returned']
  },
  {
    meant: { kind: 'bottle', bottles: [[12, 0.75]] },
    says: [
      'bottled 12',
      'bottled 12 bottles',
      'bottled 12 x 750 ml',
      'bottled 12 × 0.75 l',
      '12 bottled',
      'bottled twelve',
      'bottled a dozen',
      'botled 12'
    ]
  },
  {
    meant: {
      kind: 'bottle',
      bottles: [
        [6, 0.75],
        [3, 0.375]
      ]
    },
    says: [
      'bottled 6 and 3 halves',
      'bottled 6 x 750 ml and 3 x 375 ml',
      'bottled 6 bottles and 3 half bottles'
    ]
  },
  {
    meant: { kind: 'bottle', bottles: [[20, 0.5]], type: 'crown' },
    says: ['bottled 20 x 500 ml crown caps', 'bottled 20 x 0.5 l crown', 'bottled 20 crown capped 500 ml']
  },
  {
    meant: { kind: 'bottle', bottles: [[18, 0.75]], type: 'sparkling', primingGL: 8 },
    says: ['bottled 18 champagne bottles primed 8 g/l', 'bottled 18 sparkling bottles, primed with 8 g/l']
  },
  { meant: asks('amount'), says: ['bottled', 'bottled it', 'bottled some'] },
  {
    meant: { kind: 'open', count: 1, found: 'still' },
    says: ['opened one, still', 'opened a bottle, still', 'opened 1 bottle still']
  },
  {
    meant: { kind: 'open', count: 2, found: 'fizzy' },
    says: ['opened 2 bottles, fizzy', 'opened two, fizzy']
  },
  {
    meant: { kind: 'open', count: 1, found: 'gushing' },
    says: ['opened one, gushed', 'opened a bottle and it gushed']
  },
  { meant: { kind: 'open', count: 3 }, says: ['opened 3 bottles', 'drank three bottles'] },
  {
    meant: { kind: 'open', count: 2, how: 'given', to: 'the neighbours' },
    says: ['gave 2 bottles to the neighbours', 'gave away two bottles to the neighbours']
  },
  { meant: { kind: 'open', count: 1, how: 'given' }, says: ['gave a bottle away', 'gave away one bottle'] },
  {
    meant: { kind: 'open', count: 1, how: 'broken' },
    says: ['broke a bottle', 'smashed one', 'lost 1 bottle']
  },
  {
    meant: { kind: 'open', count: 4, how: 'swapped', to: 'a jar of honey' },
    says: ['swapped 4 bottles for a jar of honey', 'traded four bottles for a jar of honey']
  },
  {
    meant: { kind: 'steep', items: [['additive:oak', 0.02]], days: 14 },
    says: [
      'steeped 20 g oak for 2 weeks',
      'hung in 20 g oak chips for 14 days',
      'hung in 20 g oak, taste in 14 days'
    ]
  },
  {
    meant: { kind: 'steep', items: [['additive:hops', 0.01]] },
    says: ['hung in 10 g hops', 'steeped 10 g dry hops', 'dry hopped 10 g hops']
  },
  {
    meant: { kind: 'steep-out' },
    says: ['took the oak out', 'oak out', 'took the hops out', 'hops out', 'steep out']
  },
  {
    meant: { kind: 'blend', from: 'Elderberry', volumeL: 2 },
    says: ['blended in 2 l elderberry', 'blended 2 l of the elderberry into it', 'blend 2 l elderberry']
  },
  {
    meant: { kind: 'blend', from: 'Elderberry', volumeL: 2, batch: 'Quince' },
    says: ['blended 2 l of the elderberry into the quince', 'blended 2 l elderberry into quince'],
    nowhere: true
  },
  // Seen, heard, smelt, tasted.
  {
    meant: { kind: 'observation', bubbles: { count: 5, seconds: 12 } },
    says: [
      'bubbles 5 in 12 s',
      '5 bubbles in 12 s',
      '5 bubbles in 12 seconds',
      'bubbles: 5 in 12 sec',
      'counted 5 bubbles in 12 s',
      '5 bubbles per 12 s',
      'bubles 5 in 12 s',
      'bubbles 5/12 s'
    ]
  },
  {
    meant: { kind: 'observation', bubbles: { count: 1, seconds: 8 } },
    says: [
      'a bubble every 8 s',
      'one bubble every 8 seconds',
      'bubble every 8 sec',
      '8 s between bubbles',
      '8 seconds between bubbles',
      'bubbles 8 s apart'
    ]
  },
  {
    meant: { kind: 'observation', bubbles: { count: 20, seconds: 60 } },
    says: [
      '20 bubbles a minute',
      '20 bubbles per minute',
      '20 bubbles in a minute',
      '20 bubbles in 1 min',
      'bubbles 20/min'
    ]
  },
  {
    meant: { kind: 'observation', bubbles: { count: 1, seconds: 60 } },
    says: ['bubbles once a minute', 'bubbling once a minute', 'one bubble a minute', 'a bubble a minute']
  },
  {
    meant: { kind: 'observation', bubbles: { count: 2, seconds: 60 } },
    says: ['bubbles twice a minute', 'bubbling two times a minute']
  },
  { meant: asks('amount'), says: ['bubbles', 'bubbling', 'bubbles 5'] },
  {
    meant: { kind: 'observation', stillDays: 3 },
    says: ['nothing moved for 3 days', 'no bubbles for 3 days', 'still for three days', 'nothing for 3 days']
  },
  {
    meant: { kind: 'observation', cap: 'fallen' },
    says: ['cap fallen', 'the cap has fallen', 'cap fell', 'cap has sunk', 'cap is down']
  },
  { meant: { kind: 'observation', cap: 'up' }, says: ['cap up', 'the cap is up', 'cap has risen'] },
  {
    meant: { kind: 'observation', cap: 'falling' },
    says: ['cap falling', 'the cap is falling', 'cap is sinking']
  },
  {
    meant: { kind: 'observation', foam: 'over' },
    says: ['foaming over', 'foam over', 'it foamed over', 'it is foaming over', 'overflowing']
  },
  { meant: { kind: 'observation', foam: 'none' }, says: ['no foam', 'no more foam', 'foam gone'] },
  {
    meant: { kind: 'observation', taste: 'dry' },
    says: ['tastes dry', 'tasted dry', 'bone dry', 'taste dry', 'it tastes bone dry', 'tasted: dry']
  },
  {
    meant: { kind: 'observation', taste: 'a-little-sweet' },
    says: ['tastes a little sweet', 'tastes slightly sweet', 'tastes a bit sweet', 'tastes off-dry']
  },
  {
    meant: { kind: 'observation', taste: 'sweet' },
    says: ['tastes sweet', 'taste sweet', 'still tastes sweet', 'tastes very sweet']
  },
  {
    meant: { kind: 'observation', clarity: 'clear' },
    says: ['clear', 'it is clear', 'clear now', 'looks clear', 'crystal clear']
  },
  {
    meant: { kind: 'observation', clarity: 'hazy' },
    says: ['hazy', 'still hazy', 'a bit hazy', 'looks hazy']
  },
  { meant: { kind: 'observation', clarity: 'cloudy' }, says: ['cloudy', 'still cloudy', 'murky'] },
  {
    meant: { kind: 'observation', smell: 'eggs' },
    says: [
      'smells of eggs',
      'smells of rotten eggs',
      'rotten eggs',
      'eggy smell',
      'smells eggy',
      'smells of sulphur'
    ]
  },
  {
    meant: { kind: 'observation', smell: 'vinegar' },
    says: ['smells of vinegar', 'vinegary', 'smells like vinegar']
  },
  { meant: { kind: 'observation', smell: 'clean' }, says: ['smells clean', 'smells fine', 'smells good'] },
  {
    meant: { kind: 'observation', surface: 'film' },
    says: ['film on top', 'a white film on top', 'there is a film on top']
  },
  {
    meant: { kind: 'observation', surface: 'mould' },
    says: ['mould on top', 'mold', 'there is mould on it', 'mouldy']
  },
  {
    meant: { kind: 'observation', tempC: 24 },
    says: ['temp 24 c', '24 °C', '24c', 'temperature 24 degrees c', 'it is 24 °C']
  },
  { meant: { kind: 'place', tempC: 24 }, says: ['room 24c', 'room temperature 24 °C', 'the room is 24 c'] },
  {
    meant: { kind: 'observation', clarity: 'clear', smell: 'clean' },
    says: ['clear, smells fine', 'clear and smells clean']
  },
  // Words.
  {
    meant: { kind: 'tasting', text: 'too sharp' },
    says: ['tasted: too sharp', 'tasting: too sharp', 'tasted too sharp', 'tastes too sharp']
  },
  {
    meant: { kind: 'tasting', text: 'thin but bright', liking: 3 },
    says: ['tasted: thin but bright, 3/5', 'tasted: thin but bright 3 of 5', 'tasting: thin but bright (3/5)']
  },
  {
    meant: { kind: 'tasting', text: 'lovely, less lemon next time' },
    says: ['tasted: lovely, less lemon next time']
  },
  {
    meant: { kind: 'note', text: 'moved it to the pantry' },
    says: [
      'note moved it to the pantry',
      'note: moved it to the pantry',
      'remember moved it to the pantry',
      'Note - moved it to the pantry'
    ]
  },
  { meant: { kind: 'note', text: '3 kg next year, 2 lb sugar' }, says: ['note: 3 kg next year, 2 lb sugar'] },
  {
    meant: { kind: 'note', text: 'less lemon', nextTime: true },
    says: ['next time: less lemon', 'next time less lemon', 'next year: less lemon']
  },
  {
    meant: { kind: 'note', text: 'Smells of Pears', batch: 'Elderberry' },
    says: ['elderberry note: Smells of Pears', 'elderberry: note Smells of Pears']
  },
  { meant: asks('text'), says: ['note', 'note:', 'tasted:'] },
  // Steps.
  {
    meant: { kind: 'step', step: 'finings', outcome: 'skipped' },
    says: ['skip finings', 'skip the finings', 'skipped finings', 'no finings', 'leave out the finings']
  },
  {
    meant: { kind: 'step', step: 'crush', outcome: 'done' },
    says: ['crushed', 'crushed the fruit', 'mashed the fruit', 'done crushing']
  },
  {
    meant: { kind: 'step', step: 'rack-1', outcome: 'snoozed', until: '2026-11-29T09:00:00.000Z' },
    says: [
      'put off racking 3 days',
      'put off the first racking for 3 days',
      'racking can wait 3 days',
      'put off racking till sunday',
      'remind me to rack it in 3 days',
      'remind me to rack it on sunday',
      'remind me of the racking in three days'
    ]
  },
  {
    meant: { kind: 'step', step: 'read', outcome: 'snoozed', until: '2026-11-27T09:00:00.000Z' },
    says: ['remind me to read it tomorrow', 'remind me to take a reading tomorrow']
  },
  {
    meant: { kind: 'step', step: 'bottle', outcome: 'snoozed', until: '2026-12-10T09:00:00.000Z' },
    says: ['remind me to bottle it in 2 weeks', 'put off bottling 2 weeks']
  },
  { meant: asks('step'), says: ['skip', 'put off', 'skip the flurb', 'remind me to buy sugar in 3 days'] },
  { meant: { kind: 'no-stem' }, says: ['no hydrometer', 'i have no hydrometer', 'i own no hydrometer'] },
  {
    meant: { kind: 'timer', minutes: 20 },
    says: [
      'timer 20 min',
      'timer 20 minutes',
      'remind me in 20 min',
      '20 min timer',
      'set a timer for 20 minutes'
    ]
  },
  { meant: { kind: 'undo' }, says: ['undo', 'take that back', 'take it back', 'undo that'] },
  // Harvest.
  {
    meant: { kind: 'weigh-in', lots: [['lemon', 12 * 0.11]] },
    says: [
      'weighed in 12 lemons',
      'weigh in 12 lemons',
      'picked 12 lemons',
      'harvest 12 lemons',
      'harvested twelve lemons'
    ]
  },
  {
    meant: { kind: 'weigh-in', lots: [['gooseberry', 3]] },
    says: [
      'picked 3 kg gooseberries',
      'weighed in 3 kg of gooseberries',
      'harvest 3 kg gooseberries',
      'gathered 3 kg gooseberries',
      'foraged 3 kg gooseberries'
    ]
  },
  {
    meant: {
      kind: 'weigh-in',
      lots: [
        ['gooseberry', 3],
        ['rhubarb', 2]
      ]
    },
    says: ['picked 3 kg gooseberries and 2 kg rhubarb', 'weighed in 3 kg gooseberries, 2 kg rhubarb']
  },
  {
    meant: { kind: 'weigh-in', lots: [['blackcurrant', 2]], form: 'frozen', isMove: true },
    says: ['froze 2 kg blackcurrants', '2 kg blackcurrants froze']
  },
  {
    meant: { kind: 'weigh-in', lots: [['blackcurrant', 2]], form: 'frozen' },
    says: ['weighed in 2 kg frozen blackcurrants', 'picked 2 kg blackcurrants, frozen']
  },
  { meant: asks('amount'), says: ['picked gooseberries', 'weighed in a bag of blackberries'] },
  // Plans.
  {
    meant: {
      kind: 'plan',
      items: [
        ['produce:plum', 9 * 0.45359237],
        ['sugar:white', 6 * 0.45359237]
      ],
      volumeL: 3 * 3.785411784
    },
    says: [
      '9 lb plums, 6 lb sugar, 3 us gal',
      '9 lb plums 6 lb sugar 3 gal',
      'plan 9 lb plums, 6 lb sugar, 3 gal',
      'plan 3 us gal from 9 lb plums and 6 lb sugar',
      '9 lb plums and 6 lb sugar for 3 gal',
      'make 3 gal from 9 lb plums and 6 lb sugar'
    ],
    nowhere: true
  },
  {
    meant: {
      kind: 'plan',
      items: [
        ['produce:rhubarb', 3 * 0.45359237],
        ['sugar:white', 4 * 0.45359237]
      ]
    },
    says: [
      'plan 3 lb rhubarb and a bag of sugar',
      'what from 3 lb rhubarb and a bag of sugar',
      'i have 3 lb rhubarb and a bag of sugar',
      'we have 3 lb rhubarb and a bag of sugar'
    ]
  },
  {
    meant: { kind: 'plan', items: [['produce:peach', 1.8]], volumeL: 3.785411784, abv: 13 },
    says: [
      'plan 1 gal from 1.8 kg peaches at 13 %',
      '1.8 kg peaches, 1 gal, 13 %',
      'plan 1.8 kg peaches 1 us gal 13 % abv'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'plan', items: [['produce:peach'], ['honey']], volumeL: 3.785411784, abv: 13 },
    says: [
      'make 1 gallon of peach with honey at 13%',
      'plan one gallon of peach and honey at 13 %',
      'plan 1 us gal peach with honey 13 %'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'plan', items: [['produce:plum']], volumeL: 10, abv: 12 },
    says: [
      'make 10 l of plum at 12 %',
      'make 10 litres of plum wine 12 %',
      'plan 10 l of plum at 12 %',
      'make 10 l plum, 12 %'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'plan', items: [['produce:elderflower']], volumeL: 5 },
    says: ['make 5 l of elderflower'],
    nowhere: true
  },
  {
    meant: {
      kind: 'plan',
      items: [
        ['produce:elderflower', 0.12],
        ['sugar:white', 1]
      ]
    },
    says: ['plan 2 l of elderflower and 1 kg sugar', 'plan 2 l elderflower heads, 1 kg sugar'],
    nowhere: true
  },
  {
    meant: { kind: 'away', from: '2026-12-03', to: '2026-12-10' },
    says: [
      'away 3-10 december',
      'away 3 to 10 december',
      'away from 3 december to 10 december',
      'gone 3 - 10 dec'
    ]
  },
  { meant: { kind: 'away' }, says: ['away', 'going away'] },
  { meant: { kind: 'reading', sg: 1.085, tempC: 22.222 }, says: ['sg 1.085 72', '1.085 72', '1.085, 72'] },
  { meant: { kind: 'reading', sg: 1.064, tempC: 21 }, says: ['1.064 21', 'sg 1064, 21'], country: 'metric' },
  { meant: asks('amount'), says: ['racked to 1 gal', 'racked to 2 x 1 gal'], country: 'metric' },
  // In which vessel.
  {
    meant: { kind: 'reading', sg: 1.018, vesselId: 'green' },
    says: ['sg 1.018 in the green jar', 'green jar 1.018', '1.018 green jar']
  },
  {
    meant: { kind: 'addition', items: [['additive:campden', 0.00088]], vesselId: 'green' },
    says: ['2 campden in the green jar', 'added 2 campden to the green jar', 'green jar: 2 campden']
  },
  {
    meant: { kind: 'bottle', bottles: [[6, 0.75]], vesselId: 'green' },
    says: ['bottled 6 from the green jar', 'bottled 6 x 750 ml from the green jar']
  },
  {
    meant: { kind: 'transfer', to: [['green jar']], vesselId: 'bucket' },
    says: ['racked from the white bucket to the green jar', 'racked the white bucket into the green jar']
  },
  {
    meant: {
      kind: 'transfer',
      to: [
        ['green jar', 4],
        [1, 3, 3]
      ]
    },
    says: ['racked 4 l to the green jar and 3 l to a 3 l jar']
  },
  // Questions.
  {
    meant: { kind: 'question', about: 'strength', batch: 'Quince' },
    says: [
      'how strong is the quince',
      'how strong is the quince?',
      'what strength is the quince',
      'quince abv',
      'abv of the quince',
      'how much alcohol is in the quince',
      'quince strength?'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'question', about: 'strength' },
    says: ['how strong is it', 'abv', 'strength?', 'what abv is it', 'how strong']
  },
  {
    meant: { kind: 'question', about: 'safe' },
    says: [
      'is it safe to bottle',
      'is it safe to bottle?',
      'can i bottle it',
      'can i bottle',
      'safe to bottle?',
      'may i bottle this',
      'is this safe to bottle'
    ]
  },
  {
    meant: { kind: 'question', about: 'safe', batch: 'Elderberry' },
    says: [
      'is the elderberry safe to bottle',
      'can i bottle the elderberry',
      'is it safe to bottle the elderberry?'
    ],
    nowhere: true
  },
  {
    meant: { kind: 'question', about: 'next' },
    says: ['what next', 'what next?', "what's next", 'what now', 'what is due', 'what do i do next', 'next?']
  },
  {
    meant: { kind: 'question', about: 'next', batch: 'Elderberry' },
    says: ['what next for the elderberry', 'elderberry what next', "what's due with the elderberry"],
    nowhere: true
  },
  {
    meant: { kind: 'question', about: 'done' },
    says: [
      'when will it be done',
      'is it done',
      'when is it dry',
      'has it finished',
      'is it finished?',
      'when is it ready',
      'when can i bottle it'
    ]
  },
  {
    meant: { kind: 'question', about: 'volume' },
    says: ['how much is there', 'how much is in it', 'how many litres are there', 'what volume is it']
  },
  {
    meant: { kind: 'question', about: 'gravity' },
    says: ['what is the gravity', 'gravity?', 'what is the sg', 'what did it read last']
  },
  {
    meant: { kind: 'question', about: 'sugar', volumeL: 5 * 3.785411784, abv: 12 },
    says: [
      'how much sugar for 5 gal at 12 %',
      'how much sugar for 5 gallons at 12%',
      'sugar for 5 us gal 12 %',
      'how much sugar do i need for 5 gal to reach 12 % abv'
    ]
  },
  {
    meant: { kind: 'question', about: 'dose', item: 'additive:campden', volumeL: 18.927 },
    says: ['how much campden for 5 gal', 'how many campden tablets for 5 gallons', 'campden for 5 gal?']
  },
  {
    meant: { kind: 'question', about: 'dose', item: 'additive:nutrient', volumeL: 10 },
    says: ['how much nutrient for 10 l', 'nutrient dose for 10 l']
  },
  {
    meant: { kind: 'question', about: 'convert', from: '9 lb', to: 'kg' },
    says: ['9 lb in kg', 'what is 9 lb in kg', 'convert 9 lb to kg', '9 lb to kg']
  },
  {
    meant: { kind: 'question', about: 'convert', from: '1.064', to: 'bx' },
    says: ['1.064 in bx', 'what is 1.064 in brix', '1.064 to bx']
  },
  { meant: asks('question'), says: ['how tall is the moon', 'why', 'what is love?', 'who am i'] },
  // Nothing at all, and nonsense.
  { meant: [], says: ['', '   '] },
  { meant: asks('what'), says: ['asdf', 'qwerty zxcv', 'foo bar baz', 'hmm'] },
  // Over the fruit, in any order, made up to a mark.
  {
    meant: { kind: 'addition', items: [['water', 4]] },
    says: [
      'poured 4 l boiling water over it',
      'poured 4 l of boiling water over the petals',
      'poured over 4 l hot water',
      '4 litres of boiling water over the flowers',
      'pour 4 litres boiling water on the fruit'
    ]
  },
  {
    meant: asks('amount'),
    says: [
      'poured boiling water over it',
      'boiling water over the fruit',
      'enzyme in',
      'added the enzyme',
      'campden in'
    ]
  },
  {
    meant: { kind: 'addition', items: [['additive:pectic-enzyme', 't']] },
    says: [
      'pectic enzyme in, half a teaspoon',
      'enzyme: half a teaspoon',
      'enzyme, half a teaspoon',
      'put half a teaspoon of enzyme in'
    ]
  },
  {
    meant: sugar(1.2),
    says: ['sugar in, 1.2 kg', 'sugar, 1.2 kg', 'sugar 1.2 kg', 'put the sugar in, 1.2 kg']
  },
  {
    meant: { kind: 'make-up', toL: 10 },
    country: 'uk',
    says: [
      'added water to 10 l',
      'topped up to 10 l with water',
      'topped it up to the 10 litre mark with water',
      'made up to 10 l with water',
      'made it up to 10 litres',
      'water up to the 10 l mark',
      'filled up to 10 l with water'
    ]
  },
  {
    meant: { kind: 'make-up', toL: 4.54609 },
    country: 'uk',
    says: ['topped up to 1 gallon with water', 'made up to a gallon with cold water']
  },
  {
    meant: { kind: 'addition', items: [['raisin', 0.4536]] },
    says: ['a pound of raisins, chopped', 'a pound of chopped raisins', '1 lb raisins chopped']
  },
  // As one talks.
  {
    meant: { kind: 'reading', sg: 1.012 },
    says: ["gravity's 1.012 now", "it's down to 1.012", "sg's 1.012", 'still at 1.012']
  },
  {
    meant: { kind: 'observation', cap: 'fallen' },
    says: ["cap's down", "the cap's fallen", 'the cap has dropped']
  },
  {
    meant: { kind: 'observation', clarity: 'clear' },
    says: ['clear as a bell', 'clear as glass', 'it has gone clear']
  },
  {
    meant: { kind: 'observation', smell: 'vinegar' },
    says: ['smells a bit of vinegar', 'smells a little like vinegar']
  },
  {
    meant: asks('amount'),
    says: ['no bubbles', 'nothing happening', 'still nothing', 'stood still', 'bubbling like mad']
  },
  {
    meant: { kind: 'stir' },
    says: [
      'pushed down the fruit',
      'pushed the fruit down',
      'shook the jar',
      'swirled it',
      'gave it a good stir',
      'pushed the fruit under'
    ]
  },
  {
    meant: { kind: 'fruit-out', press: 'squeeze' },
    says: [
      'squeezed the bag and took it out',
      'took the bag out, squeezed it',
      'squeezed the bag, lifted it out'
    ]
  },
  { meant: { kind: 'pitch' }, says: ['put the yeast in', 'put in the yeast'] },
  {
    meant: { kind: 'bottle', bottles: [[6, 0.75]] },
    says: ['filled 6 bottles', 'corked 6 bottles', 'filled six bottles']
  },
  {
    meant: { kind: 'observation', tempC: 22 },
    country: 'metric',
    says: ['cooled to 22', 'warmed it to 22 c', 'it has cooled down to 22 °C']
  },
  {
    meant: { kind: 'observation', tempC: 70 },
    country: 'metric',
    says: ['heated to 70c', 'heated it up to 70 °C']
  },
  {
    meant: { kind: 'observation', tempC: 19 },
    country: 'metric',
    says: ['took the temperature, 19', 'took its temperature: 19 c']
  },
  {
    meant: { kind: 'pitch', at: '2026-11-25T21:00:00.000Z' },
    says: [
      'pitched last night at 9',
      'last night at 9 pitched',
      'pitched at 9 last night',
      'last night at 9, pitched'
    ]
  },
  {
    meant: { kind: 'stir', at: '2026-11-26T08:00:00.000Z' },
    says: ['stirred this morning at 8', 'this morning at 8 stirred']
  },
  {
    meant: { kind: 'reading', sg: 1.04, at: '2026-11-20T12:00:00.000Z' },
    says: ['on the 20th 1.040', 'the 20th: 1.040', 'sg 1.040 on the 20th']
  },
  // What was not done is a note, and no deed.
  { meant: { kind: 'note', text: "didn't stir" }, says: ["didn't stir"] },
  {
    meant: { kind: 'note', text: 'forgot to stir yesterday', at: '2026-11-25T12:00:00.000Z' },
    says: ['forgot to stir yesterday']
  },
  {
    meant: asks('amount'),
    says: [
      'topped up to 10 l',
      'topped it up to the 5 l mark',
      'filled up to 10 l',
      'topped up to 10 l with wine'
    ]
  }
];
