import 'fake-indexeddb/auto';
import { it } from 'vitest';
import { loadDemo } from '$lib/demo/household';
import { foldBatch } from '$core/ledger/fold';
import * as check from '$core/ledger/check';
import { vi } from 'vitest';
import { db } from '$lib/store/db';
it('x', async () => {
  const orig = db.events.bulkAdd;
  try {
    await loadDemo(Date.parse('2026-11-25T12:00:00Z'));
  } catch (e) {
    console.log(String(e));
  }
});
