import { correctReading } from '../liquid/hydrometer';
import type { EventData } from '../ledger/log';
import { tastingWord } from '../tables/tasting';
import { InputError } from '../units/input-error';
import type { Settings } from '../units/settings';
import { draft, given, type Deed } from './deed';

/**
 * A stem's reading at 20 °C: less what the stem shows in plain water, corrected for the sample's temperature.
 * @throws InputError above 40 °C
 * @example correctStem(1.05, 30, { calibratedC: 20, inWater: 1.002 }) // 1.0507
 */
export function correctStem(
  stemSg: number,
  tempC: number | null,
  { inWater, calibratedC }: Settings['hydrometer']
): number {
  return correctReading(stemSg - (inWater - 1), tempC ?? calibratedC, calibratedC);
}

type Reading = EventData<'reading'>;

/**
 * A gravity, corrected for the stem's calibration and the sample's temperature.
 * @param stemSg what the stem showed, or what a refractometer's °Bx in `also` comes to
 * @throws InputError above 40 °C
 */
export function readGravity(
  batchId: string,
  stemSg: number,
  tempC: number | null,
  hydrometer: Settings['hydrometer'],
  also: Pick<
    Reading,
    'ph' | 'taGL' | 'freeSo2MgL' | 'sugarGL' | 'residueSg' | 'volumeL' | 'vesselId' | 'refractometerBx'
  > = {}
): Deed {
  const seen =
    also.refractometerBx === undefined
      ? { sg: correctStem(stemSg, tempC, hydrometer), stemSg }
      : { sg: stemSg };
  return observe(batchId, { ...seen, tempC: tempC ?? undefined, ...also });
}

/** Anything that was read or measured: acid, temperature, a volume at a mark. */
export const observe = (batchId: string, seen: Reading): Deed => [draft(batchId, 'reading', given(seen))];

type Look = EventData<'observation'>;

/**
 * What was seen, heard and tasted without any instrument.
 * @throws InputError when nothing is said
 */
export function look(batchId: string, seen: Look): Deed {
  const said = given(Object.fromEntries(Object.entries(seen).filter(([, v]) => v !== '')) as Look);
  if (Object.keys(said).every((k) => k === 'vesselId'))
    throw new InputError('Nothing is said yet.', 'Count bubbles, taste it, or pick what you see.');
  return [draft(batchId, 'observation', said)];
}

/** Where a wine stands from now on. @param at a vessel of it; left out, all of them */
export const standAt = (batchId: string, where: EventData<'place'>): Deed => [
  draft(batchId, 'place', given(where))
];

const worded = (text: string, what: string): string => {
  if (!text.trim()) throw new InputError(`The ${what} is empty.`, 'Write a word or two.', 'text');
  return text.trim();
};

/** @throws InputError when it is empty */
export const note = (batchId: string, text: string, isForNextTime = false): Deed => [
  draft(batchId, 'note', { text: worded(text, 'note'), ...(isForNextTime ? { nextTime: true } : {}) })
];

/** What is said of a wine beside words and liking. */
type More = Pick<EventData<'tasting'>, 'words' | 'wanted' | 'when' | 'bottleId'>;

/**
 * A tasting: what it was like, how well it was liked (1–5), and what to do otherwise next time. What was tapped alone
 * is its text.
 * @throws InputError when nothing is said
 */
export function taste(
  batchId: string,
  text: string,
  liking: number | null,
  nextTime = '',
  more: More = {}
): Deed {
  const tapped = (more.words ?? []).map((id) => tastingWord(id)?.name ?? id).join(', ');
  const rest =
    (liking && `${liking} of 5`) ||
    (more.when && { young: 'too young', ready: 'ready', past: 'past its best' }[more.when]) ||
    (more.wanted && 'a place on the field') ||
    '';
  return [
    draft(
      batchId,
      'tasting',
      given({
        text: worded(text.trim() || tapped || rest, 'tasting'),
        liking: liking || undefined,
        nextTime: nextTime.trim() || undefined,
        words: more.words?.length ? more.words : undefined,
        wanted: more.wanted,
        when: more.when,
        bottleId: more.bottleId
      })
    )
  ];
}
