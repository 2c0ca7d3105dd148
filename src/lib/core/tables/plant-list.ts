/**
 * Plants that are no food in any part a winemaker would take, by their common names, each with its kin, and by Latin
 * genus or species. A name is matched as a run of whole words, singular or plural.
 * @source poison-centre and botanic-garden lists of harmful plants (from memory)
 */
export const POISONS: Readonly<Record<string, { also?: readonly string[]; latin: readonly string[] }>> = {
  foxglove: { also: ['fairy thimble', 'dead mans bell'], latin: ['digitalis'] },
  'lily of the valley': { also: ['may lily', 'lily of valley'], latin: ['convallaria'] },
  oleander: { also: ['rose laurel', 'rose bay laurel'], latin: ['nerium'] },
  'yellow oleander': { latin: ['thevetia', 'cascabela'] },
  yew: { also: ['yewtree'], latin: ['taxus'] },
  daffodil: { also: ['narcissus', 'jonquil', 'lent lily'], latin: ['narcissus'] },
  laburnum: { also: ['golden chain', 'golden rain'], latin: ['laburnum'] },
  monkshood: { also: ['wolfsbane', 'wolfs bane', 'aconite', 'monks hood'], latin: ['aconitum'] },
  'winter aconite': { latin: ['eranthis'] },
  hemlock: { also: ['poison parsley', 'poison hemlock'], latin: ['conium'] },
  'water hemlock': { also: ['cowbane', 'beaver poison'], latin: ['cicuta'] },
  'water dropwort': { also: ['dead mans finger', 'dropwort'], latin: ['oenanthe'] },
  'fools parsley': { latin: ['aethusa'] },
  'giant hogweed': { also: ['hogweed', 'cartwheel flower'], latin: ['heracleum'] },
  nightshade: {
    also: ['deadly nightshade', 'belladonna', 'woody nightshade', 'black nightshade', 'bittersweet', 'dwale'],
    latin: ['atropa', 'solanum nigrum', 'solanum dulcamara']
  },
  'jerusalem cherry': { also: ['christmas cherry', 'winter cherry'], latin: ['solanum pseudocapsicum'] },
  mandrake: { latin: ['mandragora'] },
  henbane: { latin: ['hyoscyamus'] },
  'thorn apple': {
    also: ['thornapple', 'jimsonweed', 'jimson weed', 'devils trumpet', 'moonflower', 'stramonium', 'datura'],
    latin: ['datura']
  },
  'angels trumpet': { latin: ['brugmansia'] },
  tobacco: { also: ['tobacco plant', 'tree tobacco'], latin: ['nicotiana'] },
  'cherry laurel': {
    also: ['laurel', 'english laurel', 'portugal laurel', 'laurel cherry'],
    latin: ['prunus laurocerasus', 'prunus lusitanica']
  },
  'mountain laurel': { also: ['calico bush', 'lambkill'], latin: ['kalmia'] },
  'spurge laurel': { also: ['daphne', 'mezereon', 'february daphne'], latin: ['daphne'] },
  privet: { latin: ['ligustrum'] },
  rhododendron: { also: ['azalea', 'rosebay'], latin: ['rhododendron', 'azalea'] },
  pieris: { also: ['bog rosemary', 'fetterbush'], latin: ['pieris', 'andromeda', 'leucothoe'] },
  hydrangea: { also: ['hortensia'], latin: ['hydrangea'] },
  'sweet pea': {
    also: ['everlasting pea', 'perennial pea', 'vetchling', 'grass pea'],
    latin: ['lathyrus']
  },
  'rosary pea': { also: ['crabs eye', 'jequirity'], latin: ['abrus'] },
  lupin: { also: ['lupine'], latin: ['lupinus'] },
  broom: { also: ['scotch broom', 'dyers greenweed'], latin: ['cytisus', 'genista', 'spartium'] },
  wisteria: { also: ['wistaria'], latin: ['wisteria'] },
  'crown vetch': { also: ['milk vetch', 'locoweed'], latin: ['coronilla', 'securigera', 'oxytropis'] },
  larkspur: { also: ['delphinium', 'stavesacre'], latin: ['delphinium', 'consolida'] },
  columbine: { also: ['aquilegia', 'grannys bonnet'], latin: ['aquilegia'] },
  buttercup: {
    also: ['crowfoot', 'spearwort', 'kingcup', 'marsh marigold', 'lesser celandine', 'pilewort'],
    latin: ['ranunculus', 'caltha', 'ficaria']
  },
  anemone: { also: ['windflower', 'pasque flower'], latin: ['anemone', 'pulsatilla'] },
  clematis: {
    also: ['old mans beard', 'travellers joy', 'virgins bower', 'leather flower'],
    latin: ['clematis']
  },
  baneberry: { also: ['dolls eye', 'herb christopher', 'bugbane'], latin: ['actaea', 'cimicifuga'] },
  hellebore: {
    also: ['christmas rose', 'lenten rose', 'false hellebore', 'bears foot'],
    latin: ['helleborus', 'veratrum']
  },
  'pheasants eye': { also: ['adonis'], latin: ['adonis'] },
  globeflower: { latin: ['trollius'] },
  lantana: { latin: ['lantana'] },
  arum: {
    also: [
      'lords and ladies',
      'lords and lady',
      'cuckoo pint',
      'cuckoopint',
      'wake robin',
      'arum lily',
      'calla lily',
      'calla',
      'peace lily',
      'skunk cabbage',
      'jack in the pulpit',
      'dumb cane',
      'dieffenbachia',
      'philodendron',
      'caladium',
      'dragon arum'
    ],
    latin: [
      'arum',
      'zantedeschia',
      'spathiphyllum',
      'dieffenbachia',
      'arisaema',
      'dracunculus',
      'lysichiton',
      'philodendron'
    ]
  },
  'dwarf elder': { also: ['danewort', 'walewort'], latin: ['sambucus ebulus'] },
  bryony: {
    also: ['black bryony', 'white bryony', 'red bryony'],
    latin: ['bryonia', 'tamus', 'dioscorea communis']
  },
  'autumn crocus': { also: ['meadow saffron', 'naked lady'], latin: ['colchicum'] },
  'flame lily': { also: ['gloriosa'], latin: ['gloriosa'] },
  'herb paris': { latin: ['paris quadrifolia'] },
  'solomons seal': { latin: ['polygonatum'] },
  'death camas': { latin: ['zigadenus', 'toxicoscordion'] },
  lily: { also: ['tiger lily', 'madonna lily', 'easter lily'], latin: ['lilium'] },
  fritillary: { also: ['crown imperial', 'snakes head'], latin: ['fritillaria'] },
  tulip: { latin: ['tulipa'] },
  iris: { also: ['yellow flag', 'flag iris', 'gladdon'], latin: ['iris'] },
  bluebell: {
    also: ['hyacinth', 'squill', 'grape hyacinth'],
    latin: ['hyacinthoides', 'hyacinthus', 'scilla', 'urginea', 'muscari']
  },
  'star of bethlehem': { latin: ['ornithogalum'] },
  snowdrop: { also: ['snowflake flower', 'leucojum'], latin: ['galanthus', 'leucojum'] },
  amaryllis: {
    also: ['hippeastrum', 'clivia', 'nerine', 'belladonna lily'],
    latin: ['amaryllis', 'hippeastrum', 'clivia', 'nerine', 'crinum']
  },
  cyclamen: { also: ['sowbread'], latin: ['cyclamen'] },
  'spindle berry': { also: ['spindle', 'spindleberry', 'burning bush'], latin: ['euonymus'] },
  mistletoe: { latin: ['viscum', 'phoradendron'] },
  holly: { latin: ['ilex'] },
  ivy: { also: ['poison ivy', 'boston ivy', 'english ivy'], latin: ['hedera'] },
  'poison oak': { also: ['poison sumac'], latin: ['toxicodendron', 'rhus radicans'] },
  'virginia creeper': { latin: ['parthenocissus'] },
  buckthorn: { also: ['alder buckthorn', 'purging buckthorn'], latin: ['rhamnus', 'frangula'] },
  snowberry: { also: ['coralberry'], latin: ['symphoricarpos'] },
  cotoneaster: { latin: ['cotoneaster'] },
  boxwood: { also: ['box hedge', 'box leaf'], latin: ['buxus'] },
  savin: {
    also: ['savin juniper', 'thuja', 'arborvitae', 'white cedar'],
    latin: ['juniperus sabina', 'thuja']
  },
  'sago palm': { also: ['cycad'], latin: ['cycas', 'zamia'] },
  'castor bean': { also: ['castor oil plant', 'castor'], latin: ['ricinus'] },
  spurge: { also: ['euphorbia', 'poinsettia', 'caper spurge', 'crown of thorns'], latin: ['euphorbia'] },
  'physic nut': { also: ['jatropha', 'croton'], latin: ['jatropha', 'croton', 'codiaeum'] },
  manchineel: { latin: ['hippomane'] },
  pokeweed: { also: ['pokeberry', 'poke root', 'pokeroot', 'inkberry', 'poke'], latin: ['phytolacca'] },
  moonseed: { latin: ['menispermum'] },
  bloodroot: {
    also: ['greater celandine', 'celandine', 'prickly poppy', 'opium poppy'],
    latin: ['sanguinaria', 'chelidonium', 'argemone', 'papaver somniferum']
  },
  'bleeding heart': {
    also: ['dutchmans breeches', 'corydalis', 'fumitory'],
    latin: ['dicentra', 'lamprocapnos', 'corydalis', 'fumaria']
  },
  mayapple: { also: ['may apple', 'podophyllum'], latin: ['podophyllum'] },
  'blue cohosh': { latin: ['caulophyllum'] },
  'morning glory': {
    also: ['bindweed', 'heavenly blue'],
    latin: ['ipomoea tricolor', 'ipomoea violacea', 'ipomoea purpurea', 'convolvulus', 'calystegia']
  },
  periwinkle: { latin: ['vinca', 'catharanthus'] },
  dogbane: { also: ['indian hemp dogbane'], latin: ['apocynum'] },
  milkweed: { also: ['butterfly weed', 'silkweed'], latin: ['asclepias', 'calotropis'] },
  frangipani: {
    also: ['plumeria', 'allamanda', 'mandevilla', 'desert rose'],
    latin: ['plumeria', 'allamanda', 'mandevilla', 'adenium']
  },
  jessamine: {
    also: [
      'carolina jessamine',
      'yellow jessamine',
      'night blooming jasmine',
      'night jasmine',
      'false jasmine'
    ],
    latin: ['gelsemium', 'cestrum']
  },
  brunfelsia: { also: ['yesterday today and tomorrow'], latin: ['brunfelsia'] },
  birthwort: { also: ['dutchmans pipe'], latin: ['aristolochia'] },
  asarabacca: { also: ['hazelwort'], latin: ['asarum'] },
  ragwort: {
    also: ['tansy ragwort', 'groundsel', 'cineraria', 'staggerwort'],
    latin: ['senecio', 'jacobaea']
  },
  comfrey: {
    also: ['hounds tongue', 'vipers bugloss', 'heliotrope'],
    latin: ['symphytum', 'cynoglossum', 'echium', 'heliotropium']
  },
  butterbur: { latin: ['petasites'] },
  tansy: { latin: ['tanacetum vulgare'] },
  rue: { also: ['herb of grace'], latin: ['ruta'] },
  pennyroyal: { latin: ['mentha pulegium'] },
  lobelia: { also: ['cardinal flower', 'indian tobacco'], latin: ['lobelia'] },
  'horse chestnut': { also: ['conker', 'buckeye'], latin: ['aesculus'] },
  chinaberry: { also: ['bead tree', 'persian lilac', 'texas umbrella'], latin: ['melia'] },
  'moreton bay chestnut': { also: ['black bean tree'], latin: ['castanospermum'] },
  'false acacia bark': { also: ['black locust bark', 'locust tree bark'], latin: [] },
  'kentucky coffee tree': { latin: ['gymnocladus'] },
  'coral tree': { latin: ['erythrina'] },
  strychnine: { also: ['nux vomica', 'poison nut'], latin: ['strychnos'] },
  corncockle: { also: ['corn cockle'], latin: ['agrostemma'] },
  cocklebur: { latin: ['xanthium'] },
  darnel: { also: ['ergot'], latin: ['lolium temulentum', 'claviceps'] },
  bracken: { also: ['bracken fern'], latin: ['pteridium'] },
  'four oclock': { also: ['marvel of peru'], latin: ['mirabilis'] },
  'tung nut': { latin: ['vernicia', 'aleurites fordii'] },
  'dogs mercury': { latin: ['mercurialis'] },
  'death cap': { also: ['fly agaric', 'toadstool', 'destroying angel'], latin: ['amanita'] },
  'white snakeroot': { latin: ['ageratina'] }
};

