<script lang="ts">
  import { mustColour } from '$core/plan/colour';
  import { dayOf } from '$core/units/zone';
  import type { OpenBatch } from '$lib/store/household.svelte';
  import ChartCanvas from './ChartCanvas.svelte';

  /** The gravities of several wines, each from its own first day. A dash as well as a colour tells them apart. */
  let { wines }: { wines: OpenBatch[] } = $props();

  const DAY = 86_400_000;
  const DASHES = [[], [7, 4], [2, 4]];
  const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  const said = $derived(
    wines
      .map(
        (b) =>
          `${b.state.name}: ${b.state.readings.map((r) => `day ${dayOf(r.at, b.state.startedAt, b.state.zone)} ${r.sg.toFixed(3)}`).join(', ')}`
      )
      .join('; ')
  );

  function config(): import('chart.js').ChartConfiguration<'line', { x: number; y: number }[]> {
    const [ink, quiet, rule] = [
      css('--color-base-content'),
      css('--color-secondary'),
      css('--color-base-300')
    ];
    return {
      type: 'line',
      data: {
        datasets: wines.map((b, i) => ({
          label: b.state.name,
          data: b.state.readings.map((r) => ({ x: 1 + (r.at - b.state.startedAt) / DAY, y: r.sg })),
          borderColor: ink,
          borderDash: DASHES[i % DASHES.length]!,
          backgroundColor: mustColour(b.state.plan.ingredients).must,
          borderWidth: 2,
          pointRadius: 6,
          cubicInterpolationMode: 'monotone' as const
        }))
      },
      options: {
        responsive: true,
        maintainAspectRatio: false,
        animation: false,
        interaction: { mode: 'nearest', intersect: false },
        scales: {
          x: {
            type: 'linear',
            min: 1,
            grid: { display: false },
            border: { color: rule },
            title: { display: true, text: 'day', color: quiet },
            ticks: { color: quiet }
          },
          y: {
            grid: { color: rule },
            border: { display: false },
            ticks: { color: quiet, callback: (v) => Number(v).toFixed(3), stepSize: 0.02 }
          }
        },
        plugins: {
          legend: { display: false },
          tooltip: { callbacks: { label: (c) => `${c.dataset.label} ${Number(c.parsed.y).toFixed(3)}` } }
        }
      }
    };
  }
</script>

<ul class="mb-1 flex flex-wrap gap-x-6">
  {#each wines as b, i (b.id)}
    <li class="flex items-center gap-2 text-[0.9375rem]">
      <svg width="44" height="12" aria-hidden="true"
        ><line
          x1="0"
          x2="44"
          y1="6"
          y2="6"
          stroke="var(--color-base-content)"
          stroke-width="2"
          stroke-dasharray={DASHES[i % DASHES.length]!.join(' ')}
        /><circle
          cx="22"
          cy="6"
          r="5"
          fill={mustColour(b.state.plan.ingredients).must}
          stroke="var(--color-base-content)"
        /></svg
      >{b.state.name}
    </li>
  {/each}
</ul>
<ChartCanvas {config} {said} />
