import { z } from 'zod';
import { defineEvent, id, text } from './define';

/** A picture was taken of it; the picture itself is kept beside the log, by this id. */
export const photo = defineEvent({
  type: 'photo',
  data: z.strictObject({
    photoId: z.uuid(),
    /** dots, upright */
    width: z.int().min(1).max(20_000),
    height: z.int().min(1).max(20_000),
    vesselId: id.optional(),
    caption: text.optional(),
    /** its colour beside a white sheet, as #rrggbb */
    colour: z
      .string()
      .regex(/^#[0-9a-f]{6}$/, 'must be a colour such as #8a1f3c')
      .optional()
  }),
  touchesLiquid: false,
  apply: () => undefined,
  says: ({ data }) => ({ what: ['Photo'], detail: [data.caption ?? ''] }),
  slots: ({ caption }) =>
    caption === undefined ? [] : [{ path: ['caption'], label: ['What it shows'], kind: 'text' }]
});
