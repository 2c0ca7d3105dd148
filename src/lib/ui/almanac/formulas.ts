/** Where the formulas of the core come from, as their docstrings say. */
export const FORMULAS: { what: string; source: string }[] = [
  {
    what: 'Sugar and gravity',
    source:
      'ASBC polynomial up to 30 %, NBS Circular 440 above (from memory); checked against NBS and ICUMSA tables.'
  },
  { what: 'Hydrometer correction', source: 'ratio of water densities, Kell 1975 (from memory).' },
  { what: 'Alcohol and density', source: 'OIML R 22 (1975), general formula at 20 °C (from memory).' },
  {
    what: 'Wine with alcohol and sugar',
    source: 'Tabarié’s relation, as in OIV and AOAC methods (from memory).'
  },
  {
    what: 'Alcohol from sugar',
    source:
      '0.46 g a gram of hexose, 0.445–0.475; between chaptalising practice and the European Union’s 16.83 g/L a per cent (from memory).'
  },
  {
    what: 'Acid and pH',
    source:
      'charge balance with constants of the CRC Handbook at 25 °C (from memory); titration to pH 8.2 as OIV-MA-AS313-01 and AOAC 962.12.'
  },
  {
    what: 'Nitrogen',
    source:
      '0.75, 0.9 and 1.25 mg a gram of sugar by appetite, common practice; DAP ceiling of US 27 CFR 24.246 (from memory).'
  },
  {
    what: 'Carbonation and pressure',
    source: 'solubility of carbon dioxide in wine, handbook table (from memory).'
  },
  {
    what: 'Doses and spoons',
    source: 'common practice among country winemakers; kitchen and supplier tables (from memory).'
  },
  { what: 'Cooling', source: 'Newton’s law; its time constant is fitted to common practice.' },
  {
    what: 'Why a reading is odd',
    source: 'Bayes’ rule over nine causes; their frequency is ours, tested on named cases.'
  }
];
