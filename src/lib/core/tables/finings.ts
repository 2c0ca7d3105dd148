import type { DoseId } from './doses';

/** A way of clearing a wine. All common practice. */
export type Fining = {
  name: string;
  /** what it takes down */
  against: readonly ('pectin' | 'starch' | 'protein' | 'yeast')[];
  /** what goes in, in turn */
  parts: readonly DoseId[];
  /** those of them that fall and clear; a step counts by them */
  falls: readonly DoseId[];
  /** hours between the first part and the second */
  thenH?: number;
  /** days until it is clear */
  days: readonly [number, number];
  /** of the wine so much goes with its lees */
  leesShare: number;
  /** what it costs beside */
  costs: string;
  how: string;
};

export const FININGS = {
  time: {
    name: 'Time',
    against: ['yeast', 'protein'],
    parts: [],
    falls: [],
    days: [60, 120],
    leesShare: 0.01,
    costs: 'Nothing else.',
    how: 'Cool, dark, full to the neck; racked when it has dropped.'
  },
  cold: {
    name: 'Cold',
    against: ['yeast'],
    parts: [],
    falls: [],
    days: [14, 30],
    leesShare: 0.01,
    costs: 'A little acid, as tartar.',
    how: 'Near freezing for a fortnight, and racked while it is cold.'
  },
  'two-part': {
    name: 'Two-part finings',
    against: ['yeast', 'protein'],
    parts: ['kieselsol', 'chitosan'],
    falls: ['kieselsol', 'chitosan'],
    thenH: 1,
    days: [3, 10],
    leesShare: 0.02,
    costs: 'A little colour.',
    how: 'Gas stirred out. The first part, an hour, the second; stirred gently. By the packet, where it says otherwise.'
  },
  bentonite: {
    name: 'Bentonite',
    against: ['protein', 'yeast'],
    parts: ['bentonite'],
    falls: ['bentonite'],
    days: [7, 14],
    leesShare: 0.04,
    costs: 'Some aroma and colour; thick lees.',
    how: 'Swollen in hot water the day before, stirred in, and again after an hour.'
  },
  gelatine: {
    name: 'Gelatine, with tannin',
    against: ['yeast'],
    parts: ['tannin', 'gelatine'],
    falls: ['gelatine'],
    thenH: 24,
    days: [7, 14],
    leesShare: 0.02,
    costs: 'Tannin and colour. Too much clouds it anew: a glass first.',
    how: 'Tannin first, a day; the gelatine in warm water, stirred in.'
  },
  isinglass: {
    name: 'Isinglass',
    against: ['yeast'],
    parts: ['isinglass'],
    falls: ['isinglass'],
    days: [7, 14],
    leesShare: 0.02,
    costs: 'Hardly anything.',
    how: 'Swollen in cold, acid water overnight; stirred in cold.'
  },
  'egg-white': {
    name: 'Egg white',
    against: ['yeast'],
    parts: ['egg-white'],
    falls: ['egg-white'],
    days: [7, 14],
    leesShare: 0.02,
    costs: 'Rough tannin; for red wine.',
    how: 'Loosened in a little water with a pinch of salt, not whipped; stirred in.'
  },
  casein: {
    name: 'Casein',
    against: ['yeast'],
    parts: ['casein'],
    falls: ['casein'],
    days: [5, 10],
    leesShare: 0.02,
    costs: 'Browning and bitterness; some aroma.',
    how: 'Dissolved in water, let in quickly while stirring: it curdles at once.'
  },
  enzyme: {
    name: 'Pectic enzyme',
    against: ['pectin'],
    parts: ['pectic-enzyme'],
    falls: [],
    days: [7, 21],
    leesShare: 0.01,
    costs: 'Nothing else. Alcohol slows it: twice the dose is no harm.',
    how: 'Stirred in, a week in the warm, then the spirit test again.'
  },
  amylase: {
    name: 'Amylase',
    against: ['starch'],
    parts: ['amylase'],
    falls: [],
    days: [7, 21],
    leesShare: 0.01,
    costs: 'Starch turns into sugar, and living yeast takes it: read it again before it is bottled.',
    how: 'Stirred in, a week in the warm, then the iodine again.'
  }
} as const satisfies Record<string, Fining>;

export type FiningId = keyof typeof FININGS;
