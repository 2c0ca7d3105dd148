import { family } from './define';

/** Tree saps: sweet water. */
export const sap = family(
  'sap',
  {
    forms: ['fresh', 'frozen', 'juice'],
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
    }
  }
);
