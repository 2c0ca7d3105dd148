import { saveEverything } from '$lib/store/save-everything';
import { sayDone, sayWrong } from './said.svelte';

/** Saves everything to a file, and says so, or what went wrong. @returns whether it was handed over */
export async function saveNow(): Promise<boolean> {
  try {
    sayDone(await saveEverything());
    return true;
  } catch (e) {
    sayWrong(e);
    return false;
  }
}
