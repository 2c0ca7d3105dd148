import { db } from '$lib/store/db';
import { marked } from '$lib/store/mark';
import { isNothingHere } from '$lib/store/stamp';

/**
 * On first open of a demo server, fills a browser that was never used with the demo household: never over a user's own
 * data, and never where something was and is lost, which is told first.
 */
export async function offerDemo(): Promise<void> {
  // This browser's own name may be there already: only what a household has written counts.
  if (marked() || !(await isNothingHere()) || (await db.settings.get('household'))) return;
  if ((await db.things.limit(1).primaryKeys()).length > 0) return;
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
