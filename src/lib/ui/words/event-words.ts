import { RULES } from '$core/cautions/rules';
import type { Part } from '$core/ledger/events/define';
import { defOf, type LedgerEvent } from '$core/ledger/log';
import { spoken } from '$core/units/say';
import { sgText, temperatureText, volumeText } from '$core/units/format';
import type { Settings } from '$core/units/settings';
import { vesselById, type Batch } from '$lib/store/household.svelte';
import { dayWord } from '../shelf/when';
import { ingredientText } from './ingredient-text';

/** A piece of what is said, in the household's units and by its vessels' names. */
export function partText(part: Part, settings: Settings, day: (ms: number) => string): string {
  if (typeof part === 'string') return spoken(part, settings);
  if ('volumeL' in part) return volumeText(part.volumeL, settings.volume);
  if ('sg' in part) return sgText(part.sg);
  if ('tempC' in part) return temperatureText(part.tempC, settings.temp);
  if ('item' in part) return ingredientText(part.item, settings);
  if ('dayMs' in part) return day(part.dayMs);
  if ('cautionId' in part) return RULES[part.cautionId]?.title ?? part.cautionId;
  return (part.vesselId && vesselById(part.vesselId)?.name) || 'a vessel';
}

/** What happened, and the small print of it. */
export function eventWords(
  e: LedgerEvent,
  batch: Batch,
  settings: Settings,
  now: number
): [what: string, detail: string] {
  const day = (ms: number) => dayWord(ms, now, e.zone);
  const say = (parts: readonly Part[]) => parts.map((p) => partText(p, settings, day)).join('');
  const { what, detail } = defOf(e).says(e, batch.state);
  const told: [string, string] = [say(what), say(detail)];
  const where = jarOf(e, batch);
  return where && !told.some((t) => t.includes(where))
    ? [told[0], [told[1], where].filter(Boolean).join(' · ')]
    : told;
}

/** The vessel that an event was of, where the wine stands, or stood, in several: else it goes without saying. */
function jarOf(e: LedgerEvent, { state: s }: Batch): string | undefined {
  const id = 'vesselId' in e.data ? e.data.vesselId : undefined;
  const jars = new Set([...s.fills, ...s.bottled.map((b) => b.fill)].map((f) => f.vesselId));
  return jars.size > 1 && typeof id === 'string' && jars.has(id) ? vesselById(id)?.name : undefined;
}
