import { rack } from '../commands/move';
import { fillL } from '../ledger/fill';
import { leesL } from '../ledger/lees';
import { isSediment } from '../ledger/operations';
import type { BatchState } from '../ledger/state';
import { volumeText } from '../units/format';
import { InputError } from '../units/input-error';
import { inL } from '../units/say';
import { A_GLASS_L, checkRacking } from '../vessels/racking';
import { isAbout } from '../vessels/on-offer';
import { isOfSize, isOpenVessel, isPreset, type Shape, type Vessel, toTheNeck } from '../vessels/vessels';
import type { CommandOf } from './command';
import type { Home, Written } from './home';
import { vesselFor } from './which-vessel';

/** Less room than this is none. */
const A_SIP_L = 0.05;

/** The vessels that a racking empties: of several, what takes the wine itself stays where it is. */
function sourcesOf(c: CommandOf<'transfer'>, s: BatchState): string[] {
  const said = c.each && s.fills.length > 0 ? s.fills.map((f) => f.vesselId) : (c.vesselIds ?? [c.vesselId]);
  const ids = said.map((id) => vesselFor(s, id, 'was racked'));
  const out = ids.length > 1 ? ids.filter((id) => c.to.every((t) => t.vesselId !== id)) : ids;
  if (out.length === 0)
    throw new InputError(`The ${s.name} stands there already.`, 'Name the vessels it came out of.');
  return out;
}

/** A racking into the jars that are named, or of a size: filled, and what is left behind told. */
export function rackDeed(c: CommandOf<'transfer'>, s: BatchState, home: Home): Written {
  const from = sourcesOf(c, s).map((vesselId) => {
    const fill = s.fills.find((f) => f.vesselId === vesselId)!;
    return { vesselId, hadL: fillL(fill), usualL: leesL(s, fill) };
  });
  const hadL = from.reduce((sum, f) => sum + f.hadL, 0);
  const isSource = (id: string) => from.some((f) => f.vesselId === id);
  const held = (v: Vessel) =>
    s.fills.filter((f) => f.vesselId === v.id && !isSource(v.id)).reduce((sum, f) => sum + fillL(f), 0);
  const room = (v: Vessel) => Math.max(0, v.capacityL - held(v));
  const neck = (v: Vessel) => Math.max(0, toTheNeck(v) - held(v));
  const volume = (l: number) => volumeText(l, home.settings.volume);
  const newVessels: Vessel[] = [];
  const used = new Set<string>();
  if (c.back && from.length > 1)
    throw new InputError(
      `The ${s.name} stands in ${from.length} vessels.`,
      'Say which one it was racked out of and back.'
    );
  const targets = c.back ? [{ vesselId: from[0]!.vesselId, ...c.back }] : c.to;
  const to = targets.map(({ vesselId, sizeL, shape, volumeL }: CommandOf<'transfer'>['to'][number]) => {
    const named = home.vessels.find((v) => v.id === vesselId);
    const isOpen = shape === 'bucket' || shape === 'barrel';
    const free = home.free
      .filter((v) => !used.has(v.id) && isOpenVessel(v) === isOpen)
      .sort((a, b) => a.capacityL - b.capacityL);
    const nearest = () =>
      free
        .filter((v) => isAbout(v, sizeL!) && !isPreset(v))
        .sort((a, b) => Math.abs(a.capacityL - sizeL!) - Math.abs(b.capacityL - sizeL!))[0];
    // One of that size, the household's own before a common one; else one of its own that is about so large.
    const sized =
      sizeL === undefined
        ? undefined
        : (free.find((v) => isOfSize(v, sizeL) && !isPreset(v)) ??
          nearest() ??
          free.find((v) => isOfSize(v, sizeL)));
    const vessel =
      named ?? sized ?? jarOf(sizeL!, shape, volume, home.newId(), [...home.vessels, ...newVessels]);
    if (!named && !sized) newVessels.push(vessel);
    if (named && !home.free.some((v) => v.id === named.id) && held(named) === 0 && !isSource(named.id))
      throw new InputError(
        `The ${named.name} holds another wine.`,
        'Name one that is empty, or blend them on its page.'
      );
    used.add(vessel.id);
    return { vessel, volumeL: c.toNeck ? Math.min(neck(vessel), hadL) : volumeL };
  });
  if (c.toNeck && !(to[0]!.volumeL! > A_SIP_L))
    throw new InputError(`The ${to[0]!.vessel.name} is full.`, 'Is it another one?');
  /** What of a loss that was told is one vessel's: by what it held. */
  const lostOf = (f: { hadL: number }) => ((c.lossL ?? 0) * f.hadL) / hadL;
  // Where all litres were said, what is not among them is what was lost.
  const allSaid = to.every((t) => t.volumeL !== undefined) && !c.toNeck;
  const lossL = c.lossL ?? (allSaid ? 0 : from.reduce((sum, f) => sum + f.usualL, 0));
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
  if (left > A_GLASS_L && to.every((t) => t.volumeL === undefined))
    throw new InputError(
      `${inL(left)} of it does not fit there.`,
      'Name a second vessel for the rest, such as “and a 2 l bottle”.'
    );
  const total = into.reduce((sum, t) => sum + t.volumeL, 0);
  const missingL = hadL - total - lossL;
  if (allSaid && c.rest === undefined && total >= LARGER_PART * hadL && !isSediment(missingL, hadL, 'lees'))
    throw new RestAsked(
      volume(missingL),
      from.length > 1 ? 'in them' : `in the ${nameOf(from[0]!.vesselId, home)}`
    );
  const waiting = into.map((t) => ({ vesselId: t.vessel.id, volumeL: t.volumeL }));
  const deed = from.flatMap((f, i) => {
    // Each gives its share of what came out, vessel by vessel; the last one gives what is still missing.
    let gives = i === from.length - 1 ? Infinity : (total * f.hadL) / hadL;
    const portions: typeof waiting = [];
    for (const t of waiting) {
      const volumeL = Math.min(t.volumeL, gives);
      if (volumeL <= 0) continue;
      portions.push({ vesselId: t.vesselId, volumeL });
      t.volumeL -= volumeL;
      gives -= volumeL;
    }
    const outL = portions.reduce((sum, t) => sum + t.volumeL, 0);
    const isAll =
      c.rest === undefined
        ? isSediment(Math.max(0, f.hadL - outL - lostOf(f)), f.hadL, 'lees')
        : c.rest === 'none';
    const lostL =
      c.lossL === undefined || c.rest === 'none' ? (isAll ? Math.max(0, f.hadL - outL) : 0) : lostOf(f);
    return rack(s.id, f.vesselId, portions, lostL, isAll);
  });
  return { deed, newVessels, cautions: [] };
}

