import { z } from 'zod';
import { stepName } from '../../tables/step-id';
import { NO_STEM } from '../state';
import { defineEvent, time } from './define';

/** A step of the schedule is done, skipped, or put off. */
export const step = defineEvent({
  type: 'step',
  data: z.strictObject({
    step: z.string().min(1).max(40),
    outcome: z.enum(['done', 'skipped', 'snoozed']),
    until: time.optional()
  }),
  touchesLiquid: false,
  apply: (s, { data }, at) =>
    void s.steps.push({
      at,
      step: data.step,
      outcome: data.outcome,
      until: data.until ? Date.parse(data.until) : null
    }),
  says: ({ data }) =>
    data.step === NO_STEM
      ? { what: ['Reading set aside'], detail: ['for this wine'] }
      : {
          what: [data.outcome === 'snoozed' ? 'Put off' : data.outcome === 'skipped' ? 'Skipped' : 'Done'],
          detail: [stepName(data.step), ...(data.until ? [', till ', { dayMs: Date.parse(data.until) }] : [])]
        }
});
