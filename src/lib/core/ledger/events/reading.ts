import { z } from 'zod';
import { hexoseGone } from '../../ferment/alcohol';
import { abvOf, ferment } from '../../ferment/convert';
import { phOf, titratableAcidity } from '../../liquid/acid';
import { acidWater, liquid, type Stock } from '../../liquid/stock';
import { spiritIndication } from '../../liquid/spirit';
import { likelyFigures } from '../../must/balance';
import { sugarParts } from '../../must/sugar-parts';
import { amountOf } from '../../plan/plan';
import { sgText } from '../../units/format';
import { inKg } from '../../units/say';
import { canBeRead, noteRead } from '../evidence';
import { measureAcid } from '../measured-acid';
import { learnSugar } from '../learn';
import { areAlike, correctVolume, named } from '../operations';
import type { Flow } from '../flow';
import type { Question } from '../question';
import { doubt, feel, toleranceIn, type Working } from '../state';
import { defineEvent, id, sg, volumeL, type About, type Of, type Part, type Slot } from './define';

const HOUR = 3_600_000;

const data = z
  .strictObject({
    /** corrected to 20 °C */
    sg: sg.optional(),
    /** what the stem showed */
    stemSg: sg.optional(),
    /** what a refractometer showed, °Bx, where `sg` was reckoned from it */
    refractometerBx: z.number().finite().min(0).max(80).optional(),
    tempC: z.number().finite().min(-5).max(105).optional(),
    ph: z.number().finite().min(1.5).max(9).optional(),
    taGL: z.number().finite().min(0).max(40).optional(),
    /** gravity of the residue once the alcohol is boiled off: spirit indication, with `sg` */
    residueSg: sg.optional(),
    /** free sulphur dioxide by a kit, mg/L */
    freeSo2MgL: z.number().finite().min(0).max(300).optional(),
    /** sugar by a test for what wine has left, g/L: it sees none of the table's own that was stirred in lately */
    sugarGL: z.number().finite().min(0).max(100).optional(),
    /** litres that the mark shows */
    volumeL: volumeL.optional(),
    vesselId: id.optional(),
    /** the instrument that read it by itself; left out where a person did */
    by: z.string().min(1).max(60).optional()
  })
  .refine(
    (r) => [r.sg, r.tempC, r.ph, r.taGL, r.freeSo2MgL, r.sugarGL, r.volumeL].some((x) => x !== undefined),
    'holds no measurement'
  );
type ReadingData = z.infer<typeof data>;

/** Whether yeast can have been at work: pitched and past a few hours, or left to the wild for two days. */
function mayFerment(s: Working, at: number): boolean {
  const first = s.pitches[0];
  return first ? at - first.at > 6 * HOUR : at - s.startedAt > 48 * HOUR;
}

/** Of its acid so much less and more, to tell what a pH says of it. */
const ACID_AT = [0.8, 1, 1.25] as const;

function acidBySums(stock: Stock | undefined): Extract<Flow, { kind: 'acid' }>['sums'] {
  const now = stock && liquid(stock);
  if (!stock || !now || now.volumeL <= 0) return null;
  const water = acidWater(stock, now.volumeL);
  if (!Object.values(water.acids).some((a) => a > 1e-6)) return null;
  const [low, mid, high] = ACID_AT.map((share) =>
    phOf({
      ...water,
      acids: Object.fromEntries(Object.entries(water.acids).map(([k, x]) => [k, share * x]))
    })
  ) as [number, number, number];
  return { taGL: titratableAcidity(water), phAt: [low, mid, high] };
}

