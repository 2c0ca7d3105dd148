import type { LabelOf } from '$core/label/facts';
import { fillL } from '$core/ledger/fill';
import { FIRST_DESIGN, LAYOUT_IDS, type Design, type LayoutId } from '$core/ledger/events/label';
import type { BatchState } from '$core/ledger/state';
import { sizeText } from '$core/tables/bottles';
import { INK_IDS, type InkId } from '$core/tables/inks';
import { volumeText } from '$core/units/format';
import { inZone } from '$core/units/zone';
import type { Settings } from '$core/units/settings';

/** What is typed on the page of labels, as a draft keeps it; empty is as the wine tells. */
export const LABEL = {
  of: '',
  count: '',
  first: '1',
  layout: '',
  ink: '',
  art: '',
  name: '',
  year: '',
  strength: '',
  taste: '',
  note: '',
  noNote: '',
  code: ''
};
export type Typed = typeof LABEL;

export type Choice = { id: string; text: string; of: LabelOf; count: number };

/** What can be labelled: each size of each filling, the latest first; then jars that are not bottled yet. */
export function choicesOf(s: BatchState, settings: Settings, vesselName: (id: string) => string): Choice[] {
  const day = (at: number) => inZone(at, s.zone, { day: 'numeric', month: 'short' });
  const filled = [...s.bottled].reverse().flatMap((bottling) => {
    const bySize = new Map<number, number>();
    for (const b of bottling.bottles) bySize.set(b.sizeL, (bySize.get(b.sizeL) ?? 0) + b.count);
    return [...bySize].map<Choice>(([sizeL, count]) => ({
      id: `${bottling.eventId} ${sizeL}`,
      text: `${count} × ${sizeText(sizeL)}, bottled ${day(bottling.at)}`,
      of: { bottling, sizeL },
      // Of one size it is known how many are left.
      count: Math.max(1, bySize.size === 1 ? bottling.left : count)
    }));
  });
  const standing = s.fills.map<Choice>((fill) => ({
    id: fill.vesselId,
    text: `${vesselName(fill.vesselId)}, ${volumeText(fillL(fill), settings.volume)}: not bottled yet`,
    of: { fill },
    count: Math.max(1, Math.floor(fillL(fill) / 0.75))
  }));
  return [...filled, ...standing];
}

const isLayout = (x: string): x is LayoutId => (LAYOUT_IDS as readonly string[]).includes(x);
const isInk = (x: string): x is InkId => (INK_IDS as readonly string[]).includes(x);

/** What stands in the fields at first: as this wine's labels last looked. Emptied, a field is told by the wine again. */
export const beginning = (last: Design | null): Typed => ({
  ...LABEL,
  layout: last?.layout ?? '',
  ink: last?.ink ?? '',
  art: last?.art ?? '',
  name: last?.name ?? '',
  year: last?.year ?? '',
  strength: last?.strength ?? '',
  taste: last?.taste ?? '',
  note: last?.note ?? '',
  noNote: last?.note === '' ? 'yes' : '',
  code: last ? (last.hasCode ? 'yes' : 'no') : ''
});

/** The design as it is typed; a look that nobody chose is the one that the household chose last. */
export function designOf(f: Typed, labels: Pick<Settings['labels'], 'layout' | 'ink'>): Design {
  const [layout, ink] = [f.layout || labels.layout || '', f.ink || labels.ink || ''];
  const design = {
    layout: isLayout(layout) ? layout : FIRST_DESIGN.layout,
    ink: isInk(ink) ? ink : FIRST_DESIGN.ink,
    art: (f.art || undefined) as Design['art'],
    name: f.name.trim() || undefined,
    year: f.year.trim() || undefined,
    strength: f.strength.trim() || undefined,
    taste: f.taste.trim() || undefined,
    note: f.noNote === 'yes' ? '' : f.note.trim() || undefined,
    hasCode: f.code ? f.code === 'yes' : FIRST_DESIGN.hasCode
  };
  return Object.fromEntries(Object.entries(design).filter(([, v]) => v !== undefined)) as Design;
}

/** What is told of a label that is too small for all of it. */
const LOST: Record<string, string> = {
  name: 'the whole name',
  year: 'the year',
  facts: 'strength and taste',
  allergens: 'what it contains',
  date: 'the day it was bottled',
  note: 'the note',
  code: 'the code',
  where: 'where it stands',
  course: 'its course'
};
export const lostText = (lost: readonly string[]): string =>
  [...new Set(lost.map((l) => LOST[l] ?? 'some of what comes next'))].join(', ');
