import { family } from './define';

/** Citrus, flesh without peel and pith. */
export const citrus = family(
  'citrus',
  {
    forms: ['fresh', 'frozen', 'juice'],
    halfGivenH: [4, 10, 24],
    pectin: 'high',
    tannin: 'none',
    nitrogen: 'medium'
  },
  {
    orange: {
      name: 'Orange',
      latin: 'Citrus × sinensis',
      solids: [10, 11.8, 13.5],
      sugars: [7.5, 9.2, 11],
      sucroseShare: 0.48,
      acids: { citric: [0.5, 0.8, 1.2], malic: [0.05, 0.12, 0.2] },
      ph: [3.4, 3.8, 4.2],
      minerals: { k: 181, na: 0, ca: 40, mg: 10 },
      insolubles: [0.6, 0.9, 1.4],
      usable: [0.65, 0.72, 0.78],
      pieceG: 180,
      pectin: 'high',
      tannin: 'none',
      nitrogen: 'medium',
      season: [11, 12, 1, 2, 3],
      colour: { must: '#eab251', fruit: '#dd8a1e' }
    },
    lemon: {
      name: 'Lemon',
      latin: 'Citrus × limon',
      solids: [7.5, 8.7, 10],
      sugars: [1.8, 2.5, 3.2],
      sucroseShare: 0.2,
      acids: { citric: [4.5, 5.5, 6.5], malic: [0.1, 0.25, 0.4] },
      ph: [2.2, 2.4, 2.6],
      minerals: { k: 138, na: 2, ca: 26, mg: 8 },
      insolubles: [0.5, 0.9, 1.6],
      usable: [0.4, 0.48, 0.58],
      pieceG: 110,
      pectin: 'high',
      tannin: 'none',
      nitrogen: 'low',
      amountKgL: [0.01, 0.02, 0.05],
      season: [11, 12, 1, 2, 3, 4],
      colour: { must: '#ead67c', fruit: '#d8b930' }
    },
    grapefruit: {
      name: 'Grapefruit',
      latin: 'Citrus × paradisi',
      solids: [8.5, 10, 11.5],
      sugars: [6, 7, 8.5],
      sucroseShare: 0.4,
      acids: { citric: [0.9, 1.3, 1.7], malic: [0.03, 0.06, 0.1] },
      ph: [3.0, 3.3, 3.75],
      minerals: { k: 135, na: 0, ca: 22, mg: 9 },
      insolubles: [0.6, 1, 1.5],
      usable: [0.5, 0.55, 0.62],
      pieceG: 300,
      pectin: 'high',
      tannin: 'none',
      nitrogen: 'medium',
      season: [11, 12, 1, 2, 3],
      cautions: ['medicines'],
      colour: { must: '#ebc58a', fruit: '#dd9a5c' }
    }
  }
);
