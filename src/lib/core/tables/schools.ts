import { betweenC, inC, inL } from '../units/say';
/** One choice of a school: how it is said in a sentence, and why one would. */
type Option = { name: string; why: string };
type School = {
  title: string;
  /** taken when a plan does not say */
  usual: string;
  options: Record<string, Option>;
};

/**
 * Where good winemakers differ. Vecino takes no side in secret: each is a choice with a default and a reason,
 * and each changes numbers, doses, waits or hygiene somewhere in the core. All common practice.
 */
export const SCHOOLS = {
  wash: {
    title: 'Washing',
    usual: 'rinsed',
    options: {
      rinsed: { name: 'rinsed', why: 'Dust and insects off, most of the bloom stays.' },
      washed: { name: 'washed', why: 'For shop fruit and low windfalls; drain it, or it waters the must.' },
      unwashed: { name: 'unwashed', why: 'A wild ferment wants the bloom. Only clean, unsprayed fruit.' }
    }
  },
  wildYeast: {
    title: 'Against wild yeast',
    usual: 'sulphite',
    options: {
      sulphite: {
        name: 'sulphite',
        why: `A crushed Campden tablet for each ${inL(4, 'rule')}, then a day of waiting: the surest.`
      },
      heat: { name: 'boiling water', why: `No additive, but it must cool below ${inC(25)} first.` },
      none: {
        name: 'nothing',
        why: 'Straight to the yeast, and soon.'
      },
      /** as plans of an older version have it: nothing, and no yeast */
      wild: { name: 'nothing, and no yeast', why: 'Natural yeast: slower, and at your own risk.' }
    }
  },
  fruitIn: {
    title: 'Fruit in the bucket',
    usual: 'bag',
    options: {
      bag: { name: 'in a bag', why: 'Lifted out in one go; gives a little more slowly.' },
      free: { name: 'loose', why: 'Gives sooner, but needs straining and leaves more lees.' }
    }
  },
  fruitFor: {
    title: 'Days on the fruit',
    usual: 'usual',
    options: {
      usual: {
        name: 'as long as it gives',
        why: 'By the kind of fruit: soft berries soon, hard fruit longer.'
      },
      three: { name: 'for three days', why: 'Light, fruity, little tannin.' },
      five: { name: 'for five days', why: 'Common for soft fruit.' },
      seven: { name: 'for a week', why: 'More colour and body.' },
      ten: { name: 'for ten days', why: 'Full and dark; keep the cap wet.' },
      dry: { name: 'to a gravity of 1.000', why: 'All that the fruit has; taste it from day five on.' }
    }
  },
  press: {
    title: 'Fruit out',
    usual: 'drip',
    options: {
      drip: { name: 'dripped', why: 'Lift the bag and let it drip: clear wine, a little less of it.' },
      squeeze: { name: 'squeezed', why: 'More wine, more sediment, longer to clear.' },
      press: { name: 'pressed', why: 'Most wine and most tannin, longest to clear.' }
    }
  },
  cover: {
    title: 'First ferment',
    usual: 'open',
    options: {
      open: {
        name: 'loosely covered',
        why: 'Air is a friend until the first move; the cap is easy to reach.'
      },
      airlock: { name: 'under an airlock', why: 'Cleaner and safer from flies; open it to stir.' }
    }
  },
  pitch: {
    title: 'The yeast goes in',
    usual: 'dry',
    options: {
      dry: { name: 'sprinkled dry', why: 'Simplest; it shows after 12 to 24 hours.' },
      rehydrated: {
        name: 'woken in warm water',
        why: `A quarter of an hour at ${betweenC(35, 40)}: more of it lives, starts in 4 to 12 hours.`
      },
      starter: {
        name: 'from a starter',
        why: 'Begun the day before: starts in 2 to 6 hours, best for honey.'
      },
      natural: {
        name: 'none: natural ferment',
        why: 'Natural yeast: slower, and at your own risk.'
      }
    }
  },
  sugar: {
    title: 'Sugar',
    usual: 'start',
    options: {
      start: { name: 'all at the start', why: 'One weighing, one sum.' },
      halves: { name: 'in halves', why: 'Half now, half when the fruit is out.' },
      strained: {
        name: 'after straining',
        why: 'The bucket is lighter and the fruit gives more to thin must.'
      },
      steps: { name: 'fed in steps', why: 'A gentler start: the way to a strong wine.' }
    }
  },
  powders: {
    title: 'Powders',
    usual: 'sequence',
    options: {
      sequence: { name: 'one after another', why: 'Sulphite dulls enzyme, so each has its time.' },
      together: { name: 'together', why: 'One evening’s work; the enzyme is a little dulled.' }
    }
  },
  stirring: {
    title: 'Stirring',
    usual: 'daily',
    options: {
      daily: { name: 'stirred daily', why: 'Cap wet, air in, no mould.' },
      shut: { name: 'left shut', why: 'Nothing gets in. Only under an airlock, with the fruit well under.' }
    }
  },
  air: {
    title: 'Air',
    usual: 'three-days',
    options: {
      'three-days': { name: 'for three days', why: 'Then it has what it needs.' },
      third: { name: 'until a third of the sugar is gone', why: 'For strong and for honey wines.' }
    }
  },
  nutrient: {
    title: 'Nutrient',
    usual: 'staggered',
    options: {
      staggered: {
        name: 'nutrient in four parts',
        why: 'At 24, 48 and 72 h and when a third of the sugar is gone: steadier, cleaner.'
      },
      'at-once': { name: 'nutrient at once', why: 'With the yeast: simple; a hotter start.' },
      none: { name: 'no nutrient', why: 'Fine for ripe fruit; flowers and honey will be slow.' }
    }
  },
  sharpen: {
    title: 'Sharpened with',
    usual: 'acid-blend',
    options: {
      'acid-blend': { name: 'acid blend', why: 'By weight, so the same every year.' },
      citric: { name: 'citric acid', why: 'Lemon’s own, without the lemon.' },
      tartaric: { name: 'tartaric acid', why: 'The grape’s; drops out a little in the cold.' },
      malic: { name: 'malic acid', why: 'The apple’s: crisp.' },
      lemon: { name: 'lemon juice', why: 'The natural way; many wish for less of it a year on.' }
    }
  },
  tannin: {
    title: 'Tannin',
    usual: 'powder',
    options: {
      powder: {
        name: 'tannin powder',
        why: `A quarter of a teaspoon for each ${inL(4, 'rule')}, where the fruit has little.`
      },
      tea: { name: 'strong tea', why: `A bag for each ${inL(4, 'rule')}, simmered, never boiled hard.` },
      none: { name: 'no tannin', why: 'Softer, and keeps less long.' }
    }
  },
  clearing: {
    title: 'Cleared by',
    usual: 'time',
    options: {
      time: { name: 'time', why: 'Two to four months, and nothing added.' },
      cold: { name: 'cold', why: 'A fortnight or more near freezing; drops tartar too.' },
      finings: {
        name: 'two-part finings',
        why: 'First part, an hour, second part, a week. May hold fish or shellfish.'
      },
      bentonite: { name: 'bentonite', why: 'A clay: against protein haze, takes a little aroma.' }
    }
  },
  finish: {
    title: 'Finished',
    usual: 'dry',
    options: {
      dry: { name: 'dry', why: 'Nothing left to ferment: the safest in bottle.' },
      stabilise: {
        name: 'stabilised and sweetened',
        why: 'Sulphite and sorbate, once it is clear, then sugar.'
      },
      'non-fermenting': {
        name: 'sweetened with what does not ferment',
        why: 'No sorbate needed; tastes a little other than sugar.'
      },
      heat: { name: 'sweetened and heat-treated', why: 'No powders; costs some fresh fruit.' },
      limit: {
        name: 'sweet at the yeast’s limit',
        why: 'More sugar than it can take: the least safe, it may start again.'
      }
    }
  },
  topUp: {
    title: 'Topped up with',
    usual: 'wine',
    options: {
      wine: { name: 'like wine', why: 'Keeps strength and taste.' },
      must: { name: 'must kept frozen', why: 'Keeps the fruit; it ferments a little again.' },
      water: { name: 'boiled, cooled water', why: 'Thins it: a few per cent is not tasted.' },
      gas: { name: 'gas', why: 'Nothing added, but the air comes back with every opening.' }
    }
  },
  alcohol: {
    title: 'Strength by',
    usual: 'ledger',
    options: {
      ledger: { name: 'all that went in', why: 'True through feeding and topping up.' },
      '131': { name: 'gravity times 131.25', why: 'The common sum; for one start and one end.' },
      '135': { name: 'gravity times 135', why: 'The other common sum; nearer for strong wines.' }
    }
  }
} as const satisfies Record<string, School>;

