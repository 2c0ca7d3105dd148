import { notKept } from './health.svelte';
import { household } from './household.svelte';
import { packEverything } from './import-file';
import { markExported } from './transfer-file';

/**
 * Hands everything to the browser as one file. Needs no fold: what was written can be taken along whatever is wrong.
 * @returns what to tell: the browser does not say whether a file has arrived, so neither does this
 */
export async function saveEverything(): Promise<string> {
  const now = Date.now();
  const at = new Date(now).toISOString();
  const blob = await packEverything(household.settings, at);
  const name = `cellar-${at.slice(0, 10)}.vecino.${blob.type === 'application/zip' ? 'zip' : 'json'}`;
  const url = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
  // That it was saved may find no room: the file has it all the same.
  const isNoted = await markExported(now).then(
    () => true,
    (e: unknown) => {
      notKept(e);
      return false;
    }
  );
  return `${name} is handed to your downloads. See that it is there, and keep it somewhere else than this device.${
    isNoted ? '' : ' That it was saved could not be noted here: Vecino will ask for it again.'
  }`;
}
