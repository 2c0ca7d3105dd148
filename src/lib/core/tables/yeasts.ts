/** Temperature under which each yeast hardly works, °C. Common practice. */
export const COLD_C = { champagne: 10, wine: 14, 'red-fruit': 16, ale: 15, wild: 14 } as const;

/** Yeasts by type. `toleranceAbv` low–usual–high, % by volume; appetite for nitrogen. Common practice. */
export const YEASTS = {
  champagne: {
    name: 'Champagne type',
    toleranceAbv: [16, 18, 19],
    lagH: 18,
    appetite: 'low',
    note: 'Neutral, strong, restarts stuck wines.'
  },
  wine: {
    name: 'General wine type',
    toleranceAbv: [13, 14, 15.5],
    lagH: 24,
    appetite: 'medium',
    note: 'For most fruit and flowers.'
  },
  'red-fruit': {
    name: 'Red-fruit type',
    toleranceAbv: [14, 15.5, 17],
    lagH: 24,
    appetite: 'high',
    note: 'Holds colour and fruit.'
  },
  ale: {
    name: 'Ale type',
    toleranceAbv: [8, 9.5, 11],
    lagH: 16,
    appetite: 'medium',
    note: 'Light, fruity; leaves sweetness.'
  },
  wild: {
    name: 'Wild',
    toleranceAbv: [4, 10, 14],
    lagH: 72,
    appetite: 'medium',
    note: 'What came on the fruit: anything may happen.'
  }
} as const;

export type YeastId = keyof typeof YEASTS;
