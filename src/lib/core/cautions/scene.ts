import type { Ingredient, Plan } from '../plan/plan';
import { doseOf, DOSES, judgeDose, slipText, SO2_SHARE } from '../tables/doses';
import { gramsText } from '../units/format';

/**
 * Refuse: cannot be done here. Stop: not without a recorded “I understand”. Warn: shown until put away.
 * Note: small print.
 */
export type Level = 'refuse' | 'stop' | 'warn' | 'note';

/** Where a risk arises. */
export type Place = 'plan' | 'prepare' | 'clean' | 'add' | 'ferment' | 'rack' | 'finish' | 'bottle' | 'drink';

export type Caution = { id: string; level: Level; text: string };

/** What is going on where the cautions are shown; only what is known there. */
export type Scene = {
  plan?: Plan;
  /** the must's likely or measured pH; null when it is not known */
  ph?: number | null;
  /** its high end, where it is an estimate: what may be too high is warned of */
  phHigh?: number | null;
  /** what is about to go in, the litres it goes into, and grams of the same that are in already */
  adding?: Ingredient;
  volumeL?: number;
  hadG?: number;
  /** the dry yeast that was pitched last, g, where its weight was said */
  yeastG?: number | undefined;
  /** sulphur dioxide that was put in already, mg/L */
  hadSo2MgL?: number;
  /** whether sulphite is in */
  hasSulphite?: boolean;
  /** whether glass is about to be moved, or something is put into bottles */
  intoGlass?: boolean;
  screwCap?: boolean;
  isAlive?: boolean;
  now?: 'sanitising';
};

type Group = 'poison and plants' | 'hygiene and ferment' | 'chemicals' | 'pressure' | 'drinking and law';

export type Rule = {
  level: Level;
  group: Group;
  title: string;
  text: string;
  /** whom to ask, for what can hurt most */
  ask?: string;
  places: readonly Place[];
  /** whether it holds in a scene of one of its places; produce brings its own by id */
  when?: (scene: Scene) => boolean;
  /** a text for the scene, in place of the general one */
  say?: (scene: Scene) => string;
};

/** pH above which a must may not stand; the outer food-safety line is 4.6. Common practice. */
export const SAFE_PH = 4.2;

/** The highest that a must's pH may be; null when nothing is known of it. */
export const highPh = (s: Scene): number | null => s.phHigh ?? s.ph ?? null;

export const isAdding = (s: Scene, ...ids: string[]): boolean =>
  s.adding?.kind === 'additive' && ids.includes(s.adding.additiveId);

export const isProduce = (i: Ingredient): boolean => i.kind === 'produce' || i.kind === 'juice';

export const rows = (s: Scene): Ingredient[] => (s.adding ? [s.adding] : (s.plan?.ingredients ?? []));

export const hasForm = (s: Scene, ...forms: string[]): boolean =>
  rows(s).some((i) => isProduce(i) && 'form' in i && forms.includes(i.form ?? ''));

export const doseLevel = (s: Scene) => {
  const id = s.adding && doseOf(s.adding as { additiveId?: string; acidId?: string });
  if (!id || !s.volumeL || !('massKg' in s.adding!)) return null;
  return judgeDose(id, s.adding.massKg * 1000, s.volumeL, s.hadG, s.yeastG);
};

export const doseSay = (s: Scene): string => {
  const id = doseOf(s.adding as { additiveId?: string; acidId?: string })!;
  const massG = (s.adding as { massKg: number }).massKg * 1000;
  const had = s.hadG ? `, with ${gramsText(s.hadG)} in already` : '';
  return `${gramsText(massG)} of ${DOSES[id].name.toLowerCase()}${had} is more than anyone puts in. ${slipText(id, massG + (s.hadG ?? 0), s.volumeL!, s.yeastG)}`;
};

/** Sulphur dioxide, free and bound, that no wine is to hold, mg/L. Legal ceilings are often 150 to 250 (from memory). */
export const MOST_SO2_MG_L = 300;

/** What a wine would hold of it with what is about to go in, mg/L; 0 when that is no sulphite. */
export const so2MgL = (s: Scene): number =>
  isAdding(s, 'campden', 'metabisulphite') && s.volumeL && 'massKg' in s.adding!
    ? (s.hadSo2MgL ?? 0) + (1e6 * s.adding.massKg * SO2_SHARE.potassium) / s.volumeL
    : 0;
