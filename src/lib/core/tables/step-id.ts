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
