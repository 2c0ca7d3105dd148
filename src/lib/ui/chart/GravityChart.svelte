<script lang="ts">
  import type { BatchState } from '$core/ledger/state';
  import type { Standing } from '$core/belief/standing';
  import type { Forecast } from '$core/belief/forecast';
  import { household } from '$lib/store/household.svelte';
  import { fanOf, likelyOf, spanOf } from './fan';
  import { linesOf } from './lines';
  import ChartCanvas from './ChartCanvas.svelte';

  type Props = {
    state: BatchState;
    standing: Standing;
    /** what is to come; null where nothing is */
    forecast: Forecast | null;
    /** what would come if nothing of what is asked were done; null where nothing is asked */
    usual: Forecast | null;
  };
  let { state: s, standing, forecast, usual }: Props = $props();

  const DAY = 86_400_000;
  const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  const said = $derived(
    `Gravity over time: ${s.readings.length} readings, ${s.readings.map((r) => r.sg.toFixed(3)).join(', ')}` +
      (standing.expectedSg
        ? `; expected to finish at ${standing.expectedSg.low.toFixed(3)} to ${standing.expectedSg.high.toFixed(3)}`
        : '') +
      (forecast
        ? `; in ${spanOf(forecast)} days likely ${forecast.days[spanOf(forecast)]!.sg.likely.toFixed(3)}, between ${forecast.days[spanOf(forecast)]!.sg.low.toFixed(3)} and ${forecast.days[spanOf(forecast)]!.sg.high.toFixed(3)}`
        : '')
  );

  /** Everything the chart shows, from the state and the colours of the theme. */
  function config(): import('chart.js').ChartConfiguration<'line', { x: number; y: number }[]> {
    const ink = css('--color-base-content');
    const quiet = css('--color-secondary');
    const green = css('--color-accent');
    const rule = css('--color-base-300');
    const lines = linesOf(s);
    const start = s.startSg && !s.startSg.measured ? [{ x: s.startedAt, y: s.startSg.sg }] : [];
    const end = standing.expectedSg;
    const now = household.now;
    const from = s.startedAt;
    const span = forecast ? spanOf(forecast) : 4;
    const to = Math.max(now + span * DAY, from + 14 * DAY);
    const fan = forecast ? fanOf(forecast, s.at, span, green) : [];
    const without = usual ? [likelyOf(usual, s.at, span, quiet)] : [];
    const sgs = [...lines.flat(), ...start, ...[...fan, ...without].flatMap((f) => f.data)].map((p) => p.y);
    const top = Math.ceil((Math.max(1.02, ...sgs) + 0.003) * 50) / 50;
    const bottom = Math.floor((Math.min(0.99, end?.low ?? 1, ...sgs) + 0.002) * 50) / 50;
    return {
      type: 'line',
      data: {
        datasets: [
          ...(lines.length > 0 ? lines : [[]]).map((data) => ({
            label: 'Gravity',
            data,
            borderColor: ink,
            backgroundColor: ink,
            borderWidth: 2,
            pointRadius: 5,
            pointHoverRadius: 7,
            cubicInterpolationMode: 'monotone' as const
          })),
          {
            label: 'By the sums',
            data: start,
            borderColor: green,
            backgroundColor: css('--color-base-100'),
            borderWidth: 2,
            pointRadius: 5
          },
          ...fan,
          ...without
        ]
      },
      options: {
        responsive: true,
        maintainAspectRatio: false,
        animation: false,
        interaction: { mode: 'nearest', intersect: false },
        scales: {
          x: {
            type: 'time',
            min: from,
            max: to,
            time: { minUnit: 'day', displayFormats: { day: 'd MMM', week: 'd MMM', month: 'MMM' } },
            grid: { display: false },
            border: { color: rule },
            ticks: { color: quiet, maxTicksLimit: 7, maxRotation: 0 }
          },
          y: {
            min: bottom,
            max: top,
            grid: { color: rule },
            border: { display: false },
            ticks: { color: quiet, callback: (v) => Number(v).toFixed(3), stepSize: 0.02 }
          }
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            // The edges of the fan are no readings.
            filter: (c) => c.dataset.pointRadius !== 0,
            callbacks: { label: (c) => `${c.dataset.label} ${Number(c.parsed.y).toFixed(3)}` }
          },
          annotation: {
            annotations: {
              ...(end && standing.stage !== 'bottled' && !forecast
                ? {
                    finish: {
                      type: 'box' as const,
                      yMin: end.low,
                      yMax: end.high,
                      backgroundColor: `color-mix(in oklab, ${green} 22%, transparent)`,
                      borderWidth: 0,
                      label: {
                        display: true,
                        content: `expected finish ${end.low.toFixed(3)} – ${end.high.toFixed(3)}`,
                        // Where no reading is yet: at the left under the band, or over it.
                        position: { x: 'start' as const, y: 'end' as const },
                        yAdjust: end.low - bottom > 0.012 ? 20 : -22,
                        color: ink,
                        font: { size: 13, weight: 'normal' as const }
                      }
                    }
                  }
                : {}),
              today: {
                type: 'line' as const,
                xMin: now,
                xMax: now,
                borderColor: ink,
                borderWidth: 1.5
              }
            }
          }
        }
      }
    };
  }
</script>

<ChartCanvas {config} {said} />
