import { RULES } from '$core/cautions/rules';
import type { LedgerEvent } from '$core/ledger/log';
import { YEASTS } from '$core/tables/substances';
import { sgText, temperatureText, volumeText } from '$core/units/format';
import { vesselById, type Batch } from '$lib/store/household.svelte';
import type { Settings } from '$core/units/settings';
import { dayWord } from '../shelf/when';
import { ingredientText } from './ingredient-text';

/** What happened, and the small print of it. */
export function eventWords(
  e: LedgerEvent,
  batch: Batch,
  settings: Settings,
  now: number
): [what: string, detail: string] {
  const unit = settings.volume;
  const vessel = (id: string | undefined) => (id ? (vesselById(id)?.name ?? 'a vessel') : '');
  switch (e.type) {
    case 'planned':
      return ['Started', `in the ${vesselById(e.data.vesselId)?.name ?? 'vessel'}`];
    case 'addition':
      return [
        e.data.ingredients.length > 1 ? 'Went in' : 'Added',
        e.data.ingredients.map((i) => ingredientText(i, settings)).join(', ')
      ];
    case 'pitch':
      return [
        'Yeast in',
        [
          e.data.massG && `${e.data.massG.toFixed(0)} g`,
          YEASTS[e.data.yeast.yeastId ?? 'wine'].name.toLowerCase(),
          e.data.how
        ]
          .filter(Boolean)
          .join(', ')
      ];
    case 'stir':
      return ['Stirred', ''];
    case 'reading': {
      const { sg, stemSg, tempC, ph, taGL, residueSg, volumeL } = e.data;
      const what =
        sg !== undefined
          ? sgText(sg)
          : ph !== undefined
            ? `pH ${ph}`
            : taGL !== undefined
              ? `TA ${taGL} g/L`
              : volumeL !== undefined
                ? volumeText(volumeL, unit)
                : '';
      const parts = [
        tempC !== undefined ? temperatureText(tempC, settings.temp) : '',
        stemSg !== undefined && sg !== undefined && sgText(stemSg) !== sgText(sg)
          ? `stem showed ${sgText(stemSg)}`
          : ''
      ];
      if (residueSg !== undefined) parts.push(`residue ${sgText(residueSg)}`);
      const expected = batch.state.readings.find((r) => r.eventId === e.id)?.expectedSg;
      if (expected) parts.push(`the sums said ${sgText(expected)}`);
      return [what, parts.filter(Boolean).join(' · ')];
    }
    case 'fruit-out':
      return [
        'Fruit out',
        `${e.data.press}${e.data.volumeL !== undefined ? `, ${volumeText(e.data.volumeL, unit)} left` : ''}`
      ];
    case 'transfer':
      return [
        'Racked',
        `${e.data.to.map((t) => `${volumeText(t.volumeL, unit)} to ${vesselById(t.vesselId)?.name ?? 'a vessel'}`).join(', ')}; ${volumeText(e.data.lossL, unit)} left behind`
      ];
    case 'steep':
      return [
        'Hung in',
        `${e.data.ingredients.map((i) => ingredientText(i, settings)).join(', ')}${e.data.tasteBy ? `, taste by ${dayWord(Date.parse(e.data.tasteBy), now, e.zone)}` : ''}`
      ];
    case 'steep-out': {
      const steep = batch.state.steeps.find((x) => x.id === e.data.steepId);
      return ['Taken out', steep?.names.join(', ').toLowerCase() ?? ''];
    }
    case 'top-up':
      return [
        'Topped up',
        `${vessel(e.data.vesselId)} ${e.data.ingredient ? `with ${ingredientText(e.data.ingredient, settings)}` : 'with gas'}`
      ];
    case 'sample':
      return [e.data.returned ? 'Sample, poured back' : 'Sample drunk', volumeText(e.data.volumeL, unit)];
    case 'loss':
      return [e.data.how === 'spilt' ? 'Spilt' : 'Boiled off', volumeText(e.data.volumeL, unit)];
    case 'blend':
      return e.batchId === batch.id
        ? [
            'Blended in',
            `${volumeText(e.data.volumeL, unit)} of ${e.data.from.name} into ${vessel(e.data.to)}`
          ]
        : ['Blended away', `${volumeText(e.data.volumeL, unit)} from ${vessel(e.data.from.vesselId)}`];
    case 'tasting':
      return [
        'Tasted',
        `${e.data.text}${e.data.liking ? ` (${e.data.liking} of 5)` : ''}${e.data.nextTime ? ` Next time: ${e.data.nextTime}` : ''}`
      ];
    case 'note':
      return ['Note', e.data.text];
    case 'open':
      return [
        'Opened',
        `${e.data.count} ${e.data.count === 1 ? 'bottle' : 'bottles'}${e.data.found ? `, ${e.data.found}` : ''}`
      ];
    case 'bottle':
      return ['Bottled', e.data.bottles.map((b) => `${b.count} × ${b.sizeL} L`).join(', ')];
    case 'step':
      return [
        e.data.outcome === 'snoozed' ? 'Put off' : e.data.outcome === 'skipped' ? 'Skipped' : 'Done',
        e.data.step.replace('-', ' ')
      ];
    case 'caution':
      return [
        RULES[e.data.cautionId]?.level === 'warn' ? 'Caution read' : 'I understand',
        e.data.text ?? RULES[e.data.cautionId]?.title ?? e.data.cautionId
      ];
    case 'void':
      return ['Taken back', ''];
  }
}
