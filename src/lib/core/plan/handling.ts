import type { Form } from '../tables/produce';
import type { Cut, Heat } from './extraction';

/** What each form of produce is to the winemaker. */
export const FORM_NOTES: Record<Form, { name: string; note: string }> = {
  fresh: { name: 'fresh', note: 'Picked and weighed as it is.' },
  frozen: {
    name: 'frozen',
    note: 'Half mashed by the frost, so it gives sooner. Catch the thaw juice: it counts.'
  },
  canned: {
    name: 'canned',
    note: 'Weighed drained, put up in juice. Cooked, so it gives at once and wants enzyme; read the label for preservatives.'
  },
  dried: { name: 'dried', note: 'Weighed dry. It soaks up water first, then gives.' },
  juice: { name: 'juice', note: 'Pressed, nothing added: all of it is in the must at once.' },
  concentrate: {
    name: 'concentrate',
    note: 'Juice boiled down to about 68 °Bx; sharp and sweet together.'
  }
};

/** How fine it is cut. */
export const CUTS = {
  whole: { name: 'whole', note: 'Gives slowly and keeps the pulp together.' },
  crushed: { name: 'crushed', note: 'Burst by hand or masher: the usual way.' },
  sliced: { name: 'sliced thin', note: 'For roots and firm fruit; thin slices give more.' },
  blitzed: { name: 'blitzed', note: 'Gives fast, and throws more sediment.' }
} as const satisfies Record<Cut, { name: string; note: string }>;

/** What heat it gets. */
export const HEATS = {
  raw: { name: 'raw', note: 'Freshest taste.' },
  poured: {
    name: 'boiling water over',
    note: 'Loosens the skins; it must cool before the yeast.'
  },
  simmered: {
    name: 'simmered',
    note: 'For roots and dried flowers. Fruit that is cooked turns hazy.'
  }
} as const satisfies Record<Heat, { name: string; note: string }>;
