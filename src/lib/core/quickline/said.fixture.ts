/**
 * Lines as winemakers say them, written from what they mean before any was read: two and three deeds in one breath, words
 * beside the matter, what was not done, what has ceased. Each row is the meaning in short, and lines that have it. The
 * wine at hand is the quince; Elderberry, Parsnip and Plum are others; there are a green jar (5 L) and a white bucket
 * (15 L); gallons are US ones, temperatures °F unless said. `note` is what is kept in the person's own words; `ask` is
 * asked back.
 */
export const SAID: [meaning: string, ...lines: string[]][] = [
  // Sugar that is said with a bottling is priming.
  [
    'bottle 5 still 13.3g/L',
    'bottled 5 x 750 ml corked with 10 g sugar each',
    'bottled 5 corked, 50 g sugar',
    'bottled 5, 10 g of sugar in each bottle',
    'bottled 5 and added 10 g sugar to each',
    'bottled 5 bottles, 10 g sugar per bottle',
    'bottled 5 with 50 g sugar in all',
    'primed with 50 g sugar and bottled 5',
    'bottled five corked, primed with 10 g each'
  ],
  [
    'bottle 5 still 5.6g/L',
    'bottled 5 corked, 1 tsp sugar in each',
    'bottled 5, a level teaspoon of sugar in each'
  ],
  [
    'bottle 12 crown 5.3g/L',
    'bottled 12 crown caps with a sugar cube of 4 g in each',
    'bottled 12 crown, 1 carbonation drop of 4 g each',
    'bottled 12 beer bottles with 12 cubes of 4 g'
  ],
  [
    'bottle 20 sparkling 24.0g/L',
    'bottled 20 champagne bottles primed with 24 g/l',
    'bottled 20 sparkling with 24 g sugar a litre'
  ],
  ['bottle 12 still 6.7g/L', 'bottled 12, added 60 g sugar', 'bottled 12 with 60 g sugar in total'],
  ['add white 0.06 + bottle 12 still', 'added 60 g sugar and bottled 12', '+ 60 g sugar, bottled 12'],
  ['bottle 10 still + add campden 0.00088', 'bottled 10, 2 campden', 'bottled 10 and added 2 campden'],
  ['ask', 'bottled 12 crown with a sugar cube in each', 'bottled 12 primed', 'bottled 12, 1 tsp sugar'],
  // What is not understood is kept beside what is.
  [
    'read 1.008 + note gorgeous colour',
    'sg 1.008, gorgeous colour',
    '1.008 gorgeous colour',
    'gorgeous colour, 1.008',
    '1.008 and gorgeous colour'
  ],
  [
    'stir + note lovely smell of pears',
    'stirred, lovely smell of pears',
    'stirred it. lovely smell of pears'
  ],
  ['read 1.020 20C + note Bob helped', 'sg 1.020 at 68, Bob helped', '1.020 68f; note: Bob helped'],
  ['add white 0.75 + note fairy dust', '+ 750 g sugar, fairy dust', 'added 750 g sugar and fairy dust'],
  [
    'rack green + note wonderful stuff',
    'racked to green jar, wonderful stuff',
    'racked to the green jar wonderful stuff'
  ],
  [
    'read 1.012 @Elderberry + note hooray @Elderberry',
    'elderberry 1.012 hooray',
    'elderberry: 1.012, hooray'
  ],
  [
    'weigh plum 2 + note wonderful weather',
    'picked 2 kg plums wonderful weather',
    'picked 2 kg plums, wonderful weather'
  ],
  ['read 1.040 + taste too sharp', '1.040, tasted too sharp', 'sg 1.040; tasted: too sharp'],
  ['read 1.040 + see taste=dry', '1.040, tastes dry', 'sg 1.040 and tastes dry', 'tastes dry, 1.040'],
  // What was not done, or is still to do, is no deed.
  ['note forgot to stir', 'forgot to stir'],
  ['note not stirred', 'not stirred'],
  ['note did not rack', 'did not rack'],
  ["note haven't added the campden", "haven't added the campden"],
  ['note need to rack soon', 'need to rack soon'],
  ['note must bottle on sunday', 'must bottle on sunday'],
  ['note going to add sugar tomorrow', 'going to add sugar tomorrow'],
  ['note should have stirred', 'should have stirred'],
  ['note almost racked it', 'almost racked it'],
  ['note forgot to stir and add nutrient', 'forgot to stir and add nutrient'],
  ['note could not read it', 'could not read it'],
  ["note we'll rack it at the weekend", "we'll rack it at the weekend"],
  ['read 1.040 + note did not stir', '1.040, did not stir', '1.040 but did not stir'],
  ['stir + note did not add nutrient', 'stirred, did not add nutrient', 'stirred but did not add nutrient'],
  [
    'rack green + note forgot the campden',
    'racked to green jar, forgot the campden',
    'racked to the green jar but forgot the campden'
  ],
  // What has ceased, or is not so yet.
  [
    'see stillDays=0',
    'no more bubbles',
    'the airlock has stopped',
    'bubbling has stopped',
    'it stopped bubbling',
    'airlock stopped',
    'it is no longer fizzing',
    'not bubbling any more',
    'stopped fermenting'
  ],
  [
    'see stillDays=3',
    'no more bubbles for 3 days',
    'nothing moved for three days',
    'the airlock has stopped for 3 days'
  ],
  [
    'see clarity=hazy',
    'not clear yet',
    'nearly clear',
    'starting to clear',
    'is clearing nicely',
    'not quite clear'
  ],
  ['see foam=none', 'no more foam', 'foam has died down', 'stopped foaming'],
  ['see stillDays=0 + read 0.996', 'no more bubbles, 0.996', '0.996 and it has stopped bubbling'],
  // Rackings: what was lost, and that it was all.
  [
    'rack 5L lost 0',
    'racked to 5 l jar lost 0',
    'racked to 5 l jar, lost nothing',
    'racked to 5 l jar, no loss',
    'racked to a 5 l jar, left 0',
    'racked to a 5 l jar leaving nothing behind',
    'racked into a 5 litre jar with no loss'
  ],
  [
    'rack 11.36L(7.75)',
    'racked 7.75 l to 3 us gal carboy',
    'racked to 3 us gal carboy, 7.75 l',
    'racked into a 3 gal carboy, 7.75 l came out'
  ],
  [
    'rack green all',
    'racked to green jar, that was all',
    "racked to the green jar, that's all",
    'racked to the green jar, that was all of it'
  ],
  [
    'rack green(4) stays',
    'racked 4 l to green jar, the rest stays',
    'racked 4 l into the green jar, leaving the rest in the bucket'
  ],
  [
    'rack back',
    'racked back into the same jar',
    'racked off and back to the same washed jar',
    'racked it back into the washed jar'
  ],
  ['rack back(4.5) lost 0.2', 'racked 4.5 l back into the same jar, lost 0.2 l'],
  [
    'rack 22.71L lost 0.946 + top-up water 0.946',
    'racked to 6 us gal carboy, left 1 qt and topped up with 1 qt water',
    'racked to 6 us gal carboy leaving a quart of lees, topped up with a quart of water',
    'racked into a 6 gal carboy, lost 1 qt, then topped up with 1 qt of water'
  ],
  [
    'rack 22.71L lost 0.946 + add water 0.946',
    'racked off the lees to a 6 us gal carboy, 1 qt left behind, then added 1 qt water'
  ],
  [
    'rack 11.36L,11.36L',
    'racked to 2 x 3 us gal carboy',
    'racked into two 3 gal carboys',
    'racked to 2 x 3 gal'
  ],
  [
    'rack green lost 0.5 + add campden 0.00044',
    'racked to green jar, lost half a litre, and added 1 campden',
    'racked to the green jar, lost 0.5 l; 1 campden'
  ],
  ['rack green + stir', 'racked to green jar and stirred', 'racked to the green jar, then stirred'],
  ['rack 25L-bucket', 'racked to a 25 l bucket', 'moved it into a 25 litre bucket'],
  // Yeast is yeast.
  ['pitch 12g', '1 tbsp yeast', 'pitched 1 tbsp yeast', 'added a tablespoon of yeast'],
  [
    'pitch 5g',
    '1 packet yeast',
    '5 g yeast',
    'one sachet of yeast',
    'sprinkled on a packet of yeast',
    'yeast in, 5 g'
  ],
  ['pitch 0.8g', '0.8 g yeast', 'pitched 0.8 g yeast'],
  ['pitch', 'pitched again', 're-pitched', 'yeast is in', 'pitched the yeast'],
  ['pitch champagne 5g QX-1042', 'pitched 5 g QX-1042 champagne type', '5 g QX-1042 champagne'],
  ['ask', 'QX-1042', 'pitched QX-1042', '5 g QX-1042'],
  [
    'pitch champagne 5g + pitch ale 3g',
    'pitched 5 g champagne and 3 g ale yeast',
    '5 g champagne yeast and 3 g ale yeast'
  ],
  ['pitch 5g + add white 1', 'added 1 kg sugar and 5 g yeast', 'added 5 g yeast and 1 kg sugar'],
  ['pitch 5g + add rehydration-nutrient 0.006', 'pitched 5 g yeast with 6 g rehydration nutrient'],
  ['add nutrient 0.008', '2 tsp yeast nutrient', 'added 2 tsp yeast nutrient', '+ 2 teaspoons of nutrient'],
  ['read 1.085 + pitch', '1.085, pitched', 'sg 1.085 and pitched the yeast', '1.085 yeast in'],
  // Warm for a moment, and where it stands.
  ['see tempC=40.0', '104 f', 'temp 104 f', 'it is 104 °F'],
  ['note slurry at 104 f', 'slurry at 104 f'],
  ['note water 40 c', 'water 40 c'],
  ['pitch 5g rehydrated + note the yeast at 104 f', 'pitched 5 g rehydrated at 104 f'],
  [
    'stands cellar 13C',
    'in the cellar at 13 c',
    'moved to the cellar, 13 c',
    'stands in the cellar at 13 °C',
    'cellar is 13 c',
    'it is 13 c in the cellar',
    'put it in the cellar at 13 c'
  ],
  [
    'stands cellar',
    'moved it to the cellar',
    'moved to the cellar',
    'put the jar in the cellar',
    'carried it down to the cellar'
  ],
  ['stands 18C', 'room 18 c', 'room temperature 18 c', 'the room is 18 c'],
  ['stands shed 15C + stir', 'moved to the shed, 15 c, and stirred', 'stirred, moved to the shed at 15 c'],
  [
    'rack green + stands cellar',
    'racked to green jar, moved it to the cellar',
    'racked to the green jar and carried it to the cellar'
  ],
  ['read 1.010 20C + stands cellar', '1.010 at 20 c, moved to the cellar'],
  [
    'stands garage @Elderberry',
    'elderberry moved to the garage',
    'moved the elderberry to the garage',
    'elderberry is in the garage'
  ],
  // A name holds until the next one.
  [
    'read 1.012 20C @Elderberry + stir @Parsnip + add nutrient 0.004 @Parsnip',
    'elderberry 1.012 20 C, parsnip stirred and 1 tsp nutrient in',
    'elderberry 1.012 20 C; parsnip stirred, 1 tsp nutrient'
  ],
  [
    'read 1.012 @Elderberry + read 1.030 @Parsnip',
    'elderberry 1.012, parsnip 1.030',
    'elderberry: 1.012; parsnip: 1.030',
    'elderberry 1.012 and parsnip 1.030'
  ],
  [
    'read 1.012 @Elderberry + stir @Elderberry + read 1.030 @Parsnip + stir @Parsnip',
    'elderberry 1.012, stirred, parsnip 1.030 and stirred'
  ],
  ['add white 1 @Plum + add white 0.5 @Parsnip', 'plum + 1 kg sugar, parsnip + 500 g sugar'],
  [
    'stir @Elderberry + stir @Parsnip',
    'stirred elderberry and parsnip',
    'elderberry stirred, parsnip stirred'
  ],
  [
    'rack 5L @Elderberry + note the parsnip did not move @Parsnip',
    'elderberry racked to 5 l jar, the parsnip did not move'
  ],
  ['read 1.040 ~1 @Plum + add campden 0.00044 @Plum', 'plum: yesterday 1.040, today 1 campden'],
  // Plans as a newcomer says them.
  [
    'plan plum 4.54 for 11.36L',
    '10 lb plums, 3 us gal carboy',
    '10 lb plums in a 3 gal bucket',
    'plan 10 lb plums, 3 gal'
  ],
  [
    'plan raspberry 4 at 12%',
    '4 kg raspberries 12 %',
    '4 kg raspberries at 12%',
    'plan 4 kg raspberries to 12 %'
  ],
  [
    'plan plum 4.08,white 2.72 for 11.36L',
    '9 lb plums, 6 lb sugar, 3 gal',
    '9 lb plums and 6 lb sugar for 3 us gal'
  ],
  ['ask', 'started a rhubarb wine', 'making a plum wine'],
  // Stock.
  ['weigh plum 3', 'bought 3 kg plums', 'picked 3 kg plums', 'gathered 3 kg of plums'],
  ['freeze plum 2', 'froze 2 kg plums', '2 kg plums froze'],
  ['weigh blackberry 2 frozen', 'picked 2 kg blackberries, frozen', 'weighed in 2 kg frozen blackberries'],
  [
    'ask',
    'bought 3 kg sugar',
    'a carrier bag of blackberries',
    'added a handful of raisins',
    'a squirt of lemon',
    'gave it nutrient'
  ],
  // What people call things.
  ['add honey 1', 'blossom honey 1 kg', '1 kg blossom honey', 'added 1 kg clover honey'],
  ['add cooking-apple 2', '2 kg cooking apples', 'added 2 kg cookers', '2 kg bramleys'],
  [
    'add strawberry 1.36',
    '3 lb pureed strawberries',
    '3 lb strawberry puree',
    'added 3 lb of puréed strawberries'
  ],
  ['add apple 2', '2 kg pressed apples', 'added 2 kg of pressed apples'],
  ['add erythritol 0.384', '2 cups erythritol', 'added 2 cups of erythritol'],
  ['add isinglass 0.01', '10 ml isinglass', 'added 10 ml of isinglass'],
  ['add bentonite 0.0173', '1 packet bentonite', 'a sachet of bentonite'],
  ['note gold leaf', 'gold leaf'],
  ['note edible glitter', 'edible glitter'],
  ['note airlock on', 'airlock on'],
  ['note covered it', 'covered it'],
  ['note skimmed the foam', 'skimmed the foam'],
  ['note threw the pulp on the compost', 'threw the pulp on the compost'],
  ['note cold crashed', 'cold crashed'],
  ['note washed the jar', 'washed the jar'],
  [
    'rack green + note airlock on',
    'racked to green jar, airlock on',
    'racked to the green jar and airlock on'
  ],
  ['fruit-out drip + note covered it', 'strained, covered it', 'strained the flowers out and covered it'],
  [
    'stir',
    'stirred',
    'punched down',
    'punched down the cap',
    'stirred the gas out',
    'degassed for 10 min',
    'gave it a good stir',
    'pushed it down',
    'stirred it well today'
  ],
  [
    'fruit-out drip',
    'strained the flowers out',
    'strained out the petals',
    'fruit out',
    'took the bag out',
    'strained it through muslin'
  ],
  ['fruit-out squeeze', 'squeezed the bag', 'took the bag out and squeezed it'],
  ['open 1 fizzy', 'cork popped', 'a cork popped', 'a cork has blown'],
  ['open 1 + note with friends', 'opened one with friends', 'opened a bottle with friends'],
  ['open 2', 'opened 2 bottles', 'opened two', 'drank 2 bottles'],
  [
    'ask',
    '+ 100 g fox glove',
    '100 g foxgloves',
    'added fox-glove',
    '2 kg lily-of-the-valley',
    '1 kg monks hood'
  ],
  // Several things in one breath.
  [
    'read 1.064 21C + stir',
    'sg 1.064 21c, stirred',
    'stirred, sg 1.064 at 21 c',
    '1.064 21 C and stirred',
    'stirred and read 1.064 at 21 °C'
  ],
  [
    'read 1.010 + rack green',
    '1.010, racked to green jar',
    'sg 1.010 and racked to the green jar',
    '1.010 then racked into the green jar'
  ],
  [
    'read 1.010 + rack green lost 0.3',
    '1.010 and racked to green jar, lost 0.3 l',
    'sg 1.010; racked to the green jar, lost 0.3 l'
  ],
  ['fruit-out squeeze + read 1.020', 'squeezed the bag, 1.020', 'squeezed the bag and read 1.020'],
  [
    'fruit-out drip + rack green',
    'strained and racked to green jar',
    'strained into the green jar',
    'took the fruit out and racked to the green jar'
  ],
  [
    'add white 0.75 + stir',
    '+ 750 g sugar and stirred',
    'added 750 g sugar, stirred',
    'added 750 g sugar and stirred it in'
  ],
  [
    'add white 0.5,nutrient 0.004',
    'added 500 g sugar and 1 tsp nutrient',
    '+ 500 g sugar, 1 tsp nutrient',
    '500 g sugar + 1 tsp nutrient'
  ],
  ['see clarity=clear + read 0.994', 'clear, 0.994', '0.994 and clear', 'it is clear and reads 0.994'],
  ['see smell=eggs + stir', 'smells of eggs, stirred', 'stirred, smells of rotten eggs'],
  ['see bubbles=5/12 + read 1.020', 'bubbles 5 in 12 s, 1.020', '1.020, 5 bubbles in 12 s'],
  ['see cap=fallen + fruit-out drip', 'cap fallen, fruit out', 'the cap has fallen and took the bag out'],
  ['read 1.030 ph3.4 ta6.2', '1.030, ph 3.4, ta 6.2', 'sg 1.030 ph 3.4 ta 6.2'],
  [
    'read 0.996 + add campden 0.00088 + rack green',
    '0.996, 2 campden, racked to the green jar',
    '0.996 and added 2 campden, then racked to green jar'
  ],
  ['read 1.000 ~1 + stir ~1', 'yesterday 1.000 and stirred', 'yesterday: 1.000, stirred'],
  [
    'add campden 0.00088,sorbate 0.0028',
    '2 campden and 1 tsp sorbate',
    'stabilised with 2 campden and 1 tsp sorbate',
    'added 2 campden, 1 tsp sorbate'
  ],
  ['lost 0.5 spilt + stir', 'spilt half a litre, stirred', 'spilt 0.5 l and stirred'],
  ['sample 0.1', 'took a 100 ml sample', 'drew off 100 ml'],
  [
    'pitch champagne 5g rehydrated + stir',
    'pitched 5 g champagne yeast rehydrated, stirred',
    'rehydrated and pitched 5 g champagne yeast, then stirred'
  ],
  ['read 1.090 + pitch 5g + stands cellar', '1.090, pitched 5 g yeast, moved to the cellar'],
  ['add water 2 + read 1.080', 'added 2 l water, 1.080', '+ 2 l water and 1.080'],
  ['bottle 6 still + open 1', 'bottled 6, opened one', 'bottled 6 and opened 1'],
  ['skip finings', 'skip finings', 'skip the finings'],
  // Words beside the matter.
  [
    'read 1.040',
    'right then, 1.040',
    'well it is now 1.040',
    'today it was about 1.040',
    'ok 1.040 all right',
    'i checked it and it is 1.040',
    'finally down to 1.040'
  ],
  ['read 1.040 + note honestly', '1.040 honestly', 'honestly 1.040'],
  ['add campden 0.00088 + note bless them', '2 campden, bless them', 'added 2 campden bless them'],
  ['stir + note whoops', 'stirred whoops', 'whoops, stirred'],
  [
    'rack green lost 0.5 + note what a mess',
    'racked to green jar, lost 0.5 l, what a mess',
    'racked to the green jar what a mess, lost 0.5 l'
  ],
  [
    'add white 0.5 + stir + note blimey',
    'blimey, added 500 g sugar and stirred',
    'added 500 g sugar, stirred, blimey'
  ],
  ['read 1.020 + stir + note smashing', '1.020 smashing, stirred', 'smashing 1.020, stirred'],
  ['see clarity=hazy + note grumpy cat', 'hazy, grumpy cat', 'grumpy cat, hazy'],
  ['pitch 5g + note fingers crossed', 'pitched 5 g yeast, fingers crossed', '5 g yeast fingers crossed'],
  ['bottle 6 still + note phew', 'bottled 6, phew', 'phew bottled 6'],
  ['stands cellar + note heavy thing indeed', 'moved it to the cellar, heavy thing indeed'],
  ['undo', 'undo', 'undo that', 'take that back'],
  // What is weighed or poured is no gravity, whatever its figure.
  ['add white 1.02', '1.02 kg sugar', '+ 1.02 kg sugar', 'added 1.020 kg of sugar', '1.02 kg white sugar in'],
  ['add white 0.499', '1.10 lb sugar', 'added 1.1 lb sugar', '1.1 lb white sugar went in'],
  ['add water 1.05', 'added 1.05 l water', '1.050 l water in', '+ 1.05 l of water'],
  ['add blackberry 1.05', '1.05 kg blackberries', 'added 1.05 kg of blackberries'],
  [
    'read 1.050 + add white 1.02',
    '1.050, 1.02 kg sugar',
    'sg 1.050 and added 1.02 kg sugar',
    'added 1.02 kg sugar, 1.050'
  ],
  ['add white 0.99 + stir', '0.99 kg sugar, stirred', 'added 0.99 kg sugar and stirred well'],
  ['add honey 1.08 + read 1.080', 'added 1.08 kg honey, 1.080', '1.08 kg honey in and it reads 1.080'],
  // Bottles leave by themselves, and by hand.
  ['open 1', 'a bottle broke', 'one bottle smashed', 'broke a bottle', 'gave away one', 'gave one away'],
  ['open 1 gushing', 'a bottle burst', 'one of the bottles exploded', 'one bottle burst'],
  ['open 2', 'two bottles broke', 'gave two away', 'gave away 2 to the neighbours'],
  ['open 2 gushing', 'two bottles burst', '2 of my bottles exploded'],
  // Two and three deeds in one breath.
  [
    'read 1.012 + stir + note thank goodness',
    '1.012, stirred, thank goodness',
    'thank goodness, 1.012 and stirred'
  ],
  ['stir + see clarity=cloudy', 'stirred, cloudy', 'cloudy, stirred it'],
  ['read 0.996 + see clarity=clear', '0.996, clear', 'reads 0.996 and it is clear', 'it is clear, 0.996'],
  [
    'rack green + add campden 0.00044',
    'racked to green jar, 1 campden',
    'racked to the green jar and added 1 campden'
  ],
  ['lost 0.5 spilt + read 1.020', 'spilt 0.5 l, 1.020', '1.020, spilt half a litre'],
  ['sample 0.1 + read 1.004', 'took a 100 ml sample, 1.004', 'drew off 100 ml, reads 1.004'],
  ['fruit-out drip + read 1.030', 'fruit out, 1.030', '1.030, took the fruit out'],
  ['stands cellar + read 1.010', 'moved to the cellar, 1.010', '1.010, moved it to the cellar'],
  ['pitch 5g + note the yeast at 68 f', 'pitched 5 g yeast at 68 f', 'pitched 5 g of yeast at 68 f'],
  ['bottle 12 still + open 1 + note lovely', 'bottled 12, opened one, lovely'],
  ['add campden 0.00088 + stir + note tomorrow the yeast', '2 campden, stirred, tomorrow the yeast'],
  ['read 1.018 + note cat fell in', '1.018, cat fell in', 'cat fell in; 1.018'],
  ['stir @Plum + read 1.030 @Plum', 'plum stirred, 1.030', 'plum: stirred and 1.030'],
  [
    'read 1.012 @Elderberry + read 1.030 @Plum',
    'elderberry 1.012, plum 1.030',
    'elderberry 1.012 and plum 1.030'
  ]
];
