import type { Trouble } from '$core/steps/trouble/all';

const HOUR = 3_600_000;
/** Hours that yeast is given to show, before it is said. */
const SHOWS_H = 48;
/** Above this nobody would bet against it. */
const SURE = 0.9;

/** A trouble in a few words, with how likely it is where that is not sure. */
export function troubleText({ id, name, chance, since }: Trouble, now: number): string {
  if (id === 'not-begun')
    return `still asleep, ${Math.round((now - since) / HOUR) + SHOWS_H} h after the yeast`;
  return chance >= SURE ? name : `likely ${name} (${Math.round(100 * chance)}\u00a0%)`;
}
