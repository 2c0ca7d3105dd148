import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  TimeScale,
  Tooltip,
  type ChartConfiguration
} from 'chart.js';
import 'chartjs-adapter-date-fns';
import annotation from 'chartjs-plugin-annotation';

Chart.defaults.font.family = "'Source Sans 3', system-ui, sans-serif";
Chart.defaults.font.size = 13;
Chart.register(
  Filler,
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  TimeScale,
  Tooltip,
  annotation
);

/** A line chart over time; loaded only where one is shown. */
export const makeChart = (
  canvas: HTMLCanvasElement,
  config: ChartConfiguration<'line', { x: number; y: number }[]>
): Chart => new Chart(canvas, config as ChartConfiguration) as Chart;
