import type { Deed } from '$core/commands/deed';
import { AskError } from '$core/units/input-error';
import { explain } from '$lib/ui/words/own-units';
import { perform, type When } from '$lib/store/record';
import { sayDone } from '../nav/said.svelte';
import { parseWhen } from './parse-when';

type Draft = { fields: Record<string, string>; id: string; done: () => Promise<void> };
/** What a form writes, and what is said of it. */
type Said = readonly [text: string, deed: Deed];
/** When it happened, and when it was written down. */
export type Moment = When & { at: number; recordedAt: number };

/**
 * The submit of a form that writes down what one person did: what goes wrong is said in the form and nothing is lost;
 * what goes right is said at the foot with its undo, and the draft is dropped. It writes once, however often it is
 * pressed, here or in another tab. What is asked about is written when the same is pressed again.
 * @param draft its `when` field, if it has one, says when it happened
 * @param ondone closes the form
 */
export function createWriteDown(draft: Draft, ondone: () => void) {
  let error = $state('');
  let asks = $state(false);
  let askedAbout = '';
  let isBusy = false;
  const formNow = () => JSON.stringify(draft.fields);
  return {
    get error() {
      return error;
    },
    /** whether the next press says that it is so */
    get asks() {
      return asks;
    },
    submit: (job: (when: Moment) => Said | Promise<Said>) => async (e: SubmitEvent) => {
      e.preventDefault();
      if (isBusy) return;
      isBusy = true;
      const sure = asks && askedAbout === formNow();
      error = '';
      asks = false;
      try {
        const now = Date.now();
        const when = { at: parseWhen(draft.fields.when ?? '', now), recordedAt: now, form: draft.id, sure };
        const [text, deed] = await job(when);
        const events = await perform(deed, when);
        await draft.done();
        sayDone(text, events);
        ondone();
      } catch (err) {
        error = explain(err);
        if (err instanceof AskError) {
          asks = true;
          askedAbout = formNow();
          error = `${error} Press again if it is so.`;
        }
      } finally {
        isBusy = false;
      }
    }
  };
}
