/** Folders of the core, from what knows nothing to what knows the most: each may use only those before it. */
export const CORE_ORDER = [
  'units',
  'maths',
  'liquid',
  'tables',
  'plan',
  'ferment',
  'must',
  'vessels',
  'solve',
  'ledger',
  'belief',
  'finish',
  'label',
  'cellar',
  'instruments',
  'commands',
  'steps',
  'cautions',
  'report',
  'quickline'
];