function read(s: Working, e: Of<ReadingData>, at: number): void {
  const { sg, tempC, ph, taGL, freeSo2MgL, sugarGL, residueSg, volumeL, vesselId, refractometerBx, by } =
    e.data;
  // A refractometer in alcohol is good to three points, and so is what floats by itself, gas and foam clinging to it: it
  // says where the wine is about, and proves nothing gone.
  const isRough = refractometerBx !== undefined || by !== undefined;
  if (tempC !== undefined) feel(s, at, tempC);
  if (ph !== undefined || taGL !== undefined) {
    for (const f of named(s, vesselId)) measureAcid(f, { ph, taGL });
    s.flows.push({
      at,
      kind: 'acid',
      vesselId: vesselId ?? null,
      taGL: taGL ?? null,
      ph: ph ?? null,
      sums: acidBySums(named(s, vesselId)[0]?.stock),
      isWine: mayFerment(s, at)
    });
  }
  if (vesselId && !s.fills.some((f) => f.vesselId === vesselId)) doubt(s, 'not-there');
  if (freeSo2MgL !== undefined) s.freeSo2.push({ at, vesselId: vesselId ?? null, mgL: freeSo2MgL });
  if (sugarGL !== undefined && !isHidden(s, at))
    s.flows.push({ at, kind: 'sugar', vesselId: vesselId ?? null, sugarGL });
  if (volumeL !== undefined) correctVolume(s, named(s, vesselId), volumeL, at);
  if (sg !== undefined && residueSg !== undefined) {
    const abv = residueSg >= sg ? spiritOrNull(sg, residueSg) : null;
    if (abv === null) doubt(s, 'impossible-figure');
    else {
      s.spiritAbv = { at, abv };
      s.flows.push({ at, kind: 'spirit', vesselId: vesselId ?? null, abv });
    }
  }
  if (sg === undefined) return;
  s.flows.push({
    at,
    kind: 'read',
    eventId: e.id,
    vesselId: vesselId ?? (s.fills.length === 1 ? s.fills[0]!.vesselId : null),
    sg,
    isRough,
    hasTemp: tempC !== undefined
  });
  const fills = named(s, vesselId);
  const first = fills[0];
  const before = first && liquid(first.stock);
  // Far below what the sums expect, with yeast in: it is the ferment, whatever the clock says.
  const hasDropped = before && s.pitches.length > 0 && sg < before.sg - 0.008;
  const fermenting = mayFerment(s, at) || hasDropped || s.fills.some((f) => f.fermentedKg > 0);
  const isOfOne = vesselId !== undefined || s.fills.length === 1;
  // Nobody said which of several unlike wines was read: it speaks of none of them.
  if (!isOfOne && !areAlike(fills)) return doubt(s, 'not-there');
  /** What each would have fermented; one that reads under its floor has none left, and more to tell. */
  const gone = fills.map((f) =>
    fermenting && liquid(f.stock) ? hexoseGone(f.stock, f.fermentedKg, sg) : null
  );
  const isUnder = gone.map((g, i) => g !== null && !g.met && g.hexoseKg >= fills[i]!.stock.hexoseKg);
  if (isOfOne && first && isUnder[0] && !canBeRead(first, at, sg)) return doubt(s, 'impossible-figure');
  s.readings.push({
    eventId: e.id,
    at,
    vesselId: vesselId ?? (s.fills.length === 1 ? s.fills[0]!.vesselId : null),
    sg,
    tempC: tempC ?? null,
    expectedSg: fermenting || !before ? null : before.sg
  });
  fills.forEach((fill, i) => {
    if (!liquid(fill.stock)) return;
    const found = gone[i];
    if (!found) learnSugar(s, fill, sg, at);
    else {
      const { hexoseKg, met } = found;
      fill.stock = ferment(fill.stock, hexoseKg).stock;
      fill.fermentedKg += hexoseKg;
      // Denser than all that went in: the table's sugar was too low, or the ferment has not begun.
      if (!met && fill.fermentedKg <= 1e-9) learnSugar(s, fill, sg, at);
      // One reading may be a slip: what it takes away counts as there until the next one agrees.
      fill.unshownKg = isOfOne && !isRough ? Math.max(0, hexoseKg) : Math.max(0, fill.unshownKg + hexoseKg);
    }
    if (isOfOne && !(isRough && found)) noteRead(fill, at, sg, isUnder[i]!);
  });
}

/** Cane sugar takes weeks to split in a wine, and until then such a test sees half of it or nothing. Common practice. */
const SPLITS_MS = 30 * 24 * HOUR;
const isHidden = (s: Pick<Working, 'sweetenedAt'>, at: number): boolean =>
  s.sweetenedAt !== null && at - s.sweetenedAt < SPLITS_MS;

/** Sugar that a test for it does not see. */
const hiddenSugar = ({ at, data }: Of<ReadingData>, about: About): Question[] =>
  data.sugarGL !== undefined && about.before && isHidden(about.before, Date.parse(at))
    ? [
        {
          level: 'ask',
          text: 'Sugar went in less than a month ago, and a test does not see cane sugar until it has split.',
          todo: 'It is kept as it was written, and proves nothing; read the gravity.'
        }
      ]
    : [];

/** Strength by spirit indication; null where no spirit has such a density. */
function spiritOrNull(sg: number, residueSg: number): number | null {
  try {
    const abv = spiritIndication(sg, residueSg);
    return abv <= MAX_ABV ? abv : null;
  } catch {
    return null;
  }
}
/** No yeast makes more. Common practice: eighteen to twenty. */
export const MAX_ABV = 23;

