import type { StepId } from '$core/tables/step-id';

export type FormId =
  'read' | 'pitch' | 'fruit-out' | 'rack' | 'add' | 'top-up' | 'steep' | 'take' | 'note' | 'bottle';

/** The form a step wants, or null when one tap does it. */
export const formOf = (step: StepId): FormId | null =>
  (
    ({
      read: 'read',
      pitch: 'pitch',
      'fruit-out': 'fruit-out',
      'rack-1': 'rack',
      'rack-2': 'rack',
      bottle: 'bottle'
    }) as Partial<Record<StepId, FormId>>
  )[step] ?? null;

export const isFormId = (text: string): text is FormId =>
  ['read', 'pitch', 'fruit-out', 'rack', 'add', 'top-up', 'steep', 'take', 'note', 'bottle'].includes(text);