/** Food whose name holds a poisonous one within it, or lies a letter from one. */
export const FOODS: readonly string[] = [
  'garden pea',
  'green pea',
  'pea pod',
  'pea shoot',
  'snow pea',
  'sugar snap pea',
  'chick pea',
  'butterfly pea',
  'pigeon pea',
  'sweet cicely',
  'day lily',
  'bay laurel',
  'laurel bay',
  'sweet bay',
  'bay leaf',
  'sea buckthorn',
  'buttercup squash',
  'sweet chestnut',
  'chestnut',
  'water chestnut',
  'pot marigold',
  'marigold',
  'ground ivy',
  'elder flower',
  'elder berry',
  'elderflower',
  'elderberry',
  'hollyhock',
  'sweet potato',
  'sweet woodruff',
  'jasmine',
  'lilac',
  'sumac',
  'cowslip',
  'primrose',
  'evening primrose',
  'spruce',
  'fir tip',
  'pine tip',
  'juniper',
  'saffron',
  'crocus stigma',
  'ginger',
  'lemon balm',
  'fennel',
  'angelica',
  'lovage',
  'borage',
  'hyssop',
  'anise hyssop',
  'rosebay willowherb',
  'fireweed',
  'lotus',
  'acacia blossom',
  'locust blossom',
  'poppy seed',
  'bear berry'
];
