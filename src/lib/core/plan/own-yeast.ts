import { z } from 'zod';
import { YEASTS, type YeastId } from '../tables/yeasts';
import { PACKET_G } from '../tables/doses';
import type { Yeast } from './plan';

/** A yeast as its packet calls it: its type, and what the packet says otherwise of it. */
export const ownYeastSchema = z.strictObject({
  id: z.string().min(1).max(64),
  /** the name or the code on the packet */
  name: z.string().min(1).max(60),
  yeastId: z.enum(Object.keys(YEASTS) as [YeastId, ...YeastId[]]),
  /** strength it stands, % vol */
  toleranceAbv: z.number().finite().min(3).max(22).optional(),
  /** temperatures it works between, °C */
  coldC: z.number().finite().min(0).max(35).optional(),
  warmC: z.number().finite().min(5).max(45).optional(),
  /** what a packet weighs, g */
  packetG: z.number().finite().positive().max(1000).optional()
});
export type OwnYeast = z.infer<typeof ownYeastSchema>;

/** What of it goes with a plan or a pitch. */
export const asYeast = ({ name, yeastId, toleranceAbv, coldC, warmC }: Omit<OwnYeast, 'id'>): Yeast => ({
  yeastId,
  name,
  ...(toleranceAbv === undefined ? {} : { toleranceAbv }),
  ...(coldC === undefined ? {} : { coldC }),
  ...(warmC === undefined ? {} : { warmC })
});

/** Letters and figures of a name or a code alone: `QX 1042` and `qx-1042` are one. */
const bare = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** The yeast of a household that is called so; undefined where none is. */
export const ownYeastCalled = (name: string, own: readonly OwnYeast[]): OwnYeast | undefined =>
  own.find((y) => bare(y.name) === bare(name));

/** What a packet of a yeast weighs, g. */
export const packetG = (yeast: Pick<OwnYeast, 'packetG'> | undefined): number => yeast?.packetG ?? PACKET_G;
