import type { StepForm } from '$core/steps/table/define';

/** The forms of a batch's page. */
export type FormId = StepForm | 'top-up' | 'steep' | 'take' | 'note';

export const isFormId = (text: string): text is FormId =>
  ['read', 'pitch', 'fruit-out', 'rack', 'add', 'top-up', 'steep', 'take', 'note', 'bottle'].includes(text);
