import { family } from './define';

/** Tropical fruit, peeled. */
export const tropical = family(
  'tropical',
  { forms: ['fresh', 'frozen', 'juice'], halfGivenH: [8, 18, 36] },
  {
    banana: {
      name: 'Banana',
      latin: 'Musa × paradisiaca',
      solids: [17, 20, 23],
      sugars: [11, 14, 18],
      sucroseShare: 0.4,
      acids: { malic: [0.25, 0.35, 0.5], citric: [0.2, 0.32, 0.4] },
      ph: [4.5, 4.8, 5.2],
      bufferMmolKg: 4,
      minerals: { k: 358, na: 1, ca: 5, mg: 27 },
      insolubles: [1.5, 3, 6],
      usable: [0.6, 0.65, 0.7],
      pieceG: 180,
      forms: ['fresh', 'frozen'],
      pectin: 'medium',
      tannin: 'low',
      nitrogen: 'medium',
      season: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
      colour: { must: '#e3cf95', fruit: '#c9ad5c' }
    },
    mango: {
      name: 'Mango',
      plural: 'Mangoes',
      latin: 'Mangifera indica',
      solids: [13, 15.5, 18],
      sugars: [11, 13.4, 15.5],
      sucroseShare: 0.55,
      acids: { citric: [0.15, 0.3, 0.6], malic: [0.05, 0.1, 0.2] },
      ph: [3.8, 4.3, 4.8],
      minerals: { k: 168, na: 1, ca: 11, mg: 10 },
      insolubles: [0.8, 1.2, 1.8],
      usable: [0.62, 0.68, 0.74],
      pieceG: 300,
      pectin: 'medium',
      tannin: 'low',
      nitrogen: 'low',
      season: [5, 6, 7],
      from: { composition: 'usda', acids: 'sfk', ph: 'handbook', minerals: 'usda', handling: 'practice' },
      colour: { must: '#eab04a', fruit: '#db8f1f' }
    },
    pineapple: {
      name: 'Pineapple',
      latin: 'Ananas comosus',
      solids: [11, 13, 15],
      sugars: [8, 10, 12],
      sucroseShare: 0.6,
      acids: { citric: [0.5, 0.7, 1.0], malic: [0.1, 0.2, 0.3] },
      ph: [3.2, 3.5, 4.0],
      minerals: { k: 109, na: 1, ca: 13, mg: 12 },
      insolubles: [0.8, 1.2, 1.6],
      usable: [0.48, 0.54, 0.6],
      pieceG: 1500,
      pectin: 'low',
      tannin: 'none',
      nitrogen: 'medium',
      season: [3, 4, 5, 6, 7],
      colour: { must: '#ecd07a', fruit: '#d9b040' }
    }
  }
);
