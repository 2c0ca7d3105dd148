import { db } from '$lib/store/db';
import { isNothingHere } from '$lib/store/stamp';

/** On first open of a demo server, fills an untouched browser with the demo household; never over a user's own data. */
export async function offerDemo(): Promise<void> {
  // This browser's own name may be there already: only what a household has written counts.
  if (!(await isNothingHere()) || (await db.settings.get('household'))) return;
  try {
    const answer = await fetch('/api/demo');
    if (!answer.ok || !(await answer.json()).demo) return;
  } catch {
    // Offline, or no server: an empty household is right.
    return;
  }
  const { loadDemo } = await import('$lib/demo/household');
  await loadDemo(Date.now());
}
