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
    }
  }
);
