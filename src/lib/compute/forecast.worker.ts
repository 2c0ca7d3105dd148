import { expose } from 'comlink';
import { forecastOf, forecastPlan, type Forecast, type Foreseen, type WhatIf } from '$core/belief/forecast';
import type { Plan } from '$core/plan/plan';

/** Forecasts on a thread of their own, so that the page goes on answering. */
const api = {
  ofBatch: (s: Foreseen, days: number, what: WhatIf, size: number): Forecast | null =>
    forecastOf(s, days, what, size),
  ofPlan: (plan: Plan, at: number, days: number, what: WhatIf, size: number): Forecast | null =>
    forecastPlan(plan, at, days, what, size)
};
export type ForecastApi = typeof api;

expose(api);
