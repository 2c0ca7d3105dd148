import type { StepForm } from '$core/steps/table/define';

/** The forms of a batch's page. */
export type FormId = StepForm | 'blend' | 'trial' | 'steep' | 'take' | 'note' | 'photo';

export const isFormId = (text: string): text is FormId =>
  [
    'read',
    'pitch',
    'fruit-out',
    'rack',
    'split',
    'open',
    'taste',
    'add',
    'top-up',
    'steep',
    'take',
    'note',
    'photo',
    'look',
    'warmth',
    'clear',
    'stabilise',
    'blend',
    'trial',
    'sweeten',
    'bottle'
  ].includes(text);