/** The fraction of a wine poured from which what is missing may be lost as well as still in the old vessel. */
const LARGER_PART = 0.5;

const nameOf = (vesselId: string, home: Home): string =>
  home.vessels.find((v) => v.id === vesselId)?.name ?? 'vessel';

/** Less came out than stood there: whether that was all of it, or the rest stays, has to be said. */
export class RestAsked extends InputError {
  readonly choices = [
    { label: 'that was all of it', add: ', that was all' },
    { label: 'the rest stays there', add: ', the rest stays' }
  ];
  constructor(missing: string, where: string) {
    super(
      `${missing} more should be ${where} by the sums.`,
      'Was that all of it, or does the rest stay there?'
    );
  }
}

/** Under this it is a bottle, over it a jar, L. */
const BOTTLE_TO_L = 1.2;
/** What a jar takes over its nominal size. Common practice. */
const OVER_BRIM = 1.04;

/** A jar that the household did not list, under a name of its own. */
function jarOf(
  sizeL: number,
  said: Shape | undefined,
  volume: (l: number) => string,
  id: string,
  others: readonly Vessel[]
): Vessel {
  const shape = said ?? (sizeL < BOTTLE_TO_L ? 'bottle' : 'jar');
  const plain = `${volume(sizeL).replace(/\.0+(?= )/, '')} ${shape}`;
  const isTaken = (name: string) => others.some((v) => v.name.toLowerCase() === name.toLowerCase());
  let name = plain;
  for (let n = 2; isTaken(name); n++) name = `${plain} ${n}`;
  return { id, name, shape, capacityL: Number((sizeL * OVER_BRIM).toFixed(3)) };
}
