import { family } from './define';

/** Tree saps: sweet water. */
export const sap = family(
  'sap',
  {
    forms: ['fresh', 'frozen', 'juice', 'concentrate'],
    halfGivenH: [0, 0, 0],
    steepDays: [0, 0, 0],
    cautions: ['low-acid', 'foraged']
  },
  {
    'birch-sap': {
      name: 'Birch sap',
      latin: 'Betula pendula',
      solids: [0.6, 1, 1.6],
      sugars: [0.5, 0.85, 1.4],
      sucroseShare: 0.03,
      acids: { malic: [0.02, 0.04, 0.07] },
      ph: [5.4, 6.2, 7],
      bufferMmolKg: 2,
      minerals: { k: 12, na: 1, ca: 6, mg: 1.5 },
      insolubles: [0, 0, 0],
      usable: [1, 1, 1],
      litreG: 1002,
      pectin: 'none',
      tannin: 'none',
      nitrogen: 'none',
      amountKgL: [0.6, 0.85, 1],
      hoursPerKg: 0.05,
      season: [3, 4],
      from: {
        composition: 'handbook',
        acids: 'handbook',
        ph: 'handbook',
        minerals: 'estimate',
        handling: 'practice'
      },
      colour: { must: '#eee6c8', fruit: '#eee6c8' }
    },
    'maple-sap': {
      name: 'Maple sap',
      latin: 'Acer saccharum',
      solids: [1.4, 2.2, 3],
      sugars: [1.3, 2.1, 2.9],
      sucroseShare: 0.97,
      acids: { malic: [0.01, 0.03, 0.05] },
      ph: [6.0, 6.7, 7.3],
      minerals: { k: 10, na: 1, ca: 6, mg: 1 },
      insolubles: [0, 0, 0],
      season: [2, 3, 4],
      colour: { must: '#f0e8cf', fruit: '#f0e8cf' },
      pectin: 'none',
      tannin: 'none',
      nitrogen: 'none',
      usable: [1, 1, 1],
      litreG: 1008,
      amountKgL: [0.6, 0.85, 1],
      hoursPerKg: 0.05,
      bufferMmolKg: 1,
      from: { composition: 'usda', acids: 'handbook', ph: 'handbook', minerals: 'usda', handling: 'practice' }
    },
    'walnut-sap': {
      name: 'Walnut sap',
      latin: 'Juglans regia',
      solids: [1, 1.8, 2.6],
      sugars: [0.8, 1.5, 2.3],
      sucroseShare: 0.9,
      acids: { malic: [0.01, 0.03, 0.06] },
      ph: [5.4, 6.2, 7.0],
      minerals: { k: 15, na: 1, ca: 8, mg: 2 },
      insolubles: [0, 0, 0],
      season: [2, 3, 4],
      colour: { must: '#eee6c8', fruit: '#eee6c8' },
      pectin: 'none',
      tannin: 'none',
      nitrogen: 'none',
      usable: [1, 1, 1],
      litreG: 1006,
      amountKgL: [0.6, 0.85, 1],
      hoursPerKg: 0.05,
      bufferMmolKg: 1,
      from: {
        composition: 'estimate',
        acids: 'estimate',
        ph: 'estimate',
        minerals: 'estimate',
        handling: 'practice'
      }
    }
  }
);
