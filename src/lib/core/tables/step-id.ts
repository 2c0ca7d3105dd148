/** The steps of a batch, in the order in which they are done, where no wait says otherwise; `steps/table` says all else. */
export const STEP_IDS = [
  'crush',
  'campden',
  'enzyme',
  'starter',
  'pitch',
  'nutrient-1',
  'nutrient-2',
  'nutrient-3',
  'nutrient-4',
  'stir',
  'read',
  'feed-1',
  'feed-2',
  'fruit-out',
  'rack-1',
  'rack-2',
  'finings',
  'stabilise',
  'sweeten',
  'bottle'
] as const;

/** What is done about a wine that goes wrong, whatever its plan was; `steps/trouble` says when. */
export const RUNG_IDS = [
  'read-again',
  'warm',
  'cool',
  'air',
  'food',
  'hulls',
  'build-up',
  'fresh-yeast',
  'make-room',
  'splash',
  'cover',
  'sulphite',
  'spirit-test',
  'late-enzyme',
  'fine'
] as const;
/** What is still to do for a wine that is all in bottles. */
export const BOTTLED_IDS = ['test-bottle', 'taste'] as const;
export type StepId = (typeof STEP_IDS)[number] | (typeof RUNG_IDS)[number] | (typeof BOTTLED_IDS)[number];

/** What each is called in the midst of a sentence. */
const STEP_NAMES: Record<StepId, string> = {
  crush: 'crushing',
  campden: 'campden',
  enzyme: 'enzyme',
  starter: 'starter',
  pitch: 'yeast',
  'nutrient-1': 'nutrient',
  'nutrient-2': 'second nutrient',
  'nutrient-3': 'third nutrient',
  'nutrient-4': 'fourth nutrient',
  stir: 'stirring',
  read: 'reading',
  'feed-1': 'first feeding',
  'feed-2': 'second feeding',
  'fruit-out': 'straining',
  'rack-1': 'first racking',
  'rack-2': 'second racking',
  finings: 'finings',
  stabilise: 'stabilising',
  sweeten: 'sweetening',
  bottle: 'bottling',
  'read-again': 'reading again',
  warm: 'warming',
  cool: 'cooling',
  air: 'airing',
  food: 'feeding the yeast',
  hulls: 'yeast hulls',
  'build-up': 'starter',
  'fresh-yeast': 'fresh yeast',
  'make-room': 'making room',
  splash: 'splash racking',
  cover: 'topping up',
  sulphite: 'sulphite',
  'spirit-test': 'spirit test',
  'late-enzyme': 'late enzyme',
  fine: 'fining',
  'test-bottle': 'test bottle',
  taste: 'tasting'
};

/** Cards of the brew day that are no steps of the schedule. */
const CARD_NAMES: Record<string, string> = {
  kit: 'cleaning',
  boil: 'boiling',
  strain: 'straining',
  mark: 'looking at the mark',
  tag: 'marking the vessel'
};

/** A step, or a card of the brew day, by its name. */
export const stepName = (step: string): string =>
  STEP_NAMES[step as StepId] ?? CARD_NAMES[step] ?? step.replaceAll('-', ' ');
