import type { TroubleId } from './all';

/** What a trouble looks like, for who does not know it yet; and when to give up, and what then. */
export const TROUBLE_WORDS: Record<TroubleId, { signs: string; giveUp: string }> = {
  'not-begun': {
    signs:
      'Two days after the yeast nothing shows, and it reads as it did: no bubbles alone may be a leaking lid.',
    giveUp:
      'Nothing three days after fresh yeast: something stops it. Preserved juice or fruit (sorbate, benzoate), or too much sulphite, cannot be mended: mix it half and half into a must that works.'
  },
  stuck: {
    signs: 'The same gravity three days apart, well over where it should end, and sweet on the tongue.',
    giveUp: `Nothing a week after the second yeast: leave it sweet. Stabilise it once it is clear, or blend it with a dry one; never bottle it as it is, it can wake under the cork.`
  },
  slow: {
    signs: 'It falls by less than a point or so a day with much sugar left.',
    giveUp: 'Slow is no fault: cold, strong and honey musts take months. Leave it be while it falls.'
  },
  woke: {
    signs: 'It had stood still for weeks, and falls once more: often when spring warms the cellar.',
    giveUp:
      'It wakes with warmth, a stir or fresh sugar: let it finish. What is in bottles already, open and watch.'
  },
  foaming: {
    signs: 'Foam in the airlock, or under the cloth: in the first days, most of all with dark soft berries.',
    giveUp:
      'The rush is over in two or three days. A tight lid with a blocked airlock bursts: leave it loose.'
  },
  eggs: {
    signs: 'Rotten eggs or struck matches, in the ferment or when racked: yeast without food, or old lees.',
    giveUp:
      'Still there a week after: another splash, then time. Copper takes it out and is poison in the least excess: not by the spoon.'
  },
  film: {
    signs: 'A dull skin, or white flecks that close again when parted, where air stands over it.',
    giveUp:
      'If it smells of glue or vinegar under the film, it is lost as wine: keep it away from the others.'
  },
  mould: {
    signs: 'Fur: green, black or white, on fruit that stood dry or in a must left waiting.',
    giveUp: 'Throw it away, do not taste it, and scald all that touched it. Mould cannot be racked off.'
  },
  vinegar: {
    signs: 'Sharp in the nose, or of glue: bacteria and air.',
    giveUp:
      'There is no way back. Keep it apart from your other wines, and let it become vinegar, or pour it away.'
  },
  flat: {
    signs: 'Browner than it was, and of nuts or bruised apples: air got at it.',
    giveUp: 'What air took stays gone: drink it soon, or cook with it.'
  },
  haze: {
    signs: 'Print cannot be read through it two months after it was racked, though it is done.',
    giveUp:
      'A haze is for the eye alone. A starch haze, from roots and unripe apples, seldom clears: drink it so.'
  }
};
