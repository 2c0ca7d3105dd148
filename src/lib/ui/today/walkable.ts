import { hasMust } from '$core/ledger/state';
import { isBrewing } from '$core/steps/brewing';
import type { Due } from '$core/steps/schedule';
import { runningBatches, type Batch } from '$lib/store/household.svelte';

/** Wines whose first ingredient is in. */
export const startedBatches = (): Batch[] => runningBatches().filter((b) => hasMust(b.state));

/** Wines one walks to: begun, and not in the middle of a brew day. */
export const walkable = (): Batch[] => startedBatches().filter((b) => !isBrewing(b.state));

/** What is to do in a wine now. */
export const dueNow = (batch: Batch): Due[] => batch.due.filter((d) => d.status !== 'coming');

/** How many jobs there are on the walk. */
export const jobsDue = (): number => walkable().reduce((n, b) => n + dueNow(b).length, 0);
