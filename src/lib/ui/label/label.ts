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

/** The design as it is typed; where nothing is, as this wine's labels last looked, else as the household's did. */
export function designOf(f: Typed, last: Design | null, labels: Settings['labels']): Design {
  const [layout, ink] = [
    f.layout || last?.layout || labels.layout || '',
    f.ink || last?.ink || labels.ink || ''
  ];
  const text = (key: 'name' | 'year' | 'strength' | 'taste') => f[key].trim() || last?.[key];
  const note = f.noNote === 'yes' ? '' : f.note.trim() || (f.noNote === 'no' ? undefined : last?.note);
  const design = {
    layout: isLayout(layout) ? layout : FIRST_DESIGN.layout,
    ink: isInk(ink) ? ink : FIRST_DESIGN.ink,
    art: (f.art || last?.art) as Design['art'],
    name: text('name'),
    year: text('year'),
    strength: text('strength'),
    taste: text('taste'),
    note,
    hasCode: f.code ? f.code === 'yes' : (last?.hasCode ?? FIRST_DESIGN.hasCode)
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
