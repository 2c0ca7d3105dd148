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
  return [say(what), say(detail)];
}
