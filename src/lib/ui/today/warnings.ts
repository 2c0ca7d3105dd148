import { type Batch, vesselById, vesselName } from '$lib/store/household.svelte';
import { checkBottling } from '$core/finish/judge';
import { markL } from '$core/ledger/will-hold';
import { liquid } from '$core/liquid/stock';
import { airOverL, FOAM_ROOM, hasMuchAir } from '$core/vessels/vessels';
import { volumeText } from '$core/units/format';
import { troubleText } from '../words/trouble';
import type { VolumeUnit } from '$core/units/measure';

export type Warning = {
  text: string;
  tone: 'danger' | 'caution';
  /** air over closed wine: a job, though the plan has none */
  isAir?: boolean;
};

/** What is wrong with a batch, gravest first. */
export function warningsOf(b: Batch, now: number, unit: VolumeUnit): Warning[] {
  const out: Warning[] = [];
  const s = b.state;
  if (s.doubts.length > 0)
    out.push({
      text:
        s.doubts.length === 1
          ? 'one thing was written that cannot have been so: see its page'
          : `${s.doubts.length} things were written that cannot have been so: see its page`,
      tone: 'caution'
    });
  if (b.standing.stage === 'bottled' || b.standing.stage === 'gone') return out;
  for (const t of b.troubles)
    out.push({
      text: troubleText(t, now),
      tone: t.isGrave || t.id === 'not-begun' || t.id === 'foaming' ? 'danger' : 'caution'
    });
  const bottling = b.due.find((d) => d.step.id === 'bottle');
  // A clearing wine makes one think of bottles, due or not.
  const isDue = bottling !== undefined && bottling.status !== 'coming';
  if (isDue || b.standing.stage === 'clearing') {
    const check = checkBottling(s, 'still', 0, true, undefined, b.standing.belief);
    const which = s.fills.length > 1 && check ? ` the ${vesselName(check.vesselId)}` : '';
    if (check?.verdict.level === 'stop')
      out.push({
        text: check.reachable.needsReading
          ? `not safe to bottle${which}, up to ${check.verdict.bar20.toFixed(1)} bar: two readings three days apart first`
          : `not safe to bottle${which}: it could reach ${check.verdict.bar20.toFixed(1)} bar`,
        tone: isDue || b.standing.steady.steady ? 'danger' : 'caution'
      });
  }
  const mayFoam = (b.standing.belief?.chance.done ?? 0) < 0.5;
  for (const f of s.fills) {
    const v = vesselById(f.vesselId);
    const litres = liquid(f.stock)?.volumeL ?? 0;
    if (!v) continue;
    if (hasMuchAir(v, litres))
      out.push({
        text: `${volumeText(airOverL(v, litres), unit)} of air ${s.fills.length > 1 ? `in the ${v.name}` : 'over it'}: smaller glass, or top up`,
        tone: 'caution',
        isAir: true
      });
    if (
      v.shape === 'bucket' &&
      mayFoam &&
      s.fruitInAt !== null &&
      s.fruitOutAt === null &&
      (s.fills.length === 1 ? markL(s) : litres) > (1 - FOAM_ROOM.usual) * v.capacityL
    )
      out.push({
        text: `little room left for foam${s.fills.length > 1 ? ` in the ${v.name}` : ''}`,
        tone: 'caution'
      });
  }
  return out;
}
