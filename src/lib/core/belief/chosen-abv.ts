import type { BatchState } from '../ledger/state';
import type { Standing } from './standing';

/** The strength by the formula the plan has chosen; the ledger's where a classroom sum has no reading to go by. */
export function chosenAbv(
  s: Pick<BatchState, 'plan'>,
  standing: Pick<Standing, 'abv' | 'classroom'>
): number {
  const formula = s.plan.alcohol ?? 'ledger';
  if (formula === 'ledger' || standing.classroom === null) return standing.abv.likely;
  return formula === '131' ? standing.classroom : (standing.classroom * 135) / 131.25;
}
