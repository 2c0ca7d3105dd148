import type { StepId } from '$core/method/steps';

/** The word on a card's button, for steps that one tap does. */
export const TAP: Partial<Record<StepId, string>> = {
  stir: 'Stirred',
  campden: 'Sulphite in',
  enzyme: 'Enzyme in',
  pitch: 'Yeast in',
  starter: 'Starter begun',
  'feed-1': 'Fed',
  'feed-2': 'Fed',
  finings: 'Finings in',
  stabilise: 'Stabilised',
  sweeten: 'Sweetened',
  'fruit-out': 'Fruit is out',
  crush: 'Done'
};
