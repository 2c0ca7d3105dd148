import { GRIDS } from '$core/label/sheets';
import { PAPERS, type Grid } from '$core/units/paper';
import type { Settings } from '$core/units/settings';
import { household, changeSettings } from '$lib/store/household.svelte';

const IN = 25.4;

/** Whether a household measures paper in inches. */
export const inInches = (): boolean => household.settings.temp === 'F';

const lengthText = (mm: number): string =>
  inInches() ? `${Number((mm / IN).toFixed(2))}` : `${Number(mm.toFixed(1))}`;

/** `24 a sheet, 64 × 34 mm`. */
export const gridText = (g: Grid): string =>
  `${PAPERS[g.paper].name}, ${g.cols * g.rows}: ${lengthText(g.wMm)} × ${lengthText(g.hMm)} ${inInches() ? 'in' : 'mm'}`;

/** Sheets on the household's paper first. */
export function gridChoices(): [id: string, name: string][] {
  const first = inInches() ? 'letter' : 'a4';
  const own = household.settings.labels.own;
  return [
    ...Object.entries(GRIDS)
      .sort(([, a], [, b]) => Number(b.paper === first) - Number(a.paper === first))
      .map<[string, string]>(([id, g]) => [id, gridText(g)]),
    ['own', own ? `My own. ${gridText(own)}` : 'A sheet of my own']
  ];
}

/** Who never chose has the paper of the country. */
const usual = () => (inInches() ? 'letter-10' : 'a4-8');

/** Which of the choices is printed on. */
export const gridId = (): string => household.settings.labels.grid || usual();

/** The sheet that is printed on. */
export function gridHere(): Grid {
  const own = gridId() === 'own' ? household.settings.labels.own : GRIDS[gridId()];
  return own ?? GRIDS[usual()]!;
}

/** Changes something of how labels are made here. @throws ZodError when it is none of what may be */
export const saveLabels = (change: Partial<Settings['labels']>) =>
  changeSettings((s) => ({ labels: { ...s.labels, ...change } }));

/** A length that was typed, mm. */
export const typedMm = (text: string): number =>
  Number(text.trim().replace(',', '.')) * (inInches() ? IN : 1);
export const shownLength = lengthText;
