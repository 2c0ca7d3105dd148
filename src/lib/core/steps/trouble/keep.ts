import { inL } from '../../units/say';
import { DAY, defineTrouble, HOUR, isEarly, lastSeen, takesFood, type Facts } from './define';

const smells = (f: Facts, what: 'eggs' | 'vinegar' | 'flat') => {
  const smell = lastSeen(f, 'smell');
  return smell?.is === what ? { chance: 1, since: smell.since } : null;
};
const onTop = (f: Facts, what: 'film' | 'mould') => {
  const surface = lastSeen(f, 'surface');
  return surface?.is === what ? { chance: 1, since: surface.since } : null;
};

const sulphite = (how: string, afterH = 0) => ({
  step: 'sulphite' as const,
  title: 'A dose of sulphite',
  short: 'sulphite',
  how,
  afterH
});
const cover = {
  step: 'cover' as const,
  title: 'Up to the neck',
  short: 'top up',
  how: 'With like wine, or into smaller glass: no air over it.',
  afterH: 0
};

/** Hydrogen sulphide: yeast that lacks food, or old lees. */
export const eggs = defineTrouble({
  name: 'smells of eggs',
  seen: (f) => smells(f, 'eggs'),
  rungs: [
    {
      step: 'air',
      title: 'Stir it hard',
      short: 'stir',
      how: 'Twice a day: the smell leaves with the gas.',
      afterH: 0,
      helps: (f) => f.s.rackings.length === 0 && f.goneShare < 0.9
    },
    {
      step: 'food',
      title: 'Half a dose of nutrient',
      short: 'nutrient',
      how: 'It lacks food. Stirred into a cup of the wine first.',
      afterH: 0,
      helps: takesFood
    },
    {
      step: 'splash',
      title: 'Rack it with a splash',
      short: 'splash',
      how: 'Off its lees, this once letting it fall from high.',
      afterH: 2 * DAY,
      helps: (f) => !isEarly(f)
    },
    sulphite('Right after the splash: it binds what is left, and the air.')
  ]
});

/** A film of yeast, where there is air. */
export const film = defineTrouble({
  name: 'a film on top',
  seen: (f) => onTop(f, 'film'),
  rungs: [
    sulphite('Film off with clean paper first, then sulphite without stirring.'),
    cover,
    {
      step: 'splash',
      title: 'Rack it from under the film',
      short: 'rack',
      how: 'This time without any splash, and stop before the film comes.',
      afterH: 14 * DAY
    }
  ]
});

export const mould = defineTrouble({
  name: 'mould on top',
  seen: (f) => onTop(f, 'mould'),
  rungs: [],
  grave: true
});

export const vinegar = defineTrouble({
  name: 'smells of vinegar',
  seen: (f) => smells(f, 'vinegar'),
  rungs: [sulphite('A faint prick can be held, not mended.'), cover],
  grave: true
});

/** Air got at it. */
export const flat = defineTrouble({
  name: 'flat, of sherry',
  seen: (f) => smells(f, 'flat'),
  rungs: [sulphite('It holds what is left of the fruit.'), cover]
});

/** Still cloudy so long after it was last racked. Common practice: two months. */
const CLEARS_H = 60 * DAY;

export const haze = defineTrouble({
  name: 'a haze that stays',
  seen(f) {
    const { s, belief } = f;
    const look = lastSeen(f, 'clarity');
    const racked = s.rackings.at(-1)?.at;
    if (!look || look.is === 'clear' || racked === undefined || !belief) return null;
    return belief.chance.done > 0.6 && look.at - racked > CLEARS_H * HOUR
      ? { chance: 1, since: look.since }
      : null;
  },
  rungs: [
    {
      step: 'spirit-test',
      title: 'Test it for pectin',
      short: 'test',
      how: 'A spoonful into three of strong spirit, shaken: strings or jelly within an hour mean pectin. If none, skip this and the enzyme.',
      afterH: 0
    },
    {
      step: 'late-enzyme',
      title: 'Pectic enzyme, a full dose',
      short: 'enzyme',
      how: 'Warm for a week: alcohol slows it.',
      afterH: 0
    },
    {
      step: 'fine',
      title: 'Bentonite',
      short: 'bentonite',
      how: `Swollen in hot water the day before, about ${inL(0.05)} to each spoon; stirred in, racked off in a week.`,
      afterH: 14 * DAY
    }
  ]
});
