import { family } from './define';

const FLOWERY = {
  forms: ['fresh', 'frozen', 'dried'] as ('fresh' | 'frozen' | 'dried')[],
  pectin: 'none' as const,
  tannin: 'low' as const,
  nitrogen: 'none' as const,
  bufferMmolKg: 4,
  sucroseShare: 0.3,
  acids: { malic: [0.05, 0.12, 0.25], citric: [0.03, 0.08, 0.18] } as const,
  ph: [5, 5.5, 6] as const,
  from: {
    composition: 'estimate',
    acids: 'estimate',
    ph: 'estimate',
    minerals: 'estimate',
    handling: 'practice'
  } as const
};

/** Blossoms and petals: they bring scent and almost nothing else. Dried weigh about half (common practice). */
export const flower = family(
  'flower',
  {
    halfGivenH: [6, 14, 30],
    steepDays: [1, 3, 5],
    amountKgL: [0.04, 0.065, 0.08],
    hoursPerKg: 3,
    cautions: ['foraged', 'sprayed']
  },
  {
    elderflower: {
      ...FLOWERY,
      name: 'Elderflower',
      latin: 'Sambucus nigra',
      solids: [3, 5, 8],
      sugars: [1, 2, 4],
      minerals: { k: 350, na: 2, ca: 60, mg: 40 },
      insolubles: [9, 12, 15],
      usable: [0.55, 0.65, 0.8],
      pieceG: 15,
      litreG: 60,
      amountKgL: [0.015, 0.025, 0.045],
      season: [5, 6, 7],
      cautions: ['foraged', 'elder', 'carrot-family', 'pollen'],
      colour: { must: '#e6dba0', fruit: '#d9cf9a' }
    },
    'linden-blossom': {
      ...FLOWERY,
      name: 'Linden blossom',
      latin: 'Tilia cordata',
      solids: [3, 5, 8],
      sugars: [1, 2, 4],
      minerals: { k: 350, na: 2, ca: 120, mg: 40 },
      insolubles: [12, 16, 20],
      usable: [0.8, 0.9, 1],
      litreG: 45,
      amountKgL: [0.02, 0.04, 0.06],
      season: [6, 7],
      cautions: ['foraged', 'pollen'],
      colour: { must: '#e9dca6', fruit: '#c8bd74' }
    },
    dandelion: {
      ...FLOWERY,
      name: 'Dandelion flower',
      latin: 'Taraxacum officinale',
      solids: [4, 6, 9],
      sugars: [1, 2.2, 4],
      minerals: { k: 350, na: 20, ca: 80, mg: 30 },
      insolubles: [7, 10, 13],
      usable: [0.45, 0.6, 0.75],
      pieceG: 2,
      litreG: 90,
      season: [4, 5],
      cautions: ['foraged', 'sprayed', 'medicines', 'pollen'],
      colour: { must: '#e8cf6a', fruit: '#d9b02a' }
    },
    'rose-petal': {
      ...FLOWERY,
      acids: { malic: [0.08, 0.18, 0.3], citric: [0.03, 0.1, 0.2] },
      ph: [4.4, 4.9, 5.4],
      name: 'Rose petal',
      latin: 'Rosa',
      solids: [5, 8, 11],
      sugars: [2, 3.5, 5.5],
      minerals: { k: 250, na: 4, ca: 50, mg: 25 },
      insolubles: [6, 9, 12],
      usable: [0.85, 0.95, 1],
      litreG: 40,
      season: [6, 7],
      cautions: ['sprayed'],
      colour: { must: '#e5b3b0', fruit: '#d0788a' }
    }
  }
);