/** A strength past what the yeast can stand says that something was not as written. */
function tooStrong(e: Of<ReadingData>, about: About): Question[] {
  // An instrument that reads by itself is not asked: what it can prove is little.
  if (e.data.sg === undefined || e.data.by !== undefined) return [];
  const { before: s, after } = about;
  if (!s || s.pitches.length === 0) return [];
  const fill = after.fills.find((f) => !e.data.vesselId || f.vesselId === e.data.vesselId);
  if (!fill) return [];
  const [was, is] = [s.fills.find((f) => f.vesselId === fill.vesselId), abvOf(fill.stock)];
  const most = toleranceIn(after, fill)[2] + 0.5;
  if (is <= most || (was && abvOf(was.stock) > most)) return [];
  return [
    {
      level: 'ask',
      text: `By what went in that would be ${is.toFixed(1)} %, more than this yeast can stand.`,
      todo: 'Was all weighed and read as written: pounds, kilograms, the scale of the stem?'
    }
  ];
}

/** So near the gravity with all the planned sugar, and so far over what is written, the rest is in already. */
const [NEAR_ALL, OVER_WRITTEN] = [0.005, 0.008];

/** A plan that is fed in steps, and a must that reads as if all of it were in: it is no misreading. */
function allSugarIn(e: Of<ReadingData>, { before: s }: About): Question[] {
  if (e.data.sg === undefined || e.data.by !== undefined || !s || s.pitches.length > 0) return [];
  const { later } = sugarParts(s.plan);
  const waitingKg = later.flatMap((p) => p.ingredients).reduce((kg, i) => kg + amountOf(i), 0);
  const plannedKg = s.plan.ingredients
    .filter((i) => i.kind === 'sugar' || i.kind === 'honey')
    .reduce((kg, i) => kg + amountOf(i), 0);
  if (waitingKg < 0.05 || s.sugarKg > plannedKg - 0.5 * waitingKg) return [];
  const wholeSg = likelyFigures(s.plan).sgAllGiven;
  const written = s.fills[0] && liquid(s.fills[0].stock)?.sg;
  if (!written || Math.abs(e.data.sg - wholeSg) > NEAR_ALL || e.data.sg < written + OVER_WRITTEN) return [];
  return [
    {
      level: 'ask',
      text: `All the planned sugar reads ${sgText(wholeSg)}, and ${inKg(waitingKg)} of it is not written down.`,
      todo: 'If it is in, write it down first.'
    }
  ];
}

function what({ sg, ph, taGL, freeSo2MgL, sugarGL, volumeL, tempC }: Omit<ReadingData, 'by'>): Part[] {
  if (sg !== undefined) return [{ sg }];
  if (ph !== undefined) return [`pH ${ph}`];
  if (taGL !== undefined) return [`TA ${taGL} g/L`];
  if (freeSo2MgL !== undefined) return [`free SO₂ ${freeSo2MgL} mg/L`];
  if (sugarGL !== undefined) return [`sugar by test ${sugarGL} g/L`];
  if (volumeL !== undefined) return [{ volumeL }];
  return tempC === undefined ? [] : ['Warmth'];
}

/** Something is measured: gravity, temperature, acid, or what the mark shows. */
export const reading = defineEvent({
  type: 'reading',
  data,
  touchesLiquid: true,
  apply: read,
  check: (e, about) => [...allSugarIn(e, about), ...tooStrong(e, about), ...hiddenSugar(e, about)],
  says({ id, data: { sg, stemSg, tempC, residueSg, by, ...rest } }, s) {
    const expected = s.readings.find((r) => r.eventId === id)?.expectedSg;
    const parts: Part[][] = [
      by === undefined ? [] : [`by ${by}`],
      tempC === undefined ? [] : [{ tempC }],
      stemSg !== undefined && sg !== undefined && sgText(stemSg) !== sgText(sg)
        ? ['stem showed ', { sg: stemSg }]
        : [],
      residueSg === undefined ? [] : ['residue ', { sg: residueSg }],
      expected ? ['the sums said ', { sg: expected }] : []
    ];
    return {
      what: what({ sg, tempC, ...rest }),
      detail: parts.filter((p) => p.length > 0).flatMap((p, i) => (i > 0 ? [' · ', ...p] : p))
    };
  },
  slots({ sg, ph, taGL, volumeL }) {
    const out: Slot[] = [];
    if (sg !== undefined)
      out.push(
        { path: ['sg'], label: ['The stem showed'], kind: 'stem' },
        { path: ['tempC'], label: ['Sample'], kind: 'sample' }
      );
    if (ph !== undefined) out.push({ path: ['ph'], label: ['pH'], kind: 'ph' });
    if (taGL !== undefined) out.push({ path: ['taGL'], label: ['TA, g/L'], kind: 'ta' });
    if (volumeL !== undefined) out.push({ path: ['volumeL'], label: ['So much'], kind: 'volume' });
    return out;
  },
  source: (d) => d.vesselId
});
