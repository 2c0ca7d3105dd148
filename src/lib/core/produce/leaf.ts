import { family } from './define';

/** Leaves and herbs: flavour and little else. */
export const leaf = family(
  'leaf',
  {
    forms: ['fresh', 'dried'],
    bufferMmolKg: 8,
    halfGivenH: [4, 10, 24],
    steepDays: [1, 3, 5],
    amountKgL: [0.06, 0.1, 0.15],
    hoursPerKg: 1,
    from: { composition: 'usda', acids: 'estimate', ph: 'estimate', minerals: 'usda', handling: 'practice' }
  },
  {
    nettle: {
      name: 'Nettle tip',
      latin: 'Urtica dioica',
      solids: [2.5, 4, 6],
      sugars: [0.2, 0.4, 0.8],
      sucroseShare: 0.2,
      acids: { malic: [0.05, 0.15, 0.3], citric: [0.02, 0.06, 0.15], oxalic: [0.02, 0.05, 0.1] },
      ph: [5.6, 6, 6.5],
      minerals: { k: 334, na: 4, ca: 481, mg: 57 },
      insolubles: [6, 8, 10],
      usable: [0.8, 0.9, 1],
      litreG: 80,
      pectin: 'none',
      tannin: 'low',
      nitrogen: 'high',
      season: [3, 4, 5],
      cautions: ['foraged', 'low-acid', 'medicines'],
      colour: { must: '#c4c07c', fruit: '#7f8f3f' }
    },
    mint: {
      name: 'Mint leaf',
      plural: 'Mint leaves',
      latin: 'Mentha spicata',
      solids: [4, 6, 8],
      sugars: [0.3, 0.6, 1],
      sucroseShare: 0.2,
      acids: { malic: [0.1, 0.2, 0.35], citric: [0.05, 0.12, 0.25] },
      ph: [5.6, 6, 6.4],
      minerals: { k: 458, na: 30, ca: 199, mg: 63 },
      insolubles: [6, 7.5, 9],
      usable: [0.5, 0.65, 0.8],
      litreG: 70,
      pectin: 'none',
      tannin: 'low',
      nitrogen: 'medium',
      amountKgL: [0.02, 0.04, 0.07],
      season: [5, 6, 7, 8],
      cautions: ['low-acid'],
      colour: { must: '#c9cc97', fruit: '#72914d' }
    }
  }
);
