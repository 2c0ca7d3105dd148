import type { Belief, Told } from '../belief/believe';
import { abvRange } from '../ferment/alcohol';
import { addedSo2MgL, fillL, type Fill } from '../ledger/fill';
import { bottleId } from '../ledger/flow';
import type { BatchState, Bottling } from '../ledger/state';
import { LABEL_SO2_MG_L } from '../plan/allergens';
import { sizeText } from '../tables/bottles';
import { abvText, sweetnessWord } from '../units/format';
import type { Estimate } from '../units/range';
import type { Settings } from '../units/settings';
import { inZone } from '../units/zone';

/** What a label can say of one filling of bottles, or of a jar that is still to be bottled. */
export type Facts = {
  name: string;
  /** when its fruit was taken, as one says a wine’s year */
  startedAt: number;
  bottledAt: number | null;
  abv: Estimate;
  sugarGL: number;
  isSparkling: boolean;
  /** of a bottle, litres; null where it is in several, or none yet */
  sizeL: number | null;
  /** sulphites, and what else people must be told of */
  contains: string[];
  /** yeasts by the names on their packets, where they were said */
  yeasts: string[];
};

/** Sugar for fizz from which a wine is called sparkling, g/L: about 1.5 bar. Common practice. */
const SPARKLING_GL = 8;

/**
 * What is told of a wine: by its possible wines. Bottles of which some is still in the jar are told by what was read of
 * them, as the rest may have been sweetened since; only where nobody read them, by what is believed of the batch.
 */
const wineOf = (fill: Fill, told: Told | undefined, batch: Told | null) => {
  const litres = fillL(fill);
  const known = told ?? (fill.reads.length > 0 ? undefined : (batch ?? undefined));
  return {
    abv: known?.abv ?? abvRange(fill.stock, fill.unsureKg),
    sugarGL: known?.sugarGL.likely ?? (litres > 0 ? (1000 * fill.stock.hexoseKg) / litres : 0)
  };
};

/** Allergens of a wine: what went in, and the sulphite of this very jar. @source as `plan/allergens.ts` */
export const containsOf = (s: Pick<BatchState, 'allergens'>, fill: Fill): string[] => [
  ...(addedSo2MgL(fill) >= LABEL_SO2_MG_L ? ['sulphites'] : []),
  ...s.allergens
];

/** A filling of bottles, of which one size is to be labelled; or a jar that is still to be bottled. */
export type LabelOf = { bottling: Bottling; sizeL: number } | { fill: Fill };

/**
 * Facts of a filling; of a jar as it stands where it is not in bottle yet.
 * @param belief null for a wine that is settled: its ledger tells
 */
export function factsOf(s: BatchState, of: LabelOf, belief: Belief | null): Facts {
  const b = 'bottling' in of ? of.bottling : null;
  const fill = 'fill' in of ? of.fill : of.bottling.fill;
  return {
    name: s.name,
    startedAt: s.startedAt,
    bottledAt: b?.at ?? null,
    ...wineOf(fill, belief?.vessels[b ? bottleId(b.eventId) : fill.vesselId], belief),
    isSparkling: (b?.primingGL ?? 0) >= SPARKLING_GL,
    sizeL: 'bottling' in of ? of.sizeL : null,
    contains: containsOf(s, fill),
    yeasts: [...new Set(s.pitches.flatMap((p) => p.yeast.name ?? []))]
  };
}

/** A strength that may be off by more than this is told in whole percents, and as about. */
const SURE_TO = 0.8;

/**
 * Strength as labels print it: to the nearest half where it is known so well, else about a whole percent.
 * In Europe and Britain “% vol”, in the United States “% alc. by vol.”.
 * @source Delegated Regulation (EU) 2019/33, article 44 (whole or half units); 27 CFR 4.36 (from memory)
 */
export function strengthText({ low, likely, high }: Estimate, system: Settings['system']): string {
  const unit = system === 'us' ? '%\u00a0alc.\u00a0by\u00a0vol.' : '%\u00a0vol';
  return (high - low) / 2 > SURE_TO
    ? `about ${Math.round(likely)}\u00a0${unit}`
    : `${abvText(Math.round(2 * likely) / 2).replace(/\.0$/, '')}\u00a0${unit}`;
}

/** What is printed of the facts where nobody worded it otherwise. */
export type Worded = {
  name: string;
  year: string;
  strength: string;
  taste: string;
  volume: string;
  bottled: string;
};

export const wordsOf = (facts: Facts, system: Settings['system'], zone: string): Worded => ({
  name: facts.name,
  year: inZone(facts.startedAt, zone, { year: 'numeric' }),
  strength: strengthText(facts.abv, system),
  taste: `${facts.isSparkling ? 'sparkling, ' : ''}${sweetnessWord(facts.sugarGL)}`,
  volume: facts.sizeL === null ? '' : sizeText(facts.sizeL),
  bottled:
    facts.bottledAt === null
      ? ''
      : inZone(facts.bottledAt, zone, { day: 'numeric', month: 'short', year: 'numeric' })
});
