import type { Design } from '../ledger/events/label';
import type { ArtId } from '../tables/art';
import type { Settings } from '../units/settings';
import type { Art, Code } from './art-marks';
import type { Content } from './draw-label';
import type { Facts, Worded } from './facts';

/** What a label says: as it was worded by hand, else as the wine tells. */
export const saidOf = (worded: Worded, d: Design): Worded => ({
  ...worded,
  name: d.name ?? worded.name,
  year: d.year ?? worded.year,
  strength: d.strength ?? worded.strength,
  taste: d.taste ?? worded.taste
});

/** `Contains sulphites, egg.`; nothing where there is nothing to tell of. */
export const mustText = ({ contains }: Pick<Facts, 'contains'>): string =>
  contains.length > 0 ? `Contains ${contains.join(', ')}.` : '';

/** `Yeast: QX-1042`; nothing where no packet's name was said. */
const yeastText = ({ yeasts }: Pick<Facts, 'yeasts'>): string =>
  yeasts.length > 0 ? `Yeast: ${yeasts.join(', ')}` : '';

/** The way to a page of this Vecino; empty where it has no address. */
export const linkTo = (address: string, path: string): string =>
  address && `${address.replace(/\/+$/, '')}${path}`;

/**
 * What a phone reads off a label: the facts, one a line, and the way to the batch where this Vecino has an address.
 * @param batchPath such as `/batches/…`
 */
export const codeText = (
  said: Worded,
  facts: Pick<Facts, 'contains' | 'yeasts'>,
  address: string,
  batchPath: string
): string =>
  [
    [said.name, said.year].filter(Boolean).join(' '),
    [said.strength, said.taste, said.volume].filter(Boolean).join(', '),
    said.bottled && `Bottled ${said.bottled}`,
    yeastText(facts),
    mustText(facts),
    linkTo(address, batchPath)
  ]
    .filter(Boolean)
    .join('\n');

/** The drawing of a design: its own choice, else what the wine is made of. */
export function artFor(d: Pick<Design, 'art'>, made: ArtId, picture: string | undefined): Art {
  if (d.art === 'none') return null;
  if (d.art === 'own') return picture ? { picture } : null;
  return { id: d.art ?? made };
}

/** All that stands on a label. */
export const contentOf = (
  said: Worded,
  facts: Pick<Facts, 'contains' | 'yeasts'>,
  d: Design,
  labels: Pick<Settings['labels'], 'note'>,
  art: Art,
  code: Code | null
): Content => ({
  name: said.name,
  year: said.year,
  facts: [said.strength, said.taste, said.volume].filter(Boolean),
  must: mustText(facts),
  may: [said.bottled && `Bottled ${said.bottled}`, yeastText(facts), d.note ?? labels.note],
  code,
  art
});
