import { inKg, inL } from '../units/say';
import { nameOf } from '../plan/name';
import { amountOf, type Plan } from '../plan/plan';
import { isOpenVessel, type Vessel } from './vessels';

/** A volume over this multiple of the largest vessel is asked about. */
const OVER = 1.5;
/** A weight of sugar that few have in the house, kg. Common practice: bags of one to two. */
const MUCH_SUGAR_KG = 8;

/**
 * A held weight that makes a sea of wine: a slip of the point, or pounds for ounces. Asked, as the brew day does.
 * @param volumeL what the plan makes; @param largestL the largest vessel there is
 * @returns the question; null where nothing is odd
 */
export function slipOfWeight(plan: Plan, volumeL: number, largestL: number): string | null {
  if (plan.target?.volumeL || plan.target?.fillL || volumeL <= OVER * largestL) return null;
  const row = plan.ingredients.find(
    (i) => i.held !== false && (i.kind === 'sugar' || i.kind === 'honey') && amountOf(i) >= MUCH_SUGAR_KG
  );
  if (!row) return null;
  const kg = amountOf(row);
  return `${inKg(kg)} of ${nameOf(row).toLowerCase()} makes ${inL(volumeL)}, and the largest vessel holds ${inL(largestL)}. Is it meant, or ${inKg(kg / 10)}?`;
}

/**
 * A bag of fruit, or loose fruit, in a vessel with a narrow neck: it swells in there, and does not come out.
 * @returns the question; null where the vessel is open, or nothing has to come out
 */
export function neckAsked(
  plan: Plan,
  vessel: Pick<Vessel, 'name' | 'shape'>,
  hasFruit: boolean
): string | null {
  if (isOpenVessel(vessel) || !hasFruit) return null;
  const what = plan.fruitIn === 'free' ? 'Loose fruit' : 'A bag of fruit';
  return `${what} goes through no neck: will it come out of the ${vessel.name} again? Take a bucket for the first days.`;
}
