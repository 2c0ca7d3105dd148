import type { Deed } from '$core/commands/deed';
import { isOfWine } from '$core/quickline/command';
import { deedsOf } from '$core/quickline/deed';
import { parse } from '$core/quickline/parse';
import type { Batch } from '$lib/store/household.svelte';
import { contextHere, homeHere } from './here';

/**
 * What somebody says of a wine in a box that asks for one figure, read as the line reads it: `1.082 at 24 C`.
 * @param vesselId the vessel that was chosen beside it
 * @returns null for a bare figure, and for what the line would have to ask about: the box reads or asks by itself
 */
export function saidOf(text: string, batch: Batch, vesselId?: string): Deed | null {
  if (!/[a-z°@,;]/i.test(text.trim().replace(/^\d+,\d+$/, ''))) return null;
  const { commands, asks } = parse(text, contextHere(batch.id, []));
  const mine = commands.filter(isOfWine).map((c) => ({ ...c, ...(vesselId ? { vesselId } : {}) }));
  if (asks.length > 0 || mine.length !== commands.length || mine.length === 0) return null;
  return deedsOf(mine as Parameters<typeof deedsOf>[0], homeHere([])).flatMap((w) => w.deed);
}
