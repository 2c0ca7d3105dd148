import { z } from 'zod';
import { draw } from '../operations';
import { defineEvent, id, volumeL } from './define';

/** A glass drawn off; poured back when `returned`. */
export const sample = defineEvent({
  type: 'sample',
  data: z.strictObject({ vesselId: id.optional(), volumeL: volumeL.positive(), returned: z.boolean() }),
  touchesLiquid: true,
  apply(s, { data }) {
    if (!data.returned) draw(s, data.vesselId, data.volumeL);
  },
  says: ({ data }) => ({
    what: [data.returned ? 'Sample, poured back' : 'Sample drunk'],
    detail: [{ volumeL: data.volumeL }]
  }),
  slots: () => [{ path: ['volumeL'], label: ['How much'], kind: 'volume' }],
  source: (data) => data.vesselId
});
