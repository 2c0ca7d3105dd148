import { counted, listText } from '../units/format';
import { Temporal } from 'temporal-polyfill';
import type { LostHow } from '../ledger/events/loss';
import { LOOKS } from '../ledger/events/observation';
import { nameOf } from '../plan/name';
import { entryOf, type Ingredient } from '../plan/plan';
import { amountIn, typedUnit } from '../plan/thing';
import { UNIT_LABEL, isMassUnit, isVolumeUnit } from '../units/measure';
import type { AmountUnit } from '../units/words';
import { soundZone } from '../units/zone';
import { YEASTS } from '../tables/yeasts';
import { stepName } from '../tables/step-id';
import type { Command, CommandOf } from './command';
import type { Context } from './context';

/** A figure as it is typed: never with three digits behind the point, which may be thousands. */
const n = (x: number): string => {
  const text = Number(x.toPrecision(12)).toFixed(9).replace(/0+$/, '').replace(/\.$/, '');
  return /\.\d{3}$/.test(text) ? `${text}0` : text;
};
const gravity = (sg: number): string => Number(sg.toPrecision(9)).toString();

const UNITS: Partial<Record<AmountUnit, string>> = {
  tablet: 'tablets',
  piece: '',
  'tea-bag': 'tea bags',
  bag: 'bags',
  packet: 'packets',
  bottle: 'bottles'
};
const unitText = (unit: AmountUnit): string =>
  isMassUnit(unit) || isVolumeUnit(unit) ? UNIT_LABEL[unit].toLowerCase() : UNITS[unit]!;

/** A thing with its amount, as it is typed. */
function itemText(item: Ingredient): string {
  const base = 'volumeL' in item ? item.volumeL : item.massKg;
  const unit = typedUnit(item, 'volumeL' in item ? 'L' : 'kg');
  const name =
    item.kind === 'produce'
      ? `${item.form === 'fresh' ? '' : `${item.form} `}${entryOf(item)?.name ?? item.produceId}`
      : item.kind === 'additive' && item.additiveId === 'campden'
        ? 'campden'
        : nameOf(item);
  return `${n(amountIn(item, base, unit))} ${unitText(unit)} ${name.toLowerCase()}`.replace(/\s+/g, ' ');
}
const itemsText = (items: readonly Ingredient[]): string => items.map(itemText).join(' + ');

const QUESTIONS: Partial<Record<CommandOf<'question'>['about'], string>> = {
  strength: 'how strong is it?',
  safe: 'is it safe to bottle?',
  next: 'what next?',
  done: 'when is it done?',
  volume: 'how much is there?',
  gravity: 'what is the gravity?'
};

const SURFACE = { clean: 'clean on top', film: 'film on top', mould: 'mould on top' } as const;

/** As a line says it, before so much of it. */
const LOST_WORDS: Record<LostHow, string> = {
  spilt: 'spilt',
  'boiled-off': 'boiled off',
  'poured-away': 'poured away',
  drunk: 'drank'
};
const BOTTLE_WORDS: Record<CommandOf<'bottle'>['bottles'][number]['type'], string> = {
  still: '',
  screw: ', screw caps',
  crown: ', crown caps',
  swing: ', swing tops',
  plastic: ', plastic',
  keg: ', kegs',
  sparkling: ', sparkling'
};

