import type { CommandKind } from '$core/quickline/command';
import { usualDoseG } from '$core/steps/table/powder';
import type { Context, Wine } from '$core/quickline/context';
import type { Home } from '$core/quickline/home';
import { numbered } from '$core/quickline/who';
import { countryOf } from '$core/units/settings';
import { inZone } from '$core/units/zone';
import { isOpenVessel, type Vessel } from '$core/vessels/vessels';
import {
  type Batch,
  household,
  runningBatches,
  vesselById,
  vesselName,
  vesselsInUse,
  vesselsOnOffer
} from '$lib/store/household.svelte';
import { newId, zoneHere } from '$lib/store/here';
import { freeVessels } from '../vessel/free-vessels';

/** Whether such a thing can happen to a wine as it stands. */
function fits({ state: s, due }: Batch, kind: CommandKind): boolean {
  switch (kind) {
    case 'stir':
      return due.some((d) => d.step.id === 'stir' && d.status !== 'coming');
    case 'fruit-out':
      return s.produceKg > 0 && s.fruitOutAt === null;
    case 'pitch':
      return s.pitches.length === 0;
    case 'steep-out':
      return s.steeps.some((x) => x.outAt === null);
    case 'open':
      return s.bottled.length > 0;
    case 'note':
    case 'tasting':
    case 'question':
      return true;
    default:
      return s.fills.length > 0;
  }
}

/** What tells a wine from another of its name: when it was begun, and where it stands. */
const whereText = ({ state: s }: Batch): string =>
  [
    `begun ${inZone(s.startedAt, s.zone, { day: 'numeric', month: 'short', year: 'numeric' })}`,
    ...s.fills.map((f) => vesselName(f.vesselId))
  ].join(', ');

/** Every vessel that can be named: those on offer, and whatever a wine stands in. */
function known(): Vessel[] {
  const own = vesselsOnOffer();
  const used = [...vesselsInUse().keys()].flatMap((id) => vesselById(id) ?? []);
  return [...new Map([...own, ...used].map((v) => [v.id, v])).values()];
}

/** What a line is read by: this household, and the wine of the page. @param bottled wines in bottles, which are asked of and tasted */
export function contextHere(hereId: string | null, bottled: readonly Batch[]): Context {
  const s = household.settings;
  const used = vesselsInUse();
  const wines: Wine[] = numbered(
    [...runningBatches(), ...bottled]
      .sort((a, b) => a.state.startedAt - b.state.startedAt)
      .map((b) => ({
        id: b.id,
        name: b.state.name,
        startedAt: b.state.startedAt,
        volumeL: b.standing.volumeL,
        batch: b,
        usualG: (id: string) => (id === 'campden' || id === 'pectic-enzyme' ? usualDoseG(id, b.state) : null),
        fits: (kind: CommandKind) => fits(b, kind)
      }))
  ).map(({ batch, ...w }) => ({
    ...w,
    ...(w.name === batch.state.name ? {} : { label: `${w.name}: ${whereText(batch)}` })
  }));
  return {
    now: Date.now(),
    zone: zoneHere(),
    mass: s.mass,
    volume: s.volume,
    temp: s.temp,
    country: countryOf(s),
    wines,
    hereId,
    vessels: known().map((v) => {
      const { id, name, capacityL } = v;
      const wine = used.get(id);
      return { id, name, capacityL, isOpen: isOpenVessel(v), ...(wine ? { wineId: wine.id } : {}) };
    }),
    own: household.ownProduce,
    yeasts: household.yeasts,
    sets: s.sets
  };
}

/** What the household has that a command may need. */
export const homeHere = (bottled: readonly Batch[]): Home => ({
  settings: household.settings,
  vessels: known(),
  free: freeVessels(),
  yeasts: household.yeasts,
  wines: [...runningBatches(), ...bottled],
  now: Date.now(),
  newId
});
