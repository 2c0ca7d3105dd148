import type { Produce } from './produce';

type SourceId = Produce['from']['composition'];

/** What each provenance key of the produce table means. None was at hand while the table was written. */
export const SOURCES: Record<SourceId, string> = {
  usda: 'USDA FoodData Central, SR Legacy, raw edible portion (from memory)',
  sfk: 'Souci, Fachmann & Kraut, Food Composition and Nutrition Tables (from memory)',
  fda: 'FDA, Approximate pH of Foods and Food Products (from memory)',
  handbook: 'Handbooks of fruit juice and fruit acids (from memory)',
  practice: 'Common practice among country winemakers',
  estimate: 'Our estimate from related produce; treat as a guess',
  own: 'Your own figures',
  garden: 'What your own batches showed'
};