/** What was said of one wine, without its name and its time. */
function body(c: Command, ctx: Context): string {
  const vessel = (id: string) => ctx.vessels.find((v) => v.id === id)?.name.toLowerCase() ?? id;
  switch (c.kind) {
    case 'reading':
      return [
        c.sg !== undefined && `sg ${gravity(c.sg)}`,
        c.brix !== undefined && `bx ${n(c.brix)}`,
        c.potential !== undefined && `pa ${n(c.potential)}`,
        c.tempC !== undefined && `${n(c.tempC)} °C`,
        c.ph !== undefined && `ph ${n(c.ph)}`,
        c.taGL !== undefined && `ta ${n(c.taGL)} g/l`,
        c.freeSo2MgL !== undefined && `free so2 ${n(c.freeSo2MgL)} mg/l`,
        c.sugarGL !== undefined && `sugar test ${n(c.sugarGL)} g/l`,
        c.residueSg !== undefined && `residue ${gravity(c.residueSg)}`,
        c.volumeL !== undefined && `volume ${n(c.volumeL)} l`
      ]
        .filter(Boolean)
        .join(', ')
        .concat(c.each ? ' in each' : '');
    case 'observation':
      return [
        c.tempC !== undefined && `${n(c.tempC)} °C`,
        c.bubbles && `${counted(c.bubbles.count, 'bubble')} in ${n(c.bubbles.seconds)} s`,
        c.stillDays !== undefined &&
          (c.stillDays === 0 ? 'no more bubbles' : `nothing moved for ${n(c.stillDays)} days`),
        c.cap && `cap ${c.cap}`,
        c.foam && { none: 'no foam', some: 'some foam', over: 'foaming over' }[c.foam],
        c.clarity,
        c.smell && LOOKS.smell[c.smell].replace(/,.*/, ''),
        c.surface && SURFACE[c.surface],
        c.taste && LOOKS.taste[c.taste]
      ]
        .filter(Boolean)
        .join('; ');
    case 'place': {
      const at = c.tempC === undefined ? '' : `${n(c.tempC)} °C`;
      return c.name === undefined
        ? `room ${at}`
        : `stands ${/^(?:under|by|next|near|on) /.test(c.name) ? '' : 'in the '}${c.name}${at ? ` at ${at}` : ''}`;
    }
    case 'addition':
      return `added ${itemsText(c.items)}`;
    case 'top-up':
      return `topped up with ${c.item ? itemText(c.item) : 'gas'}`;
    case 'make-up':
      return `made up to ${n(c.toL)} l with water`;
    case 'steep':
      return `hung in ${itemsText(c.items)}${c.days ? ` for ${n(c.days)} days` : ''}`;
    case 'steep-out':
      return 'steep out';
    case 'pitch':
      return [
        c.how === 'starter' ? 'pitched the starter' : 'pitched',
        c.massG && `${n(c.massG)} g`,
        c.name,
        c.yeastId &&
          (c.yeastId === 'wine' ? 'general wine' : YEASTS[c.yeastId].name.toLowerCase().replace(' type', '')),
        c.yeastId && 'yeast',
        c.how === 'rehydrated' ? 'rehydrated' : c.how === 'dry' && 'sprinkled dry'
      ]
        .filter(Boolean)
        .join(' ');
    case 'blend':
      return `blended in ${n(c.volumeL)} l of ${ctx.wines.find((w) => w.id === c.fromBatchId)?.name ?? c.fromBatchId}`;
    case 'stir':
      return 'stirred';
    case 'fruit-out':
      return `fruit out${{ drip: '', squeeze: ', squeezed', press: ', pressed' }[c.press]}${c.volumeL ? `, ${n(c.volumeL)} l left` : ''}`;
    case 'transfer': {
      const rest = c.rest === 'none' ? ', that was all' : c.rest === 'stays' ? ', the rest stays' : '';
      const lost = c.lossL === undefined ? '' : `, lost ${n(c.lossL)} l`;
      if (c.back)
        return `racked ${c.vesselId ? `from the ${vessel(c.vesselId)} ` : ''}${c.back.volumeL ? `${n(c.back.volumeL)} l ` : ''}back into the same jar${lost}${rest}`;
      if (c.toNeck) return `topped up the ${vessel(c.to[0]!.vesselId!)} from the ${vessel(c.vesselId!)}`;
      const to = c.to.map(({ vesselId, sizeL, volumeL }) => {
        const into = vesselId ? `the ${vessel(vesselId)}` : `1 x ${n(sizeL!)} l`;
        return volumeL ? `${n(volumeL)} l to ${into.replace(/^1 x (.*)$/, 'a $1 jar')}` : into;
      });
      const from = c.each
        ? 'everything '
        : c.vesselIds
          ? `${listText(c.vesselIds.map((id) => `the ${vessel(id)}`))} `
          : c.vesselId
            ? `from the ${vessel(c.vesselId)} `
            : '';
      return `racked ${from}${c.to[0]?.volumeL ? '' : 'to '}${to.join(' and ')}${lost}${rest}`;
    }
    case 'loss':
      if (c.volumeL === undefined) return `${LOST_WORDS[c.how]} all of it`;
      return `${LOST_WORDS[c.how]} ${n(c.volumeL)} l`;
    case 'sample':
      return `sample ${n(c.volumeL)} l${c.returned ? ', poured back' : ''}`;
    case 'bottle':
      return `bottled ${c.bottles.map((b) => `${b.count} x ${n(b.sizeL)} l`).join(' and ')}${BOTTLE_WORDS[c.bottles[0]!.type]}${c.primingGL ? `, primed ${n(c.primingGL)} g/l` : ''}${c.lossL ? `, lost ${n(c.lossL)} l` : ''}`;
    case 'open':
      return `${{ opened: 'opened', given: 'gave', broken: 'broke', swapped: 'swapped' }[c.how ?? 'opened']} ${c.count} bottles${c.to ? ` ${c.how === 'swapped' ? 'for' : 'to'} ${c.to}` : ''}${c.found ? `, ${c.found}` : ''}`;
    case 'note':
      return `${c.nextTime ? 'next time' : 'note'}: ${c.text}`;
    case 'tasting':
      return `tasted: ${c.text}${c.liking ? `, ${c.liking}/5` : ''}`;
    case 'step':
      return c.outcome === 'snoozed'
        ? `put off ${stepName(c.step)} till ${civil(Date.parse(c.until!), ctx.zone).slice(0, 10)}`
        : c.outcome === 'skipped'
          ? `skip ${stepName(c.step)}`
          : c.step === 'crush'
            ? 'crushed'
            : `done ${stepName(c.step)}`;
    case 'no-stem':
      return 'no hydrometer';
    case 'timer':
      return `timer ${n(c.minutes)} min`;
    case 'weigh-in':
      return `${c.form === 'frozen' ? 'froze' : 'weighed in'} ${itemsText(c.lots)}`;
    case 'plan':
      return `plan ${itemsText(c.items)}${c.volumeL ? ` for ${n(c.volumeL)} l` : ''}${c.abv ? ` at ${n(c.abv)} %` : ''}`;
    case 'go':
      return `go to ${c.page ?? ctx.wines.find((w) => w.id === c.batchId)?.name ?? ''}`;
    case 'undo':
      return 'undo';
    case 'away':
      return `away${c.from ? ` ${c.from} to ${c.to}` : ''}`;
    case 'set':
      return `my ${c.name} is ${c.line}`;
    case 'question':
      return c.about === 'convert'
        ? `${c.from} in ${c.to}`
        : c.about === 'sugar'
          ? `how much ${c.item ? 'honey' : 'sugar'} for ${n(c.volumeL!)} l at ${n(c.abv!)} %`
          : c.about === 'dose'
            ? `how much ${nameOf(c.item!).toLowerCase()}${c.volumeL ? ` for ${n(c.volumeL)} l` : ''}?`
            : QUESTIONS[c.about]!;
  }
}

