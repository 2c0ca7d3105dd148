<script lang="ts">
  import type { Chart, ChartConfiguration } from 'chart.js';
  import { onMount } from 'svelte';
  import { household } from '$lib/store/household.svelte';

  /** A chart, loaded where it is shown and drawn anew with what it shows; `said` is what it says in words. */
  type Props = {
    config: () => ChartConfiguration<'line', { x: number; y: number }[]>;
    said: string;
  };
  let { config, said }: Props = $props();

  let canvas = $state<HTMLCanvasElement>();
  let failed = $state(false);

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
