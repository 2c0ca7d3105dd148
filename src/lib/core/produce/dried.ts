import { family } from './define';

/** Dried fruit. */
export const dried = family(
  'dried',
  { forms: ['dried'], halfGivenH: [16, 30, 60], usable: [1, 1, 1], litreG: 600, cautions: ['preserved'] },
  {
    raisin: {
      name: 'Raisin',
      latin: 'Vitis vinifera',
      solids: [74, 77.5, 81],
      sugars: [60, 66, 70],
      sucroseShare: 0.01,
      acids: { tartaric: [1.2, 1.8, 2.5], malic: [0.4, 0.7, 1] },
      ph: [3.8, 3.95, 4.1],
      minerals: { k: 749, na: 11, ca: 50, mg: 32 },
      insolubles: [2.8, 3.7, 5],
      pectin: 'low',
      tannin: 'medium',
      nitrogen: 'medium',
      amountKgL: [0.02, 0.05, 0.1],
      season: [],
      cautions: ['preserved', 'dogs'],
      colour: { must: '#a9713f', fruit: '#5b3a24' }
    },
    'dried-apricot': {
      name: 'Dried apricot',
      latin: 'Prunus armeniaca',
      solids: [55, 61, 66],
      sugars: [46, 53, 58],
      sucroseShare: 0.15,
      acids: { malic: [2.2, 3.2, 4.2], citric: [0.5, 1.2, 2] },
      ph: [3.6, 3.9, 4.2],
      minerals: { k: 1162, na: 10, ca: 55, mg: 32 },
      insolubles: [5, 6.5, 8],
      pieceG: 8,
      pectin: 'high',
      tannin: 'low',
      nitrogen: 'medium',
      amountKgL: [0.06, 0.1, 0.18],
      season: [],
      from: {
        composition: 'usda',
        acids: 'estimate',
        ph: 'handbook',
        minerals: 'usda',
        handling: 'practice'
      },
      colour: { must: '#c98a3c', fruit: '#a95f1c' }
    },
    date: {
      name: 'Date',
      latin: 'Phoenix dactylifera',
      solids: [66, 71, 76],
      sugars: [58, 64, 70],
      sucroseShare: 0.1,
      acids: { malic: [0.2, 0.4, 0.7], citric: [0.02, 0.06, 0.15] },
      ph: [5.0, 5.5, 6.0],
      bufferMmolKg: 6,
      minerals: { k: 696, na: 1, ca: 64, mg: 54 },
      insolubles: [5, 6.7, 9],
      usable: [0.88, 0.9, 0.93],
      pieceG: 8,
      pectin: 'medium',
      tannin: 'medium',
      nitrogen: 'low',
      amountKgL: [0.05, 0.1, 0.2],
      season: [],
      cautions: ['preserved', 'low-acid'],
      from: {
        composition: 'usda',
        acids: 'estimate',
        ph: 'estimate',
        minerals: 'usda',
        handling: 'practice'
      },
      colour: { must: '#8d5a33', fruit: '#553016' }
    }
  }
);
