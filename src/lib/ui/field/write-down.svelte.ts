import type { LedgerEvent } from '$core/ledger/events';
import { explain } from '$core/units/input-error';
import { sayDone } from '../nav/said.svelte';
import { parseWhen } from './parse-when';

type Draft = { fields: Record<string, string>; done: () => Promise<void> };
type Moment = { at: number; recordedAt: number };

/**
 * The submit of a form that writes one event down: what goes wrong is said in the form and nothing is lost;
 * what goes right is said at the foot with its undo, and the draft is dropped.
 * @param draft its `when` field, if it has one, says when it happened
 * @param ondone closes the form
 */
export function createWriteDown(draft: Draft, ondone: () => void) {
  let error = $state('');
  return {
    get error() {
      return error;
    },
    submit:
      (job: (when: Moment) => Promise<readonly [text: string, event: LedgerEvent]>) =>
      async (e: SubmitEvent) => {
        e.preventDefault();
        error = '';
        try {
          const now = Date.now();
          const [text, event] = await job({ at: parseWhen(draft.fields.when ?? '', now), recordedAt: now });
          await draft.done();
          sayDone(text, event);
          ondone();
        } catch (err) {
          error = explain(err);
        }
      }
  };
}
