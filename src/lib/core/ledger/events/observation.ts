import { z } from 'zod';
import type { Look } from '../flow';
import { counted } from '../../units/format';
import { doubt, feel } from '../state';
import { defineEvent, id, type Part } from './define';

/** What can be seen, heard and tasted without any instrument, in words. */
export const LOOKS = {
  cap: { up: 'the cap is up', falling: 'the cap is falling', fallen: 'the cap has fallen' },
  foam: { none: 'no foam', some: 'some foam', over: 'foaming over' },
  taste: { dry: 'tastes dry', 'a-little-sweet': 'tastes a little sweet', sweet: 'tastes sweet' },
  clarity: { cloudy: 'cloudy', hazy: 'hazy', clear: 'clear' },
  smell: {
    clean: 'smells clean',
    eggs: 'smells of eggs',
    vinegar: 'smells of vinegar',
    flat: 'smells flat, of sherry'
  },
  surface: { clean: 'clean on top', film: 'a film on top', mould: 'mould on top' },
  inSpirit: { strings: 'strings in spirit: pectin', none: 'nothing in spirit' },
  iodine: { blue: 'blue with iodine: starch', none: 'not blue with iodine' },
  heated: { flocks: 'flocks when heated: protein', none: 'no cloud when heated' },
  shaken: { puffs: 'still holds gas', none: 'free of gas' }
} as const;

const oneOf = <T extends object>(of: T) =>
  z.enum(Object.keys(of) as [keyof T & string, ...(keyof T & string)[]]);

/** What a look may hold, each thing by itself. */
export const lookShape = {
  /** bubbles counted at the airlock, and in how many seconds */
  bubbles: z
    .strictObject({
      count: z.int().min(0).max(10_000),
      seconds: z.number().finite().positive().max(7200)
    })
    .optional(),
  cap: oneOf(LOOKS.cap).optional(),
  foam: oneOf(LOOKS.foam).optional(),
  taste: oneOf(LOOKS.taste).optional(),
  clarity: oneOf(LOOKS.clarity).optional(),
  smell: oneOf(LOOKS.smell).optional(),
  surface: oneOf(LOOKS.surface).optional(),
  inSpirit: oneOf(LOOKS.inSpirit).optional(),
  iodine: oneOf(LOOKS.iodine).optional(),
  heated: oneOf(LOOKS.heated).optional(),
  shaken: oneOf(LOOKS.shaken).optional(),
  /** how warm it is, °C */
  tempC: z.number().finite().min(-10).max(105).optional(),
  /** days in which nothing was seen to move; 0 where it has just been seen to have stopped */
  stillDays: z.number().finite().min(0).max(2000).optional()
};

const data = z
  .strictObject({ vesselId: id.optional(), ...lookShape })
  .refine(
    (d) => Object.entries(d).some(([k, v]) => k !== 'vesselId' && v !== undefined),
    'holds nothing seen'
  );

const SEEN = Object.keys(LOOKS) as (keyof typeof LOOKS)[];

/** What was seen of a look, in words. */
function said(d: z.infer<typeof data>): Part[] {
  const parts: Part[] = d.tempC === undefined ? [] : [{ tempC: d.tempC }];
  const words = SEEN.flatMap((k) => {
    const value = d[k];
    return value === undefined ? [] : [(LOOKS[k] as Record<string, string>)[value]!];
  });
  if (d.bubbles) words.push(`${counted(d.bubbles.count, 'bubble')} in ${d.bubbles.seconds} s`);
  if (d.stillDays === 0) words.push('nothing moves any more');
  else if (d.stillDays !== undefined) words.push(`nothing moved for ${counted(d.stillDays, 'day')}`);
  if (words.length > 0) parts.push(`${parts.length > 0 ? ', ' : ''}${words.join(', ')}`);
  return parts;
}

/** Looked, listened and tasted: what one can tell without a hydrometer. */
export const observation = defineEvent({
  type: 'observation',
  data,
  touchesLiquid: false,
  apply(s, { data: { vesselId, tempC, ...seen } }, at) {
    if (vesselId && !s.fills.some((f) => f.vesselId === vesselId)) doubt(s, 'not-there');
    const look: Look = seen;
    s.looks.push({ at, vesselId: vesselId ?? null, tempC, ...look });
    if (tempC !== undefined) feel(s, at, tempC);
    if (Object.values(look).some((x) => x !== undefined))
      s.flows.push({ at, kind: 'look', vesselId: vesselId ?? null, look });
  },
  says: ({ data: d }) => ({
    what: ['Looked'],
    detail: [...said(d), ...(d.vesselId ? [', ', { vesselId: d.vesselId }] : [])]
  }),
  source: (d) => d.vesselId
});
