const TRACE = 'A trace in both: the difference is a few hundredths of a gram and moves no figure shown.';
const OFF =
  'Their value is plainly off: the published pH of this fruit (FDA list) could not be reached with so little acid.';
const VARIETY =
  'A tropical variety grown for eating, paler and lighter in sugar than temperate garden fruit.';
const LOW_SUGAR =
  'Their free sugars are well below the published temperate range; our spread reaches towards theirs.';
const STARCH = 'Ours counts starch, which does not dissolve in a must; theirs is fibre alone.';
const METHOD =
  'Their organic acids were measured in one extract that finds little malic acid in any food; ours follows the titratable acid.';

/** Why an entry may differ by more than 25 % from the outside table: reviewed one by one. */
export const REVIEWED: Record<string, string> = {
  'strawberry.sugars': VARIETY,
  'strawberry.malic acid': OFF,
  'strawberry.citric acid': OFF,
  'blackberry.sugars': 'Theirs is a sweet cultivated variety; hedge berries hold less.',
  'blackberry.citric acid': 'Within our spread, near its low end; wild berries are sharper.',
  'blackberry.malic acid': 'Within our spread at its low end; wild berries are sharper.',
  'blackcurrant.sugars': 'Within our spread at its low end.',
  'blackcurrant.insolubles': 'Ours counts the seeds, which are not ground up in a must.',
  'blackcurrant.citric acid':
    'Plainly off: blackcurrant is among the most citric of fruits, two to four per cent in every temperate table.',
  'sour-cherry.malic acid':
    'Theirs is as sweet as a dessert cherry (10.7 g sugar) though filed under the sour species.',
  'sour-cherry.citric acid': TRACE,
  'plum.malic acid': OFF,
  'plum.citric acid': TRACE,
  'apple.malic acid':
    'A dessert apple; our typical is between dessert and cooking apples, and theirs is its low end.',
  'apple.citric acid': TRACE,
  'pineapple.insolubles': 'Theirs includes core; ours is cored flesh.',
  'pineapple.malic acid': METHOD,
  'mango.sugars': VARIETY,
  'mango.malic acid': TRACE,
  'mango.citric acid': 'Within our spread, at its sharp end.',
  'banana.insolubles': STARCH,
  'banana.malic acid': METHOD,
  'orange.sugars': VARIETY,
  'orange.citric acid': 'Their species is the sour orange; ours is the sweet one.',
  'watermelon.sugars': VARIETY,
  'watermelon.malic acid': METHOD,
  'watermelon.citric acid': TRACE,
  'raisin.malic acid': METHOD,
  'raisin.citric acid': TRACE,
  'grape.sugars': 'A table grape picked early; wine and garden grapes are picked ripe.',
  'grape.citric acid': TRACE,
  'date.water': 'Theirs is the hard dry date; ours is the soft one sold for eating.',
  'date.malic acid': METHOD,
  'dried-apricot.water': 'Theirs is dried hard; ours is the soft dried fruit of the shops.',
  'dried-apricot.sugars': 'Theirs is a wild mountain apricot, sour and poor in sugar.',
  'dried-apricot.potassium': 'Lower than the fresh fruit would give on drying: not the same fruit.',
  'dried-apricot.insolubles': 'Theirs is fibre alone, and of another fruit; ours keeps skins.',
  'dried-apricot.malic acid': METHOD,
  'dried-apricot.citric acid': METHOD,
  'beetroot.sugars': LOW_SUGAR,
  'beetroot.malic acid': TRACE,
  'beetroot.citric acid': TRACE,
  'carrot.sugars': LOW_SUGAR,
  'carrot.malic acid': METHOD,
  'carrot.citric acid':
    'Temperate tables find mostly malic acid, theirs mostly citric; the sum is the same within 15 %.',
  'ginger.sugars': LOW_SUGAR,
  'ginger.insolubles': STARCH,
  'ginger.malic acid': TRACE,
  'ginger.citric acid': TRACE,
  'fig.sugars': LOW_SUGAR,
  'fig.malic acid': METHOD,
  'fig.citric acid': 'Within our spread.',
  'guava.sugars': LOW_SUGAR,
  'guava.potassium': VARIETY,
  'guava.insolubles': 'Theirs counts the hard seeds ground up; in a must they stay whole.',
  'guava.malic acid': METHOD,
  'guava.citric acid': 'Within our spread at its low end.',
  'lychee.sugars': LOW_SUGAR,
  'lychee.malic acid': METHOD,
  'lychee.citric acid': TRACE,
  'papaya.sugars': LOW_SUGAR,
  'papaya.insolubles': 'Within our spread.',
  'papaya.malic acid': TRACE,
  'pomegranate.insolubles': 'Ours counts the seed of the aril, theirs in part.',
  'pomegranate.malic acid': 'Within our spread.',
  'pomegranate.citric acid': 'Within our spread: sour and sweet varieties differ fivefold.',
  'cantaloupe.sugars': LOW_SUGAR,
  'cantaloupe.potassium': VARIETY,
  'cantaloupe.malic acid': TRACE,
  'cantaloupe.citric acid': TRACE,
  'pumpkin.potassium': VARIETY,
  'pumpkin.malic acid': METHOD,
  'tomato.sugars': LOW_SUGAR,
  'tomato.malic acid': TRACE,
  'tomato.citric acid': 'Within our spread at its low end.',
  'potato.sugars': 'A few tenths of a gram: storage in the cold doubles it.',
  'potato.insolubles': STARCH,
  'potato.citric acid': METHOD,
  'sweet-potato.insolubles': STARCH,
  'sweet-potato.malic acid': 'Within our spread.',
  'sweet-potato.citric acid': TRACE,
  'celery.sugars': LOW_SUGAR,
  'celery.malic acid': METHOD,
  'celery.citric acid':
    'Temperate tables find mostly malic acid, theirs mostly citric; the sum is about the same.'
};
