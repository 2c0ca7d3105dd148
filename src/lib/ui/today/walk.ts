import type { Due } from '$core/steps/schedule';
import { inOrder, type Stop } from '$core/steps/walk';
import { household, type Batch } from '$lib/store/household.svelte';
import { dueNow, walkable } from './walkable';
import { warningsOf } from './warnings';

export type WalkStop = Stop & { batch: Batch; due: Due[]; hasWarning: boolean };

/** The walk of now: danger first, then vessel by vessel as the household put them. */
export function walkNow(): WalkStop[] {
  const stops = walkable()
    .map((batch): WalkStop => {
      const warnings = warningsOf(batch, household.now, household.settings.volume);
      return {
        id: batch.id,
        batch,
        state: batch.state,
        due: dueNow(batch),
        hasWarning: warnings.length > 0,
        isDanger: warnings.some((w) => w.tone === 'danger')
      };
    })
    .filter((x) => x.due.length > 0 || x.hasWarning)
    // Those without a job are looked at last.
    .sort((a, b) => Number(b.due.length > 0) - Number(a.due.length > 0));
  return inOrder(stops, household.settings.walk);
}
