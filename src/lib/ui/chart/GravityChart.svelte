<script lang="ts">
  import type { Chart } from 'chart.js';
  import { onMount } from 'svelte';
  import type { BatchState } from '$core/ledger/fold';
  import type { Standing } from '$core/ledger/standing';
  import { household } from '$lib/store/household.svelte';

  let { state: s, standing }: { state: BatchState; standing: Standing } = $props();

  let canvas = $state<HTMLCanvasElement>();
  let failed = $state(false);

  const DAY = 86_400_000;
  const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  const said = $derived(
    `Gravity over time: ${s.readings.length} readings, ${s.readings.map((r) => r.sg.toFixed(3)).join(', ')}` +
      (standing.expectedSg
        ? `; expected to finish at ${standing.expectedSg.low.toFixed(3)} to ${standing.expectedSg.high.toFixed(3)}`
        : '')
  );

  /** Everything the chart shows, from the state and the colours of the theme. */
  function config(): import('chart.js').ChartConfiguration<'line', { x: number; y: number }[]> {
    const ink = css('--color-base-content');
    const quiet = css('--color-secondary');
    const green = css('--color-accent');
    const rule = css('--color-base-300');
    const points = s.readings.map((r) => ({ x: r.at, y: r.sg }));
    const start = s.startSg && !s.startSg.measured ? [{ x: s.startedAt, y: s.startSg.sg }] : [];
    const end = standing.expectedSg;
    const now = household.now;
    const from = s.startedAt;
    const to = Math.max(now + 4 * DAY, from + 14 * DAY);
    const sgs = [...points, ...start].map((p) => p.y);
    const top = Math.ceil((Math.max(1.02, ...sgs) + 0.003) * 50) / 50;
    const bottom = Math.floor((Math.min(0.99, end?.low ?? 1, ...sgs) + 0.002) * 50) / 50;
    return {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'Gravity',
            data: points,
            borderColor: ink,
            backgroundColor: ink,
            borderWidth: 2,
            pointRadius: 5,
            pointHoverRadius: 7,
            cubicInterpolationMode: 'monotone'
          },
          {
            label: 'By the sums',
            data: start,
            borderColor: green,
            backgroundColor: css('--color-base-100'),
            borderWidth: 2,
            pointRadius: 5
          }
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
          tooltip: { callbacks: { label: (c) => `${c.dataset.label} ${Number(c.parsed.y).toFixed(3)}` } },
          annotation: {
            annotations: {
              ...(end && standing.stage !== 'bottled'
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
                        position: { x: 'center' as const, y: 'end' as const },
                        yAdjust: -22,
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

  onMount(() => {
    let chart: Chart | undefined;
    let stopped = false;
    void (async () => {
      try {
        const [{ makeChart }] = await Promise.all([
          import('./make-chart'),
          document.fonts.load("13px 'Source Sans 3'")
        ]);
        if (!stopped && canvas) chart = makeChart(canvas, config());
      } catch {
        failed = true;
      }
    })();
    const stop = $effect.root(() => {
      $effect(() => {
        const next = config();
        void household.settings.theme;
        if (!chart) return;
        chart.data = next.data;
        chart.options = next.options!;
        chart.update('none');
      });
    });
    return () => {
      stopped = true;
      stop();
      chart?.destroy();
    };
  });
</script>

{#if failed}
  <p class="small">The chart could not be loaded. The readings are in the history below.</p>
{:else}
  <div class="h-[17rem]" role="img" aria-label={said}>
    <canvas bind:this={canvas} aria-hidden="true"></canvas>
  </div>
{/if}
