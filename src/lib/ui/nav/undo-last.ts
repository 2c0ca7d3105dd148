import { hangingOn } from '$lib/store/record';
import { undoDeed } from '$lib/store/undo';
import type { LastDeed } from '../words/deed-words';
import { forgetTaps, sayDone, sayWrong, takeBack } from './said.svelte';

/** Takes back a deed of this device, of whatever log it was. What hangs on a wine's is asked about first. */
export async function takeDeedBack({ done, who, what }: LastDeed): Promise<void> {
  const text = `Taken back: ${[who, what].filter(Boolean).join(': ')}.`;
  try {
    const hanging = done.events.length > 0 ? await hangingOn(done.events) : [];
    if (hanging.length > 0) return await takeBack(done.events, 'undo', text);
    const events = await undoDeed(done);
    sayDone(text, events, 'Bring it back');
    forgetTaps();
  } catch (e) {
    sayWrong(e);
  }
}