/** A moment as the clock on the wall showed it: `2026-11-25 20:00`. */
function civil(at: number, zone: string): string {
  const t = Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(soundZone(zone));
  return `${t.toPlainDate().toString()} ${t.toPlainTime().toString({ smallestUnit: 'minute' })}`;
}

/**
 * A command as a line that reads as the same.
 * @example
 * say({ kind: 'loss', volumeL: 0.5, how: 'spilt' }, { now: 0, zone: 'UTC', mass: 'kg', volume: 'L', temp: 'C', country: 'metric', wines: [], hereId: null, vessels: [], own: [] }) // 'spilt 0.5 l'
 */
export function say(c: Command, ctx: Context): string {
  const wine =
    'batchId' in c && c.batchId && c.kind !== 'go' ? ctx.wines.find((w) => w.id === c.batchId) : undefined;
  const vessel =
    'vesselId' in c && c.vesselId && c.kind !== 'transfer'
      ? ` in the ${ctx.vessels.find((v) => v.id === c.vesselId)?.name.toLowerCase() ?? c.vesselId}`
      : '';
  const at = 'at' in c && c.at ? `${civil(Date.parse(c.at), ctx.zone)} ` : '';
  return `${wine ? `${wine.name}: ` : ''}${at}${body(c, ctx)}${vessel}`;
}
