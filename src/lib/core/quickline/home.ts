import type { OwnYeast } from '../plan/own-yeast';
import type { Deed } from '../commands/deed';
import type { Caution } from '../cautions/scene';
import type { Stands } from '../report/stands';
import type { Settings } from '../units/settings';
import type { Vessel } from '../vessels/vessels';

/** What the household has that a command may need. */
export type Home = {
  settings: Settings;
  /** every vessel there is, and those nothing stands in */
  vessels: readonly Vessel[];
  free: readonly Vessel[];
  /** every wine as it stands */
  /** yeasts as its packets call them */
  yeasts?: readonly OwnYeast[];
  wines: readonly Pick<Stands, 'id' | 'state' | 'standing' | 'due'>[];
  now: number;
  newId: () => string;
};

/** What a command writes: events, jars that were not known before, and what is to be heeded. */
export type Written = {
  deed: Deed;
  newVessels: Vessel[];
  /** a yeast whose name was not known before */
  newYeasts?: OwnYeast[];
  cautions: Caution[];
};
