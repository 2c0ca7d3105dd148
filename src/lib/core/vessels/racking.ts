import { inL, inML } from '../units/say';
import { solve } from 'yalps';
import { InputError } from '../units/input-error';
import { airOverL, toTheNeck, type Vessel } from './vessels';

/** One way to rack: how much goes into which vessel, the air left over it, and what finds no room. */
export type RackingPlan = {
  to: { vessel: Vessel; volumeL: number; airL: number }[];
  airL: number;
  restL: number;
};

/** What a litre of wine without a place counts for, against a litre of air; and each more vessel to wash. */
const COST = { rest: 4, air: 1, vessel: 0.12 };
/** Rest that a glass or a bottle takes care of, L. */
export const A_GLASS_L = 0.25;

/**
 * Which vessels take a wine with least air: a small integer programme, air against wine left over against
 * vessels to wash. All are filled to the neck but the largest, which bears what air there is.
 * @param volumeL what there is to rack, L
 * @param free vessels that are empty, closed ones
 * @returns the plan; with `restL` when nothing holds it all
 * @example
 * planRacking(10, VESSEL_PRESETS.filter((v) => v.id.startsWith('jar-'))).to.map((t) => t.vessel.id) // ['jar-10']
 */
export function planRacking(volumeL: number, free: readonly Vessel[]): RackingPlan {
  const nothing: RackingPlan = { to: [], airL: 0, restL: volumeL };
  if (volumeL <= 0 || free.length === 0) return nothing;
  const { status, variables } = solve({
    direction: 'minimize',
    objective: 'cost',
    constraints: { wine: { equal: volumeL } },
    variables: {
      ...Object.fromEntries(free.map((v, i) => [`v${i}`, { wine: toTheNeck(v), cost: COST.vessel }])),
      air: { wine: -1, cost: COST.air },
      rest: { wine: 1, cost: COST.rest }
    },
    binaries: free.map((_, i) => `v${i}`)
  });
  if (status !== 'optimal') return nothing;
  const amount = (name: string) => variables.find(([n]) => n === name)?.[1] ?? 0;
  const used = free.filter((_, i) => amount(`v${i}`) > 0.5).sort((a, b) => a.capacityL - b.capacityL);
  if (used.length === 0) return nothing;
  let left = volumeL;
  const to = used.map((vessel) => {
    // What is left after the others is the largest one's, up to its neck.
    const take = Math.min(left, toTheNeck(vessel));
    left -= take;
    return {
      vessel,
      volumeL: take,
      airL: airOverL(vessel, take)
    };
  });
  return {
    to: to.filter((t) => t.volumeL > 1e-6),
    airL: to.reduce((sum, t) => sum + t.airL, 0),
    restL: Math.max(0, left)
  };
}

/** A racking in words of its air and rest: `no air to speak of`, `0.4 L of air`, `0.3 L over: drink it`. */
export function rackingWord(plan: RackingPlan): string {
  if (plan.restL > A_GLASS_L) return `${inL(plan.restL)} does not fit`;
  if (plan.restL > 0.02) return `a glass over, ${inML(plan.restL * 1000, 0)}: taste it`;
  return plan.airL < 0.1 ? 'no air to speak of' : `${inL(plan.airL)} of air: top it up`;
}

/**
 * Refuses what no racking can be: too much for a vessel, nothing into one, one twice, more than there was.
 * @param hadL what was in the vessel it comes from, L
 * @throws InputError naming the vessel
 */
export function checkRacking(
  to: readonly { vessel: Vessel; volumeL: number }[],
  hadL: number,
  by: { room: (v: Vessel) => number; volume: (litres: number) => string }
): void {
  for (const { vessel, volumeL } of to) {
    if (volumeL > by.room(vessel) + 0.005)
      throw new InputError(
        `${by.volume(volumeL)} does not fit the ${vessel.name}.`,
        `It takes ${by.volume(by.room(vessel))}; put the rest in a second vessel.`
      );
    if (volumeL <= 0)
      throw new InputError(
        `Nothing goes into the ${vessel.name}.`,
        'Give how much came out, or leave it away.'
      );
  }
  if (new Set(to.map((t) => t.vessel.id)).size < to.length)
    throw new InputError('One vessel is there twice.', 'Give each vessel once.');
  const total = to.reduce((sum, t) => sum + t.volumeL, 0);
  if (total > hadL * 1.15 + 0.3)
    throw new InputError(
      `${by.volume(total)} is more than the ${by.volume(hadL)} that was in there.`,
      'Check the amounts and their units; write down a top-up as an addition.'
    );
}
