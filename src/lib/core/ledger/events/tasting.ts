import { z } from 'zod';
import { tastingWord } from '../../tables/tasting';
import { defineEvent, text } from './define';

/** How it tastes. */
export const tasting = defineEvent({
  type: 'tasting',
  data: z.strictObject({
    /** in one's own words, or the words that were tapped */
    text: text.min(1),
    /** how well it is liked, 1 to 5 */
    liking: z.int().min(1).max(5).optional(),
    nextTime: text.optional(),
    /** what was tapped of `tables/tasting.ts` */
    words: z.array(z.string().min(1).max(40)).max(40).optional(),
    /** sugar and acid at which it would have been right, g/L and g/L as tartaric */
    wanted: z
      .strictObject({ sweetGL: z.number().min(0).max(200), taGL: z.number().min(0).max(30) })
      .optional(),
    when: z.enum(['young', 'ready', 'past']).optional(),
    /** of which filling the bottle was; left out for wine in a vessel, or where there is one */
    bottleId: z.uuid().optional()
  }),
  touchesLiquid: false,
  apply: (s, { data }, at) =>
    void s.tastings.push({
      at,
      text: data.text,
      liking: data.liking ?? null,
      words: data.words ?? [],
      when: data.when ?? null,
      wanted: data.wanted ?? null,
      bottleId: data.bottleId ?? null
    }),
  says: ({ data }) => {
    const words = (data.words ?? []).map((id) => tastingWord(id)?.name ?? id).join(', ');
    const said = [words, data.text === words ? '' : data.text].filter(Boolean).join('. ');
    const when = { young: ' Too young.', ready: ' Ready.', past: ' Past its best.' };
    return {
      what: ['Tasted'],
      detail: [
        `${said}${data.liking ? ` (${data.liking} of 5)` : ''}${data.when ? when[data.when] : ''}${data.nextTime ? ` Next time: ${data.nextTime}` : ''}`
      ]
    };
  }
});
