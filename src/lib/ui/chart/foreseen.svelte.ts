import type { Forecast, WhatIf } from '$core/belief/forecast';
import { foresee, type Asked } from '$lib/compute/forecast';

/**
 * A forecast kept to what is asked of it, from a thread of its own: a quick answer first, then a better one.
 * @param ask what is asked; null where there is nothing to foresee. Asked anew once what it reads has changed
 */
export function foreseen(ask: () => { asked: Asked; days: number; what: WhatIf; isQuick?: boolean } | null) {
  let answer = $state.raw<Forecast | null>(null);
  let share = $state(0);
  $effect(() => {
    const wanted = ask();
    share = 0;
    if (!wanted) {
      answer = null;
      return;
    }
    return foresee(
      wanted.asked,
      wanted.days,
      wanted.what,
      (f, done) => {
        answer = f;
        share = done;
      },
      wanted.isQuick
    );
  });
  return {
    get answer() {
      return answer;
    },
    /** how much of the work is done, 0 to 1 */
    get share() {
      return share;
    }
  };
}
