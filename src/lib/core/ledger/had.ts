import type { Ingredient } from '../plan/plan';
import type { Fill } from './fill';
import type { BatchState } from './state';

/** So long after its last dose sulphite is bound or gone, ms. Common practice: a dose at every second racking. */
const SPENT_MS = 14 * 86_400_000;
const SPENDS: ReadonlySet<string> = new Set(['campden', 'metabisulphite']);

/**
 * Grams of a powder that are in a batch already, or in one of its vessels: a dose counts with the one before it. Of
 * sulphite only that of these days; what all of it comes to is judged by itself.
 * @returns 0 for what is no powder
 */
export function hadG(
  s: Pick<BatchState, 'at' | 'powdersG'>,
  item: Ingredient,
  fill?: Pick<Fill, 'powdersG'> | null
): number {
  const id = item.kind === 'additive' ? item.additiveId : item.kind === 'acid' ? item.acidId : null;
  const all = id === null ? undefined : s.powdersG[id];
  if (id === null || !all || (SPENDS.has(id) && s.at - all.at > SPENT_MS)) return 0;
  return fill ? (fill.powdersG[id] ?? 0) : all.massG;
}

/** The dry yeast that was pitched last, g; undefined where its weight was not said. */
export const lastYeastG = (s: Pick<BatchState, 'pitches'>): number | undefined =>
  s.pitches.at(-1)?.massG ?? undefined;
