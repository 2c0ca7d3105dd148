import { rack } from '../commands/move';
import { fillL } from '../ledger/fill';
import { isSediment } from '../ledger/operations';
import type { BatchState } from '../ledger/state';
import { rackingLossL } from '../must/balance';
import { volumeText } from '../units/format';
import { InputError } from '../units/input-error';
import { inL } from '../units/say';
import { A_GLASS_L, checkRacking, toTheNeck } from '../vessels/racking';
import { isOfSize, isOpenVessel, type Vessel } from '../vessels/vessels';
import type { CommandOf } from './command';
import type { Home, Written } from './home';
import { vesselFor } from './which-vessel';

/** A racking into the jars that are named, or of a size: filled, and what is left behind told. */
export function rackDeed(c: CommandOf<'transfer'>, s: BatchState, home: Home): Written {
  const from = vesselFor(s, c.vesselId, 'was racked');
  const fill = s.fills.find((f) => f.vesselId === from)!;
  const hadL = fillL(fill);
  const held = (v: Vessel) =>
    s.fills.filter((f) => f.vesselId === v.id && v.id !== from).reduce((sum, f) => sum + fillL(f), 0);
  const room = (v: Vessel) => Math.max(0, v.capacityL - held(v));
  const neck = (v: Vessel) => Math.max(0, toTheNeck(v) - held(v));
  const volume = (l: number) => volumeText(l, home.settings.volume);
  const newVessels: Vessel[] = [];
  const used = new Set<string>();
  const to = c.to.map(({ vesselId, sizeL, volumeL }) => {
    const named = home.vessels.find((v) => v.id === vesselId);
    const sized = home.free
      .filter((v) => !used.has(v.id) && !isOpenVessel(v) && isOfSize(v, sizeL!))
      .sort((a, b) => a.capacityL - b.capacityL)[0];
    const vessel = named ?? sized ?? jarOf(sizeL!, volume, home.newId(), [...home.vessels, ...newVessels]);
    if (!named && !sized) newVessels.push(vessel);
    if (named && !home.free.some((v) => v.id === named.id) && held(named) === 0 && named.id !== from)
      throw new InputError(
        `The ${named.name} holds another wine.`,
        'Name one that is empty, or blend them on its page.'
      );
    used.add(vessel.id);
    return { vessel, volumeL };
  });
  const lossL = c.lossL ?? rackingLossL(hadL, fill.racked.length === 0);
  let left = Math.max(0, hadL - lossL - to.reduce((sum, t) => sum + (t.volumeL ?? 0), 0));
  const filled = new Map(to.map((t) => [t.vessel.id, t.volumeL ?? 0]));
  // The smaller are filled first, to the neck, and the largest bears the air; to the brim where it would not fit else.
  for (const upTo of [neck, room])
    for (const t of [...to].sort((a, b) => a.vessel.capacityL - b.vessel.capacityL)) {
      if (t.volumeL !== undefined) continue;
      const had = filled.get(t.vessel.id)!;
      const take = Math.max(0, Math.min(left, upTo(t.vessel) - had));
      filled.set(t.vessel.id, had + take);
      left -= take;
    }
  const into = to.map((t) => ({ vessel: t.vessel, volumeL: filled.get(t.vessel.id)! }));
  checkRacking(into, hadL, { room, volume });
  const total = into.reduce((sum, t) => sum + t.volumeL, 0);
  const restL = Math.max(0, hadL - total - (c.lossL ?? 0));
  const isAll = isSediment(restL, hadL, 'lees');
  if (left > A_GLASS_L && to.every((t) => t.volumeL === undefined))
    throw new InputError(
      `${inL(left)} of it find no room there.`,
      'Name another jar with it, such as: and a 2 l bottle.'
    );
  return {
    deed: rack(
      s.id,
      from,
      into.map((t) => ({ vesselId: t.vessel.id, volumeL: t.volumeL })),
      c.lossL ?? (isAll ? Math.max(0, hadL - total) : 0),
      isAll
    ),
    newVessels,
    cautions: []
  };
}

/** Under this it is a bottle, over it a jar, L. */
const BOTTLE_TO_L = 1.2;
/** What a jar takes over its nominal size. Common practice. */
const OVER_BRIM = 1.04;

/** A jar that the household did not list, under a name of its own. */
function jarOf(sizeL: number, volume: (l: number) => string, id: string, others: readonly Vessel[]): Vessel {
  const shape = sizeL < BOTTLE_TO_L ? 'bottle' : 'jar';
  const plain = `${volume(sizeL).replace(/\.0+(?= )/, '')} ${shape}`;
  const isTaken = (name: string) => others.some((v) => v.name.toLowerCase() === name.toLowerCase());
  let name = plain;
  for (let n = 2; isTaken(name); n++) name = `${plain} ${n}`;
  return { id, name, shape, capacityL: Number((sizeL * OVER_BRIM).toFixed(3)) };
}
