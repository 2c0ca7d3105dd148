import { z } from 'zod';
import { ART_IDS, type ArtId } from '../../tables/art';
import { INK_IDS } from '../../tables/inks';
import { defineEvent } from './define';

/** The ways in which a label can be laid out; `label/layouts.ts` draws them. */
export const LAYOUT_IDS = ['basket', 'window', 'night', 'hedge', 'stamp', 'slip'] as const;
export type LayoutId = (typeof LAYOUT_IDS)[number];

const words = (most: number) => z.string().max(most).optional();
const ARTS = [...ART_IDS, 'own', 'none'] as [ArtId | 'own' | 'none', ...(ArtId | 'own' | 'none')[]];

/** How one's labels of a wine look, and what was worded by hand: what is left away is told by the wine itself. */
export const designSchema = z.strictObject({
  layout: z.enum(LAYOUT_IDS),
  ink: z.enum(INK_IDS),
  /** a drawing of ours, the household's own picture, or none; left away, that of what weighs most in the wine */
  art: z.enum(ARTS).optional(),
  name: words(80),
  year: words(12),
  strength: words(24),
  taste: words(40),
  note: words(120),
  /** a square that a phone reads the facts from */
  hasCode: z.boolean()
});
export type Design = z.infer<typeof designSchema>;

export const FIRST_DESIGN: Design = { layout: 'basket', ink: 'damson', hasCode: true };

/** Labels were printed, or saved to be printed: the next ones begin with how these looked. */
export const labelled = defineEvent({
  type: 'label',
  data: z.strictObject({ count: z.int().min(1).max(2000), design: designSchema }),
  touchesLiquid: false,
  apply: (s, { data }) => void (s.label = data.design),
  says: ({ data }) => ({ what: ['Labels'], detail: [`${data.count} made`] })
});