export type SchoolId = keyof typeof SCHOOLS;
export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[];
export type ChoiceOf<S extends SchoolId> = keyof (typeof SCHOOLS)[S]['options'] & string;

/** A method: a choice in each school, or in some of them; the usual one where it does not say. */
export type Method = { [S in SchoolId]?: ChoiceOf<S> | undefined };

/** A method's choice in a school. */
export const choiceOf = <S extends SchoolId>(method: Method, school: S): ChoiceOf<S> =>
  (method[school] as ChoiceOf<S> | undefined) ?? (SCHOOLS[school].usual as ChoiceOf<S>);

/** Choices that plans of an older version may hold, and that nobody is offered any more. */
const OLD: ReadonlySet<string> = new Set(['wildYeast wild']);

/** The choices of a school, with their words. */
export const optionsOf = (school: SchoolId): [id: string, option: Option][] =>
  Object.entries(SCHOOLS[school].options as Record<string, Option>).filter(
    ([id]) => !OLD.has(`${school} ${id}`)
  );

/** Whether no yeast is pitched: what came on the fruit does it. */
export const isNatural = (method: Pick<Method, 'wildYeast' | 'pitch'>): boolean =>
  method.wildYeast === 'wild' || method.pitch === 'natural';

/** What goes with a choice: natural yeast is not killed first, and one who wants it wants no powders unless he says so. */
export function withChoice<M extends Method & { enzyme?: boolean | undefined }>(
  method: M,
  school: SchoolId | 'enzyme',
  choice: string | boolean
): M {
  const next = { ...method, [school]: choice } as M;
  if (school === 'pitch' && choice === 'natural')
    return {
      ...next,
      wildYeast: 'none',
      enzyme: method.enzyme ?? false,
      tannin: method.tannin ?? 'none',
      nutrient: method.nutrient ?? 'none'
    };
  if (school === 'wildYeast' && choice !== 'none' && method.pitch === 'natural')
    return { ...next, pitch: 'dry' };
  return next;
}
