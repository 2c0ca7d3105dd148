import { family } from './define';

/** Apples and their kin, cored or pressed. */
export const pome = family(
  'pome',
  { forms: ['fresh', 'frozen', 'juice'], cautions: ['kernels'], litreG: 550, halfGivenH: [16, 36, 72] },
  {
    apple: {
      name: 'Apple',
      latin: 'Malus domestica',
      solids: [11, 13, 15],
      sugars: [8.5, 10.6, 12.5],
      sucroseShare: 0.2,
      acids: { malic: [0.3, 0.6, 0.95], citric: [0, 0.01, 0.03] },
      ph: [3.3, 3.5, 3.9],
      minerals: { k: 107, na: 1, ca: 6, mg: 5 },
      insolubles: [1.2, 1.6, 2.1],
      usable: [0.85, 0.9, 0.94],
      pieceG: 150,
      pectin: 'high',
      tannin: 'low',
      nitrogen: 'low',
      amountKgL: [0.4, 0.8, 1.5],
      season: [8, 9, 10, 11],
      colour: { must: '#dcb765', fruit: '#b9943f' }
    },
    pear: {
      name: 'Pear',
      latin: 'Pyrus communis',
      solids: [11.5, 13.5, 15.5],
      sugars: [8, 9.8, 11.5],
      sucroseShare: 0.08,
      acids: { malic: [0.1, 0.2, 0.4], citric: [0.02, 0.08, 0.2] },
      ph: [3.6, 3.9, 4.4],
      minerals: { k: 116, na: 1, ca: 9, mg: 7 },
      insolubles: [1.8, 2.3, 3],
      usable: [0.85, 0.9, 0.93],
      pieceG: 160,
      pectin: 'medium',
      tannin: 'low',
      nitrogen: 'low',
      amountKgL: [0.4, 0.8, 1.5],
      season: [8, 9, 10],
      colour: { must: '#dccb88', fruit: '#b3a64f' }
    },
    quince: {
      name: 'Quince',
      latin: 'Cydonia oblonga',
      solids: [11, 13, 15],
      sugars: [6, 7.6, 9.5],
      sucroseShare: 0.1,
      acids: { malic: [0.6, 0.95, 1.3], citric: [0.01, 0.03, 0.08] },
      ph: [3.1, 3.3, 3.6],
      minerals: { k: 197, na: 4, ca: 11, mg: 8 },
      insolubles: [2, 3, 4],
      usable: [0.7, 0.78, 0.85],
      pieceG: 220,
      pectin: 'high',
      tannin: 'high',
      nitrogen: 'low',
      hoursPerKg: 0.4,
      amountKgL: [0.25, 0.4, 0.6],
      season: [10, 11],
      from: { composition: 'usda', acids: 'sfk', ph: 'handbook', minerals: 'usda', handling: 'practice' },
      colour: { must: '#dfb44a', fruit: '#c29a2b' }
    }
  }
);
