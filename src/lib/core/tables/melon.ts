import { family } from './define';

/** Melons, flesh only. */
export const melon = family(
  'melon',
  { forms: ['fresh', 'frozen', 'juice'], halfGivenH: [4, 10, 20], cautions: ['low-acid'] },
  {
    watermelon: {
      name: 'Watermelon',
      latin: 'Citrullus lanatus',
      solids: [6.5, 8, 10],
      sugars: [5, 6.3, 8],
      sucroseShare: 0.2,
      acids: { malic: [0.1, 0.2, 0.3], citric: [0.01, 0.03, 0.06] },
      ph: [5.2, 5.4, 5.6],
      bufferMmolKg: 4,
      minerals: { k: 112, na: 1, ca: 7, mg: 10 },
      insolubles: [0.25, 0.4, 0.7],
      usable: [0.5, 0.57, 0.65],
      pectin: 'low',
      tannin: 'none',
      nitrogen: 'low',
      amountKgL: [0.6, 0.9, 1.3],
      season: [7, 8, 9],
      colour: { must: '#e59a90', fruit: '#d4564f' }
    },
    cantaloupe: {
      name: 'Cantaloupe',
      latin: 'Cucumis melo',
      solids: [8, 9.5, 11.5],
      sugars: [6.2, 7.9, 9.5],
      sucroseShare: 0.55,
      acids: { citric: [0.05, 0.12, 0.2], malic: [0.02, 0.06, 0.1] },
      ph: [6.1, 6.3, 6.6],
      minerals: { k: 267, na: 16, ca: 9, mg: 12 },
      insolubles: [0.5, 0.7, 1],
      season: [7, 8, 9],
      colour: { must: '#ecbb80', fruit: '#dd9450' },
      pectin: 'low',
      tannin: 'none',
      nitrogen: 'low',
      usable: [0.45, 0.51, 0.58],
      amountKgL: [0.6, 0.9, 1.3],
      bufferMmolKg: 5
    },
    honeydew: {
      name: 'Honeydew',
      latin: 'Cucumis melo',
      solids: [8, 9.8, 12],
      sugars: [6.5, 8.1, 10],
      sucroseShare: 0.45,
      acids: { citric: [0.04, 0.1, 0.18], malic: [0.02, 0.05, 0.1] },
      ph: [6.0, 6.3, 6.7],
      minerals: { k: 228, na: 18, ca: 6, mg: 10 },
      insolubles: [0.4, 0.6, 0.9],
      season: [7, 8, 9],
      colour: { must: '#dfdfa0', fruit: '#b9c47c' },
      pectin: 'low',
      tannin: 'none',
      nitrogen: 'low',
      usable: [0.42, 0.48, 0.55],
      amountKgL: [0.6, 0.9, 1.3],
      bufferMmolKg: 5
    }
  }
);
