import { z } from 'zod';
import { yeastSchema } from '../../plan/plan-schema';
import { yeastName } from '../../plan/chosen';
import { strainOff } from '../pour';
import { tooHotAsked } from '../too-hot';
import { gramsText } from '../../units/format';
import { defineEvent } from './define';

/** Yeast goes in. */
export const pitch = defineEvent({
  type: 'pitch',
  data: z.strictObject({
    yeast: yeastSchema,
    massG: z.number().finite().positive().max(2000).optional(),
    how: z.enum(['dry', 'rehydrated', 'starter']).optional()
  }),
  // What was infused is strained off before it.
  touchesLiquid: true,
  apply(s, e, at) {
    strainOff(s, at, true);
    const { yeast, massG = null, how = null } = e.data;
    s.pitches.push({ at, yeast, massG });
    s.flows.push({ at, kind: 'pitch', yeast, massG, how });
  },
  check: (e, { before }) => tooHotAsked('yeast', before, Date.parse(e.at)),
  says: ({ data }) => ({
    what: ['Yeast in'],
    detail: [
      [data.massG && gramsText(data.massG), yeastName(data.yeast), data.how].filter(Boolean).join(', ')
    ]
  }),
  slots: () => [{ path: ['massG'], label: ['Grams'], kind: 'yeast' }]
});
