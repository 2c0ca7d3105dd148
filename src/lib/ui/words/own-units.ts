import { explain as explainIn } from '$core/units/input-error';
import { spoken } from '$core/units/say';
import { household } from '$lib/store/household.svelte';

/** What the core says, in this household's measures as they are now. */
export const own = (text: string): string => spoken(text, household.settings);

/** What went wrong and what to do, in this household's measures. */
export const explain = (error: unknown): string => explainIn(error, own);
