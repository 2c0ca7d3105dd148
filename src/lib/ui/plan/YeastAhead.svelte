<script lang="ts">
  import type { Plan } from '$core/plan/plan';
  import { YEASTS, type YeastId } from '$core/tables/yeasts';
  import { foreseen } from '../chart/foreseen.svelte';

  /** One row: how a plan would go with one kind of yeast. */
  type Props = { plan: Plan; at: number; yeastId: YeastId; isChosen: boolean; days: number };
  let { plan, at, yeastId, isChosen, days }: Props = $props();

  const made = foreseen(() => ({
    asked: {
      plan: {
        ...plan,
        yeast: isChosen && plan.yeast ? plan.yeast : { yeastId },
        ...(yeastId === 'wild' ? { wildYeast: 'none' as const, pitch: 'natural' as const } : {})
      },
      at
    },
    days,
    what: {},
    isQuick: true
  }));
  const span = (e: { low: number; high: number }, chance: number) =>
    chance < 0.5 ? `over ${days} d` : `${Math.round(e.low)} – ${Math.round(e.high)} d`;
</script>

<tr class="dashline {isChosen ? 'font-semibold' : ''}">
  <td class="py-1">{YEASTS[yeastId].name.replace(' type', '')}</td>
  {#if made.answer}
    {@const f = made.answer}
    <td class="number">{span(f.quiet.inDays, f.quiet.chance)}</td>
    <td class="number">{span(f.dry.inDays, f.dry.chance)}</td>
    <td class="number text-right">{f.days.at(-1)!.abv.likely.toFixed(1)} %</td>
  {:else}<td colspan="3" class="small">…</td>{/if}
</tr>
