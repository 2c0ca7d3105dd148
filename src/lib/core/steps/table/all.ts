import type { StepId } from '../../tables/step-id';
import { campden } from './campden';
import { crush } from './crush';
import type { StepDef } from './define';
import { enzyme } from './enzyme';
import { sugarPart } from './feed';
import { RUNGS } from './rungs';
import { bottle, finings, stabilise, sweeten } from './finish';
import { fruitOut } from './fruit-out';
import { nutrientPart } from './nutrient';
import { pitch } from './pitch';
import { intoGlass, offTheLees } from './rack';
import { read } from './read';
import { starter } from './starter';
import { stir } from './stir';
import { taste } from './taste';
import { testBottle } from './test-bottle';

/** Every step there is. */
export const STEPS: Record<StepId, StepDef> = {
  crush,
  campden,
  enzyme,
  starter,
  pitch,
  'nutrient-1': nutrientPart(0),
  'nutrient-2': nutrientPart(1),
  'nutrient-3': nutrientPart(2),
  'nutrient-4': nutrientPart(3),
  stir,
  read,
  'feed-1': sugarPart('feed-1'),
  'feed-2': sugarPart('feed-2'),
  'fruit-out': fruitOut,
  'rack-1': intoGlass,
  'rack-2': offTheLees,
  finings,
  stabilise,
  sweeten,
  bottle,
  ...RUNGS,
  'test-bottle': testBottle,
  taste
};
