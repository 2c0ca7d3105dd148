import type { StepForm } from '$core/steps/table/define';

/** The forms of a batch's page. */
export type FormId = StepForm | 'top-up' | 'steep' | 'take' | 'note' | 'look';

export const isFormId = (text: string): text is FormId =>
  ['read', 'pitch', 'fruit-out', 'rack', 'add', 'top-up', 'steep', 'take', 'note', 'look', 'bottle'].includes(
    text
  );
